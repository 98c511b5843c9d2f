import { randomUUID } from 'node:crypto';
import {
  BriefWire,
  ReadingWire,
  SessionWrite,
  sheetOfView,
  toBrief,
  toSheetInput,
} from '@rocchetto/contract';
import { computeSheet, foldText, measure, measuringTogether } from '@rocchetto/core';
import { hashPassphrase } from '@rocchetto/server/areas/account/passphrase.ts';
import { agreeSheet, changeSheet, cutSheet } from '@rocchetto/server/areas/sheets/service.ts';
import { viewSheet } from '@rocchetto/server/areas/sheets/view.ts';
import { inTransaction, openPool, type Tx } from '@rocchetto/server/db/pool.ts';
import type { SignedIn } from '@rocchetto/server/http/context.ts';
import { addClient } from '@rocchetto/server/records/clients.ts';
import { changeRules, RULES_CHANGED } from '@rocchetto/server/records/house.ts';
import { addGarment, addOrder, changeBrief } from '@rocchetto/server/records/orders.ts';
import { keepReadings } from '@rocchetto/server/records/sessions.ts';
import { seedAlterations } from './alterations.ts';
import { seedCharts } from './charts.ts';
import { seedDesign, seedEstimates } from './design.ts';
import { seedDiary } from './diary.ts';
import { asRead, inventFigures, reading, seeded } from './figures.ts';
import { seedFlat } from './flat.ts';
import { CLIENTS, DEMO_PASSPHRASE, STAFF, STREETS, STUDIO } from './people.ts';
import { BROUGHT_IN, type DemoSkirt, OTHER_ORDERS, SKIRTS, skirtBrief } from './skirts.ts';

const DAY = 86_400_000;
const iso = (d: Date) => d.toISOString().slice(0, 10);

/** Fills an empty database with the invented studio; one that has staff is left alone. Returns the sign-ins. */
export async function seedDemo(databaseUrl: string): Promise<typeof STAFF> {
  const pool = openPool(databaseUrl, () => undefined, { max: 2 });
  try {
    await inTransaction(pool, async (tx) => {
      await tx.query('select pg_advisory_xact_lock(7242)');
      const known = await tx.query('select 1 from staff limit 1');
      if (known.rowCount) return;
      await seed(tx);
      // The database would do so by itself within a minute; until then it plans its answers for empty tables.
      await tx.query('analyze');
    });
    return STAFF;
  } finally {
    await pool.end();
  }
}

async function seed(tx: Tx) {
  const now = new Date();
  const rnd = seeded(20);
  await tx.query(
    `update house set studio = $1, time_zone = $2, address = '4 Ropewalk Yard, Harbour Quarter', phone = '0555 0100', email = 'workroom@example.org',
       currency = '€', demo = true, set_up_at = now(), first_steps_away_at = now()`,
    [STUDIO, Intl.DateTimeFormat().resolvedOptions().timeZone],
  );
  const hash = await hashPassphrase(DEMO_PASSPHRASE);
  const staff: SignedIn[] = [];
  for (const { name, role } of STAFF) {
    const { rows } = await tx.query<{ id: number }>(
      'insert into staff (name, name_key, role, passphrase_hash) values ($1, $2, $3, $4) returning id',
      [name, foldText(name), role, hash],
    );
    staff.push({ id: rows[0]!.id, name, role, csrf: '' });
  }
  await seedRules(tx, staff[0]!.id, now);
  const clients: { id: number; figures: Record<string, number>; unit: 'cm' | 'in'; guardian: string }[] = [];
  for (const [i, person] of CLIENTS.entries()) {
    const client = await addClient(tx, {
      name: person.name,
      phone: `0${500 + i} ${100 + ((i * 37) % 900)} ${1000 + ((i * 7919) % 9000)}`,
      email: i % 3 === 0 ? '' : `${foldText(person.name).replace(/[^a-z]+/g, '.')}@example.org`,
      address: `${3 + i} ${STREETS[i % STREETS.length]}, Tidewell`,
      note: person.note ?? '',
      minor: person.guardian !== undefined,
      guardian: person.guardian ?? '',
      unit: null,
      language: '',
    });
    clients.push({
      id: client.id,
      figures: inventFigures(rnd),
      unit: person.unit ?? 'cm',
      guardian: person.guardian ?? '',
    });
  }
  const session = async (
    ci: number,
    orderId: number | null,
    at: Date,
    ids: readonly string[],
    scale: number,
    declined: readonly string[],
    extra: Partial<SessionWrite>,
    wanted?: number,
  ) => {
    const client = clients[ci]!;
    const who = staff[1 + (ci % 2)]!;
    const id = randomUUID();
    const unit = extra.unit ?? client.unit;
    const kept = SessionWrite.parse({
      id,
      clientId: client.id,
      orderId,
      at: at.toISOString(),
      unit,
      guardian: client.guardian,
      ...extra,
    });
    const readings: ReadingWire[] = [];
    const note = (r: ReadingWire) =>
      readings.push(
        ReadingWire.parse({ ...r, at: new Date(at.getTime() + readings.length * 40_000).toISOString() }),
      );
    for (const m of ids) {
      const figure = m.startsWith('hem-')
        ? wanted
        : (client.figures[m] ?? 0) * (measure(m).kind === 'length' ? 1 : scale);
      if (!figure) continue;
      if (declined.includes(m)) {
        note({ ...reading(m, '1', 'cm', at), state: 'declined', written: null });
        continue;
      }
      note(reading(m, asRead(figure, unit), unit, at));
      if (measure(m).twice) note(reading(m, asRead(figure + (rnd() < 0.5 ? 0.3 : -0.2), unit), unit, at));
    }
    await keepReadings(tx, kept, readings, who);
  };

  // Two years of earlier measuring: most clients once or twice, the first one long ago and since moved.
  for (const [i] of clients.entries()) {
    const general = [
      'high-bust',
      'bust',
      'underbust',
      'waist',
      'hip',
      'waist-to-hip',
      'nape-to-waist',
      'shoulder',
      'upper-arm',
    ];
    await session(
      i,
      null,
      new Date(now.getTime() - (400 + ((i * 53) % 330)) * DAY),
      general,
      i === 0 ? 0.93 : 0.99,
      [],
      {},
    );
    if (i % 3 === 0)
      await session(
        i,
        null,
        new Date(now.getTime() - (130 + ((i * 29) % 220)) * DAY),
        general,
        i === 0 ? 0.94 : 1,
        [],
        {},
      );
  }

  const due = (wornIn: number) => ({
    wornOn: iso(new Date(now.getTime() + wornIn * DAY)),
    dueOn: iso(new Date(now.getTime() + (wornIn - 3) * DAY)),
  });
  const all: readonly DemoSkirt[] = [...SKIRTS, ...OTHER_ORDERS];
  for (const [i, s] of all.entries()) {
    const brief = skirtBrief(s);
    const orderId = await addOrder(
      tx,
      {
        clientId: clients[s.client]!.id,
        what: s.what,
        occasion: s.occasion,
        ...due(s.wornIn),
        responsibleId: staff[1 + (s.client % 2)]!.id,
      },
      brief,
    );
    // The brief comes before the tape: it was written two days before the measuring, or today.
    await tx.query(`update orders set brief_at = $2, created_at = $2 where id = $1`, [
      orderId,
      new Date(now.getTime() - (s.until === 'brief' ? 0 : s.measuredAgo + 2) * DAY),
    ]);
    if (s.until === 'brief') continue;
    const ids = measuringTogether([
      toBrief(brief).parts,
      ...(s.over ? [toBrief(overBrief(s.over)).parts] : []),
    ]).map((m) => m.id);
    const at = new Date(now.getTime() - s.measuredAgo * DAY);
    const length = toBrief(brief).parts.find((p) => p.part.includes('skirt') && typeof p.length === 'number')
      ?.length as number | undefined;
    const hem = length === undefined ? undefined : length + (i % 3 === 0 ? 0.5 : 0);
    await session(
      s.client,
      orderId,
      at,
      ids,
      1,
      s.declined ?? [],
      {
        unit: s.inches ? 'in' : 'cm',
        beneath: brief.beneath,
        heel: brief.heel,
        scribe: i % 2 ? 'Jonah Fell' : '',
      },
      hem,
    );
    await bringOn(tx, orderId, s.until, staff, s.inches ?? false, now);
    if (s.over) await wornOver(tx, orderId, s.over, now);
  }
  await addOrder(
    tx,
    {
      clientId: clients[BROUGHT_IN.client]!.id,
      what: BROUGHT_IN.what,
      occasion: BROUGHT_IN.occasion,
      ...due(BROUGHT_IN.wornIn),
      responsibleId: staff[2]!.id,
    },
    null,
  );
  await seedDiary(tx, { staff, clients }, now);
  await seedAlterations(tx, staff, now);
  await seedDesign(tx, staff, now);
  await seedFlat(tx, staff, now);
  await seedEstimates(tx, staff, now);
  await seedCharts(tx, staff, now);
}

const overBrief = ({ brief, parts }: NonNullable<DemoSkirt['over']>) => BriefWire.parse({ ...brief, parts });

/** A garment over another of the same order: its brief takes the finished girths of that one's sheet. */
async function wornOver(tx: Tx, orderId: number, over: NonNullable<DemoSkirt['over']>, now: Date) {
  const id = await addGarment(tx, orderId, 'b', over.what);
  const { figures } = sheetOfView(await viewSheet(tx, orderId, null, now)).printed.cm;
  const girth = (figure: string) => figures.find((f) => f.id === figure)?.finished ?? null;
  const parts = over.parts.map((p) =>
    p.part === 'long-bodice'
      ? { ...p, overBust: girth('bust'), overWaist: girth('waist'), overHip: girth('hip') }
      : { ...p, over: girth('sleeve.upper-arm') },
  );
  await changeBrief(tx, id, overBrief({ ...over, parts }));
}

/** Takes a demo sheet as far as its story goes, by the same steps a fitter takes. */
async function bringOn(
  tx: Tx,
  orderId: number,
  until: string,
  staff: readonly SignedIn[],
  inches: boolean,
  now: Date,
) {
  const fitter = staff[1]!;
  const step = async (change: Parameters<typeof changeSheet>[2]['change']) =>
    changeSheet(
      tx,
      orderId,
      { version: (await viewSheet(tx, orderId, null, now)).version, change },
      fitter,
      now,
    );
  const accept = async () => {
    const { spec } = await viewSheet(tx, orderId, null, now);
    for (const k of computeSheet(toSheetInput(spec)).checks)
      if (k.state === 'warned')
        await step({ kind: 'accept', code: k.code, reason: 'Seen and agreed with the client.' });
  };
  const agree = async () => {
    await accept();
    const { version, spec } = await viewSheet(tx, orderId, null, now);
    await agreeSheet(tx, orderId, version, spec.order.client, fitter, now);
  };
  if (until === 'measured') return;
  if (inches)
    await step({ kind: 'house', house: { rounding: { unit: 'in', step: 0.125, mode: 'nearest' } } });
  if (until === 'draft')
    return step({
      kind: 'override',
      id: randomUUID(),
      figure: 'hip',
      target: 'wearing',
      value: inches ? '2 1/4 in' : '5.5 cm',
      reason: 'Sits at a desk all day; asked for a little more.',
    });
  if (!inches) await step({ kind: 'house', house: { rounding: { unit: 'cm', step: 0.5, mode: 'nearest' } } });
  await agree();
  if (until === 'revised')
    await step({
      kind: 'override',
      id: randomUUID(),
      figure: 'waist',
      target: 'wearing',
      value: '1 in',
      reason: 'Asked for more room after the toile.',
    });
  if (until === 'cut')
    await cutSheet(tx, orderId, (await viewSheet(tx, orderId, null, now)).version, fitter, now);
}

/** The house once held a close garment's measuring good for three weeks, then took that back by half. */
async function seedRules(tx: Tx, principal: number, now: Date) {
  const steps = [
    { daysAgo: 60, rules: { ages: { close: 21 } } },
    { daysAgo: 24, rules: { ages: { close: 24 }, leads: { asked: 24 } } },
  ];
  let before: object = {};
  for (const { daysAgo, rules } of steps) {
    await changeRules(tx, rules);
    await tx.query(
      `insert into history (entity, entity_id, staff_id, at, what, before, after) values ('house', '1', $1, $2, $3, $4, $5)`,
      [
        principal,
        new Date(now.getTime() - daysAgo * DAY),
        RULES_CHANGED,
        JSON.stringify(before),
        JSON.stringify(rules),
      ],
    );
    before = rules;
  }
}
