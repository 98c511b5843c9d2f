import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, clientBody, json, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

// 10 March 2026 is a Tuesday; the test studio's clock stands at noon of it, in UTC.
let t: TestApp;
let principal: Caller;
let fitter: Caller;
let desk: Caller;
let bench: Caller;
let [ada, bea, room, bridal, clientId, orderId] = [0, 0, 0, 0, 0, 0];
beforeAll(async () => {
  t = await startTestApp();
  principal = await t.as('principal');
  fitter = await t.as('fitter');
  desk = await t.as('desk');
  bench = await t.as('seamstress');
  ada = (await json(principal.send('POST', '/staff', { name: 'Ada Able', role: 'fitter' }), 201)).id;
  bea = (await json(principal.send('POST', '/staff', { name: 'Bea Bold', role: 'fitter' }), 201)).id;
  await json(
    principal.send('PUT', `/staff/${bea}/work`, {
      version: 1,
      skills: ['fitting', 'bridal'],
      initials: 'BB',
      mark: 2,
      hours: [1, 2, 3, 4, 5].flatMap((weekday) => [
        { weekday, from: '09:00', to: '12:30' },
        { weekday, from: '13:30', to: '17:00' },
      ]),
    }),
  );
  room = (await json(principal.send('POST', '/rooms', { name: 'Bay', goodFor: ['fitting'] }), 201)).id;
  bridal = (
    await json(
      principal.send('POST', '/rooms', { name: 'Long', goodFor: ['fitting', 'bridal', 'step-free'] }),
      201,
    )
  ).id;
  ({ clientId, orderId } = await skirtOrder(fitter));
});
afterAll(() => t.close());

const slot = (time: string, more: object = {}) => ({
  day: '2026-03-12',
  time,
  staff: [ada],
  roomId: room,
  ...more,
});
const booking = (slots: object[], more: object = {}) => ({ kind: 'fitting', clientId, slots, ...more });
const book = (slots: object[], more: object = {}) => desk.send('POST', '/appointments', booking(slots, more));
const says = async (answer: Promise<Response>, status = 422) => {
  const problem = await json(answer, status);
  return [problem.detail, ...(problem.problems ?? [])].join(' ');
};
const step = (a: { id: number; version: number }, status: string, more: object = {}) =>
  desk.send('POST', `/appointments/${a.id}/status`, { version: a.version, status, ...more });

describe('booking', () => {
  it('keeps people and room, changing time included, and tells the nearest free times to who comes second', async () => {
    const made = await json(book([slot('10:00')], { orderId, bring: 'the shoes' }), 201);
    expect(made).toMatchObject({
      status: 'confirmed',
      minutes: 45,
      buffer: 10,
      clientName: 'Nell Arkwright',
      bring: 'the shoes',
    });
    expect(made.slots).toMatchObject([
      { day: '2026-03-12', from: '10:00', to: '10:45', state: 'taken', staff: [ada] },
    ]);
    const second = await json(book([slot('10:50', { roomId: bridal })]), 409);
    expect(second.code).toBe('taken');
    expect(second.mine).toMatchObject([{ time: '10:50' }]);
    expect(second.instead).toHaveLength(3);
    const { day, time, staff, roomId } = second.instead[0];
    await json(book([{ day, time, staff, roomId }]), 201);
    // The room is kept as the people are.
    expect((await book([slot('10:40', { staff: [bea] })])).status).toBe(409);
  });
  it('is asked again by the same key and is made once', async () => {
    const key = { 'idempotency-key': randomUUID() };
    const body = booking([slot('15:00')]);
    const [one, two] = await Promise.all([
      desk.send('POST', '/appointments', body, key),
      desk.send('POST', '/appointments', body, key),
    ]);
    expect((await json(one, 201)).id).toBe((await json(two, 201)).id);
  });
  it('of two at the same moment, one is made and the other is told', async () => {
    for (let round = 0; round < 5; round++) {
      const day = `2026-03-${16 + round}`;
      const answers = await Promise.all([1, 2, 3, 4].map(() => book([slot('11:00', { day })])));
      expect(answers.map((a) => a.status).sort()).toEqual([201, 409, 409, 409]);
    }
  });
  // Read when each runs, since who works here is made before all of them.
  const at =
    (time: string, more: object = {}) =>
    () => [slot(time, more)];
  it.each<[string, () => object[], object, RegExp]>([
    ['in the past', at('10:00', { day: '2026-03-09' }), {}, /is past/],
    ['earlier today', at('11:30', { day: '2026-03-10' }), {}, /is past/],
    ['before the house opens', at('07:00'), {}, /not open/],
    ['past closing', at('17:30'), {}, /not open/],
    ['on a Sunday', at('10:00', { day: '2026-03-15' }), {}, /not open/],
    ['in somebody’s break', () => [slot('12:15', { staff: [bea] })], {}, /Bea Bold is not at work then/],
    ['with too few', at('14:00'), { kind: 'bridal-fitting' }, /needs 2 of the staff/],
    [
      'with a skill nobody has',
      () => [slot('14:00', { staff: [ada] })],
      { kind: 'collection' },
      /needs the skills desk/,
    ],
    [
      'in the wrong room',
      () => [slot('14:00', { staff: [ada, bea] })],
      { kind: 'bridal-fitting' },
      /does not suit bridal/,
    ],
    ['without a room', at('14:00', { roomId: null }), {}, /needs a room/],
    ['in a room that is not', at('14:00', { roomId: 99 }), {}, /room no longer exists/],
    ['with a stranger', at('14:00', { staff: [9999] }), {}, /no longer on the staff/],
    ['with somebody twice', () => [slot('14:00', { staff: [ada, ada] })], {}, /chosen twice/],
    ['of no length', at('14:00'), { minutes: 0 }, /5 minutes or more/],
    ['of 30 hours', at('14:00'), { minutes: 1800 }, /at most 12 hours/],
    [
      'with 50 of the staff',
      at('14:00', { staff: Array.from({ length: 50 }, (_, i) => i + 1) }),
      {},
      /at most four people/,
    ],
    ['with nobody', at('14:00', { staff: [] }), {}, /who takes the appointment/],
    ['without a time', () => [], {}, /Choose a time/],
    ['of a kind that is not', at('14:00'), { kind: 'sail' }, /no appointment type called “sail”/],
    ['for a client who is not', at('14:00'), { clientId: 99999 }, /client was not found/],
    ['for another’s order', at('14:00'), { orderId: 99999 }, /another client/],
    ['at a time that is none', at('25:00'), {}, /09:30/],
    ['several without an end', () => [slot('14:00'), slot('16:00')], {}, /how long the offered times/],
    ['held until yesterday', at('14:00'), { heldUntil: '2026-03-09T10:00:00Z' }, /already be released/],
  ])('is refused %s', async (_, slots, more, sentence) => {
    expect(await says(book(slots(), more))).toMatch(sentence);
  });
});

describe('a change of clocks', () => {
  it('refuses a skipped time, asks which of two, and keeps the first and the second apart', async () => {
    await json(
      principal.send('PUT', '/house', {
        version: (await json(principal.get('/house'))).version,
        studio: 'S',
        timeZone: 'Europe/Rome',
      }),
    );
    const house = await json(principal.get('/diary/house'));
    const rules = { ...house.rules, opening: [{ weekday: 7, from: '00:00', to: '24:00' }] };
    await json(principal.send('PUT', '/diary/rules', { version: house.version, rules }));
    expect(await says(book([slot('02:30', { day: '2026-03-29' })]))).toMatch(/clocks go forward/);
    expect(await says(book([slot('02:30', { day: '2026-10-25' })]))).toMatch(/twice/);
    const first = await json(book([slot('02:00', { day: '2026-10-25', turn: 'first' })]), 201);
    const second = await json(book([slot('02:00', { day: '2026-10-25', turn: 'second' })]), 201);
    expect(second.slots[0].start - first.slots[0].start).toBe(60);
    const now = await json(principal.get('/diary/house'));
    await json(
      principal.send('PUT', '/diary/rules', { version: now.version, rules: { ...house.rules, opening: [] } }),
    );
    await json(principal.send('PUT', '/house', { version: now.version + 1, studio: 'S', timeZone: 'UTC' }));
  });
});

describe('offering several times', () => {
  it('keeps all of them until one is chosen; then the others are free', async () => {
    const heldUntil = '2026-03-11T12:00:00Z';
    const day = '2026-03-23';
    const made = await json(book([slot('10:00', { day }), slot('14:00', { day })], { heldUntil }), 201);
    expect(made.status).toBe('offered');
    expect((await book([slot('14:00', { day })])).status).toBe(409);
    expect(await says(step(made, 'confirmed'))).toMatch(/one of the offered/);
    const chosen = await json(step(made, 'confirmed', { slotId: made.slots[1].id }));
    expect(chosen.slots.map((s: { state: string }) => s.state)).toEqual(['left', 'taken']);
    expect(chosen.slots[0].reason).toBe('another was chosen');
    await json(book([slot('10:00', { day })]), 201);
  });
  it('lets them go when nobody answers in time', async () => {
    const day = '2026-03-24';
    const made = await json(book([slot('10:00', { day })], { heldUntil: '2026-03-10T13:00:00Z' }), 201);
    await t.pool.query(`update appointment set held_until = '2026-03-10T11:00:00Z' where id = $1`, [made.id]);
    await json(book([slot('10:00', { day })]), 201);
    const gone = await json(desk.get(`/appointments/${made.id}`));
    expect(gone).toMatchObject({
      status: 'cancelled',
      slots: [{ state: 'left', reason: 'not answered in time' }],
    });
  });
  it('overlapping each other are refused', async () => {
    const day = '2026-03-24';
    expect(
      (await book([slot('14:00', { day }), slot('14:30', { day })], { heldUntil: '2026-03-11T12:00:00Z' }))
        .status,
    ).toBe(409);
  });
});

describe('moving and what came of it', () => {
  it('keeps where it was with the reason, frees that time, and refuses a version that has moved on', async () => {
    const day = '2026-03-25';
    const made = await json(book([slot('10:00', { day })]), 201);
    const move = (version: number, time: string) =>
      desk.send('POST', `/appointments/${made.id}/move`, {
        version,
        slot: slot(time, { day }),
        reason: 'the client’s train',
      });
    // Half an hour later overlaps its own time, which is no hindrance.
    const moved = await json(move(made.version, '10:30'));
    expect(
      moved.slots.map((s: { state: string; from: string; reason: string }) => [s.state, s.from, s.reason]),
    ).toEqual([
      ['left', '10:00', 'the client’s train'],
      ['taken', '10:30', ''],
    ]);
    const late = await json(move(made.version, '15:00'), 409);
    expect(late.theirs.slots).toHaveLength(2);
    await json(book([slot('15:00', { day })]), 201);
    expect((await json(move(moved.version, '15:10'), 409)).code).toBe('taken');
    expect((await json(desk.get(`/appointments/${made.id}`))).slots).toHaveLength(2);
  });
  it('goes only where it can go on to', async () => {
    const made = await json(book([slot('16:00', { day: '2026-03-25' })]), 201);
    expect(await says(step(made, 'done'))).toMatch(/not begun/);
    const arrived = await json(step(made, 'arrived'));
    expect(await says(step(arrived, 'cancelled'))).toMatch(/can’t become “cancelled”/);
    const other = await json(book([slot('11:00', { day: '2026-03-26' })]), 201);
    const cancelled = await json(step(other, 'cancelled', { reason: 'ill' }));
    expect(cancelled).toMatchObject({ status: 'cancelled', slots: [{ state: 'left', reason: 'ill' }] });
    expect(await says(step(cancelled, 'confirmed'))).toMatch(/can’t become “booked”/);
    await json(book([slot('11:00', { day: '2026-03-26' })]), 201);
  });
  it('says that what it needs is there, which the bench may', async () => {
    const made = await json(book([slot('13:00', { day: '2026-03-26' })]), 201);
    const ready = await json(
      bench.send('POST', `/appointments/${made.id}/ready`, { version: 1, ready: true }),
    );
    expect(ready.readyAt).toBe('2026-03-10T12:00:00Z');
    expect((await bench.send('POST', `/appointments/${made.id}/move`, {})).status).toBe(403);
    const { rows } = await t.pool.query(
      `select what from history where entity = 'appointment' and entity_id = $1 order by id`,
      [made.id],
    );
    expect(rows.map((r) => r.what)).toEqual(['confirmed', 'ready']);
  });
});

describe('leave, closing, rooms', () => {
  const days = (firstDay: string, lastDay = firstDay) => ({ firstDay, lastDay });
  it('are refused where something is booked, with whom and when; else they keep the days', async () => {
    await json(book([slot('10:00', { day: '2026-04-01' })]), 201);
    const leave = (d: object) => principal.send('POST', '/leave', { staffId: ada, reason: 'wedding', ...d });
    expect(await says(leave(days('2026-03-30', '2026-04-02')), 409)).toMatch(
      /Nell Arkwright, Wed 1 Apr 2026 10:00/,
    );
    const { id } = await json(leave(days('2026-04-07', '2026-04-08')), 201);
    expect(await says(book([slot('10:00', { day: '2026-04-07' })]))).toMatch(/Ada Able is not at work then/);
    expect((await leave(days('2026-04-08', '2026-04-09'))).status).toBe(409);
    await json(principal.send('DELETE', `/leave/${id}`));
    await json(book([slot('10:00', { day: '2026-04-07' })]), 201);
    expect(
      await says(principal.send('POST', '/leave', { staffId: ada, ...days('2026-04-09', '2026-04-08') })),
    ).toMatch(/before the first/);
  });
  it('a closed house takes no booking, also by a hand that goes round the program', async () => {
    const closing = { name: 'Harbour day', ...days('2026-04-14') };
    const { id } = await json(principal.send('POST', '/closures', closing), 201);
    expect(await says(book([slot('10:00', { day: '2026-04-14' })]))).toMatch(/closed/);
    await expect(
      t.pool.query(
        `with a as (insert into appointment (kind, client_id, status, minutes, buffer, made_by) values ('fitting', $1, 'confirmed', 45, 10, $2) returning id)
         insert into slot (appointment_id, during, state) select id, '[2026-04-14T10:00Z,2026-04-14T10:45Z)', 'taken' from a`,
        [clientId, ada],
      ),
    ).rejects.toMatchObject({ code: '23P01' });
    await json(principal.send('DELETE', `/closures/${id}`));
    await json(book([slot('10:00', { day: '2026-04-14' })]), 201);
    expect((await principal.send('POST', '/closures', closing)).status).toBe(409);
  });
  it('a room with bookings ahead is not closed', async () => {
    expect(await says(principal.send('DELETE', `/rooms/${room}`), 409)).toMatch(/Bay still has bookings/);
    const { id } = await json(principal.send('POST', '/rooms', { name: 'Attic', goodFor: [] }), 201);
    expect((await principal.send('POST', '/rooms', { name: 'ATTIC', goodFor: [] })).status).toBe(422);
    await json(principal.send('DELETE', `/rooms/${id}`));
    await json(principal.send('POST', '/rooms', { name: 'Attic', goodFor: [] }), 201);
  });
  it('overlapping hours of one day are refused', async () => {
    const hours = [
      { weekday: 1, from: '09:00', to: '12:00' },
      { weekday: 1, from: '11:00', to: '13:00' },
    ];
    const body = { version: 2, skills: [], initials: '', mark: 0, hours };
    expect(await says(principal.send('PUT', `/staff/${bea}/work`, body))).toMatch(/overlap/);
  });
});

describe('free times', () => {
  it('are such as can be booked, by preference with who came last, and say so', async () => {
    const other = (await json(desk.send('POST', '/clients', clientBody('Tess Tern')), 201)).id;
    const b = await json(
      desk.send('POST', '/appointments', {
        kind: 'fitting',
        clientId: other,
        slots: [{ day: '2026-03-11', time: '09:00', staff: [bea], roomId: room }],
      }),
      201,
    );
    expect(b.status).toBe('confirmed');
    const { times } = await json(
      desk.get(
        `/diary/times?kind=fitting&clientId=${other}&from=2026-03-12&until=2026-03-20&notOn=3&latest=17:00&stepFree=1`,
      ),
    );
    expect(times.length).toBeGreaterThan(5);
    expect(times[0]).toMatchObject({
      staff: [bea],
      roomId: bridal,
      reasons: expect.arrayContaining(['with Bea Bold, as before']),
    });
    for (const time of times) {
      expect([
        time.day >= '2026-03-12',
        time.day <= '2026-03-20',
        time.day === '2026-03-18',
        time.to <= '17:00',
      ]).toEqual([true, true, false, true]);
    }
    const { day, time, staff, roomId } = times[0];
    await json(
      desk.send('POST', '/appointments', {
        kind: 'fitting',
        clientId: other,
        slots: [{ day, time, staff, roomId }],
      }),
      201,
    );
  });
  it('on none of the days on which the client cannot come', async () => {
    const { times } = await json(
      desk.get(
        '/diary/times?kind=fitting&from=2026-03-12&until=2026-03-20&away=2026-03-12..2026-03-16,2026-03-19',
      ),
    );
    const days = new Set(times.map((x: { day: string }) => x.day));
    expect([...days].sort()).toEqual(['2026-03-17', '2026-03-18', '2026-03-20']);
  });
  it('Book a series, so many days apart, the last within the week before a day', async () => {
    const ask = (more: string) => desk.get(`/diary/series?kind=fitting&from=2026-06-08&${more}`);
    const { times } = await json(ask('count=3&apart=10&lastBy=2026-07-24'));
    const days = times.map((x: { day: string }) => x.day);
    expect(days).toEqual(['2026-06-08', '2026-06-18', '2026-07-18']);
    expect((await json(ask('count=3&apart=30&lastBy=2026-07-24'))).times).toEqual([]);
    expect(await says(ask('count=9'))).toMatch(/count/);
  });
  it('two of the staff for a bridal fitting, in the room for it', async () => {
    const { times } = await json(desk.get('/diary/times?kind=bridal-fitting'));
    expect(times[0].staff).toContain(bea);
    expect(times[0].staff).toHaveLength(2);
    expect(times[0].roomId).toBe(bridal);
  });
  it.each([
    ['kind=sail', /no appointment type/],
    ['kind=fitting&from=2026-05-02&until=2026-05-01', /before the first/],
    ['kind=fitting&from=2026-05-02&until=2027-05-01', /120 days/],
    ['kind=fitting&notOn=8', /1 to 7/],
    ['kind=fitting&away=2026-03-20..2026-03-12', /before the first/],
    ['kind=fitting&away=soon', /isn’t a date/],
    ['kind=fitting&latest=5pm', /09:30/],
  ])('%s is refused', async (query, sentence) =>
    expect(await says(desk.get(`/diary/times?${query}`))).toMatch(sentence),
  );
});

describe('a day', () => {
  it('tells hours, leave and appointments in the studio’s wall time, to every role', async () => {
    await json(
      principal.send('POST', '/leave', {
        staffId: bea,
        reason: 'dentist',
        firstDay: '2026-05-05',
        lastDay: '2026-05-05',
      }),
      201,
    );
    await json(book([slot('10:00', { day: '2026-05-05' })], { orderId }), 201);
    const { days, appointments } = await json(bench.get('/diary?day=2026-05-05'));
    expect(days[0]).toMatchObject({ day: '2026-05-05', closed: null, away: { [bea]: 'dentist' } });
    expect(days[0].works[bea]).toEqual([]);
    expect((days[0].works[ada][0].to - days[0].works[ada][0].from) / 60).toBe(9);
    expect(appointments).toMatchObject([
      { kind: 'fitting', orderId, slots: [{ from: '10:00', to: '10:45' }] },
    ]);
    const order = await json(bench.get(`/orders/${orderId}`));
    expect(order.appointments.map((a: { day: string }) => a.day)).toContain('2026-05-05');
  });
});

describe('one client', () => {
  it('is in one place at a time, whoever books and however many at once; times offered for one thing may lie together', async () => {
    const { id } = await json(principal.send('POST', '/clients', clientBody('Two Places')), 201);
    const at = (time: string, staff: number, roomId: number) =>
      book([{ day: '2026-06-08', time, staff: [staff], roomId }], { clientId: id, orderId: null });
    const answers = await Promise.all([at('10:00', ada, room), at('10:30', bea, bridal)]);
    expect(answers.map((r) => r.status).sort()).toEqual([201, 409]);
    const refused = await json(answers.find((r) => r.status === 409)!, 409);
    expect(refused.detail).toContain('This client has another appointment at that time');
    const { rows } = await t.pool.query(
      `select count(*)::int as n from appointment a join slot s on s.appointment_id = a.id where a.client_id = $1 and s.state = 'taken'`,
      [id],
    );
    expect(rows[0].n).toBe(1);
    // Nor is she offered such a time.
    const taken = await json(answers.find((r) => r.status === 201)!, 201);
    const [slotOf] = taken.slots;
    const found = await json(
      desk.get(`/diary/times?kind=fitting&from=2026-06-08&until=2026-06-08&clientId=${id}`),
    );
    expect(found.times.length).toBeGreaterThan(0);
    for (const f of found.times)
      expect(f.start >= slotOf.end || f.start + 45 <= slotOf.start, `${f.time}`).toBe(true);
    await json(
      book(
        [
          { day: '2026-06-09', time: '10:00', staff: [ada], roomId: room },
          { day: '2026-06-09', time: '10:00', staff: [bea], roomId: bridal },
        ],
        { clientId: id, orderId: null, heldUntil: '2026-03-12T12:00:00Z' },
      ),
      201,
    );
  });
});

describe('somebody who leaves', () => {
  it('hands bookings over one by one; what cannot go stays and is told, and nothing is dropped', async () => {
    const gone = (await json(principal.send('POST', '/staff', { name: 'Gone Soon', role: 'fitter' }), 201))
      .id;
    const heir = (await json(principal.send('POST', '/staff', { name: 'Heir Able', role: 'fitter' }), 201))
      .id;
    const at = (day: string, time: string, staff: number[], roomId = room) =>
      json(book([{ day, time, staff, roomId }]), 201);
    const one = await at('2026-06-01', '10:00', [gone]);
    const two = await at('2026-06-01', '14:00', [gone]);
    // The heir is with somebody else at two o'clock.
    const other = await json(principal.send('POST', '/clients', clientBody('Somebody Else')), 201);
    await json(
      book([{ day: '2026-06-01', time: '14:00', staff: [heir], roomId: bridal }], {
        clientId: other.id,
        orderId: null,
      }),
      201,
    );
    expect(await says(principal.send('DELETE', `/staff/${gone}`), 409)).toMatch(
      /Nell Arkwright, Mon 1 Jun 2026 10:00/,
    );
    const answer = await json(principal.send('POST', `/staff/${gone}/hand-over`, { toId: heir }));
    expect(answer).toEqual({
      handed: 1,
      standing: [
        {
          id: two.id,
          clientName: 'Nell Arkwright',
          when: 'Mon 1 Jun 2026 14:00',
          why: 'they have another appointment then',
        },
      ],
    });
    const handed = await json(desk.get(`/appointments/${one.id}`));
    expect(
      handed.slots.map((s: { state: string; staff: number[]; reason: string }) => [
        s.state,
        s.staff,
        s.reason,
      ]),
    ).toEqual([
      ['left', [gone], 'reassigned'],
      ['taken', [heir], ''],
    ]);
    expect(await says(principal.send('POST', `/staff/${gone}/hand-over`, { toId: gone }))).toMatch(
      /someone else/,
    );
    await json(step(two, 'cancelled'));
    await json(principal.send('DELETE', `/staff/${gone}`));
  });
});

describe('what is noted with appointments', () => {
  it('is given out and erased with the client’s other data; what lies ahead is cancelled', async () => {
    const id = (await json(desk.send('POST', '/clients', clientBody('Erased Soon')), 201)).id;
    const slots = [{ day: '2026-06-02', time: '10:00', staff: [ada], roomId: room }];
    const made = await json(
      desk.send('POST', '/appointments', {
        kind: 'fitting',
        clientId: id,
        slots,
        whoComes: 'a partner',
        note: 'shy',
      }),
      201,
    );
    const { version } = await json(principal.get(`/clients/${id}`));
    await json(principal.send('POST', `/clients/${id}/erase`, { version, reason: 'asked by letter' }));
    const left = await json(desk.get(`/appointments/${made.id}`));
    expect(left).toMatchObject({
      status: 'cancelled',
      whoComes: '',
      note: '',
      clientName: expect.stringContaining('Erased C-'),
    });
    const { rows } = await t.pool.query(
      `select 1 from history where entity = 'appointment' and entity_id = $1 and after is not null`,
      [made.id],
    );
    expect(rows).toEqual([]);
    await json(book(slots), 201);
  });
});
