/** One change that a hand wants made: what it is, and the key under which the server makes it once. */
export interface Intent {
  readonly what: string;
  readonly key: string;
}

const open = new Map<string, string>();
/** A second press just after the first has landed is the same intent. */
const AFTER = 1500;

/**
 * The key of a change. It is made when the change is first sent and stays with it, through lost answers and
 * second presses, until the server has said that it is made; the same words sent later are a new change.
 */
export function keyFor(method: string, url: string, body: unknown): Intent {
  const what = `${method} ${url} ${JSON.stringify(body)}`;
  const key = open.get(what) ?? crypto.randomUUID();
  open.set(what, key);
  return { what, key };
}

/** The server has made it. */
export function landed({ what, key }: Intent): void {
  setTimeout(() => open.get(what) === key && open.delete(what), AFTER);
}
