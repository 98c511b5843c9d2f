import { crc32 } from 'node:zlib';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, startTestApp, type TestApp } from '../../app/testing.ts';

let t: TestApp;
let [fitter, bench, desk, principal]: Caller[] = [];
let [clientId, orderId] = [0, 0];
beforeAll(async () => {
  t = await startTestApp();
  [fitter, bench, desk, principal] = [
    await t.as('fitter'),
    await t.as('seamstress'),
    await t.as('desk'),
    await t.as('principal'),
  ];
  clientId = (await json(desk!.send('POST', '/clients', { name: 'In The Picture' }), 201)).id;
  orderId = (await json(desk!.send('POST', '/orders', { clientId, what: 'Coat' }), 201)).id;
});
afterAll(() => t.close());

const csrfOf = async (who: Caller) => (await json(who.get('/me'))).csrf;
const post = async (bytes: Buffer, who = fitter!, path = `/orders/${orderId}/photos?words=pins`) =>
  t.app.request(`/api${path}`, {
    method: 'POST',
    headers: {
      cookie: who.cookie,
      'x-csrf-token': await csrfOf(who),
      'content-type': 'image/jpeg',
    },
    body: new Uint8Array(bytes),
  });
const picture = (width = 60, height = 40) =>
  sharp({ create: { width, height, channels: 3, background: '#a33' } });

/** A PNG whose head claims another size (PNG specification, IHDR: width and height at 16 and 20, CRC-32 at 29). */
function claiming(png: Buffer, width: number, height: number): Buffer {
  const made = Buffer.from(png);
  made.writeUInt32BE(width, 16);
  made.writeUInt32BE(height, 20);
  made.writeUInt32BE(crc32(made.subarray(12, 29)), 29);
  return made;
}

describe('photographs', () => {
  it('are turned upright, written anew without where they were taken, and kept once', async () => {
    const bytes = await picture()
      .withExif({
        IFD0: { Make: 'Secret Camera' },
        IFD3: { GPSLatitude: '44/1 30/1 0/1', GPSLatitudeRef: 'N' },
      })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    expect((await sharp(bytes).metadata()).exif).toBeDefined();
    const { id } = await json(post(bytes), 201);
    expect((await json(post(bytes, bench!), 201)).id).toBe(id);
    const list = await json(bench!.get(`/orders/${orderId}/photos`));
    expect(list).toMatchObject([{ id, width: 40, height: 60, words: 'pins' }]);
    for (const which of ['picture', 'thumb']) {
      const res = await bench!.get(`/photos/${id}/${which}.jpg`);
      expect(res.headers.get('content-type')).toBe('image/jpeg');
      const kept = await sharp(Buffer.from(await res.arrayBuffer())).metadata();
      expect([kept.width, kept.height, kept.exif, kept.orientation]).toEqual([40, 60, undefined, undefined]);
    }
    const { rows } = await t.pool.query(
      `select position('Secret'::bytea in picture) + position('Exif'::bytea in picture) as found from photo`,
    );
    expect(rows[0].found).toBe(0);
  });

  it('sent again with other words keep both, and a retry writes nothing more into the history', async () => {
    const bytes = await picture(31, 17).jpeg().toBuffer();
    const with_ = (words: string) => post(bytes, fitter!, `/orders/${orderId}/photos?words=${words}`);
    const { id } = await json(with_('hem'), 201);
    const lines = async () =>
      (
        await t.pool.query(
          `select what from history where entity = 'order' and entity_id = $1 and after ->> 'id' = $2 and what like 'photograph%'`,
          [String(orderId), String(id)],
        )
      ).rows.map((r) => r.what);
    for (let i = 0; i < 3; i++) expect((await json(with_('hem'), 201)).id).toBe(id);
    expect(await lines()).toEqual(['photograph added']);
    await json(with_('left%20side'), 201);
    await json(with_('left%20side'), 201);
    const [one] = (await json(fitter!.get(`/orders/${orderId}/photos`))).filter(
      (p: { id: number }) => p.id === id,
    );
    expect(one.words).toBe('hem · left side');
    expect(await lines()).toEqual(['photograph added', 'photograph caption']);
    await json(fitter!.send('DELETE', `/photos/${id}`));
  });
  it('large ones are made smaller', async () => {
    const { id } = await json(post(await picture(3000, 1500).jpeg().toBuffer()), 201);
    const of = (await json(fitter!.get(`/orders/${orderId}/photos`))).find(
      (p: { id: number }) => p.id === id,
    );
    expect([of.width, of.height]).toEqual([2400, 1200]);
  });

  it.each([
    [
      'text',
      () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'),
      422,
      'no-picture',
    ],
    [
      'a broken picture',
      async () => (await picture(400, 400).jpeg().toBuffer()).subarray(0, 300),
      422,
      'no-picture',
    ],
    ['nothing', () => Buffer.alloc(0), 422, 'no-picture'],
    [
      'a bomb that claims 400 megapixels',
      async () => claiming(await picture().png().toBuffer(), 20_000, 20_000),
      422,
      'too-many-pixels',
    ],
    ['21 MB', () => Buffer.alloc(21 * 1024 * 1024), 413, 'too-large'],
  ] as [string, () => Buffer | Promise<Buffer>, number, string][])(
    '%s is refused with a sentence, and nothing is kept',
    async (_, make, status, code) => {
      const before = (await json(fitter!.get(`/orders/${orderId}/photos`))).length;
      expect((await json(post(await make()), status)).code).toBe(code);
      expect(await json(fitter!.get(`/orders/${orderId}/photos`))).toHaveLength(before);
    },
  );

  it('at most a hundred to an order; none to one that is not there, none to a stranger', async () => {
    await json(post(await picture().jpeg().toBuffer(), fitter!, '/orders/99999/photos'), 404);
    expect((await t.app.request(`/api/orders/${orderId}/photos`)).status).toBe(401);
    expect((await t.app.request('/api/photos/1/picture.jpg')).status).toBe(401);
    await t.pool.query(
      `insert into photo (order_id, hash, width, height, picture, thumb, by)
       select $1, decode(lpad(to_hex(n), 8, '0'), 'hex'), 1, 1, '', '', (select id from staff limit 1) from generate_series(1, 98) n`,
      [orderId],
    );
    expect((await json(post(await picture(61, 41).jpeg().toBuffer()), 409)).code).toBe('many-photos');
  });

  it('are taken off by a fitter, and go with the client', async () => {
    const [first] = await json(fitter!.get(`/orders/${orderId}/photos`));
    await json(desk!.send('DELETE', `/photos/${first.id}`), 403);
    await json(fitter!.send('DELETE', `/photos/${first.id}`));
    expect((await fitter!.get(`/photos/${first.id}/thumb.jpg`)).status).toBe(404);
    const zip = await (await principal!.get(`/clients/${clientId}/data.zip`)).arrayBuffer();
    expect(
      Object.keys(unzipSync(new Uint8Array(zip))).filter((f) => f.startsWith('photographs/')),
    ).toHaveLength(99);
    const { version } = await json(principal!.get(`/clients/${clientId}`));
    await json(principal!.send('POST', `/clients/${clientId}/erase`, { version, reason: 'asked' }));
    expect((await t.pool.query('select 1 from photo where order_id = $1', [orderId])).rowCount).toBe(0);
  });
});
