import { measure, printWritten } from '@rocchetto/core';
import { Link } from 'react-router';
import { ActionButton } from '../../shared/pieces.tsx';
import type { KeptReading, KeptWrite } from './device-book.ts';
import { writes as entries, readings as queue } from './queue.ts';

interface Props {
  readonly readings: readonly KeptReading[];
  readonly writes: readonly KeptWrite[];
}

/** What of this device the studio would not take, each with its sentence and the way to where it is put right. */
export default function RefusedList({ readings, writes }: Props) {
  return (
    <ul>
      {readings.map((k) => {
        const order = queue().orderOf(k.sessionId);
        return (
          <li key={k.reading.id}>
            {measure(k.reading.measure).name}
            {k.reading.written && ` ${printWritten(k.reading.written)}`}: {k.refused}{' '}
            {order !== null && <Link to={`/orders/${order}/measure`}>Open the tape</Link>}
          </li>
        );
      })}
      {writes.map((w) => (
        <li key={w.id}>
          {w.says} {w.refused}{' '}
          <Link to={w.at ?? `/orders/${w.orderId}/fitting`}>
            {w.at && !w.at.endsWith('/fitting') ? 'Open its page' : 'Open the fitting'}
          </Link>{' '}
          <ActionButton look="quiet" onClick={() => void entries().drop(w.id)}>
            Remove
          </ActionButton>
        </li>
      ))}
    </ul>
  );
}
