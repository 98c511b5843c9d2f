import { beforeEach, describe, expect, it, vi } from 'vitest';
import { isIdle } from '../../shared/idle.ts';
import { owesSignOut, settleSignOut, signOutHere } from './sign-out.ts';

const kept = new Map<string, string>();
let answer: () => Promise<Response> | Response;
const asked: string[] = [];
beforeEach(() => {
  kept.clear();
  asked.length = 0;
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => void kept.set(k, v),
    removeItem: (k: string) => void kept.delete(k),
  });
  vi.stubGlobal('navigator', {});
  vi.stubGlobal('fetch', async (path: string) => {
    asked.push(path);
    return answer();
  });
});

describe('signing out', () => {
  it('while the server is away is done on the device, and told to the server first thing when it is back', async () => {
    answer = () => Promise.reject(new TypeError('Failed to fetch'));
    expect(await signOutHere()).toBe(false);
    expect(owesSignOut()).toBe(true);
    expect(await settleSignOut()).toBe(false);
    answer = () => new Response('', { status: 502 });
    expect(await settleSignOut()).toBe(false);
    answer = () => Response.json({ ok: true });
    expect(await settleSignOut()).toBe(true);
    expect([owesSignOut(), asked.every((p) => p === '/api/sign-out')]).toEqual([false, true]);
  });
  it('while it is there owes nothing', async () => {
    answer = () => Response.json({ ok: true });
    expect(await signOutHere()).toBe(true);
    expect(owesSignOut()).toBe(false);
    await settleSignOut();
    expect(asked).toHaveLength(1);
  });
});

describe('an idle screen', () => {
  it.each<[number, number, number, boolean]>([
    [15, 1000, 1000 + 15 * 60_000, true],
    [15, 1000, 1000 + 15 * 60_000 - 1, false],
    [0, 1000, 9e12, false],
    [15, 0, 9e12, false],
    // A device whose clock went back a day.
    [15, 86_400_000, 0, false],
  ])('of %i minutes, touched at %i, at %i: %s', (minutes, touched, now, locks) =>
    expect(isIdle(minutes, touched, now)).toBe(locks),
  );
});
