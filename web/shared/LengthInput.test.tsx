// @vitest-environment happy-dom
import { cleanup, render } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { LengthInput } from './LengthInput.tsx';

afterEach(cleanup);

const unitBeside = (value: string) => {
  const { container } = render(<LengthInput unit="in" value={value} onChange={() => undefined} />);
  const suffix = container.querySelector('.soft')!.textContent;
  cleanup();
  return suffix;
};

it('has its unit beside the figure while none is written, and never twice', () => {
  expect(['', '3 1/4', '0'].map(unitBeside)).toEqual(['in', 'in', 'in']);
  expect(['3 1/4 in', '0 in', '0in', '0"', '8 cm', '0 cm'].map(unitBeside)).toEqual(['', '', '', '', '', '']);
});
