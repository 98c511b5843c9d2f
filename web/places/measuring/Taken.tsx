import {
  agreementSentence,
  formatSentence,
  type Measured,
  printWritten,
  type SheetUnit,
} from '@rocchetto/core';
import { useState } from 'react';
import { ActionButton, TextField } from '../../shared/pieces.tsx';

/** What was read of this measurement in this session, how the readings agree, and a way to strike one out. */
export function TakenReadings({
  measured: m,
  unit,
  onStrike,
  onCorrect,
}: {
  measured: Measured;
  unit: SheetUnit;
  onStrike: (id: string, why: string) => void;
  onCorrect: (of: { id: string; text: string }) => void;
}) {
  if (m.readings.length === 0) return null;
  const onceOfTwo = m.measure.twice && m.agreement.state === 'single';
  return (
    <div aria-live="polite">
      <ul className="readings">
        {m.readings
          .filter((r) => r.note !== 'struck out')
          .map((r, i) => (
            <li key={r.id}>
              {r.state === 'read' && r.written
                ? `${i + 1}. ${printWritten(r.written)}${r.way === 'whole' ? '' : ` (${r.way})`}${r.tape === 'snug' ? '' : `, ${r.tape.replace('-', ' ')}`}`
                : r.state}
              {r.reason && <span className="soft"> “{r.reason}”</span>}{' '}
              {r.written && (
                <ActionButton
                  look="quiet"
                  aria-label={`Correct ${printWritten(r.written)}`}
                  onClick={() => onCorrect({ id: r.id, text: printWritten(r.written!) })}
                >
                  Correct
                </ActionButton>
              )}{' '}
              <Strike onStrike={(why) => onStrike(r.id, why)} />
            </li>
          ))}
      </ul>
      <p>
        {formatSentence(
          onceOfTwo
            ? 'Measured once; this one is measured twice. Measure it again.'
            : m.net === null
              ? m.why.join(' ')
              : agreementSentence(m.agreement),
          unit,
        )}
      </p>
    </div>
  );
}

/** One press opens it, the next strikes; why is written between the two, or left empty. */
function Strike({ onStrike }: { onStrike: (why: string) => void }) {
  const [open, setOpen] = useState(false);
  const [why, setWhy] = useState('');
  if (!open)
    return (
      <ActionButton look="quiet" onClick={() => setOpen(true)}>
        Cross out
      </ActionButton>
    );
  return (
    <form
      className="row strike"
      onSubmit={(e) => {
        e.preventDefault();
        onStrike(why.trim());
      }}
    >
      <TextField
        aria-label="Reason for crossing out"
        placeholder="e.g. slipped, misheard"
        autoFocus
        value={why}
        maxLength={300}
        onChange={(e) => setWhy(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === 'Escape') setOpen(false);
        }}
      />
      <ActionButton look="quiet" type="submit">
        Cross out
      </ActionButton>
    </form>
  );
}
