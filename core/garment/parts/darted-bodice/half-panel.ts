import { type Point, reversed, type Segment } from '../../../draft/curve.ts';
import { dartOn, pointAlong } from '../../../draft/measure.ts';
import { type Dart, type Edge, edge, type Panel } from '../../../draft/panel.ts';
import { levelOfLength, straight, waistFrom } from '../../../draft/shape.ts';
import { ZERO } from '../../../figure/build.ts';
import { type Cm, cm } from '../../../units/length.ts';
import type { turnedFront } from '../../common/bodice/bust-turn.ts';
import { heightsShape } from '../../common/bodice/heights-plan.ts';
import type { Marked } from '../../common/bodice/plan.ts';
import type { BodiceTaking } from '../../common/bodice/suppression.ts';
import { armholePath, neckline } from '../../common/neck-and-armhole.ts';
import { JOINT_WORD, jointEdge } from '../../joint.ts';
import type { PartContext } from '../../part.ts';
import type { Face } from '../../tables/darts.ts';
import type { BodiceValues } from './fields.ts';

/** What a half is drawn from. Lengths cm. */
export interface HalfPlan {
  readonly face: Face;
  readonly taking: BodiceTaking;
  readonly bust: Cm;
  /** from the underarm down to the bust line, along the side */
  readonly drop: Cm;
  /** height at which the side seam reaches the waist; null where the waist lies level */
  readonly sideWaist: number | null;
  readonly sideDart?: { readonly intake: Cm; readonly length: Cm } | null;
  /** a front turned about its bust point: its underarm, and the legs of its dart in the side */
  readonly open?: ReturnType<typeof turnedFront> | null;
}

/** The side seams' allowance: a plan by heights leaves as much as its girths may be out by. */
export const sideOf = (c: PartContext, v: BodiceValues): Cm =>
  cm(
    Math.max(
      c.allowances.side,
      c.opens === 'left-side' ? c.allowances.zip : 0,
      v.plan === 'heights' ? heightsShape(null, c).side : 0,
    ),
  );

/** Whether two darts from a seam under the bust lie on either side of its point: where the bust dart is not one of them. */
export const straddles = (c: PartContext, v: BodiceValues): boolean =>
  c.joint === 'underbust' && v.shaping !== 'waist' && v.shaping !== 'side-waist';

/** The darts of a face: from its lower edge, and the bust dart in its side. */
function dartsOf(
  c: PartContext,
  v: BodiceValues,
  m: Marked,
  q: HalfPlan,
  { waistPath, sidePath }: Readonly<Record<'waistPath' | 'sidePath', readonly Segment[]>>,
): Dart[] {
  const { face, taking } = q;
  const length = taking.waistLine;
  return [
    ...taking.darts.map((d, i) =>
      // Counted from the side, since the edge runs that way; the tip goes up.
      dartOn(
        waistPath,
        {
          id: c.id(`dart-${face}${i > 0 ? `-${i + 1}` : ''}`),
          figure: c.id(`dart-${face}-intake`),
          edge: 'waist',
          at: cm(length - d.at),
          intake: d.intake,
          length: d.length,
        },
        face === 'front' && i === 0 && !(taking.darts.length === 2 && straddles(c, v))
          ? [m.apex, m.bustLevel]
          : [pointAlong(waistPath, length - d.at)[0], 0],
      ),
    ),
    ...(q.sideDart
      ? [
          dartOn(
            sidePath,
            {
              id: c.id('bust-dart'),
              figure: c.id('bust-dart-intake'),
              edge: 'side',
              at: cm(q.drop + q.sideDart.intake / 2),
              ...q.sideDart,
            },
            [m.apex, m.bustLevel],
          ),
        ]
      : []),
  ];
}

/** One half of a face, its darts open, cm. */
export function halfPanel(c: PartContext, v: BodiceValues, m: Marked, q: HalfPlan): Panel {
  const { face, taking } = q;
  const a = c.allowances;
  const angle = (m.slope * Math.PI) / 180;
  const along = (d: number): Point => [m.neckHalf + d * Math.cos(angle), d * Math.sin(angle)];
  const neckDepth: number = face === 'front' ? m.neckFront : m.neckBack;
  const sideNeck = along(m.widen);
  const eased = face === 'back' ? cm(m.shoulderBack - m.shoulder) : ZERO;
  const point = along(m.widen + m.shoulder + eased);
  const waistY: number = face === 'front' ? m.waistFront : m.waistBack;
  const centreNeck: Point = [0, sideNeck[1] + neckDepth];
  const underarm: Point = q.open?.underarm ?? [q.bust, m.armhole];
  const bustSide: Point = q.open?.upper ?? [q.bust, m.armhole + q.drop];
  const bustY = q.open?.lower[1] ?? bustSide[1];
  const waist = levelOfLength(
    [taking.centre, waistY],
    q.sideWaist === null ? 0 : waistY - q.sideWaist,
    taking.waistLine,
    // Square to a centre that is shaped in.
    (from, to) => waistFrom(from, to, -taking.centre / (waistY - bustY), null),
  );
  const sideWaist = waist.at(-1) as Point;
  const across: number = face === 'front' ? m.acrossFront : m.acrossBack;
  const sidePath: Segment[] = q.open
    ? [
        ...straight(underarm, bustSide),
        ...(q.sideDart ? straight(bustSide, q.open.lower) : []),
        ...straight(q.open.lower, sideWaist),
      ]
    : q.drop > 0.01
      ? [
          [underarm, bustSide],
          [bustSide, sideWaist],
        ]
      : straight(underarm, sideWaist);
  const waistPath = reversed([waist]);
  const seam = c.opens === `centre-${face}`;
  const centreTop = centreNeck;
  const centrePath: Segment[] =
    taking.centre > 0
      ? [
          [
            [taking.centre, waistY],
            [0, bustY],
          ],
          [[0, bustY], centreTop],
        ]
      : straight([0, waistY], centreTop);
  const darts = dartsOf(c, v, m, q, { waistPath, sidePath });
  const joint = jointEdge(c.joint);
  const sideAllowance = sideOf(c, v);
  const waistAllowance = c.below ? a.waist : a.hem;
  const edges: Edge[] = [
    edge(
      'neck',
      'neckline',
      neckline(face === 'back' ? 'round' : v.neckline, centreNeck, sideNeck, m.slope),
      a.neck,
    ),
    edge('shoulder', 'shoulder', straight(sideNeck, point), a.shoulder, { gather: eased }),
    edge(
      'armhole',
      'armhole',
      armholePath(
        point,
        [Math.min(across, underarm[0] - 1), (point[1] + underarm[1]) / 2],
        underarm,
        m.slope,
        q.open?.angle,
      ),
      a.armhole,
    ),
    edge('side', 'side seam', sidePath, sideAllowance),
    edge('waist', joint.name, waistPath, waistAllowance, {
      ...(c.below ? {} : { turned: true }),
      ...joint.on,
    }),
    edge('centre', `centre ${face}`, centrePath, seam ? a.zip : ZERO, { fold: !seam }),
  ];
  return {
    id: c.id(face),
    name: `bodice ${face}`,
    share: face,
    layer: 'outer',
    cut: seam ? 'pair' : 'fold',
    count: seam ? 2 : 1,
    grain: `lengthwise, parallel to centre ${face}`,
    edges,
    darts,
    lines: [
      { id: 'bust', name: 'bust', y: cm(bustY) },
      { id: c.joint, name: JOINT_WORD[c.joint], y: cm(waistY) },
    ],
    marks: [{ kind: 'notch', name: 'bust line', at: bustSide }],
    across: { centre: 'centre', side: 'side' },
    note: seam ? `centre ${face} seam` : '',
  };
}
