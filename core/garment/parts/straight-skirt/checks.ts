import { drift, TOLERANCE, withMark } from '../../../sheet/build.ts';
import { pass, type RawCheck, warn } from '../../../sheet/check.ts';
import type { Figure } from '../../../sheet/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import type { StraightSkirtBrief } from '../../brief.ts';
import { dartLength } from '../../darts.ts';
import type { PartContext } from '../../part.ts';
import type { Darts } from './darts.ts';

/** Below the knee a hem under this girth needs a vent, slit, pleat or stretch, cm (common practice). */
const STRIDE = cm(96);

/** At each level between waist and hip: does the cloth left by darts and side seam hold the finished girth? */
export function roomAtLevels(
  girths: readonly Figure[],
  darts: Darts,
  level: (id: string) => Cm | null,
  checks: RawCheck[],
) {
  const hip = girths.find((g) => g.id === 'hip');
  const hipLevel = level('hip');
  if (!darts.front || !darts.back || !hip?.front || !hip.back || !hipLevel) return;
  for (const g of girths) {
    const at = level(g.id);
    if ((g.id !== 'high-hip' && g.id !== 'tummy') || g.finished === null || at === null || at >= hipLevel)
      continue;
    const quarter = (face: 'front' | 'back') => {
      const s = darts[face]!;
      const open = Math.max(0, 1 - at / dartLength(face, hipLevel));
      return (
        s.total +
        girths.find((x) => x.id === 'waist')![face]!.exact -
        s.side * (1 - at / hipLevel) -
        s.count * s.intake * open
      );
    };
    const room = cm(2 * quarter('front') + 2 * quarter('back'));
    const says = `${g.name}: darts and side seams leave ${p(room)} at this level, the sheet wants ${p(g.finished)}`;
    checks.push(
      room < g.finished - TOLERANCE.girth
        ? warn(`room-${g.id}`, g.id, `${says}. Shorten the darts or curve the side seam out.`)
        : pass(`room-${g.id}`, g.id, `${says}.`),
    );
  }
}

export function strideCheck(
  c: PartContext,
  brief: StraightSkirtBrief,
  hem: Figure,
  longest: Cm,
  checks: RawCheck[],
) {
  const knee = c.measured.get('waist-to-knee')?.net ?? null;
  if (hem.finished === null || longest === 0) return;
  // Without the knee a hem past 60 cm is taken to reach it: the catalogue's span starts at 48, the middle is 60.
  const below = longest > (knee ?? 60);
  if (!below || hem.finished >= STRIDE)
    checks.push(pass('stride', 'hem', `Hem ${p(hem.finished)}: room to walk.`));
  else if (brief.hemOpening.kind !== 'none')
    checks.push(
      pass(
        'stride',
        'hem',
        `Hem ${p(hem.finished)} below the knee: the ${brief.hemOpening.kind} gives room to walk.`,
      ),
    );
  else
    checks.push(
      warn(
        'stride',
        'hem',
        `Below the knee a hem of ${p(hem.finished)} is under ${p(STRIDE)}: it needs a vent, a slit, a pleat or stretch.`,
      ),
    );
}

export function driftChecks(c: PartContext, figures: readonly Figure[], checks: RawCheck[]) {
  if (c.input.house.rounding.step === 0) return;
  for (const f of figures) {
    const d = drift(f);
    if (d === null) continue;
    const says = `${f.name}: the four rounded quarters make ${p(f.finished! + d)}, drift ${d > 0 ? '+' : ''}${p(d)}`;
    checks.push(
      Math.abs(d) > f.tolerance + 1e-9
        ? warn(`drift-${f.id}`, f.id, `${says}, more than the tolerance of ${p(f.tolerance)}.`)
        : pass(`drift-${f.id}`, f.id, `${says}.`),
    );
  }
}

export function markWarned(figures: readonly Figure[], checks: readonly RawCheck[]): Figure[] {
  const warned = new Set(checks.filter((k) => k.state === 'warned').map((k) => k.figure));
  return figures.map((f) => (warned.has(f.id) ? withMark(f, 'warned') : f));
}
