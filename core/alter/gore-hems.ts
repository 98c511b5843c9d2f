import { isA, type Panel } from '../draft/panel.ts';
import { isMain, partOf } from '../garment/seams.ts';
import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { Asked, HemMarks } from './asked.ts';
import { type Making, noteGore } from './boxes.ts';

/** Panels that go round the body and are cut alike. */
const ROUND = new Set(['gore', 'panel', 'half panel']);
/** Whether a panel is one of those that go round the body and are cut alike. */
export const isRound = (p: Panel): boolean => ROUND.has(p.share);

/** What a hem gets at a place round the body, by how far round it lies from the centre back over the left side, 0 to 1, cm. */
export function markAt({ back, left, front, right }: HemMarks, round: number): Cm {
  const marks = [back, left, front, right, back];
  const at = Math.min(3, Math.floor(round * 4));
  const t = (1 - Math.cos(Math.PI * (round * 4 - at))) / 2;
  return cm(marks[at]! + (marks[at + 1]! - marks[at]!) * t);
}

/** Where round the body a place lies, in words. */
const WHERE = ['back', 'back left', 'left', 'front left', 'front', 'front right', 'right', 'back right'];
const wordAt = (round: number): string => WHERE[Math.round(round * 8) % 8]!;

/**
 * A hem whose marks differ round gores that are cut alike: no panel is drawn otherwise, each piece is marked as it hangs.
 * A box for each, with what it gets at both its seams. Gores with a train lie at the centre back.
 */
export function goreHems(panels: readonly Panel[], asked: Asked, m: Making): readonly Panel[] {
  const own = panels.filter(
    (p) =>
      isMain(p) &&
      isRound(p) &&
      (asked.part === null || partOf(p) === asked.part) &&
      p.edges.some((e) => e.id === 'hem'),
  );
  for (const part of new Set(own.map(partOf))) {
    const of = own.filter((p) => partOf(p) === part);
    const trained = of.filter((p) => isA(p, 'train'));
    const plain = of.filter((p) => !trained.includes(p));
    const times = (p: Panel, n: number) => Array.from({ length: n }, () => p);
    // Walked from the centre back round the left side: half of what has a train begins, the other half ends.
    const pieces = [
      ...trained.flatMap((p) => times(p, p.count / 2)),
      ...plain.flatMap((p) => times(p, p.count)),
      ...trained.flatMap((p) => times(p, p.count / 2)),
    ];
    pieces.forEach((p, i) => {
      const [from, to] = [i / pieces.length, (i + 1) / pieces.length];
      const [a, b, middle] = [from, to, (from + to) / 2].map((r) => markAt(asked.hem!, r)) as [Cm, Cm, Cm];
      noteGore(m, p, {
        piece: `${p.name} ${i + 1} of ${pieces.length}, ${wordAt((from + to) / 2)}`,
        seam: `hem, ${say(a)} and ${say(b)} at its seams,`,
        each: cm(middle * asked.direction.sign),
      });
    });
  }
  return panels;
}
