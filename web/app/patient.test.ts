import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { opensAnew, patient, patiently } from './patient.ts';

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

describe('a page that broke', () => {
  const kept = new Map<string, string>();
  beforeEach(() => {
    kept.clear();
    vi.stubGlobal('sessionStorage', {
      getItem: (k: string) => kept.get(k) ?? null,
      setItem: (k: string, v: string) => void kept.set(k, v),
    });
  });
  afterEach(() => void vi.unstubAllGlobals());
  const gone = new Error('Failed to fetch dynamically imported module: /assets/MeasurePage.js');
  it('is opened anew once where its file did not come, and told where it stays away', () => {
    expect(opensAnew(gone, '/orders/1/measure', 1000)).toBe(true);
    expect(opensAnew(gone, '/orders/1/measure', 9000)).toBe(false);
    expect(opensAnew(gone, '/orders/2/measure', 9500)).toBe(true);
    expect(opensAnew(gone, '/orders/2/measure', 60_000)).toBe(true);
  });
  it('is left as it is where it broke by itself', () => {
    expect(opensAnew(new Error('x is undefined'), '/orders', 1000)).toBe(false);
    expect(opensAnew(null, '/orders', 1000)).toBe(false);
  });
});
