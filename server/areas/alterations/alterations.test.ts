import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

// The test studio's clock stands at noon of Tuesday 10 March 2026, in UTC.
let t: TestApp;
let now = new Date('2026-03-10T12:00:00Z');
let [principal, fitter, desk, bench, other]: Caller[] = [];
let orderId = 0;
const BODY = ['waist 70 cm', 'waist 70 cm', 'hip 98 cm', 'hip 98 cm', 'waist-to-hip 20.5 cm'];
beforeAll(async () => {
  t = await startTestApp(() => now);
  [principal, fitter, desk, bench] = [
    await t.as('principal'),
    await t.as('fitter'),
    await t.as('desk'),
    await t.as('seamstress'),
  ];
  const { id } = await json(
    principal.send('POST', '/staff', { name: 'Second Bench', role: 'seamstress' }),
    201,
  );
  other = await t.asStaff(id);
  const made = await skirtOrder(fitter!, { name: 'Cloth Only' });
  orderId = made.orderId;
  await json(fitter!.send('POST', '/readings', sessionBody(made.clientId, orderId, BODY)));
});
afterAll(() => t.close());

const WAIST = { kind: 'waist', direction: 'in', amount: '1 cm', as: 'pinned' };
const ask = (asked: object, who = fitter!, status = 201) =>
  json(who.send('POST', `/orders/${orderId}/alterations`, { asked, source: 'fitting' }), status);
const all = async (who = fitter!) => json(who.get(`/orders/${orderId}/alterations`));
const one = async (id: number) => (await all()).alterations.find((a: { id: number }) => a.id === id);
const step = async (id: number, s: object, who = fitter!, status = 200) =>
  json(who.send('POST', `/alterations/${id}/steps`, { version: (await one(id)).version, step: s }), status);
const tick = (id: number, box: string, to = 'done', reason = '', who = bench!, status = 200) =>
  json(who.send('POST', `/alterations/${id}/boxes`, { box, to, reason }), status);
const toBench = async () => {
  const { id } = await ask(WAIST);
  await step(id, { step: 'agree', name: 'the client' });
  return id as number;
};
const tickAll = async (id: number, who = bench!) => {
  for (const b of (await one(id)).boxes) await tick(id, b.id, 'done', '', who);
};

describe('an alteration', () => {
  it('goes from the asking to the check: boxes of every layer, minutes, another pair of eyes, the day it takes', async () => {
    const { id } = await ask({ ...WAIST, words: 'it rides up', sign: 'cross-strain-waist' });
    const asked = await one(id);
    expect(asked.sentence).toBe('Waist: take in 1 cm pinned, 2 cm altogether.');
    expect(asked.boxes.map((b: { layer: string; piece: string }) => `${b.layer} ${b.piece}`)).toContain(
      'outer back',
    );
    expect(asked.targets.find((x: { id: string }) => x.id === 'skirt.waist').target).toBeCloseTo(70.5, 0);
    const staffId = (await json(bench!.get('/me'))).id;
    await step(id, { step: 'agree', name: 'Client herself', price: 25, neededOn: '2026-03-20' }, desk);
    await step(id, { step: 'assign', staffId, day: '2026-03-12', minutes: 90 });
    const day = await json(fitter!.get('/diary?day=2026-03-12'));
    expect(day.bench.filter((w: { alterationId: number }) => w.alterationId === id)).toMatchObject([
      { minutes: 90, makes: 'altered' },
    ]);
    await step(id, { step: 'start' }, bench);
    now = new Date('2026-03-10T12:25:00Z');
    expect((await step(id, { step: 'finish' }, bench, 409)).code).toBe('boxes-open');
    const [first, ...rest] = (await one(id)).boxes;
    for (const b of rest) await tick(id, b.id);
    expect((await tick(id, first.id, 'struck', '', bench, 422)).detail).toContain(
      'reason for crossing out this piece',
    );
    await tick(id, first.id, 'struck', 'cut anew already');
    await step(id, { step: 'finish' }, bench);
    expect((await step(id, { step: 'check' }, bench, 409)).code).toBe('own-work');
    const outside = await step(id, { step: 'check', readings: { 'skirt.waist': '75 cm' } }, other, 422);
    expect(outside.detail).toContain('is allowed. Send it back');
    // A tape in inches is answered in inches.
    const inches = await step(id, { step: 'check', readings: { 'skirt.waist': '32 in' } }, other, 422);
    expect(inches.detail).toMatch(/32 in is [^.]* in more than [^.]* in, and [^.]* in is allowed/);
    const { target } = asked.targets.find((x: { id: string }) => x.id === 'skirt.waist');
    await step(id, { step: 'check', readings: { 'skirt.waist': `${target} cm` } }, other);
    const done = await one(id);
    expect(done).toMatchObject({ status: 'checked', worked: 25, workingSince: null });
    expect(done.steps.map((s: { step: string }) => s.step)).toEqual([
      'asked',
      'agree',
      'assign',
      'start',
      'struck',
      'finish',
      'check',
    ]);
  });

  it('the lining forgotten cannot be missed, and going back opens every box again', async () => {
    const id = await toBench();
    const { boxes } = await one(id);
    for (const b of boxes) if (b.layer !== 'lining') await tick(id, b.id);
    const lined = boxes.some((b: { layer: string }) => b.layer === 'lining');
    const refused = lined ? await step(id, { step: 'finish' }, bench, 409) : null;
    if (refused) expect(refused.detail).toContain('lining');
    await tickAll(id);
    await step(id, { step: 'finish' }, bench);
    await step(id, { step: 'back', reason: 'the left is lower' }, other);
    const back = await one(id);
    expect(back.status).toBe('agreed');
    expect(back.boxes.every((b: { doneAt: string | null }) => b.doneAt === null)).toBe(true);
    await tickAll(id);
    await step(id, { step: 'finish' }, bench);
    expect(
      (await step(id, { step: 'accept', name: 'Bram', reason: 'within a thread' }, bench, 403)).code,
    ).toBe('not-yours');
    await step(id, { step: 'accept', name: 'Bram', reason: 'within a thread' });
    expect((await one(id)).status).toBe('accepted');
  });

  it('keeps its ticks when it is withdrawn, asked and agreed again; what takes another amount is open again', async () => {
    const id = await toBench();
    const [first, second] = (await one(id)).boxes as { id: string }[];
    await tick(id, first!.id);
    await tick(id, second!.id, 'struck', 'there is no such piece');
    await step(id, { step: 'withdraw', reason: 'not sure' });
    await step(id, { step: 'ask-again', reason: 'sure now' });
    await step(id, { step: 'agree', name: 'the client' });
    const state = async () =>
      (await one(id)).boxes.map((b: { id: string; doneBy: string | null; struck: string | null }) => [
        b.id,
        b.doneBy ?? b.struck ?? '',
      ]);
    const [a, b, ...rest] = await state();
    expect([a[1], b[1]]).toEqual(['Test seamstress', 'there is no such piece']);
    expect(rest.every(([, said]: [string, string]) => said === '')).toBe(true);
    await step(id, { step: 'withdraw', reason: 'more of it' });
    await step(id, { step: 'ask-again', reason: 'more of it' });
    const { version } = await one(id);
    await json(fitter!.send('PUT', `/alterations/${id}`, { version, asked: { ...WAIST, amount: '2 cm' } }));
    await step(id, { step: 'agree', name: 'the client' });
    expect((await state()).every(([, said]: [string, string]) => said === '')).toBe(true);
    await step(id, { step: 'withdraw', reason: 'over' });
  });
  it('is tried on the garment as it is by then: what stands counts, what is declined does not', async () => {
    const waistOf = async (asked: object) => {
      const { id } = await ask(asked);
      const target = (await one(id)).targets.find((x: { id: string }) => x.id === 'skirt.waist').target;
      return { id: id as number, target: target as number };
    };
    const first = await waistOf(WAIST);
    const second = await waistOf(WAIST);
    expect(second.target).toBeCloseTo(first.target, 6);
    await step(first.id, { step: 'agree', name: 'x' });
    const third = await waistOf(WAIST);
    expect(third.target).toBeCloseTo(first.target - 2, 6);
    for (const { id } of [second, third]) await step(id, { step: 'decline', reason: 'she likes it so' });
    await step(first.id, { step: 'withdraw', reason: 'changed her mind' });
    await step(first.id, { step: 'ask-again', reason: 'changed it back' });
    await step(first.id, { step: 'withdraw', reason: 'and again' });
    expect((await one(first.id)).steps.map((s: { step: string }) => s.step)).toEqual([
      'asked',
      'agree',
      'withdraw',
      'ask-again',
      'withdraw',
    ]);
    expect((await all()).drawn[first.id]).toBeUndefined();
  });

  it('two that were asked for together are checked against what both make', async () => {
    const made = await skirtOrder(fitter!, { name: 'Both Together' });
    await json(fitter!.send('POST', '/readings', sessionBody(made.clientId, made.orderId, BODY)));
    const path = `/orders/${made.orderId}/alterations`;
    const ids: number[] = [];
    for (let i = 0; i < 2; i++)
      ids.push((await json(fitter!.send('POST', path, { asked: WAIST, source: 'fitting' }), 201)).id);
    const of = async (id: number) =>
      (await json(fitter!.get(path))).alterations.find((a: { id: number }) => a.id === id);
    const waist = async (id: number) =>
      (await of(id)).targets.find((x: { id: string }) => x.id === 'skirt.waist').target;
    const take = async (id: number, s: object, who = bench!, status = 200) =>
      json(
        who.send('POST', `/alterations/${id}/steps`, { version: (await of(id)).version, step: s }),
        status,
      );
    const before = await waist(ids[0]!);
    expect(await waist(ids[1]!)).toBeCloseTo(before, 6);
    for (const id of ids) await take(id, { step: 'agree', name: 'x' }, fitter);
    expect(await waist(ids[1]!)).toBeCloseTo(before - 2, 6);
    for (const id of ids) {
      for (const b of (await of(id)).boxes) await tick(id, b.id);
      await take(id, { step: 'finish' });
    }
    for (const id of ids) expect(await waist(id)).toBeCloseTo(before - 2, 6);
    await take(ids[0]!, { step: 'check', readings: { 'skirt.waist': `${before} cm` } }, other, 422);
    await take(ids[0]!, { step: 'check', readings: { 'skirt.waist': `${before - 2} cm` } }, other);
    const staffId = (await json(bench!.get('/me'))).id;
    const third = (await json(fitter!.send('POST', path, { asked: WAIST, source: 'fitting' }), 201)).id;
    await take(third, { step: 'agree', name: 'x' }, fitter);
    expect((await take(third, { step: 'assign', staffId, day: '2026-03-01' }, fitter, 422)).code).toBe(
      'past',
    );
  });

  it('asked before the client is measured is kept in words, and worked out on the panels when it is agreed', async () => {
    const made = await skirtOrder(fitter!, { name: 'Not Measured Yet' });
    const path = `/orders/${made.orderId}/alterations`;
    const { id } = await json(fitter!.send('POST', path, { asked: WAIST, source: 'call' }), 201);
    const of = async () => (await json(fitter!.get(path))).alterations[0];
    expect((await of()).boxes).toHaveLength(1);
    await json(fitter!.send('POST', '/readings', sessionBody(made.clientId, made.orderId, BODY)));
    await json(
      fitter!.send('POST', `/alterations/${id}/steps`, { version: 1, step: { step: 'agree', name: 'x' } }),
    );
    expect((await of()).boxes.length).toBeGreaterThan(2);
    expect((await of()).targets.length).toBeGreaterThan(0);
  });

  it('is changed while it is asked only, on top of what others saved', async () => {
    const { id } = await ask(WAIST);
    const change = (version: number, amount: string, status = 200) =>
      json(fitter!.send('PUT', `/alterations/${id}`, { version, asked: { ...WAIST, amount } }), status);
    await change(1, '1.5 cm');
    const lost = await change(1, '2 cm', 409);
    expect(lost.theirs.asked.amount).toBe('1.5 cm');
    await step(id, { step: 'agree', name: 'x' });
    expect((await change(3, '3 cm', 409)).code).toBe('agreed');
    await step(id, { step: 'withdraw', reason: 'tried' });
  });

  it.each([
    ['a kind nobody knows', { ...WAIST, kind: 'wings' }, 'no such alteration'],
    ['a way it has not', { ...WAIST, direction: 'up' }, 'can’t be done that way'],
    ['no amount', { ...WAIST, amount: null }, 'Enter the amount'],
    ['an amount without a unit', { ...WAIST, amount: '1' }, 'has no unit'],
    ['a pinch larger than the panel', { ...WAIST, amount: '60 cm' }, 'not so much cloth'],
    [
      'a seam the garment has not',
      { kind: 'sleeve-length', direction: 'shorter', amount: '2 cm' },
      'This garment has no sleeve end.',
    ],
    ['a taper of no length', { ...WAIST, fullTo: '10 cm', zero: '10 cm' }, 'taper needs some length'],
  ])('%s is refused in a sentence', async (_, asked, sentence) => {
    expect(JSON.stringify(await ask(asked, fitter!, 422))).toContain(sentence);
  });

  it('a price 0 or more, another order’s appointment, a missing alteration, a strange piece', async () => {
    const { id } = await ask(WAIST);
    expect((await step(id, { step: 'agree', name: 'x', price: -1 }, fitter, 422)).detail).toContain(
      '0 or more',
    );
    await json(
      fitter!.send('POST', `/orders/${orderId}/alterations`, {
        asked: WAIST,
        source: 'fitting',
        appointmentId: 99,
      }),
      422,
    );
    await json(fitter!.send('POST', '/alterations/999999/boxes', { box: 'x', to: 'done' }), 404);
    expect((await tick(id, 'x', 'done', '', bench, 409)).code).toBe('not-at-the-bench');
    await step(id, { step: 'agree', name: 'x' });
    expect((await tick(id, 'nothing', 'done', '', bench, 422)).code).toBe('no-such-piece');
    await step(id, { step: 'withdraw', reason: 'tried' });
  });

  it('is checked by the one who did it where the studio says so, with figures or a reason, and the record says it', async () => {
    const principal = await t.as('principal');
    const owns = async (ownCheck: boolean) => {
      const { version, studio, timeZone } = await json(principal.get('/house'));
      await json(principal.send('PUT', '/house', { version, studio, timeZone, ownCheck }));
    };
    const id = await toBench();
    await tickAll(id);
    await step(id, { step: 'finish' }, bench);
    await step(id, { step: 'check', note: 'tried on' }, bench, 409);
    await owns(true);
    expect((await step(id, { step: 'check' }, bench, 422)).code).toBe('not-measured');
    await step(id, { step: 'check', note: 'tried on' }, bench);
    const done = await one(id);
    expect(done.status).toBe('checked');
    expect(done.steps.at(-1).says).toBe('tried on. own work, checked by the one who did it');
    await owns(false);
    const next = await toBench();
    await tickAll(next);
    await step(next, { step: 'finish' }, bench);
    expect((await step(next, { step: 'check', note: 'tried on' }, bench, 409)).code).toBe('own-work');
    await step(next, { step: 'check', note: 'tried on' }, other);
  });

  it('one’s own last step is undone as if it had not been, and stays in the list with its undoing', async () => {
    const id = await toBench();
    const undo = async (who: Caller, status = 200, version?: number) =>
      json(
        who.send('POST', `/alterations/${id}/undo`, { version: version ?? (await one(id)).version }),
        status,
      );
    now = new Date('2026-03-10T14:00:00Z');
    // Nothing was done with one key yet.
    expect((await undo(fitter!, 409)).code).toBe('nothing-to-undo');
    await step(id, { step: 'start' }, bench);
    expect((await undo(other!, 409)).code).toBe('nothing-to-undo');
    await undo(bench!);
    expect(await one(id)).toMatchObject({ status: 'agreed', worked: 0, workingSince: null, staffId: null });
    expect((await undo(bench!, 409)).code).toBe('nothing-to-undo');
    await step(id, { step: 'start' }, bench);
    now = new Date('2026-03-10T14:10:00Z');
    await step(id, { step: 'pause', note: '' }, bench);
    now = new Date('2026-03-10T14:10:20Z');
    await undo(bench!);
    now = new Date('2026-03-10T14:20:00Z');
    await tickAll(id);
    await step(id, { step: 'finish' }, bench);
    // Twenty minutes without a break: the pause that was undone took none.
    expect(await one(id)).toMatchObject({ status: 'done', worked: 20 });
    // An hour later it is open again, and what lay between is nobody's work.
    now = new Date('2026-03-10T15:20:00Z');
    await undo(bench!);
    expect(await one(id)).toMatchObject({ status: 'in-work', doneById: null, worked: 20 });
    const { version } = await one(id);
    await step(id, { step: 'finish' }, bench);
    expect((await undo(bench!, 409, version)).code).toBe('changed-meanwhile');
    await step(id, { step: 'check', note: 'tried on' }, other);
    expect((await undo(bench!, 409)).code).toBe('nothing-to-undo');
    await undo(other!);
    const last = await one(id);
    expect(last.status).toBe('done');
    expect(last.steps.slice(-2)).toMatchObject([
      { step: 'check', undoable: false },
      { step: 'undo', says: '“checked”', undoable: false },
    ]);
    // Two presses at once undo once.
    await step(id, { step: 'check', note: 'tried on' }, other);
    const at = (await one(id)).version;
    const both = await Promise.all(
      [1, 2].map(() => other!.send('POST', `/alterations/${id}/undo`, { version: at })),
    );
    expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
    now = new Date('2026-03-10T12:25:00Z');
  });

  it('two people finishing one job: one does, the other is told; two starts at once begin one piece of work', async () => {
    const id = await toBench();
    await tickAll(id);
    const { version } = await one(id);
    const finish = (who: Caller) =>
      who.send('POST', `/alterations/${id}/steps`, { version, step: { step: 'finish' } });
    const answers = await Promise.all([finish(bench!), finish(other!)]);
    expect(answers.map((r) => r.status).sort()).toEqual([200, 409]);
    const [a, b] = [await toBench(), await toBench()];
    const start = async (x: number) =>
      bench!.send('POST', `/alterations/${x}/steps`, {
        version: (await one(x)).version,
        step: { step: 'start' },
      });
    const starts = await Promise.all([start(a), start(b)]);
    expect(starts.map((r) => r.status).sort()).toEqual([200, 409]);
    const { rows } = await t.pool.query(
      'select count(*)::int as n from alteration_work where ended_at is null',
    );
    expect(rows[0].n).toBe(1);
  });

  it('what role may what: the bench asks and agrees nothing, and takes only what nobody has', async () => {
    await ask(WAIST, bench!, 403);
    const { id } = await ask(WAIST, desk!);
    await step(id, { step: 'agree', name: 'x' }, bench, 403);
    await step(id, { step: 'agree', name: 'x' }, desk);
    const mine = (await json(bench!.get('/me'))).id;
    const theirs = (await json(other!.get('/me'))).id;
    await step(id, { step: 'assign', staffId: theirs }, bench, 403);
    await step(id, { step: 'assign', staffId: mine }, bench);
    await step(id, { step: 'assign', staffId: theirs }, other, 403);
    expect((await step(id, { step: 'start' }, other, 409)).code).toBe('given-away');
    const list = await json(bench!.get(`/bench?staffId=${mine}`));
    expect(list.map((r: { id: number }) => r.id)).toContain(id);
    expect(
      (await json(other!.get(`/bench?staffId=${theirs}`))).map((r: { id: number }) => r.id),
    ).not.toContain(id);
  });

  it('work on it is changed and ticked on its own page, not in the list of bench work', async () => {
    const id = await toBench();
    const staffId = (await json(bench!.get('/me'))).id;
    await step(id, { step: 'assign', staffId, day: '2026-03-13' });
    const { bench: works } = await json(fitter!.get('/diary?day=2026-03-13'));
    const work = works.find((w: { alterationId: number }) => w.alterationId === id);
    const refused = await json(
      bench!.send('POST', `/bench/${work.id}/done`, { version: work.version, done: true }),
      409,
    );
    expect(refused.code).toBe('alteration');
    await step(id, { step: 'assign', staffId: null });
    expect((await json(fitter!.get('/diary?day=2026-03-13'))).bench).toEqual([]);
  });

  it('proposes the week within skill, hours and what each hand has left; it gives nothing by itself', async () => {
    const id = await toBench();
    const proposal = await json(principal!.get('/bench/proposal'));
    const mine = proposal.placed.find((p: { id: number }) => p.id === id);
    expect(mine).toMatchObject({ minutes: 75, orderId });
    expect(mine.why).toMatch(/has .+ free that day/);
    expect((await one(id)).staffId).toBeNull();
    await json(bench!.get('/bench/proposal'), 403);
    const used = new Map<string, number>();
    for (const p of proposal.placed)
      used.set(`${p.staffId} ${p.day}`, (used.get(`${p.staffId} ${p.day}`) ?? 0) + p.minutes);
    expect(Math.max(...used.values())).toBeLessThanOrEqual(9 * 60);
    const { staffId, day, minutes } = mine;
    await step(id, { step: 'assign', staffId, day, minutes }, principal);
    const after = await json(principal!.get('/bench/proposal'));
    expect(after.placed.some((p: { id: number }) => p.id === id)).toBe(false);
  });

  it('an order without a sheet has its alterations too, each with one box', async () => {
    const client = await json(desk!.send('POST', '/clients', { name: 'Brought In' }), 201);
    const order = await json(
      desk!.send('POST', '/orders', { clientId: client.id, what: 'Coat, brought in' }),
      201,
    );
    const made = await json(
      desk!.send('POST', `/orders/${order.id}/alterations`, {
        asked: { kind: 'zip', direction: 'replace' },
        source: 'desk',
      }),
      201,
    );
    const [a] = (await json(desk!.get(`/orders/${order.id}/alterations`))).alterations;
    expect(a).toMatchObject({ id: made.id, sentence: 'Zip replaced.', targets: [] });
    expect(a.boxes).toHaveLength(1);
  });

  it('a garment that is brought in has a ticket, its pieces by kind, and is found by the ticket and no other', async () => {
    const client = await json(desk!.send('POST', '/clients', { name: 'Carries Coat' }), 201);
    const garment = {
      clientId: client.id,
      kind: 'coat',
      what: 'Winter coat',
      lined: true,
      condition: 'one button missing',
    };
    await json(bench!.send('POST', '/brought-in', garment), 403);
    expect(
      (await json(desk!.send('POST', '/brought-in', { ...garment, kind: 'tent' }), 422)).detail,
    ).toContain('no such garment');
    expect(
      (await json(desk!.send('POST', '/brought-in', { ...garment, condition: '' }), 422)).detail,
    ).toContain('Enter the condition');
    const { orderId: id, code } = await json(desk!.send('POST', '/brought-in', garment), 201);
    const found = (c: string, status = 200) =>
      json(desk!.get(`/tickets?code=${encodeURIComponent(c)}`), status);
    expect(await found(`${code.slice(0, 3).toLowerCase()}-${code.slice(3)}`)).toEqual({ orderId: id });
    const other = `${code.slice(0, 5)}${code[5] === 'A' ? 'B' : 'A'}`;
    expect((await found(other, 422)).code).toBe('no-ticket');
    expect((await found('AAAAAA', 404)).code).toBe('no-such-ticket');
    const asked = { kind: 'side-seams', direction: 'in', amount: '1 cm', as: 'pinned' };
    await json(desk!.send('POST', `/orders/${id}/alterations`, { asked, source: 'desk' }), 201);
    const none = await json(
      desk!.send('POST', `/orders/${id}/alterations`, {
        asked: { ...asked, kind: 'inseam' },
        source: 'desk',
      }),
      422,
    );
    expect(none.detail).toBe('A coat has no inside leg seam.');
    const { alterations, broughtIn } = await json(bench!.get(`/orders/${id}/alterations`));
    expect(broughtIn).toMatchObject({ code, kind: 'coat', condition: 'one button missing' });
    expect(
      alterations[0].boxes.map(
        (b: { layer: string; piece: string; each: number }) => `${b.layer} ${b.piece} ${b.each}`,
      ),
    ).toEqual(['outer front -0.5', 'outer back -0.5', 'lining front -0.5', 'lining back -0.5']);
    const ticket = await desk!.get(`/orders/${id}/ticket.pdf`);
    expect((await ticket.arrayBuffer()).byteLength).toBeGreaterThan(5000);
    expect((await desk!.get(`/orders/${orderId}/ticket.pdf`)).status).toBe(404);
  });

  it('is handed over when nothing stands in the way, by name; comes back with a reason, and only then is asked more of', async () => {
    const made = await skirtOrder(fitter!, { name: 'Leaving Soon' });
    const path = `/orders/${made.orderId}`;
    const mine = async () => json(desk!.get(`${path}/alterations`));
    const give = (status: number, body: object = { clientName: 'Leaving Soon', cautionsRead: true }) =>
      json(desk!.send('POST', `${path}/hand-over`, body), status);
    expect((await give(409)).problems).toEqual(['The cloth is not cut yet, so there is no garment.']);
    await json(fitter!.send('POST', '/readings', sessionBody(made.clientId, made.orderId, BODY)));
    let { version } = await json(fitter!.get(`${path}/sheet`));
    for (const k of (await json(fitter!.get(`${path}/sheet.json`))).printed.checks.filter(
      (x: { state: string }) => x.state === 'warned',
    )) {
      const change = { kind: 'accept', code: k.code, reason: 'tried' };
      version = (await json(fitter!.send('POST', `${path}/sheet/changes`, { version, change }))).version;
    }
    version = (await json(fitter!.send('POST', `${path}/sheet/agree`, { version, name: 'Leaving Soon' })))
      .version;
    await json(fitter!.send('POST', `${path}/sheet/cut`, { version }));
    const { id } = await json(
      fitter!.send('POST', `${path}/alterations`, { asked: WAIST, source: 'fitting' }),
      201,
    );
    const { inTheWay, points } = await mine();
    expect(inTheWay.slice(0, 2)).toEqual(['Waist is requested.', 'Pins not counted. Count them in and out.']);
    expect(inTheWay[2]).toContain('Not measured against the sheet yet: ');
    const girths = points.filter((p: { required: boolean }) => p.required);
    const read = (who: Caller, body: object, status = 201) =>
      json(who.send('POST', `${path}/points`, body), status);
    const texts = Object.fromEntries(
      girths.map((p: { id: string; target: number }) => [p.id, `${p.target} cm`]),
    );
    await read(bench!, { readings: {} }, 422);
    await read(bench!, { readings: { sleeve: '3 cm' } }, 422);
    await read(bench!, { readings: { ...texts, hip: '140 cm' } });
    expect((await mine()).inTheWay).toContain(
      'Hip is outside tolerance. Send it back to the bench, or accept it by name.',
    );
    const accepted = { name: 'Bram', reason: 'wanted so' };
    await read(bench!, { readings: { hip: '140 cm' }, accepted }, 403);
    await read(fitter!, { readings: { hip: '140 cm' }, accepted });
    expect((await mine()).inTheWay).toHaveLength(2);
    await json(
      fitter!.send('POST', `/alterations/${id}/steps`, {
        version: 1,
        step: { step: 'decline', reason: 'no' },
      }),
    );
    const count = (way: string, pins: number, status = 201) =>
      json(bench!.send('POST', `${path}/pins`, { way, pins }), status);
    await count('in', 12);
    await count('out', 11);
    expect((await mine()).inTheWay).toEqual(['1 of 12 pins is not counted out. Find it before hand-over.']);
    await count('out', 5);
    expect((await mine()).pins).toEqual({ in: 12, out: 16 });
    // A count that was wrong is crossed out; what was counted before it stands.
    expect(await json(bench!.send('DELETE', `${path}/pins`))).toEqual({ pins: { in: 12, out: 11 } });
    await count('out', -1, 422);
    await count('out', 1);
    expect((await mine()).inTheWay).toEqual([]);
    await give(422, { clientName: 'Leaving Soon', cautionsRead: false });
    await json(bench!.send('POST', `${path}/hand-over`, { clientName: 'x', cautionsRead: true }), 403);
    await give(201);
    expect((await give(409)).code).toBe('handed-over');
    expect((await json(desk!.get(path))).handedOverAt).toBe('2026-03-10T12:25:00Z');
    const asking = await json(
      fitter!.send('POST', `${path}/alterations`, { asked: WAIST, source: 'call' }),
      409,
    );
    expect(asking.detail).toContain('Record its return with a reason');
    await json(desk!.send('POST', `${path}/take-back`, { reason: 'the hem came down' }));
    expect((await json(desk!.send('POST', `${path}/take-back`, { reason: 'again' }), 409)).code).toBe(
      'in-the-house',
    );
    await json(fitter!.send('POST', `${path}/alterations`, { asked: WAIST, source: 'call' }), 201);
    const pdf = await bench!.get(`${path}/fitting-record.pdf`);
    expect(pdf.headers.get('content-type')).toBe('application/pdf');
    expect((await pdf.arrayBuffer()).byteLength).toBeGreaterThan(8000);
  });

  it('of a client who is erased keeps what was done to the cloth, and none of the words', async () => {
    const client = await json(desk!.send('POST', '/clients', { name: 'Goes Away' }), 201);
    const order = await json(desk!.send('POST', '/orders', { clientId: client.id, what: 'Coat' }), 201);
    const made = { clientId: client.id, orderId: order.id };
    const { id } = await json(
      fitter!.send('POST', `/orders/${made.orderId}/alterations`, {
        asked: { kind: 'zip', direction: 'replace', words: 'secret words', note: 'secret note' },
        source: 'fitting',
      }),
      201,
    );
    await json(
      fitter!.send('POST', `/alterations/${id}/steps`, {
        version: 1,
        step: { step: 'decline', reason: 'secret reason' },
      }),
    );
    const { version } = await json(principal!.get(`/clients/${made.clientId}`));
    await json(principal!.send('POST', `/clients/${made.clientId}/erase`, { version, reason: 'asked' }));
    const { rows } = await t.pool.query(
      `select a.asked::text || coalesce((select string_agg(p.says::text, '') from alteration_step p where p.alteration_id = a.id), '') as text from alteration a where id = $1`,
      [id],
    );
    expect(rows[0].text).toContain('zip');
    expect(rows[0].text).not.toContain('secret');
  });
});
