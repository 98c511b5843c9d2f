import { useSyncExternalStore } from 'react';
import { FORGET, OFFLINE_CACHE_AT } from './offline-cache.ts';

let toldAt: string | null = null;
const listeners = new Set<() => void>();

/** Notes of each answer whether it came from the studio's book or from what it said earlier. */
export function noteAnswer(headers: Headers | undefined) {
  if (!headers) return;
  const at = headers.get(OFFLINE_CACHE_AT);
  const next = at ? new Date(at).toISOString() : null;
  if (next === toldAt) return;
  toldAt = next;
  for (const l of listeners) l();
}

/** When the book last said what is shown, while it cannot be reached; null while it can. */
export const useToldAt = () =>
  useSyncExternalStore(
    (l) => {
      listeners.add(l);
      return () => listeners.delete(l);
    },
    () => toldAt,
  );

/** The program opens without the network on a device where it was opened before. */
export function openWithoutNetwork() {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  // Where the browser will not (an address without TLS, a private window) the program works as before.
  window.addEventListener(
    'load',
    () => void navigator.serviceWorker.register('/sw.js').catch(() => undefined),
  );
}

/** What the book said is another hand's to read no more: answers once it is gone from this device. */
export async function forgetTold() {
  const worker = 'serviceWorker' in navigator ? navigator.serviceWorker.controller : null;
  if (!worker) return;
  const { port1, port2 } = new MessageChannel();
  await new Promise((gone) => {
    port1.onmessage = gone;
    setTimeout(gone, 2_000);
    worker.postMessage(FORGET, [port2]);
  });
}
