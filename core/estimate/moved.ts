import type { Estimate } from './estimate.ts';

/** What one estimate has otherwise than another: a line, with its amounts; null where it had none. */
export interface Moved {
  readonly name: string;
  readonly before: number | null;
  readonly after: number | null;
}

/** Lines whose amount is another, what was asked last. Lines that never had a price are no difference. */
export function movedBetween(
  before: Pick<Estimate, 'lines' | 'asked'>,
  after: Pick<Estimate, 'lines' | 'asked'>,
): Moved[] {
  const ids = [...new Set([...before.lines, ...after.lines].map((l) => l.id))];
  const lines = ids.flatMap((id): Moved[] => {
    const [was, is] = [before.lines.find((l) => l.id === id), after.lines.find((l) => l.id === id)];
    const [a, b] = [was?.amount ?? null, is?.amount ?? null];
    return a === b ? [] : [{ name: (is ?? was)!.name, before: a, after: b }];
  });
  return before.asked === after.asked
    ? lines
    : [...lines, { name: 'price', before: before.asked, after: after.asked }];
}
