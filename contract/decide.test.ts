import { describe, expect, it } from 'vitest';
import { decide } from './decide.ts';
import { skirtSpec } from './testing.ts';

const stamp = { by: 'Bram', at: '2026-03-02T10:00:00.000Z' };
const spec = skirtSpec(['waist 70 cm', 'hip 98 cm', 'waist-to-hip 20 cm']);
const set = (value: string) =>
  ({ kind: 'override', id: 'a', figure: 'hip', target: 'wearing', value, reason: 'asked' }) as const;

describe('one decision more about a sheet', () => {
  it('sets a figure once: the later value stands, and withdrawing leaves none', () => {
    const twice = decide(decide(spec, set('6 cm'), stamp), set('7 cm'), stamp);
    expect(twice.overrides.map((o) => [o.value, o.by])).toEqual([['7 cm', 'Bram']]);
    expect(spec.overrides).toEqual([]);
    expect(decide(twice, { kind: 'withdraw', figure: 'hip', target: 'wearing' }, stamp).overrides).toEqual(
      [],
    );
    expect(decide(twice, { kind: 'withdraw', figure: 'hip', target: 'finished' }, stamp)).toEqual(twice);
  });

  it('accepts a warning as it reads, once, and takes that back', () => {
    const accept = { kind: 'accept', code: 'floor-hip', reason: 'knowingly' } as const;
    const done = decide(decide(spec, accept, stamp, 'was'), accept, stamp, 'is');
    expect(done.accepted).toEqual([{ code: 'floor-hip', sentence: 'is', reason: 'knowingly', ...stamp }]);
    expect(decide(done, { kind: 'unaccept', code: 'floor-hip' }, stamp).accepted).toEqual([]);
  });

  it('lays a house rule over the others and leaves them', () => {
    const rounding = { unit: 'in', step: 0.125, mode: 'nearest' } as const;
    expect(decide(spec, { kind: 'house', house: { rounding, hipDrop: undefined } }, stamp).house).toEqual({
      ...spec.house,
      rounding,
    });
    expect(decide(spec, { kind: 'revise' }, stamp)).toBe(spec);
  });
});
