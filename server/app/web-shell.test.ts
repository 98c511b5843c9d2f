import { brotliDecompressSync, gunzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startTestApp, type TestApp } from './testing.ts';

let t: TestApp;
let page = '';
beforeAll(async () => {
  t = await startTestApp();
  page = await (await t.app.request('/orders/4/sheet')).text();
});
afterAll(() => t.close());

describe('the built interface', () => {
  it('is one page for every address, which asks for its two faces at once', async () => {
    const faces = [...page.matchAll(/rel="preload" href="([^"]+\.woff2)"/g)].map((m) => m[1]!);
    expect(faces).toHaveLength(2);
    const styles = /href="([^"]+\.css)"/.exec(page)![1]!;
    const css = await (await t.app.request(styles)).text();
    for (const face of faces) {
      // Asked for under the name that the style sheet will ask for, or it would come twice.
      expect(css).toContain(face.split('/').at(-1));
      expect((await t.app.request(face)).status).toBe(200);
    }
    expect(css).not.toContain('.ttf');
  });
  it('comes packed as the browser likes, the same when unpacked, and is kept for good', async () => {
    const script = /src="([^"]+\.js)"/.exec(page)![1]!;
    const get = (encoding: string) => t.app.request(script, { headers: { 'accept-encoding': encoding } });
    const plain = Buffer.from(await (await get('identity')).arrayBuffer());
    const [br, gz] = [await get('br, gzip'), await get('gzip')];
    expect([br.headers.get('content-encoding'), gz.headers.get('content-encoding')]).toEqual(['br', 'gzip']);
    expect(brotliDecompressSync(Buffer.from(await br.arrayBuffer())).equals(plain)).toBe(true);
    expect(gunzipSync(Buffer.from(await gz.arrayBuffer())).equals(plain)).toBe(true);
    expect(br.headers.get('cache-control')).toContain('immutable');
  });
  it('gives a file from memory after the first time: the same file, each answer with a policy of its own', async () => {
    const script = /src="([^"]+\.js)"/.exec(page)![1]!;
    const get = (headers: Record<string, string>, method = 'GET') =>
      t.app.request(script, { method, headers: { 'accept-encoding': 'br', ...headers } });
    const said = (r: Response) =>
      Object.fromEntries([...r.headers].filter(([name]) => name !== 'content-security-policy'));
    const [first, second] = [await get({}), await get({})];
    expect(said(second)).toEqual(said(first));
    expect(second.headers.get('vary')).toBe('Accept-Encoding');
    expect(second.headers.get('content-security-policy')).not.toBe(
      first.headers.get('content-security-policy'),
    );
    const bytes = Buffer.from(await first.arrayBuffer());
    expect(Buffer.from(await second.arrayBuffer()).equals(bytes)).toBe(true);
    expect(Number(second.headers.get('content-length'))).toBe(bytes.length);
    // A piece of it, or only what is said of it, is asked for as before.
    const piece = await get({ range: 'bytes=0-9' });
    expect([piece.status, (await piece.arrayBuffer()).byteLength]).toEqual([206, 10]);
    const head = await get({}, 'HEAD');
    expect([head.status, (await head.arrayBuffer()).byteLength]).toEqual([200, 0]);
    expect((await (await get({})).arrayBuffer()).byteLength).toBe(bytes.length);
  });
  it('says plainly that an asset is not there, and gives every page its own nonce', async () => {
    expect((await t.app.request('/assets/none.js')).status).toBe(404);
    const nonce = (html: string) => /csp-nonce" content="([^"]+)"/.exec(html)![1];
    expect(nonce(await (await t.app.request('/')).text())).not.toBe(nonce(page));
  });
  it('ships a worker that names every script of the build, asked for anew each time', async () => {
    const worker = await t.app.request('/sw.js');
    expect([worker.status, worker.headers.get('cache-control')]).toEqual([200, 'no-cache']);
    const text = await worker.text();
    expect(text).toContain(/src="\/(assets\/[^"]+\.js)"/.exec(page)![1]!);
    expect(page).toContain('manifest.webmanifest');
    expect((await t.app.request('/manifest.webmanifest')).status).toBe(200);
  });
});
