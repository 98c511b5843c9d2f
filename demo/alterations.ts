import { AskedWire, may, type StepWire } from '@rocchetto/contract';
import { dayIn } from '@rocchetto/core';
import { findKind, ticketCode } from '@rocchetto/core/alter/index.ts';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { weekdayOf } from '@rocchetto/core/diary/zoned.ts';
import { prepared, takeStep } from '@rocchetto/server/areas/alterations/service.ts';
import type { Tx } from '@rocchetto/server/db/pool.ts';
import type { SignedIn } from '@rocchetto/server/http/context.ts';
import {
  addAlteration,
  addBroughtIn,
  addStep,
  holdAlteration,
  writeBox,
  writeBoxes,
} from '@rocchetto/server/records/alterations.ts';

type Asked = Record<string, unknown> & { readonly kind: string };

/** Alterations in every status: what was forgotten and caught, sent back, changed twice, and nine in one fitting. */
export async function seedAlterations(tx: Tx, staff: readonly SignedIn[], now: Date) {
  const [odile, bram, ines, wren, tomas, pia] = staff as [
    SignedIn,
    SignedIn,
    SignedIn,
    SignedIn,
    SignedIn,
    SignedIn,
  ];
  const { rows: house } = await tx.query<{ zone: string }>('select time_zone as zone from house');
  const today = dayIn(house[0]!.zone, now);
  /** the n-th day from today on which the bench works */
  const benchDay = (n: number): string => {
    let day = today;
    for (let left = n; ; day = dayAfter(day, 1)) {
      if ((weekdayOf(day) < 5 || day === today) && left-- === 0) return day;
    }
  };
  const days = (n: number) => new Date(now.getTime() - n * 86_400_000);
  const { rows: cut } = await tx.query<{ id: number; what: string }>(
    `select id, what from orders where stage in ('cut', 'fitting', 'agreed') and brief -> 'parts' -> 0 ->> 'part' = 'straight-skirt' order by coalesce(brief ->> 'lining', '') <> '' desc, stage desc, id`,
  );
  const { rows: bare } = await tx.query<{ id: number }>(
    `select id from orders where what = 'Shorten a coat' order by id limit 1`,
  );
  const ask = async (orderId: number, ago: number, asked: Asked, by: SignedIn = bram) => {
    const wire = AskedWire.parse({ version: 2, ...asked });
    const made = await prepared(tx, orderId, wire, days(ago), null);
    const { minutes } = findKind(wire.kind)!;
    const id = await addAlteration(tx, {
      orderId,
      appointmentId: null,
      source: may(by.role, 'session.write') ? 'fitting' : 'desk',
      asked: wire,
      targets: made.targets,
      minutes,
      by: by.id,
    });
    await writeBoxes(tx, id, made.boxes);
    await addStep(tx, id, by.id, days(ago), 'asked', { words: '' });
    return id;
  };
  const step = async (id: number, ago: number, who: SignedIn, s: StepWire) =>
    takeStep(tx, (await holdAlteration(tx, id))!, s, { who, role: who.role, now: days(ago) });
  const agree = (id: number, ago: number, neededOn: string | null = null, price: number | null = null) =>
    step(id, ago, bram, { step: 'agree', name: 'the client', price, neededOn });
  const give = (id: number, ago: number, to: SignedIn, day: string | null) =>
    step(id, ago, odile, { step: 'assign', staffId: to.id, day, note: '' });
  const tick = async (
    id: number,
    ago: number,
    who: SignedIn,
    which: (layer: string) => boolean = () => true,
  ) => {
    for (const b of (await holdAlteration(tx, id))!.boxes)
      if (which(b.layer)) await writeBox(tx, id, b.id, { doneAt: days(ago), doneBy: who.id, struck: null });
  };
  const done = async (id: number, ago: number, who: SignedIn) => {
    await step(id, ago + 0.1, who, { step: 'start' });
    await tick(id, ago, who);
    await step(id, ago, who, { step: 'finish', note: '' });
  };

  const { rows: only } = await tx.query<{ id: number }>(
    `select id from orders where what like 'Concert gown, one fitting%'`,
  );
  const [a, b, c, d] = cut;
  const e = only[0];
  if (a) {
    // The outer cloth is done; the lining is still open, and so it cannot be called done.
    const forgotten = await ask(a.id, 4, {
      kind: 'waist',
      direction: 'in',
      amount: '1 cm',
      as: 'pinned',
      sign: 'waist-rolls',
      words: 'It rides up when I sing',
    });
    await agree(forgotten, 4, benchDay(4));
    await give(forgotten, 3, wren, benchDay(0));
    await step(forgotten, 0.05, wren, { step: 'start' });
    await tick(forgotten, 0.02, wren, (layer) => layer === 'outer');
    const hem = await ask(a.id, 4, {
      kind: 'hem-straight',
      direction: 'up',
      amount: '2 cm',
      words: 'A little shorter, for the stairs',
    });
    await agree(hem, 4, benchDay(4));
    await give(hem, 3, tomas, benchDay(1));
  }
  if (b) {
    // Four edges of an eighth are half an inch.
    const eighths = await ask(
      b.id,
      9,
      {
        kind: 'side-seams',
        direction: 'in',
        amount: '1/2 in',
        as: 'total',
        begins: '2 in',
        fullFrom: '4 in',
        zero: '12 in',
      },
      ines,
    );
    await agree(eighths, 9);
    await give(eighths, 8, pia, null);
    await done(eighths, 7, pia);
    await step(eighths, 6, wren, { step: 'check', readings: {}, note: 'measured on the form' });
    const darts = await ask(
      b.id,
      9,
      { kind: 'hip-curve', direction: 'in', amount: '1/4 in', as: 'total' },
      ines,
    );
    await agree(darts, 9);
    await give(darts, 8, pia, null);
    await done(darts, 5, pia);
  }
  if (c) {
    // The hem was levelled before the bias had dropped: it came back.
    const bias = await ask(c.id, 8, {
      kind: 'hem-levelled',
      direction: 'up',
      hem: { front: '1.5 cm', left: '2 cm', right: '2 cm', back: '2.5 cm' },
      sign: 'hem-bias',
    });
    await agree(bias, 8, benchDay(0));
    await give(bias, 8, tomas, null);
    await done(bias, 6, tomas);
    await step(bias, 4, ines, {
      step: 'back',
      reason: 'The bias had not dropped; hang it until Thursday, then level it again',
    });
    const neck = await ask(c.id, 8, { kind: 'shoulder-pad', direction: 'add', words: 'I would rather not' });
    await step(neck, 8, bram, { step: 'decline', reason: 'She likes the shoulder as it is' });
  }
  if (d) {
    const twice = await ask(d.id, 6, { kind: 'hem-straight', direction: 'up', amount: '3 cm' });
    await agree(twice, 6);
    await step(twice, 5, bram, { step: 'withdraw', reason: 'She would keep the length after all' });
    await step(twice, 3, bram, { step: 'ask-again', reason: 'Shorter, with the new shoes' });
    const kept = await ask(d.id, 6, { kind: 'side-seams', direction: 'in', amount: '0.8 cm', as: 'total' });
    await agree(kept, 6);
    await done(kept, 5, tomas);
    await step(kept, 4, bram, {
      step: 'accept',
      name: 'Bram Teller',
      reason: 'A thread’s width on the left; it does not show',
    });
  }
  if (e) {
    // One fitting, nine alterations: everything the only visit has to carry.
    const nine: Asked[] = [
      { kind: 'waist', direction: 'in', amount: '0.5 cm', as: 'pinned' },
      { kind: 'hip-curve', direction: 'in', amount: '0.4 cm', as: 'pinned', sign: 'hip-point' },
      { kind: 'back-darts', direction: 'in', amount: '1 cm' },
      { kind: 'front-darts', direction: 'out', amount: '0.5 cm' },
      { kind: 'side-swing', direction: 'back', amount: '0.5 cm', sign: 'side-forward' },
      { kind: 'hem-straight', direction: 'up', amount: '1.5 cm' },
      { kind: 'zip', direction: 'replace', note: 'the puller catches' },
      { kind: 'trim', direction: 'add', note: 'narrow braid above the hem, 2 rows' },
      { kind: 'press', direction: 'press' },
    ];
    for (const [i, asked] of nine.entries()) {
      const id = await ask(e.id, 2, asked, ines);
      await agree(id, 2, benchDay(3));
      if (i < 6) await give(id, 1, i % 2 === 0 ? wren : tomas, benchDay(1 + Math.floor(i / 2)));
    }
  }
  // Agreed on the toile, before the cloth is cut: they wait at the sheet to be drafted into its next revision.
  const { rows: toile } = await tx.query<{ id: number }>(
    `select id from orders where what = 'Straight skirt, midi' and stage = 'agreed' order by id limit 1`,
  );
  if (toile[0]) {
    const sides = await ask(toile[0].id, 1, {
      kind: 'side-seams',
      direction: 'in',
      amount: '0.5 cm',
      as: 'pinned',
      words: 'Closer at the hip, please',
    });
    await agree(sides, 1);
    const longer = await ask(toile[0].id, 1, { kind: 'hem-straight', direction: 'down', amount: '2 cm' });
    await agree(longer, 1);
  }
  if (bare[0]) {
    const coat = {
      clientId: 0,
      kind: 'coat',
      what: '',
      lined: true,
      label: 'wool, dry clean; size label cut out',
      condition: 'worn at the right cuff; one button loose',
      dueOn: null,
    };
    await addBroughtIn(tx, bare[0].id, coat, ticketCode([3, 14, 1, 5, 9]), staff.at(-1)!.id, days(3));
    const zip = await ask(
      bare[0].id,
      3,
      { kind: 'zip', direction: 'replace', note: 'brought in; metal zip, 20 cm, navy' },
      staff.at(-1)!,
    );
    await agree(zip, 3, benchDay(5), 28);
  }
}
