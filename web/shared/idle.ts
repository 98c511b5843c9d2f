/** Where this browser's tabs tell each other when a hand last touched one of them, and that it is locked. */
const TOUCHED = 'last-touch';
const LOCKED = 'locked';
/** A touch is noted at most so often, ms. */
const NOTED = 2000;

const read = (key: string) => {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
};
const write = (key: string, value: string | null) => {
  try {
    if (value === null) localStorage.removeItem(key);
    else localStorage.setItem(key, value);
  } catch {
    // Then each tab counts for itself.
  }
};

let own = 0;
/** When any tab of this browser was last touched, ms. */
export const lastTouch = (): number => Math.max(own, Number(read(TOUCHED)) || 0);
export function touch(now: number): void {
  if (now - own < NOTED) return;
  own = now;
  write(TOUCHED, String(now));
}

export const isLockedHere = (): boolean => read(LOCKED) !== null;
export const setLockedHere = (locked: boolean): void => write(LOCKED, locked ? '1' : null);
export const isLockWord = (e: StorageEvent): boolean => e.key === LOCKED;

/** Whether a screen that was last touched then is to lock now. A clock that was set back locks nothing. */
export const isIdle = (minutes: number, touched: number, now: number): boolean =>
  minutes > 0 && touched > 0 && now - touched >= minutes * 60_000;
