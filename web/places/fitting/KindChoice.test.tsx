// @vitest-environment happy-dom
import { ALTERATION_KINDS } from '@rocchetto/core/alter/index.ts';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { KindChoice, type Offer } from './KindChoice.tsx';

afterEach(cleanup);

const WHY = 'A skirt has none.';
const borne = ALTERATION_KINDS.map((kind) => ({
  kind,
  why: ['waist', 'hem-straight'].includes(kind.id) ? null : WHY,
}));
const offer: Offer = { borne, likely: [] };

it('entered before it is known what the garment bears, takes what it does bear once that is known', async () => {
  const onChoose = vi.fn();
  const choice = (of: Offer | null) => <KindChoice chosen="" offer={of} unit="cm" onChoose={onChoose} />;
  const { rerender } = render(choice(null));
  const find = screen.getByLabelText('Find');
  fireEvent.change(find, { target: { value: 'waist' } });
  fireEvent.keyDown(find, { key: 'Enter' });
  expect(onChoose).not.toHaveBeenCalled();
  rerender(choice(offer));
  await waitFor(() => expect(onChoose).toHaveBeenCalledTimes(1));
  expect(onChoose.mock.calls[0]![0].id).toBe('waist');
});

it('entered where it will never be known, takes the first that was found', async () => {
  const onChoose = vi.fn();
  render(<KindChoice chosen="" offer={null} unit="cm" onChoose={onChoose} />);
  const find = screen.getByLabelText('Find');
  fireEvent.change(find, { target: { value: 'hem' } });
  fireEvent.keyDown(find, { key: 'Enter' });
  await waitFor(() => expect(onChoose).toHaveBeenCalledTimes(1), { timeout: 3000 });
});

it('what is typed on after Enter is not taken behind the hand’s back', async () => {
  const onChoose = vi.fn();
  const { rerender } = render(<KindChoice chosen="" offer={null} unit="cm" onChoose={onChoose} />);
  const find = screen.getByLabelText('Find');
  fireEvent.change(find, { target: { value: 'waist' } });
  fireEvent.keyDown(find, { key: 'Enter' });
  fireEvent.change(find, { target: { value: 'waist d' } });
  rerender(<KindChoice chosen="" offer={offer} unit="cm" onChoose={onChoose} />);
  await new Promise((r) => setTimeout(r, 50));
  expect(onChoose).not.toHaveBeenCalled();
});
