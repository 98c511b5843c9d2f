import type { AlterationState } from './status.ts';
import { isOpen, STATE_WORD } from './status.ts';

/** What a hand-over looks at. */
export interface BeforeHandOver {
  readonly alterations: readonly { readonly status: AlterationState; readonly name: string }[];
  /** pins counted, all fittings together; null where none were ever counted */
  readonly pins: { readonly in: number; readonly out: number } | null;
  /** points of the garment that are measured before it leaves */
  readonly points: readonly {
    readonly name: string;
    readonly required: boolean;
    readonly state: 'open' | 'within' | 'outside' | 'accepted';
  }[];
  /** the sheet is cut: before that there is no garment */
  readonly cut: boolean;
  /** what is not decided yet and holds it back, in a sentence */
  readonly undecided?: string;
}

/**
 * What stands in the way of handing the garment over, a sentence each; empty when nothing does (handbook of the house:
 * no open alterations, every point checked, pins counted). Cautions and the client’s agreement are given with the
 * hand-over itself.
 */
export function inTheWay({ alterations, pins, points, cut, undecided }: BeforeHandOver): string[] {
  const says: string[] = undecided ? [undecided] : [];
  if (!cut) says.push('The cloth is not cut yet, so there is no garment.');
  for (const a of alterations)
    if (isOpen(a.status))
      says.push(`${a.name[0]!.toUpperCase()}${a.name.slice(1)} is ${STATE_WORD[a.status]}.`);
  if (pins === null && alterations.length > 0) says.push('Pins not counted. Count them in and out.');
  if (pins !== null && pins.in !== pins.out)
    says.push(
      pins.in > pins.out
        ? `${pins.in - pins.out} of ${pins.in} pins ${pins.in - pins.out === 1 ? 'is' : 'are'} not counted out. Find ${pins.in - pins.out === 1 ? 'it' : 'them'} before hand-over.`
        : `${pins.out - pins.in} more pins were counted out than in. Count again.`,
    );
  const open = points.filter((p) => p.required && p.state === 'open').map((p) => p.name);
  if (cut && open.length > 0) says.push(`Not measured against the sheet yet: ${open.join(', ')}.`);
  for (const p of points)
    if (p.state === 'outside')
      says.push(
        `${p.name[0]!.toUpperCase()}${p.name.slice(1)} is outside tolerance. Send it back to the bench, or accept it by name.`,
      );
  return says;
}
