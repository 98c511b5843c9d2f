import { without } from '@rocchetto/core/diary/spans.ts';
import { answerOf } from '@rocchetto/core/plan/answer.ts';
import { inventedOrders, inventedStudio } from '@rocchetto/core/plan/testing.ts';
import { type AmongOthers, planTogether } from '@rocchetto/core/plan/together.ts';
import { interleaved, ms } from './interleaved.ts';

/** How long a plan takes: of one order, of many together, and what breaks when a hand is away. Invented studios. */
export async function planBench(say: (line: string) => void) {
  const ground = inventedStudio(4);
  const one = inventedOrders(ground, 1)[0]!;
  const copied = { ...ground.book, rooming: [...ground.book.rooming] };
  const single = await interleaved(
    60,
    20,
    async () => structuredClone(copied),
    async () => answerOf(ground, one.chain, one.choices, one.last),
  );
  say(
    `plan, one order over ${ground.book.days.length} days and ${ground.book.staff.length} hands: median ${ms(single.ours.median)} ms (p95 ${ms(single.ours.p95)}), a copy of its book ${ms(single.bare.median)} ms; ratio ${single.ratio.toFixed(2)} (aim 50 ms).`,
  );
  await many(say, 'four seamstresses', inventedStudio(4), 80, 9);
  await many(say, 'twelve seamstresses', inventedStudio(12), 400, 3);
  // More than there are hours for: nothing may run away.
  await many(say, 'one seamstress', inventedStudio(1), 400, 3);
}

async function many(
  say: (line: string) => void,
  who: string,
  ground: ReturnType<typeof inventedStudio>,
  count: number,
  times: number,
) {
  const orders = inventedOrders(ground, count);
  let holds = 0;
  const all = await interleaved(
    times,
    1,
    async () => structuredClone(orders.map((o: AmongOthers) => o.client)),
    async () => {
      holds = planTogether(ground, orders).held.filter((h) => h.answer.holds === 'yes').length;
    },
  );
  const away = [{ from: 7 * 1440, to: 14 * 1440 }];
  const without1 = {
    ...ground,
    book: {
      ...ground.book,
      staff: ground.book.staff.map((h) => (h.id === 10 ? { ...h, works: without(h.works, away) } : h)),
    },
  };
  const breaks = await interleaved(
    times,
    1,
    async () => undefined,
    async () => planTogether(without1, orders),
  );
  say(
    `plan, ${count} orders together, ${who}: median ${ms(all.ours.median)} ms (aim 3,000 for 400), ${holds} hold; with a hand away for a week ${ms(breaks.ours.median)} ms (aim 200).`,
  );
}
