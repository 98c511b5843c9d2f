import './what-if.css';
import type { OrderFull, SheetView } from '@rocchetto/contract';
// How agreed changes are taken into a sheet, so that one with changes can be worked out here.
import '@rocchetto/contract/carried.ts';
import { toSheetInput, unitOf } from '@rocchetto/contract/to-core.ts';
import { doubtsOf, nameOfTried, suppose, type WhatIf } from '@rocchetto/contract/what-if.ts';
import { computeSheet, readLength, withUnit } from '@rocchetto/core';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useOrderQuery } from '../../api/orders.ts';
import { useSheetQuery } from '../../api/sheets.ts';
import { usePartsOf } from '../../parts/garment/usePartsOf.ts';
import { Thread } from '../../parts/thread/Thread.tsx';
import { ClientMoves } from '../../parts/would-move/ClientMoves.tsx';
import { Notice } from '../../shared/Notice.tsx';
import { Place, Waiting } from '../../shared/Place.tsx';
import { useSettled } from '../../shared/useSettled.ts';
import { IntoBrief } from './IntoBrief.tsx';
import { Outcome } from './Outcome.tsx';
import { Tries } from './Tries.tsx';
import { addressOf, triedIn, tryables } from './tries.ts';

/** A sheet as it would be: something is changed and seen, and nothing is kept. */
export function Component() {
  const id = Number(useParams().id);
  const { data: order, error: missing, refetch: again } = useOrderQuery(id);
  const { data: view, error, refetch } = useSheetQuery({ id, revision: null });
  const parts = usePartsOf((view?.spec.garment.parts ?? []).map((p) => p.part));
  if (!order) return <Place title="Try changes" waiting={{ what: 'the order', error: missing, again }} />;
  const thread = <Thread order={order} sheet={view} here="sheet" />;
  return (
    <Place
      title="Try changes"
      thread={thread}
      margin={
        view?.sessionId &&
        view.spec.readings.length > 0 && <Others order={order} sessionId={view.sessionId} />
      }
    >
      <p className="soft">
        <Link to={`/orders/${id}/sheet`}>Sheet {order.number}</Link>
      </p>
      <h1>Try changes on the sheet</h1>
      {!view || !parts.there ? (
        <Waiting what="the sheet" error={view ? parts.error : error} again={view ? parts.again : refetch} />
      ) : view.spec.readings.length === 0 ? (
        <Notice>Changes can be tried once the order has measurements that you may read.</Notice>
      ) : (
        <Trying view={view} order={order} />
      )}
    </Place>
  );
}

/** What a tried reading would move in the client's other orders that are made from the same measuring. */
function Others({ order, sessionId }: { order: OrderFull; sessionId: string }) {
  const [params] = useSearchParams();
  const { data: view } = useSheetQuery({ id: order.id, revision: null });
  const unit = view ? unitOf(view.spec) : 'cm';
  // As the address has it: it follows once the hand rests.
  const readings = triedIn(params).flatMap(({ what, of, value }) => {
    const read = readLength(value, unit);
    return what === 'reading' && read.ok ? [{ measure: of, value: withUnit(value, unit)! }] : [];
  });
  return (
    <section>
      <h2>Other open orders</h2>
      {readings.length === 0 ? (
        <p className="soft">
          When a reading is tried, the client’s other open orders made from the same measuring are looked at
          too.
        </p>
      ) : (
        <ClientMoves clientId={order.clientId} sessionId={sessionId} readings={readings} except={order.id} />
      )}
    </section>
  );
}

function Trying({ view, order }: { view: SheetView; order: OrderFull }) {
  const [params, setParams] = useSearchParams();
  const unit = unitOf(view.spec);
  const before = useMemo(() => computeSheet(toSheetInput(view.spec)), [view]);
  const all = useMemo(() => tryables(view.spec, before, unit), [view, before, unit]);
  // What an address names that this sheet knows nothing of is left out.
  const [tried, setTried] = useState<readonly WhatIf[]>(() =>
    triedIn(params).filter((t) => all.some((a) => a.name === nameOfTried(t))),
  );
  // What is typed stands in its field at once; what it would move follows.
  const late = useDeferredValue(tried);
  const { spec, refused } = useMemo(() => suppose(view.spec, late, unit), [view, late, unit]);
  const doubts = useMemo(() => doubtsOf(spec, late, unit), [spec, late, unit]);
  const after = useMemo(
    () => (spec === view.spec ? before : computeSheet(toSheetInput(spec))),
    [spec, view, before],
  );
  const settled = useSettled(addressOf(tried).toString(), 400);
  useEffect(() => {
    setParams(settled, { replace: true });
  }, [settled, setParams]);
  return (
    <>
      {view.status !== 'draft' && (
        <Notice>
          Revision {view.revision} is {view.status}. It keeps what was agreed, whatever is tried here.
        </Notice>
      )}
      <Tries all={all} tried={tried} refused={refused} doubts={doubts} unit={unit} onTry={setTried} />
      <IntoBrief
        order={order}
        tried={tried}
        refused={refused}
        unit={unit}
        agreed={view.status !== 'draft'}
        onWritten={setTried}
      />
      <Outcome before={before} after={after} trying={spec !== view.spec} unit={unit} />
    </>
  );
}
