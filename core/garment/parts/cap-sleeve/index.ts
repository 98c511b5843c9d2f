import type { Point } from '../../../draft/curve.ts';
import { pass, type RawCheck, warn } from '../../../figure/check.ts';
import { say as p } from '../../../units/print.ts';
import { emptyView, n, pictureOf, point, type View } from '../../common/silhouette.ts';
import { allowanceList, pieces } from '../../common/skirt-cutting.ts';
import { definePart, type PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import { type CapDraft, draftCap, FIELDS } from './draft.ts';

/** A sleeve that covers the shoulder only and leaves the underarm open: from three centimetres on. */
export const capSleeve = definePart({
  id: 'cap-sleeve',
  name: 'cap sleeve',
  key: 'cap',
  fields: FIELDS,
  hangsFrom: 'shoulder',
  joins: { gives: [], takes: [{ edge: 'armhole', needed: true }], givenUp: [] },
  // It is cut from the armhole alone: the arm stays free.
  wants: () => ({ needs: [], helps: [] }),
  lines: () => [],
  draft: draftCap,
  figures: (_, __, d) => d.figures,
  checks: (c, v, d) => capChecks(c, d, v.length),
  picture: capPicture,
  cutting: (c, v, d) => ({
    pieces: pieces(c, d.panels, 'cap sleeve'),
    notions: [],
    allowances: allowanceList(c, [
      ['cap sleeve to the armhole', 'armhole'],
      v.finish === 'faced' ? ['edge of the cap sleeve', 'facing'] : ['edge of the cap sleeve', 'liningHem'],
    ]),
    cautions: [],
  }),
});

function capChecks(c: PartContext, d: CapDraft, length: number): RawCheck[] {
  if (d.tooShort)
    return [
      warn(
        c.id('short'),
        c.id('length'),
        `A cap ${p(length)} long does not reach out of this armhole’s curve: make it longer.`,
      ),
    ];
  if (!d.armhole)
    return [
      warn(
        c.id('armhole'),
        c.id('length'),
        'The cap sleeve waits for its armhole: what it is set into is not drafted yet.',
      ),
    ];
  return [
    pass(
      c.id('covers'),
      c.id('cap-round'),
      `It lies on ${p(d.armhole.covered)} of the armhole, from notch to notch over the shoulder; the ${p(d.armhole.bound)} under the arm are bound.`,
    ),
  ];
}

/** Both caps as they stand out over the shoulders, waist at y 0. */
function capPicture(c: PartContext, _: unknown, d: CapDraft): Picture {
  const hung = c.above?.arm;
  const length = d.figures.find((f) => f.id === c.id('length'));
  if (!d.panel || !hung || length?.marked == null) return NO_PICTURE;
  const { shoulder, underarm } = hung;
  const view = (lettered: boolean): View => {
    const out = emptyView();
    const tip: Point = [shoulder[0] + length.marked! * 0.85, shoulder[1] + length.marked! * 0.5];
    const low: Point = [
      shoulder[0] + (underarm[0] - shoulder[0]) * 0.2,
      shoulder[1] + (underarm[1] - shoulder[1]) * 0.55,
    ];
    for (const s of [-1, 1]) {
      const at = (q: Point) => `${n(s * q[0])} ${n(q[1])}`;
      out.strokes.push(
        {
          kind: 'outline',
          figure: c.id('length'),
          d: `M${at(shoulder)} Q${at([tip[0] * 0.97, shoulder[1]])} ${at(tip)}`,
        },
        {
          kind: 'outline',
          figure: c.id('end'),
          d: `M${at(tip)} Q${at([(tip[0] + low[0]) / 2, (tip[1] + low[1]) / 2 - 1])} ${at(low)}`,
        },
      );
    }
    if (lettered) point(out, length, tip);
    return out;
  };
  return pictureOf(view(true), view(false));
}
