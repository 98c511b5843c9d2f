import type { Point, Segment } from '../../../draft/curve.ts';
import { mapped } from '../../../draft/curve.ts';
import { sewnLength } from '../../../draft/measure.ts';
import { mirrored, pathData } from '../../../draft/outline.ts';
import { edgeOf } from '../../../draft/panel.ts';
import { emptyView, levelStroke, n, pictureOf, point, type View } from '../../common/silhouette.ts';
import type { PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import type { Face } from '../../tables/darts.ts';
import type { BodiceDraft } from './draft.ts';

/** The bodice as it sits, waist at y 0, from the front and from behind, darts closed. */
export function bodicePicture(c: PartContext, d: BodiceDraft): Picture {
  if (!d.faces || !d.taking) return NO_PICTURE;
  return pictureOf(view(c, d, 'front'), view(c, d, 'back'));
}

function view(c: PartContext, d: BodiceDraft, face: Face): View {
  const out = emptyView();
  const panel = d.faces![face];
  const m = d.plan.marked!;
  // Heights from the waist up; the front is shown as long as the back, its dart closed.
  const up = (p: Point): Point => [p[0], p[1] - m.waistBack];
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
    { kind: 'outline', figure: 'waist', d: `M${n(-waist)} 0 L${n(waist)} 0` },
    levelStroke('bust', underarm[0], bustY),
  );
  const figure = (id: string) =>
    [...d.plan.figures, ...d.bustDart, ...d.measured].find((f) => f.id === c.id(id));
  point(out, c.line('bust')?.figure, [-underarm[0], bustY]);
  point(out, c.line('waist')?.figure, [-waist, 0]);
  let sewn = 0;
  for (const dart of panel.darts.filter((x) => x.edge === 'waist').sort((a, b) => b.at - a.at)) {
    const x = d.taking![face].waistLine - dart.at - sewn - dart.intake / 2;
    sewn += dart.intake;
    for (const s of [-1, 1])
      out.strokes.push({
        kind: 'dart',
        figure: c.id(`dart-${face}-intake`),
        d: `M${n(s * x)} 0 L${n(s * x)} ${n(-dart.length)}`,
      });
  }
  const bust = panel.darts.find((x) => x.edge === 'side');
  if (bust)
    for (const s of [-1, 1])
      out.strokes.push({
        kind: 'dart',
        figure: c.id('bust-dart-intake'),
        d: `M${n(s * underarm[0])} ${n(bustY + 1)} L${n(s * (underarm[0] - bust.length))} ${n(bustY)}`,
      });
  if (face === 'back' && c.opens === 'centre-back')
    out.strokes.push({ kind: 'seam', figure: null, d: `M0 ${n(neck[0]![0][1])} L0 0` });
  const shoulderMid: Point = [
    (shoulder[0]![0][0] + (shoulder[0]!.at(-1) as Point)[0]) / 2,
    (shoulder[0]![0][1] + (shoulder[0]!.at(-1) as Point)[1]) / 2,
  ];
  point(out, figure(`neck-${face}`), neck[0]![0]);
  if (face === 'front') {
    point(out, figure('shoulder'), shoulderMid);
    point(out, figure('bust-dart-intake'), [underarm[0], bustY + 1]);
    point(out, figure('apex'), [m.apex, bustY]);
  } else {
    point(out, figure('side-seam'), [(underarm[0] + waist) / 2, bustY / 2]);
    point(out, figure('armhole-round'), arm[0]!.at(-1) as Point);
  }
  return out;
}
