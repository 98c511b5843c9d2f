import type { LeavingView } from '@rocchetto/contract';
import { TREATMENTS, type Treatment } from '@rocchetto/core/care/fibres.ts';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, change } from '../../api/base.ts';
import { useDays, useMay } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, TextField } from '../../shared/pieces.tsx';

type Of = { readonly orderId: number };
const leaving = api.injectEndpoints({
  endpoints: (b) => ({
    leaving: b.query<LeavingView, number>({
      query: (orderId) => `/orders/${orderId}/leaving`,
      providesTags: (_, __, id) => [{ type: 'Alterations', id }, { type: 'Order', id }, 'Diary'],
    }),
    rack: b.mutation<object, Of & { rack: string }>({
      query: ({ orderId, ...body }) => change(`/orders/${orderId}/rack`, 'PUT', body),
      invalidatesTags: (_, error, { orderId }) => (error ? [] : [{ type: 'Alterations', id: orderId }]),
    }),
    care: b.mutation<object, Of & { lines: Partial<Record<Treatment, string>> }>({
      query: ({ orderId, ...body }) => change(`/orders/${orderId}/care`, 'PUT', body),
      invalidatesTags: (_, error, { orderId }) => (error ? [] : [{ type: 'Alterations', id: orderId }]),
    }),
  }),
});

/** The care of the garment, with why; where it hangs, and when it is fetched. */
export function Care({ orderId }: Of) {
  const { data, error, refetch } = leaving.useLeavingQuery(orderId);
  const [write, writing] = leaving.useCareMutation();
  const [put, putting] = leaving.useRackMutation();
  const [mayWord, mayPut] = [useMay('alter.accept'), useMay('alter.work')];
  const { long } = useDays();
  const [words, setWords] = useState<Partial<Record<Treatment, string>> | null>(null);
  const [rack, setRack] = useState<string | null>(null);
  if (!data) return <Problem error={error} again={refetch} />;
  return (
    <>
      <h2>Care and rail</h2>
      <Problem error={writing.error ?? putting.error} />
      <dl className="facts">
        {data.care.map((l) => (
          <div key={l.treatment} className="fact">
            <dt>{l.treatment}</dt>
            <dd>
              {words === null ? (
                <>
                  {l.says || '—'} <span className="soft">{l.because}</span>
                </>
              ) : (
                <TextField
                  className="grow"
                  aria-label={l.treatment}
                  maxLength={200}
                  placeholder={data.own[l.treatment] === undefined ? l.says : ''}
                  value={words[l.treatment] ?? ''}
                  onChange={(e) => setWords({ ...words, [l.treatment]: e.target.value })}
                />
              )}
            </dd>
          </div>
        ))}
      </dl>
      {mayWord && (
        <div className="row acts">
          {words === null ? (
            <ActionButton look="quiet" onClick={() => setWords({ ...data.own })}>
              Edit care text
            </ActionButton>
          ) : (
            <>
              <ActionButton
                look="plain"
                busy={writing.isLoading}
                onClick={async () => {
                  const lines = Object.fromEntries(TREATMENTS.map((t) => [t, words[t] ?? '']));
                  if ('data' in (await write({ orderId, lines }))) setWords(null);
                }}
              >
                Save care text
              </ActionButton>
              <ActionButton look="quiet" onClick={() => setWords(null)}>
                Cancel
              </ActionButton>
            </>
          )}
        </div>
      )}
      <form
        className="row"
        aria-label="Rail"
        onSubmit={async (e) => {
          e.preventDefault();
          if ('data' in (await put({ orderId, rack: rack ?? '' }))) setRack(null);
        }}
      >
        <label htmlFor="rack">Hangs at</label>
        <TextField
          id="rack"
          maxLength={60}
          placeholder="e.g. rail 2, left"
          disabled={!mayPut}
          value={rack ?? data.rack}
          onChange={(e) => setRack(e.target.value)}
        />
        {rack !== null && rack !== data.rack && (
          <ActionButton look="plain" type="submit" busy={putting.isLoading}>
            Save place
          </ActionButton>
        )}
        <span className="soft">
          {data.fetchedAt ? (
            <>
              Next: {data.fetchedKind}, {long(data.fetchedAt)}.
            </>
          ) : (
            <>
              No collection booked. <Link to={`/diary/book?order=${orderId}`}>Book collection</Link>
            </>
          )}
        </span>
      </form>
    </>
  );
}
