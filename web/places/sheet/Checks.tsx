import type { PrintedSheet } from '@rocchetto/core';
import { useState } from 'react';
import { ActionButton, TextField } from '../../shared/pieces.tsx';

interface Props {
  readonly printed: PrintedSheet;
  /** codes of checks that are no warning to accept but something to measure */
  readonly absent: ReadonlySet<string>;
  readonly mayAccept: boolean;
  readonly onAccept: (code: string, reason: string) => void;
  readonly onTakeBack: (code: string) => void;
}

/** Warnings first, each to be mended or accepted by name with a reason; then what passed. */
export function Checks({ printed, absent, mayAccept, onAccept, onTakeBack }: Props) {
  const open = printed.checks.filter((k) => k.state === 'warned');
  const accepted = printed.checks.filter((k) => k.state === 'accepted');
  const passed = printed.checks.filter((k) => k.state === 'passed');
  return (
    <section aria-label="Checks">
      <h2>Checks</h2>
      {open.map((k) => (
        <Warning
          key={k.code}
          text={k.text}
          may={mayAccept && !absent.has(k.code)}
          onAccept={(reason) => onAccept(k.code, reason)}
        />
      ))}
      {accepted.map((k) => (
        <p key={k.code} className="notice">
          {k.text}{' '}
          {mayAccept && (
            <ActionButton look="quiet" onClick={() => onTakeBack(k.code)}>
              Undo accept
            </ActionButton>
          )}
        </p>
      ))}
      <details>
        <summary>
          {passed.length} passed{open.length === 0 ? ', none open' : ''}
        </summary>
        <ul className="why">
          {passed.map((k) => (
            <li key={k.code}>{k.text}</li>
          ))}
        </ul>
      </details>
    </section>
  );
}

function Warning({
  text,
  may,
  onAccept,
}: {
  text: string;
  may: boolean;
  onAccept: (reason: string) => void;
}) {
  const [reason, setReason] = useState('');
  return (
    <form
      className="notice"
      onSubmit={(e) => {
        e.preventDefault();
        if (reason.trim()) onAccept(reason.trim());
      }}
    >
      <p>
        <span aria-hidden="true">⚲ </span>
        {text}
      </p>
      {may && (
        <div className="row noprint">
          <TextField
            aria-label={`Reason to accept: ${text}`}
            placeholder="reason to accept"
            value={reason}
            maxLength={500}
            onChange={(e) => setReason(e.target.value)}
            className="reason-in"
          />
          <ActionButton look="plain" type="submit" disabled={!reason.trim()}>
            Accept warning
          </ActionButton>
        </div>
      )}
    </form>
  );
}
