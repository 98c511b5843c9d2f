import { forgetTold } from '../../offline/connection.ts';
import { setLockedHere } from '../../shared/idle.ts';
import { problemOf } from '../../shared/problem-of.ts';
import { signOutSettled } from './sign-out.ts';

/** What the door says: open, or a sentence; a code where the second factor is asked for. */
export interface Knocked {
  readonly open: boolean;
  readonly says: string;
  readonly code: string;
  readonly answer: unknown;
}

/** Sends a form of the door. */
export async function knock(path: '/sign-in' | '/setup', body: object): Promise<Knocked> {
  try {
    const res = await fetch(`/api${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    if (res.ok) {
      // What another hand was told on this device is not this one’s to read.
      await forgetTold();
      // The sign-in that this device had before was ended by this one.
      signOutSettled();
      setLockedHere(false);
      return { open: true, says: '', code: '', answer: await res.json().catch(() => null) };
    }
    const { detail, code } = problemOf({ status: res.status, data: await res.json().catch(() => null) });
    return { open: false, says: detail, code, answer: null };
  } catch {
    return { open: false, says: problemOf(undefined).detail, code: 'away', answer: null };
  }
}

/**
 * The address to go to after signing in: the one that was asked for when it lies on this origin, as the browser itself
 * reads it (it drops tabs and line ends, and takes a backslash for a slash); else the front page.
 */
export function ownAddress(to: string | null, origin: string): string {
  if (!to?.startsWith('/') || !URL.canParse(to, origin)) return '/';
  const there = new URL(to, origin);
  // A door that leads to a door is none.
  if (there.origin !== origin || there.pathname === '/sign-in') return '/';
  // Whole: a path of its own may begin with two slashes, and would then be read as another house.
  return there.href;
}

/** Where a signed-in hand goes: a new page, with nothing of anybody else's in it. */
export function goIn(to: string | null): void {
  window.location.assign(ownAddress(to, window.location.origin));
}
