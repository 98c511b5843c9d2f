import {
  contactOf,
  type HomePage,
  type HomeSend,
  type ReadingWire,
  SessionWrite,
  toPart,
} from '@rocchetto/contract';
import {
  dayIn,
  findMeasure,
  formatSentence,
  homeList,
  inTapeOrder,
  measuringTogether,
  ownFindings,
  printDate,
  readLength,
  wholeOf,
} from '@rocchetto/core';
import { printDayIn } from '@rocchetto/core/dates/in-language.ts';
import { fillHome, HOME_WORDS, type HomeWord, homeWord } from '@rocchetto/core/measures/guide/home-words.ts';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import { type Db, inTransaction, type Tx } from '../../db/pool.ts';
import { behind } from '../../http/address.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { newToken, tokenHash } from '../../http/token.ts';
import { readRules } from '../../records/diary/hours.ts';
import { readHouse } from '../../records/house.ts';
import { readOrder } from '../../records/orders.ts';
import { keepReadings, readSession } from '../../records/sessions.ts';
import { countKnocks } from '../../records/tries.ts';
import {
  addHomeLink,
  closeHomeLink,
  type HomeLink,
  homeLinks,
  openHomeLink,
  renewHomeLink,
  sentHome,
} from './home-sql.ts';
import { TEXTS } from './texts.ts';

/** Who reads at home, in the book: the name itself stands on the client's card. */
const READ_BY = 'the client, at home';

const closed = () => new HttpError(404, 'closed', TEXTS.closed);

type House = Awaited<ReturnType<typeof readHouse>>;
/** The page in the client's language where the house has written it in that, else in the studio's English. */
async function pageOf(db: Db, link: HomeLink, house: House): Promise<HomePage> {
  const measures = homeList(
    inTapeOrder(measuringTogether(link.garments.map((parts) => parts.map(toPart))), house.rules.tape),
  );
  const own = (await readRules(db)).rules.languages[link.language]?.home ?? {};
  const language = Object.keys(own).length > 0 ? link.language : '';
  const printed = (at: Date) => {
    const day = dayIn(house.timeZone, at);
    return language ? printDayIn(language, day, house.dateOrder) : printDate(day, house.dateOrder);
  };
  return {
    studio: house.studio,
    contact: contactOf(house),
    unit: link.unit ?? house.unit,
    client: link.client,
    minor: link.minor,
    measures,
    language,
    words: Object.fromEntries(
      [...Object.keys(HOME_WORDS), ...measures.flatMap((m) => [`name ${m}`, `how ${m}`])].map((id) => [
        id,
        own[id] ?? homeWord(id),
      ]),
    ),
    until: printed(link.expiresAt),
    sent: link.sentAt ? printed(link.sentAt) : '',
  };
}

/**
 * What was typed at home as readings, flagged as reported.
 * @throws HttpError 422 with a sentence for each that cannot be, or that is unlikely and was not looked at again
 */
function readingsOf({ readings, unit, helper }: HomeSend, page: HomePage, at: string) {
  const asked = new Set(page.measures);
  // In another language than the studio's a doubtful figure is told as its page tells it.
  const told = (sentence: string, word: HomeWord) => (page.language ? page.words[word]! : sentence);
  const problems: string[] = [];
  const out: ReadingWire[] = [];
  for (const { id, measure, text, tape, stands } of readings) {
    const m = findMeasure(measure)!;
    const read = readLength(text, unit);
    const name = page.language ? (page.words[`name ${measure}`] ?? m.name) : m.name;
    if (!asked.has(measure)) problems.push(fillHome(page.words.notNeeded!, { measure: name }));
    else if (!read.ok) problems.push(`${name}: ${told(read.sentence, 'unread')}`);
    else {
      const { written } = read;
      const found = ownFindings({
        measure: m,
        value: wholeOf({ written, way: 'whole' }),
        written,
        way: 'whole',
      });
      if (found.some((f) => f.level === 'hard' || !stands))
        problems.push(`${name}: ${told(formatSentence(found[0]!.sentence, unit), 'unlikely')}`);
      out.push({
        id,
        measure,
        state: 'read',
        written,
        way: 'whole',
        // A finger under the tape is a girth's: a length has nothing to lie under.
        tape: m.kind === 'girth' ? tape : 'snug',
        source: 'reported by client',
        replaces: null,
        reason: '',
        note: '',
        wroteBy: helper,
        at,
      });
    }
  }
  if (problems.length > 0) throw new HttpError(422, 'not-valid', problems[0]!, { problems });
  return out;
}

/** Whether exactly this is what was sent the first time. */
async function sentAlready(tx: Tx, link: HomeLink, readings: readonly ReadingWire[]): Promise<boolean> {
  const kept = (await readSession(tx, link.sessionId))?.readings ?? [];
  const there = new Map(kept.map((r) => [r.id, `${r.measure} ${r.written?.text} ${r.written?.unit}`]));
  return readings.every((r) => there.get(r.id) === `${r.measure} ${r.written?.text} ${r.written?.unit}`);
}

/** A client measures at home: a page behind a link of her own that ends. What she reads is flagged until staff confirm it. */
export function homeRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(
    app,
    'GET /orders/:id/home-links',
    async (c) => await homeLinks(deps.pool, idParam(c, 'order'), deps.now()),
  );
  on(app, 'POST /orders/:id/home-links', (c, { body: { days } }) => {
    const orderId = idParam(c, 'order');
    return once(
      c,
      deps,
      async (tx) => {
        const now = deps.now();
        if (!(await readOrder(tx, orderId, true))) throw notFound('order');
        const until = new Date(now.getTime() + days * 86_400_000);
        const id = await addHomeLink(tx, { orderId, by: c.get('who').id, until, now });
        await remember(tx, 'order', orderId, c.get('who').id, 'asked to measure at home', undefined, {
          days,
        });
        return { body: { id }, changed: [['order', orderId, 0]] };
      },
      // The link is shown once and only its hash is kept: a repeat of the same request is given a new one.
      async (tx, { id }: { id: number }) => {
        const { token, hash } = newToken();
        await renewHomeLink(tx, id, hash);
        return { id, path: `/at-home#${token}` };
      },
    );
  });
  on(app, 'POST /home-links/:id/close', (c) =>
    once(c, deps, async (tx) => {
      const id = idParam(c, 'link');
      const orderId = await closeHomeLink(tx, id, deps.now());
      if (orderId === undefined) throw notFound('open link');
      await remember(
        tx,
        'order',
        orderId,
        c.get('who').id,
        'closed the page for measuring at home',
        undefined,
        undefined,
      );
      return { body: {}, changed: [['order', orderId, 0]] };
    }),
  );
  return app;
}

/** The client's own page; whoever holds the link is she. */
export function openHomeRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  const knock = countKnocks(deps.pool);
  const { addressOf } = behind();
  on(app, 'POST /at-home/look', async (c, { body: { key } }) => {
    const opens = await knock(addressOf(c));
    const link = await openHomeLink(deps.pool, tokenHash(key), deps.now());
    if (!link || (link.measuredSince && !link.sentAt)) throw closed();
    await opens();
    return await pageOf(deps.pool, link, await readHouse(deps.pool));
  });
  on(app, 'POST /at-home', async (c, { body }) => {
    const now = deps.now();
    const opens = await knock(addressOf(c));
    const { link, page } = await inTransaction(deps.pool, async (tx) => {
      const held = await openHomeLink(tx, tokenHash(body.key), now, true);
      if (!held) throw closed();
      const house = await readHouse(tx);
      const asked = await pageOf(tx, held, house);
      // A refusal is said as the page is.
      const no = (status: 409 | 422, code: string, word: HomeWord) =>
        new HttpError(status, code, fillHome(asked.words[word]!, { sent: asked.sent }));
      const readings = readingsOf(body, asked, now.toISOString());
      if (held.sentAt) {
        if (await sentAlready(tx, held, readings)) return { link: null, page: asked };
        throw no(409, 'sent-already', 'sentAlready');
      }
      if (held.measuredSince) throw no(409, 'measured-since', 'measuredSince');
      const session = SessionWrite.parse({
        id: held.sessionId,
        clientId: held.clientId,
        orderId: held.orderId,
        at: now.toISOString(),
        unit: body.unit,
        measurer: READ_BY,
        scribe: body.helper,
        beneath: body.beneath,
        guardian: body.guardian,
        changed: body.words,
        consent: true,
      });
      if (held.minor && !body.guardian) throw no(422, 'guardian', 'noGuardian');
      const { kept } = await keepReadings(tx, session, readings, {
        id: held.by,
        name: READ_BY,
        role: 'desk',
        csrf: '',
      });
      if (kept.length !== new Set(readings.map((r) => r.id)).size) throw no(409, 'ids', 'sentTwice');
      await sentHome(tx, held.id, now);
      await remember(tx, 'order', held.orderId, null, 'the client sent measurements from home', undefined, {
        readings: kept.length,
      });
      return { link: held, page: await pageOf(tx, { ...held, sentAt: now }, house) };
    });
    await opens();
    if (link)
      deps.live.tell([
        ['order', link.orderId, 0],
        ['client', link.clientId, 0],
        ['session', link.sessionId, 0],
      ]);
    return page;
  });
  return app;
}
