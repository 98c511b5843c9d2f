import type { AskedWire } from '@rocchetto/contract';
import { type SheetUnit, withUnit } from '@rocchetto/core';
import { type As, findKind, isFold, type Side } from '@rocchetto/core/alter/index.ts';

/** One change while it is written: texts as they stand in the fields. */
export interface Draft {
  readonly kind: string;
  readonly direction: string;
  readonly amount: string;
  readonly as: As;
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
  readonly sign: string | null;
  readonly words: string;
  readonly note: string;
  readonly mark: AskedWire['mark'];
}

export const EMPTY: Draft = {
  kind: '',
  direction: '',
  amount: '',
  as: 'pinned',
  side: 'both',
  part: '',
  face: '',
  begins: '',
  fullFrom: '',
  fullTo: '',
  zero: '',
  frontShare: '',
  hem: { front: '', left: '', right: '', back: '' },
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

/** The draft as it is sent: every length with its unit, as written. Null while nothing is chosen. */
export function wireOf(d: Draft, unit: SheetUnit): unknown {
  const kind = findKind(d.kind);
  if (!kind) return null;
  const marks = Object.values(d.hem).map((t) => length(t, unit));
  const hem = byMarks(d.kind) && marks.some((m) => m !== null);
  const at = (t: string) => (kind.tapers && !hem ? length(t, unit) : null);
  return {
    kind: d.kind,
    direction: wayOf(d)!.id,
    amount: hem || kind.amount === 'none' ? null : length(d.amount, unit),
    as: isFold({ kind, direction: wayOf(d)! }) ? d.as : 'total',
    side: d.side,
    part: d.part || null,
    face: d.face || null,
    begins: at(d.begins),
    fullFrom: at(d.fullFrom),
    fullTo: at(d.fullTo),
    zero: at(d.zero),
    frontShare: d.frontShare.trim() === '' ? null : Number(d.frontShare),
    hem: hem
      ? {
          front: marks[0] ?? '0 cm',
          left: marks[1] ?? '0 cm',
          right: marks[2] ?? '0 cm',
          back: marks[3] ?? '0 cm',
        }
      : null,
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
  sign: a.sign,
  words: a.words,
  note: a.note,
  mark: a.mark,
});
