/** Things in a row as a sentence names them: “a”, “a and b”, “a, b and c”. */
export const inWords = (things: readonly string[]): string =>
  things.length < 2 ? (things[0] ?? '') : `${things.slice(0, -1).join(', ')} and ${things.at(-1)}`;

/** A sentence begins with a capital. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
