import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

const CLIENT = 'Never Printed';
const BODY = ['waist 70 cm', 'waist 70 cm', 'hip 98 cm', 'hip 98 cm', 'waist-to-hip 20.5 cm'];
let t: TestApp;
let [fitter, bench]: Caller[] = [];
let [id, empty] = [0, 0];
const dir = mkdtempSync(join(tmpdir(), 'pattern-'));
beforeAll(async () => {
  t = await startTestApp(() => new Date('2026-03-10T12:00:00Z'));
  [fitter, bench] = [await t.as('fitter'), await t.as('seamstress')];
  const made = await skirtOrder(fitter!, { name: CLIENT });
  id = made.orderId;
  await json(fitter!.send('POST', '/readings', sessionBody(made.clientId, id, BODY)));
  empty = (await skirtOrder(fitter!, { name: 'Not Measured' })).orderId;
});
afterAll(async () => {
  rmSync(dir, { recursive: true, force: true });
  await t.close();
});

const file = async (as: string, query = ''): Promise<string> => {
  const answer = await fitter!.get(`/orders/${id}/pattern.${as}${query}`);
  expect(answer.status, `${as}${query}`).toBe(200);
  const path = join(dir, `p-${Math.random()}.${as}`);
  writeFileSync(path, Buffer.from(await answer.arrayBuffer()));
  return path;
};
const pages = (path: string) =>
  Number(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [path], { encoding: 'utf8' }))![1]);
const textOf = (path: string) =>
  execFileSync('pdftotext', ['-enc', 'UTF-8', path, '-'], { encoding: 'utf8' });
/** How wide and high the first square from the left on a page is, in pixels of this resolution. */
async function square(path: string, dpi: number): Promise<readonly [number, number]> {
  execFileSync('pdftoppm', [
    '-r',
    String(dpi),
    '-f',
    '1',
    '-l',
    '1',
    '-gray',
    '-singlefile',
    '-png',
    path,
    path,
  ]);
  const { data, info } = await sharp(`${path}.png`).greyscale().raw().toBuffer({ resolveWithObject: true });
  const dark = (x: number, y: number) => data[y * info.width * info.channels + x * info.channels]! < 210;
  // A row within the square: its two upright lines; then a column within it: its two level ones.
  const runs = (n: number, at: (i: number) => boolean) => {
    const found: number[] = [];
    for (let i = 0; i < n; i++) if (at(i) && !at(i - 1)) found.push(i);
    return found;
  };
  for (let y = Math.round(dpi * 1.3); y < info.height; y++) {
    const xs = runs(info.width, (x) => x >= 0 && dark(x, y));
    // Between its upright lines, not along the upper one.
    if (xs.length < 2 || xs[1]! - xs[0]! < 2 * dpi || dark(xs[0]! + dpi, y)) continue;
    const ys = runs(info.height, (k) => k >= 0 && dark(xs[0]! + 20, k));
    const top = ys.findIndex((at, i) => ys[i + 1] !== undefined && ys[i + 1]! - at > 2 * dpi);
    if (top >= 0) return [xs[1]! - xs[0]!, ys[top + 1]! - ys[top]!];
  }
  throw new Error('there is no square');
}

describe('the pattern of an order', () => {
  it('is told with its pieces, its seams and how many sheets it takes; everybody who may see the sheet gets the same', async () => {
    const view = await json(fitter!.get(`/orders/${id}/pattern`));
    expect(view).toMatchObject({ status: 'draft', revision: 1, paper: 'a4', moved: [] });
    expect(view.pattern.pieces.map((p: { id: string }) => p.id)).toEqual(
      expect.arrayContaining(['skirt.front', 'skirt.back', 'skirt.band']),
    );
    expect(view.seams.length).toBeGreaterThan(1);
    expect(await json(bench!.get(`/orders/${id}/pattern`))).toEqual(view);
    expect(JSON.stringify(view)).not.toContain(CLIENT);
    expect(JSON.stringify(view)).toMatch(/C-\d{4}/);
    const more = await json(fitter!.get(`/orders/${id}/pattern?paper=a3`));
    expect(more.sheets).toBeLessThan(view.sheets);
  });

  it('on sheets: as many as were told and a cover, whose squares are 10 cm and 4 in', async () => {
    for (const query of ['', '?paper=letter&way=landscape', '?paper=a3&apart=1']) {
      const { sheets } = await json(fitter!.get(`/orders/${id}/pattern${query}`));
      const pdf = await file('pdf', query);
      expect(pages(pdf)).toBe(sheets + 1);
      const [wide, high] = await square(pdf, 100);
      // 10 cm at 100 dots an inch, to 0.3 %.
      for (const side of [wide, high])
        expect(Math.abs(side - 1000 / 2.54)).toBeLessThan(0.003 * (1000 / 2.54) + 1);
      const text = textOf(pdf);
      expect(text).toContain('100 %');
      expect(text).toContain(
        `of ${query.includes('a3') ? 'A3' : query.includes('letter') ? 'Letter' : 'A4'}`,
      );
      expect(text).not.toContain(CLIENT);
    }
  });

  it('put together, the sheets are the pattern: each point of a piece’s outline is drawn where it should be', async () => {
    const pdf = await file('pdf', '?apart=1');
    const { pattern } = await json(fitter!.get(`/orders/${id}/pattern?apart=1`));
    const band = pattern.pieces.find((p: { id: string }) => p.id === 'skirt.band');
    const index = pattern.pieces.indexOf(band);
    expect(index).toBeGreaterThan(-1);
    const dpi = 50;
    execFileSync('pdftoppm', ['-r', String(dpi), '-gray', '-png', pdf, join(dir, 'all')]);
    const first = pattern.pieces[0];
    // The first piece begins on the sheet after the cover: its upper left corner lies 0.4 in from the margin.
    const page = readFileSync(join(dir, `all-${String(2).padStart(String(pages(pdf)).length, '0')}.png`));
    const { data, info } = await sharp(page).greyscale().raw().toBuffer({ resolveWithObject: true });
    const px = (cm: number) => Math.round((cm / 2.54) * dpi);
    const drawn = first.ring.filter(([x, y]: [number, number]) => {
      const [u, v] = [x - first.box[0] + 0.4 + 1, y - first.box[1] + 0.4 + 1];
      return u < 19 && v < 27;
    });
    expect(drawn.length).toBeGreaterThan(3);
    for (const [x, y] of drawn) {
      const [u, v] = [px(x - first.box[0] + 1.4), px(y - first.box[1] + 1.4)];
      let dark = false;
      for (let dx = -2; dx <= 2; dx++)
        for (let dy = -2; dy <= 2; dy++)
          dark ||= data[(v + dy) * info.width * info.channels + (u + dx) * info.channels]! < 200;
      expect(dark, `${x} ${y}`).toBe(true);
    }
  });

  it('as a toile: wide seams, without bands and facings, and it says so', async () => {
    const [toile, usual] = [
      (await json(fitter!.get(`/orders/${id}/pattern?toile=1`))).pattern,
      (await json(fitter!.get(`/orders/${id}/pattern`))).pattern,
    ];
    const wide = (p: { pieces: { id: string; box: number[] }[] }, of: string) => {
      const [x0, , x1] = p.pieces.find((q) => q.id.endsWith(of))!.box as [number, number, number];
      return x1 - x0;
    };
    expect(toile.pieces.some((p: { id: string }) => p.id.includes('band'))).toBe(false);
    // One side seam: 2.5 instead of 1.5.
    expect(wide(toile, 'front') - wide(usual, 'front')).toBeCloseTo(1, 1);
    expect(JSON.stringify(toile.pieces[0].words)).toContain('toile');
    expect(toile.title).toContain('toile');
  });

  it('as drawings and on a roll, without the client’s name', async () => {
    for (const as of ['svg', 'dxf']) {
      const text = readFileSync(await file(as), 'utf8');
      expect(text).not.toContain(CLIENT);
      expect(text.toLowerCase()).toContain('skirt');
    }
    const roll = await file('pdf', '?roll=91');
    expect(pages(roll)).toBe(1);
    expect(textOf(roll)).not.toContain(CLIENT);
    const size = execFileSync('pdfinfo', [roll], { encoding: 'utf8' });
    expect(Number(/Page size:\s+([\d.]+)/.exec(size)![1])).toBeCloseTo((91 / 2.54) * 72, 0);
  });

  it('as a chalk card: each point by two distances, in either unit, whose by code', async () => {
    for (const unit of ['cm', 'in']) {
      const answer = await fitter!.get(`/orders/${id}/chalk-card.pdf?unit=${unit}`);
      expect(answer.status).toBe(200);
      const path = join(dir, `chalk-${unit}.pdf`);
      writeFileSync(path, Buffer.from(await answer.arrayBuffer()));
      const text = textOf(path);
      for (const part of ['waist meets side seam', 'from the fold', 'DRAFT: do not cut', unit])
        expect(text).toContain(part);
      expect(text).toMatch(/C-\d{4}/);
      expect(text).not.toContain(CLIENT);
    }
    expect((await json(fitter!.get(`/orders/${empty}/chalk-card.pdf`), 409)).code).toBe('nothing-drafted');
  });

  it.each([
    ['?paper=a9', 422, 'a4, a3 or letter'],
    ['?way=up', 422, 'portrait or landscape'],
    ['?roll=20', 422, '30 to 300 cm'],
    ['?roll=wide', 422, '30 to 300 cm'],
  ])('%s is refused in a sentence', async (query, status, says) => {
    const problem = await json(fitter!.get(`/orders/${id}/pattern.pdf${query}`), status);
    expect(JSON.stringify(problem)).toContain(says);
  });

  it('a piece wider than the roll, an order without measurements, no such order, nobody: told', async () => {
    const wide = await json(fitter!.get(`/orders/${id}/pattern.pdf?roll=30&opened=1`), 422);
    expect(wide.detail).toMatch(/cm wide, the roll 30 cm/);
    expect((await json(fitter!.get(`/orders/${empty}/pattern`))).pattern).toBeNull();
    expect((await json(fitter!.get(`/orders/${empty}/pattern.pdf`), 409)).code).toBe('nothing-drafted');
    expect((await fitter!.get('/orders/999999/pattern')).status).toBe(404);
    expect((await t.app.request(`/api/orders/${id}/pattern`)).status).toBe(401);
  });
});
