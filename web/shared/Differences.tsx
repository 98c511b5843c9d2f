import { Button } from 'antd';
import { problemOf } from '../api/problem.ts';

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
    <div className="notice bad" role="alert">
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
        <Button type="primary" onClick={() => keepMine(theirs)}>
          Save what I wrote
        </Button>
        <Button onClick={() => takeTheirs(theirs)}>Take what was saved</Button>
      </div>
    </div>
  );
}
