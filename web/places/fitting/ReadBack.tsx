import type { AlterationView, StepWire } from '@rocchetto/contract';
import { readMoney, type SheetUnit } from '@rocchetto/core';
import { useState } from 'react';
import { useHouseBenchQuery } from '../../api/house.ts';
import { useWaiting, writes } from '../../parts/outbox/queue.ts';
import { DateField } from '../../shared/DateField.tsx';
import { useMay } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { ActionButton, TextField } from '../../shared/pieces.tsx';
import { usePrice } from '../../shared/usePrice.ts';
import { Decision } from './Decision.tsx';
import { saysOf } from './Waiting.tsx';

interface Props {
  readonly orderId: number;
  readonly clientName: string;
  readonly unit: SheetUnit;
  readonly alterations: readonly AlterationView[];
  readonly editing: number | null;
  readonly onEdit: (a: AlterationView) => void;
}

/** Every decision as a sentence, to be read aloud; those that she agrees to are ticked and agreed by name. */
export function ReadBack({ orderId, clientName, unit, alterations, editing, onEdit }: Props) {
  const mayAsk = useMay('alter.ask');
  const waiting = useWaiting(orderId);
  const price = usePrice();
  const [isLoading, setLoading] = useState(false);
  const [wrong, setWrong] = useState('');
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [name, setName] = useState(clientName);
  const [neededOn, setNeededOn] = useState('');
  const { data: house } = useHouseBenchQuery();
  const [prices, setPrices] = useState<Readonly<Record<number, string>>>({});
  const priceOf = (a: AlterationView) =>
    prices[a.id] ?? house?.bench.kinds[a.asked.kind]?.price?.toFixed(2) ?? '';
  /** A step is kept here first, and sent; true unless the server would not take it. */
  const step = async (a: AlterationView, one: StepWire, says: string): Promise<boolean> => {
    const sent = await writes().keep({
      orderId,
      is: 'step',
      path: `/alterations/${a.id}/steps`,
      body: { version: a.version, step: one },
      says: `${says}: ${a.sentence}`,
    });
    setWrong(sent.is === 'refused' ? sent.sentence : '');
    return sent.is !== 'refused';
  };
  const underWay = new Set(waiting.filter((w) => w.is === 'step').map((w) => w.path));
  const open = alterations.filter((a) => a.status === 'asked' && !underWay.has(`/alterations/${a.id}/steps`));
  /** changes of this device that are not in the book yet, and not agreed */
  const here = waiting.filter(
    (w) => w.is === 'ask' && !w.first && w.refused === '' && !waiting.some((x) => x.after === w.id),
  );
  const ticked = open.filter((a) => !left.has(a.id));
  const all = ticked.length + here.length;
  const sums = new Map(ticked.map((a) => [a.id, readMoney(priceOf(a))]));
  const agree = async () => {
    // A price that cannot be read is never agreed as none: nothing is sent before each of them is a sum.
    const unread = [...sums.values()].find((s) => !s.ok);
    if (unread && !unread.ok) return setWrong(`${unread.sentence} Nothing was agreed.`);
    setLoading(true);
    const one = (price: number | null): StepWire => ({
      step: 'agree',
      name,
      neededOn: neededOn === '' ? null : neededOn,
      price,
    });
    let fine = true;
    for (const a of ticked) {
      const sum = sums.get(a.id);
      fine &&= await step(a, one(sum?.ok ? sum.amount : null), `Agreed by ${name}`);
    }
    for (const w of fine ? here : [])
      await writes().keep({
        orderId,
        is: 'step',
        path: '',
        after: w.id,
        body: { version: 0, step: one(null) },
        says: `Agreed by ${name}: ${saysOf(w)}`,
      });
    setLoading(false);
  };
  const sum = [...sums.values()].reduce((n, s) => n + ((s.ok && s.amount) || 0), 0);
  return (
    <>
      <h2>Read back</h2>
      {wrong && <Notice tone="bad">{wrong}</Notice>}
      {alterations.length === 0 && (
        <p className="soft">Each change you add appears here as a sentence, to be read aloud and agreed.</p>
      )}
      <ol className="readback">
        {alterations.map((a) => (
          <Decision
            key={a.id}
            alteration={a}
            unit={unit}
            chosen={!left.has(a.id)}
            price={priceOf(a)}
            unread={sums.get(a.id)?.ok === false}
            editing={editing === a.id}
            onChoose={(yes) => {
              const next = new Set(left);
              if (yes) next.delete(a.id);
              else next.add(a.id);
              setLeft(next);
            }}
            onPrice={(text) => setPrices({ ...prices, [a.id]: text })}
            onEdit={() => onEdit(a)}
            onStep={(one, says) => step(a, one, says)}
          />
        ))}
      </ol>
      {mayAsk && open.length + here.length > 0 && (
        <form
          className="slip"
          aria-label="Agree"
          onSubmit={(e) => {
            e.preventDefault();
            void agree();
          }}
        >
          <p>
            Read every sentence aloud, and ask whether anything else should change.
            {sum > 0 && ` In all ${price(sum)}.`}
          </p>
          <div className="fields">
            <div>
              <label htmlFor="agree-name">Agreed by</label>
              <TextField id="agree-name" value={name} onChange={(e) => setName(e.target.value)} />
            </div>
            <div>
              <label htmlFor="agree-needed">Needed on</label>
              <DateField id="agree-needed" value={neededOn} onChange={setNeededOn} />
            </div>
          </div>
          <div className="row acts">
            <ActionButton look="take" type="submit" disabled={isLoading || all === 0 || name.trim() === ''}>
              {ticked.length === open.length && all > 1 ? `Agree all ${all}` : `Agree ${all}`}
            </ActionButton>
          </div>
        </form>
      )}
    </>
  );
}
