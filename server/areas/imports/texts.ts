/** What is refused in this room, sentence by sentence: another language needs this file's like and nothing else. */
export const TEXTS = {
  taken: 'This file is being imported, or was imported already.',
} as const;
