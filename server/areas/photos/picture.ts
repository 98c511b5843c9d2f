import sharp from 'sharp';
import { HttpError } from '../../http/problem.ts';
import { TEXTS } from './texts.ts';

// One processor at the most: the others answer requests.
sharp.concurrency(1);

/** More pixels than any camera at a mirror has: what claims more is a trap. */
const MOST_PIXELS = 60_000_000;
/** Longest side kept, and of the small one in a list, pixels. */
const KEPT = 2400;
const SMALL = 360;

export interface Picture {
  readonly picture: Buffer;
  readonly thumb: Buffer;
  readonly width: number;
  readonly height: number;
}

/**
 * A picture decoded, turned upright and written anew as JPEG, so that nothing else of what was sent is kept: no place,
 * no camera, no bytes behind the picture. @throws HttpError 422 for what is no picture, or one of more than 60 megapixels
 */
export async function cleaned(bytes: Buffer): Promise<Picture> {
  const none = new HttpError(422, 'no-picture', TEXTS.pictureUnreadable);
  try {
    const {
      format,
      width = 0,
      height = 0,
      pages = 1,
    } = await sharp(bytes, { limitInputPixels: false }).metadata();
    if (!format || !['jpeg', 'png', 'webp', 'heif', 'tiff', 'gif'].includes(format)) throw none;
    if (width * height * Math.max(1, pages) > MOST_PIXELS)
      throw new HttpError(
        422,
        'too-many-pixels',
        TEXTS.tooManyPixels(Math.round((width * height * pages) / 1e6)),
      );
    const upright = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).rotate();
    const fit = { fit: 'inside', withoutEnlargement: true } as const;
    const { data, info } = await upright
      .clone()
      .resize(KEPT, KEPT, fit)
      .flatten({ background: '#fff' })
      .jpeg({ quality: 82 })
      .toBuffer({ resolveWithObject: true });
    const thumb = await upright
      .clone()
      .resize(SMALL, SMALL, fit)
      .flatten({ background: '#fff' })
      .jpeg({ quality: 74 })
      .toBuffer();
    return { picture: data, thumb, width: info.width, height: info.height };
  } catch (error) {
    throw error instanceof HttpError ? error : none;
  }
}
