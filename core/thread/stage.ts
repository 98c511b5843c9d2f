/** How far an order has come: its status, from the asking to the day it leaves the studio. */
export const STAGES = [
  'asked',
  'brief',
  'measured',
  'sheet',
  'agreed',
  'cut',
  'fitting',
  'ready',
  'handed-over',
  'cancelled',
] as const;
export type Stage = (typeof STAGES)[number];

export const STAGE_WORD: Record<Stage, string> = {
  asked: 'new',
  brief: 'brief done',
  measured: 'measured',
  sheet: 'sheet draft',
  agreed: 'sheet agreed',
  cut: 'cut',
  fitting: 'in fittings',
  ready: 'ready',
  'handed-over': 'handed over',
  cancelled: 'cancelled',
};

/** Handed over or cancelled: in no list of work. Everything else is, however late. */
export const isClosed = (stage: Stage): boolean => stage === 'handed-over' || stage === 'cancelled';

/** Its cloth is cut: brief and figures are locked. */
export const isCut = (stage: Stage): boolean =>
  stage === 'cut' || stage === 'fitting' || stage === 'ready' || stage === 'handed-over';
