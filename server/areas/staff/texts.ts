/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  bookedAhead: 'This person still has bench work scheduled. Nothing was changed. Reassign it first.',
  noLink: 'There is no sign-in link to withdraw: it was used or has expired.',
  yourself: 'You can’t remove yourself from the staff.',
} as const;
