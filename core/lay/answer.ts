import { areaOf } from '../pattern/polyline.ts';
import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import { beforeShrinking, type ClothInHand, usable } from './cloth.ts';
import type { Lay } from './lay.ts';
import { asLaid, type LayPiece } from './pieces.ts';
import { WAY_NAME, type Way, widthOf } from './ways.ts';

/** What is said of cloth and pieces, and the figures behind it, cm. */
export interface Answer {
  readonly state: 'fits' | 'cannot' | 'none-found' | 'to-buy';
  readonly sentence: string;
  /** what the pieces take of the cloth as it lies there now, before it shrinks; null where nothing could be laid */
  readonly takes: number | null;
  /** what they cover, as a part of what they take */
  readonly covers: number | null;
}

/** A lay’s length as it is told: to the next millimetre up, what is left over to the next one down, cm. */
const up = (length: number): Cm => cm(Math.ceil(length * 10 - 1e-6) / 10);
const down = (length: number): Cm => cm(Math.floor(length * 10 + 1e-6) / 10);

/** All that is cut, cm². */
export const areaToCut = (pieces: readonly LayPiece[]): number =>
  pieces.reduce((sum, p) => sum + p.count * areaOf(p.whole), 0);

/** Pieces that go onto the cloth no way it may lie, with how wide they are. */
export function tooWide(
  pieces: readonly LayPiece[],
  cloth: ClothInHand,
  way: Way,
): { piece: LayPiece; width: number }[] {
  const room = usable(cloth).width;
  return pieces.flatMap((p) => {
    const width = widthOf(way === 'across' ? asLaid(p.whole, 90, false) : p.whole);
    return width > room + 1e-6 ? [{ piece: p, width }] : [];
  });
}

/** Whether it fits, said with its figure: a lay is the proof that it does, an area or a piece the proof that it cannot. */
export function answerOf(
  lay: Lay | null,
  way: Way,
  pieces: readonly LayPiece[],
  cloth: ClothInHand,
  seconds: number,
): Answer {
  const { width, length } = usable(cloth);
  const area = areaToCut(pieces);
  const wide = tooWide(pieces, cloth, way)[0];
  if (wide)
    return {
      state: 'cannot',
      sentence: `It cannot be cut so: ${wide.piece.name} is ${say(cm(wide.width))} wide as it lies, the cloth ${say(cm(width))} between its selvedges. Put a seam in, take a wider cloth, or lay it another way.`,
      takes: null,
      covers: null,
    };
  if (length !== null && area > width * length)
    return {
      state: 'cannot',
      sentence: `It cannot be cut from this: the pieces cover ${square(area)}, the cloth is ${square(width * length)} between its selvedges.`,
      takes: null,
      covers: null,
    };
  if (!lay)
    return {
      state: 'cannot',
      sentence: `Laid ${WAY_NAME[way]}, these pieces make no lay: choose another way.`,
      takes: null,
      covers: null,
    };
  const takes = beforeShrinking(lay.length, cloth);
  const covers = area / (width * lay.length);
  const shrunk = cloth.shrinks > 0 ? `, ${say(up(takes))} before it shrinks` : '';
  if (length === null)
    return {
      state: 'to-buy',
      sentence: `The pieces take ${say(up(lay.length))}${shrunk}; they cover ${Math.round(100 * covers)} % of it.`,
      takes,
      covers,
    };
  const over = length - lay.length;
  return over >= -1e-6
    ? {
        state: 'fits',
        sentence: `It fits: the pieces take ${say(up(lay.length))}, ${say(down(Math.max(0, over)))} of the cloth’s length are left over.`,
        takes,
        covers,
      }
    : {
        state: 'none-found',
        sentence: `No lay was found in ${seconds} s: the nearest is ${say(up(-over))} too long. That is no proof that there is none.`,
        takes,
        covers,
      };
}

const square = (area: number): string => `${(Math.round(area / 10) / 1000).toFixed(2)} m²`;
