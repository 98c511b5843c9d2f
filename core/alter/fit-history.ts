import type { Target as Sets } from '../figure/figure.ts';
import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { Before } from './effect.ts';

/** One alteration of an earlier order that was kept: what it moved on that garment. Lengths cm. */
export interface Kept {
  readonly order: string;
  readonly moved: readonly Before[];
}

/** What the earlier orders of a client have shown about one measure, to be offered to the next. */
export interface Lesson {
  /** the measure’s id, as panels are measured (`hip`, `bodice.back/centre`) */
  readonly id: string;
  readonly name: string;
  /** what it became other than the sheet said, on the mean of the orders, cm */
  readonly by: Cm;
  /** orders that showed it, the latest last */
  readonly orders: readonly string[];
  /** false where one order asked for more and another for less: told, not offered */
  readonly agrees: boolean;
  /** the figure of a sheet it can be set on, and what of it; null where it is only told */
  readonly sets: { readonly figure: string; readonly target: Sets } | null;
}

/** Less than this is no lesson, cm (half of what a hand pins). */
const LEAST = 0.3;

/** Which figure of the next sheet a measure stands for: girths by their ease, lengths by themselves. */
const SETS: Readonly<Record<string, Lesson['sets']>> = {
  bust: { figure: 'bust', target: 'style' },
  waist: { figure: 'waist', target: 'style' },
  'bodice.waist': { figure: 'waist', target: 'style' },
  'skirt.waist': { figure: 'waist', target: 'style' },
  'bodice.underbust': { figure: 'underbust', target: 'style' },
  'skirt.underbust': { figure: 'underbust', target: 'style' },
  'high-hip': { figure: 'high-hip', target: 'style' },
  hip: { figure: 'hip', target: 'style' },
  'bodice.front/centre': { figure: 'bodice.waist-front', target: 'finished' },
  'bodice.back/centre': { figure: 'bodice.waist-back', target: 'finished' },
  'skirt.front/centre': { figure: 'skirt.hem-front', target: 'finished' },
};

/**
 * What the fittings of earlier orders have taught: for each measure what all alterations of one order together made of
 * it, on the mean over the orders. The most often shown first.
 */
export function learnt(kept: readonly Kept[]): Lesson[] {
  const by = new Map<string, { name: string; orders: Map<string, number> }>();
  for (const { order, moved } of kept)
    for (const m of moved) {
      const of = by.get(m.id) ?? { name: m.name, orders: new Map<string, number>() };
      of.orders.set(order, (of.orders.get(order) ?? 0) + m.after - m.before);
      by.set(m.id, of);
    }
  return [...by]
    .flatMap(([id, { name, orders }]): Lesson[] => {
      const shown = [...orders].filter(([, d]) => Math.abs(d) >= LEAST);
      if (shown.length === 0) return [];
      const mean = shown.reduce((a, [, d]) => a + d, 0) / shown.length;
      return [
        {
          id,
          name,
          // Nobody sews to less than a millimetre.
          by: cm(Math.round(mean * 10) / 10),
          orders: shown.map(([o]) => o),
          agrees: shown.every(([, d]) => d > 0 === shown[0]![1] > 0),
          sets: SETS[id] ?? null,
        },
      ];
    })
    .sort((a, b) => b.orders.length - a.orders.length || Math.abs(b.by) - Math.abs(a.by));
}

/** "hip + 1.2 cm, twice confirmed (26-003, 26-011)"; its length stays open until the unit is known. */
export function lessonSentence({ name, by, orders, agrees }: Lesson): string {
  const times = ['', 'once', 'twice', 'three times'][orders.length] ?? `${orders.length} times`;
  const shown = orders.join(', ');
  return agrees
    ? `${name} ${by < 0 ? '−' : '+'} ${say(cm(Math.abs(by)))}, ${times}${orders.length > 1 ? ' confirmed' : ''} (${shown})`
    : `${name}: more once and less another time (${shown})`;
}
