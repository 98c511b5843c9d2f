import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isPlaceZone } from '../dates/studio-day.ts';
import { hoursOn, windowsOf } from './hours.ts';
import { daysFrom, placeAt, planAt, planOn, wallAt, weekdayOf, wholeDay } from './zoned.ts';

// The days on which clocks change are published by the time zone database (IANA tzdata; here the platform's own copy,
// asked through Intl, a reader that shares no code with ours).
const CHANGES = [
  ['Europe/Rome', '2026-03-29', '02:30', '2026-10-25', '02:30'],
  ['America/New_York', '2026-03-08', '02:15', '2026-11-01', '01:15'],
  ['Australia/Lord_Howe', '2026-10-04', '02:10', '2026-04-05', '01:45'],
] as const;

const byIntl = (zone: string, at: number) => {
  const parts = Object.fromEntries(
    new Intl.DateTimeFormat('en-CA', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
    })
      .formatToParts(new Date(at * 60_000))
      .map((p) => [p.type, p.value]),
  );
  return { day: `${parts.year}-${parts.month}-${parts.day}`, time: `${parts.hour}:${parts.minute}` };
};

describe('wall times and instants', () => {
  it.each(CHANGES)(
    '%s: a skipped time is refused, a repeated one asks which',
    (zone, spring, gone, autumn, twice) => {
      const skipped = placeAt(zone, spring, gone);
      expect(skipped).toMatchObject({ ok: false, code: 'skipped' });
      expect(skipped.ok ? '' : skipped.sentence).toContain('clocks go forward');
      expect(placeAt(zone, autumn, twice)).toMatchObject({ ok: false, code: 'twice' });
      const [first, second] = (['first', 'second'] as const).map((turn) =>
        placeAt(zone, autumn, twice, turn),
      );
      if (!first!.ok || !second!.ok) throw new Error('one of two is none');
      expect(second!.at - first!.at).toBe(zone === 'Australia/Lord_Howe' ? 30 : 60);
      for (const p of [first!, second!]) expect(byIntl(zone, p.at)).toEqual({ day: autumn, time: twice });
    },
  );
  it.each(CHANGES)('%s: days of a change have 23 to 25 hours, others 24', (zone, spring, _, autumn) => {
    const hours = (day: string) => (wholeDay(zone, day).to - wholeDay(zone, day).from) / 60;
    const by = zone === 'Australia/Lord_Howe' ? 0.5 : 1;
    expect([hours(spring), hours(autumn), hours('2026-06-15')]).toEqual([24 - by, 24 + by, 24]);
  });
  it('agrees with the platform for any minute of any zone, there and back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 26_000_000, max: 32_000_000 }),
        fc.constantFrom(
          'UTC',
          'Europe/Rome',
          'America/New_York',
          'Australia/Lord_Howe',
          'Asia/Kathmandu',
          'America/St_Johns',
        ),
        (at, zone) => {
          const wall = wallAt(zone, at);
          expect(wall).toEqual(byIntl(zone, at));
          const back = [
            placeAt(zone, wall.day, wall.time, 'first'),
            placeAt(zone, wall.day, wall.time, 'second'),
          ];
          expect(back.map((p) => p.ok && p.at)).toContain(at);
        },
      ),
    );
  });
  it.each([
    ['2026-02-30', '10:00'],
    ['2026-13-01', '10:00'],
    ['tomorrow', '10:00'],
    ['2026-03-10', '25:00'],
    ['2026-03-10', '10:61'],
    ['2026-03-10', ''],
    ['2026-03-10', '10'],
  ])('%s %s is no time', (day, time) =>
    expect(placeAt('Europe/Rome', day, time)).toMatchObject({ ok: false, code: 'no-time' }),
  );
  it('knows weekdays and days (any calendar)', () => {
    expect(weekdayOf('2026-11-25')).toBe(3);
    expect(daysFrom('2026-02-27', '2026-03-02')).toEqual([
      '2026-02-27',
      '2026-02-28',
      '2026-03-01',
      '2026-03-02',
    ]);
    expect(daysFrom('2026-03-02', '2026-03-01')).toEqual([]);
  });
});

describe('hours', () => {
  const zone = 'Europe/Rome';
  const week = [1, 2, 3, 4, 5].flatMap((weekday) => [
    { weekday, from: '09:00', to: '12:30' },
    { weekday, from: '13:30', to: '18:00' },
  ]);
  it('keep their wall times over a change of clocks', () => {
    const spans = hoursOn(zone, daysFrom('2026-03-27', '2026-03-30'), week);
    expect(spans.map((s) => [wallAt(zone, s.from), wallAt(zone, s.to).time])).toEqual([
      [{ day: '2026-03-27', time: '09:00' }, '12:30'],
      [{ day: '2026-03-27', time: '13:30' }, '18:00'],
      [{ day: '2026-03-30', time: '09:00' }, '12:30'],
      [{ day: '2026-03-30', time: '13:30' }, '18:00'],
    ]);
  });
  it('are narrowed by the wish, by closing and by now', () => {
    const wish = {
      from: '2026-03-09',
      until: '2026-03-12',
      earliest: '10:00',
      latest: '17:00',
      notOn: [3],
      away: [{ from: '2026-03-12', until: '2026-03-20' }],
    };
    const closed = [{ from: planAt(zone, '2026-03-10', '15:00'), to: planAt(zone, '2026-03-10', '23:59') }];
    const windows = windowsOf(zone, wish, week, closed, planAt(zone, '2026-03-09', '11:00'));
    expect(
      windows.map((s) => [wallAt(zone, s.from).day, wallAt(zone, s.from).time, wallAt(zone, s.to).time]),
    ).toEqual([
      ['2026-03-09', '11:00', '12:30'],
      ['2026-03-09', '13:30', '17:00'],
      ['2026-03-10', '10:00', '12:30'],
      ['2026-03-10', '13:30', '15:00'],
    ]);
  });
  it('reach the end of a day', () => {
    const [late] = hoursOn(zone, ['2026-03-09'], [{ weekday: 1, from: '18:00', to: '24:00' }]);
    expect(late!.to).toBe(wholeDay(zone, '2026-03-09').to);
  });
});

describe('a zone that a house may choose', () => {
  it('is one that a day can be placed in, whatever three letters are written', () => {
    const letters = [...'abcdefghijklmnopqrstuvwxyz'];
    const three = letters.flatMap((a) => letters.flatMap((b) => letters.map((c) => a + b + c)));
    const taken = three.filter(isPlaceZone);
    for (const zone of taken) expect(() => wholeDay(zone, '2026-03-29'), zone).not.toThrow();
    expect(taken).toContain('utc');
    expect(taken).not.toContain('ist');
  });
});

describe('a wall time of a day for a plan', () => {
  const zone = 'Europe/London';
  it.each(['2026-06-10', '2026-03-29', '2026-10-25'])('%s: is the instant that the clocks show', (day) => {
    for (const time of ['00:00', '00:30', '09:45', '12:00', '23:59'])
      expect(planOn(zone, day, time), time).toBe(planAt(zone, day, time));
    expect(planOn(zone, day, '24:00')).toBe(wholeDay(zone, day).to);
  });
  it('is as far into the day as it says, but where the clocks change', () => {
    const into = (day: string) => planOn(zone, day, '12:00') - wholeDay(zone, day).from;
    expect(into('2026-06-10')).toBe(720);
    expect(into('2026-03-29')).toBe(660);
    expect(into('2026-10-25')).toBe(780);
  });
});
