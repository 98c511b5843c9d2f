/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  alteration: 'This is work on an alteration. Change and tick it on its own page.',
  noSuchStaff: 'This person is not on the staff. Nothing was changed. Reload and choose again.',
  past: 'This day is past. Nothing was scheduled. Choose a later day.',
} as const;
