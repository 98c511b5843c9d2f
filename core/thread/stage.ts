/** How far an order has come. The later knots of the thread join as their work does. */
export const STAGES = ['asked', 'brief', 'measured', 'sheet', 'agreed', 'cut'] as const;
export type Stage = (typeof STAGES)[number];

export const STAGE_WORD: Record<Stage, string> = {
  asked: 'asked for',
  brief: 'brief written',
  measured: 'measured',
  sheet: 'sheet in work',
  agreed: 'sheet agreed',
  cut: 'cut',
};
