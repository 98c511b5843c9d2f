import { KEYS } from '@rocchetto/contract/keys.ts';

/** The keys of the tape in one row, under the work. */
export const TapeKeys = () => (
  <p className="keys">
    {[...KEYS.filter((k) => k.tape && k.keys !== '?'), ...KEYS.filter((k) => k.keys === '?')].map((k) => (
      <span key={k.keys}>
        <kbd>{k.keys === 'Backspace' ? '⌫' : k.keys}</kbd> {k.tape}
      </span>
    ))}
  </p>
);
