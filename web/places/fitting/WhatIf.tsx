import { formatSentence, printLength, printSigned, type SheetUnit } from '@rocchetto/core';
import { boxSentence } from '@rocchetto/core/alter/index.ts';
import { PanelsChanged } from '../../parts/drawings/PanelsChanged.tsx';
import { Notice } from '../../shared/Notice.tsx';
import { Ledger } from '../../shared/pieces.tsx';
import type { Tried } from './useTrial.ts';

interface Props {
  readonly tried: Tried;
  readonly unit: SheetUnit;
  /** of the hand that writes the amount */
  readonly hand: SheetUnit;
  /** what was asked before and is undone by it, lengths kept open */
  readonly undoes: readonly string[];
  /** no amount is written yet: the garment is shown as it is now */
  readonly waiting: boolean;
}

/** What the change would make of the garment, before anyone agrees. */
export function WhatIf({ tried, unit, hand, undoes, waiting }: Props) {
  if (!tried || (waiting && 'refused' in tried)) return null;
  if ('refused' in tried) return <Notice tone="bad">{tried.refused}</Notice>;
  const { applied, effect, drawn } = tried.trial;
  const size = (n: number) => printLength(n as never, unit);
  return (
    <section
      aria-label={waiting ? 'As it is now' : 'What it would change'}
      aria-live="polite"
      className={waiting ? 'asitis' : undefined}
    >
      <PanelsChanged drawn={drawn} unit={unit} now={waiting} />
      {(waiting ? [] : [...undoes, ...effect.says]).map((s) => (
        <Notice key={s}>{formatSentence(s, hand)}</Notice>
      ))}
      {applied.boxes.length === 0 ? null : effect.moved.length === 0 ? (
        <p className="soft">No measurement of the garment changes enough to mark.</p>
      ) : (
        <Ledger className="figures">
          <thead>
            <tr>
              <th scope="col">{unit === 'cm' ? 'In centimetres' : 'In inches'}</th>
              <th scope="col">before</th>
              <th scope="col">after</th>
              <th scope="col">ease left</th>
            </tr>
          </thead>
          <tbody>
            {effect.moved.map((m) => {
              const zone = m.id.endsWith('.waist') ? 'waist' : m.id;
              const ease = effect.ease.find((e) => e.zone === zone);
              return (
                <tr key={m.name}>
                  <td>{m.name}</td>
                  <td>{size(m.before)}</td>
                  <td>
                    <strong>{waiting ? '' : size(m.after)}</strong>
                  </td>
                  <td>{ease ? printSigned(waiting ? ease.before : ease.after, unit) : ''}</td>
                </tr>
              );
            })}
          </tbody>
        </Ledger>
      )}
      {applied.boxes.length > 0 && (
        <div hidden={waiting}>
          <h3>Pieces affected</h3>
          <ul className="why">
            {applied.boxes.map((b) => (
              <li key={b.id}>{formatSentence(boxSentence(b), hand)}</li>
            ))}
          </ul>
        </div>
      )}
      {!waiting && effect.allowances.length > 0 && (
        <p className="soft">
          Allowance left:{' '}
          {effect.allowances.map((a) => `${a.seam} of the ${a.piece} ${size(a.left)}`).join('; ')}.
        </p>
      )}
    </section>
  );
}
