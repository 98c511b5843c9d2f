import { endOf, type Point, startOf } from '../../../draft/curve.ts';
import { edgeLength, pointAlong } from '../../../draft/measure.ts';
import { edgeOf, type Panel } from '../../../draft/panel.ts';
import type { PartContext } from '../../part.ts';
import type { Place } from '../../picture.ts';
import { FACES, type Face } from '../../tables/darts.ts';

/** Where its figures are found on the flat panels; `waists` are the waist's heights on them. */
export function longPlaces(
  c: PartContext,
  faces: Readonly<Record<Face, Panel>>,
  waists: Readonly<Record<Face, number>>,
): Place[] {
  return FACES.flatMap((face): Place[] => {
    const panel = faces[face];
    const along = (id: string, t: number): Point =>
      pointAlong(edgeOf(panel, id).path, edgeLength(panel, id) * t);
    const start = (id: string) => startOf(edgeOf(panel, id).path[0]!);
    const end = (id: string) => endOf(edgeOf(panel, id).path.at(-1)!);
    const at = (figure: string, where: Point): Place => ({ figure, panel: panel.id, at: where });
    const own = (id: string, where: Point) => at(c.id(id), where);
    const wide = end('armhole')[0];
    const moved = panel.darts.find((d) => d.figure === c.id('moved-dart'));
    const bust = panel.darts.find((d) => d.figure === c.id('bust-dart-intake'));
    const waist = waists[face];
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
            own('shoulder', along('shoulder', 0.5)),
            own('neck-round', along('neck', 0.5)),
            own('buttons', along('centre', 0.7)),
            own('button-spacing', along('centre', 0.6)),
            ...(bust ? [own('bust-dart-intake', bust.legs[0]), own('bust-dart-length', bust.tip)] : []),
            ...(moved
              ? [
                  own('moved-dart', moved.legs[0]),
                  own('moved-dart-length', moved.tip),
                  own('bust-dart-intake', moved.tip),
                ]
              : []),
          ]
        : [
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
  });
}
