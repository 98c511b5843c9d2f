import { mapped, offset, type Point, type Segment } from '../../../draft/curve.ts';
import { sewnLength } from '../../../draft/measure.ts';
import { mirrored, pathData } from '../../../draft/outline.ts';
import { edgeOf } from '../../../draft/panel.ts';
import { markedGirth, TOLERANCE } from '../../../figure/build.ts';
import { judge, missing, type RawCheck, warn } from '../../../figure/check.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { adapt } from '../../adapt.ts';
import { headPasses } from '../../common/head-passes.ts';
import { shoesUnknown } from '../../common/length-wanted.ts';
import { neckWideChecks } from '../../common/neck-wide.ts';
import { emptyView, levelStroke, pictureOf, point, type View } from '../../common/silhouette.ts';
import { allowanceList, PINS, pieces, stayTape, threadAndNeedle } from '../../common/skirt-cutting.ts';
import {
  draftTop,
  neckOpens,
  TOP_FIELDS,
  type TopDraft,
  type TopValues,
  topLifts,
  topLines,
} from '../../common/top.ts';
import { UPPER_HELPS, upperLeaves } from '../../common/upper-figures.ts';
import { isKnown, left } from '../../leaves.ts';
import { definePart, type PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import { FACES } from '../../tables/darts.ts';

/** A top without darts that is pulled on: T-shirt, easy top, stretch dress, by its cloth and its length. */
export const top = definePart({
  id: 'top',
  name: 'top, pulled on',
  key: 'top',
  fields: TOP_FIELDS,
  hangsFrom: 'shoulder',
  adapts: [
    'longer',
    'neck-wider',
    'neck-deeper',
    'neck-deeper-back',
    'armhole-lower',
    'seam-front',
    'seam-back',
    'seam-point',
    'seam-curve',
    'pleat',
    'pleat-out',
  ],
  reshape: adapt,
  joins: { gives: ['armhole', 'neck'], takes: [], givenUp: [] },
  wants: (v) => ({
    needs: [
      'bust',
      // Where the waist and the hip lie, for one that is shaped by them.
      ...(topLines(v).length > 1 || v.from === 'waist' || v.from === 'floor' ? ['nape-to-waist'] : []),
      ...(v.from === 'floor' ? ['waist-to-floor'] : []),
      ...(v.shaped === 'shaped' ? ['waist'] : []),
    ],
    helps: [
      ...(v.shaped === 'shaped' || v.below === 'hip' ? ['hip', 'waist-to-hip'] : []),
      'bust-front',
      ...(v.shaped === 'shaped' ? ['waist-front'] : []),
      ...(v.shaped === 'shaped' || v.below === 'hip' ? ['hip-front'] : []),
      ...(topLines(v).length > 1 || v.from === 'waist' || v.from === 'floor' ? ['neck-to-waist-back'] : []),
      'garment-length',
      ...UPPER_HELPS,
      'head',
    ],
  }),
  leaves: (c, v) => ({
    ...upperLeaves(c),
    ...left(isKnown(c, 'garment-length'), ['waist-to-floor'], 'The length was read itself.'),
    ...left(
      isKnown(c, 'garment-length') && topLines(v).length === 1,
      ['nape-to-waist'],
      'The length was read itself.',
    ),
  }),
  lines: (v) => topLines(v).map((zone) => ({ zone, needed: zone !== 'hip' })),
  lifts: topLifts,
  draft: draftTop,
  figures: (_, __, d) => [...d.figures, ...d.measured],
  checks: topChecks,
  picture: topPicture,
  cutting: (c, v, d) => ({
    pieces: pieces(c, d.panels, 'top'),
    notions: [
      // A knit's shoulders carry its weight.
      ...(c.input.brief.cloth.stretch > 0 && d.faces
        ? stayTape(cm(2 * sewnLength(d.faces.back, 'shoulder')), 'shoulders')
        : []),
      ...threadAndNeedle(c),
    ],
    allowances: allowanceList(c, [
      ['side seams', 'side'],
      ['shoulder seams', 'shoulder'],
      [v.band > 0 ? 'neckline and its band' : 'neckline', 'neck'],
      ['armholes', 'armhole'],
      ['hem', 'hem'],
    ]),
    cautions: [PINS],
  }),
});

function topChecks(c: PartContext, v: TopValues, d: TopDraft): RawCheck[] {
  const found: RawCheck[] = neckWideChecks(c, v, d.figures);
  const net = (id: string) => c.measured.get(id)?.net ?? null;
  for (const f of d.figures)
    if (f.finished === null)
      found.push(
        missing(
          `absent-${f.id}`,
          f.id,
          `${f.name} was not measured, and nothing it could be taken from: measure it or set it by hand.`,
        ),
      );
  if (!d.faces) {
    if (c.line('bust')?.front && d.figures.every((f) => f.finished !== null))
      found.push(
        warn(
          c.id('heights'),
          c.id('armhole-depth'),
          'These depths and lengths make no top: the armhole, the shoulder or the length is too short. Read them again.',
        ),
      );
    return found;
  }
  found.push(
    headPasses(c, d.neckRound!, {
      opens: neckOpens(c, d.neckRound!),
      figure: c.id('neck-round'),
      cure: 'widen or deepen the neckline, or brief an opening',
    }),
  );
  if (v.from === 'floor') found.push(...shoesUnknown(c, c.id('length')));
  const { stretch } = c.input.brief.cloth;
  const half = stretch > 0 ? ' when half of its stretch is used' : '';
  const round = d.measured.find((f) => f.id === c.id('armhole-round'))!.finished!;
  const hem = d.measured.find((f) => f.id === c.id('hem'))!.finished;
  const bust = c.line('bust');
  const narrow = (['waist', 'hip'] as const)
    .flatMap((z) => {
      const l = c.line(z);
      if (!l) return [];
      // Of a top that ends above a line the hem is what passes.
      const drawn = d.faces!.front.lines.some((line) => line.id === z);
      const girth = drawn ? markedGirth(l.figure) : hem;
      return girth === null ? [] : [{ name: drawn ? l.figure.name : 'hem', girth }];
    })
    .sort((a, b) => a.girth - b.girth)[0];
  if (bust?.net != null && narrow) {
    const passes = cm(narrow.girth * (1 + stretch / 200));
    found.push(
      judge(
        passes >= bust.net,
        c.id('passes'),
        narrow.name,
        `Pulled on over the bust of ${p(bust.net)}: its narrowest place below it, the ${narrow.name}, is ${p(narrow.girth)}${half ? `, ${p(passes)}${half}` : ''}: ${passes >= bust.net ? 'it passes' : 'it does not pass; give it more ease there, a cloth that stretches, or an opening'}.`,
      ),
    );
  }
  // A hip that was read and moves nothing is told, and what it means for a top that hangs so far down.
  const hip = net('hip');
  const across = bust ? markedGirth(bust.figure) : null;
  const drop = net('waist-to-hip') ?? c.input.house.hipDrop;
  if (
    v.shaped === 'straight' &&
    v.below === 'bust' &&
    hip !== null &&
    across !== null &&
    d.length !== null &&
    d.waistLevel !== null
  ) {
    const reaches = d.length > d.waistLevel + drop - 1;
    const goes = cm(across * (1 + stretch / 200));
    found.push(
      judge(
        !reaches || goes >= hip,
        c.id('over-hip'),
        'bust',
        !reaches
          ? `It ends above the hip: the hip of ${p(hip)} moves nothing.`
          : `Straight down from the bust it is ${p(across)} round the hip${half ? `, ${p(goes)}${half}` : ''}; the hip is ${p(hip)}: ${goes >= hip ? 'it goes over, and the hip moves nothing' : 'it does not go over. Choose “over the hip, flared from the bust”, or make it shorter'}.`,
      ),
    );
  }
  const body = net('armhole');
  if (body !== null)
    found.push(
      judge(
        round >= body - 1,
        c.id('armhole'),
        c.id('armhole-round'),
        `Armhole ${p(round)} sewn, ${p(body)} on the body: ${round >= body - 1 ? 'it will not cut in' : 'it will cut in; lower it'}.`,
      ),
    );
  const sides = FACES.map((f) => sewnLength(d.faces![f], 'side')) as [Cm, Cm];
  const apart = cm(Math.abs(sides[0] - sides[1]));
  found.push(
    judge(
      apart <= TOLERANCE.detail,
      c.id('side-seams'),
      c.id('side-seam'),
      `Side seams: front ${p(sides[0])}, back ${p(sides[1])}${apart > TOLERANCE.detail ? `; ease or true ${p(apart)}` : ', equal within what is trued'}.`,
    ),
  );
  return found;
}

function topPicture(c: PartContext, v: TopValues, d: TopDraft): Picture {
  if (!d.faces) return NO_PICTURE;
  const waist = d.waistLevel ?? d.faces.back.lines[0]!.y + 20;
  const view = (face: 'front' | 'back'): View => {
    const out = emptyView();
    const panel = d.faces![face];
    const up = ([x, y]: Point): Point => [x, y - waist];
    const path = (id: string): Segment[] => edgeOf(panel, id).path.map((s) => mapped(s, up));
    const [neck, shoulder, arm, side] = [path('neck'), path('shoulder'), path('armhole'), path('side')];
    const outline = [...neck, ...shoulder, ...arm, ...side];
    const foot = side.at(-1)!.at(-1) as Point;
    out.strokes.push(
      { kind: 'outline', figure: null, d: pathData(outline) },
      { kind: 'outline', figure: null, d: pathData(mirrored(outline)) },
      { kind: 'outline', figure: c.id('hem'), d: `M${-foot[0]} ${foot[1]} L${foot[0]} ${foot[1]}` },
      levelStroke(c.id('hem'), foot[0], foot[1] - 2),
    );
    if (v.band > 0) {
      const low = neck[0]![0];
      const inner = neck.flatMap((s) => offset(s, v.band));
      out.strokes.push(
        { kind: 'band', figure: c.id('band-length'), d: pathData(inner) },
        { kind: 'band', figure: c.id('band-length'), d: pathData(mirrored(inner)) },
      );
      if (face === 'front')
        point(
          out,
          d.figures.find((f) => f.id === c.id('band-length')),
          [0, low[1] - v.band * 0.5],
        );
    }
    for (const l of panel.lines) {
      const half = c.line(l.id as 'bust')![face]!.rounded;
      out.strokes.push(levelStroke(l.id, half, l.y - waist));
      if (face === 'front') point(out, c.line(l.id as 'bust')?.figure, [-half, l.y - waist]);
    }
    const figure = (id: string) => [...d.figures, ...d.measured].find((f) => f.id === c.id(id));
    point(out, figure(`neck-${face}`), neck[0]![0]);
    if (face === 'front') {
      point(out, figure('length'), [foot[0] * 0.3, foot[1]]);
      point(out, figure('shoulder'), shoulder[0]![0]);
      point(out, figure('hem'), [-foot[0], foot[1]]);
    } else {
      point(out, figure('side-seam'), [foot[0], foot[1] * 0.6]);
      point(out, figure('armhole-round'), arm[0]!.at(-1) as Point);
    }
    return out;
  };
  return pictureOf(view('front'), view('back'));
}
