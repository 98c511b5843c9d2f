import { agreementSentence, type Measured, printWritten, type SheetUnit, tell } from '@rocchetto/core';

/** What was read of this measurement in this session, how the readings agree, and a way to strike one out. */
export function TakenReadings({
  measured: m,
  unit,
  onStrike,
}: {
  measured: Measured;
  unit: SheetUnit;
  onStrike: (id: string) => void;
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
              <button type="button" className="quiet" onClick={() => onStrike(r.id)}>
                strike out
              </button>
            </li>
          ))}
      </ul>
      <p>
        {tell(
          onceOfTwo
            ? 'Read once; this one is read twice. Read it again.'
            : m.net === null
              ? m.why.join(' ')
              : agreementSentence(m.agreement),
          unit,
        )}
      </p>
    </div>
  );
}
