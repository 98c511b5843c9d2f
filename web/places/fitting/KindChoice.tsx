import { formatSentence, type SheetUnit } from '@rocchetto/core';
import { ALTERATION_KINDS, type AlterationKind, type Borne, foundBy } from '@rocchetto/core/alter/index.ts';
import { useEffect, useState } from 'react';
import { SelectField, TextField } from '../../shared/pieces.tsx';

const GROUPS: Readonly<Record<AlterationKind['group'], string>> = {
  girth: 'width',
  length: 'length',
  edge: 'edges',
  shape: 'shape',
  other: 'Other work',
};

/** What this garment bears, and what is likeliest on it. */
export interface Offer {
  readonly borne: readonly Borne[];
  readonly likely: readonly AlterationKind[];
}

interface Props {
  readonly chosen: string;
  /** null while the garment is not known: then everything is offered */
  readonly offer: Offer | null;
  readonly unit: SheetUnit;
  readonly onChoose: (kind: AlterationKind | undefined) => void;
}

/** How long an alteration that was entered waits for what the garment bears, ms. */
const UNKNOWN = 1500;

/** What is done: only what the garment bears, the likeliest first, found by the words that people use. */
export function KindChoice({ chosen, offer, unit, onChoose }: Props) {
  const [words, setWords] = useState('');
  const bears = (k: AlterationKind) => offer?.borne.find((b) => b.kind === k)?.why == null;
  const offered = foundBy(
    words,
    ALTERATION_KINDS.filter((k) => bears(k)),
  );
  const likely = (offer?.likely ?? []).filter((k) => offered.includes(k));
  const rest = offered.filter((k) => !likely.includes(k));
  // What is chosen stays in sight, whatever is looked for.
  const now = ALTERATION_KINDS.find((k) => k.id === chosen);
  const hidden = now && !offered.includes(now) ? now : null;
  const not = (offer?.borne ?? []).filter((b) => b.why !== null);
  const first = words.trim() === '' ? undefined : (likely[0] ?? rest[0]);
  // Entered before it is known what this garment bears: it is taken as soon as that is, or soon where it never will be.
  const [entered, setEntered] = useState(false);
  useEffect(() => {
    if (!entered) return;
    const take = () => {
      setEntered(false);
      if (first) onChoose(first);
    };
    if (offer) return take();
    const late = setTimeout(take, UNKNOWN);
    return () => clearTimeout(late);
  }, [entered, offer, first, onChoose]);
  const choose = (id: string) => onChoose(ALTERATION_KINDS.find((k) => k.id === id));
  return (
    <div>
      <label htmlFor="alter-find">Find</label>
      <TextField
        id="alter-find"
        autoComplete="off"
        placeholder="e.g. wrinkle, gapes, too tight"
        value={words}
        onChange={(e) => {
          setEntered(false);
          setWords(e.target.value);
        }}
        onKeyDown={(e) => {
          if (e.key !== 'Enter') return;
          // Enter takes the first that was found; it never sends the change.
          e.preventDefault();
          setEntered(true);
        }}
      />
      <label htmlFor="alter-kind">Alteration</label>
      <SelectField id="alter-kind" value={chosen} onChange={(e) => choose(e.target.value)}>
        <option value="">
          {words.trim() === ''
            ? 'Choose …'
            : offered.length === 0
              ? 'No alteration found'
              : `Choose from ${offered.length} …`}
        </option>
        {hidden && <option value={hidden.id}>{hidden.name}</option>}
        {likely.length > 0 && (
          <optgroup label="Likely on this garment">
            {likely.map((k) => (
              <option key={k.id} value={k.id}>
                {k.name}
              </option>
            ))}
          </optgroup>
        )}
        {Object.entries(GROUPS).map(([group, name]) => {
          const own = rest.filter((k) => k.group === group);
          return own.length === 0 ? null : (
            <optgroup key={group} label={name}>
              {own.map((k) => (
                <option key={k.id} value={k.id}>
                  {k.name}
                </option>
              ))}
            </optgroup>
          );
        })}
      </SelectField>
      {not.length > 0 && (
        <details className="soft">
          <summary>{not.length} not possible on this garment</summary>
          <ul className="why">
            {not.map((b) => (
              <li key={b.kind.id}>
                {b.kind.name}: {formatSentence(b.why!, unit)}
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}
