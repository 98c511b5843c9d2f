import './door.css';
import { type FormEvent, useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { goIn, knock } from './door.ts';
import { PassphraseField } from './PassphraseField.tsx';

export function Component() {
  const [params] = useSearchParams();
  const [wrong, setWrong] = useState<{ name?: string; passphrase?: string; all?: string }>({});
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    document.title = 'Sign in · Rocchetto';
  }, []);
  const enter = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const form = new FormData(e.currentTarget);
    const [name, passphrase] = [String(form.get('name')).trim(), String(form.get('passphrase'))];
    if (!name || !passphrase)
      return setWrong({
        ...(name ? {} : { name: 'Who are you?' }),
        ...(passphrase ? {} : { passphrase: 'The passphrase is missing.' }),
      });
    setBusy(true);
    const refused = await knock('/sign-in', { name, passphrase });
    if (refused === null) return goIn(params.get('to'));
    setWrong({ all: refused });
    setBusy(false);
  };
  return (
    <main className="door">
      <div>
        <img src="/favicon.svg" alt="" width="56" height="56" />
        <h1>Rocchetto</h1>
        <p className="soft">The workroom’s book of measures, sheets and fittings.</p>
      </div>
      <form onSubmit={enter} noValidate>
        {wrong.all && (
          <div className="notice bad" role="alert">
            {wrong.all}
          </div>
        )}
        <label htmlFor="name">Name</label>
        <input
          id="name"
          name="name"
          className="field"
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
        <button type="submit" className="take" disabled={busy}>
          Sign in
        </button>
      </form>
    </main>
  );
}
