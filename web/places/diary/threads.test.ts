import type { AppointmentView, BenchWork, DiaryDay, SlotView, StaffAtWork } from '@rocchetto/contract';
import { describe, expect, it } from 'vitest';
import { hindrance, loadOfThread, loopsOf, roomThreads, staffThreads } from './threads.ts';

const DAY = 1000 * 1440;
const at = (time: string) => DAY + Number(time.slice(0, 2)) * 60 + Number(time.slice(3));
const span = (from: string, to: string) => ({ from: at(from), to: at(to) });

let id = 0;
const appointment = (
  slots: readonly Partial<SlotView>[],
  more: Partial<AppointmentView> = {},
): AppointmentView => ({
  id: ++id,
  kind: 'fitting',
  kindName: 'fitting',
  status: 'confirmed',
  clientId: 1,
  clientName: 'Nell',
  orderId: null,
  orderNumber: null,
  what: null,
  minutes: 45,
  buffer: 10,
  whoComes: '',
  bring: '',
  note: '',
  heldUntil: null,
  answer: '',
  answerWords: '',
  answeredBy: null,
  readyAt: null,
  changedAt: '2026-12-01T09:00:00Z',
  version: 1,
  slots: slots.map((s, i) => ({
    id: id * 100 + i,
    state: 'taken',
    start: at('10:00'),
    end: at('10:45'),
    day: '2026-12-01',
    from: '10:00',
    to: '10:45',
    staff: [1],
    roomId: 7,
    reason: '',
    leftAt: null,
    ...s,
  })),
  ...more,
});
const staff = (n: number, name: string): StaffAtWork => ({
  id: n,
  name,
  role: 'fitter',
  skills: ['fitting'],
  initials: name[0]!,
  mark: n,
  hours: [],
  version: 1,
});
const day = (more: Partial<DiaryDay> = {}): DiaryDay => ({
  day: '2026-12-01',
  from: DAY,
  to: DAY + 1440,
  open: [span('09:00', '18:00')],
  closed: null,
  works: { 1: [span('09:00', '12:30'), span('13:30', '18:00')], 2: [span('09:00', '18:00')] },
  away: {},
  kept: {},
  ...more,
});
const STAFF = [staff(1, 'Ada'), staff(2, 'Bea'), staff(3, 'Cyd')];
const work = (staffId: number, minutes: number, on = '2026-12-01'): BenchWork => ({
  id: ++id,
  orderId: 1,
  orderNumber: '26-001',
  order: 'Skirt',
  staffId,
  day: on,
  minutes,
  what: 'Hem',
  makes: null,
  doneAt: null,
  step: null,
  took: null,
  alterationId: null,
  version: 1,
});

describe('loops of a day', () => {
  it('are the times taken or offered on it, by when they begin; those that were left are not', () => {
    const late = appointment([{ start: at('15:00'), end: at('15:45') }]);
    const offered = appointment([
      { state: 'offered', start: at('09:00'), end: at('09:45') },
      { state: 'offered', start: at('16:00'), end: at('16:45') },
      { state: 'left', start: at('11:00'), end: at('11:45') },
    ]);
    const other = appointment([{ start: at('10:00') + 1440, end: at('10:45') + 1440 }]);
    const loops = loopsOf([late, offered, other], day());
    expect(loops.map((l) => l.slot.start)).toEqual([at('09:00'), at('15:00'), at('16:00')]);
  });
  it('that run past midnight lie on both days', () => {
    const night = appointment([{ start: DAY - 30, end: DAY + 15 }]);
    expect(loopsOf([night], day())).toHaveLength(1);
    expect(loopsOf([night], day({ from: DAY - 1440, to: DAY }))).toHaveLength(1);
  });
});

describe('threads of the staff', () => {
  it('are of those who work, are booked or have promised work; first those with something on them', () => {
    const loops = loopsOf([appointment([{ staff: [2] }])], day());
    const { threads, absent } = staffThreads(STAFF, day({ away: { 3: 'leave' } }), loops);
    expect(threads.map((t) => t.name)).toEqual(['Bea', 'Ada']);
    expect(absent).toEqual(['Cyd (leave)']);
    const promised = staffThreads(STAFF, day(), loops, [
      work(3, 120),
      work(3, 30),
      work(1, 60, '2026-12-02'),
    ]);
    expect(promised.threads.map((t) => [t.name, t.bench])).toEqual([
      ['Bea', 0],
      ['Ada', 0],
      ['Cyd', 150],
    ]);
    expect(promised.absent).toEqual([]);
  });
  it('of rooms hold what is in them opening hours', () => {
    const loops = loopsOf([appointment([{ roomId: 7 }]), appointment([{ roomId: null }])], day());
    const [bay, long] = roomThreads(
      [
        { id: 7, name: 'Bay' },
        { id: 8, name: 'Long' },
      ],
      day(),
      loops,
    );
    expect([bay!.loops.length, long!.loops.length]).toEqual([1, 0]);
    expect(bay!.works).toEqual([span('09:00', '18:00')]);
  });
});

describe('how full a day is', () => {
  const thread = (
    more: Partial<DiaryDay> = {},
    loops: readonly AppointmentView[] = [],
    bench: BenchWork[] = [],
  ) => staffThreads(STAFF, day(more), loopsOf(loops, day(more)), bench).threads.find((t) => t.id === 1)!;
  it('counts appointments with their changing time, what the calendar keeps at work, and the bench', () => {
    const t = thread(
      // Noon is the break: what the calendar keeps there takes nothing of the day.
      { kept: { 1: [span('12:00', '13:45'), span('19:00', '20:00')] } },
      [appointment([{ staff: [1] }])],
      [work(1, 300)],
    );
    expect(loadOfThread(t)).toEqual({ works: 480, booked: 55 + 30 + 15, bench: 300, over: 0 });
  });
  it('counts nothing twice where a booking and the calendar overlap', () => {
    const t = thread({ kept: { 1: [span('10:30', '11:00')] } }, [appointment([{ staff: [1] }])]);
    expect(loadOfThread(t).booked).toBe(60);
  });
  it('is too full by what does not go in', () =>
    expect(loadOfThread(thread({}, [appointment([{ staff: [1] }])], [work(1, 480)])).over).toBe(55));
});

describe('what hinders a move, told before the drop', () => {
  const one = appointment([{ staff: [1] }]);
  const propose = (start: string, more: object = {}) => ({
    appointment: one,
    start: at(start),
    staff: [1],
    roomId: 7,
    ...more,
  });
  const busy = appointment([{ staff: [2], roomId: 8, start: at('14:00'), end: at('14:45') }]);
  const says = (p: ReturnType<typeof propose>, more: Partial<DiaryDay> = {}) =>
    hindrance(p, STAFF, day(more), loopsOf([one, busy], day(more)));
  it.each([
    ['nothing, where it is free', propose('15:00'), ''],
    ['nothing, over where it lies itself', propose('10:15'), ''],
    ['a break', propose('12:00'), 'Ada is not at work then.'],
    ['the evening', propose('17:30'), 'Ada is not at work then.'],
    ['somebody who is not there at all', propose('10:00', { staff: [3] }), 'Cyd is not at work then.'],
    ['a stranger', propose('10:00', { staff: [99] }), 'Someone is not at work then.'],
    ['another of the same hands', propose('14:10', { staff: [2] }), 'Bea has another appointment then.'],
    ['changing time before', propose('14:50', { staff: [2] }), 'Bea has another appointment then.'],
    ['changing time after', propose('13:10', { staff: [2] }), 'Bea has another appointment then.'],
    ['a room that is taken', propose('14:10', { roomId: 8 }), 'The room is in use then.'],
    ['no room at all', propose('14:10', { roomId: null }), ''],
  ])('%s', (_, p, sentence) => expect(says(p)).toBe(sentence));
  it('changing time may run past the end of work, the appointment may not', () => {
    expect(says(propose('17:15'))).toBe('');
    expect(says(propose('17:20'))).toBe('Ada is not at work then.');
  });
  it('what their own calendar keeps', () =>
    expect(says(propose('15:00'), { kept: { 1: [span('15:30', '16:00')] } })).toBe(
      'Ada is busy elsewhere then.',
    ));
});
