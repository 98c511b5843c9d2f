import type { Panel } from '../draft/panel.ts';
import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { Fields } from './fields.ts';
import type { PartBrief } from './input.ts';
import type { Place } from './picture.ts';
import { STEPS, type StepId, type StepTaken, stepWords } from './steps.ts';

/** A seam that was put in, and the panel it lies on. Lengths cm. */
export interface SeamPut {
  readonly panel: string;
  /** how deep it lies, from the panel’s top, and how wide half of it is */
  readonly y: number;
  readonly half: number;
  /** how much lower its middle lies, pointed or in a curve */
  readonly dip: number;
  readonly curved: boolean;
  /** how deep the waist lies; null where the panel has none */
  readonly waist: number | null;
  /** darts that it closed, by their figures, on its upper or lower side */
  readonly closed: { readonly figures: readonly string[]; readonly above: boolean } | null;
}

/** Panels with the steps that act on them, where places lie then, and steps that could not be followed. */
export interface Adapted {
  readonly panels: readonly Panel[];
  readonly place: (p: Place) => Place;
  readonly seams: readonly SeamPut[];
  readonly refused: readonly string[];
}

/**
 * How a part's panels follow the steps that act on them. Only parts that can be adapted so bring it, so that a page
 * that shows a skirt does not load it. `key` begins the panels' ids.
 */
export type Reshape = (
  key: string,
  panels: readonly Panel[],
  steps: readonly { readonly taken: StepTaken; readonly number: number }[],
  allowance: Cm,
) => Adapted;

/** Whether any of the steps acts on panels. */
export const actsOnPanels = (steps: readonly StepTaken[]): boolean =>
  steps.some((s) => STEPS[s.step].figures === undefined && STEPS[s.step].field === undefined);

interface Known {
  readonly name: string;
  readonly adapts?: readonly StepId[];
  readonly fields: Fields;
}

/** The parts with what steps say of their fields laid over them, and the steps that cannot be taken, with the reason. */
export function adaptedParts(
  parts: readonly PartBrief[],
  steps: readonly StepTaken[],
  known: (part: string) => Known,
): { readonly parts: readonly PartBrief[]; readonly refused: readonly string[] } {
  const made = [...parts];
  const refused: string[] = [];
  for (const [i, s] of steps.entries()) {
    const brief = made[s.part];
    const laid = brief ? onField(brief, known(brief.part), s) : 'its part is not there';
    if (typeof laid === 'string') refused.push(`Step ${stepWords(s, i)} was left out: ${laid}.`);
    else made[s.part] = laid;
  }
  return { parts: made, refused };
}

/** A part with a step laid over its field, where it acts on one; why it cannot be otherwise. */
function onField(brief: PartBrief, part: Known, s: StepTaken): PartBrief | string {
  const { field, amount } = STEPS[s.step];
  if (!part.adapts?.includes(s.step)) return `this cannot be done on the ${part.name}`;
  if (amount !== null && s.amount === null) return 'its amount is missing';
  const asked = field ? part.fields[field] : undefined;
  if (!field || !asked) return brief;
  if (field === 'widen' && (brief.neckBy ?? 'neck') !== 'neck')
    return 'the neckline has a width of its own, change that';
  if (asked.kind === 'choice')
    return asked.options.some((o) => o.value === s.to)
      ? { ...brief, [field]: s.to }
      : `a ${part.name} knows no “${s.to}” there`;
  if (asked.kind !== 'length') return brief;
  const value = cm((brief[field] as number) + s.amount!);
  return value >= asked.min - 1e-9 && value <= asked.max + 1e-9
    ? { ...brief, [field]: value }
    : `${say(value)} in all is outside of ${say(asked.min)} to ${say(asked.max)}`;
}
