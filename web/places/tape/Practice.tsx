import { toCm } from '@rocchetto/contract/parse-length.ts';
import type { SheetUnit } from '@rocchetto/core';
import {
  ALLOWED_DIFFERENCE,
  cm,
  measure,
  printByHand,
  printSigned,
  readLength,
  searchMeasures,
  withUnit,
} from '@rocchetto/core';
import { guideOf } from '@rocchetto/core/measures/guide/guide.ts';
import { useState } from 'react';
import { useStaffQuery } from '../../api/staff.ts';
import { useKeepPairsMutation } from '../../api/tape.ts';
import { useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, Ledger, SelectField, TextField } from '../../shared/pieces.tsx';

/** What is read for practice unless the two choose otherwise. */
const USUAL = ['bust', 'waist', 'hip', 'across-back', 'nape-to-waist', 'arm-length'];

/** An apprentice reads blind against a second hand on the same body; then both see the difference and the usual slip. */
export function Practice({ onDone }: { onDone: () => void }) {
  const me = useMe();
  const { data: staff = [] } = useStaffQuery();
  const [keep, { error, isLoading }] = useKeepPairsMutation();
  const [ids, setIds] = useState<readonly string[]>(USUAL);
  const { unit } = me;
  const [typed, setTyped] = useState('');
  const [second, setSecond] = useState(0);
  const [turn, setTurn] = useState<'first' | 'second' | 'both'>('first');
  const [figures, setFigures] = useState<Readonly<Record<string, readonly [string, string]>>>({});
  const [wrong, setWrong] = useState('');
  const at = turn === 'first' ? 0 : 1;
  const name = turn === 'first' ? me.name : (staff.find((s) => s.id === second)?.name ?? '');
  const set = (id: string, text: string) => {
    const [a, b] = figures[id] ?? ['', ''];
    setFigures({ ...figures, [id]: at === 0 ? [text, b] : [a, text] });
  };
  const finish = async () => {
    for (const id of ids) {
      const text = figures[id]?.[at]?.trim() ?? '';
      const read = text === '' ? null : readLength(text, unit);
      if (read && !read.ok) return setWrong(`${measure(id).name}: ${read.sentence}`);
    }
    setWrong('');
    if (turn === 'first') return setTurn('second');
    const pairs = ids.flatMap((id) => {
      const [a, b] = figures[id] ?? ['', ''];
      return a.trim() && b.trim()
        ? [{ measure: id, reader: withUnit(a.trim(), unit)!, second: withUnit(b.trim(), unit)! }]
        : [];
    });
    if (pairs.length === 0) return setWrong('No measurement was taken by both.');
    if ('data' in (await keep({ readerId: me.id, secondId: second, pairs }))) setTurn('both');
  };
  if (turn === 'both')
    return (
      <section className="slip" aria-label="Both results">
        <h2>Both results</h2>
        <Ledger className="figures">
          <thead>
            <tr>
              <th scope="col">Measurement</th>
              <th scope="col">{me.name}</th>
              <th scope="col">{name}</th>
              <th scope="col">apart</th>
              <th scope="col">allowed</th>
            </tr>
          </thead>
          <tbody>
            {ids
              .filter((id) => figures[id]?.[0].trim() && figures[id]?.[1].trim())
              .map((id) => {
                const [a, b] = [cmOf(figures[id]![0], unit), cmOf(figures[id]![1], unit)];
                const allowed = ALLOWED_DIFFERENCE[measure(id).agree];
                const far = Math.abs(a - b) > allowed + 1e-9;
                return (
                  <tr key={id}>
                    <td>
                      {measure(id).name}
                      {far && <div className="tight">Common mistake: {guideOf(id).mistake}</div>}
                    </td>
                    <td>{figures[id]![0]}</td>
                    <td>{figures[id]![1]}</td>
                    <td className={far ? 'tight' : 'agreed'}>{printSigned(cm(a - b), unit)}</td>
                    <td>{printByHand(allowed, unit)}</td>
                  </tr>
                );
              })}
          </tbody>
        </Ledger>
        <ActionButton look="plain" onClick={onDone}>
          Close
        </ActionButton>
      </section>
    );
  return (
    <form
      className="slip"
      aria-label="Practice"
      onSubmit={(e) => {
        e.preventDefault();
        void finish();
      }}
    >
      <h2>{turn === 'first' ? `${me.name} measures first` : `Now ${name} measures the same person`}</h2>
      <p className="soft">
        {turn === 'first'
          ? 'The second person doesn’t look. These figures are hidden until both have measured.'
          : 'The first figures are hidden. Both are shown afterwards.'}
      </p>
      {turn === 'first' && (
        <div className="row">
          <label htmlFor="second-hand">Second person</label>
          <SelectField id="second-hand" value={second} onChange={(e) => setSecond(Number(e.target.value))}>
            <option value={0}>Choose …</option>
            {staff
              .filter((s) => s.id !== me.id)
              .map((s) => (
                <option key={s.id} value={s.id}>
                  {s.name}
                </option>
              ))}
          </SelectField>
        </div>
      )}
      <div className="fields narrow">
        {ids.map((id) => (
          <div key={id}>
            <label htmlFor={`practice-${id}`}>{measure(id).name}</label>
            <TextField
              key={turn}
              id={`practice-${id}`}
              autoComplete="off"
              value={figures[id]?.[at] ?? ''}
              onChange={(e) => set(id, e.target.value)}
            />
          </div>
        ))}
      </div>
      {turn === 'first' && (
        <div className="row acts">
          <label htmlFor="practice-more">Add measurement</label>
          <TextField id="practice-more" value={typed} onChange={(e) => setTyped(e.target.value)} />
          {searchMeasures(typed, 4)
            .filter((m) => !ids.includes(m.id))
            .map((m) => (
              <ActionButton
                look="quiet"
                key={m.id}
                onClick={() => {
                  setIds([...ids, m.id]);
                  setTyped('');
                }}
              >
                {m.name}
              </ActionButton>
            ))}
        </div>
      )}
      {wrong && <Notice tone="bad">{wrong}</Notice>}
      <Problem error={error} />
      <div className="row acts">
        <ActionButton look="take" type="submit" disabled={second === 0 || isLoading}>
          {turn === 'first' ? 'Next: second person' : 'Show both'}
        </ActionButton>
        <ActionButton look="quiet" onClick={onDone}>
          Cancel
        </ActionButton>
      </div>
    </form>
  );
}

const cmOf = (text: string, unit: SheetUnit): number => toCm(withUnit(text.trim(), unit)!);
