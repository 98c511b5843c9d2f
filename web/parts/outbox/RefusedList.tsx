import { measure, printWritten } from '@rocchetto/core';
import { Link } from 'react-router';
import type { Waiting } from './fittingOutbox.ts';
import type { KeptReading } from './readingsOutbox.ts';
import { outbox } from './useReadingsOutbox.ts';

interface Props {
  readonly readings: readonly KeptReading[];
  readonly writes: readonly Waiting[];
}

/** What of this device the studio would not take, each with its sentence and the way to where it is put right. */
export default function RefusedList({ readings, writes }: Props) {
  return (
    <ul>
      {readings.map((k) => {
        const order = outbox().orderOf(k.sessionId);
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
          {w.says} {w.refused} <Link to={`/orders/${w.orderId}/fitting`}>Open the fitting</Link>
        </li>
      ))}
    </ul>
  );
}
