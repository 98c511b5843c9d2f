import type { Problem } from '@rocchetto/contract';

/** What a failed call says, as a problem: the server's own, or the network's silence in the same shape. */
export function problemOf(error: unknown): Problem {
  const e = error as { data?: unknown; status?: unknown } | undefined;
  const data = e?.data as Problem | undefined;
  if (data && typeof data === 'object' && typeof data.detail === 'string') return data;
  const detail = 'Can’t reach the studio. What you wrote is still here. Try again in a moment.';
  return { type: 'about:blank', title: 'away', status: 0, code: 'away', detail };
}
