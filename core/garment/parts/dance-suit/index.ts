import { mapped, type Point, type Segment } from '../../../draft/curve.ts';
import { sewnLength } from '../../../draft/measure.ts';
import { mirrored, pathData } from '../../../draft/outline.ts';
import { edgeOf } from '../../../draft/panel.ts';
import { markedGirth, TOLERANCE } from '../../../figure/build.ts';
import { judge, missing, pass, type RawCheck, warn } from '../../../figure/check.ts';
import { cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { neckWideChecks } from '../../common/neck-wide.ts';
import { emptyView, levelStroke, pictureOf, point, type View } from '../../common/silhouette.ts';
import { allowanceList, PINS, pieces, threadAndNeedle } from '../../common/skirt-cutting.ts';
import { UPPER_HELPS, upperLeaves } from '../../common/upper-figures.ts';
import { definePart, type PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import { FACES, type Face } from '../../tables/darts.ts';
import { draftSuit, type SuitDraft } from './draft.ts';
import { FIELDS, type SuitValues } from './fields.ts';

/** A dancer's suit: from the shoulders through the crotch, in a cloth that stretches both ways. */
export const danceSuit = definePart({
  id: 'dance-suit',
  name: 'dancer’s suit',
  key: 'suit',
  fields: FIELDS,
  hangsFrom: 'shoulder',
  adapts: ['neck-wider', 'neck-deeper', 'neck-deeper-back', 'armhole-lower'],
  joins: { gives: ['armhole', 'neck'], takes: [], givenUp: [] },
  wants: () => ({
    needs: ['bust', 'waist', 'hip', 'waist-to-hip', 'trunk', 'nape-to-waist'],
    helps: [
      'neck-to-waist-front',
      'neck-to-waist-back',
      'bust-front',
      'waist-front',
      'hip-front',
      ...UPPER_HELPS,
      'thigh',
    ],
  }),
  leaves: (c) => upperLeaves(c),
  lines: () => [
    { zone: 'bust', needed: true },
    { zone: 'waist', needed: true },
    { zone: 'hip', needed: true },
  ],
  draft: draftSuit,
  figures: (_, __, d) => [...d.figures, ...d.measured],
  checks: suitChecks,
  picture: suitPicture,
  cutting: (c, _, d) => ({
    pieces: pieces(c, d.panels, 'suit'),
    notions: [
      ...(d.elastic === null
        ? []
        : [{ name: 'elastic, legs', length: cm(2 * d.elastic), note: 'one for each leg, joined to a ring' }]),
      ...threadAndNeedle(c),
    ],
    allowances: allowanceList(c, [
      ['side seams', 'side'],
      ['shoulder seams', 'shoulder'],
      ['neckline', 'neck'],
      ['armholes', 'armhole'],
      ['leg edges', 'neck'],
      ['crotch', 'side'],
    ]),
    cautions: [PINS],
  }),
});

function suitChecks(c: PartContext, v: SuitValues, d: SuitDraft): RawCheck[] {
  const found: RawCheck[] = neckWideChecks(c, v, d.figures);
  for (const f of d.figures)
    if (f.finished === null)
      found.push(
        missing(
          `absent-${f.id}`,
          f.id,
          `${f.name} was not measured, and nothing it could be taken from: measure it or set it by hand.`,
        ),
      );
  const { stretch, stretchAlong = 0 } = c.input.brief.cloth;
  found.push(
    judge(
      stretch >= 50 && stretchAlong >= 25,
      c.id('both-ways'),
      c.id('trunk'),
      `The cloth stretches ${stretch} % around and ${stretchAlong} % along: ${stretch >= 50 && stretchAlong >= 25 ? 'it gives when the body bends' : 'a suit that is closed at the crotch wants 50 % around and 25 % along at the least, or it pulls at the shoulders (common practice)'}.`,
    ),
  );
  if (!d.faces) {
    if (d.figures.every((f) => f.finished !== null) && c.line('hip')?.front)
      found.push(
        warn(
          c.id('heights'),
          c.id('trunk'),
          'These lengths make no suit: the trunk, the waist level, the necklines or the height of the leg belong to no one body. Read them again.',
        ),
      );
    return found;
  }
  const largest = Math.max(...['hip', 'tummy', 'bust'].map((id) => c.measured.get(id)?.net ?? 0));
  const passes = cm(d.neckRound! * (1 + stretch / 200));
  found.push(
    judge(
      passes >= largest,
      c.id('passes'),
      c.id('neck-round'),
      `Stepped into by the neckline: ${p(d.neckRound!)}, ${p(passes)} when half of the stretch is used; the largest girth is ${p(cm(largest))}: ${passes >= largest ? 'it passes' : 'it does not pass; widen or deepen the neckline, or brief an opening'}.`,
    ),
  );
  const waist = c.line('waist');
  const girth = waist ? markedGirth(waist.figure) : null;
  const hip = c.measured.get('hip')?.net;
  if (girth !== null && hip != null) {
    // For the moment of pulling on a second skin gives all that it has (common practice).
    const through = cm(girth * (1 + stretch / 100));
    found.push(
      judge(
        through >= hip,
        c.id('waist-passes'),
        'waist',
        `Pulled on over the hip of ${p(hip)}: its waist of ${p(girth)} is ${p(through)} when all of the stretch is used: ${through >= hip ? 'it passes' : 'it does not pass'}.`,
      ),
    );
  }
  const thigh = c.measured.get('thigh')?.net;
  if (thigh != null && d.legRound !== null) {
    const legPasses = cm(d.legRound * (1 + stretch / 200));
    found.push(
      judge(
        legPasses >= thigh,
        c.id('leg'),
        c.id('leg-round'),
        `The leg edge is ${p(d.legRound)}, ${p(legPasses)} when half of the stretch is used, the thigh ${p(thigh)}: ${legPasses >= thigh ? 'it lies round the top of the leg' : 'it would cut in; cut the leg higher'}.`,
      ),
    );
  }
  const sides = FACES.map((face) => sewnLength(d.faces![face], 'side'));
  const apart = cm(Math.abs(sides[0]! - sides[1]!));
  found.push(
    judge(
      apart <= TOLERANCE.detail,
      c.id('side-seams'),
      c.id('side-seam'),
      `Side seams: front ${p(sides[0]!)}, back ${p(sides[1]!)}${apart > TOLERANCE.detail ? `; ease or true ${p(apart)}` : ', equal within what is trued'}.`,
    ),
    pass(c.id('crotch'), c.id('crotch-width'), 'Front and back are as wide as each other at the crotch.'),
  );
  return found;
}

/** As it is worn, the waist at y 0, the front's leg in front, the back's behind. */
function suitPicture(c: PartContext, _: SuitValues, d: SuitDraft): Picture {
  if (!d.faces || d.waistLevel === null) return NO_PICTURE;
  const view = (face: Face): View => {
    const out = emptyView();
    const panel = d.faces![face];
    const up = ([x, y]: Point): Point => [x, y - d.waistLevel!];
    const path = (id: string): Segment[] => edgeOf(panel, id).path.map((s) => mapped(s, up));
    const outline = ['neck', 'shoulder', 'armhole', 'side', 'leg', 'crotch'].flatMap(path);
    out.strokes.push(
      { kind: 'outline', figure: null, d: pathData(outline) },
      { kind: 'outline', figure: null, d: pathData(mirrored(outline)) },
      ...panel.lines.map((l) =>
        levelStroke(l.id, c.line(l.id as 'bust')![face]!.rounded, l.y - d.waistLevel!),
      ),
    );
    const figure = (id: string) => [...d.figures, ...d.measured].find((f) => f.id === c.id(id));
    const [neck, side, leg] = [path('neck'), path('side'), path('leg')];
    point(out, figure(`neck-${face}`), neck[0]![0]);
    if (face === 'front') {
      for (const l of panel.lines)
        point(out, c.line(l.id as 'bust')?.figure, [
          -c.line(l.id as 'bust')!.front!.rounded,
          l.y - d.waistLevel!,
        ]);
      point(out, figure('trunk'), leg.at(-1)!.at(-1) as Point);
      point(out, figure('leg-round'), leg[0]![1] as Point);
    } else {
      point(out, figure('leg-height'), side.at(-1)!.at(-1) as Point);
      point(out, figure('armhole-round'), path('armhole')[0]!.at(-1) as Point);
    }
    return out;
  };
  return pictureOf(view('front'), view('back'));
}
