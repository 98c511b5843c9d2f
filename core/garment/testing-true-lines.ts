import { directionAt, distance, endOf, pointAt, type Segment, startOf } from '../draft/curve.ts';
import { edgeLength, sewnLength } from '../draft/measure.ts';
import { cutOutline } from '../draft/outline.ts';
import { edgeOf, type Panel } from '../draft/panel.ts';
import type { Sheet } from '../sheet/compute.ts';
import { corner, type Point } from './testing-shape.ts';

/*
 * What the pieces of every garment must show, worked from outlines alone (handbook page 10; common practice, no source,
 * where nothing is said). `corner` gives the angle inside a panel where one edge ends and the next begins.
 */
const has = (p: Panel, ...ids: string[]) => ids.every((id) => p.edges.some((e) => e.id === id));
const outer = (s: Sheet) => s.panels.filter((p) => p.layer === 'outer');
/** Front and back of one part that are sewn to each other at a seam of this name. */
function partners(s: Sheet, ...ids: string[]): [Panel, Panel][] {
  return outer(s)
    .filter((p) => p.id.endsWith('.front') && has(p, ...ids))
    .flatMap((front): [Panel, Panel][] => {
      const back = s.panels.find((q) => q.id === front.id.replace(/front$/, 'back') && has(q, ...ids));
      return back ? [[front, back]] : [];
    });
}
const beside = (p: Panel, a: string, b: string): readonly [string, string] | null => {
  const i = p.edges.findIndex((e) => e.id === a);
  const n = p.edges.length;
  if (i < 0) return null;
  if (p.edges[(i + 1) % n]!.id === b) return [a, b];
  return p.edges[(i + n - 1) % n]!.id === b ? [b, a] : null;
};
const cornerOf = (p: Panel, a: string, b: string): number | null => {
  const order = beside(p, a, b);
  return order && corner(p, order[0], order[1]);
};
function sums(a: string, b: string) {
  return (s: Sheet) =>
    partners(s, a, b).flatMap(([f, k]) => {
      const [x, y] = [cornerOf(f, a, b), cornerOf(k, a, b)];
      return x === null || y === null ? [] : [x + y];
    });
}
/** How far a path turns at its own joints, at the most, degrees. */
function turns(path: readonly Segment[]): number {
  return path.slice(1).reduce((most, seg, i) => {
    const before = path[i]!;
    if (distance(endOf(before), startOf(seg)) > 1e-6) return most;
    const [u, v] = [directionAt(before, 1), directionAt(seg, 0)];
    const turn = Math.abs(Math.atan2(u[0] * v[1] - u[1] * v[0], u[0] * v[0] + u[1] * v[1]));
    return Math.max(most, (turn * 180) / Math.PI);
  }, 0);
}

/** Whether the design has a corner there: the mouth of a dart, which is folded away, the fold of a band that is turned on itself, a train. */
const meant = (p: Panel, at: Point) =>
  p.darts.some(({ legs: [a, b] }) => distance(a, at) + distance(at, b) < distance(a, b) + 0.6) ||
  /band|placket|loop|train/.test(p.id);
function unfair(p: Panel): number[] {
  // A square or pointed neckline has its corners, and its facing with it.
  const cornered = (id: string) => ['neck', 'lower'].includes(id);
  return p.edges
    .filter((e) => !cornered(e.id))
    .flatMap((e) =>
      e.path.slice(1).flatMap((seg, i) => (meant(p, startOf(seg)) ? [] : [turns([e.path[i]!, seg])])),
    );
}

/** Where a hem or casing, folded back along its edge, leaves the cut line of what is beside it, cm; each end of it. */
function foldedOff(p: Panel): number[] {
  const cut = cutOutline(p);
  const points = cut.flatMap((seg) =>
    seg.length === 2 ? seg : [0, 0.25, 0.5, 0.75, 1].map((t) => pointAt(seg, t)),
  );
  return p.edges.flatMap((hem, i) => {
    if (!hem.turned || hem.allowance <= 0) return [];
    const n = p.edges.length;
    return [
      {
        other: p.edges[(i + 1) % n]!,
        at: endOf(hem.path.at(-1)!),
        way: directionAt(hem.path.at(-1)!, 1),
        sign: 1,
      },
      {
        other: p.edges[(i + n - 1) % n]!,
        at: startOf(hem.path[0]!),
        way: directionAt(hem.path[0]!, 0),
        sign: -1,
      },
    ].flatMap(({ other, at, way, sign }) => {
      if (other.fold || other.turned) return [];
      // The cut corner beyond the fold: of what lies there the furthest out along it.
      const across = (q: Point) => (q[0] - at[0]) * way[1] - (q[1] - at[1]) * way[0];
      const out = (q: Point) => sign * ((q[0] - at[0]) * way[0] + (q[1] - at[1]) * way[1]);
      const beyond = points
        .filter((q) => Math.abs(across(q) - hem.allowance) < 0.02 && distance(q, at) < 4 * hem.allowance + 4)
        .sort((x, y) => out(y) - out(x))[0];
      if (!beyond) return [];
      const d = across(beyond);
      const folded: Point = [beyond[0] - 2 * d * way[1], beyond[1] + 2 * d * way[0]];
      const seg = other.path[other === p.edges[(i + 1) % n] ? 0 : other.path.length - 1]!;
      const along = other === p.edges[(i + 1) % n] ? directionAt(seg, 0) : directionAt(seg, 1);
      const off = Math.abs((folded[0] - at[0]) * along[1] - (folded[1] - at[1]) * along[0]);
      return [off - other.allowance];
    });
  });
}

const crotch = (s: Sheet) => partners(s, 'crotch', 'inseam');
const held = (s: Sheet, face: string) => {
  const p = s.panels.find(
    (x) =>
      /^(skirt|trousers)\./.test(x.id) &&
      x.id.endsWith(`.${face}`) &&
      has(x, 'waist', 'side') &&
      x.darts.length > 0,
  );
  const centre =
    face === 'back' ? (s.figures.find((f) => f.id.endsWith('.centre-back-in'))?.finished ?? 0) : 0;
  return p ? p.darts.filter((d) => d.edge === 'waist').reduce((a, d) => a + d.intake, 0) + centre : null;
};
const faces = (s: Sheet) => outer(s).filter((p) => /\.(front|back)$/.test(p.id));
const centred = (edge: string) => (s: Sheet) =>
  faces(s).flatMap((p) => (has(p, 'crotch') ? [] : (cornerOf(p, edge, 'centre') ?? [])));

/** Each line: the least and the most of it, and what a sheet's outlines show. */
const LINES: Record<string, readonly [least: number, most: number, of: (s: Sheet) => readonly number[]]> = {
  'waist at the side': [172, 188, sums('waist', 'side')],
  'hem at the side': [172, 188, sums('hem', 'side')],
  'hem at the inside leg': [172, 188, sums('hem', 'inseam')],
  'crotch at the inside leg': [172, 188, sums('crotch', 'inseam')],
  'waist at the centre': [87, 93, centred('waist')],
  'hem at the centre': [87, 93, centred('hem')],
  'sides, back less front': [
    -0.3,
    0.3,
    (s) => partners(s, 'side').map(([f, b]) => sewnLength(b, 'side') - sewnLength(f, 'side')),
  ],
  'inside legs, back less front': [
    -0.3,
    0.3,
    (s) => crotch(s).map(([f, b]) => edgeLength(b, 'inseam') - edgeLength(f, 'inseam')),
  ],
  'no corner inside an edge': [0, 12.1, (s) => outer(s).flatMap(unfair)],
  'hems and casings fold flat': [-0.05, 0.05, (s) => outer(s).flatMap(foldedOff)],
  'back fork lower': [
    0.499,
    1.001,
    (s) =>
      crotch(s).map(
        ([f, b]) => endOf(edgeOf(b, 'inseam').path.at(-1)!)[1] - endOf(edgeOf(f, 'inseam').path.at(-1)!)[1],
      ),
  ],
  'crotch, front share, %': [
    42,
    48,
    (s) =>
      // By the plan of girths front and back go on alike, which its own check says.
      (s.input.brief.parts.some((q) => q.plan === 'girths') ? [] : crotch(s)).map(([f, b]) => {
        const [x, y] = [edgeLength(f, 'crotch'), edgeLength(b, 'crotch')];
        return (100 * x) / (x + y);
      }),
  ],
  'taken behind, less in front': [
    0.999,
    9,
    (s) => {
      const [f, b] = [held(s, 'front'), held(s, 'back')];
      // Where high hip or tummy were read they say what the sides take.
      if (s.input.readings.some((r) => r.measure === 'high-hip')) return [];
      // A quarter that gives up little has nothing to share out.
      const side = s.figures.find((x) => /^(skirt|trousers)\.side-front$/.test(x.id))?.finished ?? 0;
      return f !== null && b !== null && f + side >= 4 ? [b - f] : [];
    },
  ],
};
/** Lines that a few may miss by a little, without a word: how many, and by how much. */
export const SELDOM: Readonly<Record<string, { readonly many: number; readonly by: number }>> = {
  'no corner inside an edge': { many: 2, by: 1.5 },
};
/** How a line that does not hold is told. */
const TOLD: Readonly<Record<string, RegExp>> = {
  'sides, back less front': /side-seams$/,
  'inside legs, back less front': /inseams$/,
  'crotch, front share, %': /crotch-length|floor-thigh|inseams/,
  'crotch at the inside leg': /\.fork$/,
  'waist at the centre': /opening-zip$/,
  'no corner inside an edge': /corner-at-hip$/,
};

interface Seen {
  of: number;
  off: number;
  worst: number;
  at: string;
}
/** What is seen of each line over many sheets, and what was off without a word. */
export function linesSeen() {
  const seen: Record<string, Seen> = Object.fromEntries(
    Object.keys(LINES).map((k) => [k, { of: 0, off: 0, worst: 0, at: '' }]),
  );
  const untold: string[] = [];
  return {
    seen,
    untold,
    look(s: Sheet, where: string) {
      for (const [name, [least, most, of]] of Object.entries(LINES))
        for (const value of of(s)) {
          const line = seen[name]!;
          line.of++;
          const off = Math.max(least - value, value - most, 0);
          if (off <= 1e-6) continue;
          line.off++;
          if (off > line.worst) {
            line.worst = off;
            line.at = where;
          }
          if (off <= (SELDOM[name]?.by ?? 0)) continue;
          const by = TOLD[name];
          if (!by || !s.checks.some((k) => by.test(k.code) && k.state === 'warned'))
            untold.push(`${name}: ${value.toFixed(2)}, ${where}`);
        }
    },
    told: () =>
      Object.entries(seen)
        .map(
          ([k, l]) =>
            `${k}: ${l.off} of ${l.of} off${l.off ? `, by ${l.worst.toFixed(2)} at the most (${l.at})` : ''}`,
        )
        .join('\n'),
  };
}
