import type { Expectation } from '../expected-ranges/expectation.ts';
import type { Slip } from '../expected-ranges/slips.ts';
import type { Measure } from '../measures/catalogue.ts';
import type { Way } from '../measures/session.ts';
import type { Cm } from '../units/length.ts';
import type { Written } from '../units/reading.ts';

/** What a check at the tape says. A hard one cannot stand; a soft one stands with a reason. */
export interface Finding {
  readonly code: string;
  readonly level: 'hard' | 'soft';
  readonly sentence: string;
  /** what was read if it was the slip that is named: one key takes it so */
  readonly slip?: Slip['is'];
}

/** What is known while one reading is judged. All lengths cm, whole and net. */
export interface CheckContext {
  readonly measure: Measure;
  /** the figure under judgement */
  readonly value: Cm;
  readonly written: Written;
  readonly way: Way;
  /** figures that already stand in this session, by measure id */
  readonly others: ReadonlyMap<string, Cm>;
  /** last session's figure for this measure, if any */
  /** what the other figures and last time lead one to expect; where it is known it judges in place of fixed limits */
  readonly expected?: Expectation | null | undefined;
  /** this session’s hand reads in whole and half centimetres */
  readonly halves?: boolean | undefined;
  readonly last?: { readonly cm: Cm; readonly text: string; readonly date: string } | undefined;
}
