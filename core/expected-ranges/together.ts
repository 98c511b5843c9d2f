import { findMeasure } from '../measures/catalogue.ts';
import { expectation, surprise } from './expectation.ts';

/** Two figures of a session that do not fit together, with the one that is likelier to be the slip. */
export interface Misfit {
  readonly slip: string;
  readonly with: string;
  readonly surprise: number;
  readonly sentence: string;
}

/** So far from what all others say a figure must lie before the session is doubted, in spreads. */
const FAR = 3.9;

/**
 * The judgement of a whole session: the figure that all the others expect least, and the one it fits least with; null
 * when they fit. What stands with a reason is not doubted again.
 */
export function misfitOf(
  figures: ReadonlyMap<string, number>,
  stands: ReadonlySet<string> = new Set(),
): Misfit | null {
  let worst: { id: string; z: number } | null = null;
  for (const [id, value] of figures) {
    if (stands.has(id)) continue;
    const e = expectation(id, without(figures, id));
    if (!e || e.from.length < 2) continue;
    const z = surprise(value, e);
    if (Math.abs(z) > Math.abs(worst?.z ?? FAR)) worst = { id, z };
  }
  if (!worst) return null;
  // The other is the one without which the figure would be expected most.
  const { id, z } = worst;
  let other: { id: string; left: number } | null = null;
  for (const [o] of figures) {
    if (o === id) continue;
    const e = expectation(id, without(figures, id, o));
    if (!e) continue;
    const left = Math.abs(surprise(figures.get(id)!, e));
    if (other === null || left < other.left) other = { id: o, left };
  }
  if (!other) return null;
  const [a, b] = [findMeasure(id)!.name, findMeasure(other.id)!.name];
  return {
    slip: id,
    with: other.id,
    surprise: z,
    sentence: `${a[0]!.toUpperCase()}${a.slice(1)} and ${b} do not fit together; the likeliest slip is ${a}, which reads ${z > 0 ? 'more' : 'less'} than all others lead one to expect.`,
  };
}

function without(figures: ReadonlyMap<string, number>, ...ids: readonly string[]): Map<string, number> {
  const out = new Map(figures);
  for (const id of ids) {
    out.delete(id);
    // The two sides of one measure would vouch for each other.
    const of = findMeasure(id)?.of ?? id;
    for (const key of [...out.keys()]) if (findMeasure(key)?.of === of) out.delete(key);
    out.delete(of);
  }
  return out;
}
