import './fitting.css';
import type { AlterationView, AskedWire as Asked } from '@rocchetto/contract';
import { AskedWire, toAsked, writtenOf } from '@rocchetto/contract/alterations.ts';
import { sheetOfView, unitOf } from '@rocchetto/contract/to-core.ts';
import { insideOf, tell } from '@rocchetto/core';
import {
  amountSaid,
  type Cause,
  findKind,
  partOf,
  type Sign,
  signOf,
  signsWith,
  stands,
  undone,
} from '@rocchetto/core/alter/index.ts';
import { useDeferredValue, useMemo, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useDays, useMay } from '../app/me.ts';
import { DesignPictures } from '../design/DesignPictures.tsx';
import { Likes } from '../design/Likes.tsx';
import { OpenQuestions } from '../design/OpenQuestions.tsx';
import { useHouseBenchQuery } from '../house/api.ts';
import { useOrderQuery } from '../orders/api.ts';
import { Facts } from '../shared/Facts.tsx';
import { Notice } from '../shared/Notice.tsx';
import { Place } from '../shared/Place.tsx';
import { Problem } from '../shared/Problem.tsx';
import { useSheetQuery } from '../sheet/api.ts';
import { Thread } from '../thread/Thread.tsx';
import { AskForm } from './AskForm.tsx';
import { useAlterationsQuery, useChangeAskedMutation } from './api.ts';
import { Care } from './Care.tsx';
import { type Draft, draftOf, EMPTY, wireOf } from './draft.ts';
import { GarmentTouch } from './GarmentTouch.tsx';
import { Leaving } from './Leaving.tsx';
import { Measured } from './Measured.tsx';
import { Photos } from './Photos.tsx';
import { Protocol } from './Protocol.tsx';
import { ReadBack } from './ReadBack.tsx';
import { SignChoice } from './SignChoice.tsx';
import { useKeptDraft } from './useKeptDraft.ts';
import { fittingOutbox } from './useOutbox.ts';
import { useGarment, useOffer, useTrial } from './useTrial.ts';
import { Waiting } from './Waiting.tsx';
import { WhatIf } from './WhatIf.tsx';

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
  const { data: house } = useHouseBenchQuery();
  const mayAsk = useMay('alter.ask');
  const mayRead = useMay('session.read');
  const { long } = useDays();
  const [change, changing] = useChangeAskedMutation();
  const [draft, setDraft] = useKeptDraft(id);
  const [editing, setEditing] = useState<AlterationView | null>(null);
  const [wrong, setWrong] = useState('');
  const [sending, setSending] = useState(false);
  const alterations = data?.alterations ?? NONE;
  const garment = useGarment(mayRead ? view : undefined, alterations, editing?.id ?? null);
  const unit = view ? unitOf(view.spec) : 'cm';
  const asked = useMemo(() => {
    const wire = wireOf(draft, unit);
    return wire === null ? null : AskedWire.safeParse(wire);
  }, [draft, unit]);
  // Typing comes first; what it would make follows.
  const tried = useTrial(garment, useDeferredValue(asked?.success ? asked.data : null));
  const views = useMemo(() => {
    if (!view) return [];
    const { views, panels } = sheetOfView(view).drawn[unit];
    return [...views, insideOf(views), panels].filter((v) => v !== null);
  }, [view, unit]);
  const signs = useMemo(() => signsWith(house?.bench.signs ?? {}), [house]);
  const parts = useMemo(() => [...new Set((garment?.sheet.panels ?? []).map(partOf))], [garment]);
  const came = data?.broughtIn ?? null;
  const offer = useOffer(garment, came);
  const said = useMemo(() => {
    if (!asked?.success || !tried || 'refused' in tried) return '';
    const what = toAsked(asked.data);
    return tell(amountSaid(what, tried.trial.applied.boxes, writtenOf(asked.data)), unit);
  }, [asked, tried, unit]);
  const undoes = useMemo(() => {
    if (!asked?.success || !tried || 'refused' in tried) return NONE_SAID;
    const earlier = alterations
      .filter((a) => a.id !== editing?.id && (a.status === 'asked' || stands(a.status)))
      .map((a) => ({ sentence: a.sentence, kind: findKind(a.asked.kind)!, boxes: a.boxes }));
    return undone(toAsked(asked.data), tried.trial.applied.boxes, earlier);
  }, [asked, tried, alterations, editing]);
  const legs =
    came?.kind === 'trousers' ||
    (garment?.sheet.panels ?? []).some((p) => p.edges.some((e) => e.id === 'inseam'));
  if (!order || !data)
    return (
      <Place
        title="Fitting"
        waiting={{ what: 'the fitting', error: noOrder ?? error, again: noOrder ? again : refetch }}
      />
    );
  const kindNow = order.appointments.find((a) => a.id === Number(params.get('a')))?.kind ?? null;
  const set = (more: Partial<Draft>) => {
    setWrong('');
    setDraft({ ...draft, ...more });
  };
  const clear = () => {
    setDraft(EMPTY);
    setEditing(null);
    setWrong('');
    changing.reset();
  };
  const keep = async () => {
    if (!asked) return setWrong('Choose what is done first.');
    if (!asked.success) return setWrong(asked.error.issues[0]!.message);
    const what: Asked = asked.data;
    const appointmentId = Number(params.get('a')) || null;
    if (editing) {
      const done = await change({ id: editing.id, orderId: id, version: editing.version, asked: what });
      if ('data' in done) clear();
      return;
    }
    const source = mayRead ? 'fitting' : 'desk';
    setSending(true);
    const first = await fittingOutbox().keep({
      orderId: id,
      is: 'ask',
      path: `/orders/${id}/alterations`,
      body: { asked: what, source, appointmentId },
      says: '',
    });
    setSending(false);
    if (first.is === 'refused') setWrong(first.sentence);
    else clear();
  };
  const sign = draft.sign === null ? null : (signOf(house?.bench.signs ?? {}, draft.sign) ?? null);
  const prepare = (s: Sign, c: Cause) =>
    set({ sign: s.id, kind: c.kind ?? '', direction: c.direction, face: c.face ?? '' });
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
          of={[
            ['Brought in', `${long(data.broughtIn.at)}, taken by ${data.broughtIn.by}`],
            ['How it came', data.broughtIn.condition],
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
      {views.length > 0 ? (
        <GarmentTouch
          views={views}
          alterations={alterations}
          mark={draft.mark}
          onMark={(mark) => set({ mark })}
        />
      ) : (
        <p className="soft">
          {made
            ? 'The drawing appears once what it needs is measured.'
            : 'This garment has no sheet; what is altered is written in words, with its pieces.'}
        </p>
      )}
      <DesignPictures orderId={id} look />
      {mayAsk && (
        <form
          className="asking"
          aria-label={editing ? 'Change what is asked' : 'A change'}
          onSubmit={(e) => {
            e.preventDefault();
            void keep();
          }}
        >
          <h2>{editing ? 'Change what is asked' : 'A change'}</h2>
          <details open={sign !== null || undefined}>
            <summary>Begin with what is seen on the cloth</summary>
            <SignChoice
              signs={signs}
              parts={new Set(parts)}
              chosen={sign}
              onChoose={(s) => set({ sign: s?.id ?? null })}
              onTry={prepare}
            />
          </details>
          <AskForm
            of={draft}
            unit={unit}
            parts={parts.filter((p) => p !== '')}
            offer={offer}
            said={said}
            legs={legs}
            came={data.broughtIn !== null}
            set={set}
          />
          {draft.mark && (
            <p className="soft">
              Marked on the drawing, {draft.mark.view}.{' '}
              <button type="button" className="quiet" onClick={() => set({ mark: null })}>
                take the mark off
              </button>
            </p>
          )}
          {wrong && <Notice is="bad">{wrong}</Notice>}
          <Problem error={changing.error} />
          <div className="row acts">
            <button type="submit" className="take" disabled={sending || changing.isLoading}>
              {editing ? 'Keep it so' : 'Keep it as asked'}
            </button>
            {(editing || draft !== EMPTY) && (
              <button type="button" className="quiet" onClick={clear}>
                leave it
              </button>
            )}
          </div>
          <WhatIf of={tried} unit={unit} undoes={undoes} />
        </form>
      )}
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
      <Measured orderId={id} unit={unit} points={data.points} />
      <Care orderId={id} />
      <Leaving key={`leaving ${order.id}`} orderId={id} clientName={order.clientName} of={data} />
    </Place>
  );
}

const NONE: readonly AlterationView[] = [];
const NONE_SAID: readonly string[] = [];
