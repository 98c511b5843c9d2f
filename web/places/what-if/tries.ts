import type { SpecFile } from '@rocchetto/contract';
import { nameOfTried, type WhatIf } from '@rocchetto/contract/what-if.ts';
import {
  CLOTH_TRAITS,
  FIT_CLASSES,
  findMeasure,
  MEASURES,
  measuringList,
  printWithUnit,
  ROUNDING_CHOICES,
  roundingWord,
  type Sheet,
  type SheetUnit,
  TRAIT_WORDS,
} from '@rocchetto/core';

/** Something that can be tried on a sheet, as the form shows it. */
export interface Tryable {
  readonly name: string;
  readonly what: WhatIf['what'];
  readonly of: string;
  readonly label: string;
  /** as it is now; '' for what is not there */
  readonly now: string;
  /** what it may be chosen from; null for what is written */
  readonly choices: readonly { readonly value: string; readonly label: string }[] | null;
}

const YES_NO = [
  { value: 'yes', label: 'yes' },
  { value: 'no', label: 'no' },
];

/** Everything that can be tried on this sheet: its readings, those it wants and any other, its eases, its fit, cloth and rounding. */
export function tryables(spec: SpecFile, sheet: Sheet, unit: SheetUnit): readonly Tryable[] {
  const { fit, cloth, parts } = spec.garment;
  const read = new Map<string, string>();
  for (const { state, measure, value } of spec.readings)
    if (state === 'read') read.set(measure, [read.get(measure), value].filter(Boolean).join(', '));
  const asked = measuringList(sheet.input.brief.parts).map((m) => m.id);
  const of = (
    what: WhatIf['what'],
    id: string,
    label: string,
    now: string,
    choices: Tryable['choices'] = null,
  ): Tryable => ({ name: nameOfTried({ what, of: id }), what, of: id, label, now, choices });
  return [
    ...[...new Set([...read.keys(), ...asked, ...MEASURES.map((m) => m.id)])].map((id) =>
      of('reading', id, `reading: ${findMeasure(id)?.name ?? id}`, read.get(id) ?? ''),
    ),
    ...sheet.fit.map(({ zone, name }) => {
      const worn = sheet.figures.find((f) => f.name === name)?.terms.find((t) => t.kind === 'wearing');
      return of('ease', zone, `wearing ease: ${name}`, worn ? printWithUnit(worn.cm, unit) : '');
    }),
    of(
      'fit',
      '',
      'fit',
      fit,
      FIT_CLASSES.map((value) => ({ value, label: value })),
    ),
    ...(parts.length === 0 ? [] : clothTries(cloth, of)),
    of(
      'rounding',
      '',
      'rounding of what is marked',
      ROUNDING_CHOICES.find((c) => c.value === roundingWord(sheet.input.house.rounding))?.label ?? '',
      ROUNDING_CHOICES,
    ),
  ];
}

function clothTries(
  cloth: SpecFile['garment']['cloth'],
  of: (what: 'cloth', id: string, label: string, now: string, choices?: Tryable['choices']) => Tryable,
) {
  return [
    of('cloth', 'width', 'cloth: width', cloth.width ?? ''),
    of('cloth', 'stretch', 'cloth: stretch around the body, %', String(cloth.stretch)),
    of('cloth', 'stretchAlong', 'cloth: stretch lengthwise, %', String(cloth.stretchAlong)),
    ...CLOTH_TRAITS.map((t) => of('cloth', t, `cloth: ${TRAIT_WORDS[t]}`, cloth[t] ? 'yes' : 'no', YES_NO)),
  ];
}

/** What an address says is tried: "reading.bust=92 cm&fit=loose". */
export const triedIn = (params: URLSearchParams): readonly WhatIf[] =>
  [...params].flatMap(([name, value]): WhatIf[] => {
    const [what, of = ''] = name.split('.', 2);
    return KINDS.includes(what as WhatIf['what']) ? [{ what: what as WhatIf['what'], of, value }] : [];
  });
const KINDS: readonly WhatIf['what'][] = ['reading', 'ease', 'fit', 'cloth', 'rounding'];

export const addressOf = (tried: readonly WhatIf[]): URLSearchParams =>
  new URLSearchParams(tried.map((t) => [nameOfTried(t), t.value]));
