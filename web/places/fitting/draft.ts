import type { AskedWire } from '@rocchetto/contract';
import { halfOf, type SheetUnit, withUnit } from '@rocchetto/core';
import {
  type AlterationKind,
  type As,
  type Direction,
  findKind,
  isFold,
  isShared,
  type Side,
} from '@rocchetto/core/alter/index.ts';

/** Marks at the hem of one leg, as texts. */
export interface LegTexts {
  readonly front: string;
  readonly inside: string;
  readonly back: string;
  readonly outside: string;
}

/** One change while it is written: texts as they stand in the fields. */
export interface Draft {
  readonly kind: string;
  readonly direction: string;
  readonly amount: string;
  /** '' as is usual: pinned for what is taken in, the total for what is let out */
  readonly as: As | '';
  readonly side: Side;
  readonly part: string;
  readonly face: '' | 'front' | 'back';
  readonly begins: string;
  readonly fullFrom: string;
  readonly fullTo: string;
  readonly zero: string;
  readonly frontShare: string;
  readonly hem: {
    readonly front: string;
    readonly left: string;
    readonly right: string;
    readonly back: string;
  };
  readonly legs: Readonly<Record<'left' | 'right', LegTexts>>;
  /** both legs are marked alike */
  readonly alike: boolean;
  readonly control: Draft['hem'];
  readonly details: Readonly<Record<string, string>>;
  readonly byHand: boolean;
  /** kept before seams had a way; its places count from where the edge is drawn from */
  readonly drawnWay: boolean;
  readonly sign: string | null;
  readonly words: string;
  readonly note: string;
  readonly mark: AskedWire['mark'];
}

const NO_LEG: LegTexts = { front: '', inside: '', back: '', outside: '' };
export const EMPTY: Draft = {
  kind: '',
  direction: '',
  amount: '',
  as: '',
  side: 'both',
  part: '',
  face: '',
  begins: '',
  fullFrom: '',
  fullTo: '',
  zero: '',
  frontShare: '',
  hem: { front: '', left: '', right: '', back: '' },
  legs: { left: NO_LEG, right: NO_LEG },
  alike: true,
  control: { front: '', left: '', right: '', back: '' },
  details: {},
  byHand: false,
  drawnWay: false,
  sign: null,
  words: '',
  note: '',
  mark: null,
};

/** Kinds whose hem is marked at every place round it. */
export const byMarks = (kind: string): boolean =>
  kind === 'hem-levelled' || kind === 'hem-uneven' || kind === 'hem-flared';

const length = (text: string, unit: SheetUnit): string | null =>
  text.trim() === '' ? null : withUnit(text.trim(), unit);

/** The way that is chosen; the kind’s first where none is. */
export const wayOf = (d: Pick<Draft, 'kind' | 'direction'>) => {
  const ways = findKind(d.kind)?.directions;
  return ways?.find((w) => w.id === d.direction) ?? ways?.[0];
};

/** Marks as they are sent, an empty one as nothing; null where none is written. */
function marksOf<K extends string>(
  of: Readonly<Record<K, string>>,
  unit: SheetUnit,
): Record<K, string> | null {
  const all = Object.entries(of) as [K, string][];
  return all.every(([, t]) => t.trim() === '')
    ? null
    : (Object.fromEntries(all.map(([k, t]) => [k, length(t, unit) ?? '0 cm'])) as Record<K, string>);
}

/** Of what the amount may be said to be the amount: of what is pinned, of a seam, of a side, of all. */
export function waysToCount(kind: AlterationKind, direction: Direction): readonly As[] {
  if (isShared(kind)) return ['pinned', 'seam', 'side', 'total'];
  return isFold({ kind, direction }) ? ['pinned', 'total'] : [];
}

/** How the amount counts: as it was chosen, where the kind has that, else as is usual. */
export function countedAs(d: Pick<Draft, 'as'>, kind: AlterationKind, direction: Direction): As {
  const ways = waysToCount(kind, direction);
  if (d.as !== '' && (ways.includes(d.as) || (d.as === 'fold' && ways.length > 0))) return d.as;
  return ways.length > 0 && isFold({ kind, direction }) ? 'pinned' : 'total';
}

/**
 * Another side chosen: what each edge gets stays. What was said of all round becomes half of it on the one side; a
 * total that no hand wrote yet is said of a side from now on.
 */
export function withSide(d: Draft, side: Side, unit: SheetUnit): Partial<Draft> {
  const [kind, way] = [findKind(d.kind), wayOf(d)];
  if (
    !kind ||
    !way ||
    d.side !== 'both' ||
    side === 'both' ||
    !isShared(kind) ||
    countedAs(d, kind, way) !== 'total'
  )
    return { side };
  return { side, as: 'side', amount: halfOf(d.amount, unit) ?? d.amount };
}

/** The draft as it is sent: every length with its unit, as written. Null while nothing is chosen. */
export function wireOf(d: Draft, unit: SheetUnit): unknown {
  const kind = findKind(d.kind);
  if (!kind) return null;
  const way = wayOf(d)!;
  const marked = byMarks(d.kind);
  const left = marked ? marksOf(d.legs.left, unit) : null;
  const right = marked ? marksOf(d.alike ? d.legs.left : d.legs.right, unit) : null;
  const legs = left || right ? { left: left ?? right, right: right ?? left } : null;
  const hem = marked && !legs ? marksOf(d.hem, unit) : null;
  const at = (t: string) => (kind.tapers && !hem && !legs ? length(t, unit) : null);
  const details = Object.fromEntries(
    (kind.details ?? []).flatMap(({ id, is }) => {
      const text = (d.details[id] ?? '').trim();
      return text === '' ? [] : [[id, is === 'length' ? length(text, unit) : text]];
    }),
  );
  return {
    version: 2,
    kind: d.kind,
    direction: way.id,
    amount: hem || legs || kind.amount === 'none' ? null : length(d.amount, unit),
    as: countedAs(d, kind, way),
    side: d.side,
    part: d.part || null,
    face: d.face || null,
    begins: at(d.begins),
    fullFrom: at(d.fullFrom),
    fullTo: at(d.fullTo),
    zero: at(d.zero),
    frontShare: d.frontShare.trim() === '' ? null : Number(d.frontShare),
    hem,
    legs,
    control: hem ? marksOf(d.control, unit) : null,
    details,
    byHand: d.byHand,
    drawnWay: d.drawnWay,
    sign: d.sign,
    words: d.words,
    note: d.note,
    mark: d.mark,
  };
}

/** What was kept, as texts of the fields. */
export const draftOf = (a: AskedWire): Draft => ({
  kind: a.kind,
  direction: a.direction,
  amount: a.amount ?? '',
  as: a.as,
  side: a.side,
  part: a.part ?? '',
  face: a.face ?? '',
  begins: a.begins ?? '',
  fullFrom: a.fullFrom ?? '',
  fullTo: a.fullTo ?? '',
  zero: a.zero ?? '',
  frontShare: a.frontShare === null ? '' : String(a.frontShare),
  hem: a.hem ?? EMPTY.hem,
  legs: a.legs ?? EMPTY.legs,
  alike: a.legs === null || JSON.stringify(a.legs.left) === JSON.stringify(a.legs.right),
  control: a.control ?? EMPTY.control,
  details: a.details,
  byHand: a.byHand,
  drawnWay: a.drawnWay,
  sign: a.sign,
  words: a.words,
  note: a.note,
  mark: a.mark,
});
