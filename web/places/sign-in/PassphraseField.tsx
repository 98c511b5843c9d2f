import { useState } from 'react';
import { ActionButton, TextField } from '../../shared/pieces.tsx';

/** A passphrase that can be shown while it is typed. */
export function PassphraseField({
  complete,
  describedBy,
}: {
  complete: 'current-password' | 'new-password';
  describedBy?: string | undefined;
}) {
  const [shown, setShown] = useState(false);
  return (
    <div className="withbutton">
      <TextField
        id="passphrase"
        name="passphrase"
        type={shown ? 'text' : 'password'}
        autoComplete={complete}
        aria-describedby={describedBy}
        aria-invalid={describedBy !== undefined}
      />
      <ActionButton look="quiet" aria-pressed={shown} onClick={() => setShown(!shown)}>
        {shown ? 'hide' : 'show'}
      </ActionButton>
    </div>
  );
}
