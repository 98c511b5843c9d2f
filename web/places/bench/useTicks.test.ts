import type { BoxView } from '@rocchetto/contract';
import { expect, it } from 'vitest';
import { afterAnswer } from './useTicks.ts';

const box = (id: string, more: Partial<BoxView> = {}) =>
  ({ id, doneAt: null, struck: null, ...more }) as BoxView;
const done = { box: 'a', to: 'done', reason: '', since: 0 } as const;
const left = (kept: Parameters<typeof afterAnswer>[0]) => kept.map((k) => k.box);

it('an answer that was asked for before the tick does not take it back; one that shows it ends it', () => {
  const kept = [done];
  const older = afterAnswer(kept, [box('a')]);
  expect(left(older)).toEqual(['a']);
  expect(left(afterAnswer(older, [box('a', { doneAt: '2026-03-10T12:00:00Z' })]))).toEqual([]);
  expect(left(afterAnswer(kept, [box('a', { doneAt: 'now' })]))).toEqual([]);
});

it('what another hand did since counts by the second answer at the latest', () => {
  const once = afterAnswer([done], [box('a', { struck: 'cut anew' })]);
  expect(left(once)).toEqual(['a']);
  expect(left(afterAnswer(once, [box('a', { struck: 'cut anew' })]))).toEqual([]);
});

it('a piece that is left out, or opened again, is shown by its own sign', () => {
  const struck = [{ box: 'a', to: 'struck', reason: 'cut anew', since: 0 } as const];
  expect(left(afterAnswer(struck, [box('a', { struck: 'cut anew' })]))).toEqual([]);
  expect(left(afterAnswer(struck, [box('a', { doneAt: 'now' })]))).toEqual(['a']);
  const open = [{ box: 'a', to: 'open', reason: '', since: 0 } as const];
  expect(left(afterAnswer(open, [box('a')]))).toEqual([]);
  expect(left(afterAnswer(open, [box('a', { doneAt: 'now' })]))).toEqual(['a']);
});
