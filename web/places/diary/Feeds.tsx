import type { RoomView } from '@rocchetto/contract';
import { useState } from 'react';
import { useAddFeedMutation, useFeedsQuery, useRemoveFeedMutation } from '../../api/calendars.ts';
import { useDays } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, SelectField } from '../../shared/pieces.tsx';

/** Private addresses at which a calendar program reads one's own days, or a room's. */
export function Feeds({ rooms }: { rooms: readonly RoomView[] }) {
  const { data: feeds = [] } = useFeedsQuery();
  const [add, adding] = useAddFeedMutation();
  const [remove, removing] = useRemoveFeedMutation();
  const [room, setRoom] = useState(0);
  const [path, setPath] = useState('');
  const { short } = useDays();
  return (
    <details>
      <summary>Calendar feed</summary>
      <p className="soft">
        A private address for your calendar program. Anyone who has it can read these days: keep it to
        yourself, and remove it if someone has seen it.
      </p>
      <Problem error={adding.error ?? removing.error} />
      {path && (
        <Notice tone="good">
          <p>Copy it now; it is not shown again:</p>
          <code>
            {window.location.origin}
            {path}
          </code>
        </Notice>
      )}
      <ul className="why">
        {feeds.map((f) => (
          <li key={f.id}>
            {f.name}, made {short(f.madeAt)}{' '}
            <ActionButton
              look="quiet"
              aria-label={`Remove the address of ${f.name}`}
              onClick={() => void remove(f.id)}
            >
              Remove
            </ActionButton>
          </li>
        ))}
      </ul>
      <form
        className="row"
        onSubmit={async (e) => {
          e.preventDefault();
          const done = await add({ roomId: room || null });
          if ('data' in done && done.data) setPath(done.data.path);
        }}
      >
        <SelectField aria-label="Whose days" value={room} onChange={(e) => setRoom(Number(e.target.value))}>
          <option value={0}>my own days</option>
          {rooms.map((r) => (
            <option key={r.id} value={r.id}>
              {r.name}
            </option>
          ))}
        </SelectField>
        <ActionButton look="plain" type="submit" busy={adding.isLoading}>
          Create address
        </ActionButton>
      </form>
    </details>
  );
}
