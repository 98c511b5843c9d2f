import type { PartWire, StepsWire } from '@rocchetto/contract';
import { partFor, STEPS, type StepId } from '@rocchetto/core';

/** The choice that a step sets, in the words of its part's field. */
export function choiceOf(part: PartWire | undefined, step: StepId) {
  const field =
    part && STEPS[step].amount === null ? partFor(part.part).fields[STEPS[step].field ?? ''] : undefined;
  return field?.kind === 'choice' ? field.options : [];
}

/** A step as it is listed: its part, its name, its amount or what it chose. */
export const stepInWords = (s: StepsWire[number], parts: readonly PartWire[]): string => {
  const part = parts[s.part];
  const of = part ? partFor(part.part).name : 'a part that was removed';
  const { name, said } = STEPS[s.step];
  if (s.amount !== null) return `${of}: ${said?.replace('{}', s.amount) ?? `${name} by ${s.amount}`}`;
  return `${of}: ${choiceOf(part, s.step).find((o) => o.value === s.to)?.label ?? s.to}`;
};
