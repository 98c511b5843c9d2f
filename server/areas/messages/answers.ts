import { type AppointmentView, type ClientPage, contactOf, messageValues } from '@rocchetto/contract';
import { printDayIn } from '@rocchetto/core/dates/in-language.ts';
import { fillWords, PAGE_WORD_IDS, PAGE_WORDS, type PageWord } from '@rocchetto/core/diary/words.ts';
import { wallAt } from '@rocchetto/core/diary/zoned.ts';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import { type Db, inTransaction } from '../../db/pool.ts';
import { behind } from '../../http/address.ts';
import type { Ctx, Deps, Env } from '../../http/context.ts';
import { cookieOf } from '../../http/cookie.ts';
import { HttpError } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { tokenHash } from '../../http/token.ts';
import { languageOf } from '../../records/clients.ts';
import {
  holdAppointment,
  keepAnswer,
  leaveSlots,
  readAppointment,
  stepAppointment,
  takeSlot,
} from '../../records/diary/appointments.ts';
import { readRules } from '../../records/diary/hours.ts';
import { linkedAppointment } from '../../records/diary/links.ts';
import { planMessages } from '../../records/diary/telling.ts';
import { readHouse } from '../../records/house.ts';
import { whoHolds } from '../../records/sign-ins.ts';
import { countKnocks } from '../../records/tries.ts';
import { TEXTS } from './texts.ts';

const closed = () => new HttpError(404, 'closed', TEXTS.closed);

type House = Awaited<ReturnType<typeof readHouse>>;
/** The page as the client reads it: in their language where the house has texts in it, else in the house's own. */
async function pageOf(db: Db, a: AppointmentView, house: House): Promise<ClientPage> {
  const { studio, timeZone: zone } = house;
  const asked = await languageOf(db, a.clientId);
  const own = (await readRules(db)).rules.languages[asked];
  const language = own && Object.keys(own.page).length > 0 ? asked : '';
  const values = messageValues(a, undefined, {
    studio,
    contact: contactOf(house),
    wall: (at) => wallAt(zone, at),
    dateOrder: house.dateOrder,
    roomName: () => '',
    language,
    ...(language ? { kinds: own!.kinds } : {}),
  });
  return {
    studio,
    contact: contactOf(house),
    client: a.clientName,
    kind: values.kind ?? a.kindName,
    status: a.status,
    answer: a.answer,
    bring: a.bring,
    until: values.until ?? '',
    language,
    words: Object.fromEntries(
      PAGE_WORD_IDS.map((id) => [id, fillWords(own?.page[id] ?? PAGE_WORDS[id], values)]),
    ) as ClientPage['words'],
    times: a.slots
      .filter((s) => s.state !== 'left')
      .map((s) => ({ id: s.id, day: printDayIn(language, s.day, house.dateOrder), from: s.from, to: s.to })),
  };
}

/**
 * The client's own page of one appointment: her times, yes, or another time please. Whoever holds the link is she, but
 * for the staff: what they answer on a device of the studio stands under their name.
 */
export function answerRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  const knock = countKnocks(deps.pool);
  const { addressOf } = behind();
  const staffOf = async (c: Ctx): Promise<number | null> => {
    const token = cookieOf(c);
    return token ? ((await whoHolds(deps.pool, token))?.id ?? null) : null;
  };
  on(app, 'POST /answer/look', async (c, { body }) => {
    const opens = await knock(addressOf(c));
    const house = await readHouse(deps.pool);
    const zone = house.timeZone;
    const id = await linkedAppointment(deps.pool, tokenHash(body.key), deps.now());
    const found = id === null ? undefined : await readAppointment(deps.pool, zone, id);
    if (!found) throw closed();
    await opens();
    return await pageOf(deps.pool, found, house);
  });

  on(app, 'POST /answer', async (c, { body: { key, answer, slotId, words } }) => {
    const now = deps.now();
    const opens = await knock(addressOf(c));
    const by = await staffOf(c);
    const page = await inTransaction(deps.pool, async (tx) => {
      const house = await readHouse(tx);
      const zone = house.timeZone;
      const id = await linkedAppointment(tx, tokenHash(key), now);
      const a = id === null ? undefined : await holdAppointment(tx, zone, id);
      if (!a) throw closed();
      const chosen = a.slots.find((s) => s.id === slotId);
      // Said twice is said once: a second press, or a second window, changes nothing.
      const again =
        a.answer === answer &&
        a.answerWords === words &&
        (answer !== 'yes' || !slotId || chosen?.state === 'taken');
      if (again) return { id: a.id, page: await pageOf(tx, a, house) };
      // A refusal is said as the page is.
      const no = async (code: string, word: PageWord) =>
        new HttpError(422, code, (await pageOf(tx, a, house)).words[word]);
      if (a.status !== 'offered' && a.status !== 'confirmed') throw await no('not-open', 'notOpen');
      if (a.status === 'offered' && answer === 'yes') {
        if (a.heldUntil && new Date(a.heldUntil) <= now) throw await no('lapsed', 'lapsed');
        if (chosen?.state !== 'offered') throw await no('which-time', 'whichTime');
        await leaveSlots(tx, a.id, { but: chosen.id, reason: 'the client chose another', by: null, at: now });
        await takeSlot(tx, chosen.id);
        await stepAppointment(tx, a.id, 'confirmed', { heldUntil: null });
        await planMessages(tx, zone, (await readAppointment(tx, zone, a.id))!, 'confirmed', now);
      }
      await keepAnswer(tx, a.id, { answer, words, at: now, by });
      await remember(
        tx,
        'appointment',
        a.id,
        by,
        `${by === null ? 'the client said' : 'said for the client:'} ${answer.replace('-', ' ')}`,
        undefined,
        { slotId, words },
      );
      return { id: a.id, page: await pageOf(tx, (await readAppointment(tx, zone, a.id))!, house) };
    });
    await opens();
    deps.live.tell([['diary', page.id, 0]]);
    return page.page;
  });
  return app;
}
