import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keyFor, landed } from './intent.ts';

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

describe('the key of a change', () => {
  it('stays through a lost answer and a second press, and is another for other words', () => {
    const first = keyFor('POST', '/clients', { name: 'A' });
    expect(keyFor('POST', '/clients', { name: 'A' }).key).toBe(first.key);
    expect(keyFor('POST', '/clients', { name: 'B' }).key).not.toBe(first.key);
    expect(keyFor('PUT', '/clients', { name: 'A' }).key).not.toBe(first.key);
    landed(first);
    vi.runAllTimers();
  });
  it('is used up once the change has landed; a press just after is still the same one', () => {
    const first = keyFor('POST', '/orders', { what: 'Cape' });
    landed(first);
    vi.advanceTimersByTime(500);
    expect(keyFor('POST', '/orders', { what: 'Cape' }).key).toBe(first.key);
    vi.advanceTimersByTime(2000);
    expect(keyFor('POST', '/orders', { what: 'Cape' }).key).not.toBe(first.key);
  });
});
