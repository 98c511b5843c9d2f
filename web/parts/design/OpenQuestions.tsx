import type { Holds, Question } from '@rocchetto/contract';
import { HOLDS } from '@rocchetto/contract/design.ts';
import { useState } from 'react';
import { useDecideQuestionMutation, useDesignQuery } from '../../api/design.ts';
import { useDiaryHouseQuery } from '../../api/hours.ts';
import { useDays, useMay } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, SelectField, TextField } from '../../shared/pieces.tsx';
import { useWaitingHere } from '../outbox/queue.ts';
import { useWrite, WaitingHere, Wrong } from '../outbox/useWrite.tsx';

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
  const here = useWaitingHere(orderId, 'question');
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
      <WaitingHere written={here} />
      {open.length + here.length === 0 && <p className="soft">No open questions.</p>}
      <ul className="why">
        {open.map((q) => (
          <Open
            key={`${q.id} ${q.version}`}
            question={q}
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
                  <ActionButton
                    look="quiet"
                    aria-label={`Reopen: ${q.what}`}
                    onClick={() =>
                      void reopen({ id: q.id, orderId, version: q.version, decision: null, name: '' })
                    }
                  >
                    Reopen
                  </ActionButton>
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
          <ActionButton look="quiet" onClick={() => setAsking(true)}>
            Add open question
          </ActionButton>
        ))}
    </section>
  );
}

interface OpenProps {
  readonly question: Question;
  readonly orderId: number;
  readonly by: string;
  readonly may: boolean;
  readonly now: string | null;
}

function Open({ question: q, orderId, by, may, now }: OpenProps) {
  const { write, wrong, busy } = useWrite();
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
        <ActionButton look="quiet" aria-label={`Decide: ${q.what}`} onClick={() => setDecision('')}>
          Decide
        </ActionButton>
      )}
      {decision !== null && (
        <form
          className="row"
          aria-label={`Decide: ${q.what}`}
          onSubmit={(e) => {
            e.preventDefault();
            void write({
              orderId,
              is: 'question',
              path: `/questions/${q.id}/decided`,
              body: { version: q.version, decision, name: q.decides },
              says: `${q.what} ${decision}`,
            }).then((tried) => tried.is === 'waits' && setDecision(null));
          }}
        >
          <TextField
            className="grow"
            aria-label={`Decided: ${q.what}`}
            maxLength={500}
            autoFocus
            value={decision}
            onChange={(e) => setDecision(e.target.value)}
          />
          <ActionButton look="plain" type="submit" disabled={decision.trim() === '' || busy}>
            Save decision
          </ActionButton>
        </form>
      )}
      <Wrong says={wrong} />
    </li>
  );
}

interface AskProps {
  readonly orderId: number;
  readonly kinds: readonly { id: string; name: string }[];
  readonly onDone: () => void;
}

function AskForm({ orderId, kinds, onDone }: AskProps) {
  const { write, wrong, busy } = useWrite();
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
        const tried = await write({
          orderId,
          is: 'question',
          path: `/orders/${orderId}/questions`,
          body: { what, decides, byKind: byKind || null, holds },
          says: what,
        });
        if (tried.is !== 'refused') onDone();
      }}
    >
      <label htmlFor="question-what">What is still to decide</label>
      <TextField id="question-what" maxLength={300} value={what} onChange={(e) => setWhat(e.target.value)} />
      <label htmlFor="question-who">Who decides</label>
      <TextField
        id="question-who"
        maxLength={100}
        placeholder="the client"
        value={decides}
        onChange={(e) => setDecides(e.target.value)}
      />
      <label htmlFor="question-by">Decide by</label>
      <SelectField id="question-by" value={byKind} onChange={(e) => setByKind(e.target.value)}>
        <option value="">any appointment</option>
        {kinds.map((k) => (
          <option key={k.id} value={k.id}>
            {k.name}
          </option>
        ))}
      </SelectField>
      <label htmlFor="question-holds">Blocks</label>
      <SelectField id="question-holds" value={holds} onChange={(e) => setHolds(e.target.value as Holds)}>
        {HOLDS.map((h) => (
          <option key={h} value={h}>
            {HOLDS_WORD[h]}
          </option>
        ))}
      </SelectField>
      <Wrong says={wrong} />
      <div className="row acts">
        <ActionButton look="plain" type="submit" disabled={what.trim() === '' || busy}>
          Save question
        </ActionButton>
        <ActionButton look="quiet" onClick={onDone}>
          Cancel
        </ActionButton>
      </div>
    </form>
  );
}
