import type { AlterationView, StepWire } from '@rocchetto/contract';
import { readMoney, type SheetUnit, tell } from '@rocchetto/core';
import { STATE_WORD } from '@rocchetto/core/alter/index.ts';
import { useState } from 'react';
import { Link } from 'react-router';
import { useHouseBenchQuery } from '../../api/house.ts';
import { fittingOutbox, useWaiting } from '../../parts/outbox/useFittingOutbox.ts';
import { DateField } from '../../shared/DateField.tsx';
import { keepTogether } from '../../shared/keepTogether.ts';
import { useMay } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
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
  const [isLoading, setLoading] = useState(false);
  const [wrong, setWrong] = useState('');
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [name, setName] = useState(clientName);
  const [neededOn, setNeededOn] = useState('');
  const { data: house } = useHouseBenchQuery();
  const [prices, setPrices] = useState<Readonly<Record<number, string>>>({});
  const priceOf = (a: AlterationView) =>
    prices[a.id] ?? house?.bench.kinds[a.asked.kind]?.price?.toFixed(2) ?? '';
  const [why, setWhy] = useState<{
    id: number;
    step: 'decline' | 'withdraw' | 'ask-again';
    reason: string;
  } | null>(null);
  /** A step is kept here first, and sent; true unless the server would not take it. */
  const step = async (a: AlterationView, one: StepWire, says: string): Promise<boolean> => {
    const sent = await fittingOutbox().keep({
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
    if (unread && !unread.ok) return setWrong(`${unread.sentence} Nothing was agreed yet.`);
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
      await fittingOutbox().keep({
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
      {wrong && <Notice is="bad">{wrong}</Notice>}
      {alterations.length === 0 && (
        <p className="soft">
          Every change that is kept stands here as a sentence, to be read aloud and agreed.
        </p>
      )}
      <ol className="readback">
        {alterations.map((a) => (
          <li key={a.id} className={a.status === 'declined' || a.status === 'withdrawn' ? 'gone' : ''}>
            <div className="row">
              {a.status === 'asked' && mayAsk && (
                <input
                  type="checkbox"
                  aria-label={`Agreed: ${tell(a.sentence, unit)}`}
                  checked={!left.has(a.id)}
                  onChange={(e) => {
                    const next = new Set(left);
                    if (e.target.checked) next.delete(a.id);
                    else next.add(a.id);
                    setLeft(next);
                  }}
                />
              )}
              <span className="grow">
                <Link to={`/orders/${orderId}/alterations/${a.id}`}>
                  {keepTogether(tell(a.sentence, unit))}
                </Link>
                {a.asked.words && <span className="soft"> “{a.asked.words}”</span>}
              </span>
              {a.status === 'asked' && mayAsk && !left.has(a.id) && (
                <input
                  className="field short"
                  inputMode="decimal"
                  placeholder="price"
                  aria-label={`Price: ${tell(a.sentence, unit)}`}
                  aria-invalid={sums.get(a.id)?.ok === false}
                  value={priceOf(a)}
                  onChange={(e) => setPrices({ ...prices, [a.id]: e.target.value })}
                />
              )}
              <span className={a.status === 'checked' || a.status === 'accepted' ? 'agreed' : 'soft'}>
                {STATE_WORD[a.status]}
                {a.status === 'agreed' && a.agreedName && ` by ${a.agreedName}`}
              </span>
            </div>
            {mayAsk && (
              <div className="row">
                {a.status === 'asked' && (
                  <>
                    <button
                      type="button"
                      className="quiet"
                      disabled={editing === a.id}
                      aria-label={`Change: ${tell(a.sentence, unit)}`}
                      onClick={() => onEdit(a)}
                    >
                      change
                    </button>
                    <button
                      type="button"
                      className="quiet"
                      aria-label={`Declined: ${tell(a.sentence, unit)}`}
                      onClick={() => setWhy({ id: a.id, step: 'decline', reason: '' })}
                    >
                      declined
                    </button>
                  </>
                )}
                {(a.status === 'agreed' || a.status === 'in-work') && (
                  <button
                    type="button"
                    className="quiet"
                    aria-label={`Withdraw: ${tell(a.sentence, unit)}`}
                    onClick={() => setWhy({ id: a.id, step: 'withdraw', reason: '' })}
                  >
                    withdraw
                  </button>
                )}
                {(a.status === 'declined' || a.status === 'withdrawn') && (
                  <button
                    type="button"
                    className="quiet"
                    aria-label={`Ask again: ${tell(a.sentence, unit)}`}
                    onClick={() => setWhy({ id: a.id, step: 'ask-again', reason: '' })}
                  >
                    ask again
                  </button>
                )}
              </div>
            )}
            {why?.id === a.id && (
              <form
                className="slip row"
                aria-label="Why"
                onSubmit={async (e) => {
                  e.preventDefault();
                  const { step: word, reason } = why;
                  if (await step(a, { step: word, reason }, WORD[word])) setWhy(null);
                }}
              >
                <label htmlFor="alter-why">{why.step === 'ask-again' ? 'What changed' : 'Why'}</label>
                <input
                  id="alter-why"
                  className="field grow"
                  value={why.reason}
                  onChange={(e) => setWhy({ ...why, reason: e.target.value })}
                />
                <button type="submit" className="plain">
                  {why.step === 'decline'
                    ? 'Declined'
                    : why.step === 'withdraw'
                      ? 'Withdraw it'
                      : 'Ask again'}
                </button>
                <button type="button" className="quiet" onClick={() => setWhy(null)}>
                  leave it
                </button>
              </form>
            )}
          </li>
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
            Read every sentence aloud, and ask once more whether anything else should change.
            {sum > 0 && ` All together ${sum.toFixed(2)}.`}
          </p>
          <div className="fields">
            <div>
              <label htmlFor="agree-name">Agreed by</label>
              <input
                id="agree-name"
                className="field"
                value={name}
                onChange={(e) => setName(e.target.value)}
              />
            </div>
            <div>
              <label htmlFor="agree-needed">Needed on</label>
              <DateField id="agree-needed" value={neededOn} onChange={setNeededOn} />
            </div>
          </div>
          <div className="row acts">
            <button type="submit" className="take" disabled={isLoading || all === 0 || name.trim() === ''}>
              {ticked.length === open.length && all > 1 ? `Agree all ${all}` : `Agree ${all}`}
            </button>
          </div>
        </form>
      )}
    </>
  );
}

const WORD = { decline: 'Declined', withdraw: 'Withdrawn', 'ask-again': 'Asked again' } as const;
