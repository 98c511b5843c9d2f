import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';
import { aheadBy, inStudioTime } from './clock.ts';

const NOW = new Date('2026-03-10T12:00:00Z');
let t: TestApp;
let fitter: Caller;
beforeAll(async () => {
  t = await startTestApp(() => NOW);
  fitter = await t.as('fitter');
});
afterAll(() => t.close());

/** Batches as devices send them, each with what its clock says. */
const send = (body: ReturnType<typeof sessionBody>, deviceTime?: string) =>
  json(fitter.send('POST', '/readings', body, deviceTime ? { 'x-device-time': deviceTime } : {}));
const session = (id: string) => json(fitter.get(`/sessions/${id}`));

describe('two devices in one session', () => {
  it('that both corrected the same reading keep both corrections; the sheet asks for a third', async () => {
    const order = await skirtOrder(fitter);
    const first = sessionBody(order.clientId, order.orderId, [
      'hip 98 cm',
      'waist 70 cm',
      'waist-to-hip 20 cm',
    ]);
    await send(first);
    const correct = (text: string) => {
      const { readings } = sessionBody(order.clientId, order.orderId, [`hip ${text}`]);
      return {
        session: first.session,
        readings: readings.map((r) => ({ ...r, replaces: first.readings[0]!.id })),
      };
    };
    const both = [correct('96 cm'), correct('99 cm')];
    // Each sent twice, all at once: what one device did not hear is not lost on the other.
    await Promise.all([...both, ...both].map((b) => send(b)));
    const { readings } = await session(first.session.id);
    const hips = readings.filter((r: { measure: string }) => r.measure === 'hip');
    expect(hips.map((r: { written: { text: string } }) => r.written.text).sort()).toEqual(['96', '98', '99']);
    const sheet = await json(fitter.get(`/orders/${order.orderId}/sheet.json`));
    const asked = sheet.printed.checks.find((k: { code: string }) => k.code === 'apart-hip');
    expect(asked).toMatchObject({ state: 'warned' });
    expect(asked.text).toContain('two readings 3 cm apart');
  });

  it('that took turns out of order, one of them away for a while, hold the same readings at the end', async () => {
    const order = await skirtOrder(fitter);
    const begin = sessionBody(order.clientId, order.orderId, []);
    const taken = Array.from(
      { length: 12 },
      (_, i) => sessionBody(order.clientId, null, [`waist ${70 + i} cm`]).readings[0]!,
    );
    const [a, b] = [taken.filter((_, i) => i % 2), taken.filter((_, i) => !(i % 2))];
    await send({ ...begin, readings: b.toReversed() });
    await Promise.all([send({ ...begin, readings: a }), send({ ...begin, readings: taken })]);
    const { readings } = await session(begin.session.id);
    expect(readings.map((r: { id: string }) => r.id).sort()).toEqual(taken.map((r) => r.id).sort());
  });
});

describe('a device whose clock is a day off', () => {
  it.each([
    ['ahead', '2026-03-11T12:00:00Z', '2026-03-11T10:00:00Z'],
    ['behind', '2026-03-09T12:00:00Z', '2026-03-09T10:00:00Z'],
  ])('%s: its session stands at the studio’s time, two hours ago', async (_, says, at) => {
    const order = await skirtOrder(fitter);
    const body = sessionBody(order.clientId, order.orderId, ['waist 70 cm']);
    body.session.at = at;
    body.readings[0]!.at = at;
    await send(body, says);
    // Sent again by a device set right meanwhile it changes nothing.
    await send(body);
    const kept = await session(body.session.id);
    expect(new Date(kept.at).toISOString()).toBe('2026-03-10T10:00:00.000Z');
    expect(kept.readings.map((r: { at: string }) => new Date(r.at).toISOString())).toEqual([
      '2026-03-10T10:00:00.000Z',
    ]);
  });
  it('a reading dated in the future is refused with a sentence, and the others of its batch are kept', async () => {
    const order = await skirtOrder(fitter);
    const body = sessionBody(order.clientId, order.orderId, ['waist 70 cm', 'hip 98 cm']);
    body.readings[1]!.at = '2026-03-11T09:00:00Z';
    const answer = await send(body);
    expect(answer.kept).toEqual([body.readings[0]!.id]);
    expect(answer.refused).toEqual([
      { id: body.readings[1]!.id, sentence: expect.stringContaining('dated in the future') },
    ]);
    // Two clocks are never the same to the minute.
    const near = sessionBody(order.clientId, order.orderId, ['waist 70 cm']);
    near.readings[0]!.at = '2026-03-10T12:03:00Z';
    expect((await send(near)).kept).toHaveLength(1);
    const late = sessionBody(order.clientId, order.orderId, ['waist 70 cm']);
    late.session.at = '2027-01-01T00:00:00Z';
    await send(late);
    expect(new Date((await session(late.session.id)).at).toISOString()).toBe('2026-03-10T12:00:00.000Z');
  });
  it('is believed within two minutes, and when it says nothing that is a time', () => {
    expect(aheadBy('2026-03-10T12:01:59Z', NOW)).toBe(0);
    expect(aheadBy('2026-03-10T12:02:01Z', NOW)).toBe(121_000);
    fc.assert(
      fc.property(fc.string(), (says) => Number.isFinite(aheadBy(says, NOW))),
      { examples: [[''], ['tomorrow'], ['+275760-09-13T00:00:00.001Z']] },
    );
    const body = sessionBody(1, null, ['waist 70 cm']) as unknown as Parameters<typeof inStudioTime>[0];
    expect(inStudioTime(body, 0)).toBe(body);
    // So far off that no date is left: the times stay as they were sent.
    expect(inStudioTime(body, -9e15).session.at).toBe(body.session.at);
  });
});
