import { STALE_AFTER } from '../checks/stale.ts';
import { DEFAULT_HOUSE } from '../garment/house.ts';
import { TAPE_WALKS, WALKED } from '../garment/measuring.ts';
import { ALLOWANCE_NAME, ALLOWANCES, type AllowanceId } from '../garment/tables/allowances.ts';
import { EASE_ZONES, FIT_CLASSES, WORKROOM } from '../garment/tables/fit.ts';
import { LEVEL_RULES, SCHOOL_CHOICES, SCHOOL_MATTERS } from '../measures/schools.ts';
import { DANGER_DAYS } from '../thread/danger.ts';
import { STAGE_WORD, type Stage } from '../thread/stage.ts';
import { cm, type SheetUnit } from '../units/length.ts';
import { formatSentence, printByHand, say } from '../units/print.ts';
import { INCH_ROUNDING } from '../units/rounding.ts';
import { ROUNDING_CHOICES, roundingWord } from '../units/rounding-choices.ts';

/** One rule the house may set for itself. */
export interface RuleCell {
  /** where it lies in the house's rules: "ease.bust.fitted" */
  readonly path: string;
  /** as it is called by itself: "ease, bust, fitted" */
  readonly name: string;
  readonly kind: 'length' | 'number' | 'choice';
  /** what holds until the house says otherwise; for a choice its value */
  readonly usual: string;
  /** what a number counts */
  readonly of?: 'days' | 'degrees' | 'darts';
  readonly options?: readonly { readonly value: string; readonly label: string }[];
}
export interface RuleTable {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  readonly columns: readonly string[];
  readonly rows: readonly { readonly label: string; readonly cells: readonly RuleCell[] }[];
}

type Cell = Omit<RuleCell, 'name'>;
const length = (path: string, usual: string | number): Cell => ({
  path,
  kind: 'length',
  usual: typeof usual === 'number' ? `${usual} cm` : usual,
});
const days = (path: string, usual: number): Cell => ({
  path,
  kind: 'number',
  of: 'days',
  usual: String(usual),
});
const choice = (path: string, usual: string, options: readonly (readonly [string, string])[]): Cell => ({
  path,
  kind: 'choice',
  usual,
  options: options.map(([value, label]) => ({ value, label })),
});
const words = (id: string) => id.replaceAll('-', ' ');

/** A table of one column, or of several. */
function table(
  id: string,
  name: string,
  says: string,
  rows: readonly (readonly [label: string, ...cells: Cell[]])[],
  columns: readonly string[] = ['Here'],
): RuleTable {
  return {
    id,
    name,
    says,
    columns,
    rows: rows.map(([label, ...cells]) => ({
      label,
      cells: cells.map((c, i) => ({
        ...c,
        name: [name.toLowerCase(), label, ...(columns.length > 1 ? [columns[i]] : [])].join(', '),
      })),
    })),
  };
}

const { balance, hipDrop, shape } = DEFAULT_HOUSE;

/** Everything the house goes by besides its diary, as tables that can be read: what they hold is in the house's rules. */
export const RULE_TABLES: readonly RuleTable[] = [
  table(
    'ease',
    'Wearing ease',
    `Whole girth, added to the body. A figure set here counts in both charts; what hangs from the waist takes ${say(2.5)} there past fitted.`,
    EASE_ZONES.map((zone) => [
      words(zone),
      ...FIT_CLASSES.map((fit) => length(`ease.${zone}.${fit}`, WORKROOM[zone][fit])),
    ]),
    FIT_CLASSES.map((fit) => fit.replace('very-', 'very ').replace('second-', 'second ')),
  ),
  table(
    'allowances',
    'Allowances',
    `Beyond the seam line. A side seam set here holds for close garments and for letting out too, which otherwise have ${say(2.5)} and ${say(3)}.`,
    Object.entries(ALLOWANCES).map(([id, cm]) => [
      ALLOWANCE_NAME[id as AllowanceId],
      length(`allowances.${id}`, cm),
    ]),
  ),
  table(
    'darts',
    'Waist darts of a skirt',
    'Leave the count empty to follow the rule: the side seam first, then one dart or two. Enter count and intake together.',
    (['front', 'back'] as const).map((face) => [
      `${face} quarter`,
      { path: `darts.${face}.count`, kind: 'number', of: 'darts', usual: 'by the rule' },
      length(`darts.${face}.intake`, 'by the rule'),
    ]),
    ['Darts', 'Intake of each'],
  ),
  table(
    'balance',
    'Balance',
    'Moved from each back quarter to the front quarter; below 0, to the back. Only where no front arc was measured.',
    (['bust', 'waist', 'hip'] as const).map((zone) => [zone, length(`balance.${zone}`, balance[zone])]),
  ),
  table('shape', 'Lines of the draft', 'Used where nothing was measured, and how a skirt’s waist lies.', [
    ['hip below the waist', length('hipDrop', hipDrop)],
    ['waist rises at the side', length('shape.sideRise', shape.sideRise)],
    ['waist drops at centre back', length('shape.backDrop', shape.backDrop)],
    ['centre back shaped in, with a zip', length('shape.centreIn', shape.centreIn)],
    [
      'slope of a shoulder',
      { path: 'shape.slope', kind: 'number', of: 'degrees', usual: String(shape.slope) },
    ],
    ['width of the neck', length('shape.neckWidth', shape.neckWidth)],
    ['crotch extension, more in front and less behind', length('shape.forkForward', shape.forkForward)],
  ]),
  table('rounding', 'Rounding', 'Once, for the hand that marks.', [
    [
      'marked figures',
      {
        path: 'rounding',
        kind: 'choice',
        usual: roundingWord(DEFAULT_HOUSE.rounding),
        options: ROUNDING_CHOICES,
      },
    ],
    [
      'front and back',
      choice('pairing', 'each', [
        ['each', 'each by itself'],
        ['pair', 'as a pair, to keep the girth'],
      ]),
    ],
    [
      'a waistband',
      choice('band', 'marked', [
        ['marked', 'as long as the marked waist'],
        ['eased', `as the finished waist, up to ${say(1)} eased on`],
      ]),
    ],
    [
      'zips are bought',
      choice('zips', '', [
        ['', 'in the unit of the hand'],
        ['cm', 'in centimetres'],
        ['in', 'in inches'],
      ]),
    ],
  ]),
  table(
    'schools',
    'Ways of measuring',
    'What a session starts with; each can choose otherwise. The sheet converts from measurements of one session only, and says how.',
    SCHOOL_MATTERS.map((matter) => [
      SCHOOL_CHOICES[matter].name.toLowerCase(),
      choice(
        `schools.${matter}`,
        SCHOOL_CHOICES[matter].of[0],
        SCHOOL_CHOICES[matter].of.map((c) => [c, c] as const),
      ),
    ]),
  ),
  table(
    'levels',
    'Where waist and hip are taken',
    'What a session starts with; each can choose otherwise.',
    (['waist', 'hip'] as const).map((l) => [
      LEVEL_RULES[l].name.toLowerCase(),
      choice(
        `levels.${l}`,
        LEVEL_RULES[l].of[0],
        LEVEL_RULES[l].of.map((c) => [c, c] as const),
      ),
    ]),
  ),
  table(
    'tape',
    'Measuring order',
    'The order of measurements, on screen and on paper. Two regions in one place keep their usual order.',
    [
      [
        'the walk',
        choice(
          'tape.walk',
          TAPE_WALKS[0],
          TAPE_WALKS.map((w) => [w, w] as const),
        ),
      ],
      ...WALKED.map((region, i): [string, Cell] => [
        region,
        choice(
          `tape.places.${region}`,
          String(i + 1),
          WALKED.map((_, n) => [String(n + 1), `place ${n + 1}`] as const),
        ),
      ]),
    ],
  ),
  table('ages', 'Age of measurements', 'Days until the sheet asks for new measurements.', [
    ['as a rule', days('ages.usual', STALE_AFTER.usual)],
    ['for a close garment', days('ages.close', STALE_AFTER.close)],
    ['after a reported change', days('ages.changed', STALE_AFTER.changed)],
  ]),
  table(
    'leads',
    'Lead times',
    'Days before the due date on which an order with this status is at risk.',
    Object.entries(DANGER_DAYS).map(([stage, lead]) => [
      STAGE_WORD[stage as Stage],
      days(`leads.${stage}`, lead),
    ]),
  ),
];

/** Every rule by where it lies. */
export const RULE_CELLS: ReadonlyMap<string, RuleCell> = new Map(
  RULE_TABLES.flatMap((t) => t.rows.flatMap((r) => r.cells)).map((c) => [c.path, c]),
);

/** What is usual in a studio of this unit: one that measures in inches marks in eighths until it says otherwise. */
export const usualIn = (cell: RuleCell, unit: SheetUnit): string =>
  cell.path === 'rounding' && unit === 'in' ? roundingWord(INCH_ROUNDING) : cell.usual;

/** A rule's value in words: "5 cm", "28 days", "nearest 0.5 cm". What the house wrote stands as written; what is usual in the unit. */
export function ruleWords(cell: RuleCell, value: string, unit: SheetUnit): string {
  if (cell.kind === 'choice')
    return formatSentence(cell.options?.find((o) => o.value === value)?.label ?? value, unit);
  if (cell.kind === 'length' && value === cell.usual) {
    const length = /^-?[\d.]+ cm$/.test(value) ? Number.parseFloat(value) : null;
    return length === null ? value : printByHand(cm(length), unit);
  }
  return cell.of && cell.of !== 'darts' && value !== '' ? `${value} ${cell.of}` : value;
}
