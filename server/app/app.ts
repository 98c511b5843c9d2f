import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { compress } from 'hono/compress';
import { NONCE, secureHeaders } from 'hono/secure-headers';
import { accountRoutes } from '../areas/account/account-routes.ts';
import { sameOrigin, signedIn } from '../areas/account/guard.ts';
import { authRoutes } from '../areas/account/routes.ts';
import { broughtInRoutes } from '../areas/alterations/brought-in.ts';
import { finishedRoutes } from '../areas/alterations/finished-routes.ts';
import { alterationRoutes } from '../areas/alterations/routes.ts';
import { proposalRoutes } from '../areas/bench/proposal.ts';
import { benchRoutes } from '../areas/bench/routes.ts';
import { busyRoutes } from '../areas/calendars/busy.ts';
import { feedRoutes, openFeedRoutes } from '../areas/calendars/feeds.ts';
import { chartRoutes } from '../areas/charts/routes.ts';
import { clientDataRoutes } from '../areas/client-data/routes.ts';
import { clientRoutes } from '../areas/clients/routes.ts';
import { designRoutes } from '../areas/design/routes.ts';
import { bookingRoutes } from '../areas/diary/booking.ts';
import { diaryRoutes } from '../areas/diary/routes.ts';
import { flatRoutes } from '../areas/flat/routes.ts';
import { garmentRoutes } from '../areas/garments/routes.ts';
import { guideRoutes } from '../areas/guide/routes.ts';
import { diaryHouseRoutes } from '../areas/hours/routes.ts';
import { houseRoutes } from '../areas/house/routes.ts';
import { importRoutes } from '../areas/imports/routes.ts';
import { leavingRoutes } from '../areas/leaving/routes.ts';
import { liveRoutes } from '../areas/live/routes.ts';
import { answerRoutes } from '../areas/messages/answers.ts';
import { messageRoutes } from '../areas/messages/routes.ts';
import { cancelRoutes } from '../areas/orders/cancel.ts';
import { orderRoutes } from '../areas/orders/routes.ts';
import { photoRoutes } from '../areas/photos/routes.ts';
import { estimateRoutes } from '../areas/plan/estimate-routes.ts';
import { planRoutes } from '../areas/plan/routes.ts';
import { homeRoutes, openHomeRoutes } from '../areas/sessions/at-home.ts';
import { sessionRoutes } from '../areas/sessions/routes.ts';
import { clothRoutes } from '../areas/sheets/cloth-routes.ts';
import { patternRoutes } from '../areas/sheets/pattern-routes.ts';
import { sheetRoutes } from '../areas/sheets/routes.ts';
import { wouldMoveRoutes } from '../areas/sheets/would-move-routes.ts';
import { staffRoutes } from '../areas/staff/routes.ts';
import { tapeRoutes } from '../areas/tape/routes.ts';
import { behind } from '../http/address.ts';
import type { Deps, Env, SignedIn } from '../http/context.ts';
import { refusalOf } from '../http/database-errors.ts';
import { describeRoutes } from '../http/describe.ts';
import { answer, HttpError } from '../http/problem.ts';
import { on } from '../http/route.ts';
import { noteOnce } from '../records/security-events.ts';
import { TEXTS } from './texts.ts';
import { webShell } from './web-shell.ts';

/** Whether the server and its database are there. */
function openRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /health', async (_c) => {
    await deps.pool.query('select 1');
    return { ok: true };
  });
  return app;
}

/** Where a photograph or an old book is sent to: the places that take more. */
const PHOTO = /^\/api\/(orders\/\d+\/photos|imports)$/;
const limits = new Map<number, ReturnType<typeof bodyLimit>>();
/** Takes no more than so many megabytes. */
function atMost(mb: number) {
  const known =
    limits.get(mb) ??
    bodyLimit({
      maxSize: mb * 1024 * 1024,
      onError: () => {
        throw new HttpError(413, 'too-large', TEXTS.tooLarge(mb));
      },
    });
  limits.set(mb, known);
  return known;
}

/** The whole server: who may come in, every area's routes, and the built interface. */
export function createApp(deps: Deps): Hono<Env> {
  const api = new Hono<Env>()
    .use(sameOrigin)
    .use((c, next) => (PHOTO.test(c.req.path) ? atMost(20)(c, next) : atMost(2)(c, next)))
    .use(async (c, next) => {
      await next();
      if (!c.res.headers.has('cache-control')) c.header('cache-control', 'no-store');
    })
    .route('/', openRoutes(deps))
    .route('/', authRoutes(deps))
    .route('/', openFeedRoutes(deps))
    .route('/', answerRoutes(deps))
    .route('/', openHomeRoutes(deps))
    .use(signedIn(deps))
    .route('/', accountRoutes(deps))
    .route('/', staffRoutes(deps))
    .route('/', houseRoutes(deps))
    .route('/', designRoutes(deps))
    .route('/', guideRoutes(deps))
    .route('/', tapeRoutes(deps))
    .route('/', importRoutes(deps))
    .route('/', leavingRoutes(deps))
    .route('/', garmentRoutes(deps))
    .route('/', flatRoutes(deps))
    .route('/', chartRoutes(deps))
    .route('/', diaryHouseRoutes(deps))
    .route('/', diaryRoutes(deps))
    .route('/', messageRoutes(deps))
    .route('/', bookingRoutes(deps))
    .route('/', benchRoutes(deps))
    .route('/', photoRoutes(deps))
    .route('/', proposalRoutes(deps))
    .route('/', alterationRoutes(deps))
    .route('/', finishedRoutes(deps))
    .route('/', broughtInRoutes(deps))
    .route('/', busyRoutes(deps))
    .route('/', feedRoutes(deps))
    .route('/', clientRoutes(deps))
    .route('/', clientDataRoutes(deps))
    .route('/', orderRoutes(deps))
    .route('/', cancelRoutes(deps))
    .route('/', sessionRoutes(deps))
    .route('/', homeRoutes(deps))
    .route('/', patternRoutes(deps))
    .route('/', clothRoutes(deps))
    .route('/', planRoutes(deps))
    .route('/', estimateRoutes(deps))
    .route('/', sheetRoutes(deps))
    .route('/', wouldMoveRoutes(deps))
    .route('/', liveRoutes(deps))
    .route('/', describeRoutes())
    .all('*', () => {
      throw new HttpError(404, 'not-found', TEXTS.notFound);
    });

  const app = new Hono<Env>();
  const { addressOf, isSecure } = behind();
  // Only what a proxy of ours says is https: then the browser keeps to it for a year.
  app.use(async (c, next) => {
    await next();
    if (isSecure(c)) c.header('strict-transport-security', 'max-age=31536000; includeSubDomains');
  });
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
  const packed = compress();
  // A stream is sent as it is written; packing it would hold back what is told. The built files are packed already.
  app.use((c, next) =>
    c.req.path === '/api/live' || c.req.path.startsWith('/assets/') ? next() : packed(c, next),
  );
  app.route('/api', api);
  app.route('/', webShell());
  app.onError((error, c) => {
    if (error instanceof HttpError) {
      const who = c.get('who') as SignedIn | undefined;
      if (who && error.problem.code === 'not-yours')
        void noteOnce(deps.pool, {
          what: 'refused',
          staffId: who.id,
          address: addressOf(c),
          words: `${c.req.method} ${c.req.path.replace(/\d+/g, '…')}`,
        }).catch(() => undefined);
      return answer(c, error.problem);
    }
    const refusal = refusalOf(error);
    if (refusal) {
      if (refusal.problem.status === 503) {
        deps.log.warn({ code: (error as { code?: string }).code, err: error.message }, refusal.problem.code);
        c.header('retry-after', '1');
      }
      return answer(c, refusal.problem);
    }
    deps.log.error({ err: error, path: c.req.path }, 'unexpected');
    return answer(c, new HttpError(500, 'unexpected', TEXTS.unexpected).problem);
  });
  return app;
}
