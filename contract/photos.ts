import type { PhotoOf } from './design.ts';

/** A photograph of a garment or a fitting, without its bytes. */
export interface PhotoView {
  readonly id: number;
  readonly width: number;
  readonly height: number;
  readonly words: string;
  readonly about: PhotoOf;
  /** the mark it shows; null for one of the whole garment */
  readonly alterationId: number | null;
  readonly by: string;
  readonly at: string;
}
