import { SEAM_NAME, type SeamKind } from '../garment/seams.ts';
import { type Cm, cm } from '../units/length.ts';
import { type Asked, perEdge, totalOf } from './asked.ts';
import type { Box } from './boxes.ts';
import type { Move } from './kind.ts';
import { CannotAlter } from './refusal.ts';

/** A piece that a garment of this kind has on each side, and the seams it bears. */
interface GenericPiece {
  readonly piece: string;
  readonly face: 'front' | 'back' | null;
  readonly edges: readonly SeamKind[];
  /** pieces of cloth of it: one for each side, or one for both */
  readonly each: 'side' | 'whole';
}

/** A kind of garment that is brought in: its pieces without a sheet, so that nothing of it is forgotten. */
export interface GarmentKind {
  readonly id: string;
  readonly name: string;
  /** how it begins a sentence, where it is more than one */
  readonly many?: string;
  readonly pieces: readonly GenericPiece[];
  /** what is measured on it as it lies, by id and name */
  readonly points: readonly GarmentPoint[];
}
/** One measure of a garment that was brought in. */
export interface GarmentPoint {
  readonly id: string;
  readonly name: string;
}

const front = (edges: string, piece = 'front'): GenericPiece => ({
  piece,
  face: 'front',
  edges: edges.split(' ') as SeamKind[],
  each: 'side',
});
const back = (edges: string, piece = 'back'): GenericPiece => ({
  piece,
  face: 'back',
  edges: edges.split(' ') as SeamKind[],
  each: 'side',
});
const sleeve: GenericPiece = {
  piece: 'sleeve',
  face: null,
  edges: ['underarm', 'wrist', 'cap'],
  each: 'side',
};
const cuff: GenericPiece = { piece: 'cuff', face: null, edges: ['cuff-end'], each: 'side' };
const whole = (piece: string, edges: string): GenericPiece => ({
  piece,
  face: null,
  edges: edges.split(' ') as SeamKind[],
  each: 'whole',
});

const POINTS = {
  bust: 'bust, around',
  waist: 'waist, around',
  hip: 'hip, around',
  hem: 'hem, around',
  shoulder: 'shoulder seam',
  across: 'across back',
  length: 'centre back length',
  front: 'centre front length',
  side: 'side seam',
  sleeve: 'sleeve length',
  upperArm: 'sleeve, around the upper arm',
  inseam: 'inside leg',
  rise: 'front rise',
  thigh: 'thigh, around',
} as const;
const points = (ids: string): GarmentPoint[] =>
  ids.split(' ').map((id) => ({ id: `garment.${id}`, name: POINTS[id as keyof typeof POINTS] }));

/** Kinds of garment with the seams they usually have (common practice, no source); what differs is struck with a reason. */
export const GARMENT_KINDS: readonly GarmentKind[] = [
  {
    id: 'skirt',
    name: 'skirt',
    pieces: [front('side hem waist'), back('side hem waist centre-back'), whole('waistband', 'band')],
    points: points('waist hip hem length front side'),
  },
  {
    id: 'trousers',
    name: 'trousers',
    many: 'Trousers',
    pieces: [
      front('side inseam hem crotch waist', 'front leg'),
      back('side inseam hem crotch waist', 'back leg'),
      whole('waistband', 'band'),
    ],
    points: points('waist hip thigh hem side inseam rise'),
  },
  {
    id: 'dress',
    name: 'dress',
    pieces: [
      front('side hem shoulder armhole neck waist'),
      back('side hem shoulder armhole neck waist centre-back'),
      sleeve,
    ],
    points: points('bust waist hip hem shoulder across length side sleeve upperArm'),
  },
  {
    id: 'blouse',
    name: 'blouse or shirt',
    pieces: [
      front('side hem shoulder armhole neck'),
      back('side hem shoulder armhole neck'),
      sleeve,
      cuff,
      whole('collar', 'collar-edge'),
    ],
    points: points('bust waist hem shoulder across length side sleeve upperArm'),
  },
  {
    id: 'waistcoat',
    name: 'waistcoat',
    pieces: [front('side hem shoulder armhole neck'), back('side hem shoulder armhole neck centre-back')],
    points: points('bust waist hem shoulder length side'),
  },
  {
    id: 'jacket',
    name: 'jacket',
    pieces: [
      front('side hem shoulder armhole neck'),
      back('side hem shoulder armhole neck centre-back'),
      sleeve,
      whole('collar', 'collar-edge'),
    ],
    points: points('bust waist hem shoulder across length side sleeve upperArm'),
  },
  {
    id: 'coat',
    name: 'coat',
    pieces: [
      front('side hem shoulder armhole neck'),
      back('side hem shoulder armhole neck centre-back'),
      sleeve,
      whole('collar', 'collar-edge'),
    ],
    points: points('bust waist hem shoulder across length side sleeve upperArm'),
  },
  {
    id: 'other',
    name: 'something else',
    pieces: [],
    points: points('bust waist hip hem length side'),
  },
];

/** The kind of this id; undefined when the house has none. */
export const findGarmentKind = (id: string): GarmentKind | undefined =>
  GARMENT_KINDS.find((k) => k.id === id);

/** A garment that was brought in, as far as its pieces are told. */
export interface BroughtInGarment {
  readonly kind: GarmentKind;
  /** it has a lining that bears the same seams */
  readonly lined: boolean;
}

/**
 * The boxes of an alteration on a garment without a sheet: every piece and layer that bears the seam, with its share of
 * the amount. Empty where the work moves no seam. @throws CannotAlter where a garment of this kind has no such seam
 */
export function genericBoxes({ kind, lined }: BroughtInGarment, asked: Asked): Box[] {
  const moves = asked.kind.moves.filter((m): m is Extract<Move, { do: 'edge' }> => m.do === 'edge');
  if (kind.pieces.length === 0 || moves.length === 0) return [];
  const halves = asked.side === 'both' ? 2 : 1;
  const boxes: Box[] = [];
  for (const move of moves) {
    const face = move.face ?? asked.face;
    const bears = (seam: SeamKind) =>
      kind.pieces.filter(
        (p) => p.edges.includes(seam) && (face === null || p.face === null || p.face === face),
      );
    const seam = move.seam.find((k) => bears(k).length > 0);
    if (!seam)
      throw new CannotAlter(
        `${kind.many ?? `A ${kind.name}`} ${kind.many ? 'have' : 'has'} no ${SEAM_NAME[move.seam[0]!]}${face ? ` at the ${face}` : ''}.`,
      );
    const on = bears(seam);
    const edgesOf = (p: GenericPiece) => (p.each === 'side' ? halves : 1);
    // A sleeve’s seam has both its edges on one piece.
    const twice = seam === 'underarm' ? 2 : 1;
    const count = (back: boolean) =>
      on
        .filter((p) => (p.face === 'back') === back)
        .reduce((n, p) => n + (p.each === 'side' ? twice : twice / 2), 0);
    const shared = { front: count(false), back: count(true) };
    for (const layer of lined ? (['outer', 'lining'] as const) : (['outer'] as const))
      for (const p of on) {
        // A collar has no lining of its own.
        if (layer === 'lining' && p.each === 'whole') continue;
        const by =
          asked.amount === null
            ? null
            : move.amount === 'each'
              ? totalOf(asked)
              : cm(perEdge(asked, p.face, shared));
        boxes.push({
          id: `${layer}/${p.piece}/${SEAM_NAME[seam]}/${asked.side}`,
          panel: '',
          piece: p.piece,
          layer,
          seam: SEAM_NAME[seam],
          side: asked.side,
          edges: edgesOf(p) * twice,
          each: by === null ? null : cm(move.turned ? -by : by),
          even: true,
        });
      }
  }
  return boxes;
}

/** What an amount follows from: what the body reads, what the garment reads, and the ease that is wanted, cm. */
export interface FollowsFrom {
  readonly body: Cm;
  readonly garment: Cm;
  readonly ease: Cm;
}
/** How much comes out (−) or is let out (+), cm: a waist of 74 in a garment of 90, wanted with 4, is 12 out. */
export const amountFrom = ({ body, garment, ease }: FollowsFrom): Cm => cm(body + ease - garment);

/** Letters and figures that are not taken for each other, for a ticket that is read aloud. */
export const TICKET_SIGNS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
const LENGTH = 5;

/** A ticket’s code from random bytes: five signs and a sixth that proves them, so that a slip finds nobody else’s. */
export function ticketCode(bytes: ArrayLike<number>): string {
  const signs = Array.from({ length: LENGTH }, (_, i) => bytes[i]! % TICKET_SIGNS.length);
  return [...signs, proof(signs)].map((n) => TICKET_SIGNS[n]).join('');
}
/** The code as it is kept, of what was typed or read out; null when it is none. */
export function readTicket(typed: string): string | null {
  const code = typed.toUpperCase().replace(/[\s-]/g, '');
  const signs = [...code].map((c) => TICKET_SIGNS.indexOf(c));
  if (signs.length !== LENGTH + 1 || signs.includes(-1)) return null;
  return proof(signs.slice(0, LENGTH)) === signs[LENGTH] ? code : null;
}
/** Weighted by place, so that one wrong sign or two that were swapped are noticed (31 signs, a prime). */
const proof = (signs: readonly number[]): number =>
  signs.reduce((sum, n, i) => sum + n * (i + 2), 0) % TICKET_SIGNS.length;
