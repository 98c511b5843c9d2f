import { request } from 'node:http';
import { DEMO_PASSPHRASE } from '@rocchetto/demo/people.ts';

export interface Page {
  readonly get: (path: string) => Promise<Buffer>;
  readonly post: (path: string, body: object) => Promise<Buffer>;
  readonly send: (path: string, type: string, body: Buffer | string) => Promise<number>;
}

/** A signed-in browser of one server process, in as far as it asks. */
export async function signedIn(port: number, name: string): Promise<Page> {
  const ask = (method: string, path: string, headers: Record<string, string>, body?: Buffer | string) =>
    new Promise<{ status: number; cookies: string[]; body: Buffer }>((done, fail) => {
      const req = request({ host: '127.0.0.1', port, path: `/api${path}`, method, headers }, (res) => {
        const parts: Buffer[] = [];
        res.on('data', (c: Buffer) => parts.push(c));
        res.on('end', () =>
          done({
            status: res.statusCode!,
            cookies: res.headers['set-cookie'] ?? [],
            body: Buffer.concat(parts),
          }),
        );
      });
      req.on('error', fail);
      req.end(body);
    });
  const json = { 'content-type': 'application/json' };
  const said = JSON.stringify({ name, passphrase: DEMO_PASSPHRASE });
  const { cookies } = await ask('POST', '/sign-in', json, said);
  const cookie = cookies.map((c) => c.split(';')[0]).join('; ');
  const me = JSON.parse((await ask('GET', '/me', { cookie })).body.toString()) as { csrf: string };
  return {
    get: async (path) => {
      const res = await ask('GET', path, { cookie });
      if (res.status !== 200) throw new Error(`${path}: ${res.status} ${res.body.toString().slice(0, 200)}`);
      return res.body;
    },
    post: async (path, body) => {
      const res = await ask('POST', path, { cookie, 'x-csrf-token': me.csrf, ...json }, JSON.stringify(body));
      if (res.status !== 200) throw new Error(`${path}: ${res.status} ${res.body.toString().slice(0, 200)}`);
      return res.body;
    },
    send: async (path, type, body) =>
      (await ask('POST', path, { cookie, 'x-csrf-token': me.csrf, 'content-type': type }, body)).status,
  };
}

const MEDIAN_OF = 60;
/** Answers of a light route while something else goes on, ms; at least so many. */
export async function watch(page: Page, path: string, until: Promise<unknown>): Promise<number[]> {
  let over = false;
  void until.finally(() => {
    over = true;
  });
  const samples: number[] = [];
  while (!over || samples.length < MEDIAN_OF) {
    const t = performance.now();
    await page.get(path);
    samples.push(performance.now() - t);
    await new Promise((r) => setTimeout(r, 15));
  }
  return samples;
}
