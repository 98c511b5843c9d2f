import type { OwnBlock, OwnBlockWrite } from '@rocchetto/contract';
import { useState } from 'react';
import { useDropBlockMutation, useKeepBlockMutation, useOwnBlocksQuery } from '../../api/garments.ts';
import { clearUnlessChanged } from '../../shared/clear-unless-changed.ts';
import { useDays } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, TextField } from '../../shared/pieces.tsx';

interface Props {
  readonly clientId: number;
  readonly clientName: string;
  /** undefined where nothing may be written any more */
  readonly onBegin?: ((block: OwnBlock) => void) | undefined;
  /** the block as it stands in the form */
  readonly made: () => Omit<OwnBlockWrite, 'name'>;
}

/** A client's own blocks, beside the brief: parts and steps that the next order starts from. */
export function OwnBlocks({ clientId, clientName, onBegin, made }: Props) {
  const { data = [], error, refetch } = useOwnBlocksQuery(clientId);
  const [keep, keeping] = useKeepBlockMutation();
  const [drop, dropping] = useDropBlockMutation();
  const [name, setName] = useState('');
  const [said, setSaid] = useState('');
  const { short } = useDays();
  if (!onBegin && data.length === 0) return null;
  return (
    <section aria-label={`Saved blocks of ${clientName}`}>
      <h2>Saved blocks of {clientName}</h2>
      {error ? (
        <p className="soft">
          The saved blocks can’t be loaded.{' '}
          <ActionButton look="quiet" onClick={() => void refetch()}>
            Try again
          </ActionButton>
        </p>
      ) : data.length === 0 ? (
        <p className="soft">
          No saved blocks yet. Save an adapted block, and the next garment can start from it.
        </p>
      ) : (
        <ul className="why">
          {data.map((b) => (
            <li key={b.id}>
              {b.name}{' '}
              <span className="soft">
                {b.steps.length > 0 && `${b.steps.length} ${b.steps.length === 1 ? 'step' : 'steps'}, `}
                {short(b.at)}, {b.by}
              </span>{' '}
              {onBegin && (
                <>
                  <ActionButton
                    look="quiet"
                    aria-label={`Start from ${b.name}`}
                    onClick={() => {
                      onBegin(b);
                      setSaid(`The brief now starts from “${b.name}”. Its steps are listed below the parts.`);
                    }}
                  >
                    Start from this block
                  </ActionButton>
                  <ActionButton
                    look="quiet"
                    aria-label={`Remove ${b.name}`}
                    onClick={() => void drop({ id: b.id, clientId })}
                  >
                    Remove
                  </ActionButton>
                </>
              )}
            </li>
          ))}
        </ul>
      )}
      {said && <Notice tone="good">{said}</Notice>}
      <Problem error={keeping.error ?? dropping.error} />
      {onBegin && (
        <form
          className="row"
          aria-label="Save as a block"
          onSubmit={async (e) => {
            e.preventDefault();
            if (name.trim() === '' || keeping.isLoading) return;
            const done = await keep({ clientId, name: name.trim(), ...made() });
            if (!('data' in done) || !done.data) return;
            setSaid(`“${name.trim()}” is saved for the next order of ${clientName}.`);
            setName(clearUnlessChanged(name, ''));
          }}
        >
          <TextField
            className="grow"
            aria-label="Block name"
            placeholder="e.g. fitted bodice"
            maxLength={80}
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
          <ActionButton look="plain" type="submit" disabled={name.trim() === '' || keeping.isLoading}>
            Save block
          </ActionButton>
        </form>
      )}
    </section>
  );
}
