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
  { keys: 'z', does: 'undo what was just done with one key, for ten seconds' },
  { keys: 'Enter', does: 'measuring: save and go on', tape: 'save and go on' },
  { keys: 'Backspace', does: 'measuring, in an empty field: one measurement back', tape: 'back' },
  { keys: 's', does: 'in an empty field: skip this one for now', tape: 'skip' },
  { keys: 'd', does: 'in an empty field: the client declines it', tape: 'declined' },
  { keys: 'r', does: 'in an empty field: measure the one before again', tape: 'measure again' },
  { keys: 'u', does: 'in an empty field: the other unit', tape: 'unit' },
  { keys: 't', does: 'in an empty field: how the tape is held', tape: 'tape' },
  { keys: 'w', does: 'in an empty field: whole, half or quarter', tape: 'whole or part' },
  {
    keys: '=',
    does: 'in an empty field: show last time’s figure; Enter saves it',
    tape: 'as last time',
  },
  {
    keys: '1 2 3 4',
    does: 'when a figure is asked about: again, other unit, it was a half, a quarter',
  },
  { keys: '↑ ↓', does: 'on the sheet: the figure above or below, and why' },
  { keys: '← →', does: 'on an appointment in the diary: five minutes earlier or later, with Shift fifteen' },
  { keys: '↑ ↓', does: 'on an appointment in the diary: to the person or room above or below' },
];
