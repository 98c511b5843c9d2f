import type { Panel } from '../draft/panel.ts';
import { isMain, partOf, perHalf } from '../garment/seams.ts';
import type { Halves } from '../garment/two-sides.ts';
import { cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import { type Asked, UNEVEN, UNEVEN_LEGS } from './asked.ts';
import { follow } from './bands.ts';
import { type Box, type Half, marksDiffer } from './boxes.ts';
import type { Move } from './kind.ts';
import { made } from './moves.ts';
import { CannotAlter } from './refusal.ts';

export { alike, type Halves } from '../garment/two-sides.ts';
export type { Box } from './boxes.ts';
export { KEPT_ALLOWANCE, NEW_HEM } from './moves.ts';
export { isMain, partOf, perHalf };

/** The panels of both halves after an alteration, with the boxes it makes. */
export interface Applied extends Halves {
  readonly boxes: readonly Box[];
}

/**
 * Makes an alteration on the panels of a garment.
 * @param cut whether the cloth is cut: what is let out then comes from the allowances
 * @throws CannotAlter in a sentence where the garment has no such seam or there is not so much cloth
 */
export function applyAlteration(before: Halves, asked: Asked, cut: boolean): Applied {
  const { kind, hem, legs, side } = asked;
  if (kind.moves.length === 0) return { ...before, boxes: [] };
  judge(asked);
  if (asked.part !== null && !before.right.some((p) => partOf(p) === asked.part))
    throw new CannotAlter(`This garment has no ${asked.part}.`);
  const make = (moves: readonly Move[]): Applied => {
    const boxes = new Map<string, Box>();
    const half = (which: Half): readonly Panel[] => {
      const panels = before[which];
      if (side !== 'both' && side !== which) return panels;
      const making = { asked, which, cut, start: panels, boxes };
      // Bands come last: what one of the moves opens, a later one may close again.
      return follow(
        panels,
        moves.reduce<readonly Panel[]>((now, m) => made(now, m, making), panels),
        making,
      );
    };
    const right = half('right');
    const left =
      side !== 'both' || before.left !== before.right || (marksDiffer(asked) && (hem || legs))
        ? half('left')
        : right;
    return { right, left, boxes: [...boxes.values()] };
  };
  let first: CannotAlter | null = null;
  for (const moves of [kind.moves, ...(kind.otherwise ?? [])])
    try {
      return make(moves);
    } catch (error) {
      if (!(error instanceof CannotAlter)) throw error;
      first ??= error;
    }
  throw first!;
}

/** What is wrong with the amount itself, whatever the garment. */
function judge({ kind, amount, hem, legs, side, control }: Asked): void {
  if (kind.amount === 'needed' && amount === null && !hem && !legs)
    throw new CannotAlter('Enter an amount, pinned or in all.');
  const uneven = kind.id === 'hem-uneven';
  if (hem && side === 'both' && !uneven && Math.abs(hem.left - hem.right) > UNEVEN + 1e-9)
    throw new CannotAlter(
      `Left and right are marked ${say(cm(Math.abs(hem.left - hem.right)))} apart: pin again, or choose “hem, meant to be uneven”.`,
    );
  if (legs && side === 'both' && !uneven)
    for (const at of ['front', 'inside', 'back', 'outside'] as const) {
      const off = Math.abs(legs.left[at] - legs.right[at]);
      if (off > UNEVEN_LEGS + 1e-9)
        throw new CannotAlter(
          `The legs are marked ${say(cm(off))} apart at the ${at}: pin again, or choose “hem, meant to be uneven”.`,
        );
    }
  if (control) {
    const lines = [control.front, control.left, control.right, control.back];
    const off = Math.max(...lines) - Math.min(...lines);
    if (off > UNEVEN + 1e-9)
      throw new CannotAlter(
        `From mark to control line it is ${say(cm(Math.min(...lines)))} at one place and ${say(cm(Math.max(...lines)))} at another: the same floor gives the same distance everywhere. Pin again.`,
      );
  }
}
