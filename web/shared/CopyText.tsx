import { useState } from 'react';
import { ActionButton, TextField } from './pieces.tsx';

/** Something to be handed on, with a key that copies it. */
export function CopyText({ text, label }: { text: string; label: string }) {
  const [copied, setCopied] = useState(false);
  return (
    <p className="row">
      <TextField
        className="grow"
        readOnly
        aria-label={label}
        value={text}
        onFocus={(e) => e.target.select()}
      />
      <ActionButton
        look="plain"
        onClick={() => void navigator.clipboard.writeText(text).then(() => setCopied(true))}
      >
        {copied ? 'Copied' : 'Copy link'}
      </ActionButton>
    </p>
  );
}
