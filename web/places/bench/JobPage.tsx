import { ActionButton } from '../../shared/pieces.tsx';
import '../../shared/forms.css';
import './bench.css';
import { unitOf } from '@rocchetto/contract/to-core.ts';
import { formatSentence } from '@rocchetto/core';
import { ALTERATION_STEPS, findKind, signOf } from '@rocchetto/core/alter/index.ts';
import { Link, useParams } from 'react-router';
import { useAlterationsQuery, useUndoStepMutation } from '../../api/alterations.ts';
import { useHouseBenchQuery } from '../../api/house.ts';
import { useOrderQuery } from '../../api/orders.ts';
import { useSheetQuery } from '../../api/sheets.ts';
import { PanelsChanged } from '../../parts/drawings/PanelsChanged.tsx';
import { MarkPhotos } from '../../parts/pictures/Photos.tsx';
import { Thread } from '../../parts/thread/Thread.tsx';
import { Facts } from '../../shared/Facts.tsx';
import { keepTogether } from '../../shared/keepTogether.ts';
import { useDays, useMe } from '../../shared/me.ts';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { GiveForm } from './GiveForm.tsx';
import { Job } from './Job.tsx';

const WORD: Readonly<Record<string, string>> = {
  asked: 'requested',
  changed: 'changed',
  struck: 'piece crossed out',
};
const wordOf = (step: string) =>
  step in ALTERATION_STEPS
    ? ALTERATION_STEPS[step as keyof typeof ALTERATION_STEPS].word
    : (WORD[step] ?? step);

/** One job, one clear page: what, where on the panels, how much on each piece, needed when. Legible at arm’s length. */
export function Component() {
  const { id: order, alteration } = useParams();
  const id = Number(order);
  const { data: of, error: noOrder, refetch: again } = useOrderQuery(id);
  const { data, error, refetch } = useAlterationsQuery(id);
  const made = (of?.brief?.parts.length ?? 0) > 0;
  const { data: view } = useSheetQuery({ id, revision: null }, { skip: !made });
  const { data: house } = useHouseBenchQuery();
  const { short } = useDays();
  const me = useMe();
  const [undo, undoing] = useUndoStepMutation();
  if (!of || !data)
    return (
      <Place
        title="Alteration"
        waiting={{ what: 'the work', error: noOrder ?? error, again: noOrder ? again : refetch }}
      />
    );
  const a = data.alterations.find((x) => x.id === Number(alteration));
  if (!a)
    return (
      <Place title="Alteration">
        <h1>Job not found</h1>
        <p>This order has no alteration with this number.</p>
        <Link to={`/orders/${id}/fitting`}>All its alterations</Link>
      </Place>
    );
  const unit = view ? unitOf(view.spec) : me.unit;
  const kind = findKind(a.asked.kind);
  const sign = a.asked.sign === null ? undefined : signOf(house?.bench.signs ?? {}, a.asked.sign);
  return (
    <Place
      title={`${of.number} ${kind?.name ?? ''}`}
      thread={<Thread order={of} sheet={view} here="alterations" />}
      margin={
        <>
          <GiveForm key={a.version} alteration={a} />
          {kind && kind.after.length > 0 && (
            <section>
              <h2>Check afterwards</h2>
              <ul className="why">
                {kind.after.map((x) => (
                  <li key={x}>{formatSentence(x, unit)}</li>
                ))}
              </ul>
            </section>
          )}
          <section>
            <h2>History</h2>
            <Problem error={undoing.error} />
            <ol className="why">
              {a.steps.map((s) => (
                <li key={s.id}>
                  {short(s.at)}, {s.by}: {wordOf(s.step)}
                  {s.says && <span className="soft">: {formatSentence(s.says, unit)}</span>}{' '}
                  {s.undoable && s.byId === me.id && (
                    <ActionButton
                      look="quiet"
                      className="noprint"
                      onClick={() => void undo({ id: a.id, orderId: id, version: a.version })}
                    >
                      Undo
                    </ActionButton>
                  )}
                </li>
              ))}
            </ol>
          </section>
        </>
      }
    >
      <article className="job">
        <p className="soft">
          <Link to={`/orders/${id}`}>{of.number}</Link>, {of.what}, {of.clientName}
          {' · '}
          <Link className="noprint" to={`/orders/${id}/fitting`}>
            all its alterations
          </Link>
        </p>
        <h1>{keepTogether(formatSentence(a.sentence, unit))}</h1>
        <Facts
          facts={[
            ...(a.neededOn ? [['Needed', short(a.neededOn)] as const] : []),
            ...(kind && kind.opens.length > 0 ? [['Opens', kind.opens.join(', ')] as const] : []),
            ...(sign ? [['Seen', sign.name] as const] : []),
            ...(a.asked.words ? [['The client’s words', `“${a.asked.words}”`] as const] : []),
          ]}
        />
        <Job alteration={a} unit={unit} />
        <PanelsChanged drawn={data.drawn[a.id] ?? []} unit={unit} />
        <MarkPhotos orderId={id} alterationId={a.id} />
        <ActionButton look="quiet" className="noprint" onClick={() => window.print()}>
          Print this page
        </ActionButton>
      </article>
    </Place>
  );
}
