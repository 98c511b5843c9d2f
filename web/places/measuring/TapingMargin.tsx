import {
  cm,
  findMeasure,
  formatSentence,
  measure,
  printWithUnit,
  printWritten,
  searchMeasures,
} from '@rocchetto/core';
import { bandSentence } from '@rocchetto/core/expected-ranges/slips.ts';
import { MEASURES } from '@rocchetto/core/measures/catalogue.ts';
import { guideOf } from '@rocchetto/core/measures/guide/guide.ts';
import { LANDMARKS } from '@rocchetto/core/measures/guide/landmarks.ts';
import { useState } from 'react';
import { Link } from 'react-router';
import type { KeptReading } from '../../parts/outbox/device-book.ts';
import { readings } from '../../parts/outbox/queue.ts';
import { keepTogether } from '../../shared/keepTogether.ts';
import { Notice } from '../../shared/Notice.tsx';
import { ActionButton, TextField } from '../../shared/pieces.tsx';
import type { Ground } from './ground.ts';
import { TapeLink } from './TapeLink.tsx';
import type { Session } from './useSession.ts';
import type { Taping } from './useTaping.ts';

function Refused({ all }: { all: readonly KeptReading[] }) {
  if (all.length === 0) return null;
  return (
    <Notice tone="bad">
      <p>Not saved. Kept here until you have seen why:</p>
      <ul>
        {all.map((k) => (
          <li key={k.reading.id}>
            {measure(k.reading.measure).name}
            {k.reading.written && ` ${printWritten(k.reading.written)}`}: {k.refused}{' '}
            <ActionButton look="quiet" onClick={() => void readings().dismiss(k.reading.id)}>
              Discard
            </ActionButton>
          </li>
        ))}
      </ul>
    </Notice>
  );
}

/** Beside the tape: what was read last time, how the session stands, and what is usual. */
export function TapingMargin({
  ground,
  session,
  taping: { digital, item, items, last, expected, unit, waiting, refused, addMeasure },
  onAnew,
}: {
  ground: Ground;
  session: Session;
  taping: Taping;
  onAnew: () => void;
}) {
  const [from, to] = item.measured.measure.range;
  return (
    <>
      <FindFirst id={item.id} />
      <section>
        <h2>Last time</h2>
        {last ? (
          <p>
            <strong className="figure-big">{last.text}</strong> <span className="soft">{last.date}</span>
            {findMeasure(item.id)?.choice && (
              <>
                <br />
                <span className="soft">a choice, not a body length</span>
              </>
            )}
          </p>
        ) : (
          <p className="soft">Not measured before.</p>
        )}
      </section>
      {expected && (expected.last !== null || expected.from.length > 0) && (
        <section>
          <h2>Expected</h2>
          <p>{keepTogether(formatSentence(bandSentence(item.id, expected), unit))}</p>
          <p className="soft">Worked out from: {expected.source}.</p>
        </section>
      )}
      <section>
        <h2>This session</h2>
        <p>
          {session.measurer} · <Link to={`/clients/${ground.clientId}`}>{ground.clientName}</Link>
        </p>
        <p role="status">
          {waiting > 0 ? (
            <strong className="pending">{waiting} saved on this device, not sent yet</strong>
          ) : (
            'Everything is saved.'
          )}
        </p>
        <Refused all={refused} />
        {ground.orderId !== null && (
          <>
            <Link to={ground.after.to}>{ground.after.words}</Link> ·{' '}
          </>
        )}
        {ground.paper && (
          <>
            <a href={ground.paper} target="_blank" rel="noreferrer">
              Print the list (PDF)
            </a>{' '}
            ·{' '}
          </>
        )}
        <ActionButton look="quiet" onClick={onAnew}>
          Start a new session
        </ActionButton>
      </section>
      <Besides asked={items} onAdd={addMeasure} />
      <TapeLink tape={digital} />
      <section>
        <h2>Usual range</h2>
        <p className="soft">
          {printWithUnit(cm(from), unit)} to {printWithUnit(cm(to), unit)} in adults. Outside it the program
          asks; it never refuses.
        </p>
      </section>
    </>
  );
}

/** Where to feel before the tape, and the slip that is made most often. */
function FindFirst({ id }: { id: string }) {
  const { first, mistake } = guideOf(id);
  return (
    <section>
      <h2>Find first</h2>
      <ul className="why">
        {first.map((l) => (
          <li key={l}>
            <strong>{LANDMARKS[l].name}</strong>: {LANDMARKS[l].find}
          </li>
        ))}
      </ul>
      <p className="soft">
        Common mistake: {mistake} <Link to={`/how-we-measure?m=${id}`}>How we measure</Link>
      </p>
    </section>
  );
}

/** Regions in the order in which a tape comes to them. */
const REGIONS = [...new Set(MEASURES.map((m) => m.region))];

interface BesidesProps {
  /** what the list asks for already */
  readonly asked: readonly { readonly id: string }[];
  readonly onAdd: (id: string) => void;
}
/** A measurement that this order’s list does not ask for, found by any of its names, or among the rest, folded away. */
function Besides({ asked, onAdd }: BesidesProps) {
  const [typed, setTyped] = useState('');
  const found = searchMeasures(typed, 6);
  return (
    <section>
      <h2>Add another measurement</h2>
      <TextField
        aria-label="Find another measurement"
        placeholder="scye depth, bicep …"
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
      />
      {typed.trim() !== '' && found.length === 0 && <p className="soft">No measurement found.</p>}
      <ul className="why">
        {found.map((m) => (
          <li key={m.id}>
            <ActionButton
              look="quiet"
              onClick={() => {
                setTyped('');
                onAdd(m.id);
              }}
            >
              {m.name}
            </ActionButton>
          </li>
        ))}
      </ul>
      <Rest asked={asked} onAdd={onAdd} />
    </section>
  );
}

/** Every measurement that the list does not ask for, by region in the order in which the tape goes; those of one side are found by name. */
function Rest({ asked, onAdd }: BesidesProps) {
  const listed = new Set(asked.map((i) => i.id));
  const rest = MEASURES.filter((m) => !listed.has(m.id) && m.side === undefined);
  return (
    <details>
      <summary>The other {rest.length} measurements</summary>
      {REGIONS.map((region) => {
        const here = rest.filter((m) => m.region === region);
        return here.length === 0 ? null : (
          <section key={region} aria-label={region}>
            <h3>{region}</h3>
            <ul className="why">
              {here.map((m) => (
                <li key={m.id}>
                  <ActionButton look="quiet" onClick={() => onAdd(m.id)}>
                    {m.name}
                  </ActionButton>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
    </details>
  );
}
