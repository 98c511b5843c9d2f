/** What a key does, and where: the one list that the tape, the short list under "?" and the sheet read. */
export interface KeyWord {
  readonly keys: string;
  readonly does: string;
  /** a shorter word for the row under the tape; only those that work there have one */
  readonly tape?: string;
}

export const KEYS: readonly KeyWord[] = [
  { keys: '/', does: 'find a client or an order' },
  { keys: '?', does: 'this list', tape: 'all keys' },
  { keys: 'Enter', does: 'at the tape: accept the reading and go on', tape: 'take and go on' },
  { keys: 'Backspace', does: 'at the tape, in an empty field: one measurement back', tape: 'back' },
  { keys: 's', does: 'in an empty field: skip this one for now', tape: 'skip' },
  { keys: 'd', does: 'in an empty field: the client declines it', tape: 'declined' },
  { keys: 'r', does: 'in an empty field: take a second reading of the one before', tape: 'read again' },
  { keys: 'u', does: 'in an empty field: the other unit', tape: 'unit' },
  { keys: 't', does: 'in an empty field: how the tape is held', tape: 'tape' },
  { keys: 'w', does: 'in an empty field: whole, half or quarter', tape: 'whole or part' },
  {
    keys: '=',
    does: 'in an empty field: show last time’s figure, to be taken by Enter or not',
    tape: 'as last time',
  },
  {
    keys: '1 2 3 4',
    does: 'when a figure is asked about: again, other unit, it was a half, a quarter',
  },
  { keys: '↑ ↓', does: 'on the sheet: the figure above or below, its why opens' },
  { keys: '← →', does: 'on a loop of the diary: five minutes earlier or later, with Shift fifteen' },
  { keys: '↑ ↓', does: 'on a loop of the diary: onto the thread above or below' },
];
