import type { SheetInput } from './input.ts';
import { inputOfPart } from './other-cloths.ts';
import { ownAllowances } from './own-rules.ts';
import type { Cutting, PartContext } from './part.ts';
import { type Allowances, allowancesFor } from './tables/allowances.ts';
import { isClose } from './tables/fit.ts';

/** The allowances of what is cut from this input's cloth. */
export const allowancesOf = ({ brief, house }: SheetInput): Allowances =>
  ownAllowances(
    allowancesFor(isClose(brief.fit), brief.letOut, house.rounding.unit, house.allowances, brief.cloth),
    brief.own,
  );

/** Of a part of a cloth of its own: what that is drafted and sewn by, instead of the garment's. */
export function ofOwnCloth(
  input: SheetInput,
  key: string,
): Partial<Pick<PartContext, 'input' | 'allowances'>> {
  const own = inputOfPart(input, key);
  return own === input ? {} : { input: own, allowances: allowancesOf(own) };
}

/** The allowances of all parts, each told once; where a part's own cloth wants another, with the part's name. */
export function allowancesTold(
  parts: readonly (readonly [name: string, of: Cutting['allowances']])[],
): Cutting['allowances'] {
  const told = new Map<string, Cutting['allowances'][number]>();
  for (const [part, of] of parts)
    for (const a of of) {
      const first = told.get(a.name);
      const name = first && first.cm !== a.cm ? `${a.name}, ${part}` : a.name;
      if (!told.has(name)) told.set(name, { ...a, name });
    }
  return [...told.values()];
}
