import { dayAfter } from '../dates/day-after.ts';
import { KINDS, type Skill } from '../diary/kinds.ts';
import { without } from '../diary/spans.ts';
import type { Span } from '../diary/zoned.ts';
import { seeded } from '../garment/testing.ts';
import type { PlanGround } from './answer.ts';
import { type Choices, chainOf, lastDays, type OrderAtWork, type Step, usualChoices } from './chain.ts';
import { type HouseTimes, USUAL_TIMES } from './times.ts';
import { type AmongOthers, once } from './together.ts';
import { PLAIN_WORK } from './work.ts';

/** The first day of invented studios, a Monday. */
export const FIRST = '2026-01-05';

/** An invented studio: so many seamstresses beside two fitters and a desk, Monday to Friday, nine to five with a break. */
export function inventedStudio(seamstresses: number, days = 120): PlanGround {
  const all = Array.from({ length: days }, (_, i) => ({
    day: dayAfter(FIRST, i),
    from: i * 1440,
    to: (i + 1) * 1440,
  }));
  const open: Span[] = all.flatMap((d, i) =>
    i % 7 < 5
      ? [
          { from: d.from + 540, to: d.from + 780 },
          { from: d.from + 840, to: d.from + 1020 },
        ]
      : [],
  );
  const hand = (id: number, name: string, skills: readonly Skill[]) => ({
    id,
    name,
    skills,
    works: open,
    busy: [],
  });
  const staff = [
    hand(1, 'Fitter One', ['measuring', 'fitting', 'bridal']),
    hand(2, 'Fitter Two', ['measuring', 'fitting', 'tailoring']),
    hand(3, 'Desk', ['desk']),
    ...Array.from({ length: seamstresses }, (_, i) => hand(10 + i, `Hand ${i + 1}`, ['tailoring'])),
  ];
  return {
    today: FIRST,
    dateOrder: 'dmy',
    open,
    hours: new Map(staff.map((h) => [h.id, open])),
    book: {
      staff,
      rooms: [
        { id: 1, name: 'Bay', goodFor: ['fitting', 'bridal'], busy: [] },
        { id: 2, name: 'Nook', goodFor: ['fitting'], busy: [] },
      ],
      client: open,
      rooming: new Map(KINDS.map((k) => [k.id, { room: k.room, buffer: k.buffer }])),
      days: all,
      now: 540,
    },
  };
}

/** An order of an invented studio: measured, nothing booked, of a plain skirt. */
export const plainOrder = (more: Partial<OrderAtWork> = {}): OrderAtWork => ({
  stage: 'measured',
  broughtIn: false,
  wornOn: dayAfter(FIRST, 60),
  dueOn: null,
  booked: [],
  given: [],
  alterations: 0,
  work: PLAIN_WORK,
  ...more,
});

/** The same as one among others. */
export const asAmong = (
  id: number,
  order: OrderAtWork,
  client: readonly Span[],
  house: HouseTimes = USUAL_TIMES,
): AmongOthers => {
  const choices = usualChoices(order.work);
  return {
    id,
    clientId: id,
    chain: once(choices, (c: Choices) => chainOf(order, c, house, KINDS)),
    choices,
    last: lastDays(order, house),
    client,
  };
};

/** So many orders worn over the weeks to come, some boned, some clients away. */
export function inventedOrders(ground: PlanGround, count: number, seed = 1): AmongOthers[] {
  const rnd = seeded(seed);
  return Array.from({ length: count }, (_, i) => {
    const boned = rnd() < 0.15;
    const worn = 20 + Math.floor(rnd() * (ground.book.days.length - 40));
    const away = Math.floor(rnd() * 60) * 1440;
    const order = plainOrder({
      wornOn: dayAfter(FIRST, worn),
      work: boned
        ? { hangs: rnd() < 0.3, counts: { ...PLAIN_WORK.counts, panel: 16, bone: 14, dart: 0, piece: 24 } }
        : PLAIN_WORK,
    });
    return asAmong(i + 1, order, without(ground.open, [{ from: away, to: away + 5 * 1440 }]));
  });
}

/** A step of bench work and nothing more: a seamstress's, so many minutes, waiting for nothing. */
export const benchStep = (id: string, minutes: number, more: Partial<Step> = {}): Step => ({
  id,
  name: id,
  does: 'work',
  kind: null,
  minutes,
  hands: [['tailoring']],
  waits: [],
  notBefore: null,
  notAfter: null,
  why: [],
  work: null,
  makes: null,
  booked: null,
  given: null,
  ...more,
});
