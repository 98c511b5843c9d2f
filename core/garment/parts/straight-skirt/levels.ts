import { bodyTerms, buildFigure } from '../../../sheet/build.ts';
import type { Figure } from '../../../sheet/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import type { PartContext } from '../../part.ts';
import { GIRTHS } from './girths.ts';

/** How far below the waist each girth lies: as read, else estimated and marked so. */
export function levelFigures(c: PartContext, girths: readonly Figure[]): Figure[] {
  const hipDrop = c.measured.get('waist-to-hip')?.net ?? null;
  return GIRTHS.flatMap((g) => {
    if (!g.drop || !girths.some((f) => f.id === g.id)) return [];
    const m = c.measured.get(g.drop);
    const name = `${g.id.replace('-', ' ')} level`;
    const base = { id: `level-${g.id}`, name, group: 'level' as const, known: true };
    if (m?.net != null) return [buildFigure(c, { ...base, terms: bodyTerms(m), read: true })];
    const [guess, because]: [Cm, string] =
      g.id === 'hip'
        ? [c.input.house.hipDrop, 'Not read: the house drop stands in.']
        : [
            cm((hipDrop ?? c.input.house.hipDrop) * (g.id === 'tummy' ? 0.45 : 0.5)),
            'Not read: about halfway from waist to hip (common practice).',
          ];
    return [
      buildFigure(c, {
        ...base,
        estimated: true,
        terms: [{ kind: 'body', label: 'estimate', cm: guess, because }],
        why: [because],
      }),
    ];
  });
}
