/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  noNeck: 'There is no neck template yet: measure the neck width, or choose a garment with a neckline.',
  noSuchPoint: (point: string | number) => `${point} is not measured on this piece.`,
  nothingToChange: 'Nothing is to be changed there any more. Look at the table again.',
} as const;
