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

/** Where a signed-in hand goes: to the address they came from, when it is one of ours. A new page, with nothing of anybody else's in it. */
export function goIn(to: string | null): void {
  window.location.assign(to?.startsWith('/') && !/^\/[/\\]/.test(to) ? to : '/orders');
}
