import type { Like } from '@rocchetto/contract';
import { useState } from 'react';
import { useClientLikesQuery, useDesignQuery, useDropLikeMutation } from '../../api/design.ts';
import { clearUnlessChanged } from '../../shared/clear-unless-changed.ts';
import { useDays, useMay } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, TextField } from '../../shared/pieces.tsx';
import { useWaitingHere } from '../outbox/queue.ts';
import { useWrite, WaitingHere, Wrong } from '../outbox/useWrite.tsx';

interface Props {
  readonly orderId: number;
  readonly clientName: string;
  /** takes one into the brief that is being written */
  readonly onTake?: (words: string) => void;
}

/** What the client likes, beside an order: noted at the fitting, offered at the next brief. */
export function Likes({ orderId, clientName, onTake }: Props) {
  const { data } = useDesignQuery(orderId);
  const may = useMay('alter.ask');
  const { write, wrong, busy } = useWrite();
  const here = useWaitingHere(orderId, 'like');
  const [words, setWords] = useState('');
  if (!data || (!may && data.likes.length === 0)) return null;
  return (
    <section aria-label={`What ${clientName} likes`}>
      <h2>What {clientName} likes</h2>
      <LikeList likes={data.likes} onTake={onTake} empty="Saved with the client, for the next garment." />
      <WaitingHere written={here} />
      <Wrong says={wrong} />
      {may && (
        <form
          className="row"
          aria-label="Add a like"
          onSubmit={async (e) => {
            e.preventDefault();
            const path = `/orders/${orderId}/likes`;
            const says = `Likes: ${words}.`;
            const tried = await write({ orderId, is: 'like', path, body: { words }, says });
            if (tried.is !== 'refused') setWords(clearUnlessChanged(words, ''));
          }}
        >
          <TextField
            className="grow"
            aria-label="What the client likes about the garment"
            placeholder="e.g. a soft waistband"
            maxLength={300}
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
          <ActionButton look="plain" type="submit" disabled={words.trim() === '' || busy}>
            Save
          </ActionButton>
        </form>
      )}
    </section>
  );
}

interface ListProps {
  readonly likes: readonly Like[];
  readonly empty: string;
  readonly onTake?: (words: string) => void;
  readonly onDrop?: (id: number) => void;
}

function LikeList({ likes, empty, onTake, onDrop }: ListProps) {
  const { short } = useDays();
  if (likes.length === 0) return <p className="soft">{empty}</p>;
  return (
    <ul className="why">
      {likes.map((l) => (
        <li key={l.id}>
          {l.words}{' '}
          <span className="soft">
            {short(l.at)}
            {l.order && `, ${l.order}`}
          </span>{' '}
          {onTake && (
            <ActionButton
              look="quiet"
              aria-label={`Copy to note: ${l.words}`}
              onClick={() => onTake(l.words)}
            >
              Copy to note
            </ActionButton>
          )}
          {onDrop && (
            <ActionButton look="quiet" aria-label={`Remove: ${l.words}`} onClick={() => onDrop(l.id)}>
              Remove
            </ActionButton>
          )}
        </li>
      ))}
    </ul>
  );
}

/** The same on the client’s card. */
export function ClientLikes({ clientId }: { clientId: number }) {
  const { data = [] } = useClientLikesQuery(clientId);
  const [drop, { error }] = useDropLikeMutation();
  const may = useMay('client.write');
  return (
    <section aria-label="Likes">
      <h2>Likes</h2>
      <Problem error={error} />
      <LikeList
        likes={data}
        empty="Nothing yet. Add what the client likes at a fitting."
        onDrop={may ? (id) => void drop(id) : undefined}
      />
    </section>
  );
}
