import { endOf, type Point, startOf } from '../../../draft/curve.ts';
import { edgeLength } from '../../../draft/measure.ts';
import { pathData } from '../../../draft/outline.ts';
import { seamThrough } from '../../../draft/shape.ts';
import { TOLERANCE } from '../../../figure/build.ts';
import { judge, missing, type RawCheck, warn } from '../../../figure/check.ts';
import type { Caution } from '../../../figure/figure.ts';
import { cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { emptyView, levelStroke, n, pictureOf, point, type View } from '../../common/silhouette.ts';
import { allowanceList, PINS, pieces, threadAndNeedle } from '../../common/skirt-cutting.ts';
import { isKnown, isRead, left } from '../../leaves.ts';
import { MOST_EASED } from '../../meeting.ts';
import { definePart, type PartContext } from '../../part.ts';
import { NO_PICTURE, type Picture } from '../../picture.ts';
import { asWorn, type BonedDraft, draftBoned } from './draft.ts';
import { type BonedValues, FIELDS } from './fields.ts';
import { heldChecks, heldLeaves, heldWants, strapStrokes, strapsByLength } from './held.ts';
import { bonedLines, CUP_MAY_DIFFER, readFirm } from './plan.ts';

/** A waist drawn in by more than this is warned of, by more than the last is accepted by name (house rules; common practice). */
const WARN = { cm: 5, part: 0.07 } as const;
const ACCEPT = 0.1;

const TIGHT: Caution = {
  code: 'boned',
  sentence:
    'Boned and tightened: the client must breathe freely, sit and eat in it. Tighten in steps; stop at pain, numbness, dizziness or shortness of breath. Not in pregnancy, after recent surgery, or with a heart, lung or stomach complaint unless a doctor has agreed. Local rules and licensed practice go before this sheet.',
};
const BONES: Caution = {
  code: 'bones',
  sentence: 'Bones: tip both ends and feel along every channel; no end may reach the skin.',
};

/** A boned bodice on a waist stay: it holds by its shape, with straps or without, alone or with a skirt from its waist. */
export const bonedBodice = definePart({
  id: 'boned-bodice',
  name: 'boned bodice',
  key: 'bodice',
  fields: FIELDS,
  hangsFrom: 'shoulder',
  joins: { gives: ['waist'], takes: [], givenUp: ['below'] },
  wants: (v) => ({
    needs: [
      'bust',
      'underbust',
      'waist',
      'neck-to-bust',
      'neck-to-waist-front',
      'underarm-to-waist',
      'apex-span',
      ...(v.below > 0 ? ['tummy', 'waist-to-tummy'] : []),
      ...heldWants(v).needs,
    ],
    helps: [
      'bust-front',
      'waist-front',
      'underbust-front',
      'bust-to-waist',
      'bust-to-underbust',
      'underbust-to-waist',
      'apex-to-top',
      'top-edge',
      'corset-top-front',
      'corset-top-side',
      'corset-top-back',
      ...(v.below > 0 ? ['tummy-front', 'hip', 'waist-to-hip', 'hip-front'] : []),
      ...heldWants(v).helps,
    ],
  }),
  leaves: (c, v) => ({
    ...heldLeaves(c, v),
    ...left(
      isRead(c, 'bust-to-waist'),
      ['neck-to-bust', ...(strapsByLength(c, v) ? [] : ['neck-to-waist-front'])],
      'Bust point to waist was read itself: the lengths from the neck are held against it.',
    ),
    ...left(isRead(c, 'underbust-to-waist'), ['bust-to-underbust'], 'Under bust to waist was read.'),
    ...left(
      isKnown(c, 'corset-top-front'),
      ['apex-to-top'],
      'The upper edge was read from the waist, in front.',
    ),
    ...left(
      isKnown(c, 'corset-top-side'),
      ['underarm-to-waist'],
      'The upper edge was read at the side: held against it.',
    ),
  }),
  lines: (v, c) => bonedLines(v, c),
  draft: draftBoned,
  figures: (_, __, d) => [
    ...d.plan.figures,
    ...d.bones.map((b) => b.figure),
    d.stay,
    ...(d.gap ? [d.gap] : []),
    ...d.held.figures,
    ...d.measured,
  ],
  checks: bonedChecks,
  picture: bonedPicture,
  cutting: (c, v, d) => ({
    pieces: pieces(c, d.panels, 'bodice'),
    notions: [
      ...d.bones.map((b) => ({
        name: `bones, ${b.seam}`,
        is: 'bone' as const,
        length: b.figure.marked,
        count: b.count,
        note: `${b.count} of this length, ends tipped`,
      })),
      {
        name: 'bone channels',
        length: cm(d.bones.reduce((sum, b) => sum + b.count * ((b.figure.marked ?? 0) + 3), 0)),
        note: `each ${p(3)} longer than its bone`,
      },
      { name: 'waist stay', length: d.stay.marked, note: 'firm ribbon, with hooks' },
      ...(c.closes === 'lacing'
        ? [
            {
              name: 'lacing cord',
              length: cm(Math.max(2, (d.plan.marked?.back ?? 20) * 8)),
              note: 'eight times the opening; eyelets on both edges',
            },
          ]
        : []),
      ...(c.closes === 'loops'
        ? [{ name: 'buttons in loops', length: null, note: 'along the opening' }]
        : []),
      ...threadAndNeedle(c),
    ],
    allowances: allowanceList(c, [
      ['seams', 'side'],
      ['upper edge', 'neck'],
      c.below ? ['waist seam', 'waist'] : ['lower edge', 'neck'],
      c.opens === 'centre-back' && ['centre back', 'zip'],
    ]),
    cautions: [PINS, BONES, ...(v.reduction > 0 || readFirm(c.measured) ? [TIGHT] : [])],
  }),
});

/** The upper edge over the bust point beside the cup line's rule. */
function cupChecks(c: PartContext, d: BonedDraft): RawCheck[] {
  const of = (id: string) => d.plan.figures.find((f) => f.id === c.id(id))?.marked ?? null;
  const [rule, top, bust] = [of('cup-upper'), of('top-front'), of('bust-height')];
  if (rule === null || top === null || bust === null) return [];
  const off = cm(top - bust - rule);
  return [
    judge(
      off <= CUP_MAY_DIFFER,
      c.id('cup'),
      c.id('cup-upper'),
      `The upper edge lies ${p(cm(top - bust))} above the bust point, the cup line’s rule gives ${p(rule)}: ${off > CUP_MAY_DIFFER ? 'so much longer it stands off above the bust; take it in over the bust point at the toile, or lower the edge' : 'it lies close over the bust'}.`,
    ),
  ];
}

function bonedChecks(c: PartContext, v: BonedValues, d: BonedDraft): RawCheck[] {
  const found: RawCheck[] = [];
  for (const f of d.plan.figures)
    if (f.finished === null)
      found.push(
        missing(
          `absent-${f.id}`,
          f.id,
          `${f.name} was not measured, and nothing it could be taken from: measure it or set it by hand.`,
        ),
      );
  found.push(...cupChecks(c, d));
  if (v.below > 0 && c.below)
    found.push(
      warn(
        c.id('below-joined'),
        'waist',
        `A skirt joins at the waist: the bodice does not go on ${p(v.below)} below it as briefed. Set 0 in the brief, or remove the skirt.`,
      ),
    );
  const waist = c.measured.get('waist')?.net ?? null;
  const firm = readFirm(c.measured);
  if (v.reduction > 0 && firm)
    found.push(
      warn(
        c.id('reduced-twice'),
        'waist',
        `The waist was read with a firm tape: that already holds a reduction, and the ${p(v.reduction)} of the brief were not taken off again. Read it snug, or brief no reduction.`,
      ),
    );
  else if (v.reduction > 0 && waist !== null) {
    const part = v.reduction / waist;
    const percent = `${(part * 100).toFixed(1)} %`;
    const much = v.reduction > WARN.cm || part > WARN.part;
    found.push(
      judge(
        !much,
        part > ACCEPT ? c.id('reduction-by-name') : c.id('reduction'),
        'waist',
        `The waist of ${p(waist)} is drawn in by ${p(v.reduction)}, ${percent}${
          part > ACCEPT
            ? ': more than a tenth. It is cut only when somebody named has agreed to it with the client, and has said why'
            : much
              ? ': more than is usual; tighten in steps, and try sitting, breathing and eating in the toile'
              : ', within what is usual'
        }.`,
      ),
    );
  }
  if (!d.shaped) {
    if (d.plan.marked && c.line('bust')?.front && c.line('underbust')?.front && c.line('waist')?.front) {
      const m = d.plan.marked;
      found.push(
        warn(
          c.id('heights'),
          c.id('top-front'),
          `These heights above the waist make no bodice: upper edge ${p(m.front)}, bust ${p(m.bust)}, under bust ${p(m.underbust)}, side ${p(m.side)}, back ${p(m.back)}. Read them again.`,
        ),
      );
    }
    return found;
  }
  const back = (['back-centre', 'back-side'] as const).reduce(
    (sum, id) => sum + edgeLength(d.shaped![id], 'top'),
    0,
  );
  found.push(...heldChecks(c, v, d.held, cm(back)));
  const m = d.plan.marked!;
  const underarm = c.measured.get('underarm-to-waist')?.net ?? null;
  // The side height is read from below the armpit: an edge as high as it leaves the arm free already.
  const free = underarm !== null && m.side <= underarm + TOLERANCE.detail + 1e-9;
  if (underarm !== null)
    found.push(
      judge(
        free,
        c.id('underarm'),
        c.id('top-side'),
        `The side is ${p(m.side)} high, the side height, read ${p(2.5)} below the armpit, ${p(underarm)}: ${free ? 'the arm hangs free of the edge' : 'the edge would cut under the arm, lower it'}.`,
      ),
    );
  for (const s of d.seams) {
    const off = cm(Math.abs(s.a - s.b));
    found.push(
      judge(
        off <= MOST_EASED + 1e-9,
        c.id(`seams-${s.figure}`),
        c.id(s.figure),
        `${s.name[0]!.toUpperCase()}${s.name.slice(1)}: ${p(s.a)} and ${p(s.b)}${off <= TOLERANCE.detail ? ', equal within what is trued' : off <= MOST_EASED ? `; ${p(off)} is eased over the fullest place` : `; ${p(off)} apart, true them`}.`,
      ),
    );
  }
  if (m.below > 0) {
    const tummy = c.measured.get('tummy')?.net ?? null;
    if (tummy === null)
      found.push(
        warn(
          c.id('tummy'),
          c.id('below'),
          'It goes on below the waist, and the tummy was not measured: an edge that cuts in there is the worst fault. Read it.',
        ),
      );
  }
  return found;
}

function bonedPicture(c: PartContext, v: BonedValues, d: BonedDraft): Picture {
  if (!d.shaped) return NO_PICTURE;
  const { shaped } = d;
  const view = (face: 'front' | 'back'): View => {
    const out = emptyView();
    const [inner, outer] =
      face === 'front'
        ? [shaped['front-centre'], shaped['front-side']]
        : [shaped['back-centre'], shaped['back-side']];
    const at = (q: typeof inner, id: string) => q.lines.find((l) => l.id === id)?.y ?? 0;
    const widthOf = (q: typeof inner, y: number, e: string) => {
      const path = asWorn(q, 0)(e);
      const waist = at(q, 'waist');
      const near = path
        .flatMap((s) => [startOf(s), endOf(s)])
        .reduce((a, b) => (Math.abs(b[1] - (y - waist)) < Math.abs(a[1] - (y - waist)) ? b : a));
      return near[0];
    };
    // The outer panel is laid beside the inner one where both meet at the bust line.
    const dx = widthOf(inner, at(inner, 'bust'), 'outer') - widthOf(outer, at(outer, 'bust'), 'inner');
    const innerPath = asWorn(inner, 0);
    const outerPath = asWorn(outer, dx);
    const seam = innerPath('outer');
    const quarter = (z: 'bust' | 'underbust' | 'waist') => c.line(z)![face]!.rounded;
    const plan = d.plan.marked!;
    const edge = startOf(outerPath('side')[0]!);
    // Worn, the seams are closed: the side lies where the quarters end.
    const side = seamThrough(
      [
        [quarter('bust') - 0.5, -plan.side] as Point,
        [quarter('bust'), -plan.bust] as Point,
        [quarter('underbust'), -plan.underbust] as Point,
        [quarter('waist'), 0] as Point,
        ...(plan.below > 0 ? [[Math.max(quarter('waist'), edge[0]), plan.below] as Point] : []),
      ]
        // A side that ends at the bust line or below it begins there.
        .filter(([, y], i, all) => i === 0 || y > all[0]![1] + 0.3),
    );
    const top: Point = startOf(innerPath('top')[0]!);
    const topEdge = [innerPath('top'), outerPath('top')];
    const join = endOf(topEdge[0]!.at(-1)!);
    const sideTop = startOf(side[0]!);
    const upper = `M${n(top[0])} ${n(top[1])} ${pathData(topEdge[0]!).replace(/^M\S+ \S+ /, '')} Q${n((join[0] + sideTop[0]) / 2)} ${n(join[1] * 0.96)} ${n(sideTop[0])} ${n(sideTop[1])}`;
    const flip = (data: string) =>
      data.replace(/(-?[\d.]+) (-?[\d.]+)/g, (_, x: string, y: string) => `${n(-Number(x))} ${y}`);
    const foot = endOf(side.at(-1)!);
    for (const f of [(x: string) => x, flip]) {
      out.strokes.push(
        { kind: 'outline', figure: c.id('edge-round'), d: f(upper) },
        { kind: 'outline', figure: null, d: f(pathData(side)) },
        { kind: 'seam', figure: c.id(face === 'front' ? 'bone-front' : 'bone-back'), d: f(pathData(seam)) },
        {
          kind: 'level',
          figure: null,
          d: f(pathData(seam.map((s) => s.map(([x, y]) => [x + 0.5, y] as Point) as unknown as typeof s))),
        },
      );
    }
    out.strokes.push({
      kind: 'outline',
      figure: c.below ? 'waist' : null,
      d: `M${n(-foot[0])} ${n(foot[1])} L${n(foot[0])} ${n(foot[1])}`,
    });
    out.strokes.push(...strapStrokes(c, v, d.held, face, join));
    if (face === 'front')
      out.strokes.push({ kind: 'level', figure: null, d: `M0 ${n(top[1])} L0 ${n(foot[1])}` });
    else if (c.opens === 'centre-back') {
      out.strokes.push({ kind: 'seam', figure: null, d: `M0 ${n(top[1])} L0 ${n(foot[1])}` });
      if (c.closes === 'lacing')
        for (let y = top[1] + 1; y < foot[1] - 2; y += 3)
          out.strokes.push({
            kind: 'seam',
            figure: d.gap?.id ?? 'zip',
            d: `M-1.6 ${n(y)} L1.6 ${n(y + 2.4)} M1.6 ${n(y)} L-1.6 ${n(y + 2.4)}`,
          });
    }
    const heights = {
      bust: -(d.plan.marked?.bust ?? 0),
      underbust: -(d.plan.marked?.underbust ?? 0),
      waist: 0,
    };
    for (const z of ['bust', 'underbust', 'waist'] as const) {
      const half = c.line(z)![face]!.rounded;
      out.strokes.push(levelStroke(z, half, heights[z]));
      if (face === 'front') point(out, c.line(z)?.figure, [-half, heights[z]]);
    }
    const figure = (id: string) =>
      [
        ...d.plan.figures,
        ...d.bones.map((b) => b.figure),
        d.stay,
        ...d.measured,
        ...(d.gap ? [d.gap] : []),
      ].find((f) => f.id === c.id(id));
    if (face === 'front') {
      point(out, figure('top-front'), join);
      point(out, figure('bone-front'), [endOf(seam[0]!)[0], heights.bust * 0.4]);
      point(out, figure('apex'), [d.plan.marked!.apex, heights.bust]);
      point(out, figure('edge-round'), [0, top[1]]);
      point(out, d.held.figures[0], [join[0], join[1] - 6]);
    } else {
      point(out, figure('top-back'), top);
      point(out, figure('top-side'), sideTop);
      point(out, figure('bone-back'), [endOf(seam[0]!)[0], heights.bust * 0.4]);
      point(out, figure('gap'), [0, heights.bust * 0.5]);
      point(out, figure('stay'), [-c.line('waist')!.back!.rounded, 0]);
    }
    return out;
  };
  return pictureOf(view('front'), view('back'));
}
