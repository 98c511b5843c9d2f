// @vitest-environment happy-dom
import type { Me } from '@rocchetto/contract';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { afterEach, expect, it, vi } from 'vitest';
import { MeContext } from '../shared/me.ts';
import { WhoCard } from './WhoCard.tsx';

afterEach(cleanup);

it('closes on a press outside, on Escape with the focus kept, and once something is chosen', async () => {
  const [lock, leave] = [vi.fn(), vi.fn()];
  const { container } = render(
    <MemoryRouter>
      <MeContext value={{ name: 'Nell Moor', role: 'desk' } as Me}>
        <WhoCard lock={lock} leave={leave} />
        <p>elsewhere</p>
      </MeContext>
    </MemoryRouter>,
  );
  const hand = userEvent.setup();
  const card = container.querySelector('details')!;
  const summary = card.querySelector('summary')!;
  expect(summary.getAttribute('aria-label')).toBe('Signed in: Nell Moor, front desk');
  const open = () => card.setAttribute('open', '');

  open();
  await hand.click(card.querySelector('p')!);
  expect(card.open).toBe(true);
  await hand.click(screen.getByText('elsewhere'));
  expect(card.open).toBe(false);

  open();
  screen.getByText('Sign out').focus();
  await hand.keyboard('{Escape}');
  expect(card.open).toBe(false);
  expect(document.activeElement).toBe(summary);

  open();
  await hand.click(screen.getByText('Lock screen'));
  expect(card.open).toBe(false);
  expect(lock).toHaveBeenCalledOnce();
  expect(leave).not.toHaveBeenCalled();
});
