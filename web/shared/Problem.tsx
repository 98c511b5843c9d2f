import { Button } from 'antd';
import { problemOf } from '../api/problem.ts';

/** What went wrong in plain words, what is kept, and a way on. Nothing when there is no error. */
export function Problem({ error, again }: { error: unknown; again?: () => void }) {
  if (!error) return null;
  const { detail, problems = [] } = problemOf(error);
  return (
    <div className="notice bad" role="alert">
      <p>{detail}</p>
      {problems.length > 1 && (
        <ul>
          {problems.map((p) => (
            <li key={p}>{p}</li>
          ))}
        </ul>
      )}
      {again && <Button onClick={again}>Try again</Button>}
    </div>
  );
}

/** While something is fetched, and when it could not be. */
export function Waiting({ what, error, again }: { what: string; error: unknown; again: () => void }) {
  return error ? (
    <Problem error={error} again={again} />
  ) : (
    <p className="soft" role="status">
      Fetching {what} …
    </p>
  );
}
