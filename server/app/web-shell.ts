import { readFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import { serveStatic } from '@hono/node-server/serve-static';
import { Hono } from 'hono';
import { SERVER } from '../db/where.ts';
import type { Env } from '../http/context.ts';
import { keptInMemory } from '../http/kept-in-memory.ts';

const NONCE_PLACE = 'CSP_NONCE_GOES_HERE';
const dist = fileURLToPath(new URL('../web/dist', SERVER));

/** The built interface: its files as they are, and one page for every address, with this answer's nonce in it. */
export function webShell(): Hono<Env> {
  return new Hono<Env>()
    .use('/assets/*', keptInMemory())
    .use('/assets/*', async (c, next) => {
      await next();
      if (c.res.ok) c.header('cache-control', 'public, max-age=31536000, immutable');
    })
    .use('/assets/*', serveStatic({ root: dist, precompressed: true }))
    .get('/assets/*', (c) => c.text('Not here.', 404))
    .use('/sw.js', async (c, next) => {
      await next();
      c.header('cache-control', 'no-cache');
    })
    .get('/sw.js', serveStatic({ path: `${dist}/sw.js` }))
    .get('/manifest.webmanifest', serveStatic({ path: `${dist}/manifest.webmanifest` }))
    .get('/favicon.svg', serveStatic({ path: `${dist}/favicon.svg` }))
    .get('*', async (c) => {
      const html = (await readFile(`${dist}/index.html`, 'utf8')).replaceAll(
        NONCE_PLACE,
        c.get('secureHeadersNonce') ?? '',
      );
      return c.html(html, 200, { 'cache-control': 'no-store' });
    });
}
