import { buildFigure, easeIn, girthTerms, splitGirth, TOLERANCE } from '../../../sheet/build.ts';
import { pass, type RawCheck, warn } from '../../../sheet/check.ts';
import type { Figure } from '../../../sheet/figure.ts';
import { say as p } from '../../../units/print.ts';
import { FLOORS, type Zone } from '../../fit.ts';
import type { PartContext } from '../../part.ts';

/** Finished girths of a skirt, waist to hip, and how they are read and eased. */
export const GIRTHS: readonly { id: Zone; arc: string; drop: string | null; needed: boolean }[] = [
  { id: 'waist', arc: 'waist-front', drop: null, needed: true },
  { id: 'high-hip', arc: '', drop: 'waist-to-high-hip', needed: false },
  { id: 'tummy', arc: 'tummy-front', drop: 'waist-to-tummy', needed: false },
  { id: 'hip', arc: 'hip-front', drop: 'waist-to-hip', needed: true },
];

/** One finished girth with its quarters; none when nothing asks for it and it was not read. */
export function girthFigure(c: PartContext, g: (typeof GIRTHS)[number], checks: RawCheck[]): Figure[] {
  const m = c.measured.get(g.id);
  const byHand = c.overridesOf(g.id).some((o) => o.target === 'finished');
  if (m?.net == null && !g.needed && !byHand) return [];
  const known = m?.net != null;
  const figure = buildFigure(c, {
    id: g.id,
    name: g.id.replace('-', ' '),
    group: 'girth',
    terms: known ? girthTerms(c, m, g.id) : [],
    known,
    tolerance: TOLERANCE.girth,
    why: known
      ? []
      : [`${m?.why[0] ?? 'Not read.'} Read it, or set the finished figure by hand with a reason.`],
  });
  if (figure.finished === null) {
    checks.push(
      warn(
        `absent-${g.id}`,
        g.id,
        `The ${figure.name} was not read: the sheet cannot give it, and nothing is guessed.`,
      ),
    );
    return [figure];
  }
  const floor = FLOORS[g.id];
  const ease = known ? easeIn(figure, m.net!) : null;
  if (floor && ease !== null && c.input.brief.cloth.stretch === 0) {
    const says = `${figure.name}: ease ${p(ease)}, the floor in a woven is ${p(floor.least)} (${floor.why})`;
    checks.push(
      ease < floor.least - 1e-9
        ? warn(`floor-${g.id}`, g.id, `${says}.`)
        : pass(`floor-${g.id}`, g.id, `${says}.`),
    );
  }
  const arc = c.measured.get(g.arc)?.net ?? null;
  const balance = g.id === 'waist' ? c.input.house.balance.waist : c.input.house.balance.hip;
  return [splitGirth(c, figure, { arc, net: m?.net ?? null, balance })];
}

/** The widest finished girth from the tummy down: the line the skirt hangs from. */
export function widest(girths: ReadonlyMap<string, Figure>, checks: RawCheck[]): Figure {
  const hip = girths.get('hip')!;
  if (hip.finished === null) return hip;
  let wide = hip;
  for (const id of ['tummy', 'high-hip']) {
    const f = girths.get(id);
    if (f?.finished != null && f.finished > wide.finished! + 1e-9) wide = f;
  }
  if (wide !== hip)
    checks.push(
      warn(
        'wide-above-hip',
        wide.id,
        `The ${wide.name} (${p(wide.finished!)}) is wider than the hip (${p(hip.finished)}): the side seams fall straight from there, and the hem follows it.`,
      ),
    );
  return wide;
}
