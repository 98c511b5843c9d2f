import type { PartContext } from '../../part.ts';

/** A sleeve's elbow lies here of the arm when it was not read (common practice). */
const ELBOW_OF_ARM = 0.58;
/** Where the upper arm is fullest, below the shoulder point, of the arm (common practice). */
const FULLEST = 0.25;

/** The arm as it was read: its levels below the shoulder point and its girths, cm. */
export interface Arm {
  readonly length: number | null;
  readonly elbowAt: number | null;
  readonly elbowRead: boolean;
  /** girth at a depth below the shoulder point, straight between what was read; null where nothing below was read */
  readonly girthAt: (depth: number) => number | null;
}

export function armOf({ measured }: PartContext): Arm {
  const net = (id: string) => measured.get(id)?.net ?? null;
  const length = net('arm-length');
  const read = net('shoulder-to-elbow');
  const elbowAt = read ?? (length === null ? null : length * ELBOW_OF_ARM);
  const known = [
    [length === null ? null : length * FULLEST, net('upper-arm')],
    [elbowAt, net('elbow')],
    [length, net('wrist')],
  ].filter((k): k is [number, number] => k[0] !== null && k[1] !== null);
  return {
    length,
    elbowAt,
    elbowRead: read !== null,
    girthAt: (depth) => {
      const below = known.findIndex(([at]) => at >= depth);
      if (below < 0) return known.length > 0 && depth <= known.at(-1)![0] + 2 ? known.at(-1)![1] : null;
      if (below === 0) return known[0]![1];
      const [[y0, a], [y1, b]] = [known[below - 1]!, known[below]!];
      return a + ((b - a) * (depth - y0)) / (y1 - y0);
    },
  };
}
