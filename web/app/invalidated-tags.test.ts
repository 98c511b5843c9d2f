import type { ChangedWhat } from '@rocchetto/contract/live.ts';
import { describe, expect, it } from 'vitest';
import { api, LIST } from '../api/base.ts';
import { invalidatedTags } from './invalidated-tags.ts';

describe('what hangs on another hand’s change', () => {
  it('is asked for by the number that the screens ask with, however the number came', () => {
    expect(invalidatedTags([['order', '12', 3]])).toEqual(invalidatedTags([['order', 12, 3]]));
    expect(invalidatedTags([['order', '12', 3]])).toContainEqual({ type: 'Sheet', id: 12 });
    expect(invalidatedTags([['session', 'a-b', 0]])).toEqual([{ type: 'Session', id: 'a-b' }]);
  });
  it('of one record leaves the others as they are, but for the lists it stands in', () => {
    const tags = invalidatedTags([['client', 5, 1]]).map((t) => (typeof t === 'string' ? t : t?.id));
    expect(new Set(tags)).toEqual(new Set([5, LIST]));
  });
  it('of several kinds is all of it; a kind that is not known asks for nothing', () => {
    const known: ChangedWhat[] = ['client', 'order', 'session', 'staff', 'house', 'alterations', 'diary'];
    const each = known.map((what) => invalidatedTags([[what, 7, 1]]));
    for (const [i, tags] of each.entries()) expect(tags.length, known[i]).toBeGreaterThan(0);
    expect(invalidatedTags(known.map((what) => [what, 7, 1]))).toEqual(each.flat());
    expect(invalidatedTags([['tomorrow' as ChangedWhat, 7, 1]])).toEqual([]);
    expect(invalidatedTags([['constructor' as ChangedWhat, 7, 1]])).toEqual([]);
    expect(api.util.invalidateTags(each.flat()).payload).toEqual(each.flat());
  });
});
