import fc from 'fast-check';
import rrule from 'rrule';
import { describe, expect, it } from 'vitest';
import { dayAfter } from '../dates/day-after.ts';
import { type BusyRead, busyTimes } from './busy-times.ts';
import { planAt, type Span, wallAt, wholeDay } from './zoned.ts';

const ZONE = 'Europe/Rome';
const WITHIN: Span = { from: wholeDay(ZONE, '2026-10-01').from, to: wholeDay(ZONE, '2027-10-01').to };
const calendar = (...lines: readonly string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//test', ...lines, 'END:VCALENDAR', ''].join('\r\n');
const event = (...lines: readonly string[]) => ['BEGIN:VEVENT', 'UID:a', ...lines, 'END:VEVENT'];
const read = (text: string, zone = ZONE, within = WITHIN): BusyRead & { ok: true } => {
  const found = busyTimes(text, zone, within);
  if (!found.ok) throw new Error(found.sentence);
  return found;
};
/** "2026-12-01 09:00–10:30", in the studio's wall time. */
const words = ({ spans }: { spans: readonly Span[] }, zone = ZONE) =>
  spans.map((s) => {
    const [a, b] = [wallAt(zone, s.from), wallAt(zone, s.to)];
    return `${a.day} ${a.time}–${a.day === b.day ? '' : `${b.day} `}${b.time}`;
  });

describe('busy times of a calendar file', () => {
  it.each([
    [
      'a wall time of the studio',
      ['DTSTART:20261201T090000', 'DTEND:20261201T103000'],
      ['2026-12-01 09:00–10:30'],
    ],
    ['a length instead of an end', ['DTSTART:20261201T090000', 'DURATION:PT45M'], ['2026-12-01 09:00–09:45']],
    ['universal time', ['DTSTART:20261201T090000Z', 'DTEND:20261201T100000Z'], ['2026-12-01 10:00–11:00']],
    [
      'another zone',
      ['DTSTART;TZID=America/New_York:20261201T090000', 'DTEND;TZID=America/New_York:20261201T100000'],
      ['2026-12-01 15:00–16:00'],
    ],
    [
      'two zones in one entry',
      ['DTSTART;TZID=Europe/Rome:20261201T090000', 'DTEND;TZID=Europe/London:20261201T090000'],
      ['2026-12-01 09:00–10:00'],
    ],
    ['a whole day', ['DTSTART;VALUE=DATE:20261208'], ['2026-12-08 00:00–2026-12-09 00:00']],
    [
      'whole days, the last not part of it',
      ['DTSTART;VALUE=DATE:20261224', 'DTEND;VALUE=DATE:20261227'],
      ['2026-12-24 00:00–2026-12-27 00:00'],
    ],
    ['no length at all', ['DTSTART:20261201T090000', 'DTEND:20261201T090000'], []],
    ['an end before its start', ['DTSTART:20261201T090000', 'DTEND:20261201T080000'], []],
    ['marked free', ['DTSTART:20261201T090000', 'DTEND:20261201T100000', 'TRANSP:TRANSPARENT'], []],
    ['cancelled', ['DTSTART:20261201T090000', 'DTEND:20261201T100000', 'STATUS:CANCELLED'], []],
    ['on 30 February', ['DTSTART:20270230T090000', 'DTEND:20270230T100000'], []],
    ['past the weeks looked at', ['DTSTART:20281201T090000', 'DTEND:20281201T100000'], []],
  ])('%s', (_, lines, spans) => expect(words(read(calendar(...event(...lines))))).toEqual(spans));

  it('follows repeats with their exceptions: struck out, moved, cancelled, added', () => {
    const text = calendar(
      ...event(
        'DTSTART;TZID=Europe/Rome:20261201T090000',
        'DTEND;TZID=Europe/Rome:20261201T100000',
        'RRULE:FREQ=DAILY;COUNT=6',
        'EXDATE;TZID=Europe/Rome:20261202T090000',
        'RDATE;TZID=Europe/Rome:20261220T090000',
      ),
      ...event(
        'RECURRENCE-ID;TZID=Europe/Rome:20261203T090000',
        'DTSTART;TZID=Europe/Rome:20261203T140000',
        'DTEND;TZID=Europe/Rome:20261203T143000',
      ),
      ...event(
        'RECURRENCE-ID;TZID=Europe/Rome:20261204T090000',
        'DTSTART;TZID=Europe/Rome:20261204T090000',
        'STATUS:CANCELLED',
      ),
    );
    expect(words(read(text))).toEqual([
      '2026-12-01 09:00–10:00',
      '2026-12-03 14:00–14:30',
      '2026-12-05 09:00–10:00',
      '2026-12-06 09:00–10:00',
      '2026-12-20 09:00–10:00',
    ]);
  });

  it('keeps the wall time of a weekly entry over both changes of the clocks', () => {
    const text = calendar(
      ...event('DTSTART;TZID=Europe/Rome:20261020T090000', 'DURATION:PT1H', 'RRULE:FREQ=WEEKLY'),
    );
    const spans = words(read(text));
    expect(spans.length).toBe(50);
    expect(new Set(spans.map((s) => s.slice(11)))).toEqual(new Set(['09:00–10:00']));
  });

  it('takes a zone that only the file knows by the file’s own rules, and one that nobody knows as the studio’s', () => {
    const zone = [
      'BEGIN:VTIMEZONE',
      'TZID:Workroom Time',
      'BEGIN:STANDARD',
      'DTSTART:19700101T000000',
      'TZOFFSETFROM:+0300',
      'TZOFFSETTO:+0300',
      'END:STANDARD',
      'END:VTIMEZONE',
    ];
    const entry = event('DTSTART;TZID=Workroom Time:20261201T120000', 'DURATION:PT1H');
    expect(words(read(calendar(...zone, ...entry)))).toEqual(['2026-12-01 10:00–11:00']);
    const without = read(calendar(...entry));
    expect(words(without)).toEqual(['2026-12-01 12:00–13:00']);
    expect(without.notes).toEqual([
      'The time zone “Workroom Time” is unknown: its times were read as the studio’s.',
    ]);
  });

  it('reads busy periods, not free ones, and joins what overlaps', () => {
    const text = calendar(
      'BEGIN:VFREEBUSY',
      'FREEBUSY:20261201T080000Z/20261201T090000Z,20261201T083000Z/PT1H',
      'FREEBUSY;FBTYPE=FREE:20261203T080000Z/PT1H',
      'END:VFREEBUSY',
    );
    expect(words(read(text))).toEqual(['2026-12-01 09:00–10:30']);
  });

  it('says what has no time, and still takes the rest', () => {
    const found = read(
      calendar(...event('SUMMARY:nothing'), ...event('DTSTART:20261201T090000', 'DURATION:PT1H')),
    );
    expect(found).toMatchObject({ entries: 1, notes: ['1 entry has no readable time and was left out.'] });
  });

  it.each([
    ['nothing', ''],
    ['no calendar', 'Dear all, I am away on Monday.'],
    ['half a file', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTART:2026'],
    ['another thing', 'BEGIN:VCARD\r\nFN:Nell\r\nEND:VCARD'],
    ['calendars in calendars', 'BEGIN:VCALENDAR\r\n'.repeat(20_000)],
    ['a page of the web', '<!doctype html><html></html>'],
  ])('%s is refused with a sentence', (_, text) => {
    const found = busyTimes(text, ZONE, WITHIN);
    expect(found).toMatchObject({ ok: false, sentence: expect.stringMatching(/Nothing was imported\.$/) });
  });

  it('refuses an entry that repeats without end within the weeks looked at', () => {
    const found = busyTimes(
      calendar(...event('DTSTART:20261001T000000Z', 'DURATION:PT1S', 'RRULE:FREQ=SECONDLY')),
      ZONE,
      WITHIN,
    );
    expect(found).toMatchObject({ ok: false, sentence: expect.stringContaining('repeats more than') });
  });

  // Against a library that shares no code with the one used: rrule 2.8, its expansion in universal time.
  it('expands random rules as rrule does', () => {
    const rules = fc.record({
      freq: fc.constantFrom('DAILY', 'WEEKLY', 'MONTHLY', 'YEARLY'),
      interval: fc.integer({ min: 1, max: 4 }),
      count: fc.option(fc.integer({ min: 1, max: 40 }), { nil: undefined }),
      byday: fc.uniqueArray(fc.constantFrom('MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'), { maxLength: 3 }),
      day: fc.integer({ min: 0, max: 500 }),
      hour: fc.integer({ min: 0, max: 23 }),
    });
    const within = { from: planAt('UTC', '2026-06-01', '00:00'), to: planAt('UTC', '2027-06-01', '00:00') };
    fc.assert(
      fc.property(rules, ({ freq, interval, count, byday, day, hour }) => {
        const rule = `FREQ=${freq};INTERVAL=${interval}${
          byday.length > 0 && freq !== 'YEARLY' ? `;BYDAY=${byday.join(',')}` : ''
        };WKST=MO`;
        const stamp = (d: Date) => d.toISOString().replace(/[-:]|\.\d+/g, '');
        const some = `${dayAfter('2025-09-01', day).replaceAll('-', '')}T${String(hour).padStart(2, '0')}0000Z`;
        // RFC 5545 leaves open what a start means that its rule does not name: it begins where the rule does.
        const start = stamp(rrule.rrulestr(`DTSTART:${some}\nRRULE:${rule}`).all((_, n) => n < 1)[0]!);
        const text = `${rule}${count ? `;COUNT=${count}` : ''}`;
        const expected = rrule
          .rrulestr(`DTSTART:${start}\nRRULE:${text}`)
          .between(new Date(within.from * 60_000), new Date(within.to * 60_000 - 1), true)
          .map((d) => d.getTime() / 60_000);
        const found = read(
          calendar(...event(`DTSTART:${start}`, 'DURATION:PT30M', `RRULE:${text}`)),
          'UTC',
          within,
        );
        expect(found.spans.map((s) => s.from)).toEqual(expected);
      }),
      { numRuns: 300 },
    );
  });
});
