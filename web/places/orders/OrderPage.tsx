import type { OrderFull, OrderWrite } from '@rocchetto/contract';
import { STATUS_WORD } from '@rocchetto/core/diary/kinds.ts';
import { isCut, STAGE_WORD } from '@rocchetto/core/thread/stage.ts';
import { Upload } from 'antd';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useChangeOrderMutation, useImportSpecMutation, useOrderQuery } from '../../api/orders.ts';
import { DesignPictures } from '../../parts/design/DesignPictures.tsx';
import { OpenQuestions } from '../../parts/design/OpenQuestions.tsx';
import { OrderBench } from '../../parts/promised/OrderBench.tsx';
import { SessionReadings } from '../../parts/readings/SessionReadings.tsx';
import { Thread } from '../../parts/thread/Thread.tsx';
import { Facts } from '../../shared/Facts.tsx';
import { useDays, useMay, useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import { useVersionedSave } from '../../shared/useVersionedSave.tsx';
import { briefWords } from './brief-words.ts';
import { Cancelled, CancelOrder, mayBeCancelled } from './Cancelling.tsx';
import { GarmentsOfOrder } from './GarmentsOfOrder.tsx';
import { HomeLinks } from './HomeLinks.tsx';
import { Money } from './Money.tsx';
import { OrderForm } from './OrderForm.tsx';

const LABELS = {
  what: 'What',
  occasion: 'Occasion',
  wornOn: 'Worn on',
  dueOn: 'Due',
  responsibleId: 'Responsible',
};

export function Component() {
  const id = Number(useParams().id);
  const { data: order, error, refetch } = useOrderQuery(id);
  const [change, changing] = useChangeOrderMutation();
  const { editing, version, edit, leave, save, problem } = useVersionedSave<OrderWrite>({
    now: order?.version ?? 0,
    send: (w, onTop) => change({ id, version: onTop, ...w }),
    state: changing,
    labels: LABELS,
    refetch,
  });
  const [mayWrite, mayMeasure, mayBrief] = [
    useMay('order.write'),
    useMay('session.write'),
    useMay('sheet.write'),
  ];
  const mayBook = useMay('diary.write');
  const mayPrice = useMay('money.read');
  const { unit } = useMe();
  const { long } = useDays();
  const [cancelling, setCancelling] = useState(false);
  if (!order) return <Place title="Order" waiting={{ what: 'the order', error, again: refetch }} />;
  const made = (order.brief?.parts.length ?? 0) > 0;
  return (
    <Place
      title={`${order.number} ${order.what}`}
      thread={<Thread order={order} here="" />}
      margin={<Margin order={order} mayBrief={mayBrief} mayAsk={mayWrite && made} />}
    >
      <p className="soft">Order {order.number}</p>
      <h1>{order.what}</h1>
      <Cancelled order={order} may={mayWrite} />
      {editing ? (
        <>
          {problem}
          <OrderForm
            start={order}
            clientName={order.clientName}
            mayMove={
              (order.stage === 'asked' || order.stage === 'brief') &&
              order.sessions.length + order.appointments.length + order.alterations.all === 0 &&
              order.garments.length < 2
            }
            busy={changing.isLoading}
            saveWord="Save"
            onSave={(w) => save(w, version)}
          />
          <ActionButton look="quiet" onClick={leave}>
            Cancel
          </ActionButton>
        </>
      ) : (
        <>
          <Facts
            facts={[
              [
                'Client',
                <Link key="client" to={`/clients/${order.clientId}`}>
                  {order.clientName}
                </Link>,
              ],
              ['Occasion', order.occasion || '—'],
              ['Worn', long(order.wornOn)],
              ['Due', long(order.dueOn)],
              ['Responsible', order.responsible ?? 'unassigned'],
              ['Status', STAGE_WORD[order.stage]],
            ]}
          />
          <div className="row acts">
            <Next order={order} mayMeasure={mayMeasure} mayBrief={mayBrief} />
            {mayWrite && (
              <ActionButton look="plain" onClick={edit}>
                Edit order
              </ActionButton>
            )}
            {mayWrite && mayBeCancelled(order) && !cancelling && (
              <ActionButton look="plain" onClick={() => setCancelling(true)}>
                Cancel order …
              </ActionButton>
            )}
            <Link to={`/orders/${order.id}/plan`}>Plan</Link>
            {mayPrice && made && <Link to={`/orders/${order.id}/estimate`}>Estimate</Link>}
            {mayBook && <Link to={`/diary/book?order=${order.id}`}>Book a fitting</Link>}
            <Link to={`/orders/${order.id}/fitting`}>Fittings and alterations</Link>
            <Link to={`/orders/${order.id}/flat`}>Measure a garment flat</Link>
            {mayMeasure && made && <Link to={`/orders/${order.id}/pattern`}>Choose a pattern size</Link>}
          </div>
        </>
      )}
      {cancelling && <CancelOrder order={order} onDone={() => setCancelling(false)} />}
      <GarmentsOfOrder order={order} mayWrite={mayWrite} />
      <h2>Brief</h2>
      {order.brief ? (
        <Facts facts={briefWords(order.brief, unit)} />
      ) : (
        <p className="soft">
          No brief yet. It says what is made and how, what it is worn over and with which shoes.
        </p>
      )}
      {mayBrief && !made && order.brief && <p className="soft">This garment has no parts to draft.</p>}
      <DesignPictures orderId={order.id} look />
      <OrderBench order={order} />
      {mayWrite && <Money orderId={order.id} />}
    </Place>
  );
}

function Margin({ order, mayBrief, mayAsk }: { order: OrderFull; mayBrief: boolean; mayAsk: boolean }) {
  const { short } = useDays();
  return (
    <>
      {order.minor && (
        <section>
          <h2>Take care</h2>
          <p>
            The client is a minor: {order.guardian || 'a guardian'} is present at every measuring and fitting.
          </p>
        </section>
      )}
      <OpenQuestions orderId={order.id} />
      {order.appointments.length > 0 && (
        <section>
          <h2>Appointments</h2>
          <ul className="why">
            {order.appointments.map((a) => (
              <li key={a.id}>
                <Link to={`/diary?day=${a.day}&a=${a.id}`}>
                  {short(a.day)}, {a.time}
                </Link>
                : {a.kindName}
                {a.status !== 'confirmed' && `, ${STATUS_WORD[a.status]}`}
              </li>
            ))}
          </ul>
        </section>
      )}
      <section>
        <h2>Sheets</h2>
        {order.sheets.length === 0 ? (
          <p className="soft">No sheet yet.</p>
        ) : (
          <ul className="why">
            {order.sheets.map((s) => (
              <li key={s.revision}>
                <Link to={`/orders/${order.id}/sheet?revision=${s.revision}`}>Revision {s.revision}</Link>:{' '}
                {s.agreedAt ? `agreed ${short(s.agreedAt)}` : 'draft'}
                {s.cutAt ? `, cut ${short(s.cutAt)}` : ''}
              </li>
            ))}
          </ul>
        )}
      </section>
      {order.sessions.length > 0 && (
        <section>
          <h2>Measured</h2>
          {order.sessions.map((s) => (
            <SessionReadings key={s.id} session={s} />
          ))}
        </section>
      )}
      {mayAsk && !isCut(order.stage) && order.stage !== 'cancelled' && (
        <HomeLinks orderId={order.id} client={order.clientName} />
      )}
      {mayBrief && !isCut(order.stage) && order.stage !== 'cancelled' && <Import id={order.id} />}
    </>
  );
}

/** The one thing this order needs next. */
function Next({ order, mayMeasure, mayBrief }: { order: OrderFull; mayMeasure: boolean; mayBrief: boolean }) {
  const base = `/orders/${order.id}`;
  const made = (order.brief?.parts.length ?? 0) > 0;
  const [to, word] =
    !order.brief && mayBrief
      ? [`${base}/brief`, 'Write brief']
      : !made
        ? ['', '']
        : order.stage === 'brief' && mayMeasure
          ? [`${base}/measure`, 'Measure']
          : [`${base}/sheet`, 'Open the sheet'];
  return to ? (
    <Link className="take" to={to}>
      {word}
    </Link>
  ) : null;
}

/** A spec or sheet file laid into this order. */
function Import({ id }: { id: number }) {
  const [send, { error, isLoading }] = useImportSpecMutation();
  const [wrong, setWrong] = useState('');
  const navigate = useNavigate();
  const take = async (file: File) => {
    setWrong('');
    let spec: unknown;
    try {
      spec = JSON.parse(await file.text());
    } catch {
      setWrong(`${file.name} is not a JSON file. Nothing was changed.`);
      return;
    }
    const done = await send({ id, spec });
    if ('data' in done) navigate(`/orders/${id}/sheet`);
  };
  return (
    <section>
      <h2>Import from a file</h2>
      <p className="soft">
        A spec or sheet file (JSON) brings its brief, measurements and rules into this order.
      </p>
      {wrong && <Notice tone="bad">{wrong}</Notice>}
      <Problem error={error} />
      <Upload
        accept=".json,application/json"
        showUploadList={false}
        beforeUpload={(file) => {
          void take(file);
          return false;
        }}
      >
        <ActionButton look="plain" busy={isLoading}>
          Choose file
        </ActionButton>
      </Upload>
    </section>
  );
}
