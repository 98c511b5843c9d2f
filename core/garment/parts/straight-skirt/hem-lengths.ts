import { bodyTerms, buildFigure } from '../../../sheet/build.ts';
import type { Figure } from '../../../sheet/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import type { StraightSkirtBrief } from '../../brief.ts';
import type { PartContext } from '../../part.ts';

const STATIONS = ['front', 'left', 'right', 'back'] as const;

/**
 * Waist to hem at the four stations. One that was not read is mirrored from the other side, else it is the
 * mean of those read; when none was read the wanted length of the brief stands at all four.
 */
export function hemFigures(c: PartContext, brief: StraightSkirtBrief): Figure[] {
  const read = new Map(
    STATIONS.flatMap((s) =>
      c.measured.get(`hem-${s}`)?.net != null ? [[s, c.measured.get(`hem-${s}`)!] as const] : [],
    ),
  );
  return STATIONS.map((s) => {
    const base = {
      id: `hem-${s}`,
      name: `waist to hem, ${s === 'left' || s === 'right' ? `${s} side` : `centre ${s}`}`,
      group: 'length' as const,
    };
    const own = read.get(s);
    if (own) return buildFigure(c, { ...base, terms: bodyTerms(own), known: true, read: true });
    const other = s === 'left' ? 'right' : s === 'right' ? 'left' : null;
    const mirrored = other ? read.get(other) : undefined;
    if (mirrored) return estimate(c, base, mirrored.net!, `Not read: mirrored from the ${other} side.`);
    if (read.size > 0) {
      const mean = cm([...read.values()].reduce((a, m) => a + m.net!, 0) / read.size);
      return estimate(
        c,
        base,
        mean,
        'Not read: the mean of the stations that were. Level the hem at the fitting.',
      );
    }
    if (brief.length !== null)
      return buildFigure(c, {
        ...base,
        known: true,
        terms: [
          {
            kind: 'style',
            label: 'length wanted',
            cm: brief.length,
            because: 'From the brief; no station was read.',
          },
        ],
        why: ['No station was read: level the hem from the floor at the fitting.'],
      });
    return buildFigure(c, {
      ...base,
      terms: [],
      known: false,
      why: ['No station was read and the brief names no length.'],
    });
  });
}

const estimate = (
  c: PartContext,
  base: { id: string; name: string; group: 'length' },
  value: Cm,
  because: string,
) =>
  buildFigure(c, {
    ...base,
    known: true,
    estimated: true,
    terms: [{ kind: 'body', label: 'estimate', cm: value, because }],
    why: [because],
  });
