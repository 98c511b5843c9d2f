import { Notice } from './Notice.tsx';
import { ActionButton } from './pieces.tsx';
import { problemOf } from './problem-of.ts';

/** What went wrong in plain words, what is kept, and a way on. Nothing when there is no error. */
export function Problem({ error, again }: { error: unknown; again?: () => void }) {
  if (!error) return null;
  const { detail, problems = [] } = problemOf(error);
  return (
    <Notice tone="bad">
      <p>{detail}</p>
      {problems.length > 1 && (
        <ul>
          {problems.map((p) => (
            <li key={p}>{p}</li>
          ))}
        </ul>
      )}
      {again && (
        <ActionButton look="quiet" onClick={again}>
          Try again
        </ActionButton>
      )}
    </Notice>
  );
}
