/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  nameTaken: (name: string | number) =>
    `There is already a size chart called “${name}”. Nothing was saved. Choose another name.`,
  noBodies:
    'This chart gives finished garments. Choose one of bodies: the garment is worked out for each of its sizes.',
  noBrief: 'This order has no brief yet. Write it first: it says what garment it is and how it should fit.',
  noChart: (faults: string | number) => `${faults} Nothing was saved.`,
  noSuchSize: (size: string | number) => `There is no size ${size} on this chart. Nothing was saved.`,
  sizeWithoutFigures: (size: string | number) =>
    `Size ${size} has no figures. Nothing was saved. Fill or remove it.`,
  stale: (what: string | number) =>
    `Someone else has changed ${what} meanwhile. Nothing was saved. Look at it again and change it there.`,
} as const;
