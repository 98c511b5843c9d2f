import { edgeOf, type Panel } from '../draft/panel.ts';
import { faceOf, isFacing, isMain, partOf, perHalf } from '../garment/seams.ts';
import { cm } from '../units/length.ts';
import { totalOf } from './asked.ts';
import { type Making, noteBox } from './boxes.ts';
import { addDart, addInnerDart, dartsBy, freeAt, moveDarts } from './darts.ts';
import type { Move } from './kind.ts';
import { faceAsked } from './places.ts';
import { CannotAlter } from './refusal.ts';

/** How long a new dart is where nothing else is said, to each end where it has two, cm (house figure, no source). */
const NEW_DART = cm(10);

type Of<D extends Move['do']> = Extract<Move, { do: D }>;
const at = (face: string | null) => (face ? ` at the ${face}` : '');

/** A dart’s share of the amount, signed as what it takes more, cm. */
function perDart(m: Making, darts: number): number {
  const { asked } = m;
  if (asked.amount === null) return 0;
  const by = -asked.direction.sign * asked.amount;
  if (asked.as === 'pinned') return 2 * by;
  if (asked.as === 'seam') return by;
  const sides = asked.as === 'side' || asked.side !== 'both' ? 1 : 2;
  return (by * (asked.as === 'fold' && asked.kind.pinned === 'fold' && by > 0 ? 2 : 1)) / (darts * sides);
}

const dartsOn = (p: Panel, edge: string): number =>
  p.darts.filter((d) => d.edge === edge).length + (edge === 'waist' ? (p.inner?.length ?? 0) : 0);

/** The panels with darts on an edge, in the part and on the face that are asked. */
function bearing(panels: readonly Panel[], move: Of<'dart' | 'dart-shift'>, m: Making) {
  const face = faceAsked(move, m.asked);
  const on = panels.filter(
    (p) =>
      (m.asked.part === null || partOf(p) === m.asked.part) &&
      (face === null || faceOf(p) === face) &&
      p.share !== 'sleeve' &&
      dartsOn(p, move.edge) > 0,
  );
  return { face, on };
}

/** Darts take more or less, half to each side of their line. @throws CannotAlter */
export function dartsChanged(panels: readonly Panel[], move: Of<'dart'>, m: Making): readonly Panel[] {
  const { face, on } = bearing(panels, move, m);
  if (!on.some(isMain))
    throw new CannotAlter(
      `This garment has no dart${move.edge === 'side' ? ' in its side seams' : ''}${at(face)} to take more or less.`,
    );
  return panels.map((p) => {
    if (!on.includes(p)) return p;
    const count = on
      .filter((q) => isMain(q) && partOf(q) === partOf(p))
      .reduce((n, q) => n + dartsOn(q, move.edge), 0);
    // What a panel grew by goes into its own darts.
    const by = move.amount === 'shared' ? perDart(m, count) : totalOf(m.asked) / dartsOn(p, move.edge);
    noteBox(m, p, dartWord(p, move.edge), -by, true, undefined, dartsOn(p, move.edge));
    return dartsBy(p, move.edge, by);
  });
}
const dartWord = (p: Panel, edge: string) =>
  p.darts.some((d) => d.edge === edge)
    ? `darts at the ${edgeOf(p, edge).name}`
    : 'darts with two ends, at their widest';

/** Darts moved along their edge, or across. @throws CannotAlter */
export function dartsShifted(panels: readonly Panel[], move: Of<'dart-shift'>, m: Making): readonly Panel[] {
  const { face, on } = bearing(panels, move, m);
  if (!on.some(isMain))
    throw new CannotAlter(
      `This garment has no dart${move.edge === 'side' ? ' in its side seams' : ''}${at(face)} to move.`,
    );
  const by = totalOf(m.asked);
  return panels.map((p) => {
    if (!on.includes(p)) return p;
    noteBox(m, p, `${dartWord(p, move.edge)}, moved`, -by, true);
    return moveDarts(p, move.edge, cm(-by));
  });
}

/** A dart where there was none: on the waist, or with two ends where no seam lies there. @throws CannotAlter */
export function dartAdded(panels: readonly Panel[], move: Of<'dart-new'>, m: Making): readonly Panel[] {
  const face = faceAsked(move, m.asked);
  const has = (p: Panel) => p.edges.some((e) => e.id === move.edge && !e.fold && e.path.length > 0);
  const inside = (p: Panel) => !has(p) && p.lines.some((l) => l.id === 'waist');
  // What is shaped in its seams, flared from its panels or gathered is not taken in by darts.
  const plain = (p: Panel) =>
    !p.edges.some(
      (e) => ['princess', 'outer', 'inner'].includes(e.id) || (e.id === move.edge && e.gather > 2),
    ) && !['gore', 'panel'].includes(p.share);
  const on = panels.filter(
    (p) =>
      (m.asked.part === null || partOf(p) === m.asked.part) &&
      (face === null || faceOf(p) === face) &&
      (isMain(p) || p.layer !== 'outer') &&
      p.share !== 'sleeve' &&
      !isFacing(p) &&
      plain(p) &&
      (has(p) || inside(p)),
  );
  const main = on.filter(isMain);
  if (main.length === 0)
    throw new CannotAlter(
      `No panel of this garment${at(face)} lies plain over the waist, so that a dart could be sewn there.`,
    );
  const { begins, fullFrom, zero } = m.asked.run;
  return panels.map((p) => {
    if (!on.includes(p)) return p;
    const like = main.filter((q) => partOf(q) === partOf(p));
    const intake = cm(
      perDart(
        m,
        Math.max(
          1,
          like.reduce((n, q) => n + perHalf(q), 0),
        ),
      ),
    );
    noteBox(
      m,
      p,
      has(p) ? `new dart at the ${edgeOf(p, move.edge).name}` : 'new dart with two ends',
      -intake,
      true,
    );
    if (has(p))
      return addDart(p, move.edge, {
        intake,
        at: begins ?? freeAt(p, move.edge),
        length: zero ?? NEW_DART,
      });
    return addInnerDart(p, { intake, from: begins, above: fullFrom ?? NEW_DART, below: zero ?? NEW_DART });
  });
}
