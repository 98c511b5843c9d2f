import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, clientBody, json, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

let t: TestApp;
let [principal, fitter]: Caller[] = [];
beforeAll(async () => {
  t = await startTestApp();
  [principal, fitter] = [await t.as('principal'), await t.as('fitter')];
});
afterAll(() => t.close());

const put = async (more: object, status = 200) => {
  const { version } = await json(principal!.get('/house'));
  return json(
    principal!.send('PUT', '/house', { version, studio: 'Inch Room', timeZone: 'UTC', ...more }),
    status,
  );
};
const me = (who = principal!) => json(who.get('/me'));

describe('what a studio writes in', () => {
  it('leads the owner of a new studio to its set-up once, then to the first steps, and nobody else', async () => {
    expect((await me()).firstSteps).toBe('set-up');
    expect((await me(fitter!)).firstSteps).toBeNull();
    await put({ address: '1 Quay', phone: '0555 1', currency: '$', weekStarts: 7 });
    expect((await me()).firstSteps).toBe('list');
    const steps = () => json(principal!.get('/house/first-steps'));
    expect(await steps()).toMatchObject({ staff: true, client: false, order: false, tape: false });
    await json(fitter!.get('/house/first-steps'), 403);
    await json(principal!.send('POST', '/clients', clientBody('First Client')), 201);
    expect((await steps()).client).toBe(true);
    await json(principal!.send('POST', '/house/first-steps/away', {}));
    expect((await me()).firstSteps).toBeNull();
  });

  it('is set up once by two who save at the same time: the other is told, and nothing of hers is written', async () => {
    const { version } = await json(principal!.get('/house'));
    const save = (phone: string) =>
      principal!.send('PUT', '/house', { version, studio: 'Inch Room', timeZone: 'UTC', phone });
    const both = await Promise.all([save('0555 2'), save('0555 3')]);
    expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
    const kept = both[0]!.status === 200 ? '0555 2' : '0555 3';
    expect((await json(principal!.get('/house'))).phone).toBe(kept);
  });

  it('keeps what a change does not name, and says it to everybody', async () => {
    const house = await put({ dateOrder: 'mdy' });
    expect(house).toMatchObject({ address: '1 Quay', currency: '$', dateOrder: 'mdy', unit: 'cm' });
    expect(await me(fitter!)).toMatchObject({ dateOrder: 'mdy', currency: '$', weekStarts: 7, unit: 'cm' });
  });

  it('in inches marks in eighths from then on, says so among the rules, and goes back; a rule of its own stays', async () => {
    const { orderId } = await skirtOrder(fitter!, { name: 'Measured In Inches' });
    const unit = async () =>
      (await json(fitter!.get(`/orders/${orderId}/sheet`))).spec.house?.rounding?.unit ?? 'cm';
    expect(await unit()).toBe('cm');
    await put({ unit: 'in' });
    expect(await unit()).toBe('in');
    const { changes } = await json(principal!.get('/house/rules'));
    expect(changes[0].moved).toEqual([
      { path: 'rounding', name: 'rounding, marked figures', from: 'nearest 0.5 cm', to: 'nearest 1⁄8 in' },
    ]);
    await put({ unit: 'cm' });
    expect(await unit()).toBe('cm');
    const { version, rules } = await json(principal!.get('/house/rules'));
    await json(
      principal!.send('PUT', '/house/rules', {
        version,
        rules: { ...rules, rounding: { unit: 'cm', step: 0.1, mode: 'nearest' } },
      }),
    );
    await put({ unit: 'in' });
    expect((await json(principal!.get('/house/rules'))).rules.rounding).toMatchObject({ step: 0.1 });
  });

  it.each([
    [{ unit: 'ell' }, 'unit'],
    [{ paper: 'A0' }, 'paper'],
    [{ weekStarts: 3 }, 'weekStarts'],
    [{ currency: 'doubloons' }, 'over 8 characters'],
    [{ email: 'nowhere' }, 'e-mail'],
    [{ studio: ' ' }, 'Enter the studio’s name'],
  ])('%j is refused with a sentence, and nothing is changed', async (more, says) => {
    const before = await json(principal!.get('/house'));
    expect(JSON.stringify(await put(more, 422))).toContain(says);
    expect(await json(principal!.get('/house'))).toEqual(before);
  });
});

describe('in which steps figures are marked', () => {
  it('is set with the studio, as a rule of its own; what no hand marks in is refused', async () => {
    const rounding = async () => (await json(principal!.get('/house/rules'))).rules.rounding;
    await put({ unit: 'in', rounding: 'in 0.25 nearest' });
    expect(await rounding()).toEqual({ unit: 'in', step: 0.25, mode: 'nearest' });
    const refused = await put({ rounding: 'in 0.3 nearest' }, 422);
    expect(refused.detail).toContain('Choose how figures are rounded from the list.');
    await put({ unit: 'cm', rounding: 'cm 0.5 nearest' });
    expect(await rounding()).toEqual({ unit: 'cm', step: 0.5, mode: 'nearest' });
  });
});

describe('the studio’s paper', () => {
  it('is what sheets, lists and guides are printed on', async () => {
    const { orderId } = await skirtOrder(fitter!, { name: 'On Letter' });
    const size = async (path: string) =>
      /\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/
        .exec(Buffer.from(await (await fitter!.get(path)).arrayBuffer()).toString('latin1'))
        ?.slice(1, 3);
    const paths = [`/orders/${orderId}/sheet.pdf`, `/orders/${orderId}/measuring-list.pdf`, '/guide.pdf'];
    await put({ paper: 'Letter' });
    // ANSI/ASME Y14.1, letter: 8.5 by 11 in, at 72 points an inch.
    for (const path of paths) expect((await size(path))?.map(Number), path).toEqual([612, 792]);
    await put({ paper: 'A4' });
    // ISO 216, A4: 210 by 297 mm.
    for (const path of paths)
      expect(
        (await size(path))?.map((n) => Math.round((Number(n) / 72) * 25.4)),
        path,
      ).toEqual([210, 297]);
  });
});
