/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  noSuchStaff: 'This person is not on the staff. Nothing was changed. Reload and choose again.',
  sameHands: 'Choose someone else for these bookings.',
  taken: 'There is already an entry on these days. Nothing was changed. Check the days.',
} as const;
