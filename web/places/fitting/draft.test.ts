import { AskedWire } from '@rocchetto/contract';
import { toAsked } from '@rocchetto/contract/alterations.ts';
import { ALTERATION_KINDS, isShared, perEdge, SIGNS } from '@rocchetto/core/alter/index.ts';
import { describe, expect, it } from 'vitest';
import { byMarks, type Draft, draftOf, EMPTY, wayOf, wireOf, withSide } from './draft.ts';

const draft = (more: Partial<Draft>): Draft => ({ ...EMPTY, ...more });

describe('what is written at the mirror', () => {
  it('is nothing while no kind is chosen, and takes the page’s unit where none is written', () => {
    expect(wireOf(EMPTY, 'cm')).toBeNull();
    const w = wireOf(draft({ kind: 'waist', direction: 'in', amount: '1 1/2', zero: '20 cm' }), 'in');
    expect(w).toMatchObject({ amount: '1 1/2 in', zero: '20 cm', as: 'pinned' });
  });

  it('what is taken in is pinned at each seam, what is let out is the total, until it is said otherwise', () => {
    expect(wireOf(draft({ kind: 'waist', direction: 'out', amount: '1' }), 'cm')).toMatchObject({
      as: 'total',
    });
    expect(wireOf(draft({ kind: 'waist', direction: 'out', amount: '1', as: 'pinned' }), 'cm')).toMatchObject(
      {
        as: 'pinned',
      },
    );
    expect(
      wireOf(draft({ kind: 'hem-straight', direction: 'up', amount: '1', as: 'seam' }), 'cm'),
    ).toMatchObject({
      as: 'total',
    });
    expect(
      wireOf(draft({ kind: 'back-length', direction: 'shorter', amount: '1', as: 'seam' }), 'cm'),
    ).toMatchObject({
      as: 'pinned',
    });
  });

  it('another side chosen changes nothing at an edge: all round becomes half of it on one side, back it stays a side’s', () => {
    const each = (d: Draft) => {
      const asked = toAsked(AskedWire.parse(wireOf(d, 'cm')));
      return perEdge(asked, 'front', { front: 1, back: 1 });
    };
    for (const kind of ALTERATION_KINDS.filter((k) => isShared(k)))
      for (const way of kind.directions)
        for (const as of ['', 'pinned', 'seam', 'side', 'total'] as const) {
          const both = draft({ kind: kind.id, direction: way.id, amount: '2.5', as });
          const left = { ...both, ...withSide(both, 'left', 'cm') };
          const right = { ...left, ...withSide(left, 'right', 'cm') };
          const again = { ...right, ...withSide(right, 'both', 'cm') };
          for (const d of [left, right, again])
            expect(each(d), `${kind.id} ${as} ${d.side}`).toBeCloseTo(each(both), 9);
        }
  });
  it('half of an amount is written as the hand wrote it', () => {
    const total = (amount: string) => draft({ kind: 'waist', direction: 'out', amount });
    expect(withSide(total('1/8 in'), 'left', 'cm')).toEqual({ side: 'left', as: 'side', amount: '1⁄16 in' });
    expect(withSide(total('3'), 'right', 'cm').amount).toBe('1.5');
    expect(withSide(total('much'), 'right', 'cm').amount).toBe('much');
    expect(withSide(draft({ kind: 'hem-straight', direction: 'up', amount: '2' }), 'left', 'cm')).toEqual({
      side: 'left',
    });
  });

  it('legs are marked alike or each for itself; details go with the kind that asks them', () => {
    const one = { front: '2', inside: '2', back: '3', outside: '2' };
    const legs = { left: one, right: { ...one, back: '1' } };
    const hem = draft({ kind: 'hem-levelled', direction: 'up', legs });
    expect((wireOf(hem, 'cm') as { legs: unknown }).legs).toMatchObject({
      left: { back: '3 cm' },
      right: { back: '3 cm' },
    });
    expect((wireOf({ ...hem, alike: false }, 'cm') as { legs: unknown }).legs).toMatchObject({
      right: { back: '1 cm' },
    });
    const trim = draft({
      kind: 'trim',
      direction: 'add',
      details: { along: 'hem', overlap: '2', off: 'tulle' },
    });
    expect(wireOf(trim, 'cm')).toMatchObject({ details: { along: 'hem', overlap: '2 cm' } });
    expect((wireOf(trim, 'cm') as { details: object }).details).not.toHaveProperty('off');
  });

  it('marks at the hem take the amount’s place, an empty one is nothing; work without a measure has none', () => {
    const hem = { front: '2', left: '', right: '2', back: '3' };
    expect(wireOf(draft({ kind: 'hem-levelled', direction: 'up', amount: '9', hem }), 'cm')).toMatchObject({
      amount: null,
      hem: { front: '2 cm', left: '0 cm', right: '2 cm', back: '3 cm' },
    });
    expect(wireOf(draft({ kind: 'hem-straight', direction: 'up', amount: '9', hem }), 'cm')).toMatchObject({
      amount: '9 cm',
      hem: null,
    });
    expect(wireOf(draft({ kind: 'zip', amount: '9' }), 'cm')).toMatchObject({ amount: null });
    expect([byMarks('hem-uneven'), byMarks('hem-straight')]).toEqual([true, false]);
  });

  it('a way that the kind has not falls back to its first', () => {
    expect(wayOf({ kind: 'waist', direction: 'up' })!.id).toBe('in');
    expect(wayOf({ kind: '', direction: '' })).toBeUndefined();
  });

  it('every kind can be written, is taken by the contract, and comes back into the fields as it was', () => {
    for (const kind of ALTERATION_KINDS)
      for (const way of kind.directions) {
        const wire = AskedWire.parse(
          wireOf(draft({ kind: kind.id, direction: way.id, amount: '1.5 cm', words: 'tight' }), 'cm'),
        );
        expect(AskedWire.parse(wireOf(draftOf(wire), 'in'))).toEqual(wire);
      }
  });

  it('every cause of every sign prepares something the contract takes', () => {
    for (const sign of SIGNS)
      for (const c of sign.causes) {
        if (c.kind === null) continue;
        const prepared = draft({
          sign: sign.id,
          kind: c.kind,
          direction: c.direction,
          face: c.face ?? '',
          amount: '1 cm',
        });
        expect(AskedWire.safeParse(wireOf(prepared, 'cm')).success, `${sign.id}: ${c.try}`).toBe(true);
      }
  });
});
