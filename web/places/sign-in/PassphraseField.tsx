import { useState } from 'react';

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
      <input
        id="passphrase"
        name="passphrase"
        className="field"
        type={shown ? 'text' : 'password'}
        autoComplete={complete}
        aria-describedby={describedBy}
        aria-invalid={describedBy !== undefined}
      />
      <button type="button" className="quiet" aria-pressed={shown} onClick={() => setShown(!shown)}>
        {shown ? 'hide' : 'show'}
      </button>
    </div>
  );
}
