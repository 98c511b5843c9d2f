import { bodyTerms, buildFigure, TOLERANCE, term } from '../../../figure/build.ts';
import type { Figure, Term } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { roundLength } from '../../../units/rounding.ts';
import { armholeOf } from '../../common/armhole-sewn.ts';
import { type CapLengths, type CapWidths, heightFor, widthsAt } from '../../common/cap.ts';
import { capEase, type Meeting } from '../../meeting.ts';
import type { PartContext } from '../../part.ts';
import { type EaseZone, easeFor } from '../../tables/fit.ts';
import { type Arm, armOf } from './arm.ts';
import type { SleeveValues } from './fields.ts';
import { armLength, shoulderTerm, toShoulder } from './shoulder.ts';

/** An elastic on an arm is so much shorter than the arm there, cm (common practice). */
export const ELASTIC_SHORTER = 2;
/** What an end gets that the closed hand would not pass otherwise. */
export const PASSES = 'to pass the closed hand';

/** What the back seam is longer than the front, taken up at the elbow, cm (common practice). */
const ELBOW_DART = 2;
const OVERLAP = { buttons: 2, loops: 0, none: 0 } as const;
/** The front half of a cap holds this part of its ease, the back, where the arm bends, the rest (common practice: 0.4 to 0.5). */
const FRONT_EASE = 0.45;
/** A puff stands up by this part of the fullness spread into it (common practice). */
const RAISED = 0.25;

/** A sleeve before it is drafted, as marked. Lengths cm. */
export interface SleevePlan {
  readonly arm: Arm;
  readonly figures: readonly Figure[];
  readonly meeting: Meeting;
  /** sewn length of the armhole it joins, front and back; null while the part that gives it is not drafted */
  readonly armhole: CapLengths | null;
  /** the arm is too wide for this armhole at any height of cap */
  readonly tooWide: boolean;
  readonly marked: {
    readonly widths: CapWidths;
    readonly cap: number;
    readonly raise: number;
    readonly fullness: number;
    readonly length: number;
    readonly end: number;
    readonly flare: number;
    readonly elbow: { readonly at: number; readonly girth: number; readonly dart: number } | null;
    readonly cuff: { readonly length: number; readonly depth: number } | null;
    readonly elastic: number | null;
    /** an elastic above the end: how far down it lies, and how long it is */
    readonly frill: { readonly at: number; readonly length: number } | null;
    /** ends to be tried at the fitting, below the shoulder point */
    readonly tries: readonly { readonly name: string; readonly at: number }[];
  } | null;
}

/** What the figures of a sleeve are made with. */
function makingOf(c: PartContext) {
  const { input, measured } = c;
  const net = (id: string) => measured.get(id)?.net ?? null;
  const ease = (zone: EaseZone): Term => {
    const { brief, house } = input;
    const { ease: amount, because } = easeFor(zone, brief.fit, brief.school, c.hang, house.ease);
    return term('wearing', 'wearing ease', amount, because);
  };
  const figures: Figure[] = [];
  const make = (
    id: string,
    name: string,
    terms: readonly Term[] | null,
    more: Partial<Parameters<typeof buildFigure>[1]> = {},
  ): Figure => {
    const f = buildFigure(c, {
      id: c.id(id),
      section: c.key,
      name,
      group: 'length',
      tolerance: TOLERANCE.length,
      nearest: true,
      terms: terms ?? [],
      known: terms !== null,
      follows: (value) => (value > 0 ? null : 'Enter a length over 0.'),
      why: terms === null ? ['Not measured: measure it, or set the figure by hand with a reason.'] : [],
      ...more,
    });
    figures.push(f);
    return f;
  };
  const bodyOf = (id: string): Term[] | null => {
    const m = measured.get(id);
    return m?.net == null ? null : bodyTerms(m);
  };
  return { net, ease, make, bodyOf, figures };
}
type Making = ReturnType<typeof makingOf>;

/** How wide the sleeve is at the upper arm and how high its cap: each hangs on the other by the armhole they meet. */
function capFigures(c: PartContext, v: SleeveValues, { net, ease, make, bodyOf }: Making) {
  const { input } = c;
  const armhole = armholeOf(c);
  const gathered = v.head === 'gathered';
  const eased = capEase(input.brief.cloth.stretch);
  const target = gathered || eased.kind !== 'eased' ? 0 : (eased.least + eased.most) / 2;
  const whole = armhole ? armhole.front + armhole.back : null;
  const lengths = armhole && {
    front: armhole.front + target * FRONT_EASE,
    back: armhole.back + target * (1 - FRONT_EASE),
  };

  // Cap and width hang on each other: the armhole tells how long the cap is, the arm how wide it must be at least.
  const share = v.cap === 'fitted' ? 3 : 4;
  const byHand = (id: string) =>
    c
      .overridesOf(c.id(id))
      .filter((o) => o.target === 'finished' && o.value > 0)
      .at(-1)?.value ?? null;
  const rule = byHand('cap-height') ?? (whole === null ? null : whole / share);
  const atRule = rule !== null && lengths ? widthsAt(rule, lengths) : null;
  const girth = net('upper-arm');
  const wearing = ease('upper-arm');
  // A sleeve worn over another one goes over that.
  const beneath = girth === null || v.over === null ? 0 : Math.max(0, v.over - girth);
  const wanted = girth === null ? null : girth + beneath + wearing.cm;
  const fromCap = atRule ? atRule.front + atRule.back : null;
  const extra = wanted === null || fromCap === null ? 0 : Math.max(0, fromCap - wanted);
  const handSet = byHand('cap-height') !== null && fromCap !== null && wanted !== null;
  const upper = make(
    'upper-arm',
    'upper arm',
    girth === null || whole === null
      ? null
      : [
          ...bodyOf('upper-arm')!,
          ...(beneath > 0
            ? [
                term(
                  'layers',
                  'sleeve beneath',
                  beneath,
                  `The sleeve beneath is ${p(v.over!)} round, finished: this one goes over it.`,
                ),
              ]
            : []),
          wearing,
          ...(extra > 0 || (handSet && fromCap < wanted)
            ? [
                term(
                  'style',
                  'for the cap',
                  handSet ? fromCap - wanted : extra,
                  `A cap ${p(cm(rule!))} high that meets the armhole is ${p(cm(fromCap!))} wide.`,
                ),
              ]
            : []),
        ],
    { group: 'girth', tolerance: TOLERANCE.girth, nearest: false },
  );
  const found =
    upper.marked === null || !lengths
      ? null
      : byHand('cap-height') === null
        ? heightFor(upper.marked, lengths)
        : { h: rule!, widths: atRule! };
  const tooWide = upper.marked !== null && lengths !== null && !found?.widths;
  const cap = make(
    'cap-height',
    'cap height',
    whole === null || !found?.widths || rule === null
      ? null
      : [
          term('body', 'armhole, sewn', whole, 'Measured on the panels of the bodice.'),
          term('share', `a ${share === 3 ? 'third' : 'quarter'} of it`, whole / share - whole, 'As briefed.'),
          ...(Math.abs(found.h - whole / share) > 1e-9
            ? [
                term(
                  'take',
                  found.h < whole / share ? 'lower for the arm' : 'for the width as marked',
                  found.h - whole / share,
                  `At this width a cap this high meets the armhole${target > 0 ? ` with ${p(cm(target))} to ease in` : ''}.`,
                ),
              ]
            : []),
        ],
    { group: 'level' },
  );
  return { armhole, gathered, eased, upper, found, tooWide, cap };
}

/** How long it is, where the arm bends in it, and how wide it ends. */
function endFigures(
  c: PartContext,
  v: SleeveValues,
  arm: Arm,
  upper: Figure,
  { net, ease, make, bodyOf }: Making,
) {
  const long = v.goes === 'wrist';
  const given = long ? armLength(c) : bodyOf('sleeve-length');
  const length = make('length', 'sleeve length', given ?? (long ? null : wanted(c, v, v.length)), {
    read: given !== null,
  });

  const fits = v.shape === 'fitted';
  const reaches = length.finished;
  const bent =
    fits && reaches !== null && arm.elbowAt !== null && reaches > arm.elbowAt + 8 ? arm.elbowAt : null;
  const bodyEnd = reaches === null ? null : arm.girthAt(reaches);
  const endZone: EaseZone =
    reaches !== null && arm.length !== null && reaches > arm.length * 0.85
      ? 'wrist'
      : reaches !== null && arm.elbowAt !== null && reaches > arm.elbowAt - 3
        ? 'elbow'
        : 'upper-arm';
  const fist = net('fist');
  const endTerms = (): Term[] | null => {
    if (upper.marked === null) return null;
    if (v.endGirth !== null) return [term('style', 'wanted', v.endGirth, 'As briefed.')];
    if (!fits) return [term('body', 'upper arm, as marked', upper.marked, 'It falls straight from there.')];
    if (bodyEnd === null) return null;
    const read = long ? bodyOf('wrist') : null;
    const own = [
      ...(read ?? [term('body', 'the arm there', bodyEnd, 'Between the girths that were read.')]),
      ease(endZone),
    ];
    const made = own.reduce((n, t) => n + t.cm, 0);
    const passes = v.end === 'hem' && fist !== null && made < fist;
    return passes
      ? [...own, term('style', PASSES, fist - made, 'Without an opening the end must let the hand through.')]
      : own;
  };
  const flare = v.shape === 'flared' ? v.slashes * v.spread : 0;
  const end =
    v.shape === 'flared'
      ? null
      : make('end', 'end of the sleeve', endTerms(), {
          group: 'girth',
          tolerance: TOLERANCE.length,
          nearest: false,
        });
  return { long, length, bent, bodyEnd, endZone, fist, flare, end };
}
type Ends = ReturnType<typeof endFigures>;

/** The elbow of a fitted sleeve that goes past it: its girth, its level, and the dart for the bend of the arm. */
function elbowFigures(arm: Arm, bent: number | null, { ease, make, bodyOf }: Making) {
  const elbowGirth =
    bent === null
      ? null
      : make(
          'elbow',
          'elbow',
          (() => {
            const read = bodyOf('elbow');
            const at =
              read ??
              (arm.girthAt(bent) === null
                ? null
                : [term('body', 'the arm there', arm.girthAt(bent)!, 'Between the girths that were read.')]);
            return at && [...at, ease('elbow')];
          })(),
          { group: 'girth', estimated: bodyOf('elbow') === null, nearest: false },
        );
  const elbowLevel =
    bent === null
      ? null
      : make(
          'elbow-level',
          'elbow level',
          bodyOf('shoulder-to-elbow') ?? [
            term('body', 'of the arm', bent, '0.58 of its length (common practice).'),
          ],
          { group: 'level', estimated: !arm.elbowRead },
        );
  const dart =
    bent === null
      ? null
      : make(
          'elbow-dart-intake',
          'elbow dart, intake',
          [
            term(
              'take',
              'for the bend of the arm',
              ELBOW_DART,
              'The back seam is longer by it (common practice).',
            ),
          ],
          {
            group: 'dart',
            tolerance: TOLERANCE.detail,
            follows: (value) =>
              value > 0 && value <= 5 ? null : `An elbow dart must take over 0 and at most ${p(5)}.`,
          },
        );
  return { elbowGirth, elbowLevel, dart };
}

/** The cuff, where it has one: how long, and how wide it is cut. */
function cuffFigures(
  c: PartContext,
  v: SleeveValues,
  { long, bodyEnd, endZone, fist }: Ends,
  { ease, make, bodyOf }: Making,
) {
  const cuffed = v.end === 'cuff';
  const closes = OVERLAP[v.cuffCloses];
  const cuff = cuffed
    ? make(
        'cuff-length',
        'cuff, length',
        (() => {
          if (bodyEnd === null) return null;
          const read = long ? bodyOf('wrist') : null;
          const own = [
            ...(read ?? [term('body', 'the arm there', bodyEnd, 'Between the girths that were read.')]),
            ease(endZone),
          ];
          const round = own.reduce((n, t) => n + t.cm, 0);
          if (v.cuffCloses === 'none' && fist !== null && round < fist)
            own.push(term('style', PASSES, fist - round, 'It has no opening.'));
          if (closes > 0) own.push(term('add', 'overlap', closes, 'For the buttonholes.'));
          return own;
        })(),
        { group: 'band' },
      )
    : null;
  const depth = cuffed
    ? make(
        'cuff-cut-width',
        'cuff, cut width',
        [
          term('add', 'twice its depth', 2 * v.cuffDepth, 'It is folded.'),
          term('add', 'allowances', 2 * c.allowances.band, 'One on each long edge.'),
        ],
        { group: 'band', nearest: false },
      )
    : null;
  return { cuffed, cuff, depth };
}

/** The elastic above a frill: where it lies and how long it is by the arm there; null where there is none. */
function frillOf(
  v: SleeveValues,
  arm: Arm,
  length: number,
): { readonly at: number; readonly length: number } | null {
  const at = length - v.frill;
  const girth = v.end === 'frill' ? arm.girthAt(at) : null;
  return girth === null ? null : { at, length: girth - ELASTIC_SHORTER };
}

/** A length that the brief wants, from the shoulder point on; null while it hangs on a bodice that is not drafted. */
function wanted(c: PartContext, v: SleeveValues, length: Cm): readonly Term[] | null {
  const own = term('add', 'wanted', length, 'As briefed.');
  if (v.goes === 'wrist' || v.from === 'shoulder') return [own];
  const shoulder = toShoulder(c);
  return shoulder && [own, shoulderTerm(shoulder, v.from)];
}

/** Lengths to be tried at the fitting, each marked on the sleeve. */
const toTry = (c: PartContext, v: SleeveValues, { make }: Making): Figure[] =>
  [v.alsoTry, v.alsoTry2].flatMap((length, i) =>
    length === null ? [] : [make(`try-${i + 1}`, 'sleeve length, to try', wanted(c, v, length))],
  );

/** A sleeve as marked, cm, each figure with its terms: cap, widths at the arm’s levels, length and end. */
export function planSleeve(c: PartContext, v: SleeveValues): SleevePlan {
  const arm = armOf(c);
  const making = makingOf(c);
  const { figures } = making;
  const { armhole, gathered, eased, upper, found, tooWide, cap } = capFigures(c, v, making);
  const ends = endFigures(c, v, arm, upper, making);
  const tries = toTry(c, v, making);
  const { length, bent, bodyEnd, flare, end } = ends;
  const { elbowGirth, elbowLevel, dart } = elbowFigures(arm, bent, making);
  const { cuffed, cuff, depth } = cuffFigures(c, v, ends, making);

  const [h, l] = [cap.marked, length.marked];
  const fullness = gathered ? roundLength(v.fullness, { ...c.rounding, mode: 'nearest' }) : 0;
  const complete =
    found?.widths &&
    upper.marked !== null &&
    h !== null &&
    l !== null &&
    l > h + 2 &&
    (v.shape === 'flared' || end?.marked != null) &&
    (bent === null ||
      (elbowGirth?.marked != null &&
        elbowLevel?.marked != null &&
        elbowLevel.marked > h + 2 &&
        l > elbowLevel.marked + 2)) &&
    (!cuffed || cuff?.marked != null);
  const ratio = found?.widths ? (upper.marked ?? 0) / (found.widths.front + found.widths.back) : 1;
  return {
    arm,
    figures,
    armhole,
    tooWide,
    meeting: eased,
    marked: complete
      ? {
          widths: { front: found.widths.front * ratio, back: found.widths.back * ratio },
          cap: h,
          raise: fullness * RAISED,
          fullness,
          length: l,
          end: end?.marked ?? upper.marked!,
          flare,
          elbow:
            bent === null
              ? null
              : { at: elbowLevel!.marked!, girth: elbowGirth!.marked!, dart: dart!.marked ?? 0 },
          cuff: cuffed ? { length: cuff!.marked!, depth: depth!.marked! } : null,
          elastic: v.end === 'elastic' && bodyEnd !== null ? bodyEnd - ELASTIC_SHORTER : null,
          frill: frillOf(v, arm, l),
          tries: tries.flatMap((f) =>
            f.marked === null ? [] : [{ name: `end to try, ${p(f.marked)}`, at: f.marked }],
          ),
        }
      : null,
  };
}
