import { type SheetUnit, withUnit } from '@rocchetto/core';
import { RULE_CELLS, ruleWords } from '@rocchetto/core/house/rule-tables.ts';
import { z } from 'zod';
import { HouseRulesWire } from './brief.ts';

/** House rules as one text per place: "ease.bust.fitted" → "5 cm", "ages.usual" → "90". What is not set is left out. */
export type RuleTexts = Readonly<Record<string, string>>;

/** What the house has set, place by place. */
export function textsOf(rules: HouseRulesWire): RuleTexts {
  const found: Record<string, string> = {};
  const walk = (value: unknown, path: string) => {
    if (value === undefined || value === null) return;
    if (path === 'rounding') {
      const r = value as NonNullable<HouseRulesWire['rounding']>;
      found[path] = `${r.unit} ${r.step} ${r.mode}`;
    } else if (typeof value === 'object')
      for (const [k, v] of Object.entries(value)) walk(v, path ? `${path}.${k}` : k);
    else if (String(value) !== RULE_CELLS.get(path)?.usual) found[path] = String(value);
  };
  walk(rules, '');
  return found;
}

/**
 * The rules such texts mean, lengths without a unit in the house's own, to be parsed: a number that is none stays a text and is refused there. An empty text, or
 * what is usual anyway, is not the house's own.
 */
export function rulesOf(texts: RuleTexts, unit: SheetUnit): unknown {
  const rules: Record<string, unknown> = {};
  for (const [path, text] of Object.entries(texts)) {
    const cell = RULE_CELLS.get(path);
    const said = cell?.kind === 'length' ? (withUnit(text.trim(), unit) ?? '') : text.trim();
    if (said === '' || (cell && said === cell.usual)) continue;
    const keys = path.split('.');
    let at = rules;
    for (const key of keys.slice(0, -1)) {
      at[key] ??= {};
      at = at[key] as Record<string, unknown>;
    }
    at[keys.at(-1)!] =
      path === 'rounding' ? asRounding(said) : cell?.kind === 'number' ? asNumber(said) : said;
  }
  return rules;
}

const asNumber = (text: string): number | string => (/^\d+(\.\d+)?$/.test(text) ? Number(text) : text);
function asRounding(text: string) {
  const [unit, step, mode] = text.split(' ');
  return { unit, step: asNumber(step ?? ''), mode };
}

/** One place that a change of the rules moved, in words. */
export const RuleMoved = z.strictObject({
  path: z.string(),
  name: z.string(),
  from: z.string(),
  to: z.string(),
});
export type RuleMoved = z.infer<typeof RuleMoved>;

/** What differs between two states of the rules, in the order of the tables. */
export function rulesMoved(before: HouseRulesWire, after: HouseRulesWire, unit: SheetUnit): RuleMoved[] {
  const [was, is] = [textsOf(before), textsOf(after)];
  return [...RULE_CELLS.values()].flatMap((cell) => {
    const [from, to] = [was[cell.path] ?? cell.usual, is[cell.path] ?? cell.usual];
    return from === to
      ? []
      : [
          {
            path: cell.path,
            name: cell.name,
            from: ruleWords(cell, from, unit),
            to: ruleWords(cell, to, unit),
          },
        ];
  });
}

/** A change of the rules as the house's history has it. */
export const RuleChange = z.strictObject({
  /** ISO instant */
  at: z.string(),
  by: z.string(),
  moved: z.array(RuleMoved).readonly(),
});
export type RuleChange = z.infer<typeof RuleChange>;
export const HouseRulesView = z.strictObject({
  version: z.number(),
  rules: HouseRulesWire,
  /** newest first */
  changes: z.array(RuleChange).readonly(),
});
export type HouseRulesView = z.infer<typeof HouseRulesView>;
