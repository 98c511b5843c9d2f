import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { patient, patiently } from './patient.ts';

describe('a page whose file does not come', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());
  const failing = (times: number) => {
    let tries = 0;
    const load = async () => {
      tries += 1;
      if (tries <= times) throw new Error(`not fetched, ${tries}`);
      return { handle: 'the page' };
    };
    return { load, tries: () => tries };
  };
  it('is asked for again twice, and shown when it comes', async () => {
    const { load, tries } = failing(2);
    const shown = patiently(load);
    await vi.runAllTimersAsync();
    await expect(shown).resolves.toHaveProperty('handle');
    expect(tries()).toBe(3);
  });
  it('is given up after that, with what the last try said', async () => {
    const { load, tries } = failing(9);
    const shown = patiently(load).catch((e: Error) => e.message);
    await vi.runAllTimersAsync();
    expect(await shown).toBe('not fetched, 3');
    expect(tries()).toBe(3);
  });
  it('at every depth of the house', async () => {
    const { load, tries } = failing(1);
    const [outer] = patient([{ path: '/', children: [{ path: 'orders', lazy: load }] }]);
    const lazy = outer!.children![0]!.lazy as () => Promise<unknown>;
    const shown = lazy();
    await vi.runAllTimersAsync();
    await shown;
    expect(tries()).toBe(2);
  });
});
