import { afterEach, describe, expect, it, vi } from 'vitest';
import { forgetTold } from './connection.ts';
import { FORGET } from './offline-cache.ts';

afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

/** A service worker that answers what it is told as `then` says. */
const worker = (then: (port: MessagePort) => void) => {
  const told: unknown[] = [];
  vi.stubGlobal('navigator', {
    serviceWorker: {
      controller: {
        postMessage: (what: unknown, [port]: [MessagePort]) => {
          told.push(what);
          then(port);
        },
      },
    },
  });
  return told;
};

describe('what the book said is forgotten', () => {
  it('before the next hand comes: it waits for the worker’s word', async () => {
    let say: (() => void) | undefined;
    const told = worker((port) => {
      say = () => port.postMessage(FORGET);
    });
    const done = vi.fn();
    const forgetting = forgetTold().then(done);
    await new Promise((r) => setTimeout(r, 20));
    expect(told).toEqual([FORGET]);
    expect(done).not.toHaveBeenCalled();
    say!();
    await forgetting;
    expect(done).toHaveBeenCalled();
  });

  it('and a worker that says nothing keeps nobody from leaving', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    const silent = worker(() => undefined);
    const done = vi.fn();
    const forgetting = forgetTold().then(done);
    vi.advanceTimersByTime(1000);
    await Promise.resolve();
    expect(done).not.toHaveBeenCalled();
    vi.advanceTimersByTime(1500);
    await forgetting;
    expect(silent).toEqual([FORGET]);
  });

  it('where there is no worker there is nothing to forget', async () => {
    vi.stubGlobal('navigator', {});
    await expect(forgetTold()).resolves.toBeUndefined();
    vi.stubGlobal('navigator', { serviceWorker: { controller: null } });
    await expect(forgetTold()).resolves.toBeUndefined();
  });
});
