import type { MoneyView, MoneyWrite } from '@rocchetto/contract';
import { readMoney } from '@rocchetto/core/units/money.ts';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, change } from '../../api/base.ts';
import { clearUnlessChanged } from '../../shared/clear-unless-changed.ts';
import { useDays } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, Ledger, SelectField, TextField } from '../../shared/pieces.tsx';
import { usePrice } from '../../shared/usePrice.ts';

type Of = { readonly orderId: number };
const money = api.injectEndpoints({
  endpoints: (b) => ({
    money: b.query<MoneyView, number>({
      query: (orderId) => `/orders/${orderId}/money`,
      providesTags: (_, __, id) => [{ type: 'Alterations', id }],
    }),
    noteMoney: b.mutation<object, Of & MoneyWrite>({
      query: ({ orderId, ...body }) => change(`/orders/${orderId}/money`, 'POST', body),
      invalidatesTags: (_, error, { orderId }) => (error ? [] : [{ type: 'Alterations', id: orderId }]),
    }),
    takeMoneyBack: b.mutation<object, Of & { id: number }>({
      query: ({ id }) => change(`/money/${id}`, 'DELETE'),
      invalidatesTags: (_, error, { orderId }) => (error ? [] : [{ type: 'Alterations', id: orderId }]),
    }),
  }),
});

const IS: Readonly<Record<MoneyWrite['is'], string>> = {
  price: 'price',
  received: 'received',
  'given-back': 'given back',
};

/** Prices, deposits and what is still open: noted by hand, nothing is paid through this program. */
export function Money({ orderId }: Of) {
  const { data, error, refetch } = money.useMoneyQuery(orderId);
  const [note, noting] = money.useNoteMoneyMutation();
  const [take, taking] = money.useTakeMoneyBackMutation();
  const { short } = useDays();
  const price = usePrice();
  const [is, setIs] = useState<MoneyWrite['is']>('received');
  const [amount, setAmount] = useState('');
  const [words, setWords] = useState('');
  if (!data) return <Problem error={error} again={refetch} />;
  const sum = readMoney(amount);
  return (
    <section aria-label="Money">
      <h2>Money</h2>
      {data.noted.length + data.alterations.length === 0 && !data.estimate ? (
        <p className="soft">
          No prices or payments yet. An estimate that is agreed and prices agreed with alterations are added
          here automatically.
        </p>
      ) : (
        <Ledger className="figures money">
          <tbody>
            {data.estimate && (
              <tr>
                <td>
                  <Link to={`/orders/${orderId}/estimate`}>estimate {data.estimate.revision}</Link>, agreed
                </td>
                <td>{price(data.estimate.price)}</td>
                <td />
              </tr>
            )}
            {data.alterations.map((a) => (
              <tr key={a.sentence}>
                <td>{a.sentence}</td>
                <td>{price(a.price)}</td>
                <td />
              </tr>
            ))}
            {data.noted.map((m) => (
              <tr key={m.id}>
                <td>
                  {IS[m.is]}
                  {m.words && `, ${m.words}`}{' '}
                  <span className="soft">
                    {short(m.at)}, {m.by}
                  </span>
                </td>
                <td>
                  {m.is === 'received' ? '−' : ''}
                  {price(m.amount)}
                </td>
                <td>
                  <ActionButton
                    look="quiet"
                    aria-label={`Remove: ${IS[m.is]} ${price(m.amount)}`}
                    onClick={() => void take({ id: m.id, orderId })}
                  >
                    Remove
                  </ActionButton>
                </td>
              </tr>
            ))}
          </tbody>
          <tfoot>
            <tr>
              <th scope="row">{data.open < 0 ? 'In credit' : data.open === 0 ? 'Paid' : 'To pay'}</th>
              <td>
                <strong>{price(Math.abs(data.open))}</strong>
              </td>
              <td />
            </tr>
          </tfoot>
        </Ledger>
      )}
      {data.estimate && data.noted.some((m) => m.is === 'price') && (
        <Notice>
          A price that was written by hand stands beside the agreed estimate. Both count: remove the price if
          it is the same.
        </Notice>
      )}
      <Problem error={noting.error ?? taking.error} />
      <form
        className="row noprint"
        aria-label="Add price or payment"
        onSubmit={async (e) => {
          e.preventDefault();
          if (!sum.ok || !sum.amount) return;
          if ('data' in (await note({ orderId, is, amount: sum.amount, words }))) {
            setAmount(clearUnlessChanged(amount, ''));
            setWords(clearUnlessChanged(words, ''));
          }
        }}
      >
        <SelectField aria-label="Type" value={is} onChange={(e) => setIs(e.target.value as MoneyWrite['is'])}>
          {Object.entries(IS).map(([id, word]) => (
            <option key={id} value={id}>
              {word}
            </option>
          ))}
        </SelectField>
        <TextField
          className="short"
          aria-label="Amount"
          inputMode="decimal"
          placeholder="0.00"
          value={amount}
          aria-invalid={!sum.ok}
          aria-describedby={sum.ok ? undefined : 'amount-wrong'}
          onChange={(e) => setAmount(e.target.value)}
        />
        <TextField
          className="grow"
          aria-label="For"
          placeholder="e.g. deposit"
          maxLength={200}
          value={words}
          onChange={(e) => setWords(e.target.value)}
        />
        {!sum.ok && (
          <p id="amount-wrong" className="wrong">
            {sum.sentence}
          </p>
        )}
        <ActionButton look="plain" type="submit" disabled={!sum.ok || !sum.amount || noting.isLoading}>
          Save entry
        </ActionButton>
      </form>
    </section>
  );
}
