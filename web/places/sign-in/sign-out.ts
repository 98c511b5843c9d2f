import { forgetTold } from '../../offline/connection.ts';

/** Where this device remembers that it still has to tell the server of a sign-out. */
const OWED = 'sign-out-owed';

/** Whether somebody signed out here while the server could not be told. */
export const owesSignOut = (): boolean => {
  try {
    return localStorage.getItem(OWED) !== null;
  } catch {
    return false;
  }
};
/** Said of another tab by the browser: somebody signed out in it. */
export const isSignOut = (e: StorageEvent): boolean => e.key === OWED && e.newValue !== null;

/** Signing in ends the sign-in before it: then nothing is owed. */
export const signOutSettled = (): void => {
  try {
    localStorage.removeItem(OWED);
  } catch {
    // Nothing was kept there.
  }
};

async function tellServer(): Promise<boolean> {
  try {
    const res = await fetch('/api/sign-out', { method: 'POST' });
    return res.ok;
  } catch {
    return false;
  }
}

/** Tells the server now what it could not be told before. Answers whether nothing is owed any more. */
export async function settleSignOut(): Promise<boolean> {
  if (!owesSignOut()) return true;
  if (!(await tellServer())) return false;
  signOutSettled();
  return true;
}

/**
 * Signs out on this device at once, and on the server as soon as it can be told. From here on no page of this browser
 * shows the studio's book, whatever the server still believes. Answers whether it knows.
 */
export async function signOutHere(): Promise<boolean> {
  try {
    localStorage.setItem(OWED, new Date().toISOString());
  } catch {
    // A browser that keeps nothing: then the server must be told now, or the page says that it was not.
  }
  const told = await tellServer();
  if (told) signOutSettled();
  await forgetTold();
  return told;
}
