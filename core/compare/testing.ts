import { readLength, type Written } from '../units/reading.ts';

/** What was read off a piece, by point, from texts as a hand writes them; a number alone in cm. For tests. */
export const asWritten = (of: Readonly<Record<string, string>>): Map<string, Written> =>
  new Map(
    Object.entries(of).map(([id, text]) => {
      const read = readLength(text, 'cm');
      if (!read.ok) throw new Error(read.sentence);
      return [id, read.written];
    }),
  );
