import { cm, printLength, printWithUnit, readLength, type SheetUnit } from '@rocchetto/core';
import { type AlterationKind, amountFrom } from '@rocchetto/core/alter/index.ts';
import { useState } from 'react';
import { ActionButton, SelectField, Tick } from '../../shared/pieces.tsx';
import type { Draft } from './draft.ts';
import { Text } from './fields.tsx';

interface Props {
  readonly draft: Draft;
  readonly kind: AlterationKind;
  readonly unit: SheetUnit;
  readonly set: (more: Partial<Draft>) => void;
}

/** What else a kind asks: what comes off and goes on, which pocket, how an elastic is sewn, and whether it is sewn by hand. */
export function AskDetails({ draft: d, kind, unit, set }: Props) {
  const put = (id: string, text: string) => set({ details: { ...d.details, [id]: text } });
  return (
    <>
      {(kind.details ?? []).length > 0 && (
        <div className="fields">
          {kind.details!.map(({ id, label, is, choices }) => {
            const name = `${label.replace(':', '')}` || 'How it is sewn';
            const text = d.details[id] ?? '';
            return is === 'choice' ? (
              <div key={id}>
                <label htmlFor={`detail-${id}`}>{name}</label>
                <SelectField id={`detail-${id}`} value={text} onChange={(e) => put(id, e.target.value)}>
                  <option value="">not stated</option>
                  {choices!.map((c) => (
                    <option key={c} value={c}>
                      {c}
                    </option>
                  ))}
                </SelectField>
              </div>
            ) : (
              <Text
                key={id}
                id={`detail-${id}`}
                label={name}
                value={text}
                {...(is === 'length' ? { unit } : {})}
                on={(t) => put(id, is === 'number' ? t.replace(/\D/g, '').slice(0, 2) : t)}
              />
            );
          })}
        </div>
      )}
      <p>
        <label>
          <Tick checked={d.byHand} onChange={(e) => set({ byHand: e.target.checked })} /> sewn by hand
        </label>
      </p>
    </>
  );
}

/** What an amount follows from on a garment that came as it is: the body’s reading, the garment’s own, and the ease. */
export function Follows({ kind, unit, set }: Omit<Props, 'draft'>) {
  const [body, setBody] = useState('');
  const [garment, setGarment] = useState('');
  const [ease, setEase] = useState('');
  const read = (text: string) => (text.trim() === '' ? null : readLength(text, unit));
  const [b, g, e] = [read(body), read(garment), read(ease)];
  const by = b?.ok && g?.ok ? amountFrom({ body: b.cm, garment: g.cm, ease: e?.ok ? e.cm : cm(0) }) : null;
  const way = by === null ? undefined : kind.directions.find((x) => x.sign === (by < 0 ? -1 : 1));
  return (
    <details>
      <summary>Work out the amount</summary>
      <div className="fields narrow">
        <Text id="from-body" label="body" value={body} unit={unit} on={setBody} />
        <Text id="from-garment" label="garment" value={garment} unit={unit} on={setGarment} />
        <Text id="from-ease" label="ease wanted" value={ease} unit={unit} on={setEase} />
      </div>
      {by !== null && Math.abs(by) > 0.05 && (
        <p>
          {printWithUnit(b?.ok ? b.cm : cm(0), unit)} and {printWithUnit(e?.ok ? e.cm : cm(0), unit)} are{' '}
          {printWithUnit(cm(Math.abs(by)), unit)} {by < 0 ? 'less' : 'more'} than the garment has.{' '}
          {way ? (
            <ActionButton
              look="quiet"
              onClick={() =>
                set({
                  amount: printLength(cm(Math.abs(by)), unit),
                  direction: way.id,
                  as: 'total',
                  side: 'both',
                })
              }
            >
              {way.word} {printWithUnit(cm(Math.abs(by)), unit)} all round
            </ActionButton>
          ) : (
            'This alteration can’t do that.'
          )}
        </p>
      )}
    </details>
  );
}
