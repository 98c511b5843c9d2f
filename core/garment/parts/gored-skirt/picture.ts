import type { Point } from '../../../draft/curve.ts';
import {
  bandStroke,
  emptyView,
  levelStroke,
  n,
  pictureOf,
  point,
  skirtOutline,
  type View,
} from '../../common/silhouette.ts';
import type { PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import { type GoredDraft, type GoredValues, goreOf } from './draft.ts';

/** A gored skirt as it hangs: its seams run from waist to hem, the flare falls in folds. */
export function goredPicture(c: PartContext, v: GoredValues, d: GoredDraft): Picture {
  if (!d.panel || d.waist === null || d.hem.finished === null || !d.wide?.level) return NO_PICTURE;
  const waist = d.waist / 4;
  const wide: Point = [(goreOf(d.wide, d.count) * d.count) / 4, d.wide.level];
  const y = d.longest;
  // Half of the flare lies in the folds.
  const hem = wide[0] + Math.min((d.hem.finished / 4 - wide[0]) * 0.55, y * 0.6);
  const flares: Point = d.flaresAt && d.flaresAt > wide[1] ? [wide[0] * 0.98, d.flaresAt] : wide;
  const view = (face: 'front' | 'back'): View => {
    const out = emptyView();
    const tail = face === 'back' && d.train?.marked ? Math.min(d.train.marked, y * 0.6) : 0;
    const bottom = y + tail;
    if (flares === wide)
      out.strokes.push(
        skirtOutline({ waist, through: [], wide, hem, left: y * 0.98, centre: bottom, right: y * 0.98 }),
      );
    else {
      const half = (s: number) =>
        `M${n(s * waist)} 0 Q${n(s * wide[0])} ${n(wide[1] * 0.5)} ${n(s * wide[0])} ${n(wide[1])} L${n(s * flares[0])} ${n(flares[1])} Q${n(s * (flares[0] + 1))} ${n(flares[1] + (y - flares[1]) * 0.5)} ${n(s * hem)} ${n(y * 0.98)} Q${n(s * hem * 0.4)} ${n(bottom)} 0 ${n(bottom)}`;
      for (const s of [-1, 1]) out.strokes.push({ kind: 'outline', figure: null, d: half(s) });
      out.strokes.push({ kind: 'outline', figure: 'waist', d: `M${n(-waist)} 0 L${n(waist)} 0` });
    }
    // An even number of gores lies with a seam at the centre; seams are seen as far apart as they are on the body.
    const per = d.count / 2;
    for (let i = 1; i < per; i++) {
      const t = -1 + (2 * i) / per;
      const x = (half: number) => half * Math.sin((t * Math.PI) / 2);
      out.strokes.push({
        kind: 'seam',
        figure: null,
        d: `M${n(x(waist))} 0 Q${n(x(wide[0]))} ${n(wide[1] * 0.5)} ${n(x(wide[0]))} ${n(wide[1])} L${n(x(flares[0]))} ${n(flares[1])} Q${n(x(flares[0] * 1.05))} ${n((flares[1] + y) / 2)} ${n(x(hem))} ${n(y * (0.995 - 0.015 * Math.abs(t)) + tail * (1 - Math.abs(t)))}`,
      });
    }
    if (!c.above) {
      out.strokes.push(bandStroke(waist, v.band, c.id('band-length')));
      if (face === 'front') {
        point(out, d.band.figures[0], [waist * 0.5, -v.band / 2]);
        point(out, d.band.figures[1], [-waist * 0.5, -v.band / 2]);
        point(out, c.line('waist')?.figure, [-waist, 0]);
      }
    }
    out.strokes.push(levelStroke(d.wide!.zone, wide[0], wide[1]));
    const [left, right] = face === 'back' ? (['left', 'right'] as const) : (['right', 'left'] as const);
    if (face === 'front') {
      point(out, d.hem, [-hem * 0.95, y * 0.985]);
      point(out, d.wide!.figure, [-wide[0], wide[1]]);
    } else {
      point(out, d.lengths[left], [-wide[0] * 0.9, y * 0.5]);
      point(out, d.wide!.levelFigure, [wide[0] * 0.6, wide[1]]);
      point(out, d.train, [0, bottom]);
    }
    point(out, d.lengths[right], [wide[0] * 0.9, y * 0.6]);
    point(out, d.lengths[face], [0, y * 0.9]);
    return out;
  };
  return pictureOf(view('front'), view('back'));
}
