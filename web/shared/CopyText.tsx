import { useState } from 'react';

/** Something to be handed on, with a key that copies it. */
export function CopyText({ text, label }: { text: string; label: string }) {
  const [copied, setCopied] = useState(false);
  return (
    <p className="row">
      <input
        className="field grow"
        readOnly
        aria-label={label}
        value={text}
        onFocus={(e) => e.target.select()}
      />
      <button
        type="button"
        className="plain"
        onClick={() => void navigator.clipboard.writeText(text).then(() => setCopied(true))}
      >
        {copied ? 'Copied' : 'Copy link'}
      </button>
    </p>
  );
}
