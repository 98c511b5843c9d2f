import { useState } from 'react';
import { Differences } from './Differences.tsx';
import { Problem } from './Problem.tsx';
import { problemOf } from './problem-of.ts';
import { Toast } from './Toast.tsx';

interface How<W> {
  /** the record's version as it is on the server now, followed live */
  readonly now: number;
  /** sends what was written on top of a version; the mutation's own answer comes back */
  readonly send: (wanted: W, version: number) => Promise<object>;
  readonly state: { readonly error?: unknown; readonly reset: () => void };
  readonly labels: Readonly<Record<string, string>>;
  readonly refetch: () => unknown;
}

/**
 * Editing a record that somebody else may save meanwhile: opens and closes the form, saves on top of the version it
 * was opened on, says at once when another hand saves, never touches what is being typed, and on saving shows both
 * texts until one is chosen.
 */
export function useVersionedSave<W>({ now, send, state, labels, refetch }: How<W>) {
  const [openedOn, setOpenedOn] = useState<number | null>(null);
  const [mine, setMine] = useState<W | null>(null);
  const leave = () => {
    state.reset();
    setOpenedOn(null);
  };
  const save = async (wanted: W, version: number) => {
    setMine(wanted);
    if ('data' in (await send(wanted, version))) setOpenedOn(null);
  };
  const conflict = problemOf(state.error).status === 409;
  const problem = conflict ? (
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
    <>
      <Problem error={state.error} />
      {openedOn !== null && now > openedOn && (
        <Toast>Someone else saved this. Your text is safe; compare before saving.</Toast>
      )}
    </>
  );
  return {
    editing: openedOn !== null,
    version: openedOn ?? now,
    edit: () => setOpenedOn(now),
    leave,
    save,
    problem,
  };
}
