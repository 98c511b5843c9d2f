import type { EstimateChoices, EstimateView } from '@rocchetto/contract/estimate.ts';
import { CLOTH_NAMES } from '@rocchetto/core/estimate/sold.ts';
import { readMoney } from '@rocchetto/core/units/money.ts';

/** Prices of an estimate as they are being written; what nobody touched is not in it. */
export interface Texts {
  readonly cloths: Readonly<
    Record<string, { readonly price: string; readonly quantity: string; readonly theirs: boolean }>
  >;
  readonly notions: Readonly<Record<string, { readonly price: string; readonly quantity: string }>>;
  readonly more: readonly { readonly name: string; readonly amount: string }[];
  readonly asked: string;
  readonly deposit: string;
  readonly until: string;
  readonly words: string;
}

const written = (n: number | null) => (n === null ? '' : n.toFixed(2));

const counted = (n: number | null | undefined) => (n == null ? '' : String(n));

export function textsOf({ choices: c, estimate }: Pick<EstimateView, 'choices' | 'estimate'>): Texts {
  const of = (part: string) => estimate.lines.filter((l) => l.part === part).map((l) => l.name);
  const cloth = (name: string) => c.cloths.find((k) => k.name === name);
  const notion = (name: string) => c.notions.find((k) => k.name === name);
  return {
    cloths: Object.fromEntries(
      [...new Set([...of('cloth'), ...c.cloths.map((k) => k.name)])].map((name) => [
        name,
        {
          price: written(cloth(name)?.price ?? null),
          quantity: counted(cloth(name)?.quantity),
          theirs: cloth(name)?.theirs ?? false,
        },
      ]),
    ),
    notions: Object.fromEntries(
      [...new Set([...of('notions'), ...c.notions.map((k) => k.name)])].map((name) => [
        name,
        {
          price: written(notion(name)?.price ?? null),
          quantity: counted(notion(name)?.quantity),
        },
      ]),
    ),
    more: c.more.map((m) => ({ name: m.name, amount: written(m.amount) })),
    asked: written(c.asked),
    deposit: written(c.deposit),
    until: c.until ?? '',
    words: c.words,
  };
}

/** What was written as it is kept, or the first sentence that says what cannot be read. */
export function choicesIn(texts: Texts): { readonly choices: EstimateChoices } | { readonly wrong: string } {
  const wrong: string[] = [];
  const money = (text: string): number | null => {
    const read = readMoney(text);
    if (!read.ok) wrong.push(read.sentence);
    return read.ok ? read.amount : null;
  };
  const number = (text: string): number | null => {
    const plain = text.trim().replace(',', '.');
    if (plain === '') return null;
    if (!/^\d+(\.\d+)?$/.test(plain))
      wrong.push(`“${text.trim()}” can’t be read as a number. Type 3 or 1.5.`);
    return Number(plain);
  };
  if (texts.until.startsWith('?'))
    wrong.push(`“${texts.until.slice(1)}” can’t be read as a date. Type it like 28 Dec.`);
  const choices: EstimateChoices = {
    version: 1,
    cloths: CLOTH_NAMES.flatMap((name) => {
      const t = texts.cloths[name];
      return t && (t.price.trim() !== '' || t.quantity.trim() !== '' || t.theirs)
        ? [{ name, price: money(t.price), quantity: number(t.quantity), theirs: t.theirs }]
        : [];
    }),
    notions: Object.entries(texts.notions).flatMap(([name, t]) =>
      t.price.trim() === '' && t.quantity.trim() === ''
        ? []
        : [{ name, price: money(t.price), quantity: number(t.quantity) }],
    ),
    more: texts.more.flatMap((m) => {
      if (m.name.trim() === '' && m.amount.trim() === '') return [];
      if (m.name.trim() === '') wrong.push('Enter what the amount is for.');
      const amount = money(m.amount);
      if (amount === null && readMoney(m.amount).ok) wrong.push(`Enter what “${m.name.trim()}” costs.`);
      return [{ name: m.name.trim(), amount: amount ?? 0 }];
    }),
    asked: money(texts.asked),
    deposit: money(texts.deposit),
    until: texts.until === '' || texts.until.startsWith('?') ? null : texts.until,
    words: texts.words.trim(),
  };
  return wrong.length > 0 ? { wrong: wrong[0]! } : { choices };
}
