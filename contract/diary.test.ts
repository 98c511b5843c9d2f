import { describe, expect, it } from 'vitest';
import type { z } from 'zod';
import { BenchWrite } from './bench.ts';
import { BusyWrite } from './calendars.ts';
import { ClientAwayWrite } from './clients.ts';
import {
  AppointmentStep,
  ClientAnswer,
  DiaryQuery,
  NewAppointment,
  SeriesQuery,
  SlotWire,
  TimesQuery,
} from './diary.ts';
import {
  ClosureWrite,
  DiaryRules,
  diaryRulesMoved,
  HoursWire,
  kindIdOf,
  LeaveWrite,
  RoomWrite,
  StaffWork,
  WallTime,
} from './diary-rules.ts';

/** The sentences a value is refused with; empty when it is taken. */
const says = (schema: z.ZodType, value: unknown): string => {
  const read = schema.safeParse(value);
  return read.success ? '' : read.error.issues.map((i) => i.message).join(' ');
};

describe('wall times and hours', () => {
  it.each(['00:00', '09:30', '23:59'])('%s is a time', (t) => expect(says(WallTime, t)).toBe(''));
  it.each(['24:00', '9:30', '09.30', '09:60', '', ' 09:30', '09:30:00', '-1:00'])('%j is none', (t) =>
    expect(says(WallTime, t)).toContain('Type times as 09:30.'),
  );
  const h = (weekday: number, from: string, to: string) => ({ weekday, from, to });
  it.each([
    ['a break between two', [h(1, '09:00', '12:00'), h(1, '13:00', '18:00')], ''],
    ['two that touch', [h(1, '09:00', '12:00'), h(1, '12:00', '18:00')], ''],
    ['to midnight', [h(6, '20:00', '24:00')], ''],
    ['the same hours on two days', [h(1, '09:00', '12:00'), h(2, '09:00', '12:00')], ''],
    ['an end before the start', [h(1, '12:00', '09:00')], 'end must be after the start'],
    ['no length', [h(1, '12:00', '12:00')], 'end must be after the start'],
    ['one inside another', [h(1, '09:00', '18:00'), h(1, '10:00', '11:00')], 'overlap'],
    ['an eighth day', [h(8, '09:00', '12:00')], '7'],
    ['from midnight’s end', [h(1, '24:00', '24:00')], 'Type times'],
    [
      '30 of them',
      Array.from({ length: 30 }, (_, i) => h(1 + (i % 7), `0${i % 9}:00`, `0${i % 9}:05`)),
      '28',
    ],
  ])('%s', (_, hours, sentence) => {
    const said = says(HoursWire, hours);
    if (sentence === '') expect(said).toBe('');
    else expect(said).toContain(sentence);
  });
});

describe('days', () => {
  const days = (firstDay: string, lastDay: string) => ({ firstDay, lastDay });
  it('are one or several in order, of leave, of a closed house, of a client away', () => {
    for (const [schema, more] of [
      [LeaveWrite, { staffId: 1 }],
      [ClosureWrite, { name: 'Feast' }],
      [ClientAwayWrite, {}],
    ] as const) {
      expect(says(schema, { ...more, ...days('2026-12-01', '2026-12-01') })).toBe('');
      expect(says(schema, { ...more, ...days('2026-12-02', '2026-12-01') })).toContain('before the first');
      expect(says(schema, { ...more, ...days('2026-02-30', '2026-03-01') })).toContain('isn’t a date');
      expect(says(schema, { ...more, ...days('1899-12-31', '2026-03-01') })).toContain('1900');
    }
  });
});

describe('a time that is asked for', () => {
  const slot = { day: '2026-12-01', time: '10:00', staff: [1] };
  it('names who, and where if it needs a room', () => {
    expect(SlotWire.parse(slot)).toEqual({ ...slot, roomId: null });
    expect(says(SlotWire, { ...slot, staff: [] })).toContain('who takes the appointment');
    expect(says(SlotWire, { ...slot, staff: [1, 2, 3, 4, 5] })).toContain('at most four people');
    expect(says(SlotWire, { ...slot, turn: 'third' })).not.toBe('');
    expect(says(SlotWire, { ...slot, room: 1 })).not.toBe('');
  });
  it('is one, or up to five that are offered', () => {
    const booking = (n: number) => ({
      kind: 'fitting',
      clientId: 1,
      slots: Array.from({ length: n }, () => slot),
    });
    expect(says(NewAppointment, booking(1))).toBe('');
    expect(says(NewAppointment, booking(5))).toBe('');
    expect(says(NewAppointment, booking(0))).toContain('Choose a time');
    expect(says(NewAppointment, booking(6))).toContain('at most five times');
    expect(says(NewAppointment, { ...booking(1), minutes: 0 })).toContain('5 minutes');
    expect(says(NewAppointment, { ...booking(1), minutes: 1800 })).toContain('12 hours');
  });
  it('is looked for by what an address can say', () => {
    const read = TimesQuery.parse({
      kind: 'fitting',
      notOn: '3,6',
      stepFree: '1',
      away: '2026-12-01..2026-12-05,2026-12-10',
    });
    expect(read).toMatchObject({
      notOn: [3, 6],
      stepFree: '1',
      ready: '0',
      away: [
        { from: '2026-12-01', until: '2026-12-05' },
        { from: '2026-12-10', until: '2026-12-10' },
      ],
    });
    for (const [key, value] of [
      ['notOn', '0'],
      ['notOn', '8'],
      ['notOn', '1,,2'],
      ['away', 'tomorrow'],
      ['away', '2026-12-05..2026-12-01'],
      ['earliest', '25:00'],
      ['clientId', '1.5'],
      ['moving', '-1'],
      ['ready', 'yes'],
    ] as const)
      expect(says(TimesQuery, { kind: 'fitting', [key]: value }), `${key}=${value}`).not.toBe('');
  });
  it('Book a series are two to six, a day apart at least', () => {
    expect(SeriesQuery.parse({ kind: 'fitting' })).toMatchObject({ count: 3, apart: 10 });
    for (const wrong of [{ count: '1' }, { count: '7' }, { apart: '0' }, { lastBy: 'soon' }])
      expect(says(SeriesQuery, { kind: 'fitting', ...wrong })).not.toBe('');
  });
  it('the diary tells one to fourteen days', () => {
    expect(DiaryQuery.parse({})).toEqual({ days: 1 });
    expect(says(DiaryQuery, { days: '15' })).not.toBe('');
    expect(says(DiaryQuery, { day: '2026-13-01' })).toContain('isn’t a date');
  });
});

describe('what is written down', () => {
  it('is cut of its outer blanks, and long texts are refused', () => {
    expect(RoomWrite.parse({ name: '  Bay window ', goodFor: [] }).name).toBe('Bay window');
    expect(says(RoomWrite, { name: '   ', goodFor: [] })).toContain('needs a name');
    expect(says(RoomWrite, { name: 'x'.repeat(81), goodFor: [] })).not.toBe('');
    expect(says(StaffWork, { skills: ['sailing'], hours: [] })).not.toBe('');
    expect(says(StaffWork, { skills: [], hours: [], initials: 'ABCD' })).toContain('three letters');
    expect(says(ClientAnswer, { key: 'k', answer: 'maybe' })).not.toBe('');
    expect(says(ClientAnswer, { key: 'k', answer: 'yes', words: 'x'.repeat(501) })).toContain('at most 500');
    expect(says(AppointmentStep, { version: 1, status: 'lost' })).not.toBe('');
    expect(says(BusyWrite, { staffId: 1, name: 'my own', text: '' })).toContain('empty');
  });
  it('of the bench has hands, a day, a length, and makes something or nothing', () => {
    const work = { staffId: 1, day: '2026-12-01', minutes: 60, what: 'Hem' };
    expect(BenchWrite.parse(work).makes).toBeNull();
    expect(says(BenchWrite, { ...work, minutes: 90.5 })).not.toBe('');
    expect(says(BenchWrite, { ...work, minutes: 5 })).toBe('');
    expect(says(BenchWrite, { ...work, minutes: 4 })).toBe('Enter 5 minutes or more.');
    expect(says(BenchWrite, { ...work, makes: 'toile' })).toBe('');
    expect(says(BenchWrite, { ...work, makes: 'brief and toile' })).not.toBe('');
  });
  it('of words names only fields that there are, and says which there are', () => {
    const words = (body: string) => ({ words: { confirmed: { subject: 'Expected', body } } });
    expect(says(DiaryRules, words('On {day} at {time}.'))).toBe('');
    expect(says(DiaryRules, words('On {dey}.'))).toMatch(/no field \{dey\}.*\{day\}/);
    expect(says(DiaryRules, words('  '))).toContain('text of the message');
  });
});

describe('a change of the diary’s rules in words', () => {
  const rules = (more: object = {}) => DiaryRules.parse(more);
  it('is nothing where nothing changed, or where the usual is written out', () => {
    expect(diaryRulesMoved(rules(), rules())).toEqual([]);
    const opening = [
      ...[1, 2, 3, 4, 5].map((weekday) => ({ weekday, from: '09:00', to: '18:00' })),
      { weekday: 6, from: '09:00', to: '13:00' },
    ];
    expect(diaryRulesMoved(rules(), rules({ opening }))).toEqual([]);
    // Other hours are told, and back to the usual.
    const tuesday = rules({ opening: [{ weekday: 2, from: '10:00', to: '16:00' }] });
    const words = ['Mon–Fri 09:00–18:00; Sat 09:00–13:00', 'Tue 10:00–16:00'];
    expect(diaryRulesMoved(rules(), tuesday).map((m) => [m.from, m.to])).toEqual([words]);
    expect(diaryRulesMoved(tuesday, rules()).map((m) => [m.from, m.to])).toEqual([[...words].reverse()]);
  });
  it('tells each thing of a kind that changed, and back', () => {
    const own = { minutes: 50, buffer: 5, hands: [['fitting'], ['desk']], room: null, need: 'brief' };
    const there = diaryRulesMoved(rules(), rules({ kinds: { consultation: own } }));
    expect(there.map((m) => [m.name, m.from, m.to])).toEqual([
      ['consultation, minutes', '60', '50'],
      ['consultation, changing', '10 min', '5 min'],
      ['consultation, takes', 'fitting', 'fitting, and desk'],
      ['consultation, room', 'any', 'none'],
      ['consultation, needs', 'nothing', 'the brief written'],
    ]);
    const back = diaryRulesMoved(rules({ kinds: { consultation: own } }), rules());
    expect(back.map((m) => [m.from, m.to])).toEqual(there.map((m) => [m.to, m.from]));
  });
});

describe('the id of a kind of the house’s own', () => {
  it.each([
    ['Shoe trial', [], 'shoe-trial'],
    ['Shoe trial', ['shoe-trial'], 'shoe-trial-2'],
    ['Shoe trial', ['shoe-trial', 'shoe-trial-2'], 'shoe-trial-3'],
    ['  Prüfung & Gespräch!', [], 'pru-fung-gespra-ch'],
    ['試着', [], 'kind'],
    ['x'.repeat(60), [], 'x'.repeat(32)],
  ])('%s', (name, taken, id) => expect(kindIdOf(name, taken)).toBe(id));
});
