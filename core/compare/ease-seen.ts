import type { SheetInput } from '../garment/input.ts';
import { EASE_ZONES, type EaseOverlay, type EaseZone, easeFor, FLOORS } from '../garment/tables/fit.ts';
import type { Sheet } from '../sheet/compute.ts';
import type { Cm } from '../units/length.ts';
import { cm } from '../units/length.ts';
import { isUpper, profileOf } from './zones.ts';

/** The body at one level, as an ellipse of its girth. Lengths cm; heights from the waist, up is more. */
export interface LevelSeen {
  readonly id: string;
  readonly name: string;
  readonly height: Cm;
  readonly girth: Cm;
  /** half of its width, seen from in front */
  readonly half: Cm;
  /** from its middle to the front and to the back, seen from the side */
  readonly front: Cm;
  readonly back: Cm;
  /** what was not read and is drawn lighter: its height, or how front and back share the girth */
  readonly guessed: readonly ('height' | 'front')[];
}
/** The body from its bust to its hip, as its readings make it. */
export interface BodySeen {
  /** from the top down; fewer than two make no drawing */
  readonly levels: readonly LevelSeen[];
}

interface Row {
  readonly id: string;
  readonly name: string;
  /** width by depth (near an army's survey of women, from memory: 28 by 25 at the bust, 30 by 22 at the waist, 35 by 24 at the hip) */
  readonly ratio: number;
  readonly arc: string;
  /** height above the waist from readings; null where they do not give it */
  readonly read: (net: Net) => number | null;
  /** where it lies otherwise, cm above the waist (own choice, on a body of 168) */
  readonly usual: number;
}
type Net = (id: string) => Cm | null;
const less = (a: number | null, b: number | null) => (a === null || b === null ? null : a - b);
const below = (id: string) => (net: Net) => {
  const drop = net(id);
  return drop === null ? null : -drop;
};
const bustHeight = (net: Net) =>
  net('bust-to-waist') ?? less(net('neck-to-waist-front'), net('neck-to-bust'));
const ROWS: readonly Row[] = [
  { id: 'bust', name: 'bust', ratio: 1.13, arc: 'bust-front', read: bustHeight, usual: 17 },
  {
    id: 'underbust',
    name: 'under bust',
    ratio: 1.25,
    arc: 'underbust-front',
    read: (net) => net('underbust-to-waist') ?? less(bustHeight(net), net('bust-to-underbust')),
    usual: 9.5,
  },
  { id: 'waist', name: 'waist', ratio: 1.36, arc: 'waist-front', read: () => 0, usual: 0 },
  {
    id: 'tummy',
    name: 'tummy',
    ratio: 1.34,
    arc: 'tummy-front',
    read: below('waist-to-tummy'),
    usual: -8,
  },
  {
    id: 'high-hip',
    name: 'high hip',
    ratio: 1.4,
    arc: '',
    read: below('waist-to-high-hip'),
    usual: -10,
  },
  { id: 'hip', name: 'hip', ratio: 1.46, arc: 'hip-front', read: below('waist-to-hip'), usual: -20.5 },
];

/** The girth of an ellipse of these half axes (Ramanujan's second approximation). */
export const ellipse = (a: number, b: number): number =>
  Math.PI * (3 * (a + b) - Math.sqrt((3 * a + b) * (a + 3 * b)));

/** The body as its readings make it, level by level; a level of which no girth was read is not there. */
export function bodySeen(net: Net): BodySeen {
  const levels = ROWS.flatMap((row): LevelSeen[] => {
    const girth = net(row.id);
    if (girth === null) return [];
    const b = girth / ellipse(row.ratio, 1);
    const arc = row.arc ? net(row.arc) : null;
    const height = row.read(net);
    // Of the way round, what lies in front says how far the middle of the sides lies from either.
    const share = arc === null ? 0.5 : Math.min(0.65, Math.max(0.35, arc / girth));
    return [
      {
        id: row.id,
        name: row.name,
        height: cm(height ?? row.usual),
        girth,
        half: cm(row.ratio * b),
        front: cm(2 * b * share),
        back: cm(2 * b * (1 - share)),
        guessed: [
          ...(height === null ? (['height'] as const) : []),
          ...(arc === null ? (['front'] as const) : []),
        ],
      },
    ];
  }).sort((a, b) => b.height - a.height);
  return {
    levels: levels.filter((l, i, all) => i === 0 || all[i - 1]!.height - l.height > 1),
  };
}

/** What a garment is wider than the body at one level, all round. Lengths cm. */
export interface Room {
  readonly id: string;
  readonly ease: Cm;
  /** of it in front and behind; null where the body’s own front was not read */
  readonly front: Cm | null;
  readonly back: Cm | null;
  /** what a cloth without stretch needs there; null where nothing says */
  readonly least: Cm | null;
  /** what the wished fit gives there; null where nothing says */
  readonly wish?: Cm | null;
}

/** What the fit of a brief gives at a place, by the house's figures. */
export function wishedBy(
  { fit, school, parts }: Pick<SheetInput['brief'], 'fit' | 'school' | 'parts'>,
  house: EaseOverlay,
): (id: string) => Cm | null {
  const hang = isUpper(profileOf(parts)) ? 'shoulder' : 'waist';
  return (id) =>
    EASE_ZONES.includes(id as EaseZone) ? easeFor(id as EaseZone, fit, school, hang, house).ease : null;
}

/** The room of a sheet's garment at every level that both it and the body have. */
export function roomsOf(
  { figures }: Pick<Sheet, 'figures'>,
  net: Net,
  { stretch }: { readonly stretch: number },
  wished: (id: string) => Cm | null = () => null,
): readonly Room[] {
  return ROWS.flatMap(({ id, arc }): Room[] => {
    const figure = figures.find((f) => f.id === id);
    const [body, front] = [net(id), arc ? net(arc) : null];
    if (figure?.finished == null || body === null) return [];
    const ease = cm(figure.finished - body);
    const gives = figure.gives ?? stretch;
    // What the front panels are wide there, not what they should be.
    const before = figure.shares.filter((s) => s.panel === 'front').map((s) => s.times * s.exact);
    const inFront = front === null || before.length !== 1 ? null : cm(before[0]! - front);
    return [
      {
        id,
        ease,
        front: inFront,
        back: inFront === null ? null : cm(ease - inFront),
        least: gives > 0 ? null : (FLOORS[id as EaseZone]?.least ?? null),
        // A cloth that stretches is cut smaller than its fit says: by how much the sheet reckons.
        wish: gives > 0 ? null : wished(id),
      },
    ];
  });
}

/** How far a garment stands off the body all round, cm, where it is so much wider: a line beside a curve is 2π times its distance longer (geometry). */
export const standsOff = (ease: number): Cm => cm(ease / (2 * Math.PI));

/** In a client's words, what the ease at a place is for. `least`: what a woven needs there, cm; null where nothing says. */
export function easeWords(id: string, ease: number, least: number | null): string {
  const to: Readonly<Record<string, string>> = {
    bust: 'to breathe',
    waist: 'to breathe and to eat',
    hip: 'to sit',
  };
  if (ease < -1e-9) return 'less than the body: only a cloth that stretches goes round';
  if (least !== null && ease < least - 1e-9)
    return `under what ${id === 'hip' ? 'sitting' : 'breathing'} asks in a cloth without stretch`;
  return to[id] ? `room ${to[id]}` : 'room';
}
