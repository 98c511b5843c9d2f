import type { FirstSteps as Steps } from '@rocchetto/contract';
import { Link } from 'react-router';
import { useFirstStepsQuery, usePutFirstStepsAwayMutation } from '../../api/house.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

const STEPS: readonly (readonly [id: keyof Steps, words: string, to: string])[] = [
  ['hours', 'Set your opening hours', '/house#hours'],
  ['rooms', 'Add a fitting room', '/house#rooms'],
  ['staff', 'Invite staff (or turn on own checks if you work alone)', '/house#staff'],
  ['client', 'Add your first client', '/clients/new'],
  ['order', 'Create your first order', '/orders/new'],
  ['tape', 'Measure: open the order and choose “Measure”', '/orders'],
];

/** What a new studio does first, each ticked by what is there; put away when the owner likes. */
export function FirstSteps() {
  const { data: done, error } = useFirstStepsQuery();
  const [away, { isLoading, error: stays }] = usePutFirstStepsAwayMutation();
  if (!done) return <Problem error={error} />;
  const left = STEPS.filter(([id]) => !done[id]).length;
  return (
    <section aria-label="First steps">
      <div className="spread">
        <h2>First steps</h2>
        <ActionButton look="quiet" busy={isLoading} onClick={() => void away()}>
          {left === 0 ? 'Close this list' : 'Put this list away'}
        </ActionButton>
      </div>
      <Problem error={stays} />
      <ol className="why">
        {STEPS.map(([id, words, to]) => (
          <li key={id}>
            {done[id] ? (
              <span className="soft">
                ✓ {words} <span className="hidden">(done)</span>
              </span>
            ) : (
              <Link to={to}>{words}</Link>
            )}
          </li>
        ))}
      </ol>
      {left === 0 && <p className="agreed">All done. Your studio is ready.</p>}
    </section>
  );
}
