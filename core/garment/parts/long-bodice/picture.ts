import { mapped, type Point, type Segment } from '../../../draft/curve.ts';
import { mirrored, pathData } from '../../../draft/outline.ts';
import { edgeOf } from '../../../draft/panel.ts';
import { seamThrough } from '../../../draft/shape.ts';
import { buttonsOf } from '../../common/bodice/closing.ts';
import { isPrincess } from '../../common/bodice/seams.ts';
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
import type { LongDraft } from './draft.ts';
import type { LongValues } from './fields.ts';

/** As it is worn, the waist at y 0, darts closed; the front as long as the back. */
export const longPicture = (c: PartContext, v: LongValues, d: LongDraft): Picture =>
  d.faces && d.taking ? pictureOf(view(c, v, d, 'front'), view(c, v, d, 'back')) : NO_PICTURE;

function view(c: PartContext, v: LongValues, d: LongDraft, face: Face): View {
  const out = emptyView();
  const panel = d.faces![face];
  const m = d.plan.marked!;
  const below = d.below!;
  const tall = edgeOf(panel, 'armhole').path.at(-1)!.at(-1)![1];
  const up = (q: Point): Point => [q[0], q[1] * (m.armhole / tall) - m.waistBack];
  const path = (id: string): Segment[] => edgeOf(panel, id).path.map((s) => mapped(s, up));
  const [neck, shoulder, arm] = [path('neck'), path('shoulder'), path('armhole')];
  const underarm = arm.at(-1)!.at(-1) as Point;
  const halfAt = (depth: number) => d.halfAt(face, depth) ?? underarm[0];
  const bustY = underarm[1] + Math.max(0, m.bustLevel - m.armhole);
  const foot: Point = [halfAt(below - 0.02), below - 0.02];
  const levels = [0, ...(d.hipLevel === null || d.hipLevel > below - 1 ? [] : [d.hipLevel])];
  const down = levels.map((y): Point => [halfAt(y), y]);
  const side: Segment[] = [
    [underarm, [underarm[0], bustY]],
    ...seamThrough([[underarm[0], bustY], ...down]),
    [down.at(-1)!, foot],
  ];
  const half = [...neck, ...shoulder, ...arm, ...side];
  out.strokes.push(
    { kind: 'outline', figure: null, d: pathData(half) },
    { kind: 'outline', figure: null, d: pathData(mirrored(half)) },
    { kind: 'outline', figure: c.id('hem'), d: `M${n(-foot[0])} ${n(foot[1])} L${n(foot[0])} ${n(foot[1])}` },
    levelStroke('bust', underarm[0], bustY),
    levelStroke('waist', halfAt(0), 0),
    ...(d.hipLevel === null ? [] : [levelStroke('hip', halfAt(d.hipLevel), d.hipLevel)]),
  );
  if (d.slits > 0)
    for (const s of [-1, 1])
      out.strokes.push({
        kind: 'seam',
        figure: c.id('slits'),
        d: `M${n(s * (halfAt(below - d.slits) - 0.8))} ${n(below - d.slits)} L${n(s * (foot[0] - 0.8))} ${n(foot[1])}`,
      });
  const princess = isPrincess(v);
  let sewn = 0;
  for (const dart of panel.inner ?? []) {
    const x = dart.at[0] - d.taking![face].centre - sewn - dart.intake / 2;
    sewn += dart.intake;
    const ends = dart.down[1] - dart.at[1];
    for (const s of [-1, 1])
      out.strokes.push({
        kind: princess ? 'seam' : 'dart',
        figure: dart.figure,
        d: princess
          ? princessStroke(s)
          : `M${n(s * x)} ${n(dart.up[1] - dart.at[1])} L${n(s * x)} ${n(ends)}`,
      });
    function princessStroke(s: number): string {
      const over: Point = face === 'front' ? [m.apex, bustY] : [x, Math.min(-1, underarm[1] + 1)];
      const goal = v.shaping === 'princess-armhole' ? (arm[0]!.at(-1) as Point) : middle(shoulder);
      const hem = dart.down[0] + v.flare;
      return [
        `M${n(s * hem)} ${n(below)} L${n(s * dart.down[0])} ${n(Math.min(ends, below))}`,
        `Q${n(s * x)} ${n(ends * 0.5)} ${n(s * x)} 0`,
        `Q${n(s * over[0])} ${n(over[1] * 0.6)} ${n(s * over[0])} ${n(over[1])}`,
        `Q${n(s * over[0])} ${n(over[1] + (goal[1] - over[1]) * 0.6)} ${n(s * goal[0])} ${n(goal[1])}`,
      ].join(' ');
    }
  }
  const figure = (id: string) =>
    [...d.plan.figures, ...d.own, ...d.bustDart, ...d.measured].find((f) => f.id === c.id(id));
  const bust = d.cut
    .find((f) => f.face === face)!
    .panels[0]!.darts.find((x) => x.figure === c.id('bust-dart-intake') || x.figure === c.id('moved-dart'));
  const from: Point | null = !bust
    ? null
    : bust.edge === 'shoulder'
      ? middle(shoulder)
      : bust.edge === 'armhole'
        ? (arm[0]!.at(-1) as Point)
        : bust.edge === 'neck'
          ? middle(neck)
          : [underarm[0], bustY];
  const dartFrom = (at: Point, id: string) => {
    const reach = Math.hypot(m.apex - at[0], bustY - at[1]) || 1;
    const t = Math.max(0, reach - 2.5) / reach;
    const end: Point = [at[0] + (m.apex - at[0]) * t, at[1] + (bustY - at[1]) * t];
    for (const s of [-1, 1])
      out.strokes.push({
        kind: 'dart',
        figure: c.id(id),
        d: `M${n(s * at[0])} ${n(at[1])} L${n(s * end[0])} ${n(end[1])}`,
      });
  };
  if (face === 'front' && from) dartFrom(from, bust!.edge === 'side' ? 'bust-dart-intake' : 'moved-dart');
  if (face === 'front' && figure('side-dart')) {
    dartFrom([underarm[0], bustY], 'side-dart');
    point(out, figure('side-dart'), [underarm[0], bustY]);
  }
  const top = neck[0]![0][1];
  if (c.opens === `centre-${face}` && c.closes !== 'zip')
    out.strokes.push({ kind: 'seam', figure: null, d: `M0 ${n(top)} L0 ${n(below)}` });
  const buttons = face === 'front' ? buttonsOf(c, d.turn!.m, panel) : null;
  if (buttons) {
    for (let i = 0; i < buttons.count; i++) {
      const y = top + buttons.first + i * buttons.spacing;
      if (y > below - 1) break;
      out.strokes.push(buttonStroke(y, c.id('button-spacing')));
    }
    point(out, figure('button-spacing'), [0.8, top + buttons.first + buttons.spacing]);
  }
  point(out, figure(`neck-${face}`), neck[0]![0]);
  point(out, c.line('bust')?.figure, [-underarm[0], bustY]);
  point(out, c.line('waist')?.figure, [-halfAt(0), 0]);
  if (d.hipLevel !== null) point(out, c.line('hip')?.figure, [-halfAt(d.hipLevel), d.hipLevel]);
  if (face === 'front') {
    point(out, figure('shoulder'), middle(shoulder));
    point(out, figure('bust-dart-intake'), from ?? [m.apex, bustY]);
    point(out, figure('below'), [foot[0] * 0.5, foot[1]]);
  } else {
    point(out, figure('side-seam'), [halfAt(below / 2), below / 2]);
    point(out, figure('armhole-round'), arm[0]!.at(-1) as Point);
    point(out, figure('hem'), [-foot[0] * 0.6, foot[1]]);
  }
  return out;
}

const middle = (path: readonly Segment[]): Point => {
  const [a, b] = [path[0]![0], path.at(-1)!.at(-1) as Point];
  return [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
};
