import { type ClothView, type ClothWire, clothInHand } from '@rocchetto/contract/cloth-lay.ts';
import { cm, printWithUnit, type SheetUnit } from '@rocchetto/core';
import { clothFaults } from '@rocchetto/core/lay/cloth.ts';
import type { Lay } from '@rocchetto/core/lay/lay.ts';
import { standsInTheWay } from '@rocchetto/core/lay/legal.ts';
import { type LayPiece, stripsToKeep } from '@rocchetto/core/lay/pieces.ts';
import { slidTo } from '@rocchetto/core/lay/slide.ts';
import { useCallback, useEffect, useMemo, useReducer, useRef, useState } from 'react';
import {
  found,
  type Hand,
  type Pieces,
  recalled,
  remembered,
  type TableOf,
  turnedOver,
  withPiece,
} from './hand.ts';
import type { Acts } from './Table.tsx';
import { useSearch } from './useSearch.ts';

/** How long a lay is looked for, ms. */
export const TIME = 3000;
const STEP = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] } as const;
type Cloth = ClothView['cloths'][number];

interface Hands {
  readonly now: Hand;
  readonly before: readonly Hand[];
}
/** `same`: a better lay of one search is no step of its own. */
type Step = { readonly more: Partial<Hand>; readonly same?: boolean } | 'undo';
/** What was done last can be undone, step by step. */
function stepped({ now, before }: Hands, step: Step): Hands {
  if (step === 'undo')
    return before.length > 0 ? { now: before.at(-1)!, before: before.slice(0, -1) } : { now, before };
  return { now: { ...now, ...step.more }, before: step.same ? before : [...before.slice(-60), now] };
}

const begun = (at: TableOf, of: Cloth): Hand => {
  const kept = of.kept && !of.kept.stale ? of.kept : null;
  return (
    recalled(at) ?? {
      cloth: kept?.cloth ?? of.cloth,
      way: kept?.lay.way ?? 'open',
      lay: (kept?.lay as Lay | undefined) ?? null,
      pinned: [],
    }
  );
};

/** A length on the table, as a hand measures it. */
export const printed = (length: number, unit: SheetUnit): string =>
  printWithUnit(cm(unit === 'cm' ? Math.round(length * 10) / 10 : length), unit);

interface Pressed {
  readonly hand: Hand;
  readonly lay: Lay;
  readonly piece: string;
  readonly cloth: ReturnType<typeof clothInHand>;
  readonly pieces: Pieces;
  readonly all: readonly LayPiece[];
  readonly print: (length: number) => string;
}
/** What a key does to the chosen piece: what is said, and what lies otherwise then; null for a key that means nothing here. */
function pressed(
  key: string,
  { hand, lay, piece, cloth, pieces, all, print }: Pressed,
): { says: string; more?: Partial<Hand> } | null {
  const at = found(lay, piece);
  if (!at) return null;
  const { name } = pieces.get(at.laid.piece)!;
  const isPinned = hand.pinned.includes(piece);
  const without = hand.pinned.filter((x) => x !== piece);
  if (key === 'p')
    return {
      says: `${name}: ${isPinned ? 'unpinned' : 'pinned, it stays where it lies'}.`,
      more: { pinned: isPinned ? without : [...without, piece] },
    };
  if (key === 'Delete' || key === 'Backspace')
    return {
      says: `${name} taken off the cloth. “Lay the rest” finds it a place.`,
      more: { lay: withPiece(lay, piece, null, all), pinned: without },
    };
  const way = STEP[key.replace('Shift+', '') as keyof typeof STEP];
  if (!way && !['f', 'm', 'Home'].includes(key)) return null;
  if (isPinned) return { says: `${name} is pinned. P unpins it.` };
  const by = key.startsWith('Shift+') ? 5 : 0.5;
  const to = way ? { x: at.laid.x + way[0] * by, y: at.laid.y + way[1] * by } : { x: at.laid.x, y: 0 };
  const where = key === 'f' || key === 'm' ? null : slidTo(at.laid, to, at.strip, pieces, cloth);
  const next =
    key === 'f' || key === 'm'
      ? turnedOver(lay, piece, key === 'f' ? 'flip' : 'mirror', pieces, cloth)
      : where && { ...at.laid, ...where };
  if (!next) return { says: `${name} may not lie so on this cloth.` };
  const still = Math.hypot(next.x - at.laid.x, next.y - at.laid.y) < 0.01;
  if (still && next.turn === at.laid.turn && next.mirrored === at.laid.mirrored)
    return { says: `${name} goes no further that way.` };
  return {
    says: `${name}: ${print(next.y + at.from)} from the cut end.`,
    more: { lay: withPiece(lay, piece, next, all) },
  };
}

/** Lays that the search has made, and of which cloth. */
const FOUND = new WeakMap<Lay, ClothWire>();

/** The cloth on its table: what lies where, what a hand and the search do to it, step by step. */
export function useTable(at: TableOf, of: Cloth, unit: SheetUnit) {
  const [{ now: hand, before }, step] = useReducer(stepped, null, () => ({ now: begun(at, of), before: [] }));
  const [chosen, setChosen] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  const search = useSearch();
  const cloth = useMemo(() => clothInHand(hand.cloth), [hand.cloth]);
  const all = useMemo(() => [...of.pieces, ...stripsToKeep(cloth.strips)], [of.pieces, cloth.strips]);
  const pieces = useMemo(() => new Map(all.map((p) => [p.id, p])), [all]);
  // What the search has just laid is sound by how it is laid; what a hand has done is looked at.
  const wrong = useMemo(
    () =>
      hand.lay && !(FOUND.get(hand.lay) === hand.cloth)
        ? standsInTheWay(hand.lay, all, cloth)
        : new Map<string, string[]>(),
    [hand.lay, hand.cloth, all, cloth],
  );
  const print = (length: number) => printed(length, unit);
  const { stop, clear } = search;
  const put = useCallback(
    (more: Partial<Hand>) => {
      // What a hand does counts from here: a lay found for what lay there before would undo it.
      stop();
      step({ more });
    },
    [stop],
  );
  const change = useCallback(
    (more: Partial<Hand>) => {
      clear();
      put(more);
    },
    [clear, put],
  );
  const isFirst = useRef(true);
  useEffect(() => {
    if (isFirst.current) isFirst.current = false;
    else remembered(at, hand);
  }, [at, hand]);
  const undo = () => {
    if (before.length === 0) return setSaid('There is nothing to undo.');
    stop();
    step('undo');
    setSaid('Undone.');
  };
  const lay = (pinned: readonly string[]) => {
    setSaid('');
    const held =
      hand.lay?.way === hand.way
        ? hand.lay.stages.flatMap((s) => s.strips.map((x) => x.pieces.filter((l) => pinned.includes(l.id))))
        : [];
    let first = true;
    search.start(
      { kind: 'lay', pieces: all, cloth, way: hand.way, time: TIME, seed: 1, pinned: held },
      (better) => {
        if (pinned.length === 0) FOUND.set(better, hand.cloth);
        step({ more: { lay: better }, same: !first });
        first = false;
      },
    );
  };
  const next = (by: 1 | -1) => {
    const inOrder = (hand.lay?.stages ?? [])
      .flatMap((s) => s.strips.flatMap((x) => x.pieces.map((l) => ({ l, y: l.y + s.from }))))
      .sort((a, b) => a.y - b.y || a.l.x - b.l.x);
    const at = inOrder.findIndex(({ l }) => l.id === chosen);
    const to =
      at < 0
        ? by === 1
          ? inOrder[0]
          : inOrder.at(-1)
        : inOrder[(at + by + inOrder.length) % inOrder.length];
    if (!to) return;
    setChosen(to.l.id);
    setSaid(pieces.get(to.l.piece)!.name);
  };
  const acts: Acts = {
    choose: setChosen,
    say: setSaid,
    move: (piece, to) => {
      const at = hand.lay && found(hand.lay, piece);
      if (at) put({ lay: withPiece(hand.lay!, piece, { ...at.laid, x: to.x, y: to.y }, all) });
    },
    key: (key, piece) => {
      if (key === 'u') undo();
      else if (key === 'n' || key === 'b') next(key === 'n' ? 1 : -1);
      else {
        const did = hand.lay && pressed(key, { hand, lay: hand.lay, piece, cloth, pieces, all, print });
        if (!did) return false;
        setSaid(did.says);
        if (did.more) put(did.more);
      }
      return true;
    },
  };
  return {
    hand,
    cloth,
    pieces,
    all,
    wrong,
    faults: clothFaults(cloth),
    chosen,
    setChosen,
    said,
    search,
    acts,
    put,
    change,
    lay,
    undo: before.length > 0 ? undo : null,
    print,
  };
}
