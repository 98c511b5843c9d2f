// @vitest-environment happy-dom
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { offerUndo, UNDO_FOR } from '../shared/undo.ts';
import { UndoBar } from './UndoBar.tsx';

beforeEach(() => void vi.useFakeTimers({ shouldAdvanceTime: true }));
afterEach(() => {
  act(() => void vi.advanceTimersByTime(UNDO_FOR * 3));
  cleanup();
  vi.useRealTimers();
});
const offer = (undo = vi.fn(async () => ({}))) => {
  act(() => offerUndo({ says: 'Job begun.', undo }));
  return undo;
};

describe('what was just done with one key', () => {
  it('is undone by a press or by z, once, and says so', async () => {
    render(<UndoBar />);
    const undo = offer();
    const user = userEvent.setup({ advanceTimers: vi.advanceTimersByTime });
    await user.dblClick(screen.getByRole('button', { name: 'Undo (z)' }));
    expect(await screen.findByText('Undone.')).toBeTruthy();
    expect(undo).toHaveBeenCalledTimes(1);
    const second = offer();
    await user.keyboard('z');
    expect(second).toHaveBeenCalledTimes(1);
  });
  it('is offered for ten seconds, and longer while the hand is on it', async () => {
    render(<UndoBar />);
    offer();
    act(() => void vi.advanceTimersByTime(UNDO_FOR - 500));
    act(() => screen.getByRole('button').focus());
    act(() => void vi.advanceTimersByTime(UNDO_FOR * 2));
    expect(screen.getByText(/Job begun/)).toBeTruthy();
    act(() => screen.getByRole('button').blur());
    act(() => void vi.advanceTimersByTime(UNDO_FOR + 500));
    expect(screen.queryByText(/Job begun/)).toBeNull();
  });
  it('leaves a z in a field alone, and tells why it could not be undone', async () => {
    render(
      <>
        <input aria-label="note" />
        <UndoBar />
      </>,
    );
    const refused = vi.fn(async () => ({ error: { data: { detail: 'Something was changed after it.' } } }));
    offer(refused);
    const user = userEvent.setup({ advanceTimers: vi.advanceTimersByTime });
    await user.type(screen.getByLabelText('note'), 'zip');
    expect(refused).not.toHaveBeenCalled();
    expect((screen.getByLabelText('note') as HTMLInputElement).value).toBe('zip');
    await user.click(screen.getByRole('button', { name: 'Undo (z)' }));
    expect(await screen.findByText('Something was changed after it.')).toBeTruthy();
  });
});
