import type { BriefWire } from '@rocchetto/contract';
import { garmentName, partFor, type SheetUnit, traitsOf } from '@rocchetto/core';
import { isJoined, partWords } from '../../parts/garment/words.ts';
import { stepInWords } from './step-words.ts';

const list = (...words: (string | null | false)[]) => words.filter(Boolean).join(', ');

/** A brief as it is read out, all of it: label and words; what says nothing has none. */
export const briefWords = (
  brief: BriefWire,
  unit: SheetUnit,
): (readonly [label: string, words: string])[] => [
  ['Garment', garmentName(brief.parts) ?? brief.parts.map((p) => partFor(p.part).name).join(', ')],
  ...brief.parts.map((p, i) => [partFor(p.part).name, partWords(p, isJoined(brief.parts, i), unit)] as const),
  ['Adapted', (brief.steps ?? []).map((s) => stepInWords(s, brief.parts)).join('; ')],
  [
    'Fit',
    list(
      brief.fit,
      `ease by the ${brief.school === 'workroom' ? 'workroom chart' : 'pattern-envelope chart'}`,
      brief.letOut && 'wider side seams',
    ),
  ],
  [
    'Cloth',
    list(
      brief.cloth.name,
      brief.cloth.width && `${brief.cloth.width} wide`,
      brief.cloth.weight !== null && `${brief.cloth.weight} g/m²`,
      brief.cloth.stretch > 0 && `stretches ${brief.cloth.stretch} % around`,
      brief.cloth.stretchAlong > 0 && `stretches ${brief.cloth.stretchAlong} % lengthwise`,
      ...traitsOf(brief.cloth),
    ),
  ],
  ['Lining', brief.lining || 'unlined'],
  ['Beneath', brief.beneath],
  ['Shoes', list(brief.shoes, brief.heel && `heel ${brief.heel}`)],
  ['Note', brief.note],
];
