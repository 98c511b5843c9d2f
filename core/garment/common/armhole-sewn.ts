import { sewnLength } from '../../draft/measure.ts';
import { type Cm, cm } from '../../units/length.ts';
import type { PartContext } from '../part.ts';
import type { CapLengths } from './cap.ts';

/** One armhole as the part above has sewn it, front and back. */
export function armholeOf(c: PartContext): CapLengths | null {
  if (c.above?.sewn.armhole == null) return null;
  const of = (face: 'front' | 'back'): number | null => {
    // One panel of a face holds it, or two along a princess seam; facings have a share of their own.
    const all = c.above!.panels.filter(
      (p) => p.layer === 'outer' && p.share === face && p.edges.some((e) => e.id === 'armhole'),
    );
    return all.length === 0 ? null : all.reduce((sum, p) => sum + sewnLength(p, 'armhole'), 0);
  };
  const [front, back] = [of('front'), of('back')];
  return front === null || back === null ? null : { front, back };
}

/** A cap's length as cm, for sentences. */
export const whole = (a: CapLengths): Cm => cm(a.front + a.back);
