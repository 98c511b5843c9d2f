import '../../parts/tape/tape.css';
import type { OrderFull } from '@rocchetto/contract';
import { measure as measureOf } from '@rocchetto/core';
import { guideOf } from '@rocchetto/core/measures/guide/guide.ts';
import { Button } from 'antd';
import { Link, useParams } from 'react-router';
import { useOrderQuery } from '../../api/orders.ts';
import { TapeFigure } from '../../parts/tape/TapeFigure.tsx';
import { Thread } from '../../parts/thread/Thread.tsx';
import { useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';
import { Ribbon } from './Ribbon.tsx';
import { SessionStart } from './SessionStart.tsx';
import { TakenReadings } from './Taken.tsx';
import { TapeField } from './TapeField.tsx';
import { TapeKeys } from './TapeKeys.tsx';
import { TapingMargin } from './TapingMargin.tsx';
import { type Session, useCurrentSession } from './useSession.ts';
import { useTaping } from './useTaping.ts';

export function Component() {
  const id = Number(useParams().id);
  const { data: order, error, refetch } = useOrderQuery(id);
  const me = useMe();
  const { session, looked, begin, anew } = useCurrentSession(order, me.id);
  if (!order) return <Place title="Measure" waiting={{ what: 'the order', error, again: refetch }} />;
  const thread = <Thread order={order} here="measured" />;
  if (!order.brief || order.brief.parts.length === 0)
    return (
      <Place title="Measure" thread={thread}>
        <h1>Brief first</h1>
        <p>
          The brief decides which measurements this order needs.{' '}
          <Link to={`/orders/${id}/brief`}>Write brief</Link>
        </p>
      </Place>
    );
  if (session) return <Taping key={session.id} order={order} session={session} onAnew={anew} />;
  return (
    <Place title="Measure" thread={thread}>
      {looked ? (
        <>
          <h1>Measuring {order.clientName}</h1>
          <p className="soft">
            The client stands upright, weight even, eyes ahead. Mark the waist with a cord first. The client
            may decline any measurement.
          </p>
          <SessionStart order={order} onBegin={(s) => void begin(s)} />
        </>
      ) : (
        <p className="soft">Looking for an unfinished session …</p>
      )}
    </Place>
  );
}

function Taping({ order, session, onAnew }: { order: OrderFull; session: Session; onAnew: () => void }) {
  const taping = useTaping(order, session);
  const { item, unit } = taping;
  const { measure } = item.measured;
  return (
    <Place
      title="Measure"
      thread={<Thread order={order} here="measured" />}
      margin={<TapingMargin order={order} session={session} taping={taping} onAnew={onAnew} />}
    >
      <div className="taping">
        <TapeFigure measure={item.id} name={item.name} ways={taping.ways} />
        <div className="at-tape">
          <h1>
            {item.name}
            {measure.twice && <span title="measured twice"> ★</span>}
          </h1>
          <p className="soft how">
            {guideOf(item.id).how} {taping.says && <strong>{taping.says}</strong>}
          </p>
          <TapeField
            context={{
              measure,
              others: taping.others,
              last: taping.last,
              expected: taping.expected,
              halves: taping.halves,
            }}
            unit={unit}
            setUnit={taping.setUnit}
            tape={measure.kind === 'girth' ? taping.tape : 'snug'}
            setTape={taping.setTape}
            onTake={(t) => void taping.take(t)}
            onNext={taping.forward}
            onBack={taping.back}
            onAgain={taping.again}
            onState={(s) => void taping.mark(s)}
            heard={taping.digital.now}
            onBusy={taping.digital.offer}
          />
          <TakenReadings measured={item.measured} unit={unit} onStrike={taping.strike} />
          {taping.lost && <Notice is="bad">{taping.lost}</Notice>}
          {taping.done && taping.misfit && (
            <Notice>
              <p>{taping.misfit.sentence}</p>
              <button type="button" className="plain" onClick={() => taping.go(taping.misfit!.slip)}>
                Read {measureOf(taping.misfit.slip).name} again
              </button>
            </Notice>
          )}
          {taping.passed > 0 && (
            <p className="soft">
              Only what is needed.{' '}
              <button type="button" className="quiet" onClick={taping.walkAll}>
                Measure the {taping.passed} optional ones too
              </button>
            </p>
          )}
          {taping.done && (
            <p>
              <Button type="primary" onClick={taping.toSheet}>
                Open the sheet
              </Button>
            </p>
          )}
        </div>
        <Ribbon items={taping.items} at={item.id} unit={unit} onGo={taping.go} />
      </div>
      <TapeKeys />
    </Place>
  );
}
