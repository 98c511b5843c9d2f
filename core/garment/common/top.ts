import type { Point, Segment } from '../../draft/curve.ts';
import { edgeLength, sewnLength } from '../../draft/measure.ts';
import { type Edge, edge, type Panel } from '../../draft/panel.ts';
import { seamThrough, straight } from '../../draft/shape.ts';
import { squareHem } from '../../draft/square-hem.ts';
import { TOLERANCE, term } from '../../figure/build.ts';
import type { Figure, Term } from '../../figure/figure.ts';
import { type Cm, cm } from '../../units/length.ts';
import { foldOrSeam } from '../cloth.ts';
import { choice, type ValuesOf } from '../fields.ts';
import type { BodyLine, Lift, Zone } from '../lines.ts';
import type { Drafted, PartContext } from '../part.ts';
import type { Place } from '../picture.ts';
import { FACES, type Face } from '../tables/darts.ts';
import { figuresOf } from './figures-of.ts';
import { aboveFloor } from './length-wanted.ts';
import {
  armEnds,
  armholePath,
  NECK_ABOVE_NAPE,
  NECKLINE,
  neckEnds,
  neckFront,
  neckline,
  sideLean,
  withArmNotches,
} from './neck-and-armhole.ts';
import { neckOpening, widened } from './neck-wide.ts';
import { BIAS_STRIP, oblong } from './oblong.ts';
import { onPanel } from './on-panel.ts';
import { upperFigures } from './upper-figures.ts';

/** What a brief asks about a top that is pulled on: a T-shirt, an easy top, a straight dress. */
export const TOP_FIELDS = {
  neckline: NECKLINE,
  neckFront: neckFront('10 cm'),
  neckBack: { kind: 'length', label: 'Neckline depth, back', min: 1, max: 40, default: '2 cm' },
  ...widened('2 cm', 12),
  from: choice('Length measured from', [
    ['neck', 'the side-neck'],
    ['nape', 'the nape'],
    ['waist', 'the waist'],
    ['floor', 'the floor up, in the shoes of the day'],
  ]),
  length: {
    kind: 'length',
    label: 'Length wanted',
    hint: 'a measurement of the garment length overrides this',
    min: 5,
    max: 160,
    default: '62 cm',
    when: { field: 'from', is: ['neck', 'nape', 'waist'] },
  },
  clear: {
    kind: 'length',
    label: 'Hem above the floor',
    min: 0,
    max: 130,
    default: '3 cm',
    when: { field: 'from', is: ['floor'] },
  },
  below: choice('Below the bust', [
    ['bust', 'straight down from the bust'],
    ['hip', 'over the hip, flared from the bust'],
  ]),
  shaped: choice('Side seams', [
    ['straight', 'straight down'],
    ['shaped', 'shaped in at the waist'],
  ]),
  band: {
    kind: 'length',
    label: 'Neck band, finished width',
    hint: '0 for a faced neckline',
    min: 0,
    max: 6,
    default: '2 cm',
  },
} as const;
export type TopValues = ValuesOf<typeof TOP_FIELDS>;

/** A neck band in knit is shorter than its neckline, so that it lies close (common practice). */
const BAND_OF_NECK = 0.85;

export interface TopDraft extends Drafted {
  readonly figures: readonly Figure[];
  readonly faces: Readonly<Record<Face, Panel>> | null;
  readonly measured: readonly Figure[];
  readonly length: Cm | null;
  readonly waistLevel: number | null;
  readonly neckRound: Cm | null;
}

/**
 * A top is drafted on the bust, whatever the hip: only where it is briefed to go over the hip, or is shaped in at the
 * waist, does that line count (handbook, true shape; common practice, no source).
 */
export const topLines = (v: Pick<TopValues, 'shaped' | 'below'>): readonly Zone[] => [
  'bust',
  ...(v.shaped === 'shaped' ? (['waist'] as const) : []),
  ...(v.shaped === 'shaped' || v.below === 'hip' ? (['hip'] as const) : []),
];

/** A top that goes over the hip flares to it and never falls in: a narrower hip is as wide as the bust. */
export function topLifts(
  v: Pick<TopValues, 'shaped' | 'below'>,
  line: (zone: Zone) => BodyLine | undefined,
): Lift[] {
  const [bust, hip] = [line('bust')?.figure.finished, line('hip')?.figure.finished];
  return v.shaped === 'straight' && bust != null && hip != null && hip < bust
    ? [{ zone: 'hip', to: 'bust', because: 'The side seams fall straight from the bust, which is wider.' }]
    : [];
}

/** Side-neck to hem as the brief wants it, as terms; null where it hangs from what was not read. */
function lengthOf(c: PartContext, v: TopValues, waistLevel: number | null): readonly Term[] | null {
  const wanted = term('style', 'length wanted', v.length, 'As briefed.');
  if (v.from === 'neck') return [wanted];
  if (v.from === 'nape')
    return [
      wanted,
      term(
        'add',
        'the side-neck above the nape',
        NECK_ABOVE_NAPE,
        'The draft begins there (common practice).',
      ),
    ];
  const below = v.from === 'waist' ? [wanted] : aboveFloor(c, v.clear);
  return waistLevel === null || below === null
    ? null
    : [
        ...below,
        term('add', 'the side-neck above the waist', waistLevel, 'As read, behind: the draft begins there.'),
      ];
}

/** Lengths and widths of a top as marked, from its readings or, where they lack, estimated. */
function planTop(c: PartContext, v: TopValues, making: ReturnType<typeof figuresOf>) {
  const { net, bodyOf, make } = making;
  const readLength = bodyOf('garment-length');
  const waistLevel =
    net('neck-to-waist-back') ??
    (net('nape-to-waist') === null ? null : net('nape-to-waist')! + NECK_ABOVE_NAPE);
  const length = make('length', 'length, from the side-neck', readLength ?? lengthOf(c, v, waistLevel), {
    read: readLength !== null,
    tolerance: TOLERANCE.length,
  });
  const neckWidth = net('neck-width');
  const neckHalf = make(
    'neck-half',
    'neck width, half',
    neckWidth !== null
      ? [
          ...bodyOf('neck-width')!,
          term('share', 'half of it', -neckWidth / 2, 'The panel is half a front or back.'),
        ]
      : [term('body', 'estimate', c.shape.neckWidth / 2, c.shape.neckSays)],
    { estimated: neckWidth === null },
  );
  const { widen } = neckOpening(c, v, { neckHalf, slope: c.shape.slope }, make);
  const { shoulder, depth, neck } = upperFigures(c, v, widen, making);
  const lines = { bust: c.line('bust'), waist: c.line('waist'), hip: c.line('hip') };
  const complete =
    lines.bust?.front &&
    lines.bust.back &&
    [length, neckHalf, shoulder, depth, neck.front, neck.back].every((f) => f.marked !== null);
  const plan = complete
    ? {
        length: length.marked!,
        neckHalf: neckHalf.marked!,
        widen,
        shoulder: shoulder.marked!,
        depth: depth.marked!,
        neck: { front: neck.front.marked!, back: neck.back.marked! },
        waistLevel,
      }
    : null;
  return { plan, length, waistLevel, lines };
}

/**
 * Front and back of a top as cut, cm, with what a sleeve and a neck finish are sewn to; no panels while a figure is
 * absent.
 */
export function draftTop(c: PartContext, v: TopValues): TopDraft {
  const making = figuresOf(c, { tolerance: TOLERANCE.detail });
  const { figures, make } = making;
  const { plan, length, waistLevel, lines } = planTop(c, v, making);
  const shape = (face: Face): Panel | null => plan && half(c, v, face, plan, lines);
  const [front, back] = [shape('front'), shape('back')];
  const fold = (panel: Panel) => foldOrSeam(c.input, panel, c.allowances.centre);
  const faces = front && back ? withArmNotches({ front: fold(front), back: fold(back) }) : null;
  const neckRound = faces ? cm(2 * (sewnLength(faces.front, 'neck') + sewnLength(faces.back, 'neck'))) : null;
  const armhole = faces ? cm(sewnLength(faces.front, 'armhole') + sewnLength(faces.back, 'armhole')) : null;
  const stretchy = c.input.brief.cloth.stretch > 0;
  const band =
    neckRound !== null && v.band > 0
      ? make(
          'band-length',
          'neck band, length',
          [
            term('body', 'neckline, sewn', neckRound, 'Measured on the panels.'),
            ...(stretchy
              ? [
                  term(
                    'take',
                    'shorter, to lie close',
                    -(1 - BAND_OF_NECK) * neckRound,
                    '0.85 of the neckline in a knit (common practice).',
                  ),
                ]
              : []),
          ],
          { group: 'band', known: true },
        )
      : null;
  const panels = [
    ...(faces ? [faces.front, faces.back] : []),
    ...(band?.marked ? [bandPanel(c, band.marked, v.band)] : []),
    ...(faces && v.band <= 0 ? FACES.map((face) => neckFacing(c, v, face, faces[face])) : []),
  ];
  return {
    panels,
    sewn: { armhole, neck: neckRound },
    ...(faces
      ? {
          arm: armEnds(faces.back, waistLevel ?? plan!.depth + 20),
          neckline: neckEnds(faces.front, faces.back, waistLevel ?? plan!.depth + 20),
        }
      : {}),
    places: () => (faces ? placesOf(c, faces, plan!) : []),
    figures,
    faces,
    length: length.marked,
    waistLevel,
    neckRound,
    measured: faces
      ? [
          onPanel(c, 'side-seam', 'side seam', sewnLength(faces.back, 'side')),
          onPanel(c, 'armhole-round', 'armhole, sewn', armhole!),
          onPanel(c, 'neck-round', 'neckline, sewn', neckRound!),
          onPanel(
            c,
            'hem',
            'hem, all round',
            cm(2 * (edgeLength(faces.front, 'hem') + edgeLength(faces.back, 'hem'))),
          ),
          // What a tape reads off the garment laid flat: halves of the whole.
          onPanel(
            c,
            'flat-bust',
            'laid flat, underarm to underarm',
            cm(lines.bust!.front!.rounded + lines.bust!.back!.rounded),
          ),
          onPanel(
            c,
            'flat-hem',
            'laid flat, hem',
            cm(edgeLength(faces.front, 'hem') + edgeLength(faces.back, 'hem')),
          ),
          onPanel(
            c,
            'flat-shoulders',
            'laid flat, shoulder to shoulder',
            cm(
              2 * plan!.neckHalf +
                2 * (plan!.widen + plan!.shoulder) * Math.cos((c.shape.slope * Math.PI) / 180),
            ),
          ),
        ]
      : [],
  };
}

interface TopPlan {
  /** how far each side of the neckline lies beyond the neck, along the shoulder */
  readonly widen: Cm;
  readonly length: Cm;
  readonly neckHalf: Cm;
  readonly shoulder: Cm;
  readonly depth: Cm;
  readonly neck: Readonly<Record<Face, Cm>>;
  readonly waistLevel: number | null;
}

function half(
  c: PartContext,
  v: TopValues,
  face: Face,
  q: TopPlan,
  lines: Readonly<Record<'bust' | 'waist' | 'hip', BodyLine | undefined>>,
): Panel | null {
  const a = c.allowances;
  const angle = (c.shape.slope * Math.PI) / 180;
  const along = (d: number): Point => [q.neckHalf + d * Math.cos(angle), d * Math.sin(angle)];
  const sideNeck = along(q.widen);
  const tip = along(q.widen + q.shoulder);
  const centreNeck: Point = [0, sideNeck[1] + q.neck[face]];
  const bust: number = lines.bust![face]!.rounded;
  const underarm: Point = [bust, q.depth];
  if (q.depth <= tip[1] + 3 || tip[0] <= sideNeck[0] + 0.5 || q.length <= q.depth + 4) return null;
  const below: Point[] = [];
  const across: { id: string; name: string; y: Cm }[] = [{ id: 'bust', name: 'bust', y: q.depth }];
  const hipLevel = q.waistLevel !== null && lines.hip?.level != null ? q.waistLevel + lines.hip.level : null;
  if (v.shaped === 'shaped' && lines.waist?.[face] && q.waistLevel !== null && q.waistLevel < q.length - 2) {
    below.push([lines.waist[face]!.rounded, q.waistLevel]);
    across.push({ id: 'waist', name: 'waist', y: cm(q.waistLevel) });
  }
  if (lines.hip?.[face] && hipLevel !== null && hipLevel < q.length - 1) {
    below.push([lines.hip[face]!.rounded, hipLevel]);
    across.push({ id: 'hip', name: 'hip', y: cm(hipLevel) });
  }
  const last = below.at(-1) ?? underarm;
  // A hem that ends above the hip, or on it, is as wide as the way there.
  const onTheWay =
    lines.hip?.[face] && hipLevel !== null && hipLevel >= q.length - 1
      ? (lines.hip[face]!.rounded - last[0]) * Math.min(1, (q.length - last[1]) / (hipLevel - last[1]))
      : 0;
  const foot: Point = [last[0] + onTheWay, q.length];
  const points = [underarm, ...below].filter((p1, i, all) => i === 0 || p1[1] > all[i - 1]![1] + 1);
  const hip = v.shaped === 'straight' ? below.at(-1) : undefined;
  const side: Segment[] = hip
    ? // Flared from the underarm, straight down from the hip: one fair line, without a corner there.
      [
        [
          underarm,
          [underarm[0] + (hip[0] - underarm[0]) * 0.5, underarm[1] + (hip[1] - underarm[1]) * 0.35],
          [hip[0], hip[1] - (hip[1] - underarm[1]) * 0.4],
          hip,
        ],
        [hip, foot],
      ]
    : points.length > 1
      ? onTheWay !== 0
        ? seamThrough([...points, foot])
        : [...seamThrough(points), [points.at(-1)!, foot]]
      : straight(underarm, foot);
  // The narrowest place of the armhole lies a little inside the shoulder, never outside the underarm.
  const mid: Point = [Math.min(tip[0] - 1.5, bust - 1), (tip[1] + q.depth) / 2];
  const edges: Edge[] = [
    edge(
      'neck',
      'neckline',
      neckline(face === 'back' ? 'round' : v.neckline, centreNeck, sideNeck, c.shape.slope),
      a.neck,
    ),
    edge('shoulder', 'shoulder', straight(sideNeck, tip), a.shoulder),
    edge('armhole', 'armhole', armholePath(tip, mid, underarm, c.shape.slope, sideLean(side)), a.armhole),
    edge('side', 'side seam', side, a.side),
    edge('hem', 'hem', straight(foot, [0, q.length]), a.hem, { turned: true }),
    edge('centre', `centre ${face}`, straight([0, q.length], centreNeck), cm(0), { fold: true }),
  ];
  const panel: Panel = {
    id: c.id(face),
    name: `top ${face}`,
    share: face,
    layer: 'outer',
    cut: 'fold',
    count: 1,
    grain: `lengthwise, parallel to centre ${face}`,
    edges,
    darts: [],
    lines: across,
    marks: [],
    across: { centre: 'centre', side: 'side' },
    note: '',
  };
  return squareHem(panel, 'hem');
}

function bandPanel(c: PartContext, length: Cm, width: Cm): Panel {
  const a = c.allowances.neck;
  const w = cm(2 * width);
  return oblong(
    {
      id: c.id('band'),
      name: 'neck band',
      share: 'band',
      grain: c.input.brief.cloth.stretch > 0 ? 'the stretch along the band' : BIAS_STRIP,
      marks: [{ kind: 'fold line', name: 'fold', at: [width, 0], to: [width, length] }],
      note: 'folded along its middle, joined to a ring, marked in quarters',
    },
    [w, length],
    [
      ['end', 'end', a],
      ['long', 'long edge', a],
      ['other-end', 'other end', a],
      ['neck', 'neckline', a],
    ],
  );
}

/** A facing that follows the neckline, as deep as it may be at the shoulder. */
function neckFacing(c: PartContext, v: TopValues, face: Face, panel: Panel): Panel {
  const neck = panel.edges.find((e) => e.id === 'neck')!.path;
  const s = panel.edges.find((e) => e.id === 'shoulder')!.path[0] as readonly [Point, Point];
  const length = Math.hypot(s[1][0] - s[0][0], s[1][1] - s[0][1]);
  const d = Math.min(5, length - 0.5);
  const outer: Point = [
    s[0][0] + ((s[1][0] - s[0][0]) * d) / length,
    s[0][1] + ((s[1][1] - s[0][1]) * d) / length,
  ];
  const centre = neck[0]![0];
  const low: Point = [0, centre[1] + c.stepped(cm(5))];
  const lower = neckline(face === 'back' ? 'round' : v.neckline, low, outer, c.shape.slope);
  return {
    ...panel,
    id: c.id(`${face}-neck-facing`),
    name: `${face} neck facing`,
    share: 'facing',
    is: ['facing'],
    face,
    grain: 'as the panel it faces',
    edges: [
      edge('neck', 'neckline', neck, c.allowances.neck),
      edge('shoulder', 'shoulder', straight(s[0], outer), c.allowances.shoulder),
      edge(
        'lower',
        'lower edge',
        [...lower].reverse().map((x) => [...x].reverse() as unknown as Segment),
        c.allowances.facing,
      ),
      edge('centre', 'centre', straight(low, centre), cm(0), { fold: panel.cut === 'fold' }),
    ],
    lines: [],
    marks: [],
    across: { centre: 'centre', side: 'shoulder' },
    note: `follows the ${panel.name}; interfaced`,
  };
}

function placesOf(c: PartContext, faces: Readonly<Record<Face, Panel>>, q: TopPlan): Place[] {
  return FACES.flatMap((face): Place[] => {
    const panel = faces[face];
    const path = (id: string) => panel.edges.find((e) => e.id === id)!.path;
    const first = (id: string) => path(id)[0]![0];
    const last = (id: string) => path(id).at(-1)!.at(-1) as Point;
    const mid = (a: Point, b: Point, t = 0.5): Point => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t];
    const own = (id: string, at: Point): Place => ({ figure: c.id(id), panel: panel.id, at });
    return [
      own(`neck-${face}`, first('neck')),
      ...panel.lines.map((l) => ({
        figure: l.id,
        panel: panel.id,
        at: [last('armhole')[0] * 0.9, l.y] as Point,
      })),
      ...(face === 'front'
        ? [
            own('length', mid(first('centre'), last('centre'), 0.3)),
            own('neck-half', last('neck')),
            own('neck-open', last('neck')),
            own('shoulder', mid(first('shoulder'), last('shoulder'))),
            own('neck-round', mid(first('neck'), last('neck'))),
            own('hem', mid(first('hem'), last('hem'))),
            own('flat-shoulders', last('shoulder')),
            own('flat-bust', [last('armhole')[0], q.depth + 1]),
            own('flat-hem', last('hem')),
            own('band-length', mid(first('neck'), last('neck'), 0.6)),
          ]
        : [
            own('armhole-depth', [last('armhole')[0], q.depth]),
            ...panel.lines.map((l) => ({
              figure: `level-${l.id}`,
              panel: panel.id,
              at: [last('armhole')[0] * 0.7, l.y] as Point,
            })),
            {
              figure: 'level-hip',
              panel: panel.id,
              at: [last('armhole')[0] * 0.7, panel.lines.at(-1)!.y] as Point,
            },
            { figure: 'hip', panel: panel.id, at: [last('armhole')[0] * 0.7, q.length - 1] as Point },
            { figure: 'waist', panel: panel.id, at: [last('armhole')[0] * 0.7, q.length - 2] as Point },
            own('armhole-round', path('armhole')[0]!.at(-1) as Point),
            own('side-seam', mid(first('side'), last('side'))),
          ]),
    ];
  });
}

/** The widest that a neckline of this length becomes when half of its stretch is used, cm. */
export const neckOpens = (c: PartContext, round: Cm): Cm =>
  cm(round * (1 + c.input.brief.cloth.stretch / 200));
