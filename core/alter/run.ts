import { lengthOf, pointAt, stretch } from '../draft/curve.ts';
import { edgeLength, pointAlong } from '../draft/measure.ts';
import type { Panel } from '../draft/panel.ts';
import { alongOf, pathLength } from '../draft/path.ts';
import { cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { Asked } from './asked.ts';
import type { Level, Levels, Move } from './kind.ts';
import type { SeamPlace } from './places.ts';
import { amountAt, even, type Profile, type Station } from './profile.ts';
import { CannotAlter } from './refusal.ts';

/** Marks that stand for the place where a seam passes over what is fullest. */
const APEX = new Set(['bust point', 'shoulder blade']);
/** What is full this near to the end of a seam is full to its end, cm. */
const NEAR_END = 2;
/** Stations of an edge that is moved in its middle alone. */
const BOW = 8;

/** What an edge gets along itself for an amount of 1, from the edge’s own first point. Lengths cm. */
export function runOf(at: SeamPlace, asked: Asked, move: Extract<Move, { do: 'edge' }>): Profile {
  const length = pathLength(at.edge.path);
  const { begins, fullFrom, fullTo, zero } = asked.run;
  const said = [begins, fullFrom, fullTo, zero].some((x) => x !== null);
  if (said && asked.drawnWay) return written(asked, length);
  if (said) return onEdge(at, written(asked, at.seam.whole), length);
  if (move.bowed)
    return Array.from({ length: BOW + 1 }, (_, i) => ({
      at: cm((length * i) / BOW),
      by: cm(Math.sin((Math.PI * i) / BOW) ** 2),
    }));
  const levels = move.levels ?? asked.kind.levels;
  if (levels) return byLevels(levels, at, length);
  if (!asked.kind.full) return even(1);
  const [a, b] = asked.kind.full === 'start' ? [1, 0] : [0, 1];
  return onEdge(
    at,
    [
      { at: cm(0), by: cm(a) },
      { at: cm(at.seam.whole), by: cm(b) },
    ],
    length,
  );
}

/** A run along the seam as it lies on one of its edges, from that edge’s first point. */
function onEdge({ seam }: SeamPlace, profile: Profile, length: number): Profile {
  const here = (t: number) => (seam.against ? length - (t - seam.from) : t - seam.from);
  const inside = profile.filter((s) => s.at > seam.from + 1e-6 && s.at < seam.from + length - 1e-6);
  return [seam.from, ...inside.map((s) => s.at), seam.from + length]
    .map((t): Station => ({ at: cm(here(t)), by: cm(amountAt(profile, t)) }))
    .sort((x, y) => x.at - y.at);
}

/** The run as it was written: nothing to `begins`, full from and to, nothing again at `zero`. */
function written({ run }: Asked, length: number): Profile {
  const { begins, fullFrom, fullTo, zero } = run;
  const from = fullFrom ?? begins ?? cm(0);
  const to = fullTo ?? (zero === null ? cm(length) : from);
  if (from > length + 0.05)
    throw new CannotAlter(`The seam is ${say(cm(length))} long; that place lies beyond its end.`);
  if (begins !== null && begins > from + 1e-9)
    throw new CannotAlter('It begins below where it is full: say it the other way round.');
  if (to < from - 1e-9) throw new CannotAlter('It is full to a place above the one it is full from.');
  if (zero !== null && zero - to < 0.1)
    throw new CannotAlter('A taper needs some length: its zero point lies where it is still full.');
  return [
    ...(begins !== null && begins < from ? [{ at: begins, by: cm(0) }] : []),
    { at: from, by: cm(1) },
    ...(to > from ? [{ at: to, by: cm(1) }] : []),
    ...(zero !== null ? [{ at: zero, by: cm(0) }] : []),
  ];
}

/** Full at some places of the seam and nothing at others, straight between them. */
function byLevels(levels: Levels, at: SeamPlace, length: number): Profile {
  const along = (level: Level) => levelAlong(level, at, length);
  const stations = [
    ...levels.full.flatMap((l) => {
      const t = along(l);
      return t === null
        ? []
        : [
            { at: cm(t), by: cm(1) },
            ...(levels.fade
              ? [{ at: cm(t + (at.seam.against ? -levels.fade : levels.fade)), by: cm(0) }]
              : []),
          ];
    }),
    ...levels.nothing.flatMap((l) => {
      const t = along(l);
      return t === null ? [] : [{ at: cm(t), by: cm(0) }];
    }),
  ].sort((a, b) => a.at - b.at);
  if (!stations.some((s) => s.by > 0))
    throw new CannotAlter(
      `Where the ${levels.full[0]} lies on the ${at.edge.name} of the ${at.panel.name} is not marked: alter its whole seam, and say from where to where.`,
    );
  // Where no place of nothing is marked on one side of it, it runs out to the end of the seam there.
  const [first, last] = [stations[0]!, stations.at(-1)!];
  return [
    ...(first.by > 0 && first.at > NEAR_END ? [{ at: cm(0), by: cm(0) }] : []),
    ...stations,
    ...(last.by > 0 && last.at < length - NEAR_END ? [{ at: cm(length), by: cm(0) }] : []),
  ];
}

/** How far along an edge, from its own first point, a place of its seam lies, cm; null where it has none such. */
function levelAlong(level: Level, { panel, edge, seam }: SeamPlace, length: number): number | null {
  const start = seam.against ? length : 0;
  const end = seam.against ? 0 : length;
  const has = (id: string) => panel.edges.some((e) => e.id === id);
  const line = [...panel.lines, ...(panel.levels ?? [])].find((l) => l.id === level);
  switch (level) {
    case 'start':
      return start;
    case 'end':
      return end;
    case 'underarm':
      return has('armhole') || has('top') ? start : null;
    case 'apex':
      return apexAlong(panel, edge.id) ?? (line ? alongAt(edge.path, line.y) : null);
    case 'fork':
      return has('inseam') ? alongAt(edge.path, forkOf(panel)) : null;
    case 'knee':
      if (line) return alongAt(edge.path, line.y);
      return has('inseam') ? (alongAt(edge.path, forkOf(panel)) + end) / 2 : null;
    case 'waist':
      if (line && !has('waist')) return alongAt(edge.path, line.y);
      if (!has('waist') && !has('top')) return null;
      // A skirt begins at its waist, a bodice ends there.
      return has('armhole') || has('shoulder') || has('inner') ? (has('waist') ? end : null) : start;
    default:
      return line ? alongAt(edge.path, line.y) : null;
  }
}
/** The height of a leg’s fork: where its inside leg seam begins. */
const forkOf = (p: Panel): number =>
  Math.min(...p.edges.find((e) => e.id === 'inseam')!.path.flatMap((s) => s.map(([, y]) => y)));

/** Where a princess seam passes over the fullest place, cm along the edge; null where it is not marked on it. */
export function apexAlong(panel: Panel, edge: string): number | null {
  const { path } = panel.edges.find((e) => e.id === edge)!;
  const mark = panel.marks.find((m) => APEX.has(m.name));
  if (mark) {
    const on = alongOf(path, mark.at);
    if (on.off < 0.5) return on.along;
  }
  const bust = panel.lines.find((l) => l.id === 'bust') ?? panel.lines.find((l) => l.id === 'underbust');
  return bust ? alongAt(path, bust.y) : null;
}

/** How far along a path the height y is reached first, cm; its nearer end where it does not come there. */
export function alongAt(path: SeamPlace['edge']['path'], y: number): number {
  let [begun, best, off] = [0, 0, Number.POSITIVE_INFINITY];
  for (const s of path) {
    const n = s.length === 2 ? 1 : 16;
    const length = lengthOf(s);
    for (let i = 0; i < n; i++) {
      let [low, high] = [i / n, (i + 1) / n];
      const [a, b] = [pointAt(s, low)[1] - y, pointAt(s, high)[1] - y];
      if (Math.abs(a) < off) [off, best] = [Math.abs(a), begun + lengthOf(stretch(s, 0, low))];
      if (a < 0 === b < 0) continue;
      for (let k = 0; k < 30; k++) {
        const middle = (low + high) / 2;
        if (pointAt(s, middle)[1] - y < 0 === a < 0) low = middle;
        else high = middle;
      }
      return begun + (low <= 0 ? 0 : low >= 1 ? length : lengthOf(stretch(s, 0, low)));
    }
    begun += length;
    const end = Math.abs(pointAt(s, 1)[1] - y);
    if (end < off) [off, best] = [end, begun];
  }
  return best;
}

/** The height of a place on a panel, cm: a line, or where the panel ends; null where it has none. */
export function heightOf(panel: Panel, level: Level): number | null {
  const line = panel.lines.find((l) => l.id === level) ?? panel.levels?.find((l) => l.id === level);
  if (line) return line.y;
  if (level === 'bust') {
    const mark = panel.marks.find((m) => APEX.has(m.name));
    return mark ? mark.at[1] : (panel.lines.find((l) => l.id === 'underbust')?.y ?? null);
  }
  if (level !== 'waist' || !panel.edges.some((e) => e.id === 'waist')) return null;
  return pointAlong(panel.edges.find((e) => e.id === 'waist')!.path, edgeLength(panel, 'waist') / 2)[1];
}
