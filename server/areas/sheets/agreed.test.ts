import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

// Changes agreed at a fitting before the cloth is cut: into the sheet, left for the bench, or declined.
let t: TestApp;
let [fitter, bench, desk]: Caller[] = [];
let id = 0;
const BODY = ['waist 70 cm', 'waist 70 cm', 'hip 98 cm', 'hip 98 cm', 'waist-to-hip 20.5 cm'];
beforeAll(async () => {
  t = await startTestApp(() => new Date('2026-03-10T12:00:00Z'));
  [fitter, bench, desk] = [await t.as('fitter'), await t.as('seamstress'), await t.as('desk')];
});
afterAll(() => t.close());
beforeEach(async () => {
  const made = await skirtOrder(fitter!, { name: 'Toile First' });
  id = made.orderId;
  await json(fitter!.send('POST', '/readings', sessionBody(made.clientId, id, BODY)));
});

const view = (who = fitter!) => json(who.get(`/orders/${id}/sheet`));
const change = async (c: object, status = 200, version?: number, who = fitter!) =>
  json(
    who.send('POST', `/orders/${id}/sheet/changes`, {
      version: version ?? (await view()).version,
      change: c,
    }),
    status,
  );
const carry = (alterationId: number, to = 'sheet', status = 200) =>
  change({ kind: 'carry', alterationId, to }, status);
const acceptAll = async () => {
  for (;;) {
    const open = (await computedChecks()).filter((k) => k.state === 'warned');
    if (open.length === 0) return;
    await change({ kind: 'accept', code: open[0]!.code, reason: 'as it is meant' });
  }
};
const computedChecks = async (): Promise<{ code: string; state: string; sentence: string }[]> =>
  JSON.parse(await (await fitter!.get(`/orders/${id}/sheet.json`)).text()).checks;
const agree = async (status = 200) =>
  json(
    fitter!.send('POST', `/orders/${id}/sheet/agree`, {
      version: (await view()).version,
      name: 'The client',
    }),
    status,
  );
const cut = async (status = 200) =>
  json(fitter!.send('POST', `/orders/${id}/sheet/cut`, { version: (await view()).version }), status);
const agreedChange = async (asked: object) => {
  const { id: a } = await json(
    fitter!.send('POST', `/orders/${id}/alterations`, { asked: { version: 2, ...asked }, source: 'fitting' }),
    201,
  );
  await step(a, { step: 'agree', name: 'The client' });
  return a as number;
};
const alteration = async (a: number) =>
  (await json(fitter!.get(`/orders/${id}/alterations`))).alterations.find((x: { id: number }) => x.id === a);
const step = async (a: number, s: object, status = 200) =>
  json(
    fitter!.send('POST', `/alterations/${a}/steps`, { version: (await alteration(a)).version, step: s }),
    status,
  );
const figure = async (name: string): Promise<number> =>
  (await json(fitter!.get(`/orders/${id}/sheet.json`))).figures.find((f: { id: string }) => f.id === name)
    .finished;

const HIP = { kind: 'side-seams', direction: 'in', amount: '2 cm', as: 'total' };
const LONGER = { kind: 'hem-straight', direction: 'down', amount: '2 cm' };

describe('what was agreed before the cloth is cut', () => {
  it('stands at the sheet by name, is drafted into the next revision, and nothing of it is left at the bench', async () => {
    await acceptAll();
    await agree();
    const [hip, length] = [await figure('hip'), await figure('skirt.hem-front')];
    const [a, b] = [await agreedChange(HIP), await agreedChange(LONGER)];
    const waiting = await view();
    expect(waiting.agreed.map((x: { to: null; sentence: string }) => [x.to, x.sentence])).toEqual([
      [null, 'Side seams: take in 2 cm altogether round the garment.'],
      [null, 'Hem, straight: let down 2 cm.'],
    ]);
    const refused = await cut(409);
    expect(refused.code).toBe('undecided');
    expect(refused.detail).toContain('Side seams: take in 2 cm');

    const second = await carry(a);
    expect(second).toMatchObject({ revision: 2, status: 'draft' });
    await carry(b);
    expect(await figure('hip')).toBeCloseTo(hip - 2, 6);
    expect(await figure('skirt.hem-front')).toBeCloseTo(length + 2, 6);
    expect((await alteration(a)).status).toBe('in-sheet');
    expect((await json(bench!.get('/bench'))).filter((r: { id: number }) => [a, b].includes(r.id))).toEqual(
      [],
    );
    // Paper and CSV say the same, with the fitting as the why.
    const csv = await (await fitter!.get(`/orders/${id}/sheet.csv`)).text();
    expect(csv).toMatch(new RegExp(`hip,98 cm.*−2 cm.*${(hip - 2).toFixed(2)}`));
    expect((await computedChecks()).map((k) => k.sentence).join(' ')).toContain(
      'In this sheet as agreed at the fitting',
    );
    expect((await fitter!.get(`/orders/${id}/sheet.pdf`)).status).toBe(200);

    await acceptAll();
    await agree();
    expect(await cut()).toMatchObject({ status: 'cut', revision: 2 });
    // As it was agreed before, the first revision stays.
    expect(
      (await json(fitter!.get(`/orders/${id}/sheet?revision=1`))).kept.figures.find(
        (f: { id: string }) => f.id === 'hip',
      ).finished,
    ).toBe(hip);
    const after = await json(fitter!.get(`/orders/${id}/alterations`));
    // The quarters are marked in half centimetres, so that the whole may be one off.
    const hipNow = after.points.find((p: { id: string }) => p.id === 'hip').target;
    expect(Math.abs(hipNow - (hip - 2))).toBeLessThan(1);
  });

  it('is left for the bench, or declined with a reason: then the cloth may be cut, and what is left is a job', async () => {
    await acceptAll();
    await agree();
    const [a, b] = [await agreedChange(HIP), await agreedChange(LONGER)];
    await carry(a, 'bench');
    await step(b, { step: 'decline', reason: '' }, 422);
    await step(b, { step: 'decline', reason: 'The length is right with the new shoes' });
    expect((await alteration(b)).status).toBe('declined');
    const hip = await figure('hip');
    await acceptAll();
    await agree();
    await cut();
    expect(await figure('hip')).toBe(hip);
    expect((await alteration(a)).status).toBe('agreed');
    await step(a, { step: 'start' });
  });

  it('goes as a step into the client’s block, from which the next garment starts, and out of it again', async () => {
    const length = await figure('skirt.hem-front');
    const a = await agreedChange(LONGER);
    expect((await view()).agreed[0].asStep).toBe(true);
    await carry(a, 'block');
    expect(await figure('skirt.hem-front')).toBeCloseTo(length + 2, 6);
    const briefed = await json(fitter!.get(`/orders/${id}`));
    expect(briefed.brief.steps).toEqual([{ step: 'longer', part: 0, amount: '2 cm', to: '' }]);
    expect((await alteration(a)).status).toBe('in-sheet');
    await change({ kind: 'uncarry', alterationId: a });
    expect(await figure('skirt.hem-front')).toBe(length);
    expect((await json(fitter!.get(`/orders/${id}`))).brief.steps).toEqual([]);
    // What a hand wrote since stays, also of the same amount.
    await carry(a, 'block');
    const held = await json(fitter!.get(`/orders/${id}`));
    const byHand = { step: 'longer', part: 0, amount: '-2 cm', to: '' };
    await json(
      fitter!.send('PUT', `/orders/${id}/brief`, {
        version: held.version,
        brief: { ...held.brief, steps: [...held.brief.steps, byHand] },
      }),
    );
    await change({ kind: 'uncarry', alterationId: a });
    expect((await json(fitter!.get(`/orders/${id}`))).brief.steps).toEqual([byHand]);
    // What no step says goes into the sheet, or nowhere.
    const b = await agreedChange(HIP);
    expect((await carry(b, 'block', 422)).code).toBe('no-step');
    expect((await alteration(b)).status).toBe('agreed');
  });

  it('what one side alone gets goes onto that side’s panels; a girth counts both', async () => {
    const hip = await figure('hip');
    const a = await agreedChange({ ...HIP, side: 'left' });
    expect((await view()).agreed[0].cannot).toBe('');
    // No step of a block says left: it goes into the sheet, or nowhere.
    expect((await carry(a, 'block', 422)).code).toBe('no-step');
    await carry(a);
    expect(await figure('hip')).toBeCloseTo(hip - 2, 6);
    const csv = await (await fitter!.get(`/orders/${id}/sheet.csv`)).text();
    expect(csv).toMatch(/left and right,,"front at the hip: right [\d.]+ cm, left [\d.]+ cm"/);
    await change({ kind: 'uncarry', alterationId: a });
    expect(await figure('hip')).toBe(hip);
  });

  it('work that changes no panel is the bench’s, and never asked about at the sheet', async () => {
    const a = await agreedChange({ kind: 'press', direction: 'press' });
    expect((await view()).agreed).toEqual([]);
    expect((await carry(a, 'sheet', 422)).code).toBe('not-of-the-sheet');
  });

  it('is open again when it was decided in haste, and the sheet is as it was', async () => {
    const hip = await figure('hip');
    const a = await agreedChange(HIP);
    await carry(a);
    expect(await figure('hip')).toBeCloseTo(hip - 2, 6);
    expect((await step(a, { step: 'start' }, 409)).code).toBe('not-now');
    await change({ kind: 'uncarry', alterationId: a });
    expect(await figure('hip')).toBe(hip);
    expect((await alteration(a)).status).toBe('agreed');
    expect((await change({ kind: 'uncarry', alterationId: a }, 409)).code).toBe('not-decided');
  });

  it('two people carrying the same change: one does, the other is told; nothing is doubled', async () => {
    const hip = await figure('hip');
    const a = await agreedChange(HIP);
    const { version } = await view();
    const both = await Promise.all(
      [0, 1].map(() =>
        fitter!.send('POST', `/orders/${id}/sheet/changes`, {
          version,
          change: { kind: 'carry', alterationId: a, to: 'sheet' },
        }),
      ),
    );
    expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
    expect(await figure('hip')).toBeCloseTo(hip - 2, 6);
    expect((await carry(a, 'sheet', 409)).code).toBe('not-now');
  });

  it('of another order, of nobody, by those who may not: refused, and nothing moves', async () => {
    const a = await agreedChange(HIP);
    const other = await skirtOrder(fitter!, { name: 'Somebody Else' });
    const elsewhere = await fitter!.send('POST', `/orders/${other.orderId}/sheet/changes`, {
      version: 0,
      change: { kind: 'carry', alterationId: a, to: 'sheet' },
    });
    expect(elsewhere.status).toBe(404);
    await carry(999_999, 'sheet', 404);
    await change({ kind: 'carry', alterationId: a, to: 'sheet' }, 403, undefined, bench!);
    await change({ kind: 'carry', alterationId: a, to: 'sheet' }, 403, undefined, desk!);
    await carry(a, 'nowhere', 422);
    expect((await alteration(a)).status).toBe('agreed');
  });

  it('on a sheet that meanwhile has other parts it is told that it is not in it; nothing falls over', async () => {
    const note = 'as she said, and as it was pinned '.repeat(14);
    const a = await agreedChange({
      kind: 'back-darts',
      direction: 'in',
      amount: '0.5 cm',
      as: 'total',
      note,
    });
    await carry(a);
    const order = await json(fitter!.get(`/orders/${id}`));
    await json(
      fitter!.send('PUT', `/orders/${id}/brief`, {
        version: order.version,
        brief: { ...order.brief, parts: [{ part: 'circle-skirt', length: '60 cm' }] },
      }),
    );
    const told = (await computedChecks()).find((k) => k.code === 'agreed-change-1')!;
    expect(told.state).toBe('warned');
    expect(told.sentence).toContain('not in this sheet');
    expect((await agree(422)).problems.join(' ')).toContain('not in this sheet');
    // Accepted by name it is kept with its sentence, and read again.
    await acceptAll();
    await agree();
    expect((await view()).status).toBe('agreed');
  });
});
