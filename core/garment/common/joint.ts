import { buildFigure, markedGirth, term, ZERO } from '../../figure/build.ts';
import type { Figure } from '../../figure/figure.ts';
import { type Cm, cm } from '../../units/length.ts';
import { JOINT_WORD } from '../joint.ts';
import type { BodyLine } from '../lines.ts';
import type { PartContext } from '../part.ts';
import type { FreeDraft } from './free-skirt.ts';

/** Where a skirt that falls free hangs from. Lengths cm. */
export interface Hangs {
  readonly line: BodyLine | undefined;
  /** the seam it joins, as marked; null while it is not known */
  readonly round: Cm | null;
  /** what that is called: “waist”, “under bust” */
  readonly name: string;
  /** how far above the waist it lies */
  readonly up: Cm;
}

/** The draft of a skirt that falls free and may hang from above the waist. */
export interface HangingDraft extends FreeDraft {
  /** how far above the waist it begins */
  readonly up: Cm;
  /** how long it is from there, where it does */
  readonly fromSeam: readonly Figure[];
}

/** What a skirt that falls free joins: the waist, or the seam under the bust of the bodice above it. */
export function hangsAt(c: PartContext): Hangs {
  const line = c.line(c.joint);
  const up = c.joint === 'waist' ? ZERO : (c.above?.up ?? null);
  return {
    line,
    // Nothing hangs while it is not known from where.
    round: line && up !== null ? markedGirth(line.figure) : null,
    name: JOINT_WORD[c.joint],
    up: up ?? ZERO,
  };
}

/** How long a skirt is that hangs from above the waist: from its seam to the hem, cm; none where it hangs from the waist. */
export function fromSeam(c: PartContext, { up }: Hangs, longest: Cm): Figure[] {
  return up === 0 || longest === 0
    ? []
    : [
        buildFigure(c, {
          id: c.id('from-seam'),
          section: c.key,
          name: 'length from the seam under the bust, the longest',
          group: 'length',
          terms: [
            term('body', 'waist to hem, the longest', longest, 'As marked.'),
            term('add', 'from the waist up to the seam', up, 'As far as the bodice ends above the waist.'),
          ],
          marked: cm(longest + up),
          settable: [],
        }),
      ];
}
