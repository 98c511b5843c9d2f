/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  lapsed: 'The offered times are no longer held. Nothing was booked. Find new times.',
  noDays: 'The last day is before the first. Check the dates.',
  notMovable: (status: string | number) => `This appointment is marked “${status}” and can’t be moved.`,
  notNext: (status: string | number, next: string | number) =>
    `This appointment is marked “${status}” and can’t become “${next}”. Nothing was changed.`,
  notYet: (from: string | number, day: string | number) =>
    `This appointment has not begun: it is at ${from} on ${day}.`,
  tooFar: (most: string | number) => `Search at most ${most} days at once, within a year.`,
  whichTime: 'Choose one of the offered times.',
} as const;
