/** How far an order has come. The later knots of the thread join as their work does. */
export const STAGES = ['asked', 'brief', 'measured', 'sheet', 'agreed', 'cut'] as const;
export type Stage = (typeof STAGES)[number];

export const STAGE_WORD: Record<Stage, string> = {
  asked: 'new',
  brief: 'brief done',
  measured: 'measured',
  sheet: 'sheet draft',
  agreed: 'sheet agreed',
  cut: 'cut',
};
