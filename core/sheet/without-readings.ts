import type { Figure } from '../figure/figure.ts';
import type { Kept } from './kept.ts';
import type { PrintedSheet } from './print.ts';

const AS_READ = 'Measured.';

/** Body figures stay and say that they were read; what was called out, its reasons and notes do not. */
const figureWithout = (f: Figure): Figure => ({
  ...f,
  terms: f.terms.map((t) => (t.reading ? { ...t, because: f.rule === null ? 'Not measured.' : AS_READ } : t)),
});

const printedWithout = (p: PrintedSheet): PrintedSheet => ({
  ...p,
  figures: p.figures.map((f) => ({ ...f, reading: f.reading && { ...f.reading, words: AS_READ } })),
});

/** A sheet for hands that may not read readings: every figure as it is, without the readings behind it. */
export const withoutReadings = (kept: Kept): Kept => ({
  ...kept,
  figures: kept.figures.map(figureWithout),
  printed: { cm: printedWithout(kept.printed.cm), in: printedWithout(kept.printed.in) },
});
