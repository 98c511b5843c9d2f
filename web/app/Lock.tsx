import { ActionButton, TextField } from '../shared/pieces.tsx';
import './lock.css';
import { type FormEvent, useEffect, useRef, useState } from 'react';
import { csrfToken } from '../api/base.ts';
import { isIdle, isLockedHere, isLockWord, lastTouch, setLockedHere, touch } from '../shared/idle.ts';
import { problemOf } from '../shared/problem-of.ts';

const TOUCHES = ['pointerdown', 'keydown', 'wheel', 'touchstart'] as const;
/** How often it is looked whether the screen is to lock, ms. */
const LOOK = 5000;

/** Locks this browser: the server answers it nothing more; one that cannot be reached is told with the next try. */
export async function lockNow(): Promise<void> {
  setLockedHere(true);
  await fetch('/api/lock', { method: 'POST', headers: { 'x-csrf-token': csrfToken() } }).catch(
    () => undefined,
  );
}

/** Whether this screen is locked: by a hand, in another tab, or because nobody touched it for the house's minutes. */
export function useLock(minutes: number | undefined, lockedOnServer: boolean) {
  const [locked, setLocked] = useState(isLockedHere);
  useEffect(() => {
    if (lockedOnServer) {
      setLockedHere(true);
      setLocked(true);
    }
  }, [lockedOnServer]);
  useEffect(() => {
    const word = (e: StorageEvent) => isLockWord(e) && setLocked(isLockedHere());
    window.addEventListener('storage', word);
    return () => window.removeEventListener('storage', word);
  }, []);
  useEffect(() => {
    if (!minutes || locked) return;
    const noted = () => touch(Date.now());
    noted();
    for (const t of TOUCHES) window.addEventListener(t, noted, { passive: true, capture: true });
    const look = () => {
      if (!isIdle(minutes, lastTouch(), Date.now())) return;
      setLocked(true);
      void lockNow();
    };
    const timer = setInterval(look, LOOK);
    // A lid that was closed keeps no time: it is looked at once it is open.
    document.addEventListener('visibilitychange', look);
    return () => {
      for (const t of TOUCHES) window.removeEventListener(t, noted, { capture: true });
      document.removeEventListener('visibilitychange', look);
      clearInterval(timer);
    };
  }, [minutes, locked]);
  const open = () => {
    setLockedHere(false);
    setLocked(false);
    touch(Date.now());
  };
  const lock = () => {
    setLocked(true);
    void lockNow();
  };
  return { locked, lock, open };
}

interface Props {
  /** whose sign-in it is; '' where a reload has only the lock to go by */
  readonly name: string;
  readonly onOpen: (csrf: string) => void;
  readonly onLeave: () => void;
}

/** Covers the page until the passphrase; what was being written stays beneath it, untouched. */
export function LockScreen({ name, onOpen, onLeave }: Props) {
  const [says, setSays] = useState('');
  const [busy, setBusy] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    field.current?.focus();
  }, []);
  const enter = async (e: FormEvent) => {
    e.preventDefault();
    const passphrase = field.current?.value ?? '';
    if (passphrase === '') return setSays('Type the passphrase.');
    setBusy(true);
    try {
      const res = await fetch('/api/unlock', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ passphrase }),
      });
      const data = (await res.json().catch(() => null)) as { csrf?: string } | null;
      if (res.ok) return onOpen(data?.csrf ?? '');
      if (res.status === 401 && problemOf({ data }).code === 'signed-out') return onLeave();
      setSays(problemOf({ data }).detail);
    } catch {
      setSays(
        'Can’t reach the server to check the passphrase. What you wrote is safe. Try again in a moment.',
      );
    }
    setBusy(false);
    if (field.current) field.current.value = '';
    field.current?.focus();
  };
  return (
    <main className="lock" aria-label="Locked screen">
      <form onSubmit={enter} noValidate>
        <img src="/favicon.svg" alt="" width="48" height="48" />
        <h1>Screen locked</h1>
        <p>
          {name ? `${name} is signed in. ` : ''}Type the passphrase to continue. What you wrote is still here.
        </p>
        {says && (
          <div className="notice bad" role="alert">
            {says}
          </div>
        )}
        <label htmlFor="unlock">Passphrase{name && ` of ${name}`}</label>
        <TextField ref={field} id="unlock" type="password" autoComplete="current-password" disabled={busy} />
        <div className="row acts">
          <ActionButton look="take" type="submit" busy={busy}>
            Unlock screen
          </ActionButton>
          <ActionButton look="quiet" onClick={onLeave}>
            Sign out
          </ActionButton>
        </div>
      </form>
    </main>
  );
}
