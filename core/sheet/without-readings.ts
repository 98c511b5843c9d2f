import type { Sheet } from './compute.ts';
import type { Figure } from './figure.ts';

const AS_READ = 'Read at the tape.';

/** Body figures stay and say that they were read; what was called out, its reasons and notes do not. */
const figureWithout = (f: Figure): Figure => ({
  ...f,
  terms: f.terms.map((t) =>
    t.label === 'reading' ? { ...t, because: f.rule === null ? 'Not read.' : AS_READ } : t,
  ),
});

/** The sheet for hands that may not read readings: every figure as it is, without the readings behind it. */
export const withoutReadings = (sheet: Sheet): Sheet => ({
  ...sheet,
  input: { ...sheet.input, readings: [] },
  figures: sheet.figures.map(figureWithout),
});
