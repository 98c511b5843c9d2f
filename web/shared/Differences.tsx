import { printDate } from '@rocchetto/core/dates/print.ts';
import { problemOf } from '../api/problem.ts';
import { Notice } from './Notice.tsx';

interface Props {
  readonly error: unknown;
  readonly labels: Readonly<Record<string, string>>;
  /** keep what I wrote, on top of what they saved */
  readonly keepMine: (theirs: Record<string, unknown>) => void;
  /** take what they saved and drop mine */
  readonly takeTheirs: (theirs: Record<string, unknown>) => void;
}

const show = (value: unknown) =>
  value === null || value === undefined || value === ''
    ? '—'
    : /^\d{4}-\d\d-\d\d$/.test(String(value))
      ? printDate(String(value))
      : typeof value === 'object'
        ? JSON.stringify(value)
        : String(value);

/** Two people saved at once: both texts side by side, and neither is lost until somebody chooses. */
export function Differences({ error, labels, keepMine, takeTheirs }: Props) {
  const problem = problemOf(error);
  if (!error || problem.status !== 409 || !problem.theirs) return null;
  const theirs = problem.theirs as Record<string, unknown>;
  const mine = (problem.mine ?? {}) as Record<string, unknown>;
  const differ = Object.keys(labels).filter((k) => k in mine && show(mine[k]) !== show(theirs[k]));
  return (
    <Notice is="bad">
      <p>{problem.detail}</p>
      <table className="ledger">
        <thead>
          <tr>
            <th scope="col" />
            <th scope="col">saved meanwhile</th>
            <th scope="col">what you wrote</th>
          </tr>
        </thead>
        <tbody>
          {differ.map((k) => (
            <tr key={k}>
              <th scope="row">{labels[k]}</th>
              <td>{show(theirs[k])}</td>
              <td>{show(mine[k])}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="row">
        <button type="button" className="take" onClick={() => keepMine(theirs)}>
          Save what I wrote
        </button>
        <button type="button" className="plain" onClick={() => takeTheirs(theirs)}>
          Take what was saved
        </button>
      </div>
    </Notice>
  );
}
