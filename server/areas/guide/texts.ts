/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  nameTaken: (name: string | number) =>
    `There is already a list called “${name}”. Nothing was saved. Choose another name.`,
  noBrief: 'The brief decides what is measured. Write the brief first.',
  stale:
    'Someone else has changed this list meanwhile. Nothing was saved. Close it, open it again, and change it there.',
} as const;
