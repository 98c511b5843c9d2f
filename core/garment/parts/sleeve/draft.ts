import type { Point, Segment } from '../../../draft/curve.ts';
import { endOf, reversed } from '../../../draft/curve.ts';
import { dartOn, edgeLength, pointAlong, sewnLength } from '../../../draft/measure.ts';
import { edge, type Panel } from '../../../draft/panel.ts';
import { bentAt, levelFrom, levelOfLength, straight } from '../../../draft/shape.ts';
import { ZERO } from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { roundLength } from '../../../units/rounding.ts';
import { whole } from '../../common/armhole-sewn.ts';
import { halfCap } from '../../common/cap.ts';
import { armNotches } from '../../common/neck-and-armhole.ts';
import { oblong } from '../../common/oblong.ts';
import { onPanel } from '../../common/on-panel.ts';
import type { Drafted, PartContext } from '../../part.ts';
import type { Place } from '../../picture.ts';
import type { SleeveValues } from './fields.ts';
import { planSleeve, type SleevePlan } from './plan.ts';
import { armUses } from './shoulder.ts';

/** The side seam of a flared sleeve swings out by this at the most, radians: beyond it a circle is cut (common practice). */
const MOST_SWING = 1.2;

export interface SleeveDraft extends Drafted {
  readonly plan: SleevePlan;
  readonly panel: Panel | null;
  readonly measured: readonly Figure[];
  /** the flare was more than the length can carry */
  readonly overSwung: boolean;
}

/** A sleeve as cut, cm, cap to end, into the armhole of the part above it; no panels while a figure is absent. */
export function draftSleeve(c: PartContext, v: SleeveValues): SleeveDraft {
  const plan = planSleeve(c, v);
  const m = plan.marked;
  if (!m || !plan.armhole)
    return {
      panels: [],
      sewn: { armhole: null },
      uses: armUses(c),
      places: () => [],
      plan,
      panel: null,
      measured: [],
      overSwung: false,
    };
  const { panel, overSwung } = sleevePanel(c, v, plan);
  const cloth = edgeLength(panel, 'cap');
  const sewn = sewnLength(panel, 'cap');
  const cuff = m.cuff
    ? cuffPanels(c, v, m.cuff)
    : v.end === 'slit'
      ? [strip(c, 'slit', 'sleeve slit, strip', v.slit)]
      : [];
  const lining = c.input.brief.lining ? [liningOf(c, panel, m.cuff !== null)] : [];
  const measured = [
    onPanel(c, 'cap-round', 'cap, along its seam', cloth),
    onPanel(c, 'underarm', 'underarm seam', sewnLength(panel, 'underarm')),
    ...(v.shape === 'flared' ? [onPanel(c, 'end', 'end of the sleeve', edgeLength(panel, 'wrist'))] : []),
  ];
  return {
    panels: [panel, ...cuff, ...lining],
    zones: [{ zone: 'upper-arm', figure: c.id('upper-arm') }],
    sewn: { armhole: sewn },
    uses: armUses(c),
    meets: {
      armhole: v.head === 'gathered' ? { kind: 'gathered', cloth } : plan.meeting,
    },
    places: () => placesOf(c, panel, m.cuff ? cuff[0] : undefined),
    plan,
    panel,
    measured,
    overSwung,
  };
}

interface Below {
  /** the two ends of the cap, and how far below its top it ends and the sleeve does, cm */
  readonly front: Point;
  readonly back: Point;
  readonly top: number;
  readonly bottom: number;
}
/** What lies below the cap: both underarm seams and the end, flared, bent at the elbow, or straight down. */
function legsOf(c: PartContext, v: SleeveValues, m: NonNullable<SleevePlan['marked']>, of: Below) {
  const { front, back, top, bottom } = of;
  const drop = bottom - top;
  const width = back[0] - front[0];
  const swing = m.flare / 2 / drop;
  const overSwung = swing > MOST_SWING;
  let frontPath: Segment[];
  let backPath: Segment[];
  let endPath: Segment[];
  let elbow: { at: number; intake: number; length: Cm; toward: Point } | null = null;
  if (m.flare > 0) {
    const angle = Math.min(swing, MOST_SWING);
    const [dx, dy] = [drop * Math.sin(angle), drop * Math.cos(angle)];
    const [f, b]: [Point, Point] = [
      [front[0] - dx, top + dy],
      [back[0] + dx, top + dy],
    ];
    frontPath = straight(f, front);
    backPath = straight(back, b);
    endPath = [...reversed([levelFrom([0, bottom], b)]), levelFrom([0, bottom], f)];
  } else if (m.elbow) {
    const [inE, inW] = [(width - m.elbow.girth) / 2, (width - m.end) / 2];
    const at = m.elbow.at + m.raise;
    const [fe, be]: [Point, Point] = [
      [front[0] + inE, at],
      [back[0] - inE, at],
    ];
    // The forearm turns forward about the front seam; at the back seam the turn opens the dart.
    const turn = m.elbow.dart / m.elbow.girth;
    const turned = ([x, y]: Point): Point => [
      fe[0] + (x - fe[0]) * Math.cos(turn) - (y - fe[1]) * Math.sin(turn),
      fe[1] + (x - fe[0]) * Math.sin(turn) + (y - fe[1]) * Math.cos(turn),
    ];
    const [be2, fw, bw] = [turned(be), turned([front[0] + inW, bottom]), turned([back[0] - inW, bottom])];
    frontPath = bentAt(fw, fe, front);
    backPath = [
      [back, be],
      [be, be2],
      [be2, bw],
    ];
    endPath = straight(bw, fw);
    const open = Math.hypot(be2[0] - be[0], be2[1] - be[1]);
    const before = Math.hypot(be[0] - back[0], be[1] - back[1]);
    elbow = {
      at: before + open / 2,
      intake: open,
      length: roundLength(cm(m.elbow.girth / 4), { ...c.rounding, mode: 'nearest' }),
      toward: [fe[0], (be[1] + be2[1]) / 2],
    };
  } else {
    const inward = (width - (m.end + (v.shape === 'straight' ? m.fullness : 0))) / 2;
    const middle: Point = [(front[0] + back[0]) / 2, bottom];
    const half = width / 2 - inward;
    // Square to the seam, so that the end runs on over it: its corners hang lower than its middle, or higher where it widens.
    const most = Math.abs(half) / 4;
    const sag = Math.max(-most, Math.min(most, (half * inward) / drop / 2));
    const toBack = levelOfLength(middle, -sag, half);
    const b = endOf(toBack);
    const f: Point = [2 * middle[0] - b[0], b[1]];
    frontPath = straight(f, front);
    backPath = straight(back, b);
    endPath = [...reversed([toBack]), levelFrom(middle, f)];
  }
  return { frontPath, backPath, endPath, elbow, overSwung };
}

/** One whole sleeve, the front at the left, the cap's top at the origin. */
function sleevePanel(
  c: PartContext,
  v: SleeveValues,
  plan: SleevePlan,
): { panel: Panel; overSwung: boolean } {
  const m = plan.marked!;
  const a = c.allowances;
  const base = m.widths.front + m.widths.back;
  const wide = (base + m.fullness) / base;
  const [wF, wB] = [m.widths.front * wide, m.widths.back * wide];
  const top = m.cap + m.raise;
  const bottom = m.length + m.raise;
  const capPath: Segment[] = [halfCap(wF, top, 'front'), ...reversed([halfCap(wB, top, 'back')])];
  const [front, back]: [Point, Point] = [
    [-wF, top],
    [wB, top],
  ];

  const { frontPath, backPath, endPath, elbow, overSwung } = legsOf(c, v, m, { front, back, top, bottom });
  const lengthOfPath = (path: readonly Segment[]) =>
    edgeLength({ edges: [edge('x', 'x', path, ZERO)] } as unknown as Panel, 'x');
  const capLength = lengthOfPath(capPath);
  const capGather = v.head === 'gathered' ? cm(Math.max(0, capLength - whole(plan.armhole!))) : ZERO;
  const endLength = lengthOfPath(endPath);
  const endGather = m.cuff
    ? cm(Math.max(0, endLength - (m.cuff.length - overlapOf(v))))
    : m.elastic !== null
      ? cm(Math.max(0, endLength - m.elastic))
      : ZERO;
  const hem = m.cuff ? a.band : a.sleeveHem;
  const edges = [
    edge('cap', 'cap', capPath, a.armhole, { gather: capGather }),
    edge('underarm-back', 'back underarm seam', backPath, a.side),
    edge('wrist', 'end', endPath, hem, { gather: endGather, ...(m.cuff ? {} : { turned: true }) }),
    edge('underarm', 'front underarm seam', frontPath, a.side),
  ];
  const notch = (along: number) => pointAlong(capPath, along);
  const halfFront = lengthOfPath([capPath[0]!]);
  const balance = armNotches(whole(plan.armhole!));
  const panel: Panel = {
    id: c.id('sleeve'),
    name: 'sleeve',
    share: 'sleeve',
    layer: 'outer',
    cut: 'pair',
    count: 2,
    grain: 'lengthwise, down from the top of the cap',
    edges,
    darts: elbow
      ? [
          dartOn(
            backPath,
            {
              id: c.id('elbow-dart'),
              figure: c.id('elbow-dart-intake'),
              edge: 'underarm-back',
              at: cm(elbow.at),
              intake: cm(elbow.intake),
              length: elbow.length,
            },
            elbow.toward,
          ),
        ]
      : [],
    lines: [
      { id: c.id('upper-arm'), name: 'upper arm', y: cm(top) },
      ...(m.elbow ? [{ id: c.id('elbow'), name: 'elbow', y: cm(m.elbow.at + m.raise) }] : []),
      ...(m.frill ? [{ id: c.id('elastic'), name: 'elastic', y: cm(m.frill.at + m.raise) }] : []),
      ...m.tries
        .filter((t) => t.at < m.length)
        .map((t, i) => ({ id: c.id(`try-${i + 1}`), name: t.name, y: cm(t.at + m.raise) })),
    ],
    marks: [
      { kind: 'notch', name: 'shoulder seam', at: [0, 0] },
      // At the same distance from the underarm as on the armhole, so that they meet.
      ...(v.end === 'slit'
        ? [{ kind: 'thread mark' as const, name: 'top of the slit', at: [wB / 2, bottom - v.slit] as Point }]
        : []),
      ...balance.front.map((d) => ({
        kind: 'notch' as const,
        name: 'armhole balance, front',
        at: notch(Math.min(d, halfFront - 1)),
      })),
      ...balance.back.map((d) => ({
        kind: 'notch' as const,
        name: 'armhole balance, back',
        at: notch(Math.max(capLength - d, halfFront + 1)),
      })),
    ],
    across: { centre: 'underarm', side: 'underarm-back' },
    note:
      v.head === 'gathered'
        ? `cap gathered between the notches to ${p(whole(plan.armhole!))}`
        : v.end === 'elastic'
          ? 'casing at the end'
          : v.end === 'slit'
            ? `slit ${p(v.slit)} high in the middle of the back half, bound with its strip`
            : v.end === 'frill'
              ? `elastic sewn on ${p(v.frill)} above the end`
              : '',
  };
  return { panel, overSwung };
}

const overlapOf = (v: SleeveValues) => (v.cuffCloses === 'buttons' ? 2 : 0);

/** A sleeve that is buttoned at its cuff opens above it by this, the strip that binds it is so wide when it is cut, cm (common practice). */
const PLACKET = { opens: 8, wide: 5 } as const;

/** What binds an opening of this height: one strip, folded over its edge, allowances in it. */
const strip = (c: PartContext, id: string, name: string, opens: number): Panel =>
  flatPiece(
    c,
    id,
    name,
    'outer',
    c.stepped(cm(PLACKET.wide)),
    c.stepped(cm(2 * opens + 2)),
    `binds an opening of ${p(cm(opens))}, in the back half of the sleeve; allowances are in it`,
  );

/** A rectangle without allowances of its own, lengthwise. */
const flatPiece = (
  c: PartContext,
  id: string,
  name: string,
  layer: Panel['layer'],
  w: number,
  h: number,
  note: string,
): Panel =>
  oblong(
    { id: c.id(id), name, share: 'cuff', layer, count: 2, grain: 'lengthwise along the cuff', note },
    [w, h],
    [
      ['end', 'end', ZERO],
      ['outer', 'outer edge', ZERO],
      ['other', 'other end', ZERO],
      ['sleeve', 'inner edge', ZERO],
    ],
  );

/** The cuff, the interfacing of its outer half, and what binds the opening above it. */
function cuffPanels(c: PartContext, v: SleeveValues, size: { length: number; depth: number }): Panel[] {
  const cuff = cuffPanel(c, size);
  const inside = edgeLength(cuff, 'end');
  return [
    cuff,
    {
      ...flatPiece(
        c,
        'cuff-interfacing',
        'cuff, interfacing',
        'interfacing',
        inside / 2,
        size.length,
        'without allowances, the outer half',
      ),
      is: ['cuff'],
    },
    ...(v.cuffCloses === 'none'
      ? []
      : [
          {
            ...strip(c, 'placket', 'sleeve placket', PLACKET.opens),
            note: `binds an opening of ${p(cm(PLACKET.opens))} above the cuff, in the back half of the sleeve; allowances are in it`,
          },
        ]),
  ];
}

const cuffPanel = (c: PartContext, cuff: { length: number; depth: number }): Panel => {
  const inside = cuff.depth - 2 * c.allowances.band;
  const a = c.allowances.band;
  return oblong(
    {
      id: c.id('cuff'),
      name: 'cuff',
      share: 'cuff',
      is: ['cuff'],
      count: 2,
      grain: 'lengthwise along the cuff',
      marks: [{ kind: 'fold line', name: 'fold', at: [inside / 2, 0] }],
      note: 'interface the outer half',
    },
    [inside, cuff.length],
    [
      ['end', 'end', a],
      ['outer', 'folded side', a],
      ['other', 'other end', a],
      ['sleeve', 'to the sleeve', a],
    ],
  );
};

/** The lining is the sleeve without what stands or swings on its own: the same cap, a double roll at the end. */
const liningOf = (c: PartContext, outer: Panel, cuffed: boolean): Panel => ({
  ...outer,
  id: `${outer.id}-lining`,
  name: 'sleeve lining',
  layer: 'lining',
  edges: outer.edges.map((e) =>
    e.id === 'wrist' && !cuffed ? { ...e, allowance: c.allowances.liningHem } : e,
  ),
});

function placesOf(c: PartContext, panel: Panel, cuff: Panel | undefined): Place[] {
  const of = (id: string) => panel.edges.find((e) => e.id === id)!.path;
  const mid = (path: readonly Segment[]): Point => {
    const [a, b] = [path[0]![0], path.at(-1)!.at(-1) as Point];
    return [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  };
  const top = panel.lines[0]!.y;
  const own = (id: string, at: Point): Place => ({ figure: c.id(id), panel: panel.id, at });
  const dart = panel.darts[0];
  return [
    own('cap-height', [0, top / 2]),
    own('upper-arm', [of('cap')[0]![0][0] * 0.5, top]),
    own('cap-round', of('cap')[0]!.at(-1) as Point),
    own('length', [0, mid(of('wrist'))[1] * 0.8]),
    own('end', mid(of('wrist'))),
    own('underarm', mid(of('underarm'))),
    ...(dart
      ? [
          own('elbow', [of('cap')[0]![0][0] * 0.4, panel.lines[1]!.y]),
          own('elbow-level', [0, panel.lines[1]!.y]),
          own('elbow-dart-intake', dart.legs[0]),
        ]
      : []),
    ...(cuff
      ? [
          { figure: c.id('cuff-length'), panel: cuff.id, at: mid(cuff.edges[1]!.path) },
          { figure: c.id('cuff-cut-width'), panel: cuff.id, at: mid(cuff.edges[0]!.path) },
        ]
      : []),
  ];
}
