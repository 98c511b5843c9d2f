import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { compress } from 'hono/compress';
import { NONCE, secureHeaders } from 'hono/secure-headers';
import { sameOrigin, signedIn } from './auth/guard.ts';
import { authRoutes } from './auth/routes.ts';
import { clientRoutes } from './clients/routes.ts';
import type { Deps, Env } from './http/context.ts';
import { answer, Refusal } from './http/problem.ts';
import { orderRoutes } from './orders/routes.ts';
import { sessionRoutes } from './sessions/routes.ts';
import { sheetRoutes } from './sheets/routes.ts';
import { staffRoutes } from './staff/routes.ts';
import { webShell } from './web-shell.ts';

/** PostgreSQL's and the network's words for "not there just now". */
const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  '57P01',
  '57P02',
  '57P03',
  '08006',
  '08001',
  '08003',
]);

/** The whole server: who may come in, every area's routes, and the built interface. */
export function createApp(deps: Deps): Hono<Env> {
  const api = new Hono<Env>()
    .use(sameOrigin)
    .use(
      bodyLimit({
        maxSize: 2 * 1024 * 1024,
        onError: () => {
          throw new Refusal(413, 'too-large', 'This is more than 2 MB; nothing of it was taken.');
        },
      }),
    )
    .use(async (c, next) => {
      await next();
      if (!c.res.headers.has('cache-control')) c.header('cache-control', 'no-store');
    })
    .get('/health', async (c) => {
      await deps.pool.query('select 1');
      return c.json({ ok: true });
    })
    .route('/', authRoutes(deps))
    .use(signedIn(deps))
    .route('/', staffRoutes(deps))
    .route('/', clientRoutes(deps))
    .route('/', orderRoutes(deps))
    .route('/', sessionRoutes(deps))
    .route('/', sheetRoutes(deps))
    .all('*', () => {
      throw new Refusal(404, 'not-found', 'There is nothing at this address.');
    });

  const app = new Hono<Env>();
  app.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'", NONCE],
        styleSrc: ["'self'", NONCE],
        imgSrc: ["'self'", 'data:'],
        connectSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
      xFrameOptions: 'DENY',
      referrerPolicy: 'same-origin',
      strictTransportSecurity: false,
      permissionsPolicy: { camera: [], microphone: [], geolocation: [] },
    }),
  );
  app.use(compress());
  app.route('/api', api);
  app.route('/', webShell());
  app.onError((error, c) => {
    if (error instanceof Refusal) return answer(c, error.problem);
    const code = (error as { code?: string }).code ?? '';
    if (AWAY.has(code) || /Connection terminated|connect(ion)? time/i.test(error.message)) {
      deps.log.warn({ code }, 'database away');
      return answer(
        c,
        new Refusal(
          503,
          'database-away',
          'The studio’s book cannot be reached just now. What you wrote is kept here; try again in a moment.',
        ).problem,
      );
    }
    deps.log.error({ err: error, path: c.req.path }, 'unexpected');
    return answer(
      c,
      new Refusal(
        500,
        'unexpected',
        'Something went wrong in the program. Nothing was changed; what you wrote is still here.',
      ).problem,
    );
  });
  return app;
}
