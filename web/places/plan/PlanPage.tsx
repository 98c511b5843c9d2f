import './plan.css';
import type { PlanView } from '@rocchetto/contract/plan.ts';
import { hoursWord } from '@rocchetto/core/diary/load.ts';
import { isClosed } from '@rocchetto/core/thread/stage.ts';
import { Link, useParams } from 'react-router';
import { useOrderQuery } from '../../api/orders.ts';
import { usePlanQuery } from '../../api/plan.ts';
import { Thread } from '../../parts/thread/Thread.tsx';
import { keepTogether } from '../../shared/keepTogether.ts';
import { useMay } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place, Waiting } from '../../shared/Place.tsx';
import { ChoicesForm } from './ChoicesForm.tsx';
import { PlanThread } from './PlanThread.tsx';
import { Steps } from './Steps.tsx';

/** What can be promised of an order: back from the day it is worn, and forwards from today. */
export function Component() {
  const id = Number(useParams().id);
  const { data: order, error: missing, refetch: again } = useOrderQuery(id);
  const { data: plan, error, refetch } = usePlanQuery(id);
  const may = useMay('bench.write');
  if (!order) return <Place title="Plan" waiting={{ what: 'the order', error: missing, again }} />;
  const closed = isClosed(order.stage);
  return (
    <Place
      title="Plan"
      thread={<Thread order={order} here="plan" />}
      margin={plan && !closed && <ChoicesForm id={id} plan={plan} may={may} />}
    >
      <p className="soft noprint">
        <Link to={`/orders/${id}`}>Order {order.number}</Link>, <Link to={`/orders/${id}/sheet`}>sheet</Link>,{' '}
        <Link to="/promises">all promises</Link>
      </p>
      <h1>
        Plan
        <span className="plan-paper">
          {' '}
          of order {order.number}, {order.what}, {order.clientName}
        </span>
      </h1>
      {closed ? (
        <Notice>
          This order is {order.stage === 'cancelled' ? 'cancelled' : 'handed over'}: nothing is left to plan.
        </Notice>
      ) : plan ? (
        <>
          <Answer plan={plan} />
          {plan.once && <Once visit={plan.once} />}
          <PlanThread plan={plan} />
          <Steps id={id} plan={plan} may={may} />
        </>
      ) : (
        <Waiting what="the plan" error={error} again={refetch} />
      )}
    </Place>
  );
}

function Answer({ plan }: { plan: PlanView }) {
  const [first, ...rest] = plan.says;
  return (
    <section aria-label="Answer" className="plan-answer" data-holds={plan.holds}>
      <p className="plan-says">{keepTogether(first ?? '')}</p>
      {rest.map((s) => (
        <p key={s}>{keepTogether(s)}</p>
      ))}
      <details className="plan-sure">
        <summary>How sure is this?</summary>
        <p>{keepTogether(plan.sure.says)}</p>
        <ul>
          {plan.sure.past.map((p) => (
            <li key={p}>{p}</li>
          ))}
        </ul>
      </details>
      {plan.would.length > 0 && (
        <div className="plan-would">
          <h2>{plan.holds === 'yes' ? 'What would help' : 'What would make it possible'}</h2>
          <ul>
            {plan.would.map((w) => (
              <li key={w.id}>{keepTogether(w.says)}</li>
            ))}
          </ul>
          <p className="soft">Each is worked out by itself. Nothing of it is done.</p>
        </div>
      )}
    </section>
  );
}

/** The one fitting there is: what it settles, in order, and what that risks. */
function Once({ visit }: { visit: NonNullable<PlanView['once']> }) {
  const parts = [
    ['Ready before', visit.before],
    ['Decided without the client', visit.decided],
    ['The risk', visit.risk],
  ] as const;
  return (
    <section aria-labelledby="plan-once">
      <h2 id="plan-once">One fitting settles all, {hoursWord(visit.minutes)}</h2>
      <ol>
        {visit.settle.map((s) => (
          <li key={s.what}>
            {s.what}, {hoursWord(s.minutes)}
          </li>
        ))}
      </ol>
      {parts.map(([title, lines]) => (
        <div key={title}>
          <h3>{title}</h3>
          <ul>
            {lines.map((l) => (
              <li key={l}>{keepTogether(l)}</li>
            ))}
          </ul>
        </div>
      ))}
    </section>
  );
}
