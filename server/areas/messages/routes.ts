import { type MailServerView, may, type Outbox } from '@rocchetto/contract';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { HttpError } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { versioned } from '../../http/versioned.ts';
import { listMessages, setCarrier, tellAgain } from '../../records/diary/messages.ts';
import { readHouse } from '../../records/house.ts';
import { changeMailServer, mailSecret, readMailServer } from '../../records/mail-server.ts';
import { MailRefused, MailTrouble, sendMail } from './smtp.ts';
import { TEXTS } from './texts.ts';

/** Messages to clients, and the mail server they go through. */
export function messageRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /messages', async (_c, { query, role }) => {
    const { messages, ...how } = await listMessages(deps.pool, query);
    // Where a letter went, and what a mail server said of it, name the client's address.
    const shown = may(role, 'client.contact')
      ? messages
      : messages.map((m) => ({ ...m, sentTo: '', trouble: m.trouble && 'not sent' }));
    return { ...how, messages: shown } satisfies Outbox;
  });
  on(app, 'POST /messages/:id/again', (c) =>
    once(c, deps, async (tx) => {
      if (!(await tellAgain(tx, idParam(c, 'message')))) throw new HttpError(409, 'not-open', TEXTS.notOpen);
      return { body: { ok: true as const }, changed: [['diary', 0, 0]] };
    }),
  );
  on(app, 'POST /messages/carrier', (c, { body: { fails } }) =>
    once(c, deps, async (tx) => {
      if (!(await setCarrier(tx, fails))) throw new HttpError(422, 'demo-only', TEXTS.demoOnly);
      const did = fails ? 'message failure simulated' : 'message failure ended';
      await remember(tx, 'house', 1, c.get('who').id, did, undefined, undefined);
      return { body: { fails }, changed: [['diary', 0, 0]] };
    }),
  );

  on(app, 'GET /house/mail', async (_c) => await readMailServer(deps.pool));
  on(app, 'PUT /house/mail', (c, { body: { version, ...wanted } }) =>
    once(c, deps, async (tx) => {
      if (wanted.on && !(await readHouse(tx)).email) throw new HttpError(422, 'no-address', TEXTS.noAddress);
      const { password, ...shown } = wanted;
      const kept = ({ version: _, hasPassword: __, ...server }: MailServerView) => server;
      await versioned(tx, {
        what: 'mail-server',
        id: 1,
        version,
        mine: password === undefined ? shown : { ...shown, password: 'changed' },
        who: c.get('who'),
        did: 'mail server changed',
        read: (t) => readMailServer(t, true),
        write: async (t) => {
          await changeMailServer(t, wanted);
          return shown;
        },
        kept,
      });
      return { body: await readMailServer(tx), changed: [['house', 1, 0]] };
    }),
  );
  on(app, 'POST /house/mail/try', async (_c, { body: { to } }) => {
    const [server, secret, house] = await Promise.all([
      readMailServer(deps.pool),
      mailSecret(deps.pool),
      readHouse(deps.pool),
    ]);
    if (!server.on || !house.email) throw new HttpError(422, 'no-mail', TEXTS.noMail);
    const letter = {
      channel: 'mail',
      to,
      subject: `${house.studio}: test letter`,
      body: `This is a test of the studio’s mail server.\n\n${house.studio}`,
    } as const;
    try {
      await sendMail({ server, secret, name: house.studio, from: house.email }, letter, `try-${Date.now()}`);
    } catch (error) {
      if (error instanceof MailTrouble || error instanceof MailRefused)
        throw new HttpError(422, 'not-sent', TEXTS.notSent(error.message));
      throw error;
    }
    return { ok: true };
  });
  return app;
}
