import { judge, type RawCheck, warn } from '../../../figure/check.ts';
import { say as p } from '../../../units/print.ts';
import { FREE_WANTS } from '../../common/flared.ts';
import { FREE_JOINS, freeChecks, freeCutting } from '../../common/free-skirt.ts';
import { skirtLifts } from '../../common/from-waist/widest.ts';
import { STATIONS } from '../../common/hem-lengths.ts';
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
import { LENGTH_GIVEN, left } from '../../leaves.ts';
import type { LineWanted } from '../../lines.ts';
import { definePart, type PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import { draftPleated, FIELDS, type PleatedDraft, type PleatedValues } from './draft.ts';

/** A pleat that shows less than this does not lie flat, cm (common practice). */
const LEAST_SEEN = 2;

/** A skirt laid in pleats: knife, box or single ones, sized on its widest line. */
export const pleatedSkirt = definePart({
  id: 'pleated-skirt',
  name: 'pleated skirt',
  key: 'skirt',
  fields: FIELDS,
  hangsFrom: 'waist',
  adapts: ['longer'],
  joins: FREE_JOINS,
  wants: () => ({
    needs: ['waist', 'hip', 'waist-to-hip', ...FREE_WANTS.needs.filter((id) => id !== 'waist')],
    helps: ['tummy', 'waist-to-tummy', 'waist-to-knee', 'waist-to-floor'],
  }),
  leaves: () => left(true, ['waist-to-knee', 'waist-to-floor'], LENGTH_GIVEN),
  lines: () => {
    const split: LineWanted['split'] = () => ({ panel: 'half', times: 2 });
    return [
      { zone: 'waist', needed: true, split },
      { zone: 'tummy', needed: false, split },
      { zone: 'hip', needed: true, split },
    ];
  },
  lifts: (_, line, fit) => skirtLifts('darts', line, fit),
  draft: draftPleated,
  figures: (_, __, d) => [
    d.seen,
    d.depth,
    d.atWaist,
    d.cloth,
    d.width,
    d.hem,
    ...(d.stitched ? [d.stitched] : []),
    ...STATIONS.map((s) => d.lengths[s]),
    ...d.band.figures,
  ],
  checks: pleatedChecks,
  picture: pleatedPicture,
  cutting: (c, v, d) => freeCutting(c, d, { horsehair: v.horsehair, banded: v.band > 0, hem: 'hem' }),
});

function pleatedChecks(
  c: PartContext,
  v: PleatedValues,
  d: PleatedDraft,
  opening: Parameters<typeof freeChecks>[2],
): RawCheck[] {
  const found = freeChecks(c, d, opening);
  const seen = d.seen.finished;
  if (seen !== null && v.pleats !== 'single')
    found.push(
      judge(
        seen >= LEAST_SEEN,
        c.id('seen'),
        d.seen.id,
        `${v.count} pleats show ${p(seen)} each${seen >= LEAST_SEEN ? '' : ': too narrow to press, take fewer'}.`,
      ),
    );
  const lap = d.atWaist.finished;
  const hides = d.depth.marked;
  if (lap !== null && hides !== null && v.pleats !== 'single')
    found.push(
      judge(
        lap <= (seen ?? 0) * 0.5,
        c.id('lap'),
        d.atWaist.id,
        `At the waist each pleat laps ${p(lap)} further${lap <= (seen ?? 0) * 0.5 ? '' : ': more than half of what it shows, the folds would lie over one another; take fewer pleats or a yoke'}.`,
      ),
    );
  if (d.stitched?.marked && d.longest > 0 && d.stitched.marked > d.longest * 0.6)
    found.push(
      warn(
        c.id('stitched'),
        d.stitched.id,
        `The pleats are stitched ${p(d.stitched.marked)} down a skirt of ${p(d.longest)}: there is no room to walk below it.`,
      ),
    );
  return found;
}

function pleatedPicture(c: PartContext, v: PleatedValues, d: PleatedDraft): Picture {
  if (!d.panel || d.waist === null || d.closed === null) return NO_PICTURE;
  const wide = c.line('hip')?.asWideAs ? c.line(c.line('hip')!.asWideAs!)! : c.line('hip')!;
  const [w, h] = [d.waist / 4, d.closed / 4];
  const y = d.longest;
  const level = wide.level ?? 0;
  const hem = h * 1.12;
  const view = (face: 'front' | 'back'): View => {
    const out = emptyView();
    out.strokes.push(
      skirtOutline({ waist: w, through: [], wide: [h, level], hem, left: y, centre: y, right: y }),
    );
    const shown = Math.max(1, Math.round(v.count / 2));
    for (let i = 0; i < shown; i++) {
      const t = -1 + (2 * (i + 0.5)) / shown;
      const x = (half: number) => half * t;
      const at = `M${n(x(w))} 0 L${n(x(h))} ${n(level)} L${n(x(hem))} ${n(y)}`;
      out.strokes.push({ kind: 'seam', figure: d.depth.id, d: at });
      if (v.pleats === 'box')
        out.strokes.push({
          kind: 'seam',
          figure: d.depth.id,
          d: `M${n(x(w) + w / shown / 2)} 0 L${n(x(h) + h / shown / 2)} ${n(level)} L${n(x(hem) + hem / shown / 2)} ${n(y)}`,
        });
      // The foot of a pleat shows which way it lies.
      out.strokes.push({
        kind: 'dart',
        figure: d.depth.id,
        d:
          v.pleats === 'box'
            ? `M${n(x(hem) - 1)} ${n(y - 1)} L${n(x(hem))} ${n(y)} L${n(x(hem) + 1)} ${n(y - 1)}`
            : `M${n(x(hem))} ${n(y)} L${n(x(hem) + 1.2)} ${n(y - 1.4)}`,
      });
    }
    if (d.stitched?.marked)
      out.strokes.push(
        levelStroke(
          d.stitched.id,
          w + ((h - w) * Math.min(level, d.stitched.marked)) / (level || 1),
          d.stitched.marked,
        ),
      );
    if (!c.above) {
      out.strokes.push(bandStroke(w, v.band, c.id('band-length')));
      if (face === 'front') {
        point(out, d.band.figures[0], [w * 0.5, -v.band / 2]);
        point(out, d.band.figures[1], [-w * 0.5, -v.band / 2]);
        point(out, c.line('waist')?.figure, [-w, 0]);
      }
    }
    if (face === 'front') {
      point(out, wide.figure, [-h, level]);
      point(out, d.hem, [-hem, y]);
      point(out, d.stitched, [h * 0.5, d.stitched?.marked ?? 0]);
    } else {
      point(out, wide.levelFigure, [h * 0.6, level]);
      point(out, d.lengths.left, [-h, y * 0.5]);
    }
    point(out, d.lengths[face === 'front' ? 'left' : 'right'], [h, y * 0.6]);
    point(out, d.lengths[face], [0, y * 0.9]);
    return out;
  };
  return pictureOf(view('front'), view('back'));
}
