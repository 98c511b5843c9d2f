import type { ClothInHand } from './cloth.ts';
import { COLUMN, columnsOf } from './columns.ts';
import { asLaid, type LayPiece } from './pieces.ts';
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
  /** pieces that stay where a hand has put them, by their strips: the rest is laid round them */
  readonly pinned?: readonly (readonly LaidPiece[])[];
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

/** A strip whose pinned pieces are in the way of the others, and are laid no more. */
function roundPinned(strip: Strip, pinned: readonly LaidPiece[], pieces: readonly LayPiece[]): Strip {
  const { task } = strip;
  const own = new Set(pinned.map((l) => l.id));
  const there = pinned.flatMap((l) => {
    const p = pieces.find((q) => q.id === l.piece);
    if (!p) return [];
    const column = Math.floor(l.x / COLUMN + 1e-9);
    const ring = asLaid(l.half ? p.half! : p.whole, l.turn, l.mirrored);
    return [{ shape: task.offsets.add(columnsOf(ring, l.x - column * COLUMN)), column, at: l.y }];
  });
  return {
    ...strip,
    task: {
      ...task,
      items: task.items.filter((i) => !own.has(i.id)),
      obstacles: [...task.obstacles, ...there],
    },
  };
}

function layOf(
  way: Way,
  stages: readonly (readonly Strip[])[],
  lying: ReadonlyMap<Strip, Lying>,
  held: ReadonlyMap<Strip, readonly LaidPiece[]>,
): Lay {
  let from = 0;
  const out = stages.map((strips) => {
    const ends = strips.flatMap((s) => [
      lying.get(s)!.length,
      ...s.task.obstacles
        .slice(s.task.obstacles.length - held.get(s)!.length)
        .map((o) => o.at + s.task.offsets.shapes[o.shape]!.height),
    ]);
    const length = Math.max(0, ...ends);
    const stage = {
      from,
      length,
      strips: strips.map((s) => {
        const laid = stripLaid(s, lying.get(s)!);
        return { ...laid, pieces: [...held.get(s)!, ...laid.pieces] };
      }),
    };
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
  { seed, now, time, better, pinned, stopped }: LookingFor,
): Lay | null {
  const bare = planFor(way, pieces, cloth);
  if (!bare || bare.stages.length === 0) return null;
  let nth = 0;
  const held = new Map<Strip, readonly LaidPiece[]>();
  const plan = {
    stages: bare.stages.map((strips) =>
      strips.map((s) => {
        const own = pinned?.[nth++] ?? [];
        const round = own.length > 0 ? roundPinned(s, own, pieces) : s;
        held.set(round, own);
        return round;
      }),
    ),
  };
  const strips = plan.stages.flat();
  const lying = new Map<Strip, Lying>();
  // A first lay of every strip, so that there is one to show at once.
  for (const s of strips) {
    const first = search(s.task, { seed, now, time: 0 });
    if (!first) return null;
    lying.set(s, first);
  }
  const told = () => better?.(layOf(way, plan.stages, lying, held));
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
  return layOf(way, plan.stages, lying, held);
}
