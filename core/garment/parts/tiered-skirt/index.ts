import { FREE_LEAVES, FREE_WANTS } from '../../common/flared.ts';
import { FREE_JOINS, freeChecks, freeCutting } from '../../common/free-skirt.ts';
import { STATIONS } from '../../common/hem-lengths.ts';
import {
  bandStroke,
  emptyView,
  gatherStrokes,
  n,
  pictureOf,
  point,
  type View,
} from '../../common/silhouette.ts';
import { definePart, type PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import { draftTiered, FIELDS, type TieredDraft, type TieredValues, tierPanels } from './draft.ts';

/** A tiered skirt: rectangles gathered one to the other. */
export const tieredSkirt = definePart({
  id: 'tiered-skirt',
  name: 'tiered skirt',
  key: 'skirt',
  fields: FIELDS,
  hangsFrom: 'waist',
  adapts: ['longer'],
  joins: FREE_JOINS,
  hangsAbove: true,
  wants: () => FREE_WANTS,
  leaves: () => FREE_LEAVES,
  lines: (v, { input, allowances, joint }) => [
    {
      zone: joint,
      needed: true,
      split: (finished) => ({ panel: 'panel', times: tierPanels(input, allowances, v.ratio * finished) }),
    },
  ],
  draft: draftTiered,
  figures: (_, __, d) => [
    ...d.tiers.flatMap((t) => [t.round, t.height]),
    d.hem,
    ...STATIONS.map((s) => d.lengths[s]),
    ...d.fromSeam,
    ...d.band.figures,
  ],
  checks: (c, _, d, opening) => freeChecks(c, d, opening),
  picture: tieredPicture,
  cutting: (c, v, d) => freeCutting(c, d, { horsehair: v.horsehair, banded: v.band > 0, hem: 'hem' }),
});

function tieredPicture(c: PartContext, v: TieredValues, d: TieredDraft): Picture {
  if (!d.panel || d.waist === null) return NO_PICTURE;
  const view = (face: 'front' | 'back'): View => {
    const out = emptyView();
    let y = 0;
    let half = d.waist! / 4;
    d.tiers.forEach((t) => {
      const next = Math.min(half * (1 + (v.ratio - 1) * 0.45), half + t.height.marked! * 0.45);
      const bottom = y + t.height.marked!;
      out.strokes.push(
        {
          kind: 'outline',
          figure: t.round.id,
          d: `M${n(-half)} ${n(y)} L${n(-next)} ${n(bottom)} Q0 ${n(bottom + 1.5)} ${n(next)} ${n(bottom)} L${n(half)} ${n(y)} Z`,
        },
        gatherStrokes(half, y, t.round.id),
      );
      if (face === 'front') {
        point(out, t.round, [-(half + next) / 2, (y + bottom) / 2]);
        point(out, t.height, [(half + next) / 2, (y + bottom) / 2]);
      }
      [half, y] = [next, bottom];
    });
    if (!c.above) {
      const waist = d.waist! / 4;
      out.strokes.push(bandStroke(waist, v.band, c.id('band-length')));
      if (face === 'front') {
        point(out, d.band.figures[0], [waist * 0.5, -v.band / 2]);
        point(out, d.band.figures[1], [-waist * 0.5, -v.band / 2]);
        point(out, c.line('waist')?.figure, [-waist, 0]);
      }
    }
    if (face === 'front') point(out, d.hem, [-half, y]);
    else point(out, d.lengths.left, [-half, y * 0.9]);
    point(out, d.lengths[face === 'front' ? 'left' : 'right'], [half, y * 0.95]);
    point(out, d.lengths[face], [0, y * 0.97]);
    return out;
  };
  return pictureOf(view('front'), view('back'));
}
