/** What a key does, and where: the one list that the tape, the help and the manual read. */
export interface KeyWord {
  readonly keys: string;
  readonly does: string;
  /** the help page of the place where it works; everywhere when left out */
  readonly at?: 'measuring' | 'sheet' | 'diary';
  /** a shorter word for the row under the tape; only those that work there have one */
  readonly tape?: string;
}

export const KEYS: readonly KeyWord[] = [
  { keys: '/', does: 'find a client, an order or a help page' },
  { keys: '?', does: 'help for this page', tape: 'help' },
  { keys: 'z', does: 'undo what was just done with one key, for ten seconds' },
  { keys: 'Enter', does: 'save and go on', at: 'measuring', tape: 'save and go on' },
  { keys: 'Backspace', does: 'in an empty field: one measurement back', at: 'measuring', tape: 'back' },
  { keys: 's', does: 'in an empty field: skip this one for now', at: 'measuring', tape: 'skip' },
  { keys: 'd', does: 'in an empty field: the client declines it', at: 'measuring', tape: 'declined' },
  {
    keys: 'r',
    does: 'in an empty field: measure the one before again',
    at: 'measuring',
    tape: 'measure again',
  },
  { keys: 'u', does: 'in an empty field: the other unit', at: 'measuring', tape: 'unit' },
  { keys: 't', does: 'in an empty field: how the tape is held', at: 'measuring', tape: 'tape' },
  { keys: 'w', does: 'in an empty field: whole, half or quarter', at: 'measuring', tape: 'whole or part' },
  {
    keys: '=',
    does: 'in an empty field: show last time’s figure; Enter saves it',
    at: 'measuring',
    tape: 'as last time',
  },
  {
    keys: '1 2 3 4',
    does: 'when a figure is asked about: again, other unit, it was a half, a quarter',
    at: 'measuring',
  },
  { keys: '↑ ↓', does: 'the figure above or below, and why', at: 'sheet' },
  {
    keys: '← →',
    does: 'on an appointment: five minutes earlier or later, with Shift fifteen',
    at: 'diary',
  },
  { keys: '↑ ↓', does: 'on an appointment: to the person or room above or below', at: 'diary' },
];
