import { ActionButton, TextField } from '../../shared/pieces.tsx';
import '../../shared/door.css';
import { type FormEvent, useEffect, useState } from 'react';
import { goIn, knock } from './door.ts';
import { PassphraseField } from './PassphraseField.tsx';

const LEAST = 12;

/** A one-time link brings a new member of staff here to choose a passphrase. The token stays in the fragment. */
export function Component() {
  const [wrong, setWrong] = useState('');
  const [short, setShort] = useState(false);
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    document.title = 'Set your passphrase · Rocchetto';
  }, []);
  const enter = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const form = new FormData(e.currentTarget);
    const passphrase = String(form.get('passphrase'));
    setShort(passphrase.length < LEAST);
    if (passphrase.length < LEAST) return;
    setBusy(true);
    const name = String(form.get('name')).trim();
    const { open, says, answer } = await knock('/setup', {
      token: window.location.hash.slice(1),
      name,
      passphrase,
    });
    // With a second factor the way in is the door itself.
    if (open) return goIn((answer as { in?: boolean } | null)?.in === false ? '/sign-in' : '/');
    setWrong(says);
    setBusy(false);
  };
  return (
    <main className="door">
      <div>
        <h1>Set your passphrase</h1>
        <p className="soft">This link works once. Choose four or five unrelated plain words.</p>
      </div>
      <form onSubmit={enter} noValidate>
        {wrong && (
          <div className="notice bad" role="alert">
            {wrong}
          </div>
        )}
        <label htmlFor="name">Your name (leave empty to keep the one you were given)</label>
        <TextField id="name" name="name" autoComplete="username" maxLength={200} />
        <label htmlFor="passphrase">Passphrase</label>
        <PassphraseField complete="new-password" describedBy={short ? 'too-short' : undefined} />
        {short && (
          <p id="too-short" className="wrong" role="alert">
            {LEAST} characters or more.
          </p>
        )}
        <ActionButton look="take" type="submit" busy={busy}>
          Save and sign in
        </ActionButton>
      </form>
    </main>
  );
}
