import { spanAt } from '../draft/measure.ts';
import type { Panel } from '../draft/panel.ts';
import { faceOf, isFacing, isMain, partOf } from '../garment/seams.ts';
import { totalOf } from './asked.ts';
import { type Making, noteBox } from './boxes.ts';
import type { Move } from './kind.ts';
import { faceAsked } from './places.ts';
import { CannotAlter } from './refusal.ts';
import { heightOf } from './run.ts';
import { level, slash, tuck, turn } from './slash.ts';

type Of<D extends Move['do']> = Extract<Move, { do: D }>;
const at = (face: string | null) => (face ? ` at the ${face}` : '');

/** Lengthened or shortened across the panels of a face, each the same way, so that they agree where they meet. */
export function acrossMoved(
  panels: readonly Panel[],
  move: Of<'level' | 'wedge'>,
  m: Making,
): readonly Panel[] {
  const face = faceAsked(move, m.asked);
  const total = totalOf(m.asked);
  const [from, to] = move.between;
  const heights = new Map<string, number>();
  // Where one panel of a part ends below the bust, all of it is cut through below it.
  const low = new Set(
    panels
      .filter(
        (p) =>
          isMain(p) && p.lines.some((l) => l.id === 'underbust') && !p.lines.some((l) => l.id === 'bust'),
      )
      .map(partOf),
  );
  for (const p of panels) {
    if (m.asked.part !== null && partOf(p) !== m.asked.part) continue;
    if (face !== null && faceOf(p) !== face) continue;
    if (!isMain(p) && p.layer === 'outer') continue;
    if (p.share === 'sleeve' || !['front', 'back'].includes(p.share)) continue;
    const under = low.has(partOf(p)) ? p.lines.find((l) => l.id === 'underbust') : undefined;
    const [a, b] = [from === 'bust' && under ? under.y : heightOf(p, from), heightOf(p, to)];
    if (a !== null && b !== null && b - a > 1) heights.set(p.id, (a + b) / 2);
  }
  // A lining that has no lines of its own is cut through where its panel is.
  for (const p of panels)
    if (p.layer !== 'outer' && !heights.has(p.id)) {
      const like = panels.find((q) => heights.has(q.id) && isMain(q) && p.id.startsWith(q.id));
      if (like && !isFacing(p)) heights.set(p.id, heights.get(like.id)!);
    }
  if (!panels.some((p) => isMain(p) && heights.has(p.id)))
    throw new CannotAlter(
      `No panel of this garment${at(face)} runs from the ${from} to the ${to}, so that it could be made longer or shorter between them.`,
    );
  const after = panels.map((p) => {
    const y = heights.get(p.id);
    if (y === undefined) return p;
    if (move.do === 'level') {
      noteBox(m, p, `length, ${from} to ${to}`, total, true);
      return slash(p, level(y, total));
    }
    const evenly =
      p.edges.some((e) => e.id === 'princess' || e.id === 'outer') && !p.edges.some((e) => e.id === 'side');
    noteBox(
      m,
      p,
      evenly ? `length, ${from} to ${to}` : `centre ${move.face}, to nothing at the side`,
      total,
      evenly,
    );
    if (evenly) return slash(p, level(y, total));
    const span = spanAt(p, y);
    if (!span || span[1] - span[0] < 2) throw new CannotAlter(`The ${p.name} has no width at that height.`);
    return p.across.centre === 'centre' ? tuck(p, y, total, span[1]) : turn(p, y, total, span);
  });
  return after;
}
