import type { Point } from '../../../draft/curve.ts';
import { emptyView, n, pictureOf, point, type View } from '../../common/silhouette.ts';
import type { PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import type { SleeveDraft } from './draft.ts';

/** The arm hangs away from the body by at least this, and further where a wide end would lie over it, radians. */
const HANGS = 0.3;
const MOST = 1.2;

/** Both sleeves as they hang from the armholes of the bodice, waist at y 0. */
export function sleevePicture(c: PartContext, d: SleeveDraft): Picture {
  const m = d.plan.marked;
  const hung = c.above?.arm;
  if (!m || !d.panel || !hung) return NO_PICTURE;
  const { shoulder, underarm } = hung;
  const end = d.measured.find((f) => f.id === c.id('end'))?.marked ?? m.end;
  const view = (lettered: boolean): View => {
    const out = emptyView();
    // Flat it is half its girth wide; gathered into a cuff or an elastic it is no wider than that.
    const wide = (m.cuff?.length ?? m.elastic ?? end) / 2;
    let hangs = HANGS;
    while (
      hangs < MOST &&
      shoulder[0] + m.length * Math.sin(hangs) - wide * Math.cos(hangs) < underarm[0] + 1
    )
      hangs += 0.05;
    const [sx, sy] = [Math.sin(hangs), Math.cos(hangs)];
    const outer: Point = [shoulder[0] + m.length * sx, shoulder[1] + m.length * sy];
    const inner: Point = [outer[0] - wide * sy, outer[1] + wide * sx];
    const puff = m.fullness > 0 ? 1 + m.fullness / 8 : 0;
    const at = (p: Point, s: number) => `${n(s * p[0])} ${n(p[1])}`;
    const low: Point = [
      (underarm[0] + inner[0]) / 2 + (m.cuff || m.elastic !== null ? 1.5 : 0),
      (underarm[1] + inner[1]) / 2,
    ];
    for (const s of [-1, 1]) {
      const head: Point = [shoulder[0] + 2 + puff * 2, shoulder[1] - puff];
      const swell: Point = [
        shoulder[0] + m.length * 0.35 * sx + 2.5 + puff * 2,
        shoulder[1] + m.length * 0.35 * sy,
      ];
      out.strokes.push(
        {
          kind: 'outline',
          figure: c.id('length'),
          d: `M${at(shoulder, s)} Q${at(head, s)} ${at(swell, s)} L${at(outer, s)}`,
        },
        { kind: 'outline', figure: c.id('end'), d: `M${at(outer, s)} L${at(inner, s)}` },
        {
          kind: 'outline',
          figure: c.id('underarm'),
          d: `M${at(inner, s)} Q${at(low, s)} ${at(underarm, s)}`,
        },
      );
      if (m.cuff) {
        const back = (p: Point): Point => [
          p[0] - m.cuff!.depth * 0.35 * sx,
          p[1] - m.cuff!.depth * 0.35 * sy,
        ];
        out.strokes.push({
          kind: 'band',
          figure: c.id('cuff-length'),
          d: `M${at(back(outer), s)} L${at(back(inner), s)}`,
        });
      }
      if (m.fullness > 0)
        for (const t of [0.25, 0.5, 0.75])
          out.strokes.push({
            kind: 'dart',
            figure: c.id('cap-round'),
            d: `M${at([shoulder[0] + 1 + t * 2, shoulder[1] + t * 6], s)} l${n(s * 3)} ${n(1.5)}`,
          });
    }
    if (lettered) {
      const figure = (id: string) => [...d.plan.figures, ...d.measured].find((f) => f.id === c.id(id));
      point(out, figure('length'), [outer[0], (shoulder[1] + outer[1]) / 2]);
      point(out, figure('end'), [(outer[0] + inner[0]) / 2, (outer[1] + inner[1]) / 2]);
      point(out, figure('upper-arm'), [underarm[0] + 2, underarm[1]]);
      point(out, figure('cuff-length'), outer);
    }
    return out;
  };
  return pictureOf(view(true), view(false));
}
