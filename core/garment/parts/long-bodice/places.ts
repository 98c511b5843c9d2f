import { endOf, type Point, startOf } from '../../../draft/curve.ts';
import { edgeLength, pointAlong } from '../../../draft/measure.ts';
import { edgeOf, type Panel } from '../../../draft/panel.ts';
import type { CutFace } from '../../common/bodice/seams.ts';
import type { PartContext } from '../../part.ts';
import type { Place } from '../../picture.ts';
import type { Face } from '../../tables/darts.ts';

/** Where its figures are found on the flat panels; `waists` are the waist's heights on them. */
export function longPlaces(
  c: PartContext,
  cut: readonly CutFace[],
  waists: Readonly<Record<Face, number>>,
): Place[] {
  return cut.flatMap(({ face, panels }): Place[] =>
    panels.length > 1
      ? princess(c, face, panels as readonly [Panel, Panel], waists[face])
      : whole(c, face, panels[0]!, waists[face]),
  );
}

function whole(c: PartContext, face: Face, panel: Panel, waist: number): Place[] {
  const along = (id: string, t: number): Point =>
    pointAlong(edgeOf(panel, id).path, edgeLength(panel, id) * t);
  const start = (id: string) => startOf(edgeOf(panel, id).path[0]!);
  const end = (id: string) => endOf(edgeOf(panel, id).path.at(-1)!);
  const at = (figure: string, where: Point): Place => ({ figure, panel: panel.id, at: where });
  const own = (id: string, where: Point) => at(c.id(id), where);
  const wide = end('armhole')[0];
  const moved = panel.darts.find((d) => d.figure === c.id('moved-dart'));
  const bust = panel.darts.find((d) => d.figure === c.id('bust-dart-intake'));
  const side = panel.darts.find((d) => d.figure === c.id('side-dart'));
  return [
    own(`neck-${face}`, start('neck')),
    own(`across-${face}`, along('armhole', 0.4)),
    own(`waist-${face}`, [1, waist]),
    own(`waist-line-${face}`, [wide * 0.75, waist]),
    own(`side-${face}`, [wide * 0.95, waist]),
    at('waist', [wide * 0.4, waist]),
    ...panel.lines.map((l) => at(l.id, [wide * 0.85, l.y] as Point)),
    ...(panel.inner ?? []).flatMap((d, i) => [
      ...(i === 0 ? [own(`dart-${face}-intake`, d.at), own(`dart-${face}-below`, d.down)] : []),
      own(`dart-${face}${i > 0 ? `-${i + 1}` : ''}-place`, d.at),
      own(`dart-${face}${i > 0 ? `-${i + 1}` : ''}-length`, d.up),
    ]),
    ...(face === 'front'
      ? [
          at('bust', [wide, end('armhole')[1]]),
          own('bust-level', along('centre', 0.8)),
          own('apex', panel.inner?.[0]?.up ?? [wide / 2, end('armhole')[1] + 4]),
          own('neck-half', end('neck')),
          own('neck-open', end('neck')),
          own('shoulder', along('shoulder', 0.5)),
          own('neck-round', along('neck', 0.5)),
          own('buttons', along('centre', 0.7)),
          own('button-spacing', along('centre', 0.6)),
          ...(bust ? [own('bust-dart-intake', bust.legs[0]), own('bust-dart-length', bust.tip)] : []),
          ...(side ? [own('side-dart', side.legs[0]), own('side-dart-length', side.tip)] : []),
          ...(moved
            ? [
                own('moved-dart', moved.legs[0]),
                own('moved-dart-length', moved.tip),
                own('bust-dart-intake', moved.tip),
              ]
            : []),
        ]
      : [
          own('shoulder-back', along('shoulder', 0.5)),
          own('armhole-depth', end('armhole')),
          own('armhole-round', along('armhole', 0.7)),
          own('side-seam', along('side', 0.5)),
          own('slits', along('side', 0.95)),
          own('hem', along('hem', 0.5)),
          own('below', end('hem')),
          own('centre-back-length', along('centre', 0.5)),
          own('centre-back-in', [0, waist]),
          at('hip', [wide * 0.5, panel.lines.find((l) => l.id === 'hip')?.y ?? end('hem')[1] - 1]),
          at('level-hip', [wide * 0.7, panel.lines.find((l) => l.id === 'hip')?.y ?? waist + 2]),
        ]),
  ];
}

/** The same on the two panels of a face that princess seams cut apart. */
function princess(
  c: PartContext,
  face: Face,
  [centre, side]: readonly [Panel, Panel],
  waist: number,
): Place[] {
  const has = (q: Panel, id: string) => q.edges.some((e) => e.id === id);
  const along = (q: Panel, id: string, t: number): Point =>
    pointAlong(edgeOf(q, id).path, edgeLength(q, id) * t);
  const at = (q: Panel, figure: string, where: Point): Place => ({ figure, panel: q.id, at: where });
  const own = (q: Panel, id: string, where: Point) => at(q, c.id(id), where);
  const end = (q: Panel, id: string) => endOf(edgeOf(q, id).path.at(-1)!);
  // The side panel is notched at the waist on its side seam too: the princess seam's is the one nearer to the centre.
  const notch = (q: Panel): Point =>
    q.marks.filter((n) => n.name === 'waist').sort((m, n) => m.at[0] - n.at[0])[0]?.at ?? [1, waist];
  const shoulder = has(centre, 'shoulder') ? centre : side;
  const arm = has(side, 'armhole') ? side : centre;
  const half = end(side, 'armhole')[0];
  return [
    own(centre, `neck-${face}`, along(centre, 'neck', 0.05)),
    own(arm, `across-${face}`, along(arm, 'armhole', 0.3)),
    own(centre, `waist-${face}`, [1, waist]),
    own(side, `waist-line-${face}`, [half * 0.8, waist]),
    own(side, `side-${face}`, [half * 0.95, waist]),
    at(side, 'waist', [half * 0.7, waist]),
    ...centre.lines.map((l) => at(centre, l.id, [2, l.y] as Point)),
    own(centre, `dart-${face}-intake`, notch(centre)),
    own(side, `dart-${face}-place`, notch(side)),
    own(
      centre,
      `dart-${face}-below`,
      endOf(edgeOf(centre, 'princess').path.at(2) ?? edgeOf(centre, 'princess').path[0]!),
    ),
    own(side, `princess-${face}`, along(side, 'princess', 0.3)),
    ...(face === 'front'
      ? [
          at(side, 'bust', along(side, 'side', 0.05)),
          own(centre, 'bust-level', along(centre, 'centre', 0.8)),
          own(centre, 'apex', along(centre, 'princess', 0.3)),
          own(centre, 'neck-half', end(centre, 'neck')),
          own(centre, 'neck-open', end(centre, 'neck')),
          own(shoulder, 'shoulder', along(shoulder, 'shoulder', 0.5)),
          own(centre, 'neck-round', along(centre, 'neck', 0.6)),
          own(side, 'bust-dart-intake', along(side, 'princess', 0.9)),
          own(centre, 'buttons', along(centre, 'centre', 0.7)),
          own(centre, 'button-spacing', along(centre, 'centre', 0.6)),
        ]
      : [
          own(shoulder, 'shoulder-back', along(shoulder, 'shoulder', 0.5)),
          own(side, 'armhole-depth', end(side, 'armhole')),
          own(arm, 'armhole-round', along(arm, 'armhole', 0.6)),
          own(side, 'side-seam', along(side, 'side', 0.5)),
          own(side, 'slits', along(side, 'side', 0.95)),
          own(centre, 'hem', along(centre, 'hem', 0.5)),
          own(centre, 'below', end(centre, 'hem')),
          own(centre, 'centre-back-length', along(centre, 'centre', 0.5)),
          own(centre, 'centre-back-in', [0, waist]),
          // A garment that ends above the hip still tells its girth there: where it ends.
          at(centre, 'hip', [2, centre.lines.find((l) => l.id === 'hip')?.y ?? end(centre, 'hem')[1] - 1]),
          at(side, 'level-hip', [half * 0.7, side.lines.find((l) => l.id === 'hip')?.y ?? waist + 2]),
        ]),
  ];
}
