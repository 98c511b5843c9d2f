import { plainWhy } from '../garment/own.ts';
import type { Kept } from './kept.ts';
import type { PrintedSheet } from './print.ts';
import { withoutReadings } from './without-readings.ts';

/** Lines of the head that tell who somebody is or what they wear. */
const TELLING = ['Worn beneath', 'Shoes', 'Measured'];

/** A text wherever it stands in what is kept, taken out. */
function unsaid(kept: Kept, text: string): Kept {
  const said = JSON.stringify(plainWhy(text)).slice(1, -1);
  return said === '' ? kept : (JSON.parse(JSON.stringify(kept).replaceAll(said, '—')) as Kept);
}

/**
 * A kept sheet of a client who was erased: the figures as agreed, without name, occasion, readings, session and the
 * reason for an ease of the order’s own.
 */
export function withoutClient(kept: Kept, code: string, occasion: string, why = ''): Kept {
  const head = (p: PrintedSheet): PrintedSheet => ({
    ...p,
    head: p.head.map(([label, text]) => {
      if (label === 'Client') return [label, code];
      if (label === 'Occasion' && occasion && text.startsWith(occasion))
        return [label, text.slice(occasion.length).replace(/^ · /, '') || '—'];
      return [label, TELLING.includes(label) ? '—' : text];
    }),
  });
  const bare = unsaid(withoutReadings(kept), why);
  return { ...bare, printed: { cm: head(bare.printed.cm), in: head(bare.printed.in) } };
}
