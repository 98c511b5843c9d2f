import { endOf, type Point, startOf } from '../../../draft/curve.ts';
import { edgeLength, pointAlong } from '../../../draft/measure.ts';
import { edgeOf, type Panel } from '../../../draft/panel.ts';
import type { CutFace } from '../../common/bodice/seams.ts';
import { lowerLevel } from '../../common/bodice/under-bust.ts';
import type { PartContext } from '../../part.ts';
import type { Place } from '../../picture.ts';

/** Where the bodice's figures are found when its faces are cut in two along princess seams. */
export function princessPlaces(c: PartContext, cut: readonly CutFace[]): Place[] {
  return cut.flatMap(({ face, panels }): Place[] => {
    const [centre, side] = panels as readonly [Panel, Panel];
    const has = (p: Panel, id: string) => p.edges.some((e) => e.id === id);
    const at = (p: Panel, figure: string, where: Point): Place => ({ figure, panel: p.id, at: where });
    const own = (p: Panel, id: string, where: Point) => at(p, c.id(id), where);
    const along = (p: Panel, id: string, t: number) => pointAlong(edgeOf(p, id).path, edgeLength(p, id) * t);
    const start = (p: Panel, id: string) => startOf(edgeOf(p, id).path[0]!);
    const end = (p: Panel, id: string) => endOf(edgeOf(p, id).path.at(-1)!);
    const shoulder = has(centre, 'shoulder') ? centre : side;
    const arm = has(side, 'armhole') ? side : centre;
    return [
      own(centre, `neck-${face}`, along(centre, 'neck', 0.05)),
      own(centre, lowerLevel(c, face), end(centre, 'waist')),
      ...(c.joint === 'waist' ? [] : [own(centre, `waist-${face}`, along(centre, 'waist', 0.9))]),
      own(centre, `waist-line-${face}`, along(centre, 'waist', 0.3)),
      own(centre, `dart-${face}-intake`, start(centre, 'waist')),
      own(side, `dart-${face}-place`, end(side, 'waist')),
      own(side, `side-${face}`, along(side, 'side', 0.95)),
      own(arm, `across-${face}`, along(arm, 'armhole', 0.3)),
      at(side, 'bust', along(side, 'side', 0.1)),
      at(side, c.joint, along(side, 'waist', 0.4)),
      own(side, `princess-${face}`, along(side, 'princess', 0.7)),
      ...(face === 'front'
        ? [
            own(centre, 'bust-level', along(centre, 'centre', 0.6)),
            own(side, 'seam-up', along(side, 'waist', 0.1)),
            own(centre, 'apex', along(centre, 'princess', 0.5)),
            // By the plan by heights, which ends at the waist and marks the line above it.
            ...(c.joint === 'waist' ? [own(centre, 'underbust-level', along(centre, 'princess', 0.8))] : []),
            own(centre, 'neck-half', end(centre, 'neck')),
            own(centre, 'neck-open', end(centre, 'neck')),
            own(shoulder, 'shoulder', along(shoulder, 'shoulder', 0.5)),
            own(centre, 'neck-round', along(centre, 'neck', 0.6)),
            own(side, 'bust-dart-intake', along(side, 'princess', 0.98)),
            own(centre, 'buttons', along(centre, 'centre', 0.4)),
            own(centre, 'button-spacing', along(centre, 'centre', 0.5)),
          ]
        : [
            own(shoulder, 'shoulder-back', along(shoulder, 'shoulder', 0.5)),
            own(side, 'armhole-depth', end(side, has(side, 'armhole') ? 'armhole' : 'shoulder')),
            own(arm, 'armhole-round', along(arm, 'armhole', 0.6)),
            own(side, 'side-seam', along(side, 'side', 0.5)),
            own(centre, 'centre-back-length', along(centre, 'centre', 0.5)),
            own(centre, 'centre-back-in', end(centre, 'waist')),
          ]),
    ];
  });
}
