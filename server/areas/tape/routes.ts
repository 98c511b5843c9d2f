import {
  type HistoryView,
  type MeasureSeries,
  readReading,
  type TapeRow,
  type WhoseTape,
} from '@rocchetto/contract';
import {
  ALLOWED_DIFFERENCE,
  dayIn,
  findMeasure,
  isClose,
  MEASURES,
  type Measure,
  measure,
  resolveAll,
  STALE_AFTER,
  staleSentence,
  TAPE_NAME,
  tapeAdded,
  temOf,
  verdictOf,
  wholeOf,
} from '@rocchetto/core';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import type { Db } from '../../db/pool.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { readClient } from '../../records/clients.ts';
import { readHouse } from '../../records/house.ts';
import { readSession } from '../../records/sessions.ts';
import { staffName } from '../../records/staff.ts';
import { keepPairs, measuredFor, practised, type ReadShort, readTwice, sessionsOver } from './sql.ts';
import { TEXTS } from './texts.ts';

const PLACE = new Map(MEASURES.map((m, i) => [m.id, i]));

/** Whose tape reads how well, practice of two hands, and what a client measured over time. */
export function tapeRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /tape', async (c, { role }) => {
    const mine = role === 'principal' ? null : c.get('who').name;
    const { sessions, rows } = await readTwice(deps.pool);
    const hands = new Map<string, Map<string, [number, number][]>>();
    const body = bodies();
    for (const r of rows) {
      const m = findMeasure(r.measure);
      if (!m || (mine !== null && r.by !== mine)) continue;
      const [a, b] = [body(r.first, m), body(r.second, m)];
      if (a == null || b == null) continue;
      add(hands, r.by, r.measure, [a, b]);
    }
    const between = new Map<string, Map<string, [number, number][]>>();
    for (const p of await practised(deps.pool))
      if (mine === null || p.reader === mine || p.second === mine)
        add(between, `${p.reader}\n${p.second}`, p.measure, [p.a, p.b]);
    return {
      sessions,
      hands: [...hands]
        .map(([name, by]) => ({ name, rows: rowsOf(by) }))
        .sort((a, b) => a.name.localeCompare(b.name)),
      between: [...between].map(([pair, by]) => {
        const [reader, second] = pair.split('\n') as [string, string];
        return { reader, second, rows: rowsOf(by) };
      }),
    } satisfies WhoseTape;
  });
  on(app, 'POST /tape/pairs', (c, { body }) =>
    once(c, deps, async (tx) => {
      const me = c.get('who').id;
      if (me !== body.readerId && me !== body.secondId) throw new HttpError(403, 'not-yours', TEXTS.notYours);
      for (const id of [body.readerId, body.secondId])
        if ((await staffName(tx, id)) === undefined)
          throw new HttpError(422, 'no-such-staff', TEXTS.noSuchStaff);
      await keepPairs(tx, body, deps.now());
      await remember(tx, 'staff', body.readerId, me, 'practice saved', undefined, {
        with: body.secondId,
        pairs: body.pairs.length,
      });
      return { body: { ok: true } };
    }),
  );
  on(app, 'GET /clients/:id/history', async (c) => {
    const client = await readClient(deps.pool, idParam(c, 'client'));
    if (!client) throw notFound('client');
    return await historyOf(deps.pool, client, deps.now());
  });
  return app;
}

/** A reading's body figure, cm: most of a studio's readings were written in the same few hundred ways, each worked out once. */
function bodies(): (r: ReadShort, m: Measure) => number | null {
  const known = new Map<string, number | null>();
  return (r, m) => {
    const key = `${m.kind} ${r.value} ${r.unit} ${r.way} ${r.tape}`;
    const found = known.get(key);
    if (found !== undefined) return found;
    const { way, tape, ...written } = r;
    const fact = {
      version: 1,
      written,
      way,
      tape,
      source: 'taken here',
      replaces: null,
      reason: '',
      note: '',
      wroteBy: '',
    };
    const reading = readReading({ id: '', measure: m.id, state: 'read', at: '', by: '', ...fact });
    const cm = reading.written ? wholeOf(reading) - tapeAdded(reading.tape, m) : null;
    known.set(key, cm);
    return cm;
  };
}

function add(
  into: Map<string, Map<string, [number, number][]>>,
  key: string,
  of: string,
  pair: [number, number],
) {
  const by = into.get(key) ?? new Map<string, [number, number][]>();
  into.set(key, by);
  const pairs = by.get(of);
  if (pairs) pairs.push(pair);
  else by.set(of, [pair]);
}
const rowsOf = (by: ReadonlyMap<string, [number, number][]>): TapeRow[] =>
  [...by]
    .map(([id, pairs]): TapeRow => {
      const allowed = ALLOWED_DIFFERENCE[measure(id).agree];
      const tem = temOf(pairs)!;
      return { measure: id, allowed, ...tem, verdict: verdictOf(tem, allowed) };
    })
    .sort((a, b) => (PLACE.get(a.measure) ?? 0) - (PLACE.get(b.measure) ?? 0));

async function historyOf(
  db: Db,
  client: { readonly id: number; readonly name: string },
  now: Date,
): Promise<HistoryView> {
  const { timeZone, rules } = await readHouse(db);
  const series = new Map<string, MeasureSeries['points'][number][]>();
  for (const { id } of await sessionsOver(db, client.id)) {
    const session = (await readSession(db, id))!;
    for (const [of, m] of resolveAll(session.readings)) {
      if (m.net === null) continue;
      const tape = m.readings[0]?.tape ?? 'snug';
      series.set(of, [
        ...(series.get(of) ?? []),
        {
          session: id,
          at: new Date(session.at).toISOString(),
          cm: m.net,
          asRead: m.asRead,
          beneath: session.details.beneath,
          measurer: session.measurer,
          tape: tape === 'snug' ? '' : TAPE_NAME[tape],
        },
      ]);
    }
  }
  const today = dayIn(timeZone, now);
  const ages = { ...STALE_AFTER, ...rules.ages };
  const stale = (await measuredFor(db, client.id)).flatMap((o) => {
    if (o.at === null) return [];
    const says = staleSentence(dayIn(timeZone, o.at), today, isClose(o.fit), { changed: o.changed, ages });
    return says === null ? [] : [{ orderId: o.id, number: o.number, says }];
  });
  return {
    clientName: client.name,
    series: [...series]
      .map(([of, points]) => ({ measure: of, points }))
      .sort((a, b) => (PLACE.get(a.measure) ?? 0) - (PLACE.get(b.measure) ?? 0)),
    stale,
  };
}
