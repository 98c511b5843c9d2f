import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { Measure } from './catalogue.ts';

/** How the tape was held. */
export const TAPES = ['snug', 'one-finger', 'two-fingers', 'firm', 'over-clothes'] as const;
export type Tape = (typeof TAPES)[number];

/**
 * What each convention already added to a girth, cm: the sheet takes it out again, so that ease is not given
 * twice. House figures, common practice (no source).
 */
const ADDED: Record<Tape, number> = {
  snug: 0,
  'one-finger': 1,
  'two-fingers': 2,
  firm: 0,
  'over-clothes': 1,
};

const SENTENCE: Record<Tape, string> = {
  snug: 'Read snug: nothing to take out.',
  'one-finger': `Read over one finger: ${say(1)} of ease is already in the tape and is taken out, so that ease is not given twice.`,
  'two-fingers': `Read over two fingers: ${say(2)} of ease is already in the tape and is taken out, so that ease is not given twice.`,
  firm: 'Read firm, for a tightened garment: the reading already holds a reduction and is not reduced again.',
  'over-clothes': `Read over light clothes: ${say(1)} is taken out (studio figure); read it again over the right underwear.`,
};

export const TAPE_NAME: Record<Tape, string> = {
  snug: 'snug',
  'one-finger': 'one finger',
  'two-fingers': 'two fingers',
  firm: 'firm',
  'over-clothes': 'over clothes',
};

/** What this convention added to this measure, cm; lengths and arcs are never corrected. */
export const tapeAdded = (tape: Tape, m: Measure): Cm => cm(m.kind === 'girth' ? ADDED[tape] : 0);

/** How the tape was held, as the sheet tells it. */
export const tapeSentence = (tape: Tape): string => SENTENCE[tape];
