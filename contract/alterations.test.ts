import { perEdge } from '@rocchetto/core/alter/index.ts';
import { describe, expect, it } from 'vitest';
import {
  AlterationWrite,
  AskedWire,
  BoxWrite,
  StepWire,
  StoredAsked,
  toAsked,
  writtenOf,
} from './alterations.ts';
import { BroughtInWrite } from './brought-in.ts';
import { HandOverWrite, PinsWrite, PointsWrite } from './leaving.ts';

const ASKED = { kind: 'waist', direction: 'in', amount: '1 cm', as: 'pinned' };
const says = (
  schema: { safeParse: (v: unknown) => { success: boolean; error?: { issues: { message: string }[] } } },
  v: unknown,
) => {
  const r = schema.safeParse(v);
  return r.success ? '' : r.error!.issues.map((i) => i.message).join(' ');
};

describe('what is asked at the mirror', () => {
  it('is kept as it was written, and computed from in cm', () => {
    const wire = AskedWire.parse({
      ...ASKED,
      amount: '1/2 in',
      fullTo: '4 in',
      zero: '10 in',
      frontShare: 75,
    });
    expect(wire.amount).toBe('1/2 in');
    expect(writtenOf(wire)).toBe('1⁄2 in');
    const asked = toAsked(wire);
    expect(asked.amount).toBeCloseTo(1.27, 9);
    expect(asked.run).toMatchObject({ begins: null, fullFrom: null });
    expect(asked.run.fullTo).toBeCloseTo(10.16, 9);
    expect(asked.frontShare).toBe(0.75);
    expect(asked.direction).toMatchObject({ id: 'in', sign: -1 });
  });

  it('marks at the hem stand for an amount', () => {
    const hem = { front: '1 cm', left: '2 cm', right: '2 cm', back: '0 cm' };
    const wire = AskedWire.parse({ kind: 'hem-levelled', direction: 'up', hem });
    expect(writtenOf(wire)).toBe('');
    expect(toAsked(wire).hem).toEqual({ front: 1, left: 2, right: 2, back: 0 });
  });

  it.each([
    [{ kind: 'wings' }, 'There is no such alteration. Choose one from the list.'],
    [{ direction: 'sideways' }, 'This alteration can’t be done that way. Choose another.'],
    [{ amount: null }, 'Enter the amount with its unit, for example 1.5 cm.'],
    [{ amount: '1' }, 'has no unit'],
    [{ amount: '-1 cm' }, 'must be between'],
    [{ amount: '3 m' }, 'must be between'],
    [{ amount: 'a bit' }, 'is not a unit'],
    [{ as: 'roughly' }, 'Choose whether the amount is pinned or in all.'],
    [{ side: 'middle' }, 'Invalid'],
    [{ zero: '-3 cm' }, 'must be between'],
    [{ frontShare: 101 }, 'Too big'],
    [{ sign: 'wings' }, 'There is no such fitting sign. Choose one from the list.'],
    [{ words: 'x'.repeat(501) }, 'Too big'],
    [{ mark: { view: 'under', x: 1, y: 1 } }, 'Invalid'],
    [{ mark: { view: 'front', x: Number.NaN, y: 1 } }, 'Invalid'],
    [{ extra: 1 }, 'Unrecognized'],
  ])('%j is refused', (more, sentence) => {
    expect(says(AskedWire, { ...ASKED, ...more })).toContain(sentence);
  });

  it('as it was kept it is read again, also with an amount that would be asked about today', () => {
    expect(StoredAsked.parse(AskedWire.parse(ASKED))).toEqual(AskedWire.parse(ASKED));
    expect(StoredAsked.parse({ ...ASKED, amount: '34/35 cm' }).amount).toBe('34/35 cm');
    expect(says(StoredAsked, { ...ASKED, version: 3 })).not.toBe('');
  });

  it('what was kept before amounts were said per seam means what it meant', () => {
    const old = { ...ASKED, version: 1, kind: 'side-seams', direction: 'in', amount: '1 cm', as: 'pinned' };
    // A fold of 1 took 2 in all, shared over four edges; let out there was no fold to pin.
    expect(StoredAsked.parse(old)).toMatchObject({ version: 2, as: 'fold', drawnWay: false });
    expect(StoredAsked.parse({ ...old, direction: 'out' })).toMatchObject({ as: 'total' });
    expect(StoredAsked.parse({ ...old, as: 'total' })).toMatchObject({ as: 'total' });
    // Places counted from where the edge is drawn from.
    expect(StoredAsked.parse({ ...old, zero: '12 cm' })).toMatchObject({ drawnWay: true });
    const now = AskedWire.parse({ ...old, version: 2 });
    expect(now).toMatchObject({ as: 'pinned', drawnWay: false });
    expect(StoredAsked.parse(now)).toEqual(now);
    expect(perEdge(toAsked(StoredAsked.parse(old)), 'front', { front: 1, back: 1 })).toBeCloseTo(-0.5, 9);
    expect(perEdge(toAsked(now), 'front', { front: 1, back: 1 })).toBeCloseTo(-1, 9);
  });

  it('what else a kind asks is read with it, and nothing that it does not ask', () => {
    const trim = { ...ASKED, version: 2, kind: 'trim', direction: 'add', amount: null, hem: null };
    expect(
      AskedWire.parse({ ...trim, details: { along: 'hem', rows: '2', overlap: '2 cm' } }).details,
    ).toEqual({
      along: 'hem',
      rows: '2',
      overlap: '2 cm',
    });
    expect(says(AskedWire, { ...trim, details: { rows: 'many' } })).toContain('whole number');
    expect(says(AskedWire, { ...trim, details: { along: 'the moon' } })).toContain('one from the list');
    expect(says(AskedWire, { ...trim, details: { off: 'tulle' } })).toContain('has no such detail');
  });

  it('names an appointment or none, and where it came from', () => {
    expect(AlterationWrite.parse({ asked: ASKED, source: 'call' }).appointmentId).toBeNull();
    expect(says(AlterationWrite, { asked: ASKED, source: 'letter' })).not.toBe('');
    expect(says(AlterationWrite, { asked: ASKED, source: 'desk', appointmentId: -1 })).not.toBe('');
  });
});

describe('what is done with it', () => {
  it.each([
    [{ step: 'agree', name: '' }, 'Enter who agreed.'],
    [{ step: 'agree', name: 'x', price: -1 }, 'Enter a price of 0 or more.'],
    [{ step: 'agree', name: 'x', neededOn: '2026-13-01' }, 'isn’t a date'],
    [{ step: 'decline', reason: '  ' }, 'Enter the reason for declining.'],
    [{ step: 'withdraw' }, 'Invalid'],
    [{ step: 'ask-again', reason: '' }, 'Enter what changed.'],
    [{ step: 'assign', staffId: 1, minutes: 1 }, 'Enter 5 minutes or more.'],
    [{ step: 'check', readings: { waist: '70' } }, 'has no unit'],
    [{ step: 'back', reason: '' }, 'Enter the reason for sending it back.'],
    [{ step: 'accept', name: 'x', reason: '' }, 'Enter the reason for accepting it.'],
    [{ step: 'burn' }, 'Invalid'],
  ])('%j is refused', (step, sentence) => {
    expect(says(StepWire, step)).toContain(sentence);
  });

  it('a piece is left out with a reason only; pins are whole; cautions are read', () => {
    expect(says(BoxWrite, { box: 'a', to: 'struck', reason: '' })).toContain(
      'Enter the reason for crossing out this piece.',
    );
    expect(says(BoxWrite, { box: 'a', to: 'struck', reason: 'cut anew' })).toBe('');
    expect(says(BoxWrite, { box: 'a', to: 'done' })).toBe('');
    expect(says(PinsWrite, { way: 'in', pins: 2.5 })).toContain('whole');
    expect(says(PinsWrite, { way: 'in', pins: 5000 })).toContain('over the limit');
    expect(says(HandOverWrite, { clientName: 'x', cautionsRead: false })).toContain(
      'Read the cautions out first, then tick the box.',
    );
    expect(says(PointsWrite, { readings: {} })).toContain('Nothing was measured.');
    expect(says(PointsWrite, { readings: { hip: '98' } })).toContain('has no unit');
  });

  it('a garment is taken in with how it came', () => {
    const garment = { clientId: 1, kind: 'coat', what: 'Coat', lined: true, condition: 'nothing found' };
    expect(says(BroughtInWrite, garment)).toBe('');
    expect(says(BroughtInWrite, { ...garment, kind: 'tent' })).toContain('no such garment');
    expect(says(BroughtInWrite, { ...garment, condition: ' ' })).toContain('Enter the condition');
    expect(says(BroughtInWrite, { ...garment, what: '' })).toContain('Enter what it is.');
    expect(says(BroughtInWrite, { ...garment, dueOn: 'soon' })).toContain('isn’t a date');
  });
});
