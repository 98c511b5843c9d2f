/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  noCalendar: 'There is no calendar in this file. Nothing was imported.',
  noSuchRoom: 'This room was not found. Choose another.',
  noSuchStaff: 'This person is not on the staff. Nothing was changed. Reload and choose again.',
  notYours: 'Only the owner can import someone else’s busy times. Nothing was imported.',
} as const;
