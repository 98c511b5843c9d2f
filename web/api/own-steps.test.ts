import { describe, expect, it } from 'vitest';
import { onTop, taken } from './own-steps.ts';

let n = 0;
const record = () => {
  const at = `/alterations/${++n}`;
  const steps = `${at}/steps`;
  /** Takes a step as the page does: it still shows the version `shown`; the server makes the next one. */
  const step = (shown: number, does: string, server: { version: number }) => {
    const body = { version: shown, does };
    const sent = onTop(steps, body);
    if (sent !== server.version) return sent;
    server.version += 1;
    taken(steps, body, sent, server.version);
    return sent;
  };
  return { steps, step };
};

describe('a step on top of one’s own', () => {
  it('goes on from what was made, while the screen still shows the version from before', () => {
    const { step } = record();
    const server = { version: 2 };
    expect([step(2, 'give', server), step(2, 'take back', server), step(2, 'give', server)]).toEqual([
      2, 3, 4,
    ]);
    expect(step(4, 'begin', server)).toBe(5);
    expect(server.version).toBe(6);
  });

  it('pressed twice is sent twice as it was, so that both carry one key', () => {
    const { steps, step } = record();
    step(2, 'give', { version: 2 });
    step(2, 'take back', { version: 3 });
    const press = (does: string) => onTop(steps, Object.assign({ version: 2 }, { does }));
    expect([press('take back'), press('begin')]).toEqual([3, 4]);
  });

  it('does not go over what another hand has saved since', () => {
    const { step } = record();
    const server = { version: 2 };
    step(2, 'give', server);
    server.version += 1;
    expect(step(2, 'take back', server)).toBe(3);
    expect(server.version).toBe(4);
  });

  it('was sent on top of another hand’s version: refused steps teach nothing', () => {
    const { step } = record();
    const server = { version: 3 };
    expect(step(2, 'give', server)).toBe(2);
    expect(step(2, 'begin', server)).toBe(2);
  });

  it('keeps to its own record, and to the hundred last ones', () => {
    const first = record();
    first.step(7, 'give', { version: 7 });
    const others = Array.from({ length: 100 }, record);
    for (const o of others) expect(o.step(7, 'begin', { version: 7 })).toBe(7);
    expect(first.step(7, 'take back', { version: 9 })).toBe(7);
    expect(others[0]!.step(7, 'take back', { version: 9 })).toBe(8);
  });
});
