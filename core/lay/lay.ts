import type { ClothInHand } from './cloth.ts';
import { COLUMN } from './columns.ts';
import type { LayPiece } from './pieces.ts';
import { search } from './search.ts';
import type { Lying, Task } from './task.ts';
import { planFor, type Strip, type Way } from './ways.ts';

/** A piece of cloth where it is cut: its box's beginning from the strip's left and the cloth's cut end, cm. */
export interface LaidPiece {
  /** which of them: the piece's id and its number */
  readonly id: string;
  readonly piece: string;
  readonly turn: 0 | 90 | 180 | 270;
  readonly mirrored: boolean;
  /** the half is laid, its fold on the cloth's */
  readonly half: boolean;
  readonly x: number;
  readonly y: number;
}
export interface LaidStrip {
  readonly across: number;
  readonly width: number;
  readonly double: boolean;
  readonly folds: readonly ('left' | 'right')[];
  readonly pieces: readonly LaidPiece[];
}
/** Part of the cloth's length that is laid one way. */
export interface Stage {
  readonly from: number;
  readonly length: number;
  readonly strips: readonly LaidStrip[];
}
/** Where every piece lies. Lengths cm. */
export interface Lay {
  readonly way: Way;
  readonly stages: readonly Stage[];
  readonly length: number;
}

export interface LookingFor {
  readonly seed: number;
  readonly now: () => number;
  /** ms in all */
  readonly time: number;
  readonly better?: (lay: Lay) => void;
  readonly stopped?: () => boolean;
}

const halfOf = (task: Task, i: number, strip: Strip): boolean =>
  strip.double && task.items[i]!.variants.every((v) => v.columns?.length === 1);

function stripLaid(strip: Strip, lying: Lying): LaidStrip {
  const { task, across, width, double, folds } = strip;
  return {
    across,
    width,
    double,
    folds,
    pieces: task.items.map((item, i) => {
      const v = item.variants[lying.variant[i]!]!;
      return {
        id: item.id,
        piece: item.piece,
        turn: v.turn,
        mirrored: v.mirrored,
        half: halfOf(task, i, strip),
        x: lying.column[i]! * COLUMN + v.shift,
        y: lying.at[i]!,
      };
    }),
  };
}

function layOf(way: Way, stages: readonly (readonly Strip[])[], lying: ReadonlyMap<Strip, Lying>): Lay {
  let from = 0;
  const out = stages.map((strips) => {
    const length = Math.max(0, ...strips.map((s) => lying.get(s)!.length));
    const stage = { from, length, strips: strips.map((s) => stripLaid(s, lying.get(s)!)) };
    from += length;
    return stage;
  });
  return { way, stages: out, length: from };
}

/**
 * The shortest lay found one way within a time; null where this way makes nothing of these pieces. The same seed and as
 * many steps give the same lay.
 */
export function layOn(
  way: Way,
  pieces: readonly LayPiece[],
  cloth: ClothInHand,
  { seed, now, time, better, stopped }: LookingFor,
): Lay | null {
  const plan = planFor(way, pieces, cloth);
  if (!plan || plan.stages.length === 0) return null;
  const strips = plan.stages.flat();
  const lying = new Map<Strip, Lying>();
  // A first lay of every strip, so that there is one to show at once.
  for (const s of strips) {
    const first = search(s.task, { seed, now, time: 0 });
    if (!first) return null;
    lying.set(s, first);
  }
  const told = () => better?.(layOf(way, plan.stages, lying));
  told();
  const weight = (s: Strip) => s.task.items.length ** 1.5;
  const all = strips.reduce((sum, s) => sum + weight(s), 0);
  for (const s of strips) {
    search(s.task, {
      seed,
      now,
      time: (time * weight(s)) / all,
      from: lying.get(s)!,
      ...(stopped ? { stopped } : {}),
      better: (found) => {
        if (found === lying.get(s)) return;
        lying.set(s, found);
        told();
      },
    });
  }
  return layOf(way, plan.stages, lying);
}
