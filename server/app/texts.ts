/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  notFound: 'There is nothing at this address. Check it.',
  tooLarge: (mb: string | number) => `This is over ${mb} MB. Nothing was saved. Send less at once.`,
  unexpected: 'Something went wrong. Nothing was changed; what you wrote is still here. Try again.',
} as const;
