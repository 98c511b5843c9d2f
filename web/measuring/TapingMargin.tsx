import type { OrderFull } from '@rocchetto/contract';
import {
  type Cm,
  cm,
  findMeasure,
  measure,
  printWithUnit,
  printWritten,
  type SheetUnit,
} from '@rocchetto/core';
import { Link } from 'react-router';
import { Notice } from '../shared/Notice.tsx';
import type { KeptReading } from './outbox.ts';
import { outbox } from './useOutbox.ts';
import type { Session } from './useSession.ts';
import type { Taping } from './useTaping.ts';

/** What last time leads one to expect: the span inside which nothing is asked. */
function expectation(was: Cm, id: string, unit: SheetUnit): string {
  if (findMeasure(id)?.choice) return 'a choice, not a body height';
  const room = measure(id).kind === 'length' ? 1.5 : was * 0.04;
  const show = (n: number) => printWithUnit(cm(Math.round(n * 2) / 2), unit);
  return `expect ${show(was - room)} to ${show(was + room)}`;
}

function Refused({ all }: { all: readonly KeptReading[] }) {
  if (all.length === 0) return null;
  return (
    <Notice is="bad">
      <p>Not taken into the book; kept here until you have seen why:</p>
      <ul>
        {all.map((k) => (
          <li key={k.reading.id}>
            {measure(k.reading.measure).name}
            {k.reading.written && ` ${printWritten(k.reading.written)}`}: {k.refused}{' '}
            <button type="button" className="quiet" onClick={() => void outbox().dismiss(k.reading.id)}>
              seen, let it go
            </button>
          </li>
        ))}
      </ul>
    </Notice>
  );
}

/** Beside the tape: what was read last time, how the session stands, and what is usual. */
export function TapingMargin({
  order,
  session,
  taping: { item, last, unit, waiting, refused },
  onAnew,
}: {
  order: OrderFull;
  session: Session;
  taping: Taping;
  onAnew: () => void;
}) {
  const [from, to] = item.measured.measure.range;
  return (
    <>
      <section>
        <h2>Last time</h2>
        {last ? (
          <p>
            <strong className="figure-big">{last.text}</strong> <span className="soft">{last.date}</span>
            <br />
            <span className="soft">{expectation(last.cm, item.id, unit)}</span>
          </p>
        ) : (
          <p className="soft">Not measured before.</p>
        )}
      </section>
      <section>
        <h2>This session</h2>
        <p>
          {session.measurer} · <Link to={`/clients/${order.clientId}`}>{order.clientName}</Link>
        </p>
        <p role="status">
          {waiting > 0 ? (
            <strong className="pending">{waiting} kept on this device, not yet sent</strong>
          ) : (
            'Everything taken is in the studio’s book.'
          )}
        </p>
        <Refused all={refused} />
        <Link to={`/orders/${order.id}/sheet`}>To the sheet</Link> ·{' '}
        <button type="button" className="quiet" onClick={onAnew}>
          begin a new session
        </button>
      </section>
      <section>
        <h2>Usual span</h2>
        <p className="soft">
          {printWithUnit(cm(from), unit)} to {printWithUnit(cm(to), unit)} in adults. Outside it the program
          asks; it never refuses.
        </p>
      </section>
    </>
  );
}
