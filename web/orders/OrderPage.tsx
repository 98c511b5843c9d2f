import type { BriefWire, OrderFull, OrderWrite } from '@rocchetto/contract';
import { Button, Upload } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useChangeOrderMutation, useImportSpecMutation, useOrderQuery } from '../api/api.ts';
import { useMay } from '../app/me.ts';
import { SessionReadings } from '../clients/SessionReadings.tsx';
import { shortDate } from '../shared/dates.ts';
import { Problem, Waiting } from '../shared/Problem.tsx';
import { useVersionedSave } from '../shared/useVersionedSave.tsx';
import { Thread } from '../thread/Thread.tsx';
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
  const { editing, edit, leave, save, problem } = useVersionedSave<OrderWrite>({
    send: (w, version) => change({ id, version, ...w }),
    state: changing,
    labels: LABELS,
    refetch,
  });
  const [mayWrite, mayMeasure, mayBrief] = [
    useMay('order.write'),
    useMay('session.write'),
    useMay('sheet.write'),
  ];
  useEffect(() => {
    document.title = `${order ? `${order.number} ${order.what}` : 'Order'} · Rocchetto`;
  }, [order]);
  if (!order)
    return (
      <main className="work" id="work">
        <Waiting what="the order" error={error} again={refetch} />
      </main>
    );
  const skirt = (order.brief?.parts.length ?? 0) > 0;
  return (
    <main className="work" id="work">
      <div className="wide">
        <Thread order={order} here="" />
      </div>
      <div>
        <p className="soft">Order {order.number}</p>
        <h1>{order.what}</h1>
        {editing ? (
          <>
            {problem}
            <OrderForm
              start={order}
              clientName={order.clientName}
              busy={changing.isLoading}
              saveWord="Save"
              onSave={(w) => save(w, order.version)}
            />
            <Button type="text" onClick={leave}>
              Leave as it was
            </Button>
          </>
        ) : (
          <>
            <dl className="facts" style={{ marginTop: 8 }}>
              <dt>Client</dt>
              <dd>
                <Link to={`/clients/${order.clientId}`}>{order.clientName}</Link>
              </dd>
              <dt>Occasion</dt>
              <dd>{order.occasion || '—'}</dd>
              <dt>Worn</dt>
              <dd>{shortDate(order.wornOn)}</dd>
              <dt>Due</dt>
              <dd>{shortDate(order.dueOn)}</dd>
              <dt>Responsible</dt>
              <dd>{order.responsible ?? 'nobody yet'}</dd>
            </dl>
            <div className="row" style={{ margin: '14px 0' }}>
              <Next order={order} mayMeasure={mayMeasure} mayBrief={mayBrief} />
              {mayWrite && <Button onClick={edit}>Change the order</Button>}
            </div>
          </>
        )}
        <h2>Brief</h2>
        {order.brief ? (
          <BriefWords brief={order.brief} />
        ) : (
          <p className="soft">
            Nothing is written yet. The brief says what the skirt is to be, over what it is worn and in which
            shoes.
          </p>
        )}
        {mayBrief && !skirt && order.brief && (
          <p className="soft">This garment has no part that can be computed yet.</p>
        )}
      </div>
      <aside className="margin" aria-label="Margin">
        {order.minor && (
          <section>
            <h2>Take care</h2>
            <p>
              The client is a minor: {order.guardian || 'a guardian'} is present at every measuring and
              fitting.
            </p>
          </section>
        )}
        <section>
          <h2>Sheets</h2>
          {order.sheets.length === 0 ? (
            <p className="soft">Revisions of the sheet will be listed here.</p>
          ) : (
            <ul className="why">
              {order.sheets.map((s) => (
                <li key={s.revision}>
                  <Link to={`/orders/${id}/sheet?revision=${s.revision}`}>Revision {s.revision}</Link>:{' '}
                  {s.agreedAt ? `agreed ${shortDate(s.agreedAt)}` : 'draft'}
                  {s.cutAt ? `, cut ${shortDate(s.cutAt)}` : ''}
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
        {mayBrief && order.stage !== 'cut' && <Import id={id} />}
      </aside>
    </main>
  );
}

/** The one thing this order needs next. */
function Next({ order, mayMeasure, mayBrief }: { order: OrderFull; mayMeasure: boolean; mayBrief: boolean }) {
  const base = `/orders/${order.id}`;
  const skirt = (order.brief?.parts.length ?? 0) > 0;
  const [to, word] =
    !order.brief && mayBrief
      ? [`${base}/brief`, 'Write the brief']
      : !skirt
        ? ['', '']
        : order.stage === 'brief' && mayMeasure
          ? [`${base}/measure`, 'Measure']
          : [`${base}/sheet`, 'Open the sheet'];
  return to ? (
    <Link to={to}>
      <Button type="primary" tabIndex={-1}>
        {word}
      </Button>
    </Link>
  ) : null;
}

function BriefWords({ brief }: { brief: BriefWire }) {
  const skirt = brief.parts[0];
  const lines: readonly (readonly [string, string | null | undefined | false])[] = [
    [
      'Fit',
      `${brief.fit}, eased by the ${brief.school === 'workroom' ? 'workroom table' : 'pattern-envelope chart'}`,
    ],
    [
      'Cloth',
      [brief.cloth.name, brief.cloth.width && `${brief.cloth.width} wide`].filter(Boolean).join(', '),
    ],
    ['Lining', brief.lining || 'unlined'],
    ['Beneath', brief.beneath],
    ['Shoes', [brief.shoes, brief.heel && `heel ${brief.heel}`].filter(Boolean).join(', ')],
    [
      'Straight skirt',
      skirt &&
        [
          skirt.length && `${skirt.length} long`,
          skirt.band === '0 cm' ? 'faced waist' : `waistband ${skirt.band}`,
          skirt.hemOpening.kind !== 'none' && `${skirt.hemOpening.kind} ${skirt.hemOpening.height}`,
          `zip ${skirt.zip === 'centre-back' ? 'centre back' : 'left side'}`,
        ]
          .filter(Boolean)
          .join(', '),
    ],
    ['Note', brief.note],
  ];
  return (
    <dl className="facts">
      {lines
        .filter(([, text]) => text)
        .map(([label, text]) => (
          <div key={label} style={{ display: 'contents' }}>
            <dt>{label}</dt>
            <dd>{text}</dd>
          </div>
        ))}
    </dl>
  );
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
      setWrong(`${file.name} is not JSON; nothing was changed.`);
      return;
    }
    const done = await send({ id, spec });
    if ('data' in done) navigate(`/orders/${id}/sheet`);
  };
  return (
    <section>
      <h2>From a file</h2>
      <p className="soft">
        A spec or sheet file (JSON) brings its brief, readings and house rules into this order.
      </p>
      {wrong && (
        <div className="notice bad" role="alert">
          {wrong}
        </div>
      )}
      <Problem error={error} />
      <Upload
        accept=".json,application/json"
        showUploadList={false}
        beforeUpload={(file) => {
          void take(file);
          return false;
        }}
      >
        <Button loading={isLoading}>Choose a file</Button>
      </Upload>
    </section>
  );
}
