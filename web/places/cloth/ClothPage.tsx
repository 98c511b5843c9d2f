import './cloth.css';
import type { ClothView } from '@rocchetto/contract/cloth-lay.ts';
import { Select } from 'antd';
import { Link, useParams, useSearchParams } from 'react-router';
import { useClothQuery } from '../../api/cloth.ts';
import { useOrderQuery } from '../../api/orders.ts';
import { Thread } from '../../parts/thread/Thread.tsx';
import { Notice } from '../../shared/Notice.tsx';
import { Place, Waiting } from '../../shared/Place.tsx';
import { Laying } from './Laying.tsx';

/** Whether the pieces of a garment lie on the cloth that is there, and how. */
export function Component() {
  const id = Number(useParams().id);
  const [params, setParams] = useSearchParams();
  const { data: order, error: missing, refetch: again } = useOrderQuery(id);
  const { data: view, error, refetch } = useClothQuery(id);
  if (!order) return <Place title="Cloth" waiting={{ what: 'the order', error: missing, again }} />;
  const of = view?.cloths.find((c) => c.of === params.get('of')) ?? view?.cloths[0];
  const thread = <Thread order={order} here="sheet" />;
  const links = (
    <p className="soft noprint">
      <Link to={`/orders/${id}`}>Order {order.number}</Link>, <Link to={`/orders/${id}/sheet`}>sheet</Link>,{' '}
      <Link to={`/orders/${id}/paper-pattern`}>paper pattern</Link>
    </p>
  );
  if (!view || !of)
    return (
      <Place title="Cloth" thread={thread}>
        {links}
        <h1>Cloth</h1>
        {view ? (
          <Notice>
            Nothing can be drafted yet. <Link to={`/orders/${id}/sheet`}>The sheet</Link> says what is
            missing.
          </Notice>
        ) : (
          <Waiting what="the pieces" error={error} again={refetch} />
        )}
      </Place>
    );
  return (
    <Laying key={`${of.of} ${of.panels}`} id={id} cloth={of} thread={thread}>
      {links}
      <div className="cloth-title">
        <h1>Cloth</h1>
        {view.cloths.length > 1 && (
          <Which view={view} cloth={of.of} onSet={(next) => setParams({ of: next }, { replace: true })} />
        )}
      </div>
      {view.status === 'draft' && (
        <p>
          <strong>Draft, revision {view.revision}.</strong> Do not cut before the sheet is agreed.
        </p>
      )}
    </Laying>
  );
}

function Which({ view, cloth, onSet }: { view: ClothView; cloth: string; onSet: (of: string) => void }) {
  return (
    <div>
      <label htmlFor="which-cloth">Which cloth</label>
      <Select
        id="which-cloth"
        value={cloth}
        onChange={onSet}
        options={view.cloths.map((c) => ({ value: c.of, label: c.name }))}
      />
    </div>
  );
}
