import { useDays } from './me.ts';
import { Notice } from './Notice.tsx';
import { ActionButton, Ledger } from './pieces.tsx';
import { problemOf } from './problem-of.ts';

interface Props {
  readonly error: unknown;
  readonly labels: Readonly<Record<string, string>>;
  /** a record told in words, label by label, where its fields are not said one by one */
  readonly inWords?: (record: Record<string, unknown>) => Readonly<Record<string, string>>;
  /** keep what I wrote, on top of what they saved */
  readonly keepMine: (theirs: Record<string, unknown>) => void;
  /** take what they saved and drop mine */
  readonly takeTheirs: (theirs: Record<string, unknown>) => void;
}

const show = (value: unknown, date: (iso: string) => string) =>
  value === null || value === undefined || value === ''
    ? '—'
    : /^\d{4}-\d\d-\d\d$/.test(String(value))
      ? date(String(value))
      : typeof value === 'object'
        ? JSON.stringify(value)
        : String(value);

/** Two people saved at once: both texts side by side, and neither is lost until somebody chooses. */
export function Differences({ error, labels, inWords, keepMine, takeTheirs }: Props) {
  const { long } = useDays();
  const problem = problemOf(error);
  if (!error || problem.status !== 409 || !problem.theirs) return null;
  const theirs = problem.theirs as Record<string, unknown>;
  const mine = (problem.mine ?? {}) as Record<string, unknown>;
  const [a, b]: Record<string, unknown>[] = inWords ? [inWords(theirs), inWords(mine)] : [theirs, mine];
  const named = inWords ? [...new Set([...Object.keys(a!), ...Object.keys(b!)])] : Object.keys(labels);
  const differ = named.filter((k) => (inWords || k in mine) && show(a![k], long) !== show(b![k], long));
  return (
    <Notice tone="bad">
      <p>{problem.detail}</p>
      {differ.length === 0 && <p>The other change does not touch what you wrote.</p>}
      <Ledger hidden={differ.length === 0}>
        <thead>
          <tr>
            <th scope="col" />
            <th scope="col">saved by someone else</th>
            <th scope="col">your text</th>
          </tr>
        </thead>
        <tbody>
          {differ.map((k) => (
            <tr key={k}>
              <th scope="row">{labels[k] ?? k}</th>
              <td>{show(a![k], long)}</td>
              <td>{show(b![k], long)}</td>
            </tr>
          ))}
        </tbody>
      </Ledger>
      <div className="row">
        <ActionButton look="take" onClick={() => keepMine(theirs)}>
          Save mine
        </ActionButton>
        <ActionButton look="plain" onClick={() => takeTheirs(theirs)}>
          Use theirs
        </ActionButton>
      </div>
    </Notice>
  );
}
