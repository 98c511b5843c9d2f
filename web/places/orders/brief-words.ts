import type { BriefWire } from '@rocchetto/contract';
import {
  ALLOWANCE_NAME,
  type AllowanceId,
  CLOTH_NAME,
  cutFromWords,
  garmentName,
  nameOfKey,
  OTHERS,
  partFor,
  type SheetUnit,
  traitsOf,
} from '@rocchetto/core';
import { capital } from '@rocchetto/core/text/in-words.ts';
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

const clothWords = (c: BriefWire['cloth']) => [
  c.name,
  c.width && `${c.width} wide`,
  c.weight !== null && `${c.weight} g/m²`,
  c.stretch > 0 && `stretches ${c.stretch} % around`,
  c.stretchAlong > 0 && `stretches ${c.stretchAlong} % lengthwise`,
  ...traitsOf(c),
  c.underlining && `underlined with ${c.underlining}`,
];

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
  ['Cloth', list(...clothWords(brief.cloth))],
  ['Lining', brief.lining || 'unlined'],
  ...(brief.cloths ?? []).map(
    (c, i) =>
      [
        capital(CLOTH_NAME[OTHERS[i]!]),
        list(...clothWords(c), `for ${cutFromWords(c, nameOfKey(brief.parts)) || 'no part yet'}`),
      ] as const,
  ),
  ['Of its own', ownWords(brief.own)],
  ['Beneath', brief.beneath],
  ['Shoes', list(brief.shoes, brief.heel && `heel ${brief.heel}`)],
  ['Note', brief.note],
];
