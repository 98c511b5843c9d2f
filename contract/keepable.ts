/** A character no text can hold: NUL, or half of a surrogate pair. */
const broken = (text: string) => text.includes('\0') || !text.isWellFormed();

/**
 * Where in a JSON value stands a text that cannot be kept (NUL, half a surrogate pair), as a path such as
 * "order.client"; null when all of it can. The one rule for text, asked of every body and every query.
 */
export function unkeepable(value: unknown, path = ''): string | null {
  if (typeof value === 'string') return broken(value) ? path || 'the text' : null;
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, inner] of Object.entries(value)) {
    const where = path ? `${path}.${key}` : key;
    if (broken(key)) return path || 'a name';
    const found = unkeepable(inner, where);
    if (found) return found;
  }
  return null;
}

export const unkeepableSentence = (where: string): string =>
  `${where}: this text has a character that can’t be saved. Nothing was saved. Type it again without it.`;
