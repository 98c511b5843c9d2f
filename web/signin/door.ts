import { problemOf } from '../api/problem.ts';
import { forgetTold } from '../offline/connection.ts';

/** Sends a form of the door; answers null when it was taken, else what the server or its silence says. */
export async function knock(path: '/sign-in' | '/setup', body: object): Promise<string | null> {
  try {
    const res = await fetch(`/api${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    if (res.ok) {
      // What another hand was told on this device is not this one’s to read.
      await forgetTold();
      return null;
    }
    return problemOf({ status: res.status, data: await res.json().catch(() => null) }).detail;
  } catch {
    return problemOf(undefined).detail;
  }
}

/**
 * The address to go to after signing in: the one that was asked for when it lies on this origin, as the browser itself
 * reads it (it drops tabs and line ends, and takes a backslash for a slash); else the orders.
 */
export function ownAddress(to: string | null, origin: string): string {
  if (!to?.startsWith('/') || !URL.canParse(to, origin)) return '/orders';
  const there = new URL(to, origin);
  // A door that leads to a door is none.
  if (there.origin !== origin || there.pathname === '/sign-in') return '/orders';
  // Whole: a path of its own may begin with two slashes, and would then be read as another house.
  return there.href;
}

/** Where a signed-in hand goes: a new page, with nothing of anybody else's in it. */
export function goIn(to: string | null): void {
  window.location.assign(ownAddress(to, window.location.origin));
}
