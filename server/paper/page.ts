import type { Paper } from '@rocchetto/contract';

/** Heights of a page between its edges, points: A4 (ISO 216) and US Letter (ANSI/ASME Y14.1, 11 in at 72 points). */
const HEIGHT: Readonly<Record<Paper, number>> = { A4: 842, Letter: 792 };

let now: Paper = 'A4';

/** Says on which paper this thread prints until it is told otherwise; a thread prints for one person at a time. */
export const usePaper = (paper: Paper): void => {
  now = paper;
};
export const paperSize = (): 'A4' | 'LETTER' => (now === 'Letter' ? 'LETTER' : 'A4');
export const pageHeight = (): number => HEIGHT[now];
