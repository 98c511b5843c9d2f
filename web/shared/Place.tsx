import { type ReactNode, useEffect } from 'react';
import { Problem } from './Problem.tsx';

interface Props {
  /** the page's name in the browser's tab */
  readonly title: string;
  /** the order's thread, across the whole width */
  readonly thread?: ReactNode;
  readonly children?: ReactNode;
  readonly margin?: ReactNode;
  /** while something is fetched: what, and the error when it could not be */
  readonly waiting?: { readonly what: string; readonly error: unknown; readonly again: () => void } | null;
}

/** One place of the studio: its thread, its work at the left, its margin at the right. */
export function Place({ title, thread, children, margin, waiting }: Props) {
  useEffect(() => {
    document.title = `${title} · Rocchetto`;
  }, [title]);
  return (
    <main className="work" id="work">
      {thread && <div className="wide">{thread}</div>}
      {waiting ? <Waiting {...waiting} /> : <div>{children}</div>}
      {margin && !waiting && (
        <aside className="margin" aria-label="Beside">
          {margin}
        </aside>
      )}
    </main>
  );
}

/** While something is fetched, and when it could not be. */
export function Waiting({ what, error, again }: { what: string; error: unknown; again: () => void }) {
  return error ? (
    <Problem error={error} again={again} />
  ) : (
    <p className="soft" role="status">
      Loading {what} …
    </p>
  );
}
