import { findKind, findSign, OWN_SIGN } from '@rocchetto/core/alter/index.ts';
import { SKILLS } from '@rocchetto/core/diary/kinds.ts';
import { SOLD, type Sold } from '@rocchetto/core/estimate/sold.ts';
import { TIMES, WAITS, type Wait } from '@rocchetto/core/plan/times.ts';
import { z } from 'zod';
import { Version } from './basics.ts';
import { HouseRates } from './estimate.ts';

const words = (max: number, message: string) => z.string().trim().min(1, message).max(max);

/** What the house reckons for one kind of alteration, where that is not the usual. */
const KindFigures = z.strictObject({
  minutes: z
    .int('Enter whole minutes.')
    .min(5, 'Enter 5 minutes or more.')
    .max(2880, 'Enter at most 2,880 minutes.')
    .optional(),
  price: z
    .number('Enter the price as a number, for example 25 or 25.50.')
    .min(0, 'Enter a price of 0 or more.')
    .max(1_000_000, 'Enter a smaller price.')
    .optional(),
});
const CauseWords = z
  .strictObject({
    cause: words(120, 'Enter the cause.'),
    try: words(200, 'Enter what to try.'),
    kind: z.string().max(40).nullable(),
    direction: z.string().max(20),
    face: z.enum(['front', 'back']).optional(),
  })
  .refine(
    (c) => c.kind === null || findKind(c.kind)?.directions.some((d) => d.id === c.direction) === true,
    'There is no such alteration done this way. Choose one from the list.',
  );
const SignWords = z.strictObject({
  name: words(120, 'Enter what is seen.'),
  like: z
    .string()
    .max(40)
    .refine((id) => findSign(id) !== undefined, 'Choose a drawing from the list.'),
  hidden: z.boolean(),
  causes: z.array(CauseWords).min(1, 'Add at least one cause.').max(10),
});

/** Minutes, prices and signs of the house, laid over the tables of core. */
export const HouseBench = z.strictObject({
  version: z.literal(1),
  kinds: z
    .record(
      z
        .string()
        .refine((k) => findKind(k) !== undefined, 'There is no such alteration. Choose one from the list.'),
      KindFigures,
    )
    .default({}),
  signs: z
    .record(
      z
        .string()
        .refine((id) => findSign(id) !== undefined || OWN_SIGN.test(id), 'There is no such fitting sign.'),
      SignWords,
    )
    .default({}),
  /** minutes of the house by the lines of the plan’s table */
  times: z
    .record(
      z.string().refine((id) => TIMES.some((t) => t.id === id), 'There is no such time in the table.'),
      z
        .number('Enter the minutes as a number.')
        .min(0, 'Enter 0 minutes or more.')
        .max(2880, 'Enter at most 2,880 minutes.'),
    )
    .default({}),
  waits: z
    .partialRecord(
      z.enum(Object.keys(WAITS) as [Wait, ...Wait[]]),
      z.int('Enter whole days.').min(0, 'Enter 0 days or more.').max(365, 'Enter at most 365 days.'),
    )
    .default({}),
  /** what an estimate is reckoned with */
  rates: HouseRates,
});
export type HouseBench = z.infer<typeof HouseBench>;
export const HouseBenchWrite = z.strictObject({ version: Version, bench: HouseBench });
export const HouseBenchView = z.strictObject({
  version: z.number(),
  bench: HouseBench,
  /** newest first */
  changes: z
    .array(
      z.strictObject({
        at: z.string(),
        by: z.string(),
        says: z.array(z.string()).readonly(),
      }),
    )
    .readonly(),
});
export type HouseBenchView = z.infer<typeof HouseBenchView>;

/** The figures for somebody who does not read prices: minutes and signs alone. */
export const withoutPrices = (b: HouseBench): HouseBench => ({
  ...b,
  rates: HouseRates.parse(undefined),
  kinds: Object.fromEntries(
    Object.entries(b.kinds).flatMap(([id, { price: _, ...rest }]) =>
      rest.minutes === undefined ? [] : [[id, rest]],
    ),
  ),
});

/** What differs between two states, a sentence each. */
export function benchMoved(before: HouseBench, after: HouseBench): string[] {
  const nameOf = (id: string) => findKind(id)?.name ?? id;
  const kinds = [...new Set([...Object.keys(before.kinds), ...Object.keys(after.kinds)])].flatMap((id) => {
    const [was, is] = [before.kinds[id] ?? {}, after.kinds[id] ?? {}];
    return [
      was.minutes === is.minutes
        ? ''
        : `${nameOf(id)}: ${was.minutes ?? 'usual'} → ${is.minutes ?? 'usual'} minutes`,
      was.price === is.price ? '' : `${nameOf(id)}: price ${priceWord(was.price)} → ${priceWord(is.price)}`,
    ];
  });
  const signs = [...new Set([...Object.keys(before.signs), ...Object.keys(after.signs)])].map((id) => {
    const [was, is] = [before.signs[id], after.signs[id]];
    if (JSON.stringify(was) === JSON.stringify(is)) return '';
    const name = is?.name ?? was?.name ?? id;
    if (!is) return OWN_SIGN.test(id) ? `sign “${name}” removed` : `sign “${name}” reset to the usual`;
    if (was && was.hidden !== is.hidden) return `sign “${name}” ${is.hidden ? 'hidden' : 'shown again'}`;
    return `sign “${name}” ${was || !OWN_SIGN.test(id) ? 'edited' : 'added'}`;
  });
  const times = TIMES.map(({ id, name }) =>
    before.times[id] === after.times[id]
      ? ''
      : `${name}: ${before.times[id] ?? 'usual'} → ${after.times[id] ?? 'usual'} minutes`,
  );
  const waits = (Object.keys(WAITS) as Wait[]).map((id) =>
    before.waits[id] === after.waits[id]
      ? ''
      : `${WAITS[id].name}: ${before.waits[id] ?? 'usual'} → ${after.waits[id] ?? 'usual'} days`,
  );
  return [...kinds, ...signs, ...times, ...waits, ...ratesMoved(before.rates, after.rates)].filter(
    (s) => s !== '',
  );
}
/** What differs between two tables of rates, a sentence each. */
function ratesMoved(before: HouseRates, after: HouseRates): string[] {
  const row = (name: string, was: number | undefined, is: number | undefined, word: (n: number) => string) =>
    was === is
      ? ''
      : `${name}: ${was === undefined ? 'none' : word(was)} → ${is === undefined ? 'none' : word(is)}`;
  const price = (n: number) => n.toFixed(2);
  const percent = (n: number) => `${n} %`;
  return [
    ...SKILLS.map((s) => row(`an hour of ${s}`, before.hour[s], after.hour[s], price)),
    ...(Object.keys(SOLD) as Sold[]).map((s) =>
      row(`price of ${SOLD[s].name}`, before.notions[s], after.notions[s], price),
    ),
    row('share on work', before.share.work, after.share.work, percent),
    row('share on cloth and notions', before.share.goods, after.share.goods, percent),
    row('deposit', before.deposit, after.deposit, percent),
    row('prices rounded up to', before.step, after.step, price),
  ];
}
const priceWord = (p: number | undefined) => (p === undefined ? 'none' : p.toFixed(2));
