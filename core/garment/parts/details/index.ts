import { judge, type RawCheck } from '../../../figure/check.ts';
import type { Notion } from '../../../figure/figure.ts';
import { say as p } from '../../../units/print.ts';
import { emptyView, n, pictureOf, point } from '../../common/silhouette.ts';
import { pieces } from '../../common/skirt-cutting.ts';
import { definePart, type PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import { type DetailDraft, type DetailValues, draftDetails, FIELDS } from './draft.ts';

/** A hand passes a pocket that is at least this wide, cm (common practice). */
const HAND = 13;

/** Details that cost cloth, on any garment: pockets, flaps, a belt, trims, shoulder pads. */
export const details = definePart({
  id: 'details',
  name: 'details',
  key: 'details',
  fields: FIELDS,
  hangsFrom: 'waist',
  joins: { gives: [], takes: [], givenUp: [] },
  free: true,
  wants: (v) => ({ needs: v.belt > 0 ? ['waist'] : [], helps: [] }),
  lines: () => [],
  draft: draftDetails,
  figures: (_, __, d) => d.figures,
  checks: detailChecks,
  picture: detailPicture,
  cutting: (c, v, d) => ({
    pieces: d.panels.length > 0 ? pieces(c, d.panels, 'detail') : [],
    notions: notions(v, d),
    allowances: [],
    cautions: [],
  }),
});

function notions(v: DetailValues, d: DetailDraft): Notion[] {
  return [
    ...(d.bought.trim !== null && v.fringe <= 0
      ? [{ name: 'trim', length: d.bought.trim, note: `${v.trimRows} ${v.trimRows === 1 ? 'row' : 'rows'}` }]
      : []),
    ...(v.pads
      ? [
          {
            name: 'shoulder pads',
            length: null,
            note: 'a pair; folded in half, the steeper side is the front',
          },
        ]
      : []),
    ...(v.casing > 0
      ? [{ name: 'cord or elastic for the casing', length: null, note: `${p(v.casingFor)} wide` }]
      : []),
    ...(v.belt > 0 ? [{ name: 'buckle', length: null, note: `for a belt of ${p(v.belt)}, or tied` }] : []),
  ];
}

function detailChecks(c: PartContext, v: DetailValues, d: DetailDraft): RawCheck[] {
  const width = d.figures.find((f) => f.id === c.id('pocket-width'))?.marked;
  return v.pockets !== 'none' && width != null
    ? [
        judge(
          width >= HAND,
          c.id('pocket'),
          c.id('pocket-width'),
          `The pocket is ${p(width)} wide: ${width >= HAND ? 'a hand passes' : 'too narrow for a hand, it only shows'}.`,
        ),
      ]
    : [];
}

/** Pockets below the waist, the belt round it. */
function detailPicture(c: PartContext, v: DetailValues, d: DetailDraft): Picture {
  const figure = (id: string) => d.figures.find((f) => f.id === c.id(id));
  const [w, h] = [figure('pocket-width')?.marked, figure('pocket-depth')?.marked];
  const half = c.line('waist')?.front?.rounded ?? 18;
  if (!w && v.belt <= 0) return NO_PICTURE;
  const front = emptyView();
  const back = emptyView();
  if (w && h && v.pockets !== 'none')
    for (const s of [-1, 1]) {
      const at = (x: number, y: number) => `${n(s * x)} ${n(y)}`;
      const [x, y] = [4, 9];
      const wide = Math.min(w, half);
      front.strokes.push({
        kind: v.pockets === 'patch' ? 'outline' : 'seam',
        figure: c.id('pocket-width'),
        d:
          v.pockets === 'patch'
            ? `M${at(x, y)} L${at(x + wide, y)} L${at(x + wide, y + h)} L${at(x, y + h)} L${at(x, y)}`
            : v.pockets === 'welt'
              ? `M${at(x, y)} L${at(x + wide, y)} L${at(x + wide, y + 2)} L${at(x, y + 2)} L${at(x, y)}`
              : `M${at(half + 2, y - 3)} L${at(half + 4, y + h * 0.8)}`,
      });
      if (v.flaps)
        front.strokes.push({
          kind: 'outline',
          figure: c.id('pocket-width'),
          d: `M${at(x - 0.3, y - 0.5)} L${at(x + wide + 0.3, y - 0.5)} L${at(x + wide + 0.3, y + 5)} L${at(x - 0.3, y + 5)} L${at(x - 0.3, y - 0.5)}`,
        });
    }
  if (v.belt > 0)
    for (const view of [front, back])
      view.strokes.push({
        kind: 'band',
        figure: c.id('belt'),
        d: `M${n(-half)} ${n(-v.belt / 2)} L${n(half)} ${n(-v.belt / 2)} L${n(half)} ${n(v.belt / 2)} L${n(-half)} ${n(v.belt / 2)} Z`,
      });
  point(front, figure('pocket-width'), [8, 9]);
  point(front, figure('belt'), [half * 0.3, 0]);
  return pictureOf(front, back);
}
