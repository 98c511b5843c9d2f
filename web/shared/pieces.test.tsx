// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { ActionButton, Ledger, TextField } from './pieces.tsx';

afterEach(cleanup);

it('a button that is busy does nothing a second time, and keeps the focus', () => {
  const [press, submit] = [vi.fn(), vi.fn((e: { preventDefault: () => void }) => e.preventDefault())];
  const form = (busy: boolean) => (
    <form onSubmit={submit}>
      <ActionButton look="take" type="submit" busy={busy} onClick={press}>
        Save card
      </ActionButton>
    </form>
  );
  const { rerender } = render(form(false));
  const button = screen.getByRole('button', { name: 'Save card' });
  button.focus();
  fireEvent.click(button);
  expect([press.mock.calls.length, submit.mock.calls.length]).toEqual([1, 1]);
  rerender(form(true));
  fireEvent.click(button);
  expect([press.mock.calls.length, submit.mock.calls.length]).toEqual([1, 1]);
  expect(document.activeElement).toBe(button);
  expect(button.getAttribute('aria-busy')).toBe('true');
  rerender(form(false));
  fireEvent.click(button);
  expect([press.mock.calls.length, submit.mock.calls.length]).toEqual([2, 2]);
});

it('a button sends no form unless it says so; each piece has its dress beside what a place adds', () => {
  const submit = vi.fn();
  render(
    <form onSubmit={submit}>
      <ActionButton look="quiet" className="tall">
        Cancel
      </ActionButton>
      <TextField aria-label="Reason" className="grow" />
      <TextField aria-label="Reading" bare className="reading" />
      <Ledger className="orders" />
    </form>,
  );
  fireEvent.click(screen.getByRole('button'));
  expect(submit).not.toHaveBeenCalled();
  expect(screen.getByRole('button').className).toBe('quiet tall');
  expect(screen.getByLabelText('Reason').className).toBe('field grow');
  expect(screen.getByLabelText('Reading').className).toBe('reading');
  expect(screen.getByRole('table').className).toBe('ledger orders');
});
