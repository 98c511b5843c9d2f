import type { Point, Segment } from '../../../draft/curve.ts';
import { edgeLength } from '../../../draft/measure.ts';
import { edge, edgeOf, type Panel } from '../../../draft/panel.ts';
import { rounded, straight } from '../../../draft/shape.ts';
import { TOLERANCE, term } from '../../../figure/build.ts';
import type { Figure, Term } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { easeOf } from '../../common/ease-of.ts';
import { figuresOf } from '../../common/figures-of.ts';
import { NECK_ABOVE_NAPE } from '../../common/neck-and-armhole.ts';
import { onPanel } from '../../common/on-panel.ts';
import { choice, type ValuesOf } from '../../fields.ts';
import type { Drafted, PartContext } from '../../part.ts';
import type { Place } from '../../picture.ts';
import type { Face } from '../../tables/darts.ts';

export const FIELDS = {
  length: {
    kind: 'length',
    label: 'Length wanted',
    hint: 'a measurement of the garment length overrides this',
    min: 15,
    max: 160,
    default: '65 cm',
  },
  from: choice('Length measured from', [
    ['shoulder', 'the shoulder fold'],
    ['nape', 'the nape'],
    ['waist', 'the waist down'],
  ]),
  sleeve: {
    kind: 'length',
    label: 'From sleeve end to sleeve end',
    hint: 'leave empty for the measured arm span',
    min: 40,
    max: 220,
    default: null,
  },
  neckFront: {
    kind: 'length',
    label: 'Neckline depth, front',
    min: 3,
    max: 40,
    default: '7 cm',
  },
  neckBack: { kind: 'length', label: 'Neckline depth, back', min: 1, max: 30, default: '2 cm' },
  widen: { kind: 'length', label: 'Neckline widened, each side', min: 0, max: 15, default: '3 cm' },
} as const;
export type CutOnValues = ValuesOf<typeof FIELDS>;

/** A neckline's half width is this part of the girth at its base (common practice). */
const NECK_OF_GIRTH = 1 / 6;
/** The underarm is rounded by this, cm (common practice). */
const ROUNDED = 8;

export interface CutOnDraft extends Drafted {
  readonly figures: readonly Figure[];
  readonly panel: Panel | null;
  readonly measured: readonly Figure[];
  readonly marked: CutOnPlan | null;
}
export interface CutOnPlan {
  readonly length: Cm;
  readonly span: Cm;
  readonly arm: Cm;
  readonly end: Cm;
  readonly neck: Cm;
  readonly depths: Readonly<Record<Face, Cm>>;
  readonly bust: Readonly<Record<Face, Cm>>;
  readonly hem: Readonly<Record<Face, Cm>>;
}

/** The length that the brief wants, from the shoulder fold; null where it counts from a waist that was not read. */
function lengthTerms(v: CutOnValues, toWaist: readonly Term[] | null): readonly Term[] | null {
  const own = term('style', 'wanted', v.length, 'As briefed.');
  switch (v.from) {
    case 'nape':
      return [
        own,
        term(
          'add',
          'from the nape up to the fold',
          cm(NECK_ABOVE_NAPE),
          'So far the side-neck lies above the nape (common practice).',
        ),
      ];
    case 'waist':
      return toWaist && [...toWaist, own];
    default:
      return [own];
  }
}

/** Front and back in one piece, the shoulder on a fold: its sleeves are cut on. */
export function draftCutOn(c: PartContext, v: CutOnValues): CutOnDraft {
  const { figures, net, bodyOf, halfOf, make } = figuresOf(c, { tolerance: TOLERANCE.length });
  const half = (of: number) => halfOf(of, 'The panel is drawn to the middle.');
  const length = make(
    'length',
    'length, from the shoulder fold',
    bodyOf('garment-length') ?? lengthTerms(v, bodyOf('neck-to-waist-front')),
    { read: net('garment-length') !== null },
  );
  const span = net('arm-span');
  const sleeve = make(
    'span-half',
    'middle to sleeve end',
    v.sleeve !== null
      ? [term('style', 'from end to end', v.sleeve, 'As briefed.'), half(v.sleeve)]
      : span === null
        ? null
        : [...bodyOf('arm-span')!, half(span)],
  );
  const girth = net('armhole');
  const arm = make(
    'sleeve-width',
    'sleeve, half of its girth at the body',
    girth === null ? null : [...bodyOf('armhole')!, easeOf(c, 'upper-arm')],
    {
      tolerance: TOLERANCE.detail,
      settable: ['wearing', 'finished'],
      half: 'Front and back of the sleeve are one on the fold.',
    },
  );
  const upper = net('upper-arm');
  const end = make(
    'sleeve-end',
    'sleeve end, half of its girth',
    upper === null ? null : [...bodyOf('upper-arm')!, easeOf(c, 'upper-arm')],
    { tolerance: TOLERANCE.detail, settable: ['wearing', 'finished'], half: 'On the fold.' },
  );
  const neckBase = net('neck-base');
  const neck = make(
    'neck-half',
    'neckline, half of its width',
    [
      ...(neckBase === null
        ? [term('body', 'estimate', c.shape.neckWidth / 2, c.shape.neckSays)]
        : [
            ...bodyOf('neck-base')!,
            term('share', 'a sixth of it', (NECK_OF_GIRTH - 1) * neckBase, 'Common practice.'),
          ]),
      ...(v.widen > 0 ? [term('style', 'widened', v.widen, 'As briefed.')] : []),
    ],
    { tolerance: TOLERANCE.detail, estimated: neckBase === null },
  );
  const depth = (face: Face, value: Cm) =>
    make(`neck-${face}`, `neckline depth, ${face}`, [term('style', 'from the brief', value, 'As briefed.')], {
      tolerance: TOLERANCE.detail,
    });
  const [front, back] = [depth('front', v.neckFront), depth('back', v.neckBack)];
  const [bust, hip] = [c.line('bust'), c.line('hip')];
  const known = [length, sleeve, arm, end, neck, front, back].every((f) => f.marked !== null);
  const marked: CutOnPlan | null =
    known && bust?.front && bust.back
      ? {
          length: length.marked!,
          span: sleeve.marked!,
          arm: arm.marked!,
          end: end.marked!,
          neck: neck.marked!,
          depths: { front: front.marked!, back: back.marked! },
          bust: { front: bust.front.rounded, back: bust.back.rounded },
          hem: {
            front: hip?.front?.rounded ?? bust.front.rounded,
            back: hip?.back?.rounded ?? bust.back.rounded,
          },
        }
      : null;
  const panel = marked && shape(c, marked);
  const neckRound = panel ? cm(2 * edgeLength(panel, 'neck')) : null;
  return {
    panels: panel ? [panel] : [],
    sewn: { neck: neckRound },
    ...(panel && marked
      ? {
          neckline: {
            side: [marked.neck, -marked.arm - 16] as Point,
            front: marked.depths.front - marked.arm - 16,
            back: marked.depths.back - marked.arm - 16,
          },
        }
      : {}),
    places: () => (panel && marked ? placesOf(c, panel, marked) : []),
    figures,
    panel,
    marked,
    measured: panel
      ? [
          onPanel(c, 'neck-round', 'neckline, sewn', neckRound!),
          onPanel(c, 'underarm', 'underarm and side seam', edgeLength(panel, 'side')),
        ]
      : [],
  };
}

/** Half of the piece, the middle on the fold; the shoulder fold is y 0, the back lies above it. */
function shape(c: PartContext, q: CutOnPlan): Panel | null {
  const wide = Math.max(q.bust.front, q.bust.back, q.hem.front, q.hem.back);
  if (q.span <= wide + 3 || q.length <= q.arm + 4 || q.end > q.arm || q.neck >= q.span - 2) return null;
  const a = c.allowances;
  const r = Math.min(ROUNDED, (q.span - wide) * 0.6, (q.length - q.arm) * 0.4);
  /** from the sleeve's end along its lower edge, round the underarm, down to the hem; `s` is 1 in front, −1 at the back */
  const lower = (face: Face): Segment[] => {
    const s = face === 'front' ? 1 : -1;
    const w = q.bust[face];
    const end: Point = [q.span, s * q.end];
    const corner: Point = [w, s * q.arm];
    const far = Math.hypot(end[0] - corner[0], end[1] - corner[1]);
    const before: Point = [
      corner[0] + ((end[0] - corner[0]) * r) / far,
      corner[1] + ((end[1] - corner[1]) * r) / far,
    ];
    const after: Point = [w, s * (q.arm + r)];
    return [
      [end, before],
      [before, corner, corner, after],
      [after, [q.hem[face], s * q.length]],
    ];
  };
  const flip = (path: Segment[]): Segment[] =>
    path.map((x) => [...x].reverse() as unknown as Segment).reverse();
  const [f, b] = [lower('front'), flip(lower('back'))];
  const neck: Segment[] = [
    rounded([0, q.depths.front], [q.neck, 0]),
    ...flip([rounded([0, -q.depths.back], [q.neck, 0])]),
  ];
  return {
    id: c.id('whole'),
    name: 'front and back in one',
    share: 'front',
    layer: 'outer',
    cut: 'fold',
    count: 1,
    grain: 'lengthwise, along the middle',
    edges: [
      edge('hem-back', 'hem, back', straight([0, -q.length], [q.hem.back, -q.length]), a.hem, {
        turned: true,
      }),
      edge('side-back', 'underarm and side, back', b, a.side),
      edge('wrist', 'sleeve end', straight([q.span, -q.end], [q.span, q.end]), a.sleeveHem, { turned: true }),
      edge('side', 'underarm and side, front', f, a.side),
      edge('hem', 'hem, front', straight([q.hem.front, q.length], [0, q.length]), a.hem, { turned: true }),
      edge('centre', 'centre front', straight([0, q.length], [0, q.depths.front]), cm(0), { fold: true }),
      edge('neck', 'neckline', neck, a.neck),
      edge('centre-back', 'centre back', straight([0, -q.depths.back], [0, -q.length]), cm(0), {
        fold: true,
      }),
    ],
    darts: [],
    lines: [{ id: 'shoulder', name: 'shoulder fold', y: cm(0) }],
    marks: [{ kind: 'notch', name: 'shoulder fold', at: [q.span, 0] }],
    across: { centre: 'centre', side: 'side' },
    note: `the cloth lies folded at the shoulder and at the middle: ${p(cm(2 * q.length))} by ${p(cm(2 * q.span))} in all before allowances`,
  };
}

function placesOf(c: PartContext, panel: Panel, q: CutOnPlan): Place[] {
  const at = (figure: string, x: number, y: number): Place => ({ figure, panel: panel.id, at: [x, y] });
  const own = (id: string, x: number, y: number) => at(c.id(id), x, y);
  const [under] = edgeOf(panel, 'side').path;
  return [
    own('length', 0, q.length * 0.6),
    own('span-half', q.span * 0.7, 0),
    own('sleeve-width', q.bust.front, q.arm),
    own('sleeve-end', q.span, q.end * 0.5),
    own('neck-half', q.neck, 0),
    own('neck-front', 0, q.depths.front),
    own('neck-back', 0, -q.depths.back),
    own('neck-round', q.neck * 0.7, q.depths.front * 0.7),
    own('underarm', under![0][0] * 0.9, under![0][1] + 2),
    at('bust', q.bust.front, q.arm + 6),
    at('hip', q.hem.front, q.length * 0.9),
    at('level-hip', q.hem.front, q.length * 0.92),
  ];
}
