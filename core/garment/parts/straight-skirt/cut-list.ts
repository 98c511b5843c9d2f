import type { Figure, Notion, Piece } from '../../../sheet/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say } from '../../../units/print.ts';
import { type Rounding, roundLength } from '../../../units/rounding.ts';
import type { Allowances } from '../../allowances.ts';
import type { Brief, StraightSkirtBrief } from '../../brief.ts';

interface Sizes {
  readonly wide: Figure;
  readonly longest: Cm;
  readonly band: Cm | null;
  readonly zip: Cm | null;
  readonly allowances: Allowances;
}

/** Extension of a vent beyond the centre back line, cm (common practice). */
const VENT_EXTENSION = 5;
const STRAIGHT = 'lengthwise, parallel to centre front or back';

/** Pieces with their cut sizes (cm, allowances included), and what to lay ready. */
export function skirtCutList(
  brief: Brief,
  skirt: StraightSkirtBrief,
  s: Sizes,
  rounding: Rounding,
): { pieces: Piece[]; notions: Notion[] } {
  const { front, back } = s.wide;
  const known = front && back && s.longest > 0;
  const a = s.allowances;
  const centreBack =
    skirt.zip === 'centre-back' || skirt.hemOpening.kind === 'vent' || skirt.hemOpening.kind === 'slit';
  const extension = skirt.hemOpening.kind === 'vent' ? VENT_EXTENSION : 0;
  type Part = readonly [label: string, length: Cm];
  const total = (parts: readonly Part[]) => cm(parts.reduce((sum, [, length]) => sum + length, 0));
  const words = (parts: readonly Part[]) =>
    parts.map(([label, length]) => `${say(length)} ${label}`).join(' + ');
  /** A piece's width and length from their parts, and the parts in words. */
  const size = (width: readonly Part[], length: readonly Part[]) => ({
    width: total(width),
    length: total(length),
    why: `Width ${words(width)}; length ${words(length)}.`,
  });
  const open = { width: null, length: null, why: 'Not known until waist, hip and length are.' };
  const frontSize = (hem: Cm) =>
    known
      ? size(
          [
            [`${s.wide.name}, front quarter`, front.exact],
            ['side seam', a.side],
          ],
          lengthParts(hem),
        )
      : open;
  const backSize = (hem: Cm, extra: Cm) =>
    known
      ? size(
          [
            [`${s.wide.name}, back quarter`, back.exact],
            ['side seam', a.side],
            ...(centreBack ? [['centre back seam', a.zip] as const] : []),
            ...(extra > 0 ? [['vent extension', extra] as const] : []),
          ],
          lengthParts(hem),
        )
      : open;
  const lengthParts = (hem: Cm): Part[] => [
    ['longest hem line', s.longest],
    ['waist seam', a.waist],
    ['hem', hem],
  ];
  const zipSide = skirt.zip === 'left-side' ? `; left side seam ${say(a.zip)} for the zip` : '';
  const layers: readonly (readonly ['outer' | 'lining', Cm])[] = brief.lining
    ? [
        ['outer', a.hem],
        ['lining', a.liningHem],
      ]
    : [['outer', a.hem]];
  const pieces: Piece[] = layers.flatMap(([layer, hem]): Piece[] => [
    {
      name: 'front',
      layer,
      count: 1,
      cut: 'on the fold',
      grain: STRAIGHT,
      ...frontSize(hem),
      note: `centre front on the fold${zipSide}`,
    },
    centreBack
      ? {
          name: 'back',
          layer,
          count: 2,
          cut: 'a pair',
          grain: STRAIGHT,
          ...backSize(hem, cm(layer === 'outer' ? extension : 0)),
          note:
            extension && layer === 'outer'
              ? `vent extension ${say(cm(extension))} included`
              : `centre back seam${zipSide}`,
        }
      : {
          name: 'back',
          layer,
          count: 1,
          cut: 'on the fold',
          grain: STRAIGHT,
          ...backSize(hem, cm(0)),
          note: `centre back on the fold${zipSide}`,
        },
  ]);
  const bandLength = s.band === null ? null : cm(s.band + 2 * a.band);
  if (skirt.band > 0) {
    const width = cm(2 * skirt.band + 2 * a.band);
    pieces.push({
      name: 'waistband',
      layer: 'outer',
      count: 1,
      cut: 'single',
      grain: 'lengthwise along the band',
      width,
      length: bandLength,
      why: `Width twice ${say(skirt.band)} + 2 × ${say(a.band)}; length ${s.band === null ? 'not known' : say(s.band)} + 2 × ${say(a.band)}.`,
      note: 'overlap at the closing',
    });
    pieces.push({
      name: 'waistband',
      layer: 'interfacing',
      count: 1,
      cut: 'single',
      grain: 'lengthwise along the band',
      width: skirt.band,
      length: s.band,
      why: 'The finished band.',
      note: 'without allowances',
    });
  } else {
    pieces.push({
      name: 'waist facing',
      layer: 'outer',
      count: 1,
      cut: 'from the front and back waist lines, darts closed',
      grain: STRAIGHT,
      width: cm(6),
      length: null,
      why: 'A facing of usual width (common practice).',
      note: 'interfaced',
    });
  }
  const notions: Notion[] = [
    { name: 'zip', length: s.zip, note: skirt.zip === 'centre-back' ? 'centre back' : 'left side' },
    { name: skirt.band > 0 ? 'hook and bar, or one button' : 'hook and eye', length: null, note: 'waist' },
    { name: 'thread', length: null, note: brief.cloth.name ? `to match ${brief.cloth.name}` : 'to match' },
    { name: 'needle', length: null, note: needleFor(brief.cloth.weight) },
  ];
  const cloth = clothNeeded(
    brief.cloth.width,
    frontSize(a.hem).width,
    backSize(a.hem, cm(extension)).width,
    centreBack,
    frontSize(a.hem).length,
    skirt.band > 0 ? cm(2 * skirt.band + 2 * a.band) : cm(6),
  );
  if (cloth)
    notions.unshift({
      name: 'cloth',
      length: cloth.length,
      note: `${cloth.note}, at ${say(brief.cloth.width!)} wide, before shrinking`,
    });
  // A cut size is marked by hand, so it is rounded here, once.
  const mark = (length: Cm | null) => (length === null ? null : roundLength(length, rounding));
  return { pieces: pieces.map((x) => ({ ...x, width: mark(x.width), length: mark(x.length) })), notions };
}

/** Needle size for the cloth's weight (common practice): to 100 g/m² 70, to 250 80, above 90. */
const needleFor = (weight: number | null) =>
  weight === null ? 'for the cloth' : weight <= 100 ? 'size 70' : weight <= 250 ? 'size 80' : 'size 90';

function clothNeeded(
  width: Cm | null,
  front: Cm | null,
  back: Cm | null,
  pair: boolean,
  length: Cm | null,
  band: Cm,
) {
  if (width === null || front === null || back === null || length === null) return null;
  const across = 2 * front + 2 * back;
  if (across <= width) return { length: cm(length + band), note: 'front and back side by side' };
  if (2 * Math.max(front, back) <= width)
    return {
      length: cm(2 * length + band),
      note: pair ? 'front, then the pair of backs' : 'front, then back',
    };
  return {
    length: cm(3 * length + band),
    note: 'each piece its own length: the cloth is narrower than a whole front or back',
  };
}
