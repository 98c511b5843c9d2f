import type { Point, Segment } from '../../../draft/curve.ts';
import { edgeLength, sewnLength } from '../../../draft/measure.ts';
import { type Edge, edge, type Panel } from '../../../draft/panel.ts';
import { seamThrough, straight } from '../../../draft/shape.ts';
import { TOLERANCE, term, ZERO } from '../../../figure/build.ts';
import type { Figure, Term } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say } from '../../../units/print.ts';
import { foldOrSeam } from '../../cloth.ts';
import { figuresOf } from '../../common/figures-of.ts';
import {
  armEnds,
  armholePath,
  NECK_ABOVE_NAPE,
  neckEnds,
  neckline,
  sideLean,
  withArmNotches,
} from '../../common/neck-and-armhole.ts';
import { neckOpening } from '../../common/neck-wide.ts';
import { onPanel } from '../../common/on-panel.ts';
import { upperFigures } from '../../common/upper-figures.ts';
import type { BodyLine } from '../../lines.ts';
import type { Drafted, PartContext } from '../../part.ts';
import type { Place } from '../../picture.ts';
import { FACES, type Face } from '../../tables/darts.ts';
import { stretchClass, stretchReduction } from '../../tables/stretch.ts';
import type { SuitValues } from './fields.ts';

/** An elastic at a leg is shorter than its edge, so that it lies close (common practice). */
export const LEG_ELASTIC = 0.9;

export interface SuitDraft extends Drafted {
  readonly figures: readonly Figure[];
  readonly measured: readonly Figure[];
  readonly faces: Readonly<Record<Face, Panel>> | null;
  readonly waistLevel: number | null;
  readonly neckRound: Cm | null;
  readonly legRound: Cm | null;
  readonly elastic: Cm | null;
}

/** The trunk, its halves from shoulder to crotch and where the waist lies, less what the cloth stretches along. */
function trunkFigures(c: PartContext, { net, bodyOf, make }: ReturnType<typeof figuresOf>) {
  const { brief } = c.input;
  const along = brief.cloth.stretchAlong ?? 0;
  const times = { close: 1, 'second-skin': 2 }[brief.fit as string] ?? 0;
  /** What the cloth's stretch along takes off a length of the body. */
  const reduced = (body: Cm): Term[] => {
    if (times === 0 || along <= 0) return [];
    const { name, percent } = stretchClass(along);
    return [
      term(
        'stretch',
        'stretch',
        -times * stretchReduction(body, along),
        `Lengthwise class ${name}: ${times * percent} % of the length comes off.`,
      ),
    ];
  };
  const body = net('trunk');
  const trunk = make(
    'trunk',
    'trunk, all round',
    body === null ? null : [...bodyOf('trunk')!, ...reduced(body)],
    { tolerance: TOLERANCE.girth },
  );
  const back =
    net('neck-to-waist-back') ??
    (net('nape-to-waist') === null ? null : net('nape-to-waist')! + NECK_ABOVE_NAPE);
  const front = net('neck-to-waist-front');
  const longer = back !== null && front !== null ? Math.max(0, front - back) : 0;
  const half = (face: Face) =>
    make(
      `length-${face}`,
      `mid-shoulder to crotch, ${face}`,
      trunk.finished === null
        ? null
        : [
            term('body', 'trunk', trunk.finished, 'As finished.'),
            term('share', 'half of it', -trunk.finished / 2, 'From shoulder to crotch.'),
            ...(longer > 0
              ? [
                  term(
                    'share',
                    face === 'front' ? 'longer over the bust' : 'the front has more',
                    (face === 'front' ? 1 : -1) * (longer / 2),
                    'Half of what the front waist level is longer.',
                  ),
                ]
              : []),
          ],
    );
  const lengths = { front: half('front'), back: half('back') };
  const waistLevel = make(
    'waist-level',
    'waist level',
    back === null
      ? null
      : [
          term('body', 'side-neck to waist, back', cm(back), `As read; from the nape ${say(2)} less.`),
          ...reduced(cm(back)),
        ],
    { group: 'level' },
  );
  return { body, trunk, lengths, waistLevel };
}

/** A dance suit as cut, cm, its girths and lengths less the stretch; no panels while a figure is absent. */
export function draftSuit(c: PartContext, v: SuitValues): SuitDraft {
  const making = figuresOf(c, { tolerance: TOLERANCE.detail });
  const { figures, net, make } = making;
  const { body, trunk, lengths, waistLevel } = trunkFigures(c, making);
  const neckWidth = net('neck-width');
  const neckHalf = make(
    'neck-half',
    'neck width, half',
    [
      term(
        'body',
        'half of the neck',
        (neckWidth ?? c.shape.neckWidth) / 2,
        neckWidth === null ? c.shape.neckSays : 'As read.',
      ),
    ],
    { estimated: neckWidth === null },
  );
  const { widen } = neckOpening(c, v, { neckHalf, slope: c.shape.slope }, make);
  const { shoulder, depth, neck } = upperFigures(c, v, widen, making);
  const leg = make('leg-height', 'leg cut up at the side', [
    term('style', 'from the brief', v.legHeight, 'As briefed.'),
  ]);
  const crotch = make('crotch-width', 'width at the crotch', [
    term('style', 'from the brief', v.crotchWidth, 'As briefed.'),
  ]);
  const lines = { bust: c.line('bust'), waist: c.line('waist'), hip: c.line('hip') };
  const known =
    figures.every((f) => f.marked !== null) &&
    Object.values(lines).every((l) => l?.front && l.back) &&
    trunk.marked !== null;
  const drop = lines.hip?.level ?? null;
  const shape = (face: Face, shift = 0): Panel | null =>
    !known || drop === null
      ? null
      : halfOf(c, v, face, {
          neckHalf: neckHalf.marked!,
          widen,
          shoulder: shoulder.marked!,
          depth: depth.marked!,
          neck: neck[face].marked!,
          waist: waistLevel.marked!,
          hip: cm(waistLevel.marked! + drop * (trunk.finished! / body!)),
          lengths: { front: lengths.front.marked!, back: lengths.back.marked! },
          leg: cm(leg.marked! - shift),
          crotch: crotch.marked!,
          lines: lines as Readonly<Record<'bust' | 'waist' | 'hip', BodyLine>>,
        });
  const b = shape('back');
  let f = shape('front');
  // The side seams are drawn as long as each other: the front's leg corner follows.
  for (let i = 0, shift = 0; i < 6 && f && b; i++) {
    const off = edgeLength(b, 'side') - edgeLength(f, 'side');
    if (Math.abs(off) < 1e-6) break;
    shift += off;
    f = shape('front', shift);
  }
  const fold = (panel: Panel) => foldOrSeam(c.input, panel, c.allowances.centre);
  const faces = f && b ? withArmNotches({ front: fold(f), back: fold(b) }) : null;
  const sum = (id: string) =>
    faces ? cm(FACES.reduce((s, face) => s + sewnLength(faces[face], id), 0)) : null;
  const [neckRound, armhole, legRound] = [sum('neck'), sum('armhole'), sum('leg')];
  const elastic =
    legRound === null
      ? null
      : make(
          'leg-elastic',
          'elastic of each leg',
          [
            term('body', 'leg edge, sewn', legRound, 'Measured on the panels.'),
            term(
              'take',
              'shorter, to lie close',
              -(1 - LEG_ELASTIC) * legRound,
              'A tenth (common practice).',
            ),
          ],
          { group: 'band' },
        );
  const waist = waistLevel.marked ?? 40;
  return {
    panels: faces ? [faces.front, faces.back, ...gusset(c, crotch.marked!)] : [],
    sewn: { armhole, neck: neckRound === null ? null : cm(2 * neckRound) },
    ...(faces ? { arm: armEnds(faces.back, waist), neckline: neckEnds(faces.front, faces.back, waist) } : {}),
    places: () => (faces ? placesOf(c, faces) : []),
    figures,
    faces,
    waistLevel: waistLevel.marked,
    neckRound: neckRound === null ? null : cm(2 * neckRound),
    legRound,
    elastic: elastic?.marked ?? null,
    measured: faces
      ? [
          onPanel(c, 'side-seam', 'side seam', sewnLength(faces.back, 'side')),
          onPanel(c, 'armhole-round', 'armhole, sewn', armhole!),
          onPanel(c, 'neck-round', 'neckline, sewn', cm(2 * neckRound!)),
          onPanel(c, 'leg-round', 'leg edge, sewn', legRound!),
        ]
      : [],
  };
}

interface Half {
  readonly neckHalf: Cm;
  /** how far each side of the neckline lies beyond the neck, along the shoulder */
  readonly widen: Cm;
  readonly shoulder: Cm;
  readonly depth: Cm;
  readonly neck: Cm;
  readonly waist: Cm;
  readonly hip: Cm;
  readonly lengths: Readonly<Record<Face, Cm>>;
  readonly leg: Cm;
  readonly crotch: Cm;
  readonly lines: Readonly<Record<'bust' | 'waist' | 'hip', BodyLine>>;
}

function halfOf(c: PartContext, v: SuitValues, face: Face, q: Half): Panel | null {
  const a = c.allowances;
  const angle = (c.shape.slope * Math.PI) / 180;
  const along = (d: number): Point => [q.neckHalf + d * Math.cos(angle), d * Math.sin(angle)];
  const [sideNeck, tip] = [along(q.widen), along(q.widen + q.shoulder)];
  const centreNeck: Point = [0, sideNeck[1] + q.neck];
  const middle = (sideNeck[1] + tip[1]) / 2;
  const crotchY = middle + q.lengths[face];
  // Both faces meet at the same leg corner of the side, whichever reaches further down.
  const corner = middle + (q.lengths.front + q.lengths.back) / 2 - q.leg;
  const [bust, waist, hip] = [
    q.lines.bust[face]!.rounded,
    q.lines.waist[face]!.rounded,
    q.lines.hip[face]!.rounded,
  ];
  const underarm: Point = [bust, q.depth];
  if (
    q.depth <= tip[1] + 3 ||
    q.waist <= q.depth + 3 ||
    corner <= q.waist + 3 ||
    crotchY <= corner + 1 ||
    centreNeck[1] >= q.waist - 2
  )
    return null;
  // A leg that is cut up above the hip line ends on the way there.
  const t = Math.min(1, (corner - q.waist) / (q.hip - q.waist));
  const foot: Point = [waist + (hip - waist) * t, corner];
  const points: Point[] = [
    underarm,
    [waist, q.waist],
    ...(corner > q.hip + 1 ? [[hip, q.hip] as Point] : []),
    foot,
  ];
  const inner: Point = [q.crotch / 2, crotchY];
  const fall = crotchY - corner;
  // In front it is scooped toward the leg, at the back it covers the seat; it leaves the side and reaches the crotch square,
  // so that both run on into each other.
  const leg: Segment =
    face === 'front'
      ? [foot, [foot[0] * 0.45, corner], [inner[0], crotchY - fall * 0.55], inner]
      : [foot, [foot[0] * 0.85, corner], [inner[0], crotchY - fall * 0.2], inner];
  const side = seamThrough(points);
  const mid: Point = [Math.min(tip[0] - 1, bust - 1), (tip[1] + q.depth) / 2];
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
    edge('leg', 'leg edge', [leg], a.neck),
    edge('crotch', 'crotch', straight(inner, [0, crotchY]), a.side),
    edge('centre', `centre ${face}`, straight([0, crotchY], centreNeck), ZERO, { fold: true }),
  ];
  return {
    id: c.id(face),
    name: face,
    share: face,
    layer: 'outer',
    cut: 'fold',
    count: 1,
    grain: `lengthwise, parallel to centre ${face}; the most stretch around`,
    edges,
    darts: [],
    lines: [
      { id: 'bust', name: 'bust', y: q.depth },
      { id: 'waist', name: 'waist', y: q.waist },
      ...(corner > q.hip + 1 ? [{ id: 'hip', name: 'hip', y: q.hip }] : []),
    ],
    marks: [{ kind: 'notch', name: 'waist', at: [waist, q.waist] }],
    across: { centre: 'centre', side: 'side' },
    note: '',
  };
}

/** A lining for the crotch, of cotton jersey: a piece as wide as it, 16 long (common practice). */
function gusset(c: PartContext, width: Cm): Panel[] {
  const h = c.stepped(cm(16));
  return [
    {
      id: c.id('crotch-lining'),
      name: 'crotch lining',
      share: 'facing',
      is: ['facing'],
      layer: 'lining',
      cut: 'fold',
      count: 1,
      grain: 'lengthwise',
      edges: [
        edge('front', 'front end', straight([0, 0], [width / 2, 0]), ZERO),
        edge('leg', 'leg edge', straight([width / 2, 0], [width / 2 + 1.5, h]), c.allowances.neck),
        edge('back', 'back end', straight([width / 2 + 1.5, h], [0, h]), c.allowances.side),
        edge('centre', 'centre', straight([0, h], [0, 0]), ZERO, { fold: true }),
      ],
      darts: [],
      lines: [],
      marks: [],
      across: { centre: 'centre', side: 'leg' },
      note: 'cotton jersey, inside the crotch, its front end free',
    },
  ];
}

function placesOf(c: PartContext, faces: Readonly<Record<Face, Panel>>): Place[] {
  return FACES.flatMap((face): Place[] => {
    const panel = faces[face];
    const path = (id: string) => panel.edges.find((e) => e.id === id)!.path;
    const first = (id: string) => path(id)[0]![0];
    const last = (id: string) => path(id).at(-1)!.at(-1) as Point;
    const mid = (a: Point, b: Point, t = 0.5): Point => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t];
    const own = (id: string, at: Point): Place => ({ figure: c.id(id), panel: panel.id, at });
    const wide = last('armhole')[0];
    return [
      own(`neck-${face}`, first('neck')),
      own(`length-${face}`, last('crotch')),
      ...panel.lines.map((l) => ({ figure: l.id, panel: panel.id, at: [wide * 0.9, l.y] as Point })),
      ...(face === 'front'
        ? [
            own('trunk', mid(first('crotch'), last('crotch'))),
            own('neck-half', last('neck')),
            own('neck-open', last('neck')),
            own('shoulder', mid(first('shoulder'), last('shoulder'))),
            own('neck-round', mid(first('neck'), last('neck'))),
            own('crotch-width', first('crotch')),
            own('leg-round', mid(first('leg'), last('leg'), 0.3)),
            own('leg-elastic', mid(first('leg'), last('leg'), 0.7)),
          ]
        : [
            own('armhole-depth', last('armhole')),
            own('armhole-round', path('armhole')[0]!.at(-1) as Point),
            own('waist-level', [wide * 0.3, panel.lines.find((l) => l.id === 'waist')!.y]),
            own('leg-height', last('side')),
            own('side-seam', mid(first('side'), last('side'))),
            { figure: 'hip', panel: panel.id, at: mid(first('side'), last('side'), 0.9) },
            { figure: 'level-hip', panel: panel.id, at: mid(first('side'), last('side'), 0.95) },
          ]),
    ];
  });
}
