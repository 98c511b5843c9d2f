/** Who writes on this device now: whoever is signed in on this page. */
export interface Author {
  readonly id: number;
  readonly name: string;
}

let now: Author | null = null;
const listeners = new Set<() => void>();

export const author = (): Author | null => now;
/** Said by the frame once it is known who is signed in, and that nobody is. */
export function setAuthor(next: Author | null): void {
  if (next?.id === now?.id && next?.name === now?.name) return;
  now = next && { id: next.id, name: next.name };
  for (const listener of listeners) listener();
}
/** Tells when somebody signs in, so that what waits for them goes. */
export function onAuthor(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Whose a kept write is: mine, somebody else's, or nobody's that is known (kept by an earlier build). */
export type Whose = 'mine' | 'other' | 'unknown';
export const whose = (by: Author | undefined): Whose =>
  by === undefined ? 'unknown' : by.id === now?.id ? 'mine' : 'other';

/** The header that names a kept write's author; the server takes it under that sign-in only. */
export const AUTHOR_HEADER = 'x-author';

/** What became of a kept write: in the book, to be tried again, or refused with a sentence. */
export type Outcome =
  | { readonly is: 'kept'; readonly answer: Response }
  | { readonly is: 'waits' }
  | { readonly is: 'refused'; readonly sentence: string };

/** Signed out, locked, slowed down, too late: it may do later. */
const LATER = [401, 408, 423, 425, 429];
/** Refusals that say nothing of what was sent, only of the sign-in or page it came from. */
const OF_THE_SIGN_IN = ['no-csrf-token', 'other-author', 'factor-needed'];

let onStrange = () => {};
/** What to do when an answer says that this page's sign-in is not what it thinks: ask anew who is signed in. */
export const whenStrange = (ask: () => void): void => {
  onStrange = ask;
};

/** Sends a kept write; never throws. A refusal is its own, and is told; anything else waits. */
export async function sendKept(
  path: string,
  by: Author,
  init: { readonly headers: Readonly<Record<string, string>>; readonly body: BodyInit },
): Promise<Outcome> {
  try {
    const answer = await fetch(path, {
      method: 'POST',
      ...init,
      headers: { ...init.headers, [AUTHOR_HEADER]: String(by.id) },
    });
    if (answer.ok) return { is: 'kept', answer };
    if (answer.status < 400 || answer.status >= 500 || LATER.includes(answer.status)) return { is: 'waits' };
    const said = (await answer.json().catch(() => ({}))) as { detail?: string; code?: string };
    // A bare 403 is no answer of ours: something between refused the way there.
    if (answer.status === 403 && !said.code) return { is: 'waits' };
    if (OF_THE_SIGN_IN.includes(said.code ?? '')) {
      onStrange();
      return { is: 'waits' };
    }
    return { is: 'refused', sentence: said.detail ?? 'It was refused. Nothing was saved.' };
  } catch {
    return { is: 'waits' };
  }
}
