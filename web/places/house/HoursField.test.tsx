// @vitest-environment happy-dom
import type { Me } from '@rocchetto/contract';
import type { Hours } from '@rocchetto/core';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { MeContext } from '../../shared/me.ts';
import { HoursField } from './HoursField.tsx';

afterEach(cleanup);
const NINE: Hours = { weekday: 2, from: '09:00', to: '17:00' };
function field(weekStarts: 1 | 7 = 1) {
  const onChange = vi.fn<(hours: readonly Hours[] | null) => void>();
  render(
    <MeContext value={{ weekStarts } as Me}>
      <HoursField label="Open" hours={[NINE]} onChange={onChange} empty="" />
    </MeContext>,
  );
  return { onChange, hand: userEvent.setup(), day: (name: string) => screen.getByLabelText(name) };
}

describe('hours of a week', () => {
  it('are read day by day as one types them', async () => {
    const t = field();
    await t.hand.type(t.day('Mon'), '10-18');
    expect(t.onChange).toHaveBeenLastCalledWith([{ weekday: 1, from: '10:00', to: '18:00' }, NINE]);
  });
  it('that can’t be read are never taken for a day off: nothing can be saved until they can', async () => {
    const t = field();
    await t.hand.clear(t.day('Tue'));
    await t.hand.type(t.day('Tue'), '10am-6pm');
    expect(t.onChange).toHaveBeenLastCalledWith(null);
    expect(screen.getByRole('status').textContent).toBe(
      '“10am-6pm” can’t be read. Tuesday’s hours are unchanged. Type 10:00–18:00.',
    );
    expect(t.day('Tue').getAttribute('aria-invalid')).toBe('true');
    await t.hand.clear(t.day('Tue'));
    expect(t.onChange).toHaveBeenLastCalledWith([]);
  });
  it('begin on the day on which the studio’s week begins', () => {
    field(7);
    expect(screen.getAllByRole('textbox').map((b) => b.id)[0]).toBe('Open-Sun');
  });
});
