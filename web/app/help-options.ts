import { findHelp } from '@rocchetto/contract/help.ts';

/** The help pages a search finds, as options of the find field. */
export const helpOptions = (typed: string) =>
  findHelp(typed)
    .slice(0, 4)
    .map((h) => ({ value: `?${h.id}`, label: h.title }));
