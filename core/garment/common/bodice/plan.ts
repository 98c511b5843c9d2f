import { term } from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import type { PartContext } from '../../part.ts';
import { easeFor } from '../../tables/fit.ts';
import { armholeByBust, NECK_ABOVE_NAPE, type NeckShape } from '../neck-and-armhole.ts';
import { type NeckWide, neckOpening } from '../neck-wide.ts';
import { type Plan, SPAN_OF_BUST } from './quarter-plan.ts';
import { type Source, type Sources, sourcesOf, total, withEase, withMore } from './sources.ts';
import { underBustEnd } from './under-bust.ts';

/** A bodice's heights and widths before it is drafted, as marked. Lengths cm; figures may be absent. */
export interface BodicePlan {
  readonly figures: readonly Figure[];
  /** all marked; null while something needed is absent */
  readonly marked: {
    readonly neckHalf: Cm;
    readonly shoulder: Cm;
    /** the back's, with what is eased in over the shoulder blade */
    readonly shoulderBack: Cm;
    /** how far each side of the neckline lies beyond the neck, along the shoulder */
    readonly widen: Cm;
    readonly slope: number;
    readonly acrossFront: Cm;
    readonly acrossBack: Cm;
    readonly armhole: Cm;
    readonly bustLevel: Cm;
    /** where it ends below, in front and behind: at the waist, or under the bust */
    readonly waistFront: Cm;
    readonly waistBack: Cm;
    /** how far above the waist that is */
    readonly up: Cm;
    readonly apex: Cm;
    readonly neckFront: Cm;
    readonly neckBack: Cm;
    /** where the plan by heights opens its front seam under the bust; null by the others */
    readonly underBust: Cm | null;
    /** lengths from the side-neck before they were rounded, cm: a bust dart moves by four degrees a centimetre */
    readonly exact: { readonly front: Cm; readonly back: Cm; readonly neckToBust: Cm };
  } | null;
}

/** The back's shoulder is so much longer than the front's and eased to it over the shoulder blade, cm (common practice: at most 0.7). */
const SHOULDER_EASE = cm(0.5);

/** A bodice's heights and widths, all marked, cm. */
export type Marked = NonNullable<BodicePlan['marked']>;

/** What a brief says of a neckline: depths from the side-neck, each side widened, cm. */
export interface Neck extends NeckWide {
  readonly neckline: NeckShape;
  readonly neckFront: Cm;
  readonly neckBack: Cm;
  readonly plan: Plan;
}

/** Neck, shoulder and the widths across, halves, cm. */
function widthFigures(c: PartContext, v: Neck, s: Sources) {
  const { net, ease, make, read, half, guess, heights, quarter, plan, byHeights } = s;
  const neckHalfRead = net('neck-width') === null ? null : net('neck-width')! / 2;
  const neckHalf = make(
    'neck-half',
    'neck width, half',
    half('neck-width') ??
      (quarter
        ? plan(quarter.neck, quarter.neckSays)
        : heights && !c.shape.neckByGirth
          ? byHeights(heights.neck, 'From the centre')
          : guess(c.shape.neckWidth / 2, c.shape.neckSays)),
  );
  const across = quarter ? (quarter.half === null ? null : 2 * quarter.half) : c.shape.across;
  const halfNeck = neckHalfRead ?? (heights && !c.shape.neckByGirth ? heights.neck : c.shape.neckWidth / 2);
  const opening = neckOpening(c, v, { neckHalf, slope: quarter?.slope ?? c.shape.slope }, (id, name, terms) =>
    make(id, name, { terms }),
  );
  const shoulderLength =
    read('shoulder') ??
    (quarter
      ? plan(quarter.shoulder, 'From the neck to half across shoulder, its end dropped')
      : guess(
          across === null ? null : (across / 2 - halfNeck) / Math.cos((c.shape.slope * Math.PI) / 180),
          'Not measured: from across shoulder, less the neck width, along the slope.',
        ));
  const shoulder = make(
    'shoulder',
    'shoulder seam',
    withMore(
      shoulderLength,
      opening.widen === 0
        ? []
        : [
            term(
              'style',
              'neckline widened',
              cm(-opening.widen),
              opening.figures.length > 0 ? 'To the width of the neckline, along the slope.' : 'As briefed.',
            ),
          ],
    ),
  );
  const shoulderBack =
    quarter || shoulder.finished === null
      ? null
      : make(
          'shoulder-back',
          'shoulder seam, back, with its ease',
          {
            terms: [
              term('body', 'shoulder seam', shoulder.finished, 'As the front’s.'),
              term(
                'style',
                'eased in',
                SHOULDER_EASE,
                `Over the shoulder blade (common practice: at most ${p(cm(0.7))}).`,
              ),
            ],
          },
          {
            follows: (value) =>
              value >= shoulder.finished! - 1e-9 && value <= shoulder.finished! + 2
                ? null
                : `The back’s shoulder is as long as the front’s (${p(shoulder.finished!)}), or up to ${p(2)} longer.`,
          },
        );
  const acrossBack = make(
    'across-back',
    'across back, half',
    withEase(half('across-back'), ease('across-back')) ??
      guess(
        across === null ? null : across / 2 - 1,
        `Not measured: half across shoulder less ${p(1)} (common practice).`,
      ),
  );
  const acrossFront = make(
    'across-front',
    'across front, half',
    withEase(half('across-front'), ease('across-back')) ??
      guess(
        net('across-back') !== null ? net('across-back')! / 2 - 1 : across === null ? null : across / 2 - 2,
        `Not measured: from the back, ${p(1)} narrower (common practice).`,
      ),
  );
  return { neckHalf, opening, shoulder, shoulderBack, acrossBack, acrossFront };
}

/** The levels of a bodice from the side-neck down, its bust point, and how deep its neckline is, cm. */
function heightFigures(c: PartContext, v: Neck, s: Sources) {
  const { net, ease, positive, make, read, half, guess, heights, quarter, plan, byHeights, lower } = s;
  const { input } = c;
  const bust = net('bust');
  const nape = net('nape-to-waist');
  const [backRead, sideHeight] = [
    net('neck-to-waist-back') ?? (nape === null ? null : nape + NECK_ABOVE_NAPE),
    net('underarm-to-waist'),
  ];
  /** The side height is read to where a fitted underarm lies; a looser garment's lies lower. */
  const bySide = (): Source | null => {
    if (quarter || backRead === null || sideHeight === null || backRead - sideHeight < 10) return null;
    const { ease: amount, because } = easeFor(
      'armhole-depth',
      input.brief.fit,
      input.brief.school,
      c.hang,
      input.house.ease,
    );
    const { own: _, ...house } = input.house.ease;
    const fitted = easeFor('armhole-depth', 'fitted', input.brief.school, c.hang, house).ease;
    return {
      terms: [
        term('body', 'side-neck to waist, back', backRead, 'As read.'),
        term(
          'body',
          'less the side height',
          -sideHeight,
          `The side height is read from where a fitted underarm lies, ${p(2.5)} below the armpit.`,
        ),
        term('wearing', 'lower than a fitted one', amount - fitted, because),
      ],
    };
  };
  const armhole = make(
    'armhole-depth',
    'armhole depth',
    bySide() ??
      read('armhole-depth', ease('armhole-depth')) ??
      withMore(
        guess(
          bust === null ? null : armholeByBust(bust),
          'Not measured: by the bust (a handbook’s table, from memory).',
        ),
        [ease('armhole-depth')],
      ),
    { group: 'level' },
  );
  const bustLevel = make('bust-level', 'bust level', read('neck-to-bust'), { group: 'level' });
  const front = read('neck-to-waist-front', ...lower('neck-to-waist'));
  const back =
    read('neck-to-waist-back', ...lower('neck-to-waist')) ??
    withMore(
      guess(
        nape === null ? null : nape + NECK_ABOVE_NAPE,
        `Not measured: nape to waist and ${p(2)} up to the side-neck (common practice).`,
      ),
      lower('neck-to-waist'),
    );
  const waistBack = make(
    'waist-back',
    'waist level, back',
    quarter && front ? plan(total(front.terms), 'Traced from the front') : back,
    { group: 'level' },
  );
  const waistFront = make(
    'waist-front',
    'waist level, front',
    front ?? (quarter ? plan(waistBack.finished, 'As the back: the plan squares its lines across') : null),
    { group: 'level' },
  );
  const widest = c.line('bust')?.front?.rounded ?? null;
  const centre = heights && byHeights(heights.apex, 'Half of the centre panel, whose width goes by the bust');
  const underBust = heights
    ? make(
        'underbust-level',
        'under bust level',
        read('neck-to-underbust') ??
          guess(
            bustLevel.finished === null ? null : bustLevel.finished + heights.underBust,
            'Not measured: so far under the bust line (common practice).',
          ),
        { group: 'level' },
      )
    : null;
  const span =
    half('apex-span') ??
    (quarter && bust !== null
      ? guess(SPAN_OF_BUST * bust, 'Not measured: half of the span, a tenth of the bust (common practice).')
      : null);
  const apex = make('apex', 'bust point, half span', heights ? centre : span, {
    follows: (value) =>
      value <= 0
        ? positive(value)
        : widest === null || value < widest - 1
          ? null
          : `The front is ${p(widest)} wide at the bust: its bust point lies on it.`,
  });
  const neckFront = make(
    'neck-front',
    'neckline depth, front',
    read('neck-depth-front') ?? { terms: [term('style', 'from the brief', v.neckFront, 'As briefed.')] },
  );
  const neckBack = make(
    'neck-back',
    'neckline depth, back',
    read('neck-depth-back') ?? { terms: [term('style', 'from the brief', v.neckBack, 'As briefed.')] },
  );
  return { armhole, bustLevel, waistBack, waistFront, underBust, apex, neckFront, neckBack };
}

/** Heights and widths of a bodice as marked, cm, each with its terms, by the plan the part goes by. */
export function planBodice(c: PartContext, v: Neck): BodicePlan {
  const sources = sourcesOf(c, v.plan);
  const { quarter } = sources;
  const { neckHalf, opening, shoulder, shoulderBack, acrossBack, acrossFront } = widthFigures(c, v, sources);
  const { armhole, bustLevel, waistBack, waistFront, underBust, apex, neckFront, neckBack } = heightFigures(
    c,
    v,
    sources,
  );
  const under =
    c.joint === 'underbust' ? underBustEnd(c, sources, { bustLevel, waistFront, waistBack }) : null;
  const figures = [
    bustLevel,
    ...(underBust ? [underBust] : []),
    armhole,
    waistFront,
    waistBack,
    ...(under ? [under.front, under.up, under.back] : []),
    neckHalf,
    ...opening.figures,
    shoulder,
    ...(shoulderBack ? [shoulderBack] : []),
    acrossFront,
    acrossBack,
    apex,
    neckFront,
    neckBack,
  ];
  if (figures.some((f) => f.marked === null)) return { figures, marked: null };
  return {
    figures,
    marked: {
      neckHalf: neckHalf.marked!,
      shoulder: shoulder.marked!,
      shoulderBack: cm(Math.max(shoulder.marked!, shoulderBack?.marked ?? 0)),
      widen: opening.widen,
      slope: quarter?.slope ?? c.shape.slope,
      acrossFront: acrossFront.marked!,
      acrossBack: acrossBack.marked!,
      armhole: armhole.marked!,
      bustLevel: bustLevel.marked!,
      waistFront: (under?.front ?? waistFront).marked!,
      waistBack: (under?.back ?? waistBack).marked!,
      apex: apex.marked!,
      neckFront: neckFront.marked!,
      neckBack: neckBack.marked!,
      underBust: underBust?.marked ?? null,
      up: under?.up.marked ?? cm(0),
      exact: {
        front: (under?.front ?? waistFront).finished!,
        back: (under?.back ?? waistBack).finished!,
        neckToBust: bustLevel.finished!,
      },
    },
  };
}
