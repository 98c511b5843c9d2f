import { ROLES, ROUTES, type Role, type Route } from '@rocchetto/contract';
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

/** What each role may, written down apart from the program: the studio's own division of work (handbook page 1). */
const MAY: Record<string, readonly Role[]> = {
  'client.read': ROLES,
  'client.contact': ['principal', 'fitter', 'desk'],
  'client.write': ['principal', 'fitter', 'desk'],
  'client.data': ['principal'],
  'order.read': ROLES,
  'order.write': ['principal', 'fitter', 'desk'],
  'session.read': ['principal', 'fitter'],
  'session.write': ['principal', 'fitter'],
  'sheet.read': ROLES,
  'sheet.write': ['principal', 'fitter'],
  'diary.read': ROLES,
  'diary.ready': ROLES,
  'diary.write': ['principal', 'fitter', 'desk'],
  'bench.write': ['principal', 'fitter'],
  'alter.read': ROLES,
  'alter.ask': ['principal', 'fitter', 'desk'],
  'alter.work': ROLES,
  'alter.accept': ['principal', 'fitter'],
  'money.read': ['principal', 'fitter', 'desk'],
  'staff.read': ROLES,
  'staff.manage': ['principal'],
  'house.write': ['principal'],
  'signed-in': ROLES,
};

/** An address of this route that is there, so that only the role decides. */
const addressOf = (key: string) =>
  key
    .split(' ')[1]!
    .replace('/clients/:id', `/clients/${clientId}`)
    .replace('/orders/:id', `/orders/${orderId}`)
    .replace('/staff/:id', '/staff/99999')
    .replace(':uuid', '00000000-0000-4000-8000-000000000000');
/** A body that passes the contract, so that the route itself answers; `null` is one that does not. */
const bodyOf = (key: string) => (key === 'POST /readings' ? session() : null);

describe('every route asks who may', () => {
  it.each(Object.entries(ROUTES).filter(([, r]) => r.may !== 'open'))('%s', async (key, { may }) => {
    const method = key.split(' ')[0]!;
    const path = addressOf(key);
    for (const role of ROLES) {
      const caller = who.get(role)!;
      // A stream has no end, and a screen that is locked answers nothing any more: both have tests of their own.
      if ((path === '/live' || path === '/lock') && MAY[may]!.includes(role)) continue;
      const res = await (method === 'GET' ? caller.get(path) : caller.send(method, path, bodyOf(key)));
      expect(res.status === 403, `${role} got ${res.status}`).toBe(!MAY[may]!.includes(role));
    }
    const stranger = await t.app.request(`/api${path}`, {
      method,
      ...(method === 'GET' ? {} : { body: '{}' }),
    });
    expect(stranger.status).toBe(401);
  });

  it('and no route is answered that the contract does not name', () => {
    const there = t.app.routes
      .filter((r) => r.path.startsWith('/api/') && r.method !== 'ALL')
      .map((r) => `${r.method} ${r.path.slice(4)}`);
    const named = Object.keys(ROUTES).map((key) => key.replace(':uuid', ':id'));
    expect([...new Set(there)].sort()).toEqual([...named].sort());
  });

  it('and the description tells of each of them', async () => {
    const { openapi, paths, components } = await json(who.get('seamstress')!.get('/openapi.json'));
    expect(openapi).toBe('3.1.0');
    const told = Object.entries(paths as Record<string, object>).flatMap(([path, methods]) =>
      Object.keys(methods).map((m) => `${m.toUpperCase()} ${path}`),
    );
    expect(told.sort()).toEqual(
      Object.keys(ROUTES)
        .map((k) => k.replace(/:(id|uuid)/, '{id}'))
        .sort(),
    );
    const order = paths['/orders'].post.requestBody.content['application/json'].schema;
    expect(order.required).toEqual(['clientId', 'what']);
    // What it answers is said too, by a name that is described.
    const said = paths['/orders/{id}'].get.responses[200].content['application/json'].schema;
    expect(said).toEqual({ $ref: '#/components/schemas/OrderFull' });
    expect(Object.keys(components.schemas.OrderFull.properties)).toContain('garments');
    const named = [...JSON.stringify(paths).matchAll(/#\/components\/schemas\/(\w+)/g)].map((m) => m[1]!);
    expect(named.filter((n) => !(n in components.schemas))).toEqual([]);
    const files = ['GET /health', 'GET /live', 'GET /openapi.json', 'GET /orders/:id/sheet.json'];
    expect(
      Object.entries(ROUTES as Record<string, Route>)
        .filter(([key, r]) => !r.answer && !r.media && !files.includes(key))
        .map(([key]) => key),
    ).toEqual([]);
    expect((await t.app.request('/api/openapi.json')).status).toBe(401);
  });
});

describe('what a role may not read', () => {
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
