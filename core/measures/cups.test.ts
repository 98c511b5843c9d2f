import { describe, expect, it } from 'vitest';
import { cm } from '../units/length.ts';
import { formatSentence } from '../units/print.ts';
import { braSize, cupSentences, sewingCup } from './cups.ts';

describe('two cups, kept apart', () => {
  it.each([
    [89.5, 'A'],
    [92, 'B'],
    [94.5, 'C'],
    [97, 'D'],
    // Half a letter is the next one.
    [88.3, 'A'],
    [88.2, null],
    [87, null],
  ])('a bust of %d over a high bust of 87 sews as %s (2.5 a letter, common practice)', (bust, cup) => {
    expect(sewingCup(cm(bust), cm(87))).toBe(cup);
  });
  it.each([
    [85, 75, '75 AA'],
    [87, 75, '75 A'],
    [89, 75, '75 B'],
    [91, 75, '75 C'],
    [90.9, 75, '75 B'],
    [98, 77.4, '75 E'],
    [103, 77.5, '80 G'],
    [80, 75, null],
    [140, 120, null],
  ])('EN 13402 (from memory): bust %d, under bust %d is %s', (bust, under, size) => {
    expect(braSize(cm(bust), cm(under))).toBe(size);
  });
  it('say what each is for, in the unit of the page; what was not read says nothing', () => {
    const of = (figures: Record<string, number>) => cupSentences((id) => figures[id] ?? null);
    const both = of({ bust: 92, 'high-bust': 84.5, underbust: 76 });
    expect(both[0]).toContain('Sewing cup C');
    expect(both[1]).toContain('Bra size 75 C');
    expect(formatSentence(both[0]!, 'in')).not.toMatch(/cm/);
    expect(of({ bust: 92 })).toEqual([]);
    expect(of({ bust: 92, underbust: 76 })).toHaveLength(1);
  });
});
