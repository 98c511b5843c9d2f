import { sewnLength } from '../draft/measure.ts';
import type { Panel } from '../draft/panel.ts';
import { faceOf, isMain, kindOf, partOf, perHalf, type SeamKind } from '../garment/seams.ts';
import { type Making, noteBox } from './boxes.ts';
import { moveEdge } from './move-edge.ts';
import { even } from './profile.ts';

/** A band, what its length hangs on, and which of its ends moves. */
const BANDS: readonly (readonly [is: RegExp, kind: SeamKind, end: string, times: number])[] = [
  [/\.band\b/, 'waist', 'overlap', 2],
  [/\.button-band\b/, 'front-edge', 'lower', 1],
  [/\.band\b/, 'neck', 'other-end', 2],
];
/** A band is as long as what is sewn to it: it follows what the waist, the front edge or the neckline of its part has become. */
export function follow(before: readonly Panel[], after: readonly Panel[], m: Making): readonly Panel[] {
  return after.map((p) => {
    const row = BANDS.find(([is, , end]) => is.test(p.id) && p.edges.some((e) => e.id === end));
    if (!row || p.share !== 'band') return p;
    const [, kind, end, times] = row;
    if (kind === 'neck' && !p.edges.some((e) => e.id === 'neck')) return p;
    const length = (list: readonly Panel[]) =>
      list
        .filter((q) => isMain(q) && partOf(q) === partOf(p))
        .reduce(
          (n, q) =>
            n +
            q.edges.reduce(
              (k, e) =>
                k +
                (kindOf(q, e) === kind && !(kind === 'front-edge' && faceOf(q) === 'back')
                  ? sewnLength(q, e.id) * (times === 2 ? perHalf(q) : 1)
                  : 0),
              0,
            ),
          0,
        );
    // A band goes all round: on the half that is drawn it changes by twice what that half changes.
    const by = (length(after) - length(before)) * times;
    if (Math.abs(by) < 0.05) return p;
    const whole = times === 2 && m.asked.side !== 'both' ? by / 2 : by;
    noteBox(m, p, 'length', whole, true, times === 2 ? 1 : undefined);
    return moveEdge(p, end, even(by), end === 'lower' ? 'down' : 'out');
  });
}
