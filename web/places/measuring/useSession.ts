import { type SessionRow, SessionWrite } from '@rocchetto/contract';
import {
  findMeasure,
  hasSides,
  inTapeOrder,
  type LevelRules,
  listBy,
  measure,
  type Reading,
  resolve,
  type Schools,
  USUAL_LEVELS,
  USUAL_SCHOOLS,
} from '@rocchetto/core';
import { useEffect, useMemo, useState } from 'react';
import { useSessionQuery } from '../../api/sessions.ts';
import { readings, useKept } from '../../parts/outbox/queue.ts';
import { useMe } from '../../shared/me.ts';
import type { Ground } from './ground.ts';
import type { RibbonItem } from './Ribbon.tsx';

/** A session goes on for this long after it was begun; later, measuring begins a new one. */
export const GOES_ON = 12 * 3_600_000;

export interface Session {
  readonly id: string;
  readonly unit: 'cm' | 'in';
  readonly measurer: string;
  /** as this device began it; the studio’s book has them too once it is there */
  readonly schools?: Schools;
  readonly seated?: boolean;
  readonly levels?: LevelRules;
}

/** What is taken here in a session of the book is sent from here; its details stay the book's own. */
const joined = (
  { id, at, measurer, unit }: SessionRow,
  { clientId, orderId, guardian }: Ground,
  by: number,
) =>
  readings()
    .join(SessionWrite.parse({ id, at, measurer, unit, clientId, orderId, guardian }), by)
    .catch(() => undefined);

/** The session under way: from this device, or begun on another one within half a day. */
export function useCurrentSession(ground: Ground | undefined, by: number) {
  const [session, setSession] = useState<Session | null>(null);
  const [looked, setLooked] = useState(false);
  const [takenId, setTaken] = useState('');
  useEffect(() => {
    if (!ground || looked) return;
    const recent = (at: string) => Date.now() - Date.parse(at) < GOES_ON;
    const there = ground.sessions.find((s) => !s.atHome && recent(s.at));
    readings()
      .newestFor(ground.orderId, ground.clientId)
      .catch(() => undefined)
      .then((here) => {
        const local =
          here && recent(here.at)
            ? {
                id: here.id,
                unit: here.unit,
                measurer: here.measurer,
                schools: here.schools,
                seated: here.seated,
                levels: { waist: here.waistRule, hip: here.hipRule },
              }
            : null;
        setSession((now) => now ?? local ?? there ?? null);
        setLooked(true);
        if (!local && there) void joined(there, ground, by);
      });
  }, [ground, looked, by]);
  const begin = async (s: SessionWrite) => {
    // Where the browser keeps nothing the session goes on all the same; taking a reading will say so.
    await readings()
      .begin(s, by)
      .catch(() => undefined);
    setSession({ ...s, levels: { waist: s.waistRule, hip: s.hipRule } });
  };
  // A session that the server made is the order's once that has been read again: the tape goes on with it.
  const taken = ground?.sessions.find((s) => s.id === takenId);
  useEffect(() => {
    if (!ground || !taken) return;
    void joined(taken, ground, by);
    setSession(taken);
    setTaken('');
  }, [ground, taken, by]);
  return { session, looked, begin, take: setTaken, anew: () => setSession(null) };
}

/** Every reading of the session, the server's and those that wait here, as figures in measuring order. */
export function useReadings(ground: Ground, session: Session, extra: readonly string[]) {
  const kept = useKept();
  const { tape } = useMe();
  // A session that has not reached the server yet is only here; asking for it would find nothing.
  const there = ground.sessions.some((s) => s.id === session.id);
  const { data: server, isLoading } = useSessionQuery(session.id, { skip: !there });
  return useMemo(() => {
    const held = new Set(server?.readings.map((r) => r.id));
    const here = kept.filter((k) => k.sessionId === session.id && !held.has(k.reading.id));
    const readings: Reading[] = [
      ...(server?.readings ?? []),
      ...here.map((k) => ({ ...k.reading, by: session.measurer })),
    ];
    const schools = server?.details.schools ?? session.schools ?? USUAL_SCHOOLS;
    const seated = server?.details.seated ?? session.seated ?? false;
    const list = listBy(ground.list, schools, { seated, sided: hasSides });
    // What was asked for besides, or read already, takes its place in the order of the tape.
    const besides = new Set([...extra, ...readings.map((r) => r.measure)]);
    for (const { id } of list) besides.delete(id);
    const all = [...list, ...[...besides].filter(findMeasure).map((id) => ({ id, needed: false }))];
    const walked = ground.ordered ? all : inTapeOrder(all, tape);
    const items: RibbonItem[] = walked.map(({ id, needed }) => {
      const m = measure(id);
      return { id, name: m.name, needed, measured: resolve(m, readings) };
    });
    const levels = {
      waist: server?.details.waistRule ?? session.levels?.waist ?? USUAL_LEVELS.waist,
      hip: server?.details.hipRule ?? session.levels?.hip ?? USUAL_LEVELS.hip,
    };
    return {
      schools,
      levels,
      ready: !isLoading,
      items,
      waiting: here.filter((k) => !k.sent).length,
      refused: kept.filter((k) => k.sessionId === session.id && k.refused),
    };
  }, [kept, server, session, ground, isLoading, extra, tape]);
}
