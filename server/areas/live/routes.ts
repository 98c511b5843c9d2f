import { may } from '@rocchetto/contract';
import type { Changed } from '@rocchetto/contract/live.ts';
import { Hono } from 'hono';
import { streamSSE } from 'hono/streaming';
import type { Deps, Env } from '../../http/context.ts';
import { cookieOf } from '../../http/cookie.ts';
import { on } from '../../http/route.ts';
import { whoHolds } from '../../records/sign-ins.ts';

/** A quiet stream says that it is alive this often, and asks whether its sign-in still holds. */
const BEAT = 20_000;

/** Streams of one sign-in at a time: one for each page that is open. More than these, and the oldest ends. */
const MOST = 12;

/**
 * One stream for each signed-in page. It begins, and begins again after a loss, with "again": look at what is on
 * the screen once more. Then ids and versions as they change; never data, and no session's id to those who may
 * not read sessions. It ends as soon as its sign-in does: signed out, locked, or off the staff.
 */
export function liveRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  const open = new Map<string, (() => void)[]>();
  on(app, 'GET /live', (c, { role }) => {
    const readsSessions = may(role, 'session.read');
    const { id: me } = c.get('who');
    const token = cookieOf(c)!;
    c.header('x-accel-buffering', 'no');
    return streamSSE(c, async (stream) => {
      const queue: (readonly Changed[] | null)[] = [null];
      let wake = () => {};
      let over = false;
      const end = () => {
        over = true;
        wake();
      };
      const mine = open.get(token) ?? [];
      open.set(token, [...mine, end]);
      if (mine.length >= MOST) mine[0]!();
      const unlisten = deps.live.listen((changed) => {
        queue.push(changed);
        wake();
      });
      const gone = () => over || stream.aborted || deps.live.ended.aborted;
      const stirred = () => wake();
      deps.live.ended.addEventListener('abort', stirred);
      stream.onAbort(stirred);
      // Without renewing it: an open page alone does not keep a sign-in alive.
      const holds = async () => {
        const who = await whoHolds(deps.pool, token, false).catch(() => null);
        return who === null || (who !== undefined && !who.locked);
      };
      while (!gone()) {
        let ask = false;
        for (const changed of queue.splice(0)) {
          if (changed === null) await stream.writeSSE({ event: 'again', data: '' });
          const told = changed?.filter(([what]) => what !== 'session' || readsSessions) ?? [];
          if (told.length > 0) await stream.writeSSE({ event: 'changed', data: JSON.stringify(told) });
          ask ||= told.some(([what, id]) => what === 'staff' && id === me);
        }
        if (ask && !(await holds())) break;
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
        if (!(await holds())) break;
        await stream.write(': still here\n\n');
      }
      deps.live.ended.removeEventListener('abort', stirred);
      unlisten();
      const left = (open.get(token) ?? []).filter((e) => e !== end);
      if (left.length > 0) open.set(token, left);
      else open.delete(token);
    });
  });
  return app;
}
