import type { Point, Segment } from '../../../draft/curve.ts';
import { mapped } from '../../../draft/curve.ts';
import { sewnLength } from '../../../draft/measure.ts';
import { mirrored, pathData } from '../../../draft/outline.ts';
import { edgeOf } from '../../../draft/panel.ts';
import { SHORT_OF_BUST } from '../../common/bodice/bust-dart.ts';
import { buttonsOf } from '../../common/bodice/closing.ts';
import { isPrincess, isShared } from '../../common/bodice/seams.ts';
import {
  buttonStroke,
  emptyView,
  levelStroke,
  n,
  pictureOf,
  point,
  type View,
} from '../../common/silhouette.ts';
import type { PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import type { Face } from '../../tables/darts.ts';
import type { BodiceDraft } from './draft.ts';
import type { BodiceValues } from './fields.ts';

/** The bodice as it sits, its lower edge at y 0, from the front and from behind, darts closed. */
export function bodicePicture(c: PartContext, v: BodiceValues, d: BodiceDraft): Picture {
  if (!d.faces || !d.taking) return NO_PICTURE;
  return pictureOf(view(c, v, d, 'front'), view(c, v, d, 'back'));
}

function view(c: PartContext, v: BodiceValues, d: BodiceDraft, face: Face): View {
  const out = emptyView();
  const panel = d.faces![face];
  const m = d.plan.marked!;
  // Heights from the waist up; the front is shown as long as the back, its dart closed.
  const tall = edgeOf(panel, 'armhole').path.at(-1)!.at(-1)![1];
  const up = (p: Point): Point => [p[0], p[1] * (m.armhole / tall) - m.waistBack];
  const path = (id: string): Segment[] => edgeOf(panel, id).path.map((s) => mapped(s, up));
  const [neck, shoulder, arm] = [path('neck'), path('shoulder'), path('armhole')];
  const underarm = arm.at(-1)!.at(-1) as Point;
  const waist = sewnLength(panel, 'waist');
  const bustY = underarm[1] + Math.max(0, m.bustLevel - m.armhole);
  const bustSide: Point = [underarm[0], bustY];
  const side: Segment[] = [
    [underarm, bustSide],
    [bustSide, [waist, 0]],
  ];
  const half = [...neck, ...shoulder, ...arm, ...side];
  out.strokes.push(
    { kind: 'outline', figure: null, d: pathData(half) },
    { kind: 'outline', figure: null, d: pathData(mirrored(half)) },
    { kind: 'outline', figure: c.joint, d: `M${n(-waist)} 0 L${n(waist)} 0` },
    levelStroke('bust', underarm[0], bustY),
  );
  const figure = (id: string) =>
    [...d.plan.figures, ...d.bustDart, ...d.measured].find((f) => f.id === c.id(id));
  point(out, c.line('bust')?.figure, [-underarm[0], bustY]);
  point(out, c.line(c.joint)?.figure, [-waist, 0]);
  const princess = isPrincess(v);
  let sewn = 0;
  for (const dart of panel.darts.filter((x) => x.edge === 'waist').sort((a, b) => b.at - a.at)) {
    const x = d.taking![face].waistLine - dart.at - sewn - dart.intake / 2;
    sewn += dart.intake;
    // A princess seam goes on over the fullest place to the armhole or the shoulder.
    const over: Point = face === 'front' ? [m.apex, bustY] : [x, -dart.length];
    const goal = v.shaping === 'princess-armhole' ? (arm[0]!.at(-1) as Point) : middleOf(shoulder);
    for (const s of [-1, 1])
      out.strokes.push({
        kind: princess ? 'seam' : 'dart',
        figure: c.id(`dart-${face}-intake`),
        d: princess
          ? `M${n(s * x)} 0 Q${n(s * over[0])} ${n(over[1] * 0.6)} ${n(s * over[0])} ${n(over[1])} Q${n(s * over[0])} ${n(over[1] + (goal[1] - over[1]) * 0.6)} ${n(s * goal[0])} ${n(goal[1])}`
          : `M${n(s * x)} 0 L${n(s * x)} ${n(-dart.length)}`,
      });
  }
  const bust = princess ? undefined : panel.darts.find((x) => x.edge === 'side');
  const atSide: Point = [underarm[0], bustY + 1];
  const bustFrom: Point | null =
    v.shaping === 'darts'
      ? atSide
      : v.shaping === 'shoulder' || v.shaping === 'side-shoulder'
        ? middleOf(shoulder)
        : v.shaping === 'armhole'
          ? (arm[0]!.at(-1) as Point)
          : v.shaping === 'neck'
            ? middleOf(neck)
            : null;
  const dartFrom = (from: Point, id: string, length: number | null) => {
    const reach = Math.hypot(m.apex - from[0], bustY - from[1]);
    const t = length === null ? 1 - SHORT_OF_BUST / reach : Math.min(1, length / reach);
    for (const s of [-1, 1])
      out.strokes.push({
        kind: 'dart',
        figure: c.id(id),
        d: `M${n(s * from[0])} ${n(from[1])} L${n(s * (from[0] + (m.apex - from[0]) * t))} ${n(from[1] + (bustY - from[1]) * t)}`,
      });
  };
  if (bust && bustFrom) dartFrom(bustFrom, 'bust-dart-intake', v.shaping === 'darts' ? bust.length : null);
  if (bust && isShared(v)) {
    dartFrom(atSide, 'side-dart', null);
    point(out, figure('side-dart'), atSide);
  }
  const buttons = face === 'front' ? buttonsOf(c, d.turn!.m, panel) : null;
  if (buttons) {
    out.strokes.push({ kind: 'seam', figure: null, d: `M1.2 ${n(neck[0]![0][1])} L1.2 0` });
    for (let i = 0; i < buttons.count; i++) {
      const y = neck[0]![0][1] + buttons.first + i * buttons.spacing;
      if (y > -0.5) break;
      out.strokes.push(buttonStroke(y, c.id('button-spacing')));
    }
    point(out, figure('button-spacing'), [0, neck[0]![0][1] + buttons.first + buttons.spacing / 2]);
  }
  if (c.closes === 'lacing' && c.opens === `centre-${face}`)
    for (let y = neck[0]![0][1] + 2; y < -1; y += 3)
      out.strokes.push({
        kind: 'seam',
        figure: 'zip',
        d: `M-1.2 ${n(y)} L1.2 ${n(y + 2.4)} M1.2 ${n(y)} L-1.2 ${n(y + 2.4)}`,
      });
  if (c.opens === `centre-${face}` && !buttons)
    out.strokes.push({ kind: 'seam', figure: null, d: `M0 ${n(neck[0]![0][1])} L0 0` });
  const shoulderMid: Point = [
    (shoulder[0]![0][0] + (shoulder[0]!.at(-1) as Point)[0]) / 2,
    (shoulder[0]![0][1] + (shoulder[0]!.at(-1) as Point)[1]) / 2,
  ];
  point(out, figure(`neck-${face}`), neck[0]![0]);
  if (face === 'front') {
    point(out, figure('shoulder'), shoulderMid);
    point(out, figure('bust-dart-intake'), bustFrom ?? [m.apex, bustY]);
    point(out, figure('moved-dart'), bustFrom ?? [m.apex, 0]);
    point(out, figure('apex'), [m.apex, bustY]);
  } else {
    point(out, figure('side-seam'), [(underarm[0] + waist) / 2, bustY / 2]);
    point(out, figure('armhole-round'), arm[0]!.at(-1) as Point);
  }
  return out;
}

const middleOf = (path: readonly Segment[]): Point => {
  const [a, b] = [path[0]![0], path.at(-1)!.at(-1) as Point];
  return [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
};
