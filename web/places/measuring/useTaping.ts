import type { ReadingWire } from '@rocchetto/contract';
import { drawnWaist, readLength, resolve, type SheetUnit, schoolSays, type Tape } from '@rocchetto/core';
import { expectation } from '@rocchetto/core/expected-ranges/expectation.ts';
import { readsHalves } from '@rocchetto/core/expected-ranges/slips.ts';
import { misfitOf } from '@rocchetto/core/expected-ranges/together.ts';
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { readings } from '../../parts/outbox/queue.ts';
import { useMe } from '../../shared/me.ts';
import type { Ground } from './ground.ts';
import { type RibbonItem, stateOf } from './Ribbon.tsx';
import { useCorrecting } from './useCorrecting.ts';
import { useDigitalTape } from './useDigitalTape.ts';
import { useLastTimes } from './useLastTimes.ts';
import { type Session, useReadings } from './useSession.ts';
import type { Taken } from './useTapeField.ts';
import { useWalk } from './useWalk.ts';
import { useWhere } from './useWhere.ts';

const OPEN = ['pending', 'doubtful'];
const NOT_KEPT =
  'This browser could not save the measurement (private window or full disk). Write it on paper, free some space and enter it again.';

type Items = ReturnType<typeof useReadings>['items'];
/** What the other figures and last time lead one to expect of this one, and whether they fit together. */
function useJudged(items: Items, item: Items[number], last: ReturnType<typeof useLastTimes>) {
  const others = useMemo(
    () =>
      new Map(
        items.flatMap((i) =>
          i.measured.net === null || i.id === item.id ? [] : [[i.id, i.measured.net] as const],
        ),
      ),
    [items, item.id],
  );
  const earlier = last.get(item.id);
  const expected = useMemo(
    () => expectation(item.id, others, earlier?.cm ?? null),
    [item.id, others, earlier?.cm],
  );
  const halves = useMemo(
    () =>
      readsHalves(items.flatMap((i) => i.measured.readings.flatMap((r) => (r.written ? [r.written] : [])))),
    [items],
  );
  // At the end the figures are judged together; what stands with a reason is not doubted again.
  const misfit = useMemo(() => {
    const nets = items.flatMap((i) => (i.measured.net === null ? [] : [[i.id, i.measured.net] as const]));
    const stands = items.filter((i) => i.measured.readings.some((r) => r.reason !== '')).map((i) => i.id);
    return misfitOf(new Map(nets), new Set(stands));
  }, [items]);
  return { earlier, others, expected, halves, misfit };
}

/** How the tape goes through the list: all of it, or what is needed, past the rest, which can still be gone to. */
function useWalked(items: Items) {
  const [walk, setWalk] = useWalk();
  const inWalk = (i: Items[number]) => walk === 'all' || i.needed || OPEN.includes(stateOf(i));
  const unread = (i: Items[number]) => [...OPEN, 'optional'].includes(stateOf(i));
  return {
    inWalk,
    start: items.find((i) => inWalk(i) && unread(i))?.id ?? items[0]!.id,
    /** how many it goes past: not needed and not read */
    passed: items.filter((i) => !inWalk(i)).filter(unread).length,
    /** Goes through all from now on; answers the first that it would have gone past. */
    walkAll: () => {
      setWalk('all');
      return items.find((i) => stateOf(i) === 'optional')?.id;
    },
  };
}

/** A reading of this measure as it is kept, with an id of its own. */
const newReading = (measure: string, wroteBy: string, r: Partial<ReadingWire>): ReadingWire => ({
  id: crypto.randomUUID(),
  measure,
  state: 'read',
  written: null,
  way: 'whole',
  tape: 'snug',
  source: 'taken here',
  replaces: null,
  reason: '',
  note: '',
  wroteBy,
  at: new Date().toISOString(),
  ...r,
});

/** How many are still open that the list needs, and that only help. */
const openOf = (items: readonly RibbonItem[]) => ({
  needed: items.filter((i) => OPEN.includes(stateOf(i))).length,
  helps: items.filter((i) => stateOf(i) === 'optional').length,
});

/** One session at the tape: where it stands, what was read, and what a hand can do there. */
export function useTaping(ground: Ground, session: Session) {
  const me = useMe();
  const navigate = useNavigate();
  const { place, extra, goTo } = useWhere();
  const { items, schools, levels, waiting, refused, ready } = useReadings(ground, session, extra);
  const [unit, setUnit] = useState<SheetUnit>(session.unit);
  const [tape, setTape] = useState<Tape>('snug');
  const [lost, setLost] = useState('');
  const { inWalk, start, passed, walkAll } = useWalked(items);
  const at = items.find((i) => i.id === place)?.id ?? start;
  const index = items.findIndex((i) => i.id === at);
  const item = items[index]!;
  const correction = useCorrecting(at);
  // Where the hand is now, which may be further than this render: two keys may come before it.
  const here = useRef(at);
  // With the page itself, not after it: an effect that waited would lay the place before over a key pressed meanwhile.
  useLayoutEffect(() => {
    here.current = at;
  }, [at]);
  const go = (to: string, besides?: string) => {
    here.current = to;
    goTo(to, besides);
  };
  const addMeasure = (id: string) =>
    items.some((i) => i.id === id) ? go(id) : go(id, [...extra, id].join(','));
  // The first place is written down once the readings are here, so that taking one moves on only when it should; a hand
  // that went elsewhere in that moment stays there.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the readings have come
  useEffect(() => {
    if (ready && !place && here.current === at) go(start);
  }, [ready]);
  const last = useLastTimes(ground.clientId, session.id, items);
  const { earlier, others, expected, halves, misfit } = useJudged(items, item, last);
  const next = items.slice(index + 1).find(inWalk);
  const toSheet = () => navigate(ground.after.to);
  const forward = () => {
    // A hand that went elsewhere while the reading was kept stays where it went.
    if (here.current !== item.id) return;
    if (next) go(next.id);
    // Past the last one the sheet is next, unless another is still open; the one in hand was just dealt with.
    else if (items.every((i) => i.id === item.id || !OPEN.includes(stateOf(i)))) toSheet();
  };

  // Taken here and on the way into the browser's database.
  const underWay = useRef<readonly ReadingWire[]>([]);
  const add = async (r: Partial<ReadingWire>) => {
    const reading = newReading(item.id, me.name, r);
    underWay.current = [...underWay.current, reading];
    try {
      await readings().keep(session.id, reading);
      setLost('');
      return true;
    } catch {
      setLost(NOT_KEPT);
      return false;
    } finally {
      underWay.current = underWay.current.filter((u) => u !== reading);
    }
  };
  /** On at once, so that the next figure is the next measurement's; back where the browser could not keep this one. */
  const onWith = async (kept: Promise<boolean>) => {
    if (next) forward();
    if (!(await kept)) {
      if (here.current === next?.id) go(item.id);
    } else if (!next) forward();
  };
  const take = async (t: Taken) => {
    const read = readLength(t.typed, t.unit);
    if (!read.ok) return;
    const kept = add({
      replaces: correction.replaced(),
      written: read.written,
      way: t.way,
      tape: t.tape,
      reason: t.reason,
      note: t.note,
      ...(t.carried ? { source: 'carried over' as const } : {}),
    });
    // Asked of the device, not of this render: a fast second reading comes before the screen has caught up.
    const shown = item.measured.readings;
    const held = readings()
      .snapshot()
      .filter((k) => k.sessionId === session.id);
    const taken = [...held.map((k) => k.reading), ...underWay.current]
      .filter((r, i, all) => all.findIndex((x) => x.id === r.id) === i && !shown.some((x) => x.id === r.id))
      .map((r) => ({ ...r, by: session.measurer }));
    const after = resolve(item.measured.measure, [...shown, ...taken]);
    if (!OPEN.includes(stateOf({ measured: after, needed: item.needed }))) await onWith(kept);
  };
  const isKept = (note: string) =>
    items.some((i) => i.measured.readings.some((r) => r.note === note)) ||
    readings()
      .snapshot()
      .some((k) => k.sessionId === session.id && k.reading.note === note);
  const digital = useDigitalTape(isKept);
  const back = () => {
    const before = items.slice(0, index).findLast(inWalk);
    if (before) go(before.id);
  };
  return {
    digital,
    items,
    item,
    waiting,
    refused,
    unit,
    setUnit,
    tape,
    setTape,
    lost,
    others,
    last: earlier,
    expected,
    halves,
    misfit,
    says: schoolSays(item.id, schools, levels),
    ways: { waistAt: drawnWaist(levels.waist), neckDepth: schools.neckDepth },
    passed,
    walkAll: () => {
      const first = walkAll();
      if (first) go(first);
    },
    open: openOf(items),
    done: !next && items.every((i) => !OPEN.includes(stateOf(i))),
    go,
    addMeasure,
    forward,
    back,
    toSheet,
    take,
    again: () => void (item.measured.readings.length === 0 && back()),
    mark: (state: 'declined' | 'skipped') => onWith(add({ state })),
    ...correction,
    strike: (id: string, why: string) =>
      void add({ state: 'skipped', replaces: id, reason: why, note: 'struck out' }),
  };
}
export type Taping = ReturnType<typeof useTaping>;
