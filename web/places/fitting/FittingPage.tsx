import '../../shared/forms.css';
import './fitting.css';
import type { AlterationView } from '@rocchetto/contract';
import { sheetOfView, unitOf } from '@rocchetto/contract/to-core.ts';
import { insideOf, isCut } from '@rocchetto/core';
import { isOpen } from '@rocchetto/core/alter/index.ts';
import { useMemo, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useAlterationsQuery } from '../../api/alterations.ts';
import { useOrderQuery } from '../../api/orders.ts';
import { useSheetQuery } from '../../api/sheets.ts';
import { DesignPictures } from '../../parts/design/DesignPictures.tsx';
import { Likes } from '../../parts/design/Likes.tsx';
import { OpenQuestions } from '../../parts/design/OpenQuestions.tsx';
import { Photos } from '../../parts/pictures/Photos.tsx';
import { Thread } from '../../parts/thread/Thread.tsx';
import { Facts } from '../../shared/Facts.tsx';
import { useDays, useMay, useMe } from '../../shared/me.ts';
import { Place } from '../../shared/Place.tsx';
import { Asking } from './Asking.tsx';
import { Care } from './Care.tsx';
import { draftOf, EMPTY } from './draft.ts';
import { GarmentTouch } from './GarmentTouch.tsx';
import { Leaving } from './Leaving.tsx';
import { Measured } from './Measured.tsx';
import { Protocol } from './Protocol.tsx';
import { ReadBack } from './ReadBack.tsx';
import { useKeptDraft } from './useKeptDraft.ts';
import { useGarment } from './useTrial.ts';
import { Waiting } from './Waiting.tsx';

/** At the mirror: what is seen, what is pinned, what it would make of the garment, and the list that is read back. */
export function Component() {
  const id = Number(useParams().id);
  return <Fitting key={id} id={id} />;
}

function Fitting({ id }: { id: number }) {
  const [params] = useSearchParams();
  const { data: order, error: noOrder, refetch: again } = useOrderQuery(id);
  const made = (order?.brief?.parts.length ?? 0) > 0;
  const { data: view } = useSheetQuery({ id, revision: null }, { skip: !made });
  const { data, error, refetch } = useAlterationsQuery(id);
  const mayAsk = useMay('alter.ask');
  const me = useMe();
  const mayRead = useMay('session.read');
  const { long } = useDays();
  const [draft, setDraft] = useKeptDraft(id);
  const [editing, setEditing] = useState<AlterationView | null>(null);
  const alterations = data?.alterations ?? NONE;
  const garment = useGarment(mayRead ? view : undefined, alterations, editing?.id ?? null);
  const unit = view ? unitOf(view.spec) : me.unit;
  const views = useMemo(() => {
    if (!view) return [];
    const { views, panels } = sheetOfView(view).drawn[unit];
    return [...views, insideOf(views), panels].filter((v) => v !== null);
  }, [view, unit]);
  if (!order || !data)
    return (
      <Place
        title="Fitting"
        waiting={{ what: 'the fitting', error: noOrder ?? error, again: noOrder ? again : refetch }}
      />
    );
  const kindNow = order.appointments.find((a) => a.id === Number(params.get('a')))?.kind ?? null;
  return (
    <Place
      title={`Fitting ${order.number}`}
      thread={<Thread order={order} sheet={view} here="alterations" />}
      margin={
        <>
          <OpenQuestions orderId={id} now={kindNow} />
          <Protocol boned={false} minor={order.minor} guardian={order.guardian} />
          <Likes orderId={id} clientName={order.clientName} />
        </>
      }
    >
      <p className="soft">
        <Link to={`/orders/${id}`}>Order {order.number}</Link>, {order.clientName}
      </p>
      <h1>Fitting the {order.what.toLowerCase()}</h1>
      {data.broughtIn && (
        <Facts
          facts={[
            ['Brought in', `${long(data.broughtIn.at)}, received by ${data.broughtIn.by}`],
            ['Condition', data.broughtIn.condition],
            ...(data.broughtIn.label ? [['Label', data.broughtIn.label] as const] : []),
            [
              'Ticket',
              <a key="t" href={`/api/orders/${id}/ticket.pdf`} target="_blank" rel="noreferrer">
                {data.broughtIn.code.slice(0, 3)}-{data.broughtIn.code.slice(3)}
              </a>,
            ],
          ]}
        />
      )}
      <div className={views.length > 0 && mayAsk ? 'at-mirror' : undefined}>
        <div className="in-sight">
          {views.length > 0 ? (
            <GarmentTouch
              views={views}
              alterations={alterations}
              mark={draft.mark}
              onMark={(mark) => setDraft({ ...draft, mark })}
            />
          ) : (
            <p className="soft">
              {made
                ? 'The drawing appears when the needed measurements are taken.'
                : 'This garment has no sheet. Alterations are written in words, with their pieces.'}
            </p>
          )}
        </div>
        <div>
          {mayAsk && (
            <Asking
              orderId={id}
              appointmentId={Number(params.get('a')) || null}
              unit={unit}
              garment={garment}
              came={data.broughtIn}
              alterations={alterations}
              draft={draft}
              onDraft={setDraft}
              editing={editing}
              onLeave={() => {
                setDraft(EMPTY);
                setEditing(null);
              }}
            />
          )}
        </div>
      </div>
      <DesignPictures orderId={id} look />
      <Waiting orderId={id} unit={unit} onTakeUp={({ asked }) => setDraft(draftOf(asked))} />
      <ReadBack
        key={order.id}
        orderId={id}
        clientName={order.clientName}
        unit={unit}
        alterations={alterations}
        editing={editing?.id ?? null}
        onEdit={(a) => {
          setEditing(a);
          setDraft(draftOf(a.asked));
        }}
      />
      <Photos orderId={id} alterations={alterations} unit={unit} />
      <Measured
        orderId={id}
        unit={unit}
        points={data.points}
        due={
          isCut(order.stage) &&
          !alterations.some((a) => isOpen(a.status)) &&
          data.points.some((p) => p.required && p.reading === null)
        }
      />
      <Care orderId={id} />
      <Leaving key={`leaving ${order.id}`} orderId={id} clientName={order.clientName} alterations={data} />
    </Place>
  );
}

const NONE: readonly AlterationView[] = [];
