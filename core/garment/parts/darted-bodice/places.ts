import type { Point } from '../../../draft/curve.ts';
import type { Panel } from '../../../draft/panel.ts';
import { lowerLevel } from '../../common/bodice/under-bust.ts';
import type { PartContext } from '../../part.ts';
import type { Place } from '../../picture.ts';
import { FACES, type Face } from '../../tables/darts.ts';

/** Where the bodice's figures are found when each face is one panel. */
export function placesOf(c: PartContext, faces: Readonly<Record<Face, Panel>>): Place[] {
  const ends = (panel: Panel, id: string): [Point, Point] => {
    const path = panel.edges.find((e) => e.id === id)!.path;
    return [path[0]![0], path.at(-1)!.at(-1) as Point];
  };
  const mid = ([a, b]: [Point, Point], t = 0.5): Point => [
    a[0] + (b[0] - a[0]) * t,
    a[1] + (b[1] - a[1]) * t,
  ];
  const at = (panel: Panel, figure: string, where: Point): Place => ({ figure, panel: panel.id, at: where });
  return FACES.flatMap((face): Place[] => {
    const panel = faces[face];
    const own = (id: string, where: Point) => at(panel, c.id(id), where);
    const [centreNeck, sideNeck] = ends(panel, 'neck');
    const [sideWaist, centreWaist] = ends(panel, 'waist');
    const [shoulderPoint, underarm] = ends(panel, 'armhole');
    const armMid = panel.edges.find((e) => e.id === 'armhole')!.path[0]!.at(-1) as Point;
    const bustY = panel.lines.find((l) => l.id === 'bust')?.y ?? underarm[1];
    const waistDarts = panel.darts.filter((d) => d.edge === 'waist');
    const side = panel.darts.find((d) => d.figure === c.id('side-dart'));
    const bustDart = panel.darts.find((d) => d.id === c.id(side ? 'bust-dart-2' : 'bust-dart'));
    const moved = bustDart !== undefined && bustDart.edge !== 'side';
    return [
      own(`neck-${face}`, mid([centreNeck, sideNeck], 0.02)),
      own(`across-${face}`, armMid),
      own(lowerLevel(c, face), mid([centreWaist, sideWaist], 0.08)),
      ...(c.joint === 'waist' ? [] : [own(`waist-${face}`, centreWaist)]),
      own(`waist-line-${face}`, mid([centreWaist, sideWaist], 0.75)),
      own(`side-${face}`, mid(ends(panel, 'side'), 0.92)),
      at(panel, 'bust', [underarm[0], bustY]),
      at(panel, c.joint, mid([centreWaist, sideWaist], 0.3)),
      ...waistDarts.flatMap((d, i) => {
        const suffix = i > 0 ? `-${i + 1}` : '';
        return [
          ...(i === 0 ? [own(`dart-${face}-intake`, d.legs[0])] : []),
          own(`dart-${face}${suffix}-place`, d.legs[1]),
          own(`dart-${face}${suffix}-length`, d.tip),
        ];
      }),
      ...(side ? [own('side-dart', side.legs[0]), own('side-dart-length', side.tip)] : []),
      ...(bustDart && !moved
        ? [own('bust-dart-intake', bustDart.legs[0]), own('bust-dart-length', bustDart.tip)]
        : []),
      ...(bustDart && moved
        ? [
            own('moved-dart', bustDart.legs[0]),
            own('moved-dart-length', mid([bustDart.legs[0], bustDart.tip], 0.6)),
            own('bust-dart-intake', bustDart.tip),
            // Where both darts are one, its place and length are those of the waist dart.
            ...(bustDart.edge === 'waist'
              ? [
                  own('dart-front-intake', bustDart.legs[1]),
                  own('dart-front-place', bustDart.legs[1]),
                  own('dart-front-length', bustDart.tip),
                ]
              : []),
          ]
        : []),
      ...(face === 'front'
        ? [
            own('bust-level', [0, bustY]),
            own('seam-up', mid([centreWaist, sideWaist], 0.9)),
            own('apex', [panel.darts.find((d) => d.edge === 'waist')?.tip[0] ?? underarm[0] / 2, bustY]),
            own('neck-half', sideNeck),
            own('neck-open', sideNeck),
            own('shoulder', mid([sideNeck, shoulderPoint])),
            own('neck-round', mid([centreNeck, sideNeck], 0.5)),
          ]
        : [
            own('shoulder-back', mid([sideNeck, shoulderPoint])),
            own('armhole-depth', underarm),
            own('armhole-round', mid([armMid, underarm])),
            own('side-seam', mid(ends(panel, 'side'), 0.5)),
            own('centre-back-length', mid([centreNeck, centreWaist])),
            own('centre-back-in', centreWaist),
          ]),
      ...(face === 'front'
        ? [
            own('buttons', mid([centreNeck, centreWaist], 0.3)),
            own('button-spacing', mid([centreNeck, centreWaist], 0.5)),
          ]
        : []),
    ];
  });
}
