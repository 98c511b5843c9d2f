import { DEGREES, fibresIn, TREATMENTS, type Treatment } from './fibres.ts';

/** A layer of a garment by the name of its cloth. */
export interface Layer {
  readonly layer: string;
  readonly cloth: string;
}
/** One line of a garment’s care, with why it says so. */
export interface CareLine {
  readonly treatment: Treatment;
  /** empty where no cloth tells it */
  readonly says: string;
  readonly because: string;
}
export type CareWords = Readonly<Partial<Record<Treatment, string>>>;

/**
 * The care of a garment: for each treatment the gentlest that any fibre of any layer asks for, unless the house has
 * written its own words. What is not known is left empty and says so.
 */
export function careOf(layers: readonly Layer[], own: CareWords = {}): CareLine[] {
  const found = layers.flatMap((l) => fibresIn(l.cloth).map((fibre) => ({ ...l, fibre })));
  const unknown = layers.filter((l) => fibresIn(l.cloth).length === 0);
  return TREATMENTS.map((treatment, i) => {
    const written = own[treatment]?.trim();
    if (written) return { treatment, says: written, because: 'Written by the studio.' };
    if (found.length === 0 || unknown.length > 0)
      return {
        treatment,
        says: '',
        because: notTold(layers, unknown),
      };
    const least = Math.min(...found.map((f) => f.fibre.bears[i]!));
    const by = found.filter((f) => f.fibre.bears[i] === least);
    return {
      treatment,
      says: DEGREES[treatment][least]!,
      because: `${capital([...new Set(by.map((f) => `${f.fibre.id} in the ${f.layer}`))].join(', '))}.`,
    };
  });
}

function notTold(layers: readonly Layer[], unknown: readonly Layer[]): string {
  const [nameless, named] = [true, false].map((not) =>
    unknown.filter((l) => (l.cloth.trim() === '') === not),
  );
  if (nameless!.length === layers.length) return 'No cloth is named in the brief.';
  return [
    nameless!.length > 0 &&
      `The brief names no cloth for the ${nameless!.map((l) => l.layer).join(' and ')}.`,
    named!.length > 0 &&
      `The name ${named!.map((l) => `“${l.cloth}”`).join(' and ')} does not say what it is made of.`,
    'Write the care by hand, from the maker’s label.',
  ]
    .filter(Boolean)
    .join(' ');
}

const capital = (text: string) => `${text[0]!.toUpperCase()}${text.slice(1)}`;
