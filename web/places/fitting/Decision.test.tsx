// @vitest-environment happy-dom
import type { AlterationView, Me, StepWire } from '@rocchetto/contract';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { MeContext } from '../../shared/me.ts';
import { Decision } from './Decision.tsx';

afterEach(cleanup);

const SENTENCE = 'Side seams: take in 0.5 cm as pinned at each seam.';
const one = (status: AlterationView['status']) =>
  ({
    id: 7,
    orderId: 3,
    status,
    sentence: SENTENCE,
    agreedName: 'Noor Halabi',
    asked: { words: 'it swings' },
  }) as unknown as AlterationView;

function read(
  status: AlterationView['status'],
  more: Partial<Parameters<typeof Decision>[0]> & { readonly role?: Me['role'] } = {},
) {
  const said = {
    onChoose: vi.fn(),
    onPrice: vi.fn(),
    onEdit: vi.fn(),
    onStep: vi.fn<(s: StepWire, says: string) => Promise<boolean>>().mockResolvedValue(true),
  };
  const { role = 'fitter', ...props } = more;
  render(
    <MemoryRouter>
      <MeContext value={{ id: 1, role } as Me}>
        <ol>
          <Decision
            alteration={one(status)}
            unit="cm"
            chosen
            price="55.00"
            unread={false}
            editing={false}
            {...said}
            {...props}
          />
        </ol>
      </MeContext>
    </MemoryRouter>,
  );
  return { ...said, ...props, hand: userEvent.setup() };
}
const buttons = () => screen.queryAllByRole('button').map((b) => b.textContent);

describe('a change that is read back', () => {
  it.each([
    ['asked', ['Edit', 'Decline']],
    ['agreed', ['Withdraw']],
    ['in-work', ['Withdraw']],
    ['declined', ['Request again']],
    ['withdrawn', ['Request again']],
    ['done', []],
    ['checked', []],
  ] as const)('%s: %o may be said of it', (status, words) => {
    read(status);
    expect(buttons()).toEqual(words);
  });
  it('leads to its own page, with the client’s words and who agreed', () => {
    read('agreed');
    expect(screen.getByRole('link').getAttribute('href')).toBe('/orders/3/alterations/7');
    expect(document.body.textContent).toContain('“it swings”');
    expect(document.body.textContent).toContain('by Noor Halabi');
  });
  it('is chosen and priced while it is asked; a price that is no sum is marked', async () => {
    const t = read('asked', { unread: true });
    await t.hand.click(screen.getByRole('checkbox'));
    expect(t.onChoose).toHaveBeenCalledExactlyOnceWith(false);
    const price = screen.getByLabelText(/^Price/);
    expect(price.getAttribute('aria-invalid')).toBe('true');
    await t.hand.type(price, '0');
    expect(t.onPrice).toHaveBeenLastCalledWith('55.000');
  });
  it('has no price while it is left out, and is not changed twice at once', () => {
    read('asked', { chosen: false, editing: true });
    expect(screen.queryByLabelText(/^Price/)).toBeNull();
    expect((screen.getByRole('button', { name: /^Edit/ }) as HTMLButtonElement).disabled).toBe(true);
  });
  it('is only read by whoever may not ask', () => {
    read('asked', { role: 'seamstress' });
    expect(buttons()).toEqual([]);
    expect(screen.queryByRole('checkbox')).toBeNull();
  });
});

describe('what is said of it with a reason', () => {
  it.each([
    ['asked', /^Decline/, 'decline', 'Declined'],
    ['agreed', /^Withdraw/, 'withdraw', 'Withdrawn'],
    ['declined', /^Request again/, 'ask-again', 'Requested again'],
  ] as const)('%s, %s: goes with its reason, and the form closes', async (status, word, step, says) => {
    const t = read(status);
    await t.hand.click(screen.getByRole('button', { name: word }));
    const form = within(screen.getByRole('form', { name: 'Reason' }));
    await t.hand.type(form.getByRole('textbox', { name: /^(Reason|What changed)$/ }), 'too close');
    await t.hand.click(form.getByRole('button', { name: word }));
    expect(t.onStep).toHaveBeenCalledExactlyOnceWith({ step, reason: 'too close' }, says);
    expect(screen.queryByRole('form', { name: 'Reason' })).toBeNull();
  });
  it('stays written where it was refused, and is left with nothing sent', async () => {
    const t = read('agreed', { onStep: vi.fn<() => Promise<boolean>>().mockResolvedValue(false) });
    await t.hand.click(screen.getByRole('button', { name: /^Withdraw/ }));
    const why = screen.getByRole('textbox', { name: 'Reason' }) as HTMLInputElement;
    await t.hand.type(why, 'she keeps it{Enter}');
    expect(why.value).toBe('she keeps it');
    await t.hand.click(screen.getByText('Cancel'));
    expect(screen.queryByRole('form', { name: 'Reason' })).toBeNull();
  });
});
