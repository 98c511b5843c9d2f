import { findKind, findSign, OWN_SIGN } from '@rocchetto/core/alter/index.ts';
import { z } from 'zod';
import { Version } from './basics.ts';

const words = (max: number, message: string) => z.string().trim().min(1, message).max(max);

/** What the house reckons for one kind of alteration, where that is not the usual. */
const KindFigures = z.strictObject({
  minutes: z
    .int('Minutes are whole ones.')
    .min(5, 'Bench work takes 5 minutes or more.')
    .max(2880, 'More than 2,880 minutes is no alteration.')
    .optional(),
  price: z
    .number('The price is a number.')
    .min(0, 'A price below zero is none.')
    .max(1_000_000, 'So much is no price.')
    .optional(),
});
const CauseWords = z
  .strictObject({
    cause: words(120, 'Say what the cause is.'),
    try: words(200, 'Say what is tried.'),
    kind: z.string().max(40).nullable(),
    direction: z.string().max(20),
    face: z.enum(['front', 'back']).optional(),
  })
  .refine(
    (c) => c.kind === null || findKind(c.kind)?.directions.some((d) => d.id === c.direction) === true,
    'The house knows no alteration of this kind and way.',
  );
const SignWords = z.strictObject({
  name: words(120, 'The sign needs a name.'),
  like: z
    .string()
    .max(40)
    .refine((id) => findSign(id) !== undefined, 'Choose a drawing of the table.'),
  hidden: z.boolean(),
  causes: z.array(CauseWords).min(1, 'A sign has one cause at the least.').max(10),
});

/** Minutes, prices and signs of the house, laid over the tables of core. */
export const HouseBench = z.strictObject({
  version: z.literal(1),
  kinds: z
    .record(
      z.string().refine((k) => findKind(k) !== undefined, 'The house knows no such kind.'),
      KindFigures,
    )
    .default({}),
  signs: z
    .record(
      z.string().refine((id) => findSign(id) !== undefined || OWN_SIGN.test(id), 'No sign has this id.'),
      SignWords,
    )
    .default({}),
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
    if (!is) return OWN_SIGN.test(id) ? `sign “${name}” taken off` : `sign “${name}” as in the table again`;
    if (was && was.hidden !== is.hidden) return `sign “${name}” ${is.hidden ? 'hidden' : 'shown again'}`;
    return `sign “${name}” ${was || !OWN_SIGN.test(id) ? 'worded anew' : 'added'}`;
  });
  return [...kinds, ...signs].filter((s) => s !== '');
}
const priceWord = (p: number | undefined) => (p === undefined ? 'none' : p.toFixed(2));
