import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readLength } from '../units/reading.ts';
import {
  hearTape,
  LATE,
  NOTHING_HEARD,
  readTapeLine,
  type TapeHeard,
  type TapeLine,
  tapeLine,
  tapeTyped,
} from './digital-tape.ts';

const line = fc.record({
  device: fc.stringMatching(/^[a-z0-9-]{1,20}$/),
  number: fc.integer({ min: 1, max: 9_999_999 }),
  mm: fc.integer({ min: 1, max: 9_998 }).map((n) => n / 2 + 0.5),
  ago: fc.integer({ min: 0, max: 999_999_999 }),
});

/** All that a station makes of these lines, in their order. */
function hearAll(lines: readonly unknown[]) {
  let heard: TapeHeard = NOTHING_HEARD;
  return lines.map((l) => {
    const out = hearTape(heard, l);
    heard = out.heard;
    return out.event;
  });
}
const said = (l: Partial<TapeLine>) => tapeLine({ device: 'tape-1', number: 1, mm: 982, ago: 0, ...l });

describe('the line of a digital tape', () => {
  it('is read back as it was sent, and typed as a hand would', () => {
    fc.assert(
      fc.property(line, (l) => {
        expect(readTapeLine(tapeLine(l))).toEqual(l);
        const read = readLength(tapeTyped(l), 'cm');
        expect(read.ok && read.cm).toBeCloseTo(l.mm / 10, 9);
      }),
    );
  });
  it('carries a check that tells any one changed letter', () => {
    // By hand: 52^54^31^3B^61^3B^31^3B^31^3B^30 = 66.
    expect(tapeLine({ device: 'a', number: 1, mm: 1, ago: 0 })).toBe('RT1;a;1;1;0;66');
    expect(said({})).toMatch(/^RT1;tape-1;1;982;0;[0-9A-F]{2}$/);
    fc.assert(
      fc.property(line, fc.nat(), fc.integer({ min: 33, max: 126 }), (l, at, code) => {
        const sent = tapeLine(l);
        const i = at % sent.length;
        const changed = sent.slice(0, i) + String.fromCharCode(code) + sent.slice(i + 1);
        if (changed !== sent) expect(typeof readTapeLine(changed)).toBe('string');
      }),
    );
  });
  it('is told in words when it is nothing: any garbage', () => {
    for (const junk of [
      '',
      'RT1',
      'RT1;a;1;0;0;00',
      said({}).slice(0, -1),
      'x'.repeat(10_000),
      null,
      7,
      {},
      [said({})],
    ])
      expect(typeof readTapeLine(junk)).toBe('string');
    expect(readTapeLine('RT1;tape-1;1;0;0;00')).toMatch(/garbled|0/);
    fc.assert(fc.property(fc.anything(), (x) => typeof readTapeLine(x) === 'string'));
  });
});

describe('a station that hears a tape', () => {
  it('puts in what is fresh, once, and only offers what is late or out of order', () => {
    const events = hearAll([
      said({}),
      said({}),
      said({ number: 2, ago: LATE + 1 }),
      said({ number: 4 }),
      said({ number: 3 }),
      said({ number: 3 }),
      'junk',
      said({ number: 1, device: 'tape-2' }),
    ]);
    expect(events.map((e) => e.is)).toEqual([
      'reading',
      'double',
      'late',
      'reading',
      'late',
      'double',
      'garbage',
      'reading',
    ]);
  });
  it('never takes one press twice, whatever is sent in whatever order', () => {
    const sent = fc.array(
      fc.oneof(
        fc
          .record({
            device: fc.constantFrom('a', 'b'),
            number: fc.integer({ min: 1, max: 6 }),
            ago: fc.nat(20_000),
          })
          .map((l) => tapeLine({ mm: 500, ...l })),
        fc.string(),
      ),
      { maxLength: 40 },
    );
    fc.assert(
      fc.property(sent, (lines) => {
        const taken = hearAll(lines).flatMap((e) =>
          e.is === 'reading' || e.is === 'late' ? [`${e.line.device} ${e.line.number}`] : [],
        );
        expect(new Set(taken).size).toBe(taken.length);
      }),
    );
  });
});
