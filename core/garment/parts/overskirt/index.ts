import { missing, pass, type RawCheck, warn } from '../../../figure/check.ts';
import { say as p } from '../../../units/print.ts';
import { emptyView, gatherStrokes, n, pictureOf, point, type View } from '../../common/silhouette.ts';
import { allowanceList, pieces, tripCaution } from '../../common/skirt-cutting.ts';
import { LENGTH_GIVEN, left } from '../../leaves.ts';
import { definePart, type PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import { draftOver, FIELDS, type OverDraft, type OverValues } from './draft.ts';

/** A skirt worn over another garment, open in front: over a gown, over trousers. */
export const overskirt = definePart({
  id: 'overskirt',
  name: 'overskirt',
  key: 'overskirt',
  fields: FIELDS,
  hangsFrom: 'waist',
  joins: { gives: [], takes: [], givenUp: [] },
  free: true,
  wants: () => ({ needs: ['waist'], helps: ['waist-to-floor'] }),
  leaves: (_, v) => left(v.lengthFrom !== 'floor', ['waist-to-floor'], LENGTH_GIVEN),
  lines: () => [],
  draft: draftOver,
  figures: (_, __, d) => [...d.figures, ...d.measured],
  checks: overChecks,
  picture: overPicture,
  cutting: (c, _, d) => ({
    pieces: pieces(c, d.panels, 'overskirt'),
    notions: [{ name: 'hooks for the overskirt', length: null, count: 2, note: 'two pairs, behind' }],
    allowances: allowanceList(c, [
      ['overskirt, sides', 'side'],
      ['overskirt, waist', 'waist'],
      ['overskirt, front edges', 'hem'],
    ]),
    cautions: d.length === null ? [] : tripCaution(c, d.length),
  }),
});

function overChecks(c: PartContext, v: OverValues, d: OverDraft): RawCheck[] {
  const seam = d.figures.find((f) => f.id === c.id('seam'))!;
  if (seam.finished === null)
    return [missing(`absent-${seam.id}`, seam.id, 'The overskirt waits for the waist: read it.')];
  const length = d.figures.find((f) => f.id === c.id('length'))!;
  if (length.finished === null)
    return [missing(`absent-${length.id}`, length.id, `${length.name}: ${length.why[0]}`)];
  if (!d.front)
    return [
      warn(
        c.id('open'),
        seam.id,
        `Open by ${p(v.gap)} in front there is next to nothing left along the band: open it less.`,
      ),
    ];
  return [
    pass(
      c.id('open'),
      seam.id,
      `It hangs over ${p(seam.finished)} of the band and leaves ${p(v.gap)} open in front.`,
    ),
  ];
}

/** Its two edges in front, its hem behind; the train shows below. */
function overPicture(c: PartContext, v: OverValues, d: OverDraft): Picture {
  if (!d.front || d.length === null) return NO_PICTURE;
  const half = d.halfWaist;
  const wide = half * (0.9 + 0.45 * v.ratio);
  const figure = (id: string) => [...d.figures, ...d.measured].find((f) => f.id === c.id(id));
  const view = (face: 'front' | 'back'): View => {
    const out = emptyView();
    const y = d.length!;
    const low = face === 'back' ? y + v.train * 0.35 : y;
    out.strokes.push(
      {
        kind: 'band',
        figure: c.id('band'),
        d: `M${n(-half)} 0 L${n(-half)} ${n(-v.band)} L${n(half)} ${n(-v.band)} L${n(half)} 0`,
      },
      ...[-1, 1].map((s) => ({
        kind: 'outline' as const,
        figure: null,
        d:
          face === 'front'
            ? `M${n(s * half)} 0 L${n(s * wide)} ${n(y)} L${n(s * (v.gap * 0.9 + 4))} ${n(y)} L${n((s * v.gap) / 2)} 0`
            : `M${n(s * half)} 0 L${n(s * wide)} ${n(y)} Q${n(s * wide * 0.5)} ${n(low)} 0 ${n(low)}`,
      })),
      gatherStrokes(half, 0.5, c.id('cloth')),
    );
    if (face === 'front') {
      point(out, figure('band'), [-half, -v.band / 2]);
      point(out, figure('length'), [wide * 0.95, y * 0.8]);
    } else {
      point(out, figure('train'), [0, low]);
      point(out, figure('hem'), [-wide * 0.7, y]);
    }
    return out;
  };
  return pictureOf(view('front'), view('back'));
}
