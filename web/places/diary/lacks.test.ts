import type { AppointmentView, BenchWork, DiaryHouse } from '@rocchetto/contract';
import { expect, it } from 'vitest';
import { lacks, promisedWords } from './lacks.ts';

const house = {
  kinds: [
    { id: 'measuring', need: 'brief' },
    { id: 'toile-fitting', need: 'toile' },
    { id: 'talk', need: null },
  ],
} as unknown as DiaryHouse;
const booked = (more: object = {}) =>
  ({
    kind: 'toile-fitting',
    status: 'confirmed',
    readyAt: null,
    orderId: 7,
    slots: [
      { day: '2026-03-02', state: 'left' },
      { day: '2026-03-10', state: 'held' },
    ],
    ...more,
  }) as unknown as AppointmentView;
const work = (more: object = {}) =>
  ({ orderId: 7, makes: 'toile', day: '2026-03-05', doneAt: null, ...more }) as unknown as BenchWork;
const short = (day: string) => `the ${Number(day.slice(-2))}th`;
const said = (works: BenchWork[], more: object = {}) => promisedWords(house, booked(more), works, short);

it('tells what an appointment ahead still lacks, and nothing once it is there or over', () => {
  expect(lacks(house, booked())).toBe('the toile ready');
  expect(lacks(house, booked({ status: 'offered' }))).toBe('the toile ready');
  expect(lacks(house, booked({ readyAt: '2026-03-06T09:00:00Z' }))).toBe('');
  for (const status of ['kept', 'missed', 'cancelled']) expect(lacks(house, booked({ status }))).toBe('');
  expect(lacks(house, booked({ kind: 'talk' }))).toBe('');
  expect(lacks(house, booked({ kind: 'a kind that is gone' }))).toBe('');
});

it('says when the work is promised for, and when that is too late for the day that is kept', () => {
  expect(said([work()])).toBe(' (work scheduled for the 5th)');
  expect(said([work(), work({ day: '2026-03-10' })])).toBe(' (work scheduled for the 10th, too late)');
  // The day that was left no longer counts.
  expect(said([work({ day: '2026-03-03' })])).toBe(' (work scheduled for the 3th)');
  expect(said([work({ day: '2026-04-01' })], { slots: [] })).toBe(' (work scheduled for the 1th)');
});

it('says when nobody has promised it, when it is done, and looks at its own order only', () => {
  expect(said([])).toBe(' (work unscheduled)');
  expect(said([work({ orderId: 8 }), work({ makes: 'basted' })])).toBe(' (work unscheduled)');
  expect(said([work({ doneAt: '2026-03-04T10:00:00Z' })])).toBe(' (work done: check and mark it ready)');
  expect(said([work({ doneAt: '2026-03-04T10:00:00Z' }), work()])).toBe(' (work scheduled for the 5th)');
});

it('a brief is nobody’s work at the bench', () => {
  expect(said([], { kind: 'measuring' })).toBe('');
  expect(lacks(house, booked({ kind: 'measuring' }))).toBe('the brief written');
});
