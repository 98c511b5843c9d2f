import { pass, type RawCheck, warn } from '../../../figure/check.ts';
import { cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import type { PartContext } from '../../part.ts';
import { NECK_ABOVE_NAPE } from '../neck-and-armhole.ts';

/** The quarter plan draws front and back as long as each other: what the body's front is longer has to be fitted. */
export function quarterBalance(c: PartContext): RawCheck {
  const net = (id: string) => c.measured.get(id)?.net ?? null;
  const front = net('neck-to-waist-front');
  const back =
    net('neck-to-waist-back') ??
    (net('nape-to-waist') === null ? null : net('nape-to-waist')! + NECK_ABOVE_NAPE);
  const more = front === null || back === null ? 0 : front - back;
  return more <= 1
    ? pass(c.id('balance'), c.id('waist-front'), 'Quarter plan: front and back are as long as each other.')
    : warn(
        c.id('balance'),
        c.id('waist-front'),
        `The quarter plan has no bust dart, and this front was read ${p(cm(more))} longer than the back: pin a dart there on the toile, or draft by the measurements.`,
      );
}
