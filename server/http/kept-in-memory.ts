import type { MiddlewareHandler } from 'hono';
import type { Env } from './context.ts';

interface Kept {
  readonly body: ArrayBuffer;
  readonly headers: readonly (readonly [string, string])[];
}

/**
 * Files that never change under their name are read once and given from memory after that, packed as each browser
 * likes: opening, reading and closing a file takes several times what giving it does. Only whole files that are there
 * are kept, so that there are no more of them than files in the folder, each in the ways it is packed.
 */
export function keptInMemory(): MiddlewareHandler<Env> {
  const kept = new Map<string, Kept>();
  return async (c, next) => {
    const likes = (encoding: string) => (c.req.header('accept-encoding') ?? '').includes(encoding);
    const key = `${likes('br')} ${likes('gzip')} ${c.req.path}`;
    const whole = c.req.method === 'GET' && c.req.header('range') === undefined;
    const has = whole ? kept.get(key) : undefined;
    if (has) {
      for (const [name, value] of has.headers) c.header(name, value);
      return c.body(has.body);
    }
    await next();
    if (!whole || c.res.status !== 200) return;
    const body = await c.res.arrayBuffer();
    const headers = FILE_HEADERS.flatMap((name): [string, string][] => {
      const value = c.res.headers.get(name);
      return value === null ? [] : [[name, value]];
    });
    kept.set(key, { body, headers });
    c.res = new Response(body, c.res);
  };
}

/** What is said of a file; what is said of an answer (its nonce, its policy) is each answer's own. */
const FILE_HEADERS = [
  'content-type',
  'content-length',
  'content-encoding',
  'vary',
  'last-modified',
  'cache-control',
];
