import type { BriefWire } from '@rocchetto/contract';
import {
  ALLOWANCE_NAME,
  type AllowanceId,
  garmentName,
  partFor,
  type SheetUnit,
  traitsOf,
} from '@rocchetto/core';
import { isJoined, partWords } from '../../parts/garment/words.ts';
import { stepInWords } from './step-words.ts';

/** What the order has of its own above the studio's rules, in words. */
function ownWords(own: BriefWire['own']): string {
  if (!own) return '';
  const said = (rows: Readonly<Record<string, string | null>>, word: (id: string) => string) =>
    Object.entries(rows).map(([id, v]) => v !== null && `${word(id)} ${v}`);
  const ease = list(
    own.girths !== null && `every girth ${own.girths}`,
    ...said(own.ease, (zone) => zone.replaceAll('-', ' ')),
  );
  return list(
    own.none && 'no allowances',
    ...said(own.allowances, (id) => `allowance of the ${ALLOWANCE_NAME[id as AllowanceId]}`),
    own.hemTwice && 'hems turned twice',
    own.hemFaced && 'hems and vents faced',
    ease && `ease of ${ease} (${own.why})`,
  );
}

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
  [
    'Second cloth',
    brief.second
      ? list(
          brief.second.name,
          brief.second.width && `${brief.second.width} wide`,
          `for ${brief.second.of.join(', ') || 'no part yet'}`,
        )
      : '',
  ],
  ['Of its own', ownWords(brief.own)],
  ['Beneath', brief.beneath],
  ['Shoes', list(brief.shoes, brief.heel && `heel ${brief.heel}`)],
  ['Note', brief.note],
];
