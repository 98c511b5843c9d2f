/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  noSuchStaff: 'This person is not on the staff. Nothing was changed. Reload and choose again.',
  notYours: 'Only the two people who measured can save these figures. Nothing was saved.',
} as const;
