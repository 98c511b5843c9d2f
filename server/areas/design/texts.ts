/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  manyQuestions: (most: string | number) =>
    `This order has ${most} questions, the most allowed. Nothing was saved. Decide some first.`,
} as const;
