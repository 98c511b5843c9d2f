import type { Skill } from '../diary/kinds.ts';
import { hoursWord } from '../diary/load.ts';
import type { Notion } from '../figure/figure.ts';
import { isLaid } from '../garment/cloth.ts';
import type { Step } from '../plan/chain.ts';
import { inches, type SheetUnit } from '../units/length.ts';
import { formatSentence, printLength, printWithUnit } from '../units/print.ts';
import { hundredths, upTo } from './hundredths.ts';
import type { HouseRates } from './rates.ts';
import { boughtAs, type ClothName, isCloth, metres, SOLD, type Sold } from './sold.ts';

/** What a hand wrote for this order's estimate. */
export interface EstimateChoices {
  /** cloths by name: the price of a metre (a yard), how many are bought where a hand says so, whether the client brings it */
  readonly cloths: readonly {
    readonly name: ClothName;
    readonly price: number | null;
    readonly quantity: number | null;
    readonly theirs: boolean;
  }[];
  /** notions that cost or count otherwise than the house’s table says, by name */
  readonly notions: readonly {
    readonly name: string;
    readonly price: number | null;
    readonly quantity: number | null;
  }[];
  /** what nobody can count off a sheet: lace, beads, a journey */
  readonly more: readonly { readonly name: string; readonly amount: number }[];
  /** the price that is asked, where a hand set it */
  readonly asked: number | null;
  /** what is asked for to begin with, where a hand set it */
  readonly deposit: number | null;
}
export const NO_CHOICES: EstimateChoices = { cloths: [], notions: [], more: [], asked: null, deposit: null };

export type EstimatePart = 'work' | 'cloth' | 'notions' | 'more';
/** One line: so much of something, at so much. */
export interface EstimateLine {
  readonly id: string;
  readonly part: EstimatePart;
  readonly name: string;
  /** "1 h 5", "2.65 m", "5"; empty for a sum that was written */
  readonly quantity: string;
  /** what one costs: an hour, a metre, a piece; null where nobody said */
  readonly rate: number | null;
  readonly of: 'hour' | 'metre' | 'yard' | 'piece' | null;
  /** null where its rate or its number is not known: told in what is left out */
  readonly amount: number | null;
  readonly why: readonly string[];
  /** minutes of work */
  readonly minutes?: number;
  /** the kind of notion it is priced as */
  readonly sold?: Sold;
}

export interface Estimate {
  readonly lines: readonly EstimateLine[];
  /** minutes of all work, also of what has no rate */
  readonly minutes: number;
  /** each part with the house’s share in it, as the client reads it; parts that are nothing are left out */
  readonly sums: readonly { readonly part: EstimatePart; readonly amount: number; readonly share: number }[];
  /** all lines and shares; null while nothing has a price */
  readonly total: number | null;
  /** what is asked, and what it was moved by from the total: rounded up, or set by a hand */
  readonly asked: number | null;
  readonly moved: { readonly by: number; readonly how: 'rounded' | 'set' } | null;
  readonly deposit: number | null;
  readonly balance: number | null;
  /** what is not in it, a sentence each */
  readonly leaves: readonly string[];
}

/** What an estimate is made of: the whole of the work from the beginning, and what the sheet needs. */
export interface EstimateGround {
  readonly steps: readonly Step[];
  /** false while no sheet can be drafted */
  readonly drafted: boolean;
  readonly notions: readonly Notion[];
  /** the cloths that something is cut from */
  readonly cloths: readonly ClothName[];
  readonly unit: SheetUnit;
  readonly rates: HouseRates;
}

const money = (hundred: number): number => hundred / 100;
const number = (n: number): string => String(Math.round(n * 1000) / 1000);

/** The estimate of an order. Pure; every amount in whole hundredths, so that its lines add up on paper. */
export function estimateOf(ground: EstimateGround, choices: EstimateChoices): Estimate {
  const { rates } = ground;
  const lines = [
    ...ground.steps.map((s) => workLine(s, rates)),
    ...ground.cloths.map((name) => clothLine(name, ground, choices)),
    ...ground.notions.flatMap((n) => notionLine(n, ground, choices) ?? []),
    ...choices.more.map(
      (m, i): EstimateLine => ({
        id: `more-${i + 1}`,
        part: 'more',
        name: m.name,
        quantity: '',
        rate: null,
        of: null,
        amount: money(hundredths(m.amount)),
        why: ['written by hand'],
      }),
    ),
  ];
  const share = (part: EstimatePart) =>
    part === 'work' ? rates.share.work : part === 'more' ? 0 : rates.share.goods;
  const sums = (['work', 'cloth', 'notions', 'more'] as const).flatMap((part) => {
    const bare = lines
      .filter((l) => l.part === part && l.amount !== null)
      .reduce((sum, l) => sum + hundredths(l.amount!), 0);
    const added = hundredths((money(bare) * share(part)) / 100);
    return bare === 0 ? [] : [{ part, amount: money(bare + added), share: money(added) }];
  });
  const total = sums.length === 0 ? null : sums.reduce((all, s) => all + hundredths(s.amount), 0);
  const asked =
    choices.asked !== null ? hundredths(choices.asked) : total === null ? null : upTo(total, rates.step);
  const deposit =
    asked === null
      ? null
      : Math.min(
          asked,
          choices.deposit !== null
            ? hundredths(choices.deposit)
            : upTo(hundredths((money(asked) * rates.deposit) / 100), rates.step),
        );
  const by = asked === null || total === null ? 0 : asked - total;
  return {
    lines,
    minutes: lines.reduce((sum, l) => sum + (l.minutes ?? 0), 0),
    sums,
    total: total === null ? null : money(total),
    asked: asked === null ? null : money(asked),
    moved:
      choices.asked !== null
        ? { by: money(by), how: 'set' }
        : by === 0
          ? null
          : { by: money(by), how: 'rounded' },
    deposit: deposit === null ? null : money(deposit),
    balance: asked === null || deposit === null ? null : money(asked - deposit),
    leaves: leftOutOf(ground, choices, lines),
  };
}

/** Of a hand that may have any of several skills the first that has a rate counts, as they are named. */
const rateOf = (hand: readonly Skill[], rates: HouseRates): { skill: Skill; rate: number | null } => {
  const skill = hand.find((s) => rates.hour[s] !== undefined) ?? hand[0]!;
  return { skill, rate: rates.hour[skill] ?? null };
};

function workLine(step: Step, rates: HouseRates): EstimateLine {
  const hands = step.hands.map((h) => rateOf(h, rates));
  const known = hands.every((h) => h.rate !== null);
  const rate = hundredths(hands.reduce((sum, h) => sum + (h.rate ?? 0), 0));
  return {
    id: `work-${step.id}`,
    part: 'work',
    name: step.name,
    quantity: `${hoursWord(step.minutes)}${hands.length > 1 ? `, ${hands.length} hands` : ''}`,
    rate: known ? money(rate) : null,
    of: 'hour',
    amount: known ? money(hundredths((step.minutes * money(rate)) / 60)) : null,
    why: [
      ...step.why,
      `${known ? 'the rate' : 'no rate is set'} of ${hands.map((h) => h.skill).join(' and ')}`,
    ],
    minutes: step.minutes * hands.length,
  };
}

/** "2.65 m", "2 7⁄8 yd": how cloth is bought. */
function lengthWord(length: number, unit: SheetUnit): string {
  if (unit === 'cm') return `${number(metres(length, 'cm'))} m`;
  // A yard in eighths prints as an inch in eighths does.
  return `${printLength(inches(metres(length, 'in')), 'in')} yd`;
}
const perLength = (unit: SheetUnit) => (unit === 'cm' ? 'metre' : 'yard');

function clothLine(name: ClothName, g: EstimateGround, c: EstimateChoices): EstimateLine {
  const n = g.notions.find((k) => k.name === name);
  const own = c.cloths.find((k) => k.name === name);
  // A cloth of which the sheet tells nothing is bought as the others are.
  const unit = (n ?? g.notions.find(isCloth))?.bought ?? g.unit;
  const length = n?.length ?? null;
  const quantity = own?.quantity ?? (length === null ? null : metres(length, unit));
  const rate = own?.theirs ? null : (own?.price ?? null);
  return {
    id: `cloth-${name.replaceAll(' ', '-')}`,
    part: 'cloth',
    name,
    quantity:
      own?.quantity != null
        ? `${number(own.quantity)} ${unit === 'cm' ? 'm' : 'yd'}`
        : length === null
          ? ''
          : lengthWord(length, unit),
    rate,
    of: perLength(unit),
    amount: rate === null || quantity === null ? null : money(hundredths(quantity * rate)),
    why: [
      n
        ? formatSentence(n.note, g.unit)
        : 'the sheet cannot tell how much: say its width in the brief, or keep a lay of it',
      ...(own?.quantity == null ? [] : ['how much is bought was written by hand']),
      ...(own?.theirs ? ['the client brings it'] : []),
    ],
  };
}

function notionLine(n: Notion, g: EstimateGround, c: EstimateChoices): EstimateLine | null {
  const bought = boughtAs(n, g.unit);
  if (!bought) return null;
  const own = c.notions.find((k) => k.name === n.name);
  const unit = n.bought ?? g.unit;
  const byLength = SOLD[bought.as].by === 'length';
  const quantity = own?.quantity ?? bought.quantity;
  const rate = own?.price ?? g.rates.notions[bought.as] ?? null;
  return {
    id: `notion-${n.name.replace(/[^a-z0-9]+/g, '-')}`,
    part: 'notions',
    name: n.name,
    quantity:
      quantity === null
        ? ''
        : byLength
          ? `${number(quantity)} ${unit === 'cm' ? 'm' : 'yd'}`
          : number(quantity),
    rate,
    of: byLength ? perLength(unit) : 'piece',
    amount: rate === null || quantity === null ? null : money(hundredths(quantity * rate)),
    why: [
      [n.length === null ? '' : printWithUnit(n.length, unit), formatSentence(n.note, g.unit)]
        .filter(Boolean)
        .join(', '),
      own?.price == null
        ? `priced as ${SOLD[bought.as].name}, ${rate === null ? 'for which the studio has no price' : 'the studio’s price'}`
        : 'priced for this order',
      ...(own?.quantity == null ? [] : ['counted by hand']),
    ],
    sold: bought.as,
  };
}

const capital = (text: string): string => `${text[0]!.toUpperCase()}${text.slice(1)}`;
/** "silk, lining and buttons": names in a row. */
const listed = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

function leftOutOf(g: EstimateGround, c: EstimateChoices, lines: readonly EstimateLine[]): string[] {
  const without = (part: EstimatePart) => lines.filter((l) => l.part === part && l.amount === null);
  const theirs = new Set(c.cloths.filter((k) => k.theirs).map((k) => k.name as string));
  const cloths = without('cloth');
  const skills = [
    ...new Set(
      g.steps
        .flatMap((s) => s.hands.map((h) => rateOf(h, g.rates)))
        .flatMap((h) => (h.rate === null ? [h.skill] : [])),
    ),
  ];
  const unpaid = without('work');
  const counted = without('notions').filter((l) => l.quantity === '');
  const unpriced = without('notions').filter((l) => l.quantity !== '');
  const written = new Set(c.cloths.filter((k) => k.quantity !== null).map((k) => k.name as string));
  const laidInRows = g.notions
    .filter((n) => isCloth(n) && !isLaid(n) && !written.has(n.name))
    .map((n) => n.name);
  return [
    ...(g.drafted
      ? []
      : [
          'No sheet can be drafted yet: the work is reckoned as a plain lined skirt, cloth and notions are not in it.',
        ]),
    ...(unpaid.length > 0
      ? [
          `No rate is set for ${listed(skills)}: ${hoursWord(unpaid.reduce((sum, l) => sum + (l.minutes ?? 0), 0))} are not in it (${listed(unpaid.map((l) => l.name))}).`,
        ]
      : []),
    ...cloths
      .filter((l) => theirs.has(l.name))
      .map((l) => `The client brings the ${l.name}${l.quantity ? `, ${l.quantity}` : ''}.`),
    ...cloths
      .filter((l) => !theirs.has(l.name))
      .map((l) =>
        l.quantity === ''
          ? `How much ${l.name} it takes is not known yet: it is not in it.`
          : `The ${l.name} has no price yet: ${l.quantity} are not in it.`,
      ),
    ...(counted.length > 0 ? [`How many it takes is not known: ${listed(counted.map((l) => l.name))}.`] : []),
    ...(unpriced.length > 0 ? [`These have no price yet: ${listed(unpriced.map((l) => l.name))}.`] : []),
    ...(laidInRows.length > 0
      ? [`${capital(listed(laidInRows))}: reckoned in rows; laid out it may take less.`]
      : []),
    'Changes to the design, and alterations that are asked for later, are agreed by themselves.',
    'Taxes and duties are in it as far as they are in the rates and prices it is reckoned with.',
  ];
}
