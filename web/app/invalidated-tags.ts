import type { Changed, ChangedWhat } from '@rocchetto/contract/live.ts';
import { type api, LIST } from '../api/base.ts';

export type Tag = Parameters<typeof api.util.invalidateTags>[0][number];

/** What on the screens hangs on each kind of change. */
const HANGS_ON: Readonly<Record<ChangedWhat, (id: string | number) => readonly Tag[]>> = {
  client: (id) => [
    { type: 'Client', id: Number(id) },
    { type: 'Client', id: LIST },
  ],
  order: (id) => [
    { type: 'Order', id: Number(id) },
    { type: 'Order', id: LIST },
    { type: 'Sheet', id: Number(id) },
  ],
  session: (id) => [{ type: 'Session', id: String(id) }],
  staff: () => ['Staff'],
  house: () => ['House', 'Me', 'Sheet', 'Diary', { type: 'Order', id: LIST }],
  alterations: (id) => [
    { type: 'Alterations', id: Number(id) },
    { type: 'Order', id: Number(id) },
    { type: 'Alterations', id: LIST },
    // What is agreed waits at the sheet while the cloth is not cut.
    { type: 'Sheet', id: Number(id) },
  ],
  diary: () => ['Diary'],
};

/** What is to be asked for again; a kind that only a newer server knows asks for nothing. */
export const invalidatedTags = (changed: readonly Changed[]): Tag[] =>
  changed.flatMap(([what, id]) => (Object.hasOwn(HANGS_ON, what) ? HANGS_ON[what](id) : []));
