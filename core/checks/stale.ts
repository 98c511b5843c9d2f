/**
 * How old a session may be before its figures are stale, in days. House limits (common practice, no source):
 * 90, 28 for close and boned garments, 14 when the client reports a change.
 */
export const STALE_AFTER = { usual: 90, close: 28, changed: 14 } as const;
/** The house's own limits, days. */
export type Ages = { readonly [k in keyof typeof STALE_AFTER]: number };

/**
 * The sentence when a session is too old for the garment, else null.
 * @param sessionDate @param today ISO dates (yyyy-mm-dd)
 */
export function staleSentence(
  sessionDate: string,
  today: string,
  close: boolean,
  { changed = false, ages = STALE_AFTER as Ages }: { changed?: boolean; ages?: Ages } = {},
): string | null {
  const days = Math.round((Date.parse(today) - Date.parse(sessionDate)) / 86_400_000);
  const limit = changed ? ages.changed : close ? ages.close : ages.usual;
  return days > limit
    ? `The measurements are ${days} days old; the studio’s limit here is ${limit}. Measure again before cutting.`
    : null;
}
