import type { Kept } from './kept.ts';
import type { PrintedSheet } from './print.ts';
import { withoutReadings } from './without-readings.ts';

/** Lines of the head that tell who somebody is or what they wear. */
const TELLING = ['Worn beneath', 'Shoes', 'Measured'];

/** A kept sheet of a client who was erased: the figures as agreed, without name, occasion, readings and session. */
export function withoutClient(kept: Kept, code: string, occasion: string): Kept {
  const head = (p: PrintedSheet): PrintedSheet => ({
    ...p,
    head: p.head.map(([label, text]) => {
      if (label === 'Client') return [label, code];
      if (label === 'Occasion' && occasion && text.startsWith(occasion))
        return [label, text.slice(occasion.length).replace(/^ · /, '') || '—'];
      return [label, TELLING.includes(label) ? '—' : text];
    }),
  });
  const bare = withoutReadings(kept);
  return { ...bare, printed: { cm: head(bare.printed.cm), in: head(bare.printed.in) } };
}
