import { describe, expect, it } from 'vitest';
import { danger, waitsForClient } from './danger.ts';

const TODAY = '2026-11-24';
const inDays = (n: number) =>
  new Date(Date.parse(`${TODAY}T00:00:00Z`) + n * 86_400_000).toISOString().slice(0, 10);

describe('an order in danger', () => {
  it.each([
    ['asked', 30, null],
    ['asked', 20, 'no brief'],
    ['brief', 18, 'not measured'],
    ['measured', 15, null],
    ['measured', 14, 'no sheet yet'],
    ['sheet', 5, 'not agreed'],
    ['agreed', 10, 'not cut yet'],
    ['agreed', 11, null],
    // What is cut goes on being looked at until it is handed over or cancelled.
    ['cut', 6, null],
    ['cut', 5, 'no fitting yet'],
    ['fitting', 3, 'not ready yet'],
    ['ready', 0, 'not handed over yet'],
    ['ready', -40, 'Overdue by 40 days'],
    ['handed-over', -40, null],
    ['cancelled', -40, null],
    ['sheet', 1, 'Due in 1 day:'],
    ['sheet', 0, 'Due today'],
    ['agreed', -1, 'Overdue by 1 day:'],
    ['agreed', -2, 'Overdue by 2 days'],
  ] as const)('%s and due in %d days: %s', (stage, days, says) => {
    const sentence = danger({ stage, dueOn: inDays(days) }, TODAY);
    if (says === null) expect(sentence).toBeNull();
    else expect(sentence).toContain(says);
  });
  it('without a due date has none to miss', () =>
    expect(danger({ stage: 'asked', dueOn: null }, TODAY)).toBeNull());
  it('waits for its client to be measured and to agree', () => {
    expect([waitsForClient('brief'), waitsForClient('sheet'), waitsForClient('cut')]).toEqual([
      'to be measured',
      'to agree the sheet',
      null,
    ]);
  });
});
