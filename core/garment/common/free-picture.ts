import type { Figure } from '../../figure/figure.ts';
import type { Cm } from '../../units/length.ts';
import type { PartContext } from '../part.ts';
import { NO_PICTURE, type Picture } from '../picture.ts';
import type { HemLengths } from './hem-lengths.ts';
import {
  bandStroke,
  emptyView,
  gatherStrokes,
  n,
  pictureOf,
  point,
  skirtOutline,
  type View,
} from './silhouette.ts';
import type { Band } from './waistband.ts';

interface FreeSkirt {
  readonly waist: Cm | null;
  readonly hem: Figure;
  readonly lengths: HemLengths;
  readonly band: Band;
  readonly longest: Cm;
  readonly up: Cm;
}

/** A skirt that falls in folds, from the front and from behind: half of its hem's width lies in the folds. */
export function freePicture(
  c: PartContext,
  d: FreeSkirt,
  { band, gathered }: { band: number; gathered: boolean },
): Picture {
  if (d.waist === null || d.hem.finished === null || d.longest <= 0) return NO_PICTURE;
  const waist = d.waist / 4;
  // Drawn from where it hangs.
  const y = d.longest + d.up;
  const hem = Math.max(waist * 1.1, Math.min(d.hem.finished / 5, waist + y * 0.75));
  const view = (face: 'front' | 'back'): View => {
    const out = emptyView();
    out.strokes.push(
      skirtOutline({ waist, through: [], wide: [waist, 0], hem, left: y * 0.97, centre: y, right: y * 0.97 }),
    );
    for (const t of [-0.6, -0.2, 0.25, 0.65])
      out.strokes.push({
        kind: 'seam',
        figure: null,
        d: `M${n(waist * t)} ${n(y * 0.25)} L${n(hem * t)} ${n(y * (0.995 - 0.02 * Math.abs(t)))}`,
      });
    if (gathered) out.strokes.push(gatherStrokes(waist, 0, c.id('cloth-round')));
    if (!c.above) {
      out.strokes.push(bandStroke(waist, band, c.id('band-length')));
      if (face === 'front') {
        point(out, d.band.figures[0], [waist * 0.5, -band / 2]);
        point(out, d.band.figures[1], [-waist * 0.5, -band / 2]);
        point(out, c.line('waist')?.figure, [-waist, 0]);
      }
    }
    const [left, right] = face === 'back' ? (['left', 'right'] as const) : (['right', 'left'] as const);
    if (face === 'front') point(out, d.hem, [-hem * 0.9, y * 0.975]);
    else point(out, d.lengths[left], [-(waist + hem) / 2, y / 2]);
    point(out, d.lengths[right], [(waist + hem) / 2, y * 0.6]);
    point(out, d.lengths[face], [0, y * 0.9]);
    return out;
  };
  return pictureOf(view('front'), view('back'));
}
