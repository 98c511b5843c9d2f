import type { Holds, Question } from '@rocchetto/contract';
import { HOLDS } from '@rocchetto/contract/design.ts';
import { useState } from 'react';
import { useAskQuestionMutation, useDecideQuestionMutation, useDesignQuery } from '../../api/design.ts';
import { useDiaryHouseQuery } from '../../api/hours.ts';
import { useDays, useMay } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';

const HOLDS_WORD: Readonly<Record<Holds, string>> = {
  nothing: 'nothing',
  sheet: 'agreeing the sheet',
  cut: 'cutting',
  'hand-over': 'hand-over',
};

interface Props {
  readonly orderId: number;
  /** the kind of appointment that is held now: what is decided by it comes first */
  readonly now?: string | null;
}

/** What is not decided yet, by whom and by when; asked at the fitting, and decided in a word. */
export function OpenQuestions({ orderId, now = null }: Props) {
  const { data, error, refetch } = useDesignQuery(orderId);
  const { data: house } = useDiaryHouseQuery();
  const may = useMay('alter.ask');
  const { short } = useDays();
  const [asking, setAsking] = useState(false);
  const [reopen, reopening] = useDecideQuestionMutation();
  if (!data) return <Problem error={error} again={refetch} />;
  const open = data.questions
    .filter((q) => q.decision === null)
    .sort((a, b) => Number(b.byKind === now) - Number(a.byKind === now));
  const decided = data.questions.filter((q) => q.decision !== null);
  if (!may && data.questions.length === 0) return null;
  const kindName = (id: string | null) =>
    id === null ? '' : (house?.kinds.find((k) => k.id === id)?.name ?? id.replaceAll('-', ' '));
  return (
    <section aria-label="Open questions">
      <h2>{now === null ? 'Open questions' : 'To be decided'}</h2>
      <Problem error={reopening.error} />
      {open.length === 0 && <p className="soft">No open questions.</p>}
      <ul className="why">
        {open.map((q) => (
          <Open
            key={`${q.id} ${q.version}`}
            of={q}
            orderId={orderId}
            by={kindName(q.byKind)}
            may={may}
            now={now}
          />
        ))}
      </ul>
      {decided.length > 0 && (
        <details>
          <summary>{decided.length === 1 ? '1 decided' : `${decided.length} decided`}</summary>
          <ul className="why">
            {decided.map((q) => (
              <li key={q.id}>
                {q.what} <strong>{q.decision}</strong>
                <span className="soft">
                  {' '}
                  {q.decidedName && `${q.decidedName}, `}
                  {short(q.decidedAt!)}
                </span>{' '}
                {may && (
                  <button
                    type="button"
                    className="quiet"
                    aria-label={`Reopen: ${q.what}`}
                    onClick={() =>
                      void reopen({ id: q.id, orderId, version: q.version, decision: null, name: '' })
                    }
                  >
                    Reopen
                  </button>
                )}
              </li>
            ))}
          </ul>
        </details>
      )}
      {may &&
        (asking ? (
          <AskForm
            orderId={orderId}
            kinds={(house?.kinds ?? []).map((k) => ({ id: k.id, name: k.name }))}
            onDone={() => setAsking(false)}
          />
        ) : (
          <button type="button" className="quiet" onClick={() => setAsking(true)}>
            Add open question
          </button>
        ))}
    </section>
  );
}

interface OpenProps {
  readonly of: Question;
  readonly orderId: number;
  readonly by: string;
  readonly may: boolean;
  readonly now: string | null;
}

function Open({ of: q, orderId, by, may, now }: OpenProps) {
  const [decide, { error, isLoading }] = useDecideQuestionMutation();
  const [decision, setDecision] = useState<string | null>(null);
  const due = now !== null && q.byKind === now;
  return (
    <li className={due ? 'pending' : ''}>
      {q.what}
      <span className="soft">
        {q.decides && ` ${q.decides[0]!.toUpperCase()}${q.decides.slice(1)} decides.`}
        {by && ` By the ${by}.`}
        {q.holds !== 'nothing' && ` Blocks ${HOLDS_WORD[q.holds]}.`}
      </span>{' '}
      {may && decision === null && (
        <button
          type="button"
          className="quiet"
          aria-label={`Decide: ${q.what}`}
          onClick={() => setDecision('')}
        >
          Decide
        </button>
      )}
      {decision !== null && (
        <form
          className="row"
          aria-label={`Decide: ${q.what}`}
          onSubmit={(e) => {
            e.preventDefault();
            void decide({ id: q.id, orderId, version: q.version, decision, name: q.decides });
          }}
        >
          <input
            className="field grow"
            aria-label={`Decided: ${q.what}`}
            maxLength={500}
            autoFocus
            value={decision}
            onChange={(e) => setDecision(e.target.value)}
          />
          <button type="submit" className="plain" disabled={decision.trim() === '' || isLoading}>
            Save decision
          </button>
        </form>
      )}
      <Problem error={error} />
    </li>
  );
}

interface AskProps {
  readonly orderId: number;
  readonly kinds: readonly { id: string; name: string }[];
  readonly onDone: () => void;
}

function AskForm({ orderId, kinds, onDone }: AskProps) {
  const [ask, { error, isLoading }] = useAskQuestionMutation();
  const [what, setWhat] = useState('');
  const [decides, setDecides] = useState('');
  const [byKind, setByKind] = useState('');
  const [holds, setHolds] = useState<Holds>('nothing');
  return (
    <form
      className="stack"
      aria-label="Open question"
      onSubmit={async (e) => {
        e.preventDefault();
        const done = await ask({ orderId, what, decides, byKind: byKind || null, holds });
        if ('data' in done) onDone();
      }}
    >
      <label htmlFor="question-what">What is still to decide</label>
      <input
        id="question-what"
        className="field"
        maxLength={300}
        value={what}
        onChange={(e) => setWhat(e.target.value)}
      />
      <label htmlFor="question-who">Who decides</label>
      <input
        id="question-who"
        className="field"
        maxLength={100}
        placeholder="the client"
        value={decides}
        onChange={(e) => setDecides(e.target.value)}
      />
      <label htmlFor="question-by">Decide by</label>
      <select id="question-by" className="field" value={byKind} onChange={(e) => setByKind(e.target.value)}>
        <option value="">any appointment</option>
        {kinds.map((k) => (
          <option key={k.id} value={k.id}>
            {k.name}
          </option>
        ))}
      </select>
      <label htmlFor="question-holds">Blocks</label>
      <select
        id="question-holds"
        className="field"
        value={holds}
        onChange={(e) => setHolds(e.target.value as Holds)}
      >
        {HOLDS.map((h) => (
          <option key={h} value={h}>
            {HOLDS_WORD[h]}
          </option>
        ))}
      </select>
      <Problem error={error} />
      <div className="row acts">
        <button type="submit" className="plain" disabled={what.trim() === '' || isLoading}>
          Save question
        </button>
        <button type="button" className="quiet" onClick={onDone}>
          Cancel
        </button>
      </div>
    </form>
  );
}
