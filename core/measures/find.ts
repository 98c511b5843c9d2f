import { foldText } from '../text/fold.ts';
import { MEASURES, type Measure } from './catalogue.ts';

/** A measure with the words it is found by: its name, its other names, its region. */
let folded: readonly { readonly measure: Measure; readonly name: string; readonly all: string }[] | undefined;
const index = () => {
  folded ??= MEASURES.map((measure) => ({
    measure,
    name: foldText(measure.name),
    all: foldText(`${measure.name} ${measure.also.replaceAll(',', ' ')} ${measure.region}`),
  }));
  return folded;
};

/**
 * Measures whose own or other names hold every word that is typed, in any order; those whose own name begins so first.
 * What is typed may be from any region of the trade (“scye depth”).
 */
export function searchMeasures(typed: string, most = 12): Measure[] {
  const words = foldText(typed).split(' ').filter(Boolean);
  if (words.length === 0) return [];
  const rank = (name: string) => (name.startsWith(words.join(' ')) ? 0 : name.includes(words[0]!) ? 1 : 2);
  return index()
    .filter(({ all }) => words.every((w) => all.includes(w)))
    .map(({ measure, name }) => ({ measure, rank: rank(name) }))
    .sort((a, b) => a.rank - b.rank)
    .slice(0, most)
    .map(({ measure }) => measure);
}
