import { ActionButton, TextField } from '../../shared/pieces.tsx';
import '../../shared/door.css';
import { type FormEvent, useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { goIn, knock } from './door.ts';
import { PassphraseField } from './PassphraseField.tsx';
import { owesSignOut, settleSignOut } from './sign-out.ts';

/** Whether a sign-out of this device has not reached the server yet; tried again until it has. */
function useOwedSignOut(): boolean {
  const [owed, setOwed] = useState(owesSignOut);
  useEffect(() => {
    if (!owed) return;
    const settle = () => void settleSignOut().then((done) => setOwed(!done));
    settle();
    const timer = setInterval(settle, 5000);
    window.addEventListener('online', settle);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', settle);
    };
  }, [owed]);
  return owed;
}

export function Component() {
  const [params] = useSearchParams();
  const [wrong, setWrong] = useState<{ name?: string; passphrase?: string; all?: string }>({});
  const [busy, setBusy] = useState(false);
  const [asksCode, setAsksCode] = useState(false);
  const owed = useOwedSignOut();
  useEffect(() => {
    document.title = 'Sign in · Rocchetto';
  }, []);
  const enter = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const form = new FormData(e.currentTarget);
    const [name, passphrase] = [String(form.get('name')).trim(), String(form.get('passphrase'))];
    if (!name || !passphrase)
      return setWrong({
        ...(name ? {} : { name: 'Enter your name.' }),
        ...(passphrase ? {} : { passphrase: 'Enter your passphrase.' }),
      });
    setBusy(true);
    const {
      open,
      says,
      code: said,
    } = await knock('/sign-in', { name, passphrase, code: String(form.get('code') ?? '') });
    if (open) return goIn(params.get('to'));
    setAsksCode(asksCode || said === 'code-needed');
    setWrong(said === 'code-needed' ? {} : { all: says });
    setBusy(false);
  };
  return (
    <main className="door">
      <div>
        <img src="/favicon.svg" alt="" width="56" height="56" />
        <h1>Rocchetto</h1>
        <p className="soft">Measurements, sheets and fittings for the workroom.</p>
      </div>
      <form onSubmit={enter} noValidate>
        {owed && (
          <div className="notice look" role="status">
            You are signed out on this device. Can’t reach the server; it will be signed out there when it is
            back.
          </div>
        )}
        {wrong.all && (
          <div className="notice bad" role="alert">
            {wrong.all}
          </div>
        )}
        <label htmlFor="name">Name</label>
        <TextField
          id="name"
          name="name"
          autoComplete="username"
          autoFocus
          aria-describedby={wrong.name ? 'wrong-name' : undefined}
          aria-invalid={wrong.name !== undefined}
        />
        {wrong.name && (
          <p id="wrong-name" className="wrong" role="alert">
            {wrong.name}
          </p>
        )}
        <label htmlFor="passphrase">Passphrase</label>
        <PassphraseField
          complete="current-password"
          describedBy={wrong.passphrase ? 'wrong-pass' : undefined}
        />
        {wrong.passphrase && (
          <p id="wrong-pass" className="wrong" role="alert">
            {wrong.passphrase}
          </p>
        )}
        {asksCode && (
          <>
            <label htmlFor="code">Six digits from your authenticator, or a recovery code</label>
            <TextField id="code" name="code" autoComplete="one-time-code" autoFocus />
          </>
        )}
        <ActionButton look="take" type="submit" busy={busy}>
          Sign in
        </ActionButton>
      </form>
    </main>
  );
}
