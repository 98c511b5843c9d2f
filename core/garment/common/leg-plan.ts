import { share, TOLERANCE, term } from '../../figure/build.ts';
import type { Figure, Term } from '../../figure/figure.ts';
import { type Cm, cm } from '../../units/length.ts';
import { say } from '../../units/print.ts';
import type { Fields } from '../fields.ts';
import { isKnown, type Leaves, left, type ReadAt } from '../leaves.ts';
import type { PartContext } from '../part.ts';
import { easeOf } from './ease-of.ts';
import { figuresOf } from './figures-of.ts';
import { aboveFloor } from './length-wanted.ts';

/** Crotch extensions as parts of the marked hip (common practice). */
const EXTENDS = { front: 16, back: 8 } as const;
/** How much higher the back lies at its centre, for sitting, cm (common practice: 2 to 3). */
export const BACK_RISE = 2.5;
/** A straight leg's hem where none is briefed, cm (house figure, no source). */
const USUAL_HEM = 42;
/** A leg is this much wider at the knee than at its hem where nothing is briefed, cm (common practice). */
const KNEE_MORE = 2;
/** The knee lies this far above the middle of the inside leg (common practice). */
const KNEE_ABOVE_MIDDLE = 5;
/** The front of a leg is narrower than half by this, the back wider, cm (common practice). */
export const FRONT_LESS = 1;
/** About so far below the crotch lies the knee, cm (common practice). */
const TO_KNEE = 32;
/** A leg wanted so long from the crotch goes past the knee, whoever wears it, cm (common practice). */
const PAST_KNEE = 50;
/** Short legs narrow by this from the thigh to the hem where no hem is briefed, cm (common practice). */
const SHORT_TAPER = 2;

/** A rise that was not read, about: an eighth of the hip and this, cm (near published size tables, from memory). */
const RISE_BESIDE_HIP = 15.5;
/** A leg is at least this much wider than the thigh, cm (common practice). */
export const THIGH_ROOM = 4;

/** What a brief asks of a leg’s girths. */
export const LEG_FIELDS = {
  knee: {
    kind: 'length',
    label: 'Girth of a leg at the knee',
    hint: `leave empty for ${say(2)} wider than the hem`,
    min: 25,
    max: 120,
    default: null,
  },
  hem: {
    kind: 'length',
    label: 'Girth of a leg at its hem',
    hint: `leave empty for ${say(42)}, or straight down above the knee`,
    min: 20,
    max: 160,
    default: null,
  },
} as const satisfies Fields;

/** How far legs go besides by their inside: the choices, and the lengths that go with them. */
export const GOES_BY_SIDE = [
  ['side', 'a side length wanted'],
  ['clear', 'the floor up, in the shoes of the day'],
] as const;
export const SIDE_FIELDS = {
  side: {
    kind: 'length',
    label: 'Side length wanted',
    hint: 'from the waist down the side to the hem',
    min: 25,
    max: 125,
    default: '50 cm',
    when: { field: 'goes', is: ['side'] },
  },
  clear: {
    kind: 'length',
    label: 'Hem above the floor',
    min: 0,
    max: 90,
    default: '2 cm',
    when: { field: 'goes', is: ['clear'] },
  },
} as const satisfies Fields;

/** What a brief says about the legs. Lengths cm. */
interface LegValues {
  readonly goes: string;
  readonly inseam: Cm;
  /** from the waist down the side to the hem, where the leg goes to that */
  readonly side: Cm;
  /** how far the hem lies above the floor, where the leg goes to that */
  readonly clear: Cm;
  readonly knee: Cm | null;
  readonly hem: Cm | null;
}

/** What the legs hang from: the girth at the hip as it is marked, and what is added to the depth for what is worn. */
interface LegFrom {
  readonly girth: Cm | null;
  readonly name: string;
  readonly deeper?: readonly Term[];
  /** front and back each half of the thigh with its room, and a rise that was not read guessed from the hip */
  readonly byThigh?: boolean;
}

/** What a first draft showed: what the forks give towards the crotch length, and what the thigh still lacks, cm. */
export interface LegMore {
  readonly toward?: Readonly<Record<'front' | 'back', number>> | null;
  readonly lack?: number;
}

/** Legs before they are drafted, as marked. Lengths cm. */
export interface LegPlanned {
  readonly figures: readonly Figure[];
  readonly crotch: Cm | null;
  readonly extends: Readonly<Record<'front' | 'back', Cm>> | null;
  /** what the thigh wants, with its ease, cm; null where it was not read */
  readonly thigh: Cm | null;
  readonly inseam: Cm | null;
  /** null where the legs end above it */
  readonly knee: { readonly level: Cm; readonly front: Cm; readonly back: Cm } | null;
  readonly hem: Readonly<Record<'front' | 'back', Cm>> | null;
}

interface Girths {
  readonly hip: Cm | null;
  readonly hipName: string;
  /** as read, cm */
  readonly thigh: number | null;
}
/** How far front and back go on under the body, for the thigh and towards the crotch length. */
function extensionsOf(
  c: PartContext,
  { make }: ReturnType<typeof figuresOf>,
  { hip, hipName, thigh }: Girths,
  { toward, lack = 0 }: LegMore,
): { readonly front: Figure; readonly back: Figure; readonly wanted: number | null } {
  const bare = hip === null ? null : hip / 2 + hip / EXTENDS.front + hip / EXTENDS.back;
  const wanted = thigh === null ? null : thigh + easeOf(c, 'thigh').cm;
  const short = bare === null || wanted === null ? 0 : Math.max(0, wanted - bare) + lack;
  const forward = c.shape.forkForward;
  const extension = (face: 'front' | 'back') =>
    make(
      `crotch-${face}`,
      `crotch extension, ${face}`,
      hip === null
        ? null
        : [
            term(
              'body',
              `${hipName}, as marked ÷ ${EXTENDS[face]}`,
              hip / EXTENDS[face],
              'Common practice: a sixteenth in front, an eighth behind.',
            ),
            ...(forward === 0
              ? []
              : [
                  term(
                    (face === 'front') === forward > 0 ? 'add' : 'take',
                    'studio figure',
                    face === 'front' ? forward : -forward,
                    'What the studio gives the front more and the back less.',
                  ),
                ]),
            ...(short > 0
              ? [
                  term(
                    'add',
                    'for the thigh',
                    face === 'front' ? short / 3 : (2 * short) / 3,
                    'The thigh with its ease is more than the hip gives: a third goes to the front, the rest to the back.',
                  ),
                ]
              : []),
            ...(toward && toward[face] !== 0
              ? [
                  term(
                    toward[face] > 0 ? 'add' : 'take',
                    'towards the crotch length',
                    toward[face],
                    'The crotch seam is drafted towards what was read through the legs: a third of it in front, both forks together 0.175 to 0.205 of the body’s hip (a metric block has 0.19, from memory).',
                  ),
                ]
              : []),
          ],
      { tolerance: TOLERANCE.detail },
    );
  return { front: extension('front'), back: extension('back'), wanted };
}

/** How far front and back go on where each is half of the thigh with its room, cm. */
function halvesOfThigh(
  { make, bodyOf }: ReturnType<typeof figuresOf>,
  hip: Cm | null,
): { readonly front: Figure; readonly back: Figure; readonly wanted: number | null } {
  const thigh = bodyOf('thigh');
  const extension = (face: 'front' | 'back') =>
    make(
      `crotch-${face}`,
      `crotch extension, ${face}`,
      thigh === null || hip === null
        ? null
        : [
            ...thigh,
            term(
              'wearing',
              'room',
              THIGH_ROOM,
              'A leg is at least so much wider than the thigh (common practice).',
            ),
            term('share', 'half of it', -(sum(thigh) + THIGH_ROOM) / 2, 'Front and back alike.'),
            term('take', 'the quarter above', -hip / 4, 'As marked: the rest is the extension.'),
          ],
      { tolerance: TOLERANCE.detail },
    );
  return {
    front: extension('front'),
    back: extension('back'),
    wanted: thigh === null ? null : sum(thigh) + THIGH_ROOM,
  };
}
const sum = (terms: readonly Term[]) => terms.reduce((a, t) => a + t.cm, 0);

/** The rise, as read; of outside and inside leg; guessed from the hip where the plan allows it. */
function riseOf({ net, bodyOf }: ReturnType<typeof figuresOf>, guess: boolean): readonly Term[] | null {
  const [outseam, leg, hip] = [net('outseam'), net('inseam'), net('hip')];
  const read = bodyOf('rise');
  if (read) return read;
  if (outseam !== null && leg !== null)
    return [
      term('body', 'outside leg', outseam, 'Rise not measured: the outside leg less the inside leg.'),
      term('take', 'inside leg', -leg, 'From the crotch down.'),
    ];
  return guess && hip !== null
    ? [
        term(
          'body',
          'by the hip',
          hip / 8 + RISE_BESIDE_HIP,
          `Rise not measured: an eighth of the hip and ${say(RISE_BESIDE_HIP)} (near published size tables, from memory). Measure it sitting.`,
        ),
      ]
    : null;
}

/** A girth of a leg, shared by its front and its back, which is so much wider on each, cm. */
const halvesOf = (c: PartContext, f: Figure, apart: number): Figure =>
  f.finished === null
    ? f
    : {
        ...f,
        shares: (['front', 'back'] as const).map((face) =>
          share(c, face, 1, [
            term('share', 'half of the leg', f.finished! / 2, 'A leg has a front and a back.'),
            term(
              'share',
              face === 'front' ? 'front, narrower' : 'back, wider',
              face === 'front' ? -apart : apart,
              apart > FRONT_LESS
                ? 'Near the thigh the back is wider, as its extension is longer than the front’s.'
                : 'The seams lie a little to the front (common practice).',
            ),
          ]),
        ),
      };

interface LegThere {
  /** crotch level and inside leg as marked, the hem as finished, and what the back is wider on each side, cm */
  readonly d: Cm;
  readonly l: Cm;
  readonly hem: Cm;
  readonly apart: number;
}
/** The knee of a leg that goes below it; null where it lies too near the crotch or the hem. */
function kneeOf(
  c: PartContext,
  v: LegValues,
  { figures, bodyOf, make }: ReturnType<typeof figuresOf>,
  { d, l, hem, apart }: LegThere,
): LegPlanned['knee'] {
  const kneeRead = bodyOf('waist-to-knee');
  const level = make(
    'knee-level',
    'knee level',
    kneeRead ?? [
      term('body', 'crotch level', d, 'As marked.'),
      term('share', 'half of the inside leg', l / 2, 'As marked.'),
      term('take', 'the knee lies above the middle', -KNEE_ABOVE_MIDDLE, 'Common practice.'),
    ],
    { group: 'level', estimated: kneeRead === null, read: kneeRead !== null },
  );
  const girth = halvesOf(
    c,
    make(
      'knee',
      'knee of a leg',
      v.knee !== null
        ? [term('style', 'from the brief', v.knee, 'As briefed.')]
        : [
            term('body', 'hem of a leg', hem, 'As finished.'),
            term('add', 'wider at the knee', KNEE_MORE, 'Common practice.'),
          ],
      { group: 'girth', tolerance: TOLERANCE.length },
    ),
    apart,
  );
  figures[figures.length - 1] = girth;
  if (level.marked !== null && level.marked > d + 2 && level.marked < d + l - 2 && girth.shares.length > 0)
    return { level: level.marked, front: girth.shares[0]!.rounded, back: girth.shares[1]!.rounded };
  return null;
}

/**
 * Front and back leg as marked, cm, from the girth they pass: rise, crotch, forks, thigh, knee and hem, toward a
 * crotch length that was read where one was.
 */
export function planLegs(
  c: PartContext,
  v: LegValues,
  { girth: hip, name: hipName, deeper = [], byThigh = false }: LegFrom,
  { toward = null, lack = 0 }: LegMore = {},
): LegPlanned {
  const making = figuresOf(c);
  const { figures, net, bodyOf, make } = making;

  const long = v.goes === 'floor';
  const [rise, outseam, leg] = [net('rise'), net('outseam'), net('inseam')];
  const riseTerms = riseOf(making, byThigh);
  const depth = make(
    'crotch-depth',
    'crotch level',
    riseTerms && [...riseTerms, easeOf(c, 'rise'), ...deeper],
    {
      group: 'level',
      estimated: rise === null,
      settable: ['wearing', 'finished'],
    },
  );

  const thigh = net('thigh');
  const { front, back, wanted } = byThigh
    ? halvesOfThigh(making, hip)
    : extensionsOf(c, making, { hip, hipName, thigh }, { toward, lack });

  const seat = rise ?? (outseam !== null && leg !== null ? outseam - leg : null);
  const lower = depth.marked === null || seat === null ? 0 : depth.marked - seat;
  const legTerms =
    bodyOf('inseam') ??
    (outseam !== null && rise !== null
      ? [
          term('body', 'outside leg', outseam, 'Inside leg not measured: the outside leg less the rise.'),
          term('take', 'rise', -rise, 'From the waist to the seat.'),
        ]
      : null);
  const side =
    v.goes === 'side'
      ? [term('style', 'side length wanted', v.side, 'As briefed, from the waist.')]
      : v.goes === 'clear'
        ? aboveFloor(c, v.clear)
        : null;
  const inseam = make(
    'inseam',
    'inside leg',
    long
      ? legTerms && [
          ...legTerms,
          ...(lower === 0
            ? []
            : [
                term(
                  'take',
                  'the crotch lies lower',
                  -lower,
                  'By its ease, as marked: the hem stays where the leg ends.',
                ),
              ]),
        ]
      : v.goes === 'length'
        ? [term('style', 'wanted', v.inseam, 'As briefed.')]
        : side && depth.marked !== null
          ? [...side, term('take', 'crotch level', -depth.marked, 'As marked: the inside leg begins there.')]
          : null,
    { estimated: (long && leg === null) || (side !== null && riseTerms?.[0]?.label === 'by the hip') },
  );

  const [d, l] = [depth.marked, inseam.marked];
  const kneeAt =
    net('waist-to-knee') ??
    (d === null || l === null || (!long && l < PAST_KNEE) ? null : d + l / 2 - KNEE_ABOVE_MIDDLE);
  const below = kneeAt !== null && d !== null && l !== null && d + l > kneeAt + 3 && kneeAt > d + 3;
  // A short leg ends near its thigh, whose back is wider by its longer extension; towards the knee less and less of that.
  const apart = byThigh
    ? 0
    : below || front.marked === null || back.marked === null || l === null
      ? FRONT_LESS
      : Math.max(FRONT_LESS, ((back.marked - front.marked) / 2) * (1 - l / TO_KNEE));
  const halves = (f: Figure) => halvesOf(c, f, apart);
  const thighDrafted =
    front.marked === null || back.marked === null || hip === null
      ? null
      : hip / 2 + front.marked + back.marked;
  const hem = halves(
    make(
      'hem',
      'hem of a leg',
      v.hem !== null
        ? [term('style', 'from the brief', v.hem, 'As briefed.')]
        : below
          ? [term('style', 'studio figure', USUAL_HEM, 'A straight leg (studio figure).')]
          : thighDrafted === null
            ? null
            : [
                term('body', 'thigh, about', thighDrafted, 'Half of the girth and both extensions.'),
                term(
                  'take',
                  'straight down',
                  -SHORT_TAPER,
                  'A short leg narrows a little (common practice).',
                ),
              ],
      { group: 'girth', tolerance: TOLERANCE.length },
    ),
  );
  figures[figures.length - 1] = hem;
  const knee =
    below && hem.finished !== null ? kneeOf(c, v, making, { d: d!, l: l!, hem: hem.finished, apart }) : null;
  return {
    figures,
    crotch: depth.marked,
    thigh: wanted === null ? null : cm(wanted),
    extends:
      front.marked === null || back.marked === null ? null : { front: front.marked, back: back.marked },
    inseam: inseam.marked,
    knee,
    hem:
      hem.shares.length > 0 ? { front: cm(hem.shares[0]!.rounded), back: cm(hem.shares[1]!.rounded) } : null,
  };
}

/** What a leg cannot do without, by how far it goes. */
export const legNeeds = (v: Pick<LegValues, 'goes'>): readonly string[] =>
  v.goes === 'floor' ? ['inseam'] : v.goes === 'clear' ? ['waist-to-floor'] : [];

/** What a leg asks for and leaves: the outside leg where rise and inside leg were read, the knee of one that ends above it. */
export const legLeaves = (c: ReadAt, v: Pick<LegValues, 'goes'>, knee: boolean): Leaves => ({
  ...left(
    isKnown(c, 'rise') && (v.goes !== 'floor' || isKnown(c, 'inseam')),
    ['outseam'],
    'Rise and inside leg were read: the outside leg is held against them.',
  ),
  ...left(
    !knee,
    ['waist-to-knee', 'knee', 'crotch-length'],
    'The leg ends above the knee, and its depth is the rise.',
  ),
});
