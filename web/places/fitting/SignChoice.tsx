import { ActionButton, TextField } from '../../shared/pieces.tsx';
import '../../parts/signs/signs.css';
import type { Cause, Sign } from '@rocchetto/core/alter/index.ts';
import { useState } from 'react';
import { SignDrawing } from '../../parts/signs/SignDrawing.tsx';

interface Props {
  /** as the house words them */
  readonly signs: readonly Sign[];
  /** the parts of this garment; signs of others come when all are asked for */
  readonly parts: ReadonlySet<string>;
  readonly chosen: Sign | null;
  readonly onChoose: (s: Sign | null) => void;
  /** prepares what is tried for a cause */
  readonly onTry: (s: Sign, c: Cause) => void;
}

const isOf = (parts: ReadonlySet<string>, s: Sign) =>
  parts.has(s.view.split('-')[0]!) || (s.view === 'strapless' && parts.has('bodice'));

/** What is seen on the cloth, found by looking or by a word; a chosen one says its likely causes in order. */
export function SignChoice({ signs, parts, chosen, onChoose, onTry }: Props) {
  const [all, setAll] = useState(false);
  const [word, setWord] = useState('');
  const wanted = word.trim().toLowerCase();
  const some = signs.filter((s) => isOf(parts, s));
  const shown = (all || some.length === 0 ? signs : some).filter(
    (s) =>
      wanted === '' || `${s.name} ${s.causes.map((c) => c.cause).join(' ')}`.toLowerCase().includes(wanted),
  );
  if (chosen)
    return (
      <section aria-label="Fitting sign">
        <div className="row">
          <SignDrawing sign={chosen} />
          <div className="grow">
            <h3>{chosen.name}</h3>
            <ActionButton look="quiet" onClick={() => onChoose(null)}>
              Choose another sign
            </ActionButton>
          </div>
        </div>
        <ol className="causes">
          {chosen.causes.map((c) => (
            <li key={c.cause}>
              {c.cause}:{' '}
              {c.kind === null ? (
                <span>{c.try}</span>
              ) : (
                <ActionButton look="plain" onClick={() => onTry(chosen, c)}>
                  {c.try}
                </ActionButton>
              )}
            </li>
          ))}
        </ol>
      </section>
    );
  return (
    <section aria-label="Fitting signs">
      <div className="row">
        <TextField
          aria-label="Find a sign"
          placeholder="folds, strain, gapes …"
          value={word}
          onChange={(e) => setWord(e.target.value)}
        />
        {some.length > 0 && (
          <ActionButton look="ask" aria-pressed={all} onClick={() => setAll(!all)}>
            all garments
          </ActionButton>
        )}
      </div>
      {shown.length === 0 && <p className="soft">No sign found. Choose an alteration below instead.</p>}
      <ul className="signs">
        {shown.map((s) => (
          <li key={s.id}>
            <ActionButton look="bare" onClick={() => onChoose(s)}>
              <SignDrawing sign={s} />
              <span>{s.name}</span>
            </ActionButton>
          </li>
        ))}
      </ul>
    </section>
  );
}
