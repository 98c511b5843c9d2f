import type { Need, Skill } from '../diary/kinds.ts';
import type { SheetUnit } from '../units/length.ts';

/** Steps of the work on an order that take somebody’s time at the bench. */
export const WORK_STEPS = {
  'order-cloth': 'order the cloth',
  draft: 'draft the pattern',
  toile: 'cut and sew the toile',
  agree: 'agree the sheet',
  wash: 'wash and press the cloth',
  cut: 'cut',
  baste: 'make up to the first fitting',
  changes: 'changes after the fitting',
  sew: 'sew',
  hem: 'hem',
  finish: 'finish and press',
} as const;
export type WorkStep = keyof typeof WORK_STEPS;

/** Who may do it: any of these skills (house rule, no source). */
export const STEP_SKILLS: Readonly<Record<WorkStep, readonly Skill[]>> = {
  'order-cloth': ['desk', 'fitting'],
  draft: ['tailoring', 'fitting'],
  toile: ['tailoring'],
  agree: ['fitting'],
  wash: ['tailoring', 'desk'],
  cut: ['tailoring', 'fitting'],
  baste: ['tailoring'],
  changes: ['tailoring'],
  sew: ['tailoring'],
  hem: ['tailoring'],
  finish: ['tailoring'],
};

/** What an appointment needs that a step makes ready. */
export const STEP_MAKES: Readonly<Partial<Record<WorkStep, Need>>> = {
  toile: 'toile',
  baste: 'basted',
  changes: 'altered',
};

/** What a time is multiplied by, with how it is told. */
export const PER = {
  garment: '',
  drawn: 'panel drawn',
  panel: 'panel sewn',
  piece: 'piece cut',
  dart: 'dart',
  bone: 'bone',
  sleeve: 'sleeve',
  collar: 'collar',
  lining: 'lining piece',
  zip: 'zip',
  buttons: 'buttoned opening',
  lacing: 'laced opening',
  metre: 'metre of hem',
} as const;
export type Per = keyof typeof PER;

/** A hem is counted in the studio’s unit: a yard is so much of a metre. */
const YARD = 0.9144;

/** What a line of the table is counted by, its minutes, and its name, as a studio reads them that measures in `unit`. */
export function timeRead(t: Time, minutes: number, unit: SheetUnit) {
  if (t.per !== 'metre' || unit === 'cm') return { per: PER[t.per], minutes, name: t.name };
  return {
    per: 'yard of hem',
    minutes: Math.round(minutes * YARD * 10) / 10,
    name: t.name.replace('metre', 'yard'),
  };
}
/** Minutes as that studio wrote them, as they are kept: by the metre. */
export const timeKept = (t: Time, written: number, unit: SheetUnit): number =>
  t.per === 'metre' && unit === 'in' ? Math.round((written / YARD) * 10) / 10 : written;
/** How many there are of what a line is counted by: metres, or yards. */
export const timeCount = (per: Per, count: number, unit: SheetUnit): number =>
  per === 'metre' && unit === 'in' ? Math.round((count / YARD) * 10) / 10 : count;

/** One line of the house’s table of times. */
export interface Time {
  readonly id: string;
  readonly step: WorkStep;
  readonly per: Per;
  readonly name: string;
  readonly minutes: number;
}
const time = (id: string, step: WorkStep, per: Per, minutes: number, name: string): Time => ({
  id,
  step,
  per,
  minutes,
  name,
});

/**
 * The table as it ships, minutes. One figure is common practice: a fitted boned gown without hand work takes 6 to 7 hours
 * of sewing to its first fitting and 2 to 3 after it, and the lines for panels, bones, lining and hem were set by that.
 * All others are house figures with no source, for the house to put right.
 */
export const TIMES: readonly Time[] = [
  time('order-cloth', 'order-cloth', 'garment', 15, 'choose and order the cloth'),
  time('draft', 'draft', 'garment', 30, 'draft, to begin with'),
  time('draft-panel', 'draft', 'drawn', 8, 'draft, each panel'),
  time('toile', 'toile', 'garment', 30, 'toile, to begin with'),
  time('toile-panel', 'toile', 'panel', 12, 'toile, each panel sewn'),
  time('agree', 'agree', 'garment', 15, 'go through the sheet'),
  time('wash', 'wash', 'garment', 30, 'wash and press the cloth'),
  time('cut', 'cut', 'garment', 30, 'lay the cloth and pin'),
  time('cut-piece', 'cut', 'piece', 4, 'cut and mark, each piece'),
  time('baste', 'baste', 'garment', 30, 'make up, to begin with'),
  time('baste-panel', 'baste', 'panel', 15, 'make up, each panel sewn'),
  time('baste-dart', 'baste', 'dart', 6, 'darts, each'),
  time('baste-bone', 'baste', 'bone', 15, 'bones and their channels, each'),
  time('baste-sleeve', 'baste', 'sleeve', 25, 'sleeves set in, each'),
  time('sew', 'sew', 'garment', 30, 'sew, to begin with'),
  time('sew-collar', 'sew', 'collar', 50, 'collar'),
  time('sew-lining', 'sew', 'lining', 6, 'lining, each piece'),
  time('sew-zip', 'sew', 'zip', 30, 'zip'),
  time('sew-buttons', 'sew', 'buttons', 60, 'buttonholes and buttons'),
  time('sew-lacing', 'sew', 'lacing', 45, 'eyelets and lacing'),
  time('changes', 'changes', 'garment', 60, 'changes after each fitting'),
  time('hem', 'hem', 'garment', 10, 'hem, to begin with'),
  time('hem-metre', 'hem', 'metre', 15, 'hem, each metre'),
  time('finish', 'finish', 'garment', 30, 'finish and press'),
];

/** Days that are nobody’s work, and days kept before the day it is worn. */
export const WAITS = {
  delivery: { name: 'cloth comes, after it is ordered', days: 7 },
  drying: { name: 'cloth dries and rests, after it is washed', days: 1 },
  hanging: { name: 'cloth on the bias hangs, before its hem', days: 2 },
  visits: { name: 'from one fitting of a client to the next, at least', days: 3 },
  handOver: { name: 'hand-over, before the day it is worn', days: 3 },
  lastFitting: { name: 'last fitting, before the day it is worn', days: 7 },
} as const;
export type Wait = keyof typeof WAITS;

/** What the house has set of its own, minutes by line and days by wait. */
export interface HouseTimes {
  readonly minutes: Readonly<Record<string, number>>;
  readonly days: Readonly<Partial<Record<Wait, number>>>;
  /** in what the studio measures; centimetres when left out */
  readonly unit?: SheetUnit;
}
export const USUAL_TIMES: HouseTimes = { minutes: {}, days: {} };

/** How many days a step waits: the house’s, or the usual. */
export const daysOf = (house: HouseTimes, wait: Wait): number => house.days[wait] ?? WAITS[wait].days;
