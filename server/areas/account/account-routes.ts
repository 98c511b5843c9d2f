import { type Account, asksFactor, type FactorBegun, type FactorOn, ROLE_WORD } from '@rocchetto/contract';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import { behind } from '../../http/address.ts';
import { type Ctx, type Deps, type Env, idParam } from '../../http/context.ts';
import { cookieOf } from '../../http/cookie.ts';
import { once } from '../../http/once.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { tokenHash } from '../../http/token.ts';
import {
  endOtherSignIns,
  endSignIn,
  forgetDevices,
  hashOf,
  lockSignIn,
  readDoors,
  signInsOf,
  writeDoors,
  writeHash,
} from '../../records/doors.ts';
import { readHouse } from '../../records/house.ts';
import { listEvents, noteEvent } from '../../records/security-events.ts';
import { changeUnit } from '../../records/staff.ts';
import { countTries } from '../../records/tries.ts';
import { hashPassphrase, verifyPassphrase } from './passphrase.ts';
import { beginFactor, confirmFactor, dropFactor, readFactor } from './second-factor.ts';
import { refuseWeak } from './strength.ts';
import { TEXTS } from './texts.ts';

/** One's own account: passphrase, where one is signed in, the lock, the second factor; and what happened at the doors. */
export function accountRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  const at = proofs(deps);
  signInRoutes(app, deps, at);
  factorRoutes(app, deps, at);
  doorRoutes(app, deps, at);
  return app;
}

type Proofs = ReturnType<typeof proofs>;
/** Where somebody asks from, their tries, and whether they know the passphrase. */
function proofs(deps: Deps) {
  const takeTry = countTries(deps.pool);
  const { addressOf } = behind();
  /** Checks the passphrase of whoever is signed in, within the tries of this very sign-in. @throws HttpError 401, 429 */
  const prove = async (c: Ctx, passphrase: string, failed: 'unlock-failed' | 'sign-in-failed') => {
    const who = c.get('who');
    const giveBack = await takeTry(who.name, addressOf(c), tokenHash(cookieOf(c)!));
    if (!(await verifyPassphrase(await hashOf(deps.pool, who.id), passphrase))) {
      await noteEvent(deps.pool, { what: failed, staffId: who.id, address: addressOf(c) });
      throw new HttpError(401, 'wrong-passphrase', TEXTS.wrongPassphrase);
    }
    await giveBack();
  };
  return { takeTry, addressOf, prove };
}

/** One's sign-ins, one's passphrase, the lock. */
function signInRoutes(app: Hono<Env>, deps: Deps, { addressOf, prove }: Proofs): void {
  on(app, 'GET /me/account', async (c, { role }) => {
    const { id } = c.get('who');
    const factor = await readFactor(deps.pool, id);
    return {
      signIns: await signInsOf(deps.pool, id, cookieOf(c)!),
      factorSince: factor?.onAt?.toISOString() ?? null,
      codesLeft: factor?.onAt ? factor.codes.length : 0,
      factorAsked: asksFactor(await readDoors(deps.pool), role),
    } satisfies Account;
  });

  on(app, 'PUT /me/unit', (c, { body: { unit } }) =>
    once(c, deps, async (tx) => {
      await changeUnit(tx, c.get('who').id, unit);
      return { body: { unit } };
    }),
  );

  on(app, 'POST /me/passphrase', async (c, { body: { current, next } }) => {
    const who = c.get('who');
    await prove(c, current, 'sign-in-failed');
    const { studio } = await readHouse(deps.pool);
    await refuseWeak(next, studio, who.name);
    const hash = await hashPassphrase(next);
    return once(c, deps, async (tx) => {
      await writeHash(tx, who.id, hash);
      await endOtherSignIns(tx, who.id, cookieOf(c)!);
      await forgetDevices(tx, who.id);
      await noteEvent(tx, { what: 'passphrase-changed', staffId: who.id, address: addressOf(c) });
      return { body: { ok: true }, changed: [['staff', who.id, 0]] };
    });
  });

  on(app, 'DELETE /me/sign-ins/:id', (c) =>
    once(c, deps, async (tx) => {
      const who = c.get('who');
      if (!(await endSignIn(tx, who.id, idParam(c, 'sign-in')))) throw notFound('sign-in');
      await noteEvent(tx, { what: 'signed-out-elsewhere', staffId: who.id, address: addressOf(c) });
      return { body: { ok: true }, changed: [['staff', who.id, 0]] };
    }),
  );

  on(app, 'POST /lock', async (c) => {
    const who = c.get('who');
    await lockSignIn(deps.pool, cookieOf(c)!, deps.now());
    await noteEvent(deps.pool, { what: 'locked', staffId: who.id, address: addressOf(c) });
    deps.live.tell([['staff', who.id, 0]]);
    return { ok: true };
  });
  on(app, 'POST /unlock', async (c, { body: { passphrase } }) => {
    const who = c.get('who');
    await prove(c, passphrase, 'unlock-failed');
    await lockSignIn(deps.pool, cookieOf(c)!, null);
    await noteEvent(deps.pool, { what: 'unlocked', staffId: who.id, address: addressOf(c) });
    return { csrf: who.csrf };
  });
}

/** One's second factor. */
function factorRoutes(app: Hono<Env>, deps: Deps, { takeTry, addressOf, prove }: Proofs): void {
  on(app, 'POST /me/second-factor', (c) =>
    once(
      c,
      deps,
      async (tx) => {
        const who = c.get('who');
        if ((await readFactor(tx, who.id, true))?.onAt) throw new HttpError(409, 'factor-on', TEXTS.factorOn);
        return { body: {} };
      },
      async (tx): Promise<FactorBegun> => {
        // Shown, not kept with the answer: a repeat of the same request gets a new one.
        const { studio } = await readHouse(tx);
        return beginFactor(tx, c.get('who').id, studio, c.get('who').name);
      },
    ),
  );
  on(app, 'POST /me/second-factor/confirm', async (c, { body: { code } }) => {
    const who = c.get('who');
    const giveBack = await takeTry(who.name, addressOf(c), tokenHash(cookieOf(c)!));
    let codes: readonly string[] = [];
    const res = await once(
      c,
      deps,
      async (tx) => {
        const made = await confirmFactor(tx, who.id, code, deps.now());
        if (!made) throw new HttpError(422, 'wrong-code', TEXTS.wrongCodeUnchanged);
        codes = made;
        await noteEvent(tx, { what: 'factor-on', staffId: who.id, address: addressOf(c) });
        await remember(tx, 'staff', who.id, who.id, 'second factor on', undefined, undefined);
        return { body: {}, changed: [['staff', who.id, 0]] };
      },
      async (): Promise<FactorOn> => ({ codes }),
    );
    await giveBack();
    return res;
  });
  on(app, 'POST /me/second-factor/off', async (c, { role, body: { passphrase } }) => {
    const who = c.get('who');
    if (asksFactor(await readDoors(deps.pool), role))
      throw new HttpError(409, 'factor-asked', TEXTS.factorAsked(ROLE_WORD[role]));
    await prove(c, passphrase, 'sign-in-failed');
    return once(c, deps, async (tx) => {
      await dropFactor(tx, who.id);
      await noteEvent(tx, { what: 'factor-off', staffId: who.id, address: addressOf(c) });
      return { body: { ok: true }, changed: [['staff', who.id, 0]] };
    });
  });
}

/** What happened at the doors, and how they are kept. */
function doorRoutes(app: Hono<Env>, deps: Deps, { addressOf }: Proofs): void {
  on(app, 'GET /security', async (_c, { query }) => await listEvents(deps.pool, query.before ?? null));
  on(app, 'GET /security/doors', async (_c) => {
    const { version: _, ...doors } = await readDoors(deps.pool);
    return doors;
  });
  on(app, 'PUT /security/doors', (c, { body }) =>
    once(c, deps, async (tx) => {
      const who = c.get('who');
      const { version: _, ...before } = await readDoors(tx);
      if (JSON.stringify(before) === JSON.stringify(body)) return { body };
      await writeDoors(tx, body);
      const words = `screens lock after ${body.idleMinutes || 'no'} minutes; second factor: ${body.secondFactor.join(', ') || 'nobody'}`;
      await noteEvent(tx, { what: 'doors-changed', staffId: who.id, address: addressOf(c), words });
      await remember(tx, 'house', 1, who.id, 'lock and second factor', before, body);
      return { body, changed: [['house', 1, 0]] };
    }),
  );
}
