import { useState } from 'react';
import { problemOf } from '../api/problem.ts';
import { Differences } from './Differences.tsx';
import { Problem } from './Problem.tsx';

interface How<W> {
  /** sends what was written on top of a version; the mutation's own answer comes back */
  readonly send: (wanted: W, version: number) => Promise<object>;
  readonly state: { readonly error?: unknown; readonly reset: () => void };
  readonly labels: Readonly<Record<string, string>>;
  readonly refetch: () => unknown;
}

/**
 * Editing a record that somebody else may save meanwhile: opens and closes the form, saves on top of a
 * version, and when another was first shows both texts until one is chosen.
 */
export function useVersionedSave<W>({ send, state, labels, refetch }: How<W>) {
  const [editing, setEditing] = useState(false);
  const [mine, setMine] = useState<W | null>(null);
  const leave = () => {
    state.reset();
    setEditing(false);
  };
  const save = async (wanted: W, version: number) => {
    setMine(wanted);
    if ('data' in (await send(wanted, version))) setEditing(false);
  };
  const problem =
    problemOf(state.error).status === 409 ? (
      <Differences
        error={state.error}
        labels={labels}
        keepMine={(theirs) => mine !== null && void save(mine, Number(theirs.version))}
        takeTheirs={() => {
          leave();
          refetch();
        }}
      />
    ) : (
      <Problem error={state.error} />
    );
  return { editing, edit: () => setEditing(true), leave, save, problem };
}
