import { ROLES, type Role } from '@rocchetto/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from './testing.ts';

let t: TestApp;
const who = new Map<Role, Caller>();
let [clientId, orderId] = [0, 0];
const session = () => sessionBody(clientId, orderId, ['waist 70 cm']);
beforeAll(async () => {
  t = await startTestApp();
  for (const role of ROLES) who.set(role, await t.as(role));
  ({ clientId, orderId } = await skirtOrder(who.get('fitter')!, { phone: '0555 123456', address: '1 Quay' }));
});
afterAll(() => t.close());

const all = { principal: true, fitter: true, seamstress: true, desk: true };
const no = (...roles: Role[]) => ({ ...all, ...Object.fromEntries(roles.map((r) => [r, false])) });

/** Every route of the API, who may, and a body that is not meant to succeed. */
const ROUTES: readonly (readonly [
  method: string,
  path: () => string,
  may: Record<Role, boolean>,
  body?: () => unknown,
])[] = [
  ['GET', () => '/me', all],
  ['GET', () => '/staff', all],
  ['POST', () => '/staff', no('fitter', 'seamstress', 'desk')],
  ['POST', () => '/staff/99999/link', no('fitter', 'seamstress', 'desk')],
  ['DELETE', () => '/staff/99999', no('fitter', 'seamstress', 'desk')],
  ['GET', () => '/clients', all],
  ['GET', () => '/clients/likely', no('seamstress')],
  ['POST', () => '/clients', no('seamstress')],
  ['GET', () => `/clients/${clientId}`, all],
  ['PUT', () => `/clients/${clientId}`, no('seamstress')],
  ['GET', () => `/clients/${clientId}/card.vcf`, no('seamstress')],
  ['GET', () => `/clients/${clientId}/earlier`, no('seamstress', 'desk')],
  ['GET', () => '/orders', all],
  ['POST', () => '/orders', no('seamstress')],
  ['GET', () => `/orders/${orderId}`, all],
  ['PUT', () => `/orders/${orderId}`, no('seamstress')],
  ['PUT', () => `/orders/${orderId}/brief`, no('seamstress', 'desk')],
  ['GET', () => '/sessions/00000000-0000-4000-8000-000000000000', no('seamstress', 'desk')],
  ['POST', () => '/readings', no('seamstress', 'desk'), session],
  ['GET', () => `/orders/${orderId}/sheet`, all],
  ['GET', () => `/orders/${orderId}/sheet.json`, all],
  ['GET', () => `/orders/${orderId}/sheet.csv`, all],
  ['POST', () => `/orders/${orderId}/sheet/changes`, no('seamstress', 'desk')],
  ['POST', () => `/orders/${orderId}/sheet/agree`, no('seamstress', 'desk')],
  ['POST', () => `/orders/${orderId}/sheet/cut`, no('seamstress', 'desk')],
  ['POST', () => `/orders/${orderId}/import`, no('seamstress', 'desk')],
];

describe('every route asks who may', () => {
  it.each(
    ROUTES.map(
      ([method, path, may, body]) =>
        [`${method} ${path.toString().replace('() => ', '')}`, method, path, may, body] as const,
    ),
  )('%s', async (_, method, path, may, body) => {
    for (const role of ROLES) {
      const caller = who.get(role)!;
      const res = await (method === 'GET' ? caller.get(path()) : caller.send(method, path(), body?.() ?? {}));
      expect(res.status === 403, `${role} got ${res.status}`).toBe(!may[role]);
    }
    const stranger = await t.app.request(`/api${path()}`, {
      method,
      ...(method === 'GET' ? {} : { body: '{}' }),
    });
    expect(stranger.status).toBe(401);
  });

  it('the list above names every route there is', () => {
    const plain = (path: string) => path.replace(/[0-9a-f-]{36}/, ':id').replace(/\/\d+/g, '/:id');
    const known = new Set(ROUTES.map(([m, p]) => `${m} ${plain(p())}`));
    const open = [
      'GET /health',
      'POST /sign-in',
      'POST /sign-out',
      'POST /setup',
      'GET /orders/:id/sheet.pdf',
    ];
    const there = t.app.routes
      .filter((r) => r.path.startsWith('/api/') && r.method !== 'ALL')
      .map((r) => `${r.method} ${r.path.slice(4).replace(':clientId', ':id')}`);
    for (const route of new Set(there)) expect([...known, ...open]).toContain(route);
  });

  it('a seamstress reads neither address nor phone, in the card or in a search', async () => {
    const seamstress = who.get('seamstress')!;
    expect(await json(seamstress.get(`/clients/${clientId}`))).toMatchObject({
      address: null,
      phone: null,
      email: null,
      sessions: [],
    });
    const rows = await json(seamstress.get('/clients?q=arkwright'));
    expect(rows[0].phone).toBeNull();
    expect(await json(seamstress.get('/clients?q=0555123456'))).toEqual([]);
    expect(await json(seamstress.get(`/clients?q=${rows[0].code}`))).toHaveLength(1);
    expect(await json(who.get('desk')!.get('/clients?q=0555123456'))).toHaveLength(1);
    expect(JSON.stringify(await json(seamstress.get(`/orders/${orderId}`)))).not.toContain('Quay');
    expect((await json(who.get('desk')!.get(`/clients/${clientId}`))).address).toBe('1 Quay');
  });

  it('the desk cannot change a sheet, and says why not', async () => {
    const res = await who
      .get('desk')!
      .send('POST', `/orders/${orderId}/sheet/changes`, { version: 0, change: { kind: 'revise' } });
    expect(res.status).toBe(403);
    expect(res.headers.get('content-type')).toContain('application/problem+json');
    expect((await res.json()) as object).toMatchObject({
      code: 'not-yours',
      detail: expect.stringContaining('desk'),
    });
  });

  it('a principal cannot lock themselves out, and a left member of staff is out at once', async () => {
    const principal = who.get('principal')!;
    const { id } = await json(principal.get('/me'));
    expect((await principal.send('DELETE', `/staff/${id}`)).status).toBe(422);
    const made = await json(principal.send('POST', '/staff', { name: 'Short Stay', role: 'desk' }), 201);
    expect(made.path).toMatch(/^\/setup#/);
    expect((await principal.send('POST', '/staff', { name: 'short STAY', role: 'desk' })).status).toBe(422);
    expect((await principal.send('DELETE', `/staff/${made.id}`)).status).toBe(200);
    expect((await json(principal.get('/staff'))).some((s: { id: number }) => s.id === made.id)).toBe(false);
  });
});
