import { partOf, share, term } from '../../../figure/build.ts';
import type { Share } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import type { LineContext } from '../../lines.ts';

/** Half of the cup lies in the front's half, cm, where no high bust was read: front and back quarter of a published block differ by 2 (from memory). */
const AVERAGE_CUP = 4;

/** The front holds what the bust is more than the high bust: its quarter is wider than the back's by half of that. */
export function cupQuarters(c: LineContext, net: Cm | null, finished: Cm): Share[] | null {
  const high = c.measured.get('high-bust')?.net ?? null;
  // A house that moves the bust by its own figure does so where nothing was read.
  if (high === null && c.input.house.balance.bust !== 0) return null;
  const read = high !== null && net !== null && high <= net;
  const cup = read ? net - high : AVERAGE_CUP;
  const because = read
    ? `Bust less high bust is ${p(cm(cup))}: the front holds it, and front and back quarter differ by half of it (plane geometry; a published block has ${p(cm(2))}, from memory).`
    : `No front arc and no high bust were read: as an average one, ${p(cm(2))} between front and back quarter (a published block, from memory).`;
  const of = (panel: string, sign: 1 | -1): Share => ({
    ...share(c, panel, 2, [
      partOf('body', 'finished', finished, 4, 'A quarter.'),
      term('share', sign > 0 ? 'more for the bust' : 'less at the back', (sign * cup) / 4, because),
    ]),
    ...(read ? {} : { note: 'Estimated: measure the high bust or the front arc.' }),
  });
  return [of('front', 1), of('back', -1)];
}
