import { TIMES } from '@rocchetto/core/plan/times.ts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';
import { takenUp } from './testing.ts';

// 10 March 2026 is a Tuesday; the test studio's clock stands at noon of it, in UTC. The house is open 9 to 18.
const SEW = TIMES.filter((time) => time.step === 'sew');
let t: TestApp;
let principal: Caller;
let fitter: Caller;
let wrenId = 0;
beforeAll(async () => {
  t = await startTestApp();
  [principal, fitter] = [await t.as('principal'), await t.as('fitter')];
  wrenId = (await json(principal.send('POST', '/staff', { name: 'Wren Able', role: 'seamstress' }), 201)).id;
  await json(principal.send('POST', '/rooms', { name: 'Bay', goodFor: ['fitting'] }), 201);
  for (const [name, role] of [
    ['Dora Desk', 'desk'],
    ['Ada Able', 'fitter'],
  ])
    await json(principal.send('POST', '/staff', { name, role }), 201);
});
afterAll(() => t.close());

interface Step {
  id: string;
  kind: string | null;
  name: string;
  does: string;
  minutes: number;
  makes: string | null;
  earliest: { day: string; time: string; staff: { id: number }[]; room: { id: number } | null } | null;
  latest: { day: string } | null;
  why: string[];
  work: { staffId: number; day: string; minutes: number }[];
  given: boolean;
  booked: boolean;
}
const order = async (wornOn: string | null) => {
  const made = await skirtOrder(fitter);
  const full = await json(fitter.get(`/orders/${made.orderId}`));
  await json(
    fitter.send('PUT', `/orders/${made.orderId}`, {
      version: full.version,
      clientId: made.clientId,
      what: full.what,
      occasion: '',
      wornOn,
      dueOn: null,
      responsibleId: null,
    }),
  );
  return made;
};
const plan = (id: number, who = fitter) => json(who.get(`/orders/${id}/plan`));
const taken = (view: { stamp: string; steps: Step[] }, ids: readonly string[]) =>
  takenUp(
    view.stamp,
    view.steps.filter((s) => ids.includes(s.id)),
  );

describe('the plan of an order', () => {
  it('says whether a day can be promised, and by when the first step must begin', async () => {
    const { orderId } = await order('2026-05-01');
    const view = await plan(orderId);
    expect(view.handOver).toBe('2026-04-28');
    expect(view.says[0]).toMatch(
      /^Ready by \d+ Mar\. Hand-over is on 28 Apr, 3 days before it is worn: \d+ days to spare\.$/,
    );
    const steps: Step[] = view.steps;
    expect(steps.map((s) => s.id)).toEqual(
      expect.arrayContaining([
        'order-cloth',
        'draft',
        'agree',
        'wash',
        'cut',
        'baste',
        'fitting-1',
        'sew',
        'hem',
        'final-fitting',
        'finish',
        'collection',
      ]),
    );
    // Each begins no sooner than the one before, at the earliest and at the latest.
    for (const key of ['earliest', 'latest'] as const) {
      const days = steps.map((s) => s[key]!.day);
      expect(days).toEqual([...days].sort());
    }
    // Looking books nothing.
    expect((await json(fitter.get(`/orders/${orderId}`))).appointments).toEqual([]);
  });

  it('cannot promise what there is no time for, says by when, and each way out is one that holds', async () => {
    const { orderId } = await order('2026-03-20');
    const view = await plan(orderId);
    expect(view.holds).toBe('no');
    expect(view.says[0]).toMatch(
      /^Not by 17 Mar, 3 days before it is worn: ready on \d+ Mar at the earliest, \d+ days later\./,
    );
    expect(view.would.at(-1)).toMatchObject({ id: 'later', day: view.ready });
  });

  it('is taken up in bench and diary as it was seen, once', async () => {
    const { orderId } = await order('2026-05-08');
    const view = await plan(orderId);
    const body = taken(view, ['draft', 'cut', 'baste', 'fitting-1']);
    const [one, two] = await Promise.all([
      fitter.send('POST', `/orders/${orderId}/plan/accept`, body),
      fitter.send('POST', `/orders/${orderId}/plan/accept`, body),
    ]);
    expect([one.status, two.status].sort()).toEqual([201, 409]);
    const full = await json(fitter.get(`/orders/${orderId}`));
    expect(full.appointments).toHaveLength(1);
    expect(full.bench.reduce((sum: number, b: { minutes: number }) => sum + b.minutes, 0)).toBe(
      body.work.reduce((sum, w) => sum + w.minutes, 0),
    );
    expect(full.bench.filter((b: { makes: string }) => b.makes === 'basted').length).toBeGreaterThan(0);
    const again = await plan(orderId);
    const by = new Map((again.steps as Step[]).map((s) => [s.id, s]));
    expect([by.get('draft')!.given, by.get('fitting-1')!.booked, by.get('sew')!.given]).toEqual([
      true,
      true,
      false,
    ]);
    // What was planned breaks no rule of the diary: nobody and no room twice, all within hours.
    const twice = await t.pool.query(
      `select 1 from occupied a join occupied b on a.id < b.id and a.during && b.during
        and (a.staff_id = b.staff_id or a.room_id = b.room_id)`,
    );
    expect(twice.rowCount).toBe(0);
    // Work that is done is behind it.
    const draft = full.bench.find((b: { what: string }) => b.what === by.get('draft')!.name);
    await json(fitter.send('POST', `/bench/${draft.id}/done`, { version: 1, done: true }));
    expect((await plan(orderId)).steps.map((s: Step) => s.id)).not.toContain('draft');
  });

  it('takes all or nothing: a time that was taken meanwhile leaves no work behind', async () => {
    const { orderId } = await order('2026-05-15');
    const other = await order('2026-05-15');
    const view = await plan(orderId);
    const body = taken(view, ['draft', 'fitting-1']);
    const same = body.meetings[0]!;
    await json(
      fitter.send('POST', '/appointments', { kind: same.kind, clientId: other.clientId, slots: [same.slot] }),
      201,
    );
    const refused = await json(fitter.send('POST', `/orders/${orderId}/plan/accept`, body), 409);
    expect(refused.detail).toContain('Nothing was booked');
    expect((await json(fitter.get(`/orders/${orderId}`))).bench).toEqual([]);
  });

  it('tells when a booked fitting comes before its work is done', async () => {
    const { orderId, clientId } = await order('2026-05-20');
    const view = await plan(orderId);
    const step = (view.steps as Step[]).find((s) => s.id === 'fitting-1')!;
    const staff = step.earliest!.staff.map((p) => p.id);
    await json(
      fitter.send('POST', '/appointments', {
        kind: step.kind,
        clientId,
        orderId,
        slots: [{ day: '2026-03-12', time: '09:00', staff, roomId: step.earliest!.room!.id }],
      }),
      201,
    );
    const broken = await plan(orderId);
    expect(broken.says.join(' ')).toMatch(
      /The appointment “fitting” is booked for 12 Mar, but what it needs is done on \d+ Mar at the earliest\./,
    );
    expect(broken.would.map((w: { id: string }) => w.id)).toContain('move');
  });

  it('keeps choices and own steps with their reasons, on top of what the other hand kept', async () => {
    const { orderId } = await order('2026-05-01');
    const view = await plan(orderId);
    const choices = {
      ...view.choices,
      fittings: 2,
      cloth: { state: 'here', on: null },
      own: [
        { id: 'wash', minutes: null, reason: 'dry-clean only', added: null },
        { id: 'hem', minutes: 240, reason: 'rolled by hand', added: null },
        {
          id: 'own-1',
          minutes: 300,
          reason: 'beads of the client',
          added: { name: 'beads', after: 'sew', skill: 'beading' },
        },
      ],
    };
    await json(fitter.send('PUT', `/orders/${orderId}/plan`, { version: 0, choices }));
    expect(
      (await json(fitter.send('PUT', `/orders/${orderId}/plan`, { version: 0, choices }), 409)).detail,
    ).toBeTruthy();
    const now = await plan(orderId);
    const ids = now.steps.map((s: Step) => s.id);
    expect(ids).not.toContain('wash');
    expect(ids).not.toContain('order-cloth');
    expect(ids).toContain('fitting-2');
    expect(now.says[0]).toBe('Nobody on the staff can take the step “beads”: it needs beading.');
    const bad = await json(
      fitter.send('PUT', `/orders/${orderId}/plan`, {
        version: 1,
        choices: { ...choices, cloth: { state: 'comes', on: null } },
      }),
      422,
    );
    expect(bad.problems.join(' ')).toContain('Enter the day on which the cloth comes.');
  });

  it('reckons with the house’s own times, which history names', async () => {
    const { orderId } = await order('2026-05-01');
    const minutes = async () =>
      ((await plan(orderId)).steps as Step[]).find((s) => s.id === 'finish')!.minutes;
    const before = await minutes();
    const { version, bench } = await json(principal.get('/house/bench'));
    await json(
      principal.send('PUT', '/house/bench', {
        version,
        bench: { ...bench, times: { finish: 90 }, waits: { handOver: 5 } },
      }),
    );
    expect([before, await minutes()]).toEqual([30, 90]);
    expect((await plan(orderId)).handOver).toBe('2026-04-26');
    expect((await json(principal.get('/house/bench'))).changes[0].says).toEqual([
      'finish and press: usual → 90 minutes',
      'hand-over, before the day it is worn: usual → 5 days',
    ]);
  });

  it('learns from the minutes that were ticked off, eight of a kind on, and the table is corrected by them once', async () => {
    const past = async () =>
      (await json(fitter.get('/plan-past'))) as { step: string; cases: number; median: number }[];
    expect(await past()).toEqual([]);
    const { version, bench } = await json(principal.get('/house/bench'));
    for (let i = 0; i < 8; i++) {
      const { orderId } = await order('2026-05-29');
      const view = await plan(orderId);
      expect(view.sure.says).toMatch(/^The table of times alone is used/);
      await json(fitter.send('POST', `/orders/${orderId}/plan/accept`, taken(view, ['sew'])), 201);
      for (const w of (await json(fitter.get(`/orders/${orderId}`))).bench)
        await json(
          fitter.send('POST', `/bench/${w.id}/done`, { version: w.version, done: true, took: w.minutes * 2 }),
        );
    }
    expect(await past()).toMatchObject([{ step: 'sew', cases: 8, median: 2 }]);
    const { orderId } = await order('2026-06-05');
    expect((await plan(orderId)).sure.says).toMatch(
      /^By the studio’s own past, (more than 9|\d) in 10 by \d+ [MJ]\w+: from 8 times kept\./,
    );
    const times = { ...bench.times, ...Object.fromEntries(SEW.map((t) => [t.id, t.minutes * 2])) };
    await json(principal.send('PUT', '/house/bench', { version, bench: { ...bench, times } }));
    expect(await past()).toMatchObject([{ step: 'sew', cases: 8, median: 1 }]);
    const sewn = (await plan(orderId)).steps.find((s: Step) => s.id === 'sew')!;
    expect(sewn.why.join(' ')).toContain('the studio’s own time');
    // Minutes that a hand set for one garment say nothing of the table.
    await json(
      fitter.send('PUT', `/orders/${orderId}/plan`, {
        version: 0,
        choices: {
          ...(await plan(orderId)).choices,
          own: [{ id: 'sew', minutes: 600, reason: 'by hand', added: null }],
        },
      }),
    );
    await json(
      fitter.send('POST', `/orders/${orderId}/plan/accept`, taken(await plan(orderId), ['sew'])),
      201,
    );
    const [w] = (await json(fitter.get(`/orders/${orderId}`))).bench;
    await json(fitter.send('POST', `/bench/${w.id}/done`, { version: w.version, done: true, took: 30 }));
    expect((await past())[0]!.cases).toBe(8);
  });

  it('all promises together say what breaks, and keep nothing', async () => {
    await order('2026-04-06');
    const before = await json(fitter.get('/promises'));
    expect(before.breaks).toBeNull();
    expect(before.orders.length).toBeGreaterThan(5);
    const days = before.orders.map((o: { handOver: string | null }) => o.handOver ?? '9999');
    expect(days).toEqual([...days].sort());
    const away = await json(fitter.get(`/promises?staff=${wrenId}&from=2026-03-10&until=2026-06-30`));
    expect(away.breaks.says).toBe('Wren Able is away from 10 Mar to 30 Jun.');
    expect(away.breaks.orders.length).toBeGreaterThan(0);
    const late = before.orders.find((o: { holds: string }) => o.holds === 'yes');
    const cloth = await json(fitter.get(`/promises?order=${late.id}&cloth=2026-12-01`));
    expect(cloth.breaks.orders.map((o: { id: number }) => o.id)).toContain(late.id);
    // The least change is told beneath a late one where it helps, and nothing else is otherwise.
    const tried = await json(fitter.get('/promises?first=1'));
    const bare = (o: { would: string[] }) => ({
      ...o,
      would: o.would.filter((w) => !w.endsWith('and no other promise breaks.')),
    });
    expect([tried.untried, tried.orders.map(bare)]).toEqual([0, before.orders]);
    const both = await json(fitter.get(`/promises?staff=${wrenId}&from=2026-03-10&until=2026-06-30&first=1`));
    expect([both.orders, both.breaks.orders.map(bare)]).toEqual([before.orders, away.breaks.orders]);
    // Another order like one of these: in time where there is time, not by the day after tomorrow; it is nowhere afterwards.
    const like = (worn: string) => json(fitter.get(`/promises?like=${late.id}&worn=${worn}`));
    const [calm, rushed] = [await like('2026-11-02'), await like('2026-03-13')];
    expect(calm.breaks.taken).toMatchObject({ holds: 'yes' });
    expect(calm.breaks.orders).toEqual([]);
    expect(rushed.breaks.taken.holds).toBe('no');
    expect(rushed.breaks.taken.says[0]).toMatch(/^(Not by|Hand-over was to be on 8 Mar)/);
    expect(rushed.orders).toEqual(before.orders);
    // Long on the bench again, the same order no longer holds.
    const held = before.orders.filter((o: { holds: string; spare: number | null }) => o.holds === 'yes');
    const tight = held.sort((a: { spare: number }, b: { spare: number }) => a.spare - b.spare)[0];
    expect(tight.spare).toBeLessThan(12);
    const back = await json(fitter.get(`/promises?back=${tight.id}&minutes=6000`));
    expect(back.breaks.says).toMatch(/ is back on the bench for 100 h\.$/);
    expect(back.breaks.orders.map((o: { id: number }) => o.id)).toContain(tight.id);
    const again = await json(fitter.get('/promises'));
    expect(again.orders).toEqual(before.orders);
    for (const q of [
      'staff=999&from=2026-03-10&until=2026-03-11',
      'order=999999&cloth=2026-04-01',
      'appointment=999999&to=2026-04-01',
      'staff=x',
      'order=1',
      'like=999999&worn=2026-04-01',
      'back=999999&minutes=60',
      'back=1&minutes=x',
    ])
      expect((await fitter.get(`/promises?${q}`)).status).toBe(422);
  });

  it('tells everybody’s day which promises do not hold, planned once for all who ask', async () => {
    await order('2026-03-12');
    const all = await json(fitter.get('/promises'));
    const wren = await t.asStaff(wrenId);
    const [one, two] = await Promise.all([
      json(fitter.get('/promises/broken')),
      json(wren.get('/promises/broken')),
    ]);
    expect(two).toEqual(one);
    expect(one.orders.length).toBeGreaterThan(0);
    const broken = (o: { holds: string; broken: string[] }) => o.holds === 'no' || o.broken.length > 0;
    expect(one.orders).toEqual(all.orders.filter(broken));
    // Hands are passed in order of time, and none that is not on the staff.
    const staff = new Set(all.staff.map((s: { id: number }) => s.id));
    for (const o of all.orders) {
      expect(o.passes.every((p: { staffId: number }) => staff.has(p.staffId))).toBe(true);
      const at = o.passes.map((p: { at: number }) => p.at);
      expect(at).toEqual([...at].sort((a, b) => a - b));
    }
  });

  it('is seen by all and taken up by those who schedule', async () => {
    const { orderId } = await order('2026-05-01');
    const wren = await t.asStaff(wrenId);
    const view = await plan(orderId, wren);
    expect((await wren.send('POST', `/orders/${orderId}/plan/accept`, taken(view, ['draft']))).status).toBe(
      403,
    );
    expect(
      (await wren.send('PUT', `/orders/${orderId}/plan`, { version: 0, choices: view.choices })).status,
    ).toBe(403);
    expect((await fitter.get('/orders/999999/plan')).status).toBe(404);
  });
});
