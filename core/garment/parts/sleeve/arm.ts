import type { PartContext } from '../../part.ts';
import { armLength } from './shoulder.ts';

/** A sleeve's elbow lies here of the arm when it was not read (common practice). */
const ELBOW_OF_ARM = 0.58;
/** Where the upper arm is fullest, below the shoulder point, of the arm (common practice). */
const FULLEST = 0.25;
/** Where the forearm is fullest, of the way from elbow to wrist (common practice). */
const FOREARM = 0.25;

/** The arm as it was read: its levels below the shoulder point and its girths, cm. */
export interface Arm {
  readonly length: number | null;
  readonly elbowAt: number | null;
  readonly elbowRead: boolean;
  /** girth at a depth below the shoulder point, straight between what was read; null where nothing below was read */
  readonly girthAt: (depth: number) => number | null;
  /** by which girths it is that wide there, by measure id */
  readonly readAt: (depth: number) => readonly string[];
}

/** The arm as it was read: its length, cm, and its girth at a depth below the shoulder. */
export function armOf(c: PartContext): Arm {
  const { measured } = c;
  const net = (id: string) => measured.get(id)?.net ?? null;
  const length = armLength(c)?.reduce((sum, t) => sum + t.cm, 0) ?? null;
  const read = net('shoulder-to-elbow');
  const elbowAt = read ?? (length === null ? null : length * ELBOW_OF_ARM);
  const rows = [
    ['upper-arm', length === null ? null : length * FULLEST],
    ['elbow', elbowAt],
    ['forearm', elbowAt === null || length === null ? null : elbowAt + (length - elbowAt) * FOREARM],
    ['wrist', length],
  ] as const;
  const known = rows.flatMap(([id, at]) => {
    const girth = net(id);
    return at === null || girth === null ? [] : [{ id, at, girth }];
  });
  /** the first that lies as deep or deeper; its index, -1 where none does */
  const below = (depth: number) => known.findIndex((k) => k.at >= depth);
  return {
    length,
    elbowAt,
    elbowRead: read !== null,
    girthAt: (depth) => {
      const i = below(depth);
      const last = known.at(-1);
      if (i < 0) return last && depth <= last.at + 2 ? last.girth : null;
      if (i === 0) return known[0]!.girth;
      const [a, b] = [known[i - 1]!, known[i]!];
      return a.girth + ((b.girth - a.girth) * (depth - a.at)) / (b.at - a.at);
    },
    readAt: (depth) => {
      const i = below(depth);
      return (i < 0 ? known.slice(-1) : known.slice(Math.max(0, i - 1), i + 1)).map((k) => k.id);
    },
  };
}
