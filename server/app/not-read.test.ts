import type { Role } from '@rocchetto/contract';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from './testing.ts';

/**
 * Two studios that differ only in what a role may not read. Whatever is asked of them, that role gets the same
 * answers from both: what may not be read changes nothing.
 */
interface Studio {
  readonly t: TestApp;
  readonly as: Record<'seamstress' | 'desk', Caller>;
  readonly orderId: number;
}
const PEOPLE = ['Ada Aalto', 'Bea Brack', 'Cleo Corso', 'Dora Dahl', 'Edda Ewing'];
const [ONE, OTHER] = [
  {
    phone: '0171 555 24 68',
    email: 'one@example.org',
    address: '1 Quay Street',
    note: 'Likes the sea',
    reason: 'first reason',
    text: '70',
    price: 25,
  },
  {
    phone: '+44 (0)20 7946-0018',
    email: 'other@example.net',
    address: '9 Mill Lane',
    note: 'Afraid of pins',
    reason: 'other reason',
    text: '140',
    price: 1234.5,
  },
];

async function studio(secret: typeof ONE): Promise<Studio> {
  const t = await startTestApp();
  const fitter = await t.as('fitter');
  const { phone, email, address, note } = secret;
  let made = { clientId: 0, orderId: 0 };
  for (const name of PEOPLE) made = await skirtOrder(fitter, { name, phone, email, address, note });
  // The same body figure, called out in another way, with other reasons and notes.
  const body = sessionBody(made.clientId, made.orderId, ['waist 70 cm', 'hip 98 cm', 'waist-to-hip 20 cm']);
  const readings = body.readings.map((r, i) => ({
    ...r,
    id: `00000000-0000-4000-8000-00000000000${i}`,
    reason: secret.reason,
    note: secret.reason,
    ...(i === 0 ? { written: { value: secret.text, unit: 'cm', text: secret.text }, way: 'whole' } : {}),
  }));
  if (secret.text === '140')
    Object.assign(readings[0]!, { written: { value: '35', unit: 'cm', text: '35' }, way: 'half' });
  await json(
    fitter.send('POST', '/readings', {
      session: { ...body.session, id: '00000000-0000-4000-8000-0000000000aa' },
      readings,
    }),
  );
  // The same change agreed at two prices, with a price of the house behind it; one further step by the bench.
  const principal = await t.as('principal');
  const { version, bench } = await json(principal.get('/house/bench'));
  await json(
    principal.send('PUT', '/house/bench', {
      version,
      bench: {
        ...bench,
        kinds: { waist: { minutes: 40, price: secret.price } },
        rates: { ...bench.rates, hour: { tailoring: secret.price }, deposit: secret.price > 100 ? 10 : 20 },
      },
    }),
  );
  // An estimate of it, agreed at a price of the same.
  const estimate = `/orders/${made.orderId}/estimate`;
  await json(
    principal.send('PUT', estimate, {
      version: 0,
      choices: { version: 1, asked: secret.price, words: secret.note },
    }),
  );
  const { stamp } = await json(principal.get(estimate));
  const kept = await json(principal.send('POST', `${estimate}s`, { stamp }), 201);
  await json(principal.send('POST', `/estimates/${kept.id}/agree`, { name: secret.note }));
  const asked = { kind: 'waist', direction: 'in', amount: '1 cm', as: 'pinned' };
  const { id } = await json(
    fitter.send('POST', `/orders/${made.orderId}/alterations`, { asked, source: 'fitting' }),
    201,
  );
  await json(
    fitter.send('POST', `/alterations/${id}/steps`, {
      version: 1,
      step: { step: 'agree', name: 'Edda', price: secret.price },
    }),
  );
  // A step as it was written before prices stood by themselves.
  await t.pool.query(
    `insert into alteration_step (alteration_id, by, at, step, says) values ($1, 1, now(), 'agree', $2)`,
    [id, JSON.stringify({ version: 1, words: `by Edda, price ${secret.price.toFixed(2)}, needed on 1 May` })],
  );
  return { t, as: { seamstress: await t.as('seamstress'), desk: await t.as('desk') }, orderId: made.orderId };
}

let studios: [Studio, Studio];
beforeAll(async () => {
  studios = [await studio(ONE!), await studio(OTHER!)];
});
afterAll(() => Promise.all(studios.map((s) => s.t.close())));

/** What both studios answer to one question of one role, whatever changes from run to run left out. */
async function answers(role: 'seamstress' | 'desk', path: string) {
  return Promise.all(
    studios.map(async (s) => {
      const res = await s.as[role].get(path);
      const text = await res.text();
      return `${res.status} ${text.replace(/"(briefAt|csrf|at|madeAt)":"[^"]*"/g, '')}`;
    }),
  );
}
const piece = (text: string) =>
  fc.tuple(fc.nat(text.length - 1), fc.integer({ min: 1, max: 12 })).map(([at, n]) => text.slice(at, at + n));
/** Questions of every kind: words, halves of words, and pieces of the very things that may not be read. */
const question = fc.oneof(
  ...Object.values({ ...ONE, ...OTHER, p1: ONE!.phone, p2: OTHER!.phone }).map((v) => piece(String(v))),
  fc.constantFrom(...PEOPLE).chain(piece),
  fc.stringMatching(/^[0-9 ()+/.-]{1,14}$/),
  fc.string({ maxLength: 12 }),
);

describe('what a role may not read never changes what it is answered', () => {
  it('to a bench hand who searches clients and orders', async () => {
    await fc.assert(
      fc.asyncProperty(question, fc.constantFrom('/clients', '/orders'), async (q, where) => {
        const [one, other] = await answers('seamstress', `${where}?q=${encodeURIComponent(q)}`);
        expect(one).toBe(other);
      }),
      { numRuns: 300 },
    );
  });
  it.each<[Role & ('seamstress' | 'desk'), string]>([
    ['seamstress', '/clients/3'],
    ['seamstress', '/orders/5'],
    ['seamstress', '/clients'],
    ['seamstress', '/clients/5/earlier'],
    ['seamstress', '/orders/5/alterations'],
    ['seamstress', '/orders/5/leaving'],
    ['seamstress', '/orders/5/design'],
    ['seamstress', '/orders/5/money'],
    ['seamstress', '/orders/5/estimate'],
    ['seamstress', '/orders/5/estimate.pdf'],
    ['seamstress', '/orders/5/plan'],
    ['seamstress', '/orders/5/cloth'],
    ['seamstress', '/orders/5'],
    ['seamstress', '/orders/5/ticket.pdf'],
    ['seamstress', '/bench'],
    ['seamstress', '/diary'],
    ['seamstress', '/house/bench'],
    ['seamstress', '/me'],
    ['seamstress', '/orders/5/sheet'],
    ['seamstress', '/orders/5/sheet.json'],
    ['seamstress', '/orders/5/sheet.csv'],
    ['desk', '/orders/5/sheet'],
    ['desk', '/orders/5/sheet.json'],
    ['desk', '/orders/5/sheet.csv'],
    ['desk', '/orders/5'],
  ])('%s asks %s', async (role, path) => {
    const [one, other] = await answers(role, path);
    expect(one).toBe(other);
  });
  it('a refusal at the bench tells no price either, and nowhere is one in what the bench is given', async () => {
    const refused = await Promise.all(
      studios.map(async (s) => {
        const res = await s.as.seamstress.send('POST', '/alterations/1/steps', {
          version: 1,
          step: { step: 'start' },
        });
        return `${res.status} ${(await res.text()).replace(/"(at|madeAt)":"[^"]*"/g, '')}`;
      }),
    );
    expect(refused[0]).toMatch(/^409/);
    expect(refused[0]).toBe(refused[1]);
    for (const path of ['/orders/5/alterations', '/house/bench']) {
      expect(await studios[1].as.seamstress.get(path).then((r) => r.text()), path).not.toMatch(
        /1234|price [0-9]/,
      );
      expect(await studios[1].as.desk.get(path).then((r) => r.text()), path).toMatch(/1234\.5/);
    }
    const steps = (await json(studios[1].as.desk.get('/orders/5/alterations'))).alterations[0].steps;
    expect(steps.map((s: { says: string }) => s.says)).toEqual([
      '',
      'by Edda, price 1234.50',
      'by Edda, price 1234.50, needed on 1 May',
    ]);
  });
  it('while the figures are there, and said to have been read', async () => {
    const sheet = await json(studios[1].as.desk.get('/orders/5/sheet'));
    expect(sheet.spec.readings).toEqual([]);
    const waist = sheet.kept.figures.find((f: { id: string }) => f.id === 'waist');
    expect(waist.terms[0]).toMatchObject({ label: 'reading', cm: 70, because: 'Measured.' });
    expect(JSON.stringify(sheet)).not.toMatch(/reason"?:"other reason|35 cm/);
    const fitters = await json((await studios[1].t.as('fitter')).get('/orders/5/sheet'));
    expect(fitters.spec.readings[0].reason).toBe('other reason');
  });
  it('and an answer to a change by the desk tells no session', async () => {
    const [{ as }] = studios;
    const order = await json(as.desk.get('/orders/5'));
    const changed = await json(
      as.desk.send('PUT', '/orders/5', {
        version: order.version,
        clientId: order.clientId,
        what: order.what,
        occasion: 'a party',
      }),
    );
    expect(changed.sessions).toEqual([]);
  });
});
