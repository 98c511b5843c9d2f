import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { toSheetInput } from '@rocchetto/contract';
import { type ClothView, clothInHand, type LayKeep } from '@rocchetto/contract/cloth-lay.ts';
import { computeSheet } from '@rocchetto/core';
import { type Lay, layOn } from '@rocchetto/core/lay/lay.ts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

const CLIENT = 'Never Printed';
const BODY = ['waist 70 cm', 'waist 70 cm', 'hip 98 cm', 'hip 98 cm', 'waist-to-hip 20.5 cm'];
let t: TestApp;
let [fitter, bench]: Caller[] = [];
let [id, clientId] = [0, 0];
beforeAll(async () => {
  t = await startTestApp(() => new Date('2026-03-10T12:00:00Z'));
  [fitter, bench] = [await t.as('fitter'), await t.as('seamstress')];
  const made = await skirtOrder(fitter!, { name: CLIENT });
  [id, clientId] = [made.orderId, made.clientId];
  await json(fitter!.send('POST', '/readings', sessionBody(clientId, id, BODY)));
});
afterAll(() => t.close());

const seen = (): Promise<ClothView> => json(fitter!.get(`/orders/${id}/cloth`));
const outerOf = (view: ClothView) => view.cloths.find((c) => c.of === 'outer')!;
/** A lay found in so many steps: the same each time. */
function laid(view: ClothView): Lay {
  const own = outerOf(view);
  let n = 0;
  return layOn('open', own.pieces, clothInHand(own.cloth), { seed: 1, time: 20, now: () => n++ })!;
}
const toKeep = (view: ClothView, more: Partial<LayKeep> = {}): LayKeep => ({
  of: 'outer',
  name: 'first try',
  panels: outerOf(view).panels,
  over: outerOf(view).kept?.id ?? 0,
  cloth: outerOf(view).cloth,
  lay: laid(view) as LayKeep['lay'],
  ...more,
});
const keep = (body: unknown, who = fitter!) => who.send('POST', `/orders/${id}/cloth`, body);
const moved = (lay: LayKeep['lay'], more: object): LayKeep['lay'] => ({
  ...lay,
  stages: lay.stages.map((s) => ({
    ...s,
    strips: s.strips.map((x) => ({
      ...x,
      pieces: x.pieces.map((p, i) => (i === 0 ? { ...p, ...more } : p)),
    })),
  })),
});

describe('the cloth of an order', () => {
  it('has its pieces cloth by cloth, begun as the brief has it; the bench sees them too', async () => {
    const view = await seen();
    expect(view.cloths.map((c) => c.of)).toContain('outer');
    const own = outerOf(view);
    expect(own.pieces.map((p) => p.name).sort()).toEqual(expect.arrayContaining(['back', 'front']));
    expect(own.kept).toBeNull();
    expect(JSON.stringify(view)).not.toContain(CLIENT);
    expect((await bench!.get(`/orders/${id}/cloth`)).status).toBe(200);
    expect((await fitter!.get('/orders/999999/cloth')).status).toBe(404);
  });

  it('refuses what cannot be cut, in a sentence, and keeps nothing', async () => {
    const view = await seen();
    const good = toKeep(view);
    const rows = async () =>
      (await t.pool.query<{ n: number }>('select count(*)::int as n from cloth_lay')).rows[0]!.n;
    const before = await rows();
    const first = good.lay.stages[0]!.strips[0]!.pieces[1]!;
    const cases: [unknown, number, RegExp][] = [
      [{ ...good, lay: moved(good.lay, { x: first.x, y: first.y }) }, 422, /cannot be cut: .*it lies over/],
      [{ ...good, lay: moved(good.lay, { x: -3 }) }, 422, /over the edge of the cloth/],
      [
        { ...good, lay: moved(good.lay, { piece: 'skirt.sail', id: 'skirt.sail#0' }) },
        422,
        /no such piece|of \d+ lie/,
      ],
      [{ ...good, lay: { ...good.lay, stages: [] } }, 422, /0 of 1 lie on the cloth/],
      [{ ...good, cloth: { ...good.cloth, selvedge: '20 cm', width: '35 cm' } }, 422, /selvedges are wider/],
      [{ ...good, cloth: { ...good.cloth, width: '0 cm' } }, 422, /width of the cloth must be between/],
      [
        { ...good, cloth: { ...good.cloth, repeat: { along: '0 cm', line: 'hip' } } },
        422,
        /repeat must be between/,
      ],
      [
        {
          ...good,
          cloth: {
            ...good.cloth,
            flaws: Array.from({ length: 21 }, () => ({
              along: '1 cm',
              across: '1 cm',
              length: '1 cm',
              width: '1 cm',
            })),
          },
        },
        422,
        /up to 20 flaws/,
      ],
      [{ ...good, lay: moved(good.lay, { x: 1e9 }) }, 422, /./],
      [
        {
          ...good,
          lay: {
            ...good.lay,
            stages: good.lay.stages.map((s) => ({
              ...s,
              strips: s.strips.map((x) => ({ ...x, width: 900 })),
            })),
          },
        },
        422,
        /laid on cloth of another width/,
      ],
      [{ ...good, cloth: { ...good.cloth, width: '100 cm' } }, 422, /laid on cloth of another width/],
      [{ ...good, name: '  ' }, 422, /Enter a name/],
      [{ ...good, panels: 'another' }, 409, /panels have changed/],
      [{ ...good, of: 'second' }, 422, /Nothing of this garment is cut from second cloth/],
    ];
    for (const [body, status, words] of cases) {
      const answer = await keep(body);
      const text = await answer.text();
      expect([answer.status, text], text).toEqual([status, expect.stringMatching(words)]);
    }
    expect((await keep(good, bench!)).status).toBe(403);
    expect(await rows()).toBe(before);
  });

  it('keeps a lay; of two hands at once one is kept and the other told; the sheet buys by it', async () => {
    const view = await seen();
    const body = toKeep(view);
    const answers = await Promise.all([keep(body), keep({ ...body, name: 'second try' })]);
    expect(answers.map((a) => a.status).sort()).toEqual([201, 409]);
    const kept = outerOf(await seen()).kept!;
    expect(kept).toMatchObject({ stale: false, lay: body.lay, revision: 1 });
    const sheet = await json(fitter!.get(`/orders/${id}/sheet`));
    expect(sheet.spec.laid).toMatchObject([{ of: 'outer', name: kept.name }]);
    expect(computeSheet(toSheetInput(sheet.spec)).notions.find((n) => n.name === 'cloth')!.note).toMatch(
      /as laid, “(first|second) try”/,
    );
  });

  it('prints on one page with every piece, the code and no name; a cloth without a lay says so', async () => {
    const dir = mkdtempSync(join(tmpdir(), 'lay-'));
    try {
      const answer = await bench!.get(`/orders/${id}/cloth.pdf?of=outer`);
      expect(answer.status).toBe(200);
      writeFileSync(join(dir, 'lay.pdf'), Buffer.from(await answer.arrayBuffer()));
      const text = execFileSync('pdftotext', ['-enc', 'UTF-8', '-layout', join(dir, 'lay.pdf'), '-'], {
        encoding: 'utf8',
      });
      const pages = execFileSync('pdfinfo', [join(dir, 'lay.pdf')], { encoding: 'utf8' });
      expect(/Pages:\s+(\d+)/.exec(pages)![1]).toBe('1');
      for (const word of ['front', 'back', 'waistband', 'from the selvedge', 'open, one layer'])
        expect(text).toContain(word);
      expect(text).not.toContain(CLIENT);
    } finally {
      rmSync(dir, { recursive: true, force: true });
    }
    const none = await fitter!.get(`/orders/${id}/cloth.pdf?of=interfacing`);
    expect([none.status, await none.text()]).toEqual([
      409,
      expect.stringMatching(/No lay of this cloth is kept yet/),
    ]);
    expect((await fitter!.get(`/orders/${id}/cloth.pdf?of=sails`)).status).toBe(422);
  });

  it('is stale once a reading moves the panels: the sheet does not buy by it any more and says why; paper is refused', async () => {
    await json(
      fitter!.send(
        'POST',
        '/readings',
        sessionBody(clientId, id, [
          'waist 74 cm',
          'waist 74 cm',
          'hip 102 cm',
          'hip 102 cm',
          'waist-to-hip 20.5 cm',
        ]),
      ),
    );
    const view = await seen();
    expect(outerOf(view).kept).toMatchObject({ stale: true });
    const { notions, checks } = computeSheet(
      toSheetInput((await json(fitter!.get(`/orders/${id}/sheet`))).spec),
    );
    expect(notions.find((n) => n.name === 'cloth')?.note ?? '').not.toMatch(/as laid/);
    expect(checks.find((k) => k.code === 'lay-outer')?.sentence).toMatch(/was made for other panels/);
    expect(await (await fitter!.get(`/orders/${id}/cloth.pdf`)).text()).toMatch(/made for other panels/);
    // Laid again, over the one that was kept.
    expect((await keep(toKeep(view, { name: 'again' }))).status).toBe(201);
    expect(outerOf(await seen()).kept).toMatchObject({ name: 'again', stale: false });
  });

  it('has other cloths of the brief each by itself, with its own width and nap; a lay of the third is kept and bought by', async () => {
    const cloths = [
      { name: 'braid', width: '12 cm', of: ['cuff'] },
      { name: 'satin', width: '120 cm', oneWay: true, underlining: 'silk organza', of: ['skirt'] },
    ];
    const made = await skirtOrder(fitter!, { name: 'Of Three' });
    const { brief, version } = await json(fitter!.get(`/orders/${made.orderId}`));
    await json(
      fitter!.send('PUT', `/orders/${made.orderId}/brief`, { version, brief: { ...brief, cloths } }),
    );
    await json(fitter!.send('POST', '/readings', sessionBody(made.clientId, made.orderId, BODY)));
    const view: ClothView = await json(fitter!.get(`/orders/${made.orderId}/cloth`));
    expect(view.cloths.find((c) => c.of === 'underlining')!.name).toBe('underlining, silk organza');
    const third = view.cloths.find((c) => c.of === 'third')!;
    expect(view.cloths.map((c) => c.of)).not.toContain('second');
    expect(third).toMatchObject({
      name: 'third cloth, satin',
      cloth: { width: '120 cm', oneWay: true },
    });
    let n = 0;
    const lay = layOn('open', third.pieces, clothInHand(third.cloth), { seed: 1, time: 20, now: () => n++ })!;
    const body = { of: 'third', name: 'satin', panels: third.panels, over: 0, cloth: third.cloth, lay };
    const answer = await fitter!.send('POST', `/orders/${made.orderId}/cloth`, body);
    expect([answer.status, await answer.text()]).toEqual([201, expect.anything()]);
    const { spec } = await json(fitter!.get(`/orders/${made.orderId}/sheet`));
    const { notions, checks } = computeSheet(toSheetInput(spec));
    expect(notions.find((x) => x.name === 'third cloth')!.note).toMatch(/^as laid, “satin”/);
    expect(checks.map((k) => k.code)).toEqual(
      expect.arrayContaining(['cloth-outer-idle', 'cloth-second-idle']),
    );
    const paper = await bench!.get(`/orders/${made.orderId}/cloth.pdf?of=third`);
    expect([paper.status, (await paper.arrayBuffer()).byteLength > 1000]).toEqual([200, true]);
  });
});
