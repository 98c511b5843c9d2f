// @vitest-environment happy-dom
import { cm, measure, type SheetUnit, type Tape } from '@rocchetto/core';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { TapeField } from './TapeField.tsx';
import type { Taken, TapeFieldProps } from './useTapeField.ts';

afterEach(cleanup);

const HIP: TapeFieldProps['context'] = { measure: measure('hip'), others: new Map(), last: undefined };
const SNUG = { unit: 'cm', way: 'whole', tape: 'snug', reason: '', carried: false, note: '' } as const;

/** The field with a tape that a hand can turn over. */
function Held(props: Omit<TapeFieldProps, 'unit' | 'setUnit' | 'tape' | 'setTape'>) {
  const [unit, setUnit] = useState<SheetUnit>('cm');
  const [tape, setTape] = useState<Tape>('snug');
  return <TapeField {...props} {...{ unit, setUnit, tape, setTape }} />;
}

function at(context = HIP, heard: TapeFieldProps['heard'] = null) {
  const said = {
    onTake: vi.fn<(t: Taken) => void>(),
    onNext: vi.fn(),
    onBack: vi.fn(),
    onAgain: vi.fn(),
    onState: vi.fn<(s: string) => void>(),
    onBusy: vi.fn(),
  };
  const page = render(<Held context={context} heard={heard} {...said} />);
  const hand = userEvent.setup();
  return {
    ...said,
    hand,
    hear: (h: TapeFieldProps['heard']) => page.rerender(<Held context={context} heard={h} {...said} />),
    go: (c: TapeFieldProps['context']) => page.rerender(<Held context={c} heard={heard} {...said} />),
    field: () => screen.getByLabelText(/^hip, in/) as HTMLInputElement,
    text: () => document.body.textContent ?? '',
  };
}

describe('the field of the tape', () => {
  it('takes what is typed by Enter, says it in both units, and is empty for the next', async () => {
    const t = at();
    await t.hand.type(t.field(), '98.5');
    expect(t.text().replace(/\s/g, ' ')).toMatch(/98\.5 cm ≈ 38 3⁄4 in/);
    await t.hand.keyboard('{Enter}');
    expect(t.onTake).toHaveBeenCalledExactlyOnceWith({ ...SNUG, typed: '98.5' });
    expect(t.field().value).toBe('');
  });
  it('loses no letter of a hand that skips and types on before the next measure has come', async () => {
    const t = at();
    // Long after the last one was taken.
    await new Promise((r) => setTimeout(r, 1100));
    await t.hand.click(t.field());
    await t.hand.keyboard('s');
    await t.hand.keyboard('5');
    t.go({ ...HIP, measure: measure('waist') });
    await t.hand.keyboard('8');
    expect((screen.getByLabelText(/^waist, in/) as HTMLInputElement).value).toBe('58');
    // What was typed and never taken belongs to the measure it was typed for.
    await new Promise((r) => setTimeout(r, 1100));
    t.go(HIP);
    expect(t.field().value).toBe('');
  });
  it('knows its keys in an empty field, and types them beside a figure', async () => {
    const t = at();
    await t.hand.type(t.field(), '{Enter}');
    expect(t.onNext).toHaveBeenCalledOnce();
    await t.hand.keyboard('{Backspace}');
    expect(t.onBack).toHaveBeenCalledOnce();
    await t.hand.keyboard('s');
    await t.hand.keyboard('d');
    expect(t.onState.mock.calls).toEqual([['skipped'], ['declined']]);
    await t.hand.keyboard('r');
    expect(t.onAgain).toHaveBeenCalledOnce();
    await t.hand.keyboard('utw');
    expect(screen.getByRole('button', { name: 'tape in inches' })).toBeTruthy();
    expect(screen.getByRole('button', { name: 'held one finger' })).toBeTruthy();
    expect(screen.getByRole('button', { name: 'measured as half' })).toBeTruthy();
    expect(t.field().value).toBe('');
    await t.hand.keyboard('19 1/2 in');
    expect(t.field().value).toBe('19 1/2 in');
    expect(t.onState).toHaveBeenCalledTimes(2);
  });
  it('says why what cannot be read was not taken, and loses nothing of it', async () => {
    const t = at();
    await t.hand.type(t.field(), '9/8 wide{Enter}');
    expect(t.onTake).not.toHaveBeenCalled();
    expect(t.field().getAttribute('aria-invalid')).toBe('true');
    expect(t.field().value).toBe('9/8 wide');
  });
  it('does not take what cannot be beside another figure', async () => {
    const t = at({ ...HIP, others: new Map([['hip-front', cm(100)]]) });
    await t.hand.type(t.field(), '98{Enter}');
    expect(t.onTake).not.toHaveBeenCalled();
    expect(t.text()).toContain('Not saved. Correct this one or the other.');
  });
});

describe('an unlikely figure', () => {
  const asked = async (typed = '24') => {
    const t = at();
    await t.hand.type(t.field(), `${typed}{Enter}`);
    expect(t.onTake).not.toHaveBeenCalled();
    expect(document.activeElement).toBe(screen.getByLabelText(/It’s right, because/));
    return t;
  };
  it('is taken with the reason that is typed at once', async () => {
    const t = await asked();
    await t.hand.keyboard('{Enter}');
    expect(t.onTake).not.toHaveBeenCalled();
    await t.hand.keyboard('a doll{Enter}');
    expect(t.onTake).toHaveBeenCalledExactlyOnceWith({ ...SNUG, typed: '24', reason: 'a doll' });
  });
  it.each([
    ['2', { unit: 'in' }],
    ['3', { way: 'half' }],
    ['4', { way: 'quarter' }],
  ])('is meant otherwise by the key %s', async (key, meant) => {
    const t = await asked();
    await t.hand.keyboard(key);
    expect(t.onTake).toHaveBeenCalledExactlyOnceWith({ ...SNUG, typed: '24', ...meant });
    expect(screen.queryByLabelText(/It’s right, because/)).toBeNull();
  });
  it.each(['1', '{Escape}'])('is read again by %s', async (key) => {
    const t = await asked();
    await t.hand.keyboard(key);
    expect(t.onTake).not.toHaveBeenCalled();
    expect(t.field().value).toBe('');
    expect(document.activeElement).toBe(t.field());
  });
  it('whose unit was written is not asked about its unit', async () => {
    await asked('24 cm');
    expect(screen.queryByRole('button', { name: /it was inches/ })).toBeNull();
    expect(screen.getByRole('button', { name: /it was a quarter/ })).toBeTruthy();
  });
});

describe('what was there before the hand', () => {
  it('last time’s figure is shown by =, taken by Enter, and marked as not read', async () => {
    const t = at({ ...HIP, last: { cm: cm(98), text: '98', date: '2 March' } });
    await t.hand.type(t.field(), '=');
    expect(t.field().value).toBe('98');
    expect(t.text()).toContain('as last time, not read');
    await t.hand.keyboard('{Enter}');
    expect(t.onTake).toHaveBeenCalledExactlyOnceWith({ ...SNUG, typed: '98', carried: true });
  });
  it('typed over it is read', async () => {
    const t = at({ ...HIP, last: { cm: cm(98), text: '98', date: '2 March' } });
    await t.hand.type(t.field(), '=');
    await t.hand.type(t.field(), '.5{Enter}');
    expect(t.onTake.mock.calls[0]![0]).toMatchObject({ typed: '98.5', carried: false });
  });
  it('without a last time = does nothing', async () => {
    const t = at();
    await t.hand.type(t.field(), '=');
    expect(t.field().value).toBe('');
  });
  it('a digital tape is typed and taken in one step, and only offered over what a hand has begun', async () => {
    const t = at();
    const line = { device: 'the short tape', number: 1, mm: 985, ago: 0, count: 1 };
    t.hear(line);
    expect(t.onTake).toHaveBeenCalledOnce();
    expect(t.onTake.mock.calls[0]![0]).toEqual({
      ...SNUG,
      typed: '985 mm',
      note: 'by the short tape, no. 1',
    });
    await t.hand.type(t.field(), '9');
    t.hear({ ...line, number: 2, count: 2 });
    expect(t.onTake).toHaveBeenCalledOnce();
    expect(t.onBusy).toHaveBeenCalledOnce();
    expect(t.field().value).toBe('9');
  });
});
