import type { Measure } from '../measures/catalogue.ts';
import type { Way } from '../measures/session.ts';
import type { Cm } from '../units/length.ts';
import type { Written } from '../units/reading.ts';

/** What a check at the tape says. A hard one cannot stand; a soft one stands with a reason. */
export interface Finding {
  readonly code: string;
  readonly level: 'hard' | 'soft';
  readonly sentence: string;
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
  readonly last?: { readonly cm: Cm; readonly text: string; readonly date: string } | undefined;
}
