import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { printSheet } from '../../sheet/print.ts';
import { asLines, randomBody, seeded } from '../testing.ts';

const LINES = asLines(randomBody(seeded(11)));
const head = (parts: readonly object[], lines: readonly string[] = LINES) =>
  printSheet(sheetOf(garmentSpec(parts as never, lines)), 'cm').checks.find((k) => k.code === 'bodice.head');

describe.each(['darted-bodice', 'long-bodice'])('a %s that opens at its left side', (part) => {
  it('goes over the head: its neckline is held against it, and the cure is named', () => {
    const closed = head([{ part, zip: 'left-side', neckFront: '7 cm' }]);
    expect(closed).toMatchObject({ state: 'warned' });
    expect(closed!.text).toContain('open it at the centre back or the centre front');
    expect(head([{ part, zip: 'left-side', neckFront: '20 cm', widen: '5 cm' }])).toMatchObject({
      state: 'passed',
    });
    const unread = LINES.filter((l) => !l.startsWith('head '));
    expect(head([{ part, zip: 'left-side', neckFront: '7 cm' }], unread)!.text).toContain('57 cm is usual');
  });
  it('asks nothing of a head where it opens in its neckline', () => {
    expect(head([{ part, zip: 'centre-back' }])).toBeUndefined();
    expect(head([{ part, zip: 'centre-front' }])).toBeUndefined();
  });
});
