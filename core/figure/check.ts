import type { Check } from './figure.ts';

/** A check before anyone has accepted it. */
export type RawCheck = Omit<Check, 'accepted'>;

/** A check that warns, at a figure or at none. */
export const warn = (code: string, figure: string | null, sentence: string): RawCheck => ({
  code,
  figure,
  state: 'warned',
  sentence,
});
/** A check that was made and found nothing, at a figure or at none. */
export const pass = (code: string, figure: string | null, sentence: string): RawCheck => ({
  code,
  figure,
  state: 'passed',
  sentence,
});
/** A figure the sheet cannot give because something was not read. */
export const missing = (code: string, figure: string, sentence: string): RawCheck => ({
  ...warn(code, figure, sentence),
  absent: true,
});
/** Warned or passed, by whether it holds. */
export const judge = (holds: boolean, code: string, figure: string | null, sentence: string): RawCheck =>
  (holds ? pass : warn)(code, figure, sentence);
