/** Sheets of paper, cm: ISO 216, and ANSI/ASME Y14.1 (8.5 by 11 in). */
export const PAPERS = {
  a4: { name: 'A4', width: 21, height: 29.7 },
  a3: { name: 'A3', width: 29.7, height: 42 },
  letter: { name: 'Letter', width: 21.59, height: 27.94 },
} as const;
export type PaperId = keyof typeof PAPERS;
