import { edgeLength } from '../../../draft/measure.ts';
import { TOLERANCE } from '../../../figure/build.ts';
import { judge, missing, type RawCheck, warn } from '../../../figure/check.ts';
import { cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { headPasses } from '../../common/head-passes.ts';
import { emptyView, levelStroke, n, pictureOf, point, type View } from '../../common/silhouette.ts';
import { allowanceList, PINS, pieces, threadAndNeedle } from '../../common/skirt-cutting.ts';
import { HELD_AGAINST, isKnown, left } from '../../leaves.ts';
import { definePart, type PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import { type CutOnDraft, draftCutOn, FIELDS } from './draft.ts';

/** A top with its sleeves cut on, drafted straight on the cloth: folded at the shoulder and at the middle. */
export const cutOnTop = definePart({
  id: 'cut-on-top',
  name: 'top with cut-on sleeves',
  key: 'top',
  fields: FIELDS,
  hangsFrom: 'shoulder',
  joins: { gives: ['neck'], takes: [], givenUp: [] },
  wants: (v) => ({
    needs: [
      ...['bust', 'armhole', 'upper-arm'],
      ...(v.sleeve === null ? ['arm-span'] : []),
      ...(v.from === 'waist' ? ['neck-to-waist-front'] : []),
    ],
    helps: ['neck-base', 'bust-front', 'hip', 'waist-to-hip', 'hip-front', 'garment-length', 'head'],
  }),
  leaves: (c) => ({
    ...left(true, ['head'], HELD_AGAINST),
    ...left(isKnown(c, 'garment-length'), ['neck-to-waist-front'], 'The whole length was read.'),
  }),
  lines: () => [
    { zone: 'bust', needed: true },
    { zone: 'hip', needed: false },
  ],
  draft: draftCutOn,
  figures: (_, __, d) => [...d.figures, ...d.measured],
  checks: cutOnChecks,
  picture: cutOnPicture,
  cutting: (c, _, d) => ({
    pieces: pieces(c, d.panels, 'top'),
    notions: threadAndNeedle(c),
    allowances: allowanceList(c, [
      ['underarm and side seams', 'side'],
      ['neckline', 'neck'],
      ['sleeve ends', 'sleeveHem'],
      ['hem', 'hem'],
    ]),
    cautions: [PINS],
  }),
});

function cutOnChecks(c: PartContext, _: unknown, d: CutOnDraft): RawCheck[] {
  const found: RawCheck[] = [];
  for (const f of d.figures)
    if (f.finished === null)
      found.push(
        missing(`absent-${f.id}`, f.id, `${f.name} was not measured: measure it or set it by hand.`),
      );
  if (!d.panel) {
    if (d.marked)
      found.push(
        warn(
          c.id('shape'),
          c.id('span-half'),
          `From the middle to the sleeve end are ${p(d.marked.span)}, the body takes up to ${p(cm(Math.max(d.marked.bust.front, d.marked.hem.front)))}, the sleeve ${p(d.marked.arm)} at the body and ${p(d.marked.end)} at its end: no sleeve can be cut on from that.`,
        ),
      );
    return found;
  }
  const round = d.measured.find((f) => f.id === c.id('neck-round'))!.finished!;
  found.push(
    headPasses(c, round, {
      figure: c.id('neck-round'),
      cure: 'widen or deepen the neckline, or put in a slit',
    }),
  );
  const [front, back] = [edgeLength(d.panel, 'side'), edgeLength(d.panel, 'side-back')];
  const apart = cm(Math.abs(front - back));
  found.push(
    judge(
      apart <= TOLERANCE.detail,
      c.id('sides'),
      c.id('underarm'),
      `Underarm and side seams: front ${p(front)}, back ${p(back)}${apart > TOLERANCE.detail ? `; ease or true ${p(apart)}` : ', equal within what is trued'}.`,
    ),
  );
  return found;
}

function cutOnPicture(c: PartContext, _: unknown, d: CutOnDraft): Picture {
  const q = d.marked;
  if (!q || !d.panel) return NO_PICTURE;
  // The waist lies about 16 cm below the underarm: the drawing's y 0.
  const top = -q.arm - 16;
  const view = (face: 'front' | 'back'): View => {
    const out = emptyView();
    const slope = 0.32;
    const [w, h] = [q.bust[face], q.hem[face]];
    const at = (x: number, y: number, s: number) => `${n(s * x)} ${n(top + y)}`;
    const reach = q.span - q.neck;
    const outer = [q.neck + reach * Math.cos(slope), reach * Math.sin(slope)] as const;
    const inner = [outer[0] - q.end * Math.sin(slope), outer[1] + q.end * Math.cos(slope)] as const;
    for (const s of [-1, 1]) {
      out.strokes.push(
        {
          kind: 'outline',
          figure: c.id('span-half'),
          d: `M${at(q.neck, 0, s)} L${at(outer[0], outer[1], s)} L${at(inner[0], inner[1], s)} Q${at(w + 1, q.arm + 3, s)} ${at(w, q.arm + 9, s)} L${at(h, q.length, s)}`,
        },
        {
          kind: 'outline',
          figure: c.id(`neck-${face}`),
          d: `M${at(0, q.depths[face], s)} Q${at(q.neck, q.depths[face], s)} ${at(q.neck, 0, s)}`,
        },
      );
    }
    out.strokes.push(
      { kind: 'outline', figure: null, d: `M${at(h, q.length, -1)} L${at(h, q.length, 1)}` },
      levelStroke('bust', w, top + q.arm + 6),
    );
    const figure = (id: string) => [...d.figures, ...d.measured].find((f) => f.id === c.id(id));
    point(out, figure(`neck-${face}`), [0, top + q.depths[face]]);
    if (face === 'front') {
      point(out, c.line('bust')?.figure, [-w, top + q.arm + 6]);
      point(out, c.line('hip')?.figure, [-h, top + q.length]);
      point(out, figure('length'), [h * 0.4, top + q.length]);
      point(out, figure('sleeve-end'), [(outer[0] + inner[0]) / 2, top + (outer[1] + inner[1]) / 2]);
    } else {
      point(out, figure('span-half'), [outer[0], top + outer[1]]);
      point(out, figure('sleeve-width'), [w, top + q.arm + 3]);
      point(out, figure('underarm'), [w, top + q.length * 0.7]);
    }
    return out;
  };
  return pictureOf(view('front'), view('back'));
}
