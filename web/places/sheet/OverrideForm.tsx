import { asGiven, type Figure, readLength, type SheetUnit, type Target, withUnit } from '@rocchetto/core';
import { useRef, useState } from 'react';
import { Notice } from '../../shared/Notice.tsx';
import { parsedHint } from '../../shared/parsed-hint.ts';
import { ActionButton, SelectField, TextField } from '../../shared/pieces.tsx';
import type { Change } from './useSheetChange.tsx';

const TARGETS: Record<Target, string> = {
  wearing: 'wearing ease',
  style: 'style ease',
  finished: 'finished figure',
};

interface Written {
  readonly chosen: Target | undefined;
  readonly value: string;
  readonly reason: string;
}
const EMPTY: Written = { chosen: undefined, value: '', reason: '' };

/** Sets an ease or the finished figure by hand, with a reason; the rule's figure stays beside it. */
export function OverrideForm({
  figure,
  unit,
  onChange,
}: {
  figure: Figure;
  unit: SheetUnit;
  onChange: (c: Change) => Promise<boolean>;
}) {
  // Until a hand has chosen or written, what is set follows the figure, which may only now be getting its reading.
  const [written, setWritten] = useState(EMPTY);
  const { chosen, value, reason } = written;
  const target = chosen && figure.settable.includes(chosen) ? chosen : (figure.settable[0] ?? 'finished');
  const [wrong, setWrong] = useState('');
  const told = parsedHint(value.replace(/^[-−]/, ''), unit);
  const sending = useRef(0);
  const send = async () => {
    // Pressed twice: it is on its way.
    if (sending.current > 0 && value === '' && reason === '') return;
    const bare = value.trim();
    const read = readLength(bare.replace(/^[-−]/, ''), unit);
    if (!read.ok && read.code !== 'zero') return setWrong(read.sentence);
    if (!reason.trim()) return setWrong('Enter a reason.');
    setWrong('');
    // It stands in its row at once, and the fields are free for the next; refused, it comes back to them, but for a
    // hand that has gone on writing.
    const sent = { ...written, chosen: target };
    setWritten(EMPTY);
    sending.current++;
    const taken = await onChange({
      kind: 'override',
      id: crypto.randomUUID(),
      figure: figure.id,
      target,
      value: withUnit(bare, unit)!,
      reason: reason.trim(),
    });
    sending.current--;
    if (!taken) setWritten((now) => (now === EMPTY ? sent : now));
  };
  return (
    <section>
      <h2>Set by hand</h2>
      {figure.overrides.map((o) => (
        <p key={o.id}>
          {TARGETS[o.target]} {asGiven(o.written, o.value, unit)}: {o.reason}{' '}
          <span className="soft">({o.by})</span> <Withdraw override={o} onChange={onChange} />
        </p>
      ))}
      {wrong && <Notice tone="bad">{wrong}</Notice>}
      <form
        className="stack"
        onSubmit={(e) => {
          e.preventDefault();
          void send();
        }}
      >
        <SelectField
          aria-label="What to set"
          value={target}
          onChange={(e) => setWritten({ ...written, chosen: e.target.value as Target })}
        >
          {figure.settable.map((t) => (
            <option key={t} value={t}>
              {TARGETS[t]}
            </option>
          ))}
        </SelectField>
        <TextField
          aria-label="Figure set by hand"
          placeholder={`figure in ${unit === 'in' ? 'inches' : 'centimetres'}`}
          autoComplete="off"
          value={value}
          onChange={(e) => setWritten({ ...written, chosen: target, value: e.target.value })}
        />
        {told && (
          <span className="soft" aria-live="polite">
            {told}
          </span>
        )}
        <TextField
          aria-label="Reason"
          placeholder="reason"
          autoComplete="off"
          maxLength={500}
          value={reason}
          onChange={(e) => setWritten({ ...written, reason: e.target.value })}
        />
        <ActionButton look="plain" type="submit">
          Set {figure.letter} by hand
        </ActionButton>
      </form>
    </section>
  );
}

function Withdraw({
  override,
  onChange,
}: {
  override: Figure['overrides'][number];
  onChange: (c: Change) => Promise<boolean>;
}) {
  return (
    <ActionButton
      look="quiet"
      onClick={() => void onChange({ kind: 'withdraw', figure: override.figure, target: override.target })}
    >
      Back to the rule
    </ActionButton>
  );
}
