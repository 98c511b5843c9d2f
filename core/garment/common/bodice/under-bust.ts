import { bodyTerms, term } from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import { cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { isKnown, type Leaves, left, type ReadAt } from '../../leaves.ts';
import type { PartContext, Wants } from '../../part.ts';
import type { Face } from '../../tables/darts.ts';
import { heightsShape } from './heights-plan.ts';
import type { Source, Sources } from './sources.ts';

/** A seam so little under the bust point would lie on the bust, cm (common practice). */
const LEAST = 4;

/** What a bodice that ends under the bust wants read, beside or instead of the waist. */
export const UNDER_WANTS = {
  needs: ['underbust'],
  helps: ['underbust-front', 'neck-to-underbust', 'bust-to-underbust', 'underbust-to-waist'],
} as const satisfies Wants;

/** From which readings the seam’s height comes: the first pair that was read. */
type From = 'neck' | 'bust' | 'waist' | null;
const fromOf = (c: ReadAt): From =>
  isKnown(c, 'neck-to-underbust')
    ? 'neck'
    : isKnown(c, 'bust-to-underbust') && isKnown(c, 'neck-to-bust')
      ? 'bust'
      : isKnown(c, 'underbust-to-waist') && isKnown(c, 'neck-to-waist-front')
        ? 'waist'
        : null;

/** What such a bodice leaves: the waist, and the heights that another reading stands before. */
export function underLeaves(c: ReadAt): Leaves {
  const from = fromOf(c);
  return {
    ...left(
      true,
      ['waist', 'waist-front'],
      'The bodice ends under the bust: nothing is drafted to the waist.',
    ),
    ...left(
      from === 'neck',
      ['bust-to-underbust', 'underbust-to-waist'],
      'Side-neck to under bust was read.',
    ),
    ...left(from === 'bust', ['underbust-to-waist'], 'Bust point to under bust was read.'),
  };
}

interface Levels {
  readonly bustLevel: Figure;
  readonly waistFront: Figure;
  readonly waistBack: Figure;
}

/** Where the seam under the bust lies from the side-neck, in front and behind, and how far above the waist, cm. */
export function underBustEnd(
  c: PartContext,
  { read, guess, make }: Sources,
  { bustLevel, waistFront, waistBack }: Levels,
): { readonly front: Figure; readonly up: Figure; readonly back: Figure } {
  const readAt = (id: string) => bodyTerms(c.measured.get(id)!);
  const source = ((): Source | null => {
    switch (fromOf(c)) {
      case 'neck':
        return read('neck-to-underbust');
      case 'bust':
        return { terms: [...readAt('neck-to-bust'), ...readAt('bust-to-underbust')] };
      case 'waist':
        return waistFront.finished === null
          ? null
          : {
              terms: [
                term('body', 'waist level, front', waistFront.finished, 'As drafted.'),
                term(
                  'take',
                  'under bust to waist',
                  cm(-c.measured.get('underbust-to-waist')!.net!),
                  'As read.',
                ),
              ],
            };
      default:
        return guess(
          bustLevel.finished === null ? null : bustLevel.finished + heightsShape(null, c).underBust,
          'Not measured: so far under the bust line (common practice).',
        );
    }
  })();
  const [bust, waist] = [bustLevel.finished, waistFront.finished];
  const front = make('underbust-level', 'seam under the bust, from the side-neck', source, {
    group: 'level',
    follows: (value) =>
      bust !== null && value < bust + LEAST
        ? `The seam lies at least ${p(cm(LEAST))} under the bust point (${p(bust)} down).`
        : waist !== null && value > waist
          ? `It would lie below the waist (${p(waist)} down).`
          : null,
  });
  const way = waist === null || front.finished === null ? null : cm(waist - front.finished);
  const lies = (id: string, name: string, terms: Source['terms'] | null) =>
    make(id, name, terms && { terms }, { group: 'level' });
  const up = lies(
    'seam-up',
    'seam under the bust, above the waist',
    way === null
      ? null
      : [
          term('body', 'waist level, front', waist!, 'As drafted.'),
          term('take', 'seam under the bust', cm(-front.finished!), 'From the side-neck.'),
        ],
  );
  const back = lies(
    'underbust-level-back',
    'seam under the bust, back, from the side-neck',
    way === null || waistBack.finished === null
      ? null
      : [
          term('body', 'waist level, back', waistBack.finished, 'As drafted.'),
          term(
            'take',
            'seam above the waist',
            cm(-way),
            'The seam runs level round the body, as far above the waist behind as in front.',
          ),
        ],
  );
  return { front, up, back };
}

/** The figure, within its part, that says how far down a face ends: at the waist or under the bust. */
export const lowerLevel = ({ joint }: Pick<PartContext, 'joint'>, face: Face): string =>
  joint === 'waist' ? `waist-${face}` : face === 'front' ? 'underbust-level' : 'underbust-level-back';
