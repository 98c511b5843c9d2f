import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { printSheet } from '../sheet/print.ts';

const skirt = (cloth: object = {}) =>
  sheetOf(
    garmentSpec('straight-skirt', ['waist 66 cm', 'hip 94 cm', 'waist-to-hip 20 cm'], {
      garment: { parts: [{ part: 'straight-skirt', length: '60 cm' }], cloth: { name: 'wool', ...cloth } },
    }),
  );
const whyOf = (s: ReturnType<typeof skirt>, name: string) =>
  printSheet(s, 'cm').figures.find((f) => f.name === name)!.why;
const ready = (stretch: number) => JSON.stringify(printSheet(skirt({ stretch, weight: 220 }), 'cm').notions);

describe('sentences of a sheet', () => {
  it('a quarter says what was divided by four, not what came of it', () => {
    const lines = whyOf(skirt(), 'hip').filter((l) => l.includes('quarter'));
    // By hand: 94 and 5 of ease are 99; a quarter of it 24.75.
    expect(lines).toEqual([
      expect.stringMatching(/^front quarter 24\.75 = 99 cm finished ÷ 4; marked \d/),
      expect.stringMatching(/^back quarter 24\.75 = 99 cm finished ÷ 4; marked \d/),
    ]);
  });
  it('a woven that gives a little is sewn as a woven, a knit with a ball point', () => {
    expect(ready(2)).not.toContain('ball point');
    expect(ready(14)).not.toContain('ball point');
    expect(ready(15)).toContain('ball point');
    expect(ready(40)).toContain('514');
  });
});

describe('a back that cannot be', () => {
  const bodice = (front: string, across: string) =>
    sheetOf(
      garmentSpec('bodice', [
        'bust 35 in',
        'waist 28 in',
        'neck-to-bust 10 in',
        'neck-to-waist-front 17 in',
        'nape-to-waist 16 in',
        'across-shoulder 15 in',
        'apex-span 7 in',
        `bust-front ${front}`,
        `across-back ${across}`,
      ]),
    );
  it('with an arc of 21 in of 35 leaves a quarter narrower than half the back, and says so', () => {
    const found = bodice('21 in', '16 1/2 in').checks.filter((k) => k.code.includes('narrow-back'));
    expect(found).toMatchObject([{ state: 'warned' }]);
    expect(found[0]!.sentence).toContain('nothing is left for the armhole');
    expect(bodice('18 in', '13 1/2 in').checks.some((k) => k.code.includes('narrow-'))).toBe(false);
  });
});
