import { may } from '@rocchetto/contract';
import type { Changed } from '@rocchetto/contract/live.ts';
import { Hono } from 'hono';
import { streamSSE } from 'hono/streaming';
import { whoHolds } from '../auth/sql.ts';
import type { Deps, Env } from '../http/context.ts';
import { cookieOf } from '../http/cookie.ts';
import { on } from '../http/route.ts';

/** A quiet stream says that it is alive this often, and asks whether its sign-in still holds. */
const BEAT = 20_000;

/**
 * One stream for each signed-in page. It begins, and begins again after a loss, with "again": look at what is on
 * the screen once more. Then ids and versions as they change; never data, and no session's id to those who may
 * not read sessions.
 */
export function liveRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /live', (c, { role }) => {
    const readsSessions = may(role, 'session.read');
    const token = cookieOf(c)!;
    c.header('x-accel-buffering', 'no');
    return streamSSE(c, async (stream) => {
      const queue: (readonly Changed[] | null)[] = [null];
      let wake = () => {};
      const unlisten = deps.live.listen((changed) => {
        queue.push(changed);
        wake();
      });
      const gone = () => stream.aborted || deps.live.ended.aborted;
      const stirred = () => wake();
      deps.live.ended.addEventListener('abort', stirred);
      stream.onAbort(stirred);
      while (!gone()) {
        for (const changed of queue.splice(0)) {
          if (changed === null) await stream.writeSSE({ event: 'again', data: '' });
          const mine = changed?.filter(([what]) => what !== 'session' || readsSessions) ?? [];
          if (mine.length > 0) await stream.writeSSE({ event: 'changed', data: JSON.stringify(mine) });
        }
        const beat = await new Promise<boolean>((done) => {
          const timer = setTimeout(() => done(true), BEAT);
          timer.unref();
          wake = () => {
            clearTimeout(timer);
            done(false);
          };
          if (queue.length > 0 || gone()) wake();
        });
        if (!beat) continue;
        // Without renewing it: an open page alone does not keep a sign-in alive.
        const holds = await whoHolds(deps.pool, token, false).catch(() => ({}));
        if (!holds) break;
        await stream.write(': still here\n\n');
      }
      deps.live.ended.removeEventListener('abort', stirred);
      unlisten();
    });
  });
  return app;
}
