import type { Notion, Piece } from '../figure/figure.ts';
import type { Brief, Cloth } from './input.ts';
import { OTHERS } from './laid-length.ts';

/** From so much stretch around, %, a cloth is sewn as a knit; what gives less is a woven with a little elastane (common practice, no source). */
const KNIT_FROM = 15;

/** Needle size for the cloth's weight (common practice): to 100 g/m² 70, to 250 80, above 90; a knit wants a round point. */
const needleFor = (weight: number | null, knit: boolean) =>
  `${weight === null ? 'for the cloth' : weight <= 100 ? 'size 70' : weight <= 250 ? 'size 80' : 'size 90'}${knit ? ', ball point' : ''}`;

/** Seams and their edges by stitch class. Source: ISO 4915 (301 lockstitch, 304 zigzag, 401 chain, 504 and 514 overedge; from memory). */
const stitchFor = (weight: number | null, knit: boolean): string =>
  knit
    ? 'seams 514, hems 304 or 401, which give with the cloth (ISO 4915)'
    : weight !== null && weight <= 100
      ? 'seams 301, short, French seams where the cloth is sheer (ISO 4915)'
      : 'seams 301, edges 504 (ISO 4915)';

/** Thread, needle and stitch for a cloth. @param called which of the garment's cloths; empty for the order's own */
export function sewnWith(cloth: Cloth, called = ''): Notion[] {
  const knit = cloth.stretch >= KNIT_FROM;
  const of = (what: string) => (called ? `${what}, ${called}` : what);
  return [
    { name: of('thread'), length: null, note: cloth.name ? `to match ${cloth.name}` : 'to match' },
    { name: of('needle'), length: null, note: needleFor(cloth.weight, knit) },
    { name: of('stitch'), length: null, note: stitchFor(cloth.weight, knit) },
  ];
}

/** The same for every other cloth that something is cut from. */
export const othersSewnWith = ({ cloths = [] }: Pick<Brief, 'cloths'>, pieces: readonly Piece[]): Notion[] =>
  cloths.flatMap((c, i) =>
    pieces.some((p) => p.from === OTHERS[i]) ? sewnWith(c, c.name || `${OTHERS[i]} cloth`) : [],
  );
