import type { AgreedChange } from './sheets.ts';

/** What was agreed at a fitting and nobody has decided yet, a sentence each: it keeps the sheet from being agreed and cut. */
export const undecided = (agreed: readonly AgreedChange[]): string[] =>
  agreed.flatMap((a) =>
    a.to === null
      ? [
          `Agreed at the fitting, but not in the sheet: ${a.sentence} Draft it in, leave it for the bench, or decline it.`,
        ]
      : [],
  );
