import type { Check } from './figure.ts';

/** A check before anyone has accepted it. */
export type RawCheck = Omit<Check, 'accepted'>;

export const warn = (code: string, figure: string | null, sentence: string): RawCheck => ({
  code,
  figure,
  state: 'warned',
  sentence,
});
export const pass = (code: string, figure: string | null, sentence: string): RawCheck => ({
  code,
  figure,
  state: 'passed',
  sentence,
});
