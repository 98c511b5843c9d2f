import type { Point } from '../draft/curve.ts';
import type { Panel } from '../draft/panel.ts';
import { liesUp } from '../garment/two-sides.ts';
import type { WholePanel } from '../garment/whole.ts';
import { cutRing } from './cut-ring.ts';
import { cutWords, type PatternHead, type PatternPiece, pieceOfPattern } from './piece.ts';

/** A garment's pattern: every piece at full size. */
export interface Pattern {
  readonly title: string;
  readonly pieces: readonly PatternPiece[];
}

export interface PatternAsked extends PatternHead {
  readonly title: string;
  /** halves on the fold drawn whole */
  readonly opened: boolean;
}

/** Of two halves the one that is drawn as it is and the one that is mirrored, so that the right side of the cloth lies up. */
const asSeen = (right: WholePanel, left: WholePanel | undefined): [WholePanel, WholePanel | null] =>
  left && !liesUp(right, 'right') ? [left, right] : [right, left ?? null];

const near = (a: readonly Point[], b: readonly Point[]): boolean =>
  a.length === b.length && a.every(([x, y], i) => Math.hypot(x - b[i]![0], y - b[i]![1]) < 0.02);
const seamPoints = (p: Panel): Point[] => p.edges.flatMap((e) => e.path.flatMap((s) => [...s] as Point[]));

/**
 * The pattern of a garment. Layers that have the outer one's seam line are cut from its paper: an underlining as it is, an
 * interfacing without allowances along the seam line, which its label says.
 */
export function patternOf(panels: readonly WholePanel[], asked: PatternAsked): Pattern {
  const outer = panels.filter((p) => p.layer === 'outer');
  const shared = new Map<string, string[]>();
  const own = panels.filter((p) => {
    if (p.layer === 'outer') return true;
    const seam = seamPoints(p);
    const paper = outer.find((o) => o.cut === p.cut && near(seamPoints(o), seam));
    if (!paper) return true;
    const bare = p.edges.every((e) => e.allowance === 0);
    const same = !bare && near(cutRing(paper), cutRing(p));
    if (!bare && !same) return true;
    shared.set(paper.id, [
      ...(shared.get(paper.id) ?? []),
      `${cutWords(p)}${p.up === undefined ? '' : `, right side ${p.up ? 'up' : 'down'}`}${bare ? ', along the seam line' : ''}`,
    ]);
    return false;
  });
  // Halves on one fold that are not alike are one piece of cloth all the same.
  const leftOf = (p: WholePanel) =>
    p.cut === 'single' && p.edges.some((e) => e.fold) ? own.find((q) => q.id === `${p.id}-left`) : undefined;
  const isJoined = new Set(own.flatMap((p) => leftOf(p)?.id ?? []));
  return {
    title: asked.title,
    pieces: own.flatMap((p) =>
      isJoined.has(p.id)
        ? []
        : [
            pieceOfPattern(...asSeen(p, leftOf(p)), {
              also: shared.get(p.id) ?? [],
              head: asked,
              opened: asked.opened,
            }),
          ],
    ),
  };
}
