import { type Point, type Segment, startOf } from '../../../draft/curve.ts';
import { insetCentre } from '../../../draft/inset.ts';
import { edgeLength } from '../../../draft/measure.ts';
import { edge, edgeOf, type Panel } from '../../../draft/panel.ts';
import { straight } from '../../../draft/shape.ts';
import { buildFigure, TOLERANCE, term } from '../../../figure/build.ts';
import type { Figure, Notion } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { type Rounding, roundLength } from '../../../units/rounding.ts';
import type { PartContext } from '../../part.ts';

/** The first button lies this far below the neckline, buttons as near to this apart as comes out even, cm (common practice). */
const FIRST = 1.5;
const APART = 8;
/** Nearer together than this they crowd: where the neckline ends so little above the bust, the first lies at the bust itself, cm (common practice). */
const NEAREST = 5.5;
/** A band for buttons is this wide, finished; loops need none of its overlap, cm (common practice). */
const BAND_WIDTH = cm(2.5);

/** Buttons down a centre front: one at the bust level, all of them evenly and none crowded. Null where there are none. */
export function buttonsOf(
  c: PartContext,
  { bustLevel }: { readonly bustLevel: Cm },
  front: Panel,
): { count: number; spacing: Cm; first: Cm } | null {
  if (c.opens !== 'centre-front' || (c.closes !== 'buttons' && c.closes !== 'loops')) return null;
  const top = edgeOf(front, 'neck').path[0]![0][1];
  const length = edgeLength(front, 'centre');
  const reach = bustLevel - top - FIRST;
  const steps = Math.max(1, Math.round(reach / APART));
  const spacing = reach >= NEAREST ? reach / steps : APART;
  const first = reach >= NEAREST || reach <= 2 ? FIRST : FIRST + reach;
  const end = c.below ? length : length - FIRST;
  return {
    count: Math.max(1, Math.floor((end - first) / spacing + 1e-9) + 1),
    spacing: cm(spacing),
    first: cm(first),
  };
}

/** What is told of the buttons. */
export function closingFigures(c: PartContext, m: { readonly bustLevel: Cm }, front: Panel): Figure[] {
  const b = buttonsOf(c, m, front);
  if (!b) return [];
  return [
    buildFigure(c, {
      id: c.id('button-spacing'),
      section: c.key,
      name: `${b.count} buttons, from middle to middle`,
      group: 'length',
      tolerance: TOLERANCE.detail,
      nearest: true,
      terms: [
        b.first > FIRST
          ? term(
              'share',
              'from the first button on, evenly',
              b.spacing,
              `The neckline ends ${p(b.first)} above the bust point (${p(m.bustLevel)} straight below the side-neck): the first lies there, so that the front does not gape, and the others do not crowd; ${p(cm(APART))} apart (common practice).`,
            )
          : term(
              'share',
              'from the first button to the bust level, evenly',
              b.spacing,
              `The first lies ${p(cm(FIRST))} below the neckline and one at the bust point (${p(m.bustLevel)} straight below the side-neck), so that the front does not gape; about ${p(cm(APART))} apart (common practice).`,
            ),
      ],
      // Marked one after another, a step too much on each would carry the last one off the edge.
      marked: roundLength(b.spacing, finest(c.rounding)),
      note: 'marked finer than the rest, since each goes on from the one before',
      settable: [],
    }),
  ];
}

/** Down to the millimetre or the sixteenth; as it is where a house rounds nothing. */
const finest = (r: Rounding): Rounding =>
  r.step === 0 ? r : { unit: r.unit, step: r.unit === 'cm' ? 0.1 : 0.0625, mode: 'down' };

/** Half of what a buttoned front overlaps: so far beside its centre line each front ends, and its band begins, cm; none where nothing overlaps. */
export const halfOverlap = (c: Pick<PartContext, 'opens' | 'closes' | 'stepped'>): Cm =>
  c.opens === 'centre-front' && c.closes === 'buttons' ? cm(c.stepped(BAND_WIDTH) / 2) : cm(0);

/** Bands that the buttons and buttonholes lie on, folded; none where loops stand at the edge. */
export function closingBands(c: PartContext, m: { readonly bustLevel: Cm }, front: Panel): Panel[] {
  const half = halfOverlap(c);
  if (half === 0) return [];
  const a = c.allowances;
  const own = insetCentre(front, half);
  const h = edgeLength(own, 'centre');
  const width = 2 * half;
  const along = (id: string) => edgeOf(own, id).path;
  // Its upper end runs on as the neckline does: down to the centre line, and on for a V.
  const [edgeTop, centreTop] = [startOf(along('neck')[0]!), startOf(edgeOf(front, 'neck').path[0]!)];
  const falls = centreTop[1] - edgeTop[1];
  const outer = edgeOf(front, 'neck').path[0]!.length === 2 ? 2 * falls : falls;
  const buttons = buttonsOf(c, m, front)!;
  const marks = Array.from({ length: buttons.count }, (_, i) => ({
    kind: 'thread mark' as const,
    name: 'button and buttonhole',
    at: [half, falls + buttons.first + i * buttons.spacing] as const,
  }));
  const band = (id: string, layer: 'outer' | 'interfacing'): Panel => {
    const w = layer === 'outer' ? 2 * width : width;
    const free = (x: Cm): Cm => (layer === 'outer' ? x : cm(0));
    const end: Segment[] = [
      ...straight([0, 0], [half, falls]),
      ...straight([half, falls], [width, outer]),
      ...(layer === 'outer'
        ? [...straight([width, outer], [3 * half, falls]), ...straight([3 * half, falls], [w, 0])]
        : []),
    ];
    return {
      id: c.id(id),
      name: layer === 'outer' ? 'button band' : 'button band, interfacing',
      share: 'band',
      is: ['button-band'],
      layer,
      cut: 'single',
      count: 2,
      grain: 'lengthwise along the band',
      edges: [
        edge('end', 'neckline', end, free(a.neck)),
        edge('long', 'free edge', straight(end.at(-1)!.at(-1) as Point, [w, h]), free(a.zip)),
        edge('lower', 'waist', straight([w, h], [0, h]), free(a.waist)),
        edge('seam', 'to the front', straight([0, h], [0, 0]), free(a.zip)),
      ],
      darts: [],
      lines: [],
      marks:
        layer === 'outer'
          ? [
              { kind: 'fold line', name: 'fold', at: [width, outer], to: [width, h] },
              { kind: 'fold line', name: 'centre front', at: [half, falls], to: [half, h] },
              ...marks,
            ]
          : [],
      across: { centre: 'seam', side: 'long' },
      note:
        layer === 'outer'
          ? 'one for the buttonholes on the right front, one for the buttons on the left; folded, the centre front in its middle'
          : 'without allowances, the outer half',
    };
  };
  return [band('button-band', 'outer'), band('button-band-interfacing', 'interfacing')];
}

/** What closes it instead of a zip. */
export function closingNotions(
  c: PartContext,
  m: { readonly bustLevel: Cm } | undefined,
  front: Panel | undefined,
): Notion[] {
  if (!m || !front) return [];
  const b = buttonsOf(c, m, front);
  if (b)
    return [
      {
        name: `${b.count} buttons`,
        length: null,
        count: b.count,
        note: c.closes === 'loops' ? 'in loops, edge to edge' : 'with buttonholes',
      },
    ];
  if (c.closes === 'lacing')
    return [
      {
        name: 'lacing cord',
        length: null,
        note: 'three times the opening; eyelets on both edges, a placket beneath',
      },
    ];
  if (c.closes === 'buttons' || c.closes === 'loops')
    return [{ name: 'buttons along the opening', length: null, note: `about every ${p(cm(APART))}` }];
  return [];
}
