import type { PatternView } from '@rocchetto/contract';
import { type Cm, printWithUnit, readLength, type SheetUnit, writtenToCm } from '@rocchetto/core';
import { PAPERS } from '@rocchetto/core/pattern/papers.ts';
import { useState } from 'react';
import { chalkCard, type PatternAsk, patternFile } from '../../api/pattern.ts';
import { SelectField, TextField, Tick } from '../../shared/pieces.tsx';

interface Props {
  readonly id: number;
  readonly view: PatternView;
  readonly ask: PatternAsk;
  /** another number of sheets is on its way */
  readonly counting: boolean;
  readonly unit: SheetUnit;
  readonly onSet: (key: string, value: string | null) => void;
}

/** Paper, and how the pieces lie on it; each way to take the pattern along. */
export function Printing({ id, view, ask, counting, unit, onSet }: Props) {
  const [roll, setRoll] = useState(unit === 'in' ? '36 in' : '91 cm');
  const read = readLength(roll, unit);
  const width = read.ok ? Math.round(writtenToCm(read.written) * 100) / 100 : 0;
  const fits = width >= 30 && width <= 300;
  const tick = (key: 'apart' | 'opened' | 'toile', label: string) => (
    <label>
      <Tick checked={ask[key] === '1'} onChange={(e) => onSet(key, e.target.checked ? '1' : null)} /> {label}
    </label>
  );
  return (
    <section className="printing noprint" aria-labelledby="printing-head">
      <h2 id="printing-head">Print it</h2>
      <div className="looking">
        <label>
          Paper
          <SelectField value={ask.paper ?? view.paper} onChange={(e) => onSet('paper', e.target.value)}>
            {Object.entries(PAPERS).map(([key, p]) => (
              <option key={key} value={key}>
                {p.name}
              </option>
            ))}
          </SelectField>
        </label>
        <label>
          Lies
          <SelectField value={ask.way ?? 'portrait'} onChange={(e) => onSet('way', e.target.value)}>
            <option value="portrait">upright</option>
            <option value="landscape">on its side</option>
          </SelectField>
        </label>
        {tick('apart', 'each piece by itself')}
        {tick('opened', 'folds opened out')}
        {tick('toile', 'as a toile')}
      </div>
      <p className="row">
        <a href={patternFile(id, 'pdf', ask)} target="_blank" rel="noreferrer">
          {counting
            ? 'Print the sheets (PDF)'
            : `Print ${view.sheets} ${view.sheets === 1 ? 'sheet' : 'sheets'} and a cover (PDF)`}
        </a>
        <a href={chalkCard(id, ask, unit)} target="_blank" rel="noreferrer">
          Chalk card (PDF)
        </a>
        <a href={patternFile(id, 'svg', ask)} download>
          Drawing (SVG)
        </a>
        <a href={patternFile(id, 'dxf', ask)} download>
          Drawing (DXF)
        </a>
        <span className="roll">
          <label>
            Roll, how wide
            <TextField value={roll} size={6} onChange={(e) => setRoll(e.target.value)} />
          </label>
          {fits ? (
            <a
              href={patternFile(id, 'pdf', { ...ask, roll: String(width) })}
              target="_blank"
              rel="noreferrer"
            >
              Print on a roll (PDF)
            </a>
          ) : (
            <span className="soft">
              A roll is {printWithUnit(30 as Cm, unit)} to {printWithUnit(300 as Cm, unit)} wide.
            </span>
          )}
        </span>
      </p>
    </section>
  );
}
