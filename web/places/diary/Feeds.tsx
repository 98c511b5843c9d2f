import type { RoomView } from '@rocchetto/contract';
import { useState } from 'react';
import { useAddFeedMutation, useFeedsQuery, useRemoveFeedMutation } from '../../api/calendars.ts';
import { useDays } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';

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
      <summary>In a calendar program</summary>
      <p className="soft">
        An address that a calendar program reads by itself. Whoever has it can read it: give it to nobody, and
        take it back when it was seen.
      </p>
      <Problem error={adding.error ?? removing.error} />
      {path && (
        <Notice is="good">
          <p>It is shown this once:</p>
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
            <button
              type="button"
              className="quiet"
              aria-label={`Take back the address of ${f.name}`}
              onClick={() => void remove(f.id)}
            >
              take back
            </button>
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
        <select
          className="field"
          aria-label="Whose days"
          value={room}
          onChange={(e) => setRoom(Number(e.target.value))}
        >
          <option value={0}>my own days</option>
          {rooms.map((r) => (
            <option key={r.id} value={r.id}>
              {r.name}
            </option>
          ))}
        </select>
        <button type="submit" className="plain" disabled={adding.isLoading}>
          Make an address
        </button>
      </form>
    </details>
  );
}
