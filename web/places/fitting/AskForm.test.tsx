// @vitest-environment happy-dom
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { AskForm } from './AskForm.tsx';
import { EMPTY } from './draft.ts';

afterEach(cleanup);

it('tells of a lining hem only where there is a lining, in the unit of the hand', () => {
  const form = (lined: boolean) => (
    <AskForm
      draft={{ ...EMPTY, kind: 'hem-straight' }}
      unit="in"
      parts={[]}
      offer={null}
      said=""
      legs={false}
      came={false}
      lined={lined}
      set={vi.fn()}
    />
  );
  const { rerender } = render(form(false));
  expect(screen.queryByText(/^The lining hem follows/)).toBeNull();
  rerender(form(true));
  expect(screen.getByText('The lining hem follows its own 13⁄16 in above.')).toBeTruthy();
});
