/** How far an alteration has come. */
export const ALTERATION_STATES = [
  'asked',
  'agreed',
  'in-sheet',
  'in-work',
  'done',
  'checked',
  'accepted',
  'declined',
  'withdrawn',
] as const;
export type AlterationState = (typeof ALTERATION_STATES)[number];

export const STATE_WORD: Readonly<Record<AlterationState, string>> = {
  asked: 'requested',
  agreed: 'agreed',
  'in-sheet': 'drafted',
  'in-work': 'in progress',
  done: 'done',
  checked: 'checked',
  accepted: 'accepted as is',
  declined: 'declined',
  withdrawn: 'withdrawn',
};

/** What can be done with it, from which states, and what it becomes then. */
export const ALTERATION_STEPS = {
  agree: { from: ['asked'], to: 'agreed', word: 'agreed' },
  decline: { from: ['asked', 'agreed'], to: 'declined', word: 'declined' },
  withdraw: { from: ['asked', 'agreed', 'in-work'], to: 'withdrawn', word: 'withdrawn' },
  'ask-again': { from: ['declined', 'withdrawn'], to: 'asked', word: 'requested again' },
  /** taken into a sheet that is not cut, and out of it again: both are done on the sheet */
  carry: { from: ['agreed'], to: 'in-sheet', word: 'drafted into the sheet' },
  uncarry: { from: ['in-sheet'], to: 'agreed', word: 'taken out of the sheet' },
  assign: { from: ['agreed', 'in-work'], to: null, word: 'assigned to' },
  start: { from: ['agreed'], to: 'in-work', word: 'begun' },
  pause: { from: ['in-work'], to: 'agreed', word: 'paused' },
  finish: { from: ['in-work', 'agreed'], to: 'done', word: 'done' },
  check: { from: ['done'], to: 'checked', word: 'checked' },
  back: { from: ['done'], to: 'agreed', word: 'sent back' },
  accept: { from: ['done'], to: 'accepted', word: 'accepted as is' },
  /** the last step is taken back by the hand that took it */
  undo: { from: [], to: null, word: 'undone' },
} as const satisfies Record<
  string,
  { from: readonly AlterationState[]; to: AlterationState | null; word: string }
>;
export type AlterationStep = keyof typeof ALTERATION_STEPS;

/** Steps taken with one key, which the hand that took them can take back as long as nothing has come after. */
export const UNDONE_BY_ONE_KEY: readonly AlterationStep[] = ['start', 'pause', 'finish', 'check'];

/** Whether a step can be taken from a state. */
export const mayStep = (step: AlterationStep, from: AlterationState): boolean =>
  (ALTERATION_STEPS[step].from as readonly AlterationState[]).includes(from);

/** It changes the garment as its sheet drafts it: its amounts count where the next one is tried. */
export const stands = (s: AlterationState): boolean =>
  s !== 'asked' && s !== 'declined' && s !== 'withdrawn' && s !== 'in-sheet';
/** It is still to be done or to be checked. */
export const isOpen = (s: AlterationState): boolean =>
  s === 'asked' || s === 'agreed' || s === 'in-work' || s === 'done';
