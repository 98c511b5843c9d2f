import { formatSentence } from '@rocchetto/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { useStepMutation } from '../../api/alterations.ts';
import { useProposalQuery } from '../../api/bench.ts';
import { keepTogether } from '../../shared/keepTogether.ts';
import { useDays } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, Tick } from '../../shared/pieces.tsx';

/** Who could do what in the days ahead, each with its reason; taken whole or in part, never by itself. */
export function WeekProposal({ onDone }: { onDone: () => void }) {
  const { data, error, refetch } = useProposalQuery();
  const [step, giving] = useStepMutation();
  const [not, setNot] = useState<ReadonlySet<number>>(new Set());
  const { short } = useDays();
  if (!data)
    return error ? <Problem error={error} again={refetch} /> : <p role="status">Working out the days …</p>;
  const taken = data.placed.filter((p) => !not.has(p.id));
  const give = async () => {
    for (const p of taken) {
      const { id, orderId, version, staffId, day, minutes } = p;
      const done = await step({
        id,
        orderId,
        version,
        step: { step: 'assign', staffId, day, minutes, note: '' },
      });
      if (!('data' in done)) return;
    }
    onDone();
  };
  return (
    <section className="slip" aria-label="Suggested week">
      <h2>Suggested week</h2>
      {data.placed.length + data.left.length === 0 && (
        <p className="soft">Every agreed job already has a day.</p>
      )}
      <Problem error={giving.error} />
      <ul className="jobs">
        {data.placed.map((p) => (
          <li key={p.id}>
            <label>
              <Tick
                checked={!not.has(p.id)}
                onChange={(e) => {
                  const next = new Set(not);
                  if (e.target.checked) next.delete(p.id);
                  else next.add(p.id);
                  setNot(next);
                }}
              />{' '}
              <strong>
                {short(p.day)}, {p.staffName}
              </strong>
              : {keepTogether(formatSentence(p.sentence, p.unit))}
            </label>
            <div className="soft">
              {p.orderNumber}, {p.clientName}; {p.why}
            </div>
          </li>
        ))}
        {data.left.map((p) => (
          <li key={p.id}>
            <Link to={`/orders/${p.orderId}/alterations/${p.id}`}>
              {keepTogether(formatSentence(p.sentence, p.unit))}
            </Link>
            <div className="tight">
              {p.orderNumber}, {p.clientName}: {p.why}
            </div>
          </li>
        ))}
      </ul>
      <div className="row acts">
        <ActionButton
          look="take"
          disabled={taken.length === 0 || giving.isLoading}
          onClick={() => void give()}
        >
          {taken.length === data.placed.length ? 'Assign all' : `Assign these ${taken.length}`}
        </ActionButton>
        <ActionButton look="quiet" onClick={onDone}>
          Cancel
        </ActionButton>
      </div>
    </section>
  );
}
