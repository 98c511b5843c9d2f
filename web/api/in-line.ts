const lines = new Map<string, Promise<unknown>>();

/**
 * Does work after all that was begun before it under the same name, whether that came to something or not: what a
 * hand did twice to one thing reaches the server in the order in which it was done.
 */
export function inLine<T>(name: string, work: () => Promise<T>): Promise<T> {
  const mine = (lines.get(name) ?? Promise.resolve()).then(work);
  const over = mine
    .catch(() => undefined)
    .then(() => {
      if (lines.get(name) === over) lines.delete(name);
    });
  lines.set(name, over);
  return mine;
}
