import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { AgreementClass } from './catalogue.ts';

/**
 * How far two readings of one measurement may lie apart, cm.
 * Source: ISO 20685-1 (allowed difference between two ways of taking one measurement; from memory).
 * The house may change them.
 */
export const ALLOWED_DIFFERENCE: Record<AgreementClass, Cm> = {
  'large-girth': cm(0.9),
  'small-girth': cm(0.4),
  segment: cm(0.5),
  height: cm(0.4),
  width: cm(0.4),
};

export type Agreement =
  | { state: 'none' }
  | { state: 'single'; value: Cm }
  | { state: 'agree'; value: Cm; apart: Cm; allowed: Cm }
  | { state: 'apart'; value: Cm; apart: Cm; allowed: Cm }
  | { state: 'median'; value: Cm };

/**
 * The figure that counts from one, two or more readings (net, cm): one stands alone; two that agree give
 * their mean; two that do not ask for a third (their mean stands in, marked apart); three or more give the
 * median. Source: anthropometry practice (ISAK manual; from memory).
 */
export function agree(readings: readonly Cm[], kind: AgreementClass): Agreement {
  const [first, second] = readings;
  if (first === undefined) return { state: 'none' };
  if (second === undefined) return { state: 'single', value: first };
  if (readings.length > 2) return { state: 'median', value: median(readings) };
  const apart = cm(Math.abs(first - second));
  const allowed = ALLOWED_DIFFERENCE[kind];
  const value = cm((first + second) / 2);
  return { state: apart <= allowed + 1e-9 ? 'agree' : 'apart', value, apart, allowed };
}

function median(values: readonly Cm[]): Cm {
  const sorted = [...values].sort((a, b) => a - b);
  const mid = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[mid]! : cm((sorted[mid - 1]! + sorted[mid]!) / 2);
}

/** One plain sentence about the agreement, for the measuring screen and the sheet's why. */
export function agreementSentence(a: Agreement): string {
  switch (a.state) {
    case 'none':
      return 'Not measured.';
    case 'single':
      return 'Measured once.';
    case 'agree':
      return `Measured twice, ${say(a.apart)} apart, within ${say(a.allowed)}: the mean counts.`;
    case 'apart':
      return `Measured twice, ${say(a.apart)} apart, more than ${say(a.allowed)}: measure a third time; the median will count.`;
    case 'median':
      return 'Measured three times: the median counts.';
  }
}
