import type { Term } from '../figure/figure.ts';
import type { Cm } from '../units/length.ts';
import { say } from '../units/print.ts';

/** How a block is adapted: each step is kept by name with its amount, so that the next garment can start from it. */
export interface Step {
  readonly id: StepId;
  readonly name: string;
  /** the step with its amount, where it is no more and no less of something: `{}` stands for it */
  readonly said?: string;
  /** what its amount is, cm; null where it takes none */
  readonly amount: {
    readonly label: string;
    readonly min: number;
    readonly max: number;
    readonly usual: string;
  } | null;
  /** figures of the part that it adds to, by their names within it */
  readonly figures?: readonly string[];
  /** the field of the part that it adds to, or sets to a choice */
  readonly field?: string;
}

export const STEP_IDS = [
  'longer',
  'neck-wider',
  'neck-deeper',
  'neck-deeper-back',
  'armhole-lower',
  'dart-to',
  'seam-front',
  'seam-back',
  'seam-point',
  'seam-curve',
  'pleat',
  'pleat-out',
  'sleeve-end',
] as const;
export type StepId = (typeof STEP_IDS)[number];

const ROWS: readonly Step[] = [
  {
    id: 'longer',
    name: 'length added',
    amount: { label: 'by', min: -40, max: 60, usual: '3 cm' },
    figures: ['hem-front', 'hem-left', 'hem-right', 'hem-back', 'length', 'below', 'inseam'],
  },
  {
    id: 'neck-wider',
    name: 'neckline wider, each side',
    amount: { label: 'by', min: -3, max: 9, usual: '2 cm' },
    field: 'widen',
  },
  {
    id: 'neck-deeper',
    name: 'neckline deeper in front',
    amount: { label: 'by', min: -10, max: 25, usual: '2 cm' },
    figures: ['neck-front'],
  },
  {
    id: 'neck-deeper-back',
    name: 'neckline deeper at the back',
    amount: { label: 'by', min: -5, max: 35, usual: '2 cm' },
    figures: ['neck-back'],
  },
  {
    id: 'armhole-lower',
    name: 'armhole lowered',
    amount: { label: 'by', min: -2, max: 8, usual: '1.5 cm' },
    figures: ['armhole-depth'],
  },
  { id: 'dart-to', name: 'dart moved to', amount: null, field: 'shaping' },
  {
    id: 'seam-front',
    name: 'seam across the front, below the side-neck',
    said: 'seam across the front, {} below the side-neck',
    amount: { label: 'by', min: 4, max: 110, usual: '12 cm' },
  },
  {
    id: 'seam-back',
    name: 'seam across the back, below the side-neck',
    said: 'seam across the back, {} below the side-neck',
    amount: { label: 'by', min: 4, max: 110, usual: '12 cm' },
  },
  {
    id: 'seam-point',
    name: 'the seam before, pointed: lower at the centre',
    amount: { label: 'by', min: -15, max: 25, usual: '5 cm' },
  },
  {
    id: 'seam-curve',
    name: 'the seam before, curved: lower at the centre',
    amount: { label: 'by', min: -15, max: 25, usual: '3 cm' },
  },
  {
    id: 'pleat',
    name: 'pleat at centre front',
    said: 'pleat of {} at centre front',
    amount: { label: 'width of cloth in it', min: 2, max: 40, usual: '6 cm' },
  },
  {
    id: 'pleat-out',
    name: 'the pleat before, off the centre: one on either side',
    said: 'the pleat before, {} from the centre on either side',
    amount: { label: 'from the centre', min: 2, max: 30, usual: '6 cm' },
  },
  {
    id: 'sleeve-end',
    name: 'sleeve end shaped, its middle shorter',
    said: 'sleeve end shaped, its middle {} shorter',
    amount: { label: 'by', min: 0.5, max: 8, usual: '2 cm' },
  },
];
export const STEPS: Readonly<Record<StepId, Step>> = Object.fromEntries(
  ROWS.map((r) => [r.id, r]),
) as unknown as Record<StepId, Step>;

/** A step as a brief holds it. `part` is the part's place in the brief. */
export interface StepTaken {
  readonly step: StepId;
  readonly part: number;
  /** cm; null for a step that takes none */
  readonly amount: Cm | null;
  /** the choice that the field is set to, for a step that sets one */
  readonly to: string;
}

/** A step in words, without its part: “2. neckline wider, each side +2 cm”, “3. the dart moved to the shoulder”. */
export function stepWords(s: StepTaken, i: number, chosen?: string): string {
  const { name, said } = STEPS[s.step];
  const by = s.amount === null ? '' : say(s.amount);
  const says =
    s.amount === null
      ? (chosen ?? `${name} ${s.to}`)
      : (said?.replace('{}', by) ?? `${name} ${s.amount > 0 ? '+' : ''}${by}`);
  return `${i + 1}. ${says}`;
}

/** What the steps add to one figure of a part, as terms. */
export const stepTerms = (steps: readonly StepTaken[], part: number, figure: string): Term[] =>
  steps.flatMap((s, i) =>
    s.part === part && s.amount !== null && STEPS[s.step].figures?.includes(figure)
      ? [
          {
            kind: 'style' as const,
            label: `step ${i + 1}, ${STEPS[s.step].name}`,
            cm: s.amount,
            because: 'The block was adapted so; take the step out of the brief to undo it.',
          },
        ]
      : [],
  );
