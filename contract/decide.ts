import type { HouseWire } from './brief.ts';
import type { SheetChange } from './sheets.ts';
import type { SpecFile } from './spec.ts';

type Stamp = { readonly by: string; readonly at: string };
interface Decided {
  readonly house?: HouseWire | undefined;
  readonly overrides: readonly SpecFile['overrides'][number][];
  readonly accepted: SpecFile['accepted'];
}

/**
 * What a fitter decided about a sheet, with one change more. The server keeps what this gives, and a page shows it
 * before the answer is there. A change that decides nothing (another session, a new revision) gives the same back.
 * @param sentence the warning that is accepted, as it reads now
 */
export function decide<T extends Decided>(
  d: T,
  change: SheetChange['change'],
  stamp: Stamp,
  sentence?: string,
): T {
  switch (change.kind) {
    case 'override': {
      const { kind: _, ...set } = change;
      const others = d.overrides.filter((o) => o.figure !== change.figure || o.target !== change.target);
      return { ...d, overrides: [...others, { ...set, ...stamp }] };
    }
    case 'withdraw':
      return {
        ...d,
        overrides: d.overrides.filter((o) => o.figure !== change.figure || o.target !== change.target),
      };
    case 'accept': {
      const { code, reason } = change;
      const others = d.accepted.filter((a) => a.code !== code);
      return { ...d, accepted: [...others, { code, sentence, reason, ...stamp }] };
    }
    case 'unaccept':
      return { ...d, accepted: d.accepted.filter((a) => a.code !== change.code) };
    case 'house': {
      const given = Object.entries(change.house).filter(([, v]) => v !== undefined);
      return { ...d, house: { ...d.house, ...Object.fromEntries(given) } };
    }
    default:
      return d;
  }
}
