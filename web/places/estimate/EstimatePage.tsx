import { ActionButton } from '../../shared/pieces.tsx';
import '../../shared/forms.css';
import './estimate.css';
import { EstimateChoices, type EstimateView } from '@rocchetto/contract/estimate.ts';
import { sentencesOf } from '@rocchetto/contract/problems.ts';
import { hoursWord } from '@rocchetto/core/diary/load.ts';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { useEstimateQuery, usePriceEstimateMutation } from '../../api/estimate.ts';
import { useOrderQuery } from '../../api/orders.ts';
import { Thread } from '../../parts/thread/Thread.tsx';
import { keepTogether } from '../../shared/keepTogether.ts';
import { useMay } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place, Waiting } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { problemOf } from '../../shared/problem-of.ts';
import { usePrice } from '../../shared/usePrice.ts';
import { Kept } from './Kept.tsx';
import { Lines } from './Lines.tsx';
import { PriceTape } from './PriceTape.tsx';
import { Terms } from './Terms.tsx';
import { choicesIn, type Texts, textsOf } from './texts.ts';

/** What an order would cost: its work by the house's rates, cloth, notions, and what nobody can count. */
export function Component() {
  const id = Number(useParams().id);
  const { data: order, error: missing, refetch: again } = useOrderQuery(id);
  const { data: view, error, refetch } = useEstimateQuery(id);
  if (!order) return <Place title="Estimate" waiting={{ what: 'the order', error: missing, again }} />;
  return (
    <Place
      title="Estimate"
      thread={<Thread order={order} here="estimate" />}
      margin={view && !view.none && <Kept orderId={id} view={view} />}
    >
      <p className="soft noprint">
        <Link to={`/orders/${id}`}>Order {order.number}</Link>, <Link to={`/orders/${id}/plan`}>plan</Link>,{' '}
        <Link to={`/orders/${id}/cloth`}>cloth</Link>
      </p>
      <h1>Estimate</h1>
      {!view ? (
        <Waiting what="the estimate" error={error} again={refetch} />
      ) : view.none ? (
        <Notice>{view.none}</Notice>
      ) : (
        <Priced orderId={id} view={view} />
      )}
    </Place>
  );
}

function Priced({ orderId, view }: { orderId: number; view: EstimateView }) {
  const may = useMay('order.write');
  const [writing, write] = useState<{ readonly texts: Texts; readonly over: number } | null>(null);
  const [send, sending] = usePriceEstimateMutation();
  const [says, setSays] = useState('');
  const clash = problemOf(sending.error).status === 409 || (writing !== null && writing.over < view.version);
  const leave = () => {
    sending.reset();
    setSays('');
    write(null);
  };
  const save = async (texts: Texts) => {
    const read = choicesIn(texts);
    if ('wrong' in read) return setSays(read.wrong);
    const parsed = EstimateChoices.safeParse(read.choices);
    if (!parsed.success) return setSays(sentencesOf(parsed.error)[0]!);
    setSays('');
    const done = await send({ orderId, version: view.version, choices: parsed.data });
    if ('data' in done) leave();
  };
  const edit = writing && {
    texts: writing.texts,
    set: (more: Partial<Texts>) => write({ ...writing, texts: { ...writing.texts, ...more } }),
  };
  return (
    <form
      aria-label="Prices"
      onSubmit={(e) => {
        e.preventDefault();
        if (writing) void save(writing.texts);
      }}
    >
      <Price view={view} />
      <PriceTape estimate={view.estimate} />
      {clash ? (
        <Notice tone="bad">
          Someone else changed these prices. Yours are still here and not saved; save them to put them over
          theirs, or cancel to see theirs.
        </Notice>
      ) : (
        <Problem error={sending.error} />
      )}
      {says && <Notice tone="bad">{says}</Notice>}
      {may && (
        <div className="row acts">
          {writing ? (
            <>
              <ActionButton look="take" type="submit" busy={sending.isLoading}>
                Save prices
              </ActionButton>
              <ActionButton look="quiet" onClick={leave}>
                Cancel
              </ActionButton>
            </>
          ) : (
            <ActionButton look="plain" onClick={() => write({ texts: textsOf(view), over: view.version })}>
              Edit prices
            </ActionButton>
          )}
          <Link to="/house/bench">Rates of the studio</Link>
          <a href={`/api/orders/${orderId}/estimate.pdf`} target="_blank" rel="noreferrer">
            Print for the client
          </a>
          <a href={`/api/orders/${orderId}/estimate.pdf?detail=1`} target="_blank" rel="noreferrer">
            Print in detail
          </a>
        </div>
      )}
      {edit && <Terms edit={edit} />}
      <Lines view={view} edit={edit} />
      {edit && (
        <ActionButton look="take" type="submit" busy={sending.isLoading}>
          Save prices
        </ActionButton>
      )}
      <Without view={view} />
    </form>
  );
}

/** The answer first: what is asked, what it is for, and when it is paid. */
function Price({ view: { estimate: e, money } }: { view: EstimateView }) {
  const price = usePrice();
  if (e.asked === null)
    return (
      <p className="estimate-price" data-none>
        No price yet: the studio has set no rates, and nothing here has a price.
      </p>
    );
  const paid = money.received > 0 ? `; ${price(money.received)} received so far` : '';
  return (
    <section aria-label="Price">
      <p className="estimate-price">
        <strong>{price(e.asked)}</strong> for {hoursWord(e.minutes)} of work
        {e.sums.length > 1 ? ' and what it is made of' : ''}
      </p>
      <p>
        {e.deposit
          ? keepTogether(
              `${price(e.deposit)} to begin with, ${price(e.balance ?? 0)} when it is fetched${paid}.`,
            )
          : keepTogether(`No deposit is asked for${paid}.`)}
        {e.moved?.how === 'set' &&
          e.total !== null &&
          ` The price was set by hand; reckoned it comes to ${price(e.total)}.`}
        {e.moved?.how === 'rounded' && e.total !== null && ` Reckoned it is ${price(e.total)}, rounded up.`}
      </p>
    </section>
  );
}

/** What is not in it, and what it would be made another way. */
function Without({ view: { estimate, would } }: { view: EstimateView }) {
  const price = usePrice();
  return (
    <>
      <section aria-labelledby="estimate-leaves">
        <h2 id="estimate-leaves">Not in it</h2>
        <ul>
          {estimate.leaves.map((l) => (
            <li key={l}>{keepTogether(l)}</li>
          ))}
        </ul>
      </section>
      {would.length > 0 && (
        <section aria-labelledby="estimate-would">
          <h2 id="estimate-would">Made another way</h2>
          <ul>
            {would.map((w) => (
              <li key={w.says}>
                {w.says}: {price(w.asked)}
              </li>
            ))}
          </ul>
          <p className="soft">Each is reckoned by itself. How it is made is chosen in the plan.</p>
        </section>
      )}
    </>
  );
}
