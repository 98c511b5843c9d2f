import { bodyTerms, term } from '../../figure/build.ts';
import { pass, type RawCheck, warn } from '../../figure/check.ts';
import type { Term } from '../../figure/figure.ts';
import { type Cm, cm } from '../../units/length.ts';
import { say as p } from '../../units/print.ts';
import { choice, type Fields } from '../fields.ts';
import type { Leaves, ReadAt } from '../leaves.ts';
import type { PartContext, Wants } from '../part.ts';
import { easeOf } from './ease-of.ts';

/** From where a length that is wanted counts. */
export const LENGTH_FROM = {
  lengthFrom: choice('Length measured from', [
    ['waist', 'the waist'],
    ['neck', 'the side-neck, over the bust'],
    ['nape', 'the nape'],
    ['floor', 'the floor up, in the shoes of the day'],
  ]),
  clear: {
    kind: 'length',
    label: 'Hem above the floor',
    min: 0,
    max: 120,
    default: '3 cm',
    when: { field: 'lengthFrom', is: ['floor'] },
  },
} as const satisfies Fields;
/** A length field beside it is asked where the floor does not say it. */
export const NOT_BY_FLOOR = { field: 'lengthFrom', is: ['waist', 'neck', 'nape'] } as const;

/** What a brief says of a length. Lengths cm. */
export interface LengthValues {
  readonly length: Cm | null;
  readonly lengthFrom?: string;
  readonly clear?: Cm;
}

/** From which reading a length hangs that does not begin at the waist. */
const BY: Readonly<Record<string, { readonly reading: string; readonly name: string }>> = {
  neck: { reading: 'neck-to-waist-front', name: 'The side-neck to the waist, front,' },
  nape: { reading: 'nape-to-waist', name: 'The nape to the waist' },
  floor: { reading: 'waist-to-floor', name: 'The waist to the floor' },
};

/** How much higher she stands than she was read in, by the heels of the day and of the session, cm. */
export function heelMore(c: Pick<PartContext, 'input'>): Cm {
  const { brief, session } = c.input;
  return cm(brief.heel === null ? 0 : brief.heel - (session.heel ?? 0));
}

/** The floor from the waist in the shoes of the day, less what the hem clears, as terms; null where it was not read. */
export function aboveFloor(c: PartContext, clear: Cm): readonly Term[] | null {
  const floor = c.measured.get('waist-to-floor');
  return floor?.net == null
    ? null
    : [...bodyTerms(floor), ...heelTerm(c), term('take', 'the hem above the floor', -clear, 'As briefed.')];
}

/** What a hem that counts from the floor leaves open while the shoes are not known. */
export const shoesUnknown = (c: PartContext, figure: string): RawCheck[] =>
  c.input.brief.heel === null
    ? [
        pass(
          c.id('shoes'),
          figure,
          'No heel was given: the hem goes by the floor as it was read. Level it in the shoes that will be worn.',
        ),
      ]
    : [];

const heelTerm = (c: PartContext): Term[] => {
  const more = heelMore(c);
  const { heel } = c.input.session;
  return more === 0
    ? []
    : [
        term(
          'add',
          'the heel of the day',
          more,
          `Worn with a heel of ${p(c.input.brief.heel!)}, read ${heel ? `in one of ${p(heel)}` : 'barefoot'}.`,
        ),
      ];
};

/** The way from the neck to the waist with the ease that lies in it, taken off a length from the neck. */
export function lessWay(c: PartContext, toWaist: string): Term | null {
  const m = c.measured.get(toWaist);
  if (m?.net == null) return null;
  // A skirt by itself has no bodice in which that ease would lie.
  const flat = c.hang === 'waist' || c.input.brief.parts.some((q) => q.plan === 'heights');
  const ease = flat ? cm(0) : easeOf(c, 'neck-to-waist').cm;
  const name = m.measure.name;
  return term(
    'take',
    'the way to the waist',
    -m.net - ease,
    `${name[0]!.toUpperCase()}${name.slice(1)} as read${ease > 0 ? `, and its ease of ${p(ease)}` : ''}.`,
  );
}

/** What the brief's length comes to below the waist, as terms; null where it gives none, or it hangs from what was not read. */
export function belowWanted(
  c: PartContext,
  v: LengthValues,
  because = 'As briefed.',
): readonly Term[] | null {
  const from = v.lengthFrom ?? 'waist';
  if (from === 'floor') return aboveFloor(c, v.clear ?? cm(0));
  if (v.length === null) return null;
  const own = term('style', 'length wanted', v.length, because);
  if (from === 'waist') return [own];
  const way = lessWay(c, BY[from]!.reading);
  return way && v.length + way.cm > 0 ? [own, way] : null;
}

/** Why a wanted length gives none below the waist. */
export const lengthLacks = (c: PartContext, v: LengthValues): string => {
  const by = BY[v.lengthFrom ?? 'waist'];
  if (!by || (v.length === null && v.lengthFrom !== 'floor'))
    return 'No length was measured and the brief gives none.';
  return c.measured.get(by.reading)?.net == null
    ? `${by.name} was not measured, from which the brief’s length hangs.`
    : 'The brief’s length ends above the waist.';
};

const fromOf = (values: unknown): string => (values as LengthValues).lengthFrom ?? 'waist';

/** What a length that does not begin at the waist wants read besides. */
export function lengthWants(values: unknown): Wants {
  const by = BY[fromOf(values)];
  return { needs: by ? [by.reading] : [], helps: [] };
}

/** What a part leaves, but for the reading that its length hangs from, while the hem itself was not read. */
export function lengthKeeps(c: ReadAt, values: unknown, leaves: Leaves): Leaves {
  const reading = BY[fromOf(values)]?.reading;
  const read = ['front', 'left', 'right', 'back'].some((s) => c.measured.get(`hem-${s}`)?.net != null);
  if (!reading || read) return leaves;
  return Object.fromEntries(Object.entries(leaves).filter(([id]) => id !== reading));
}

/** What a length that does not begin at the waist leaves open: the shoes are not known, or it ends above the waist. */
export function lengthChecks(c: PartContext, values: unknown, figure: string): RawCheck[] {
  const v = values as LengthValues;
  const from = fromOf(values);
  if (from === 'waist') return [];
  const own = c.id(figure);
  if (from === 'floor') return shoesUnknown(c, own);
  const way = lessWay(c, BY[from]!.reading);
  return way && v.length !== null && v.length + way.cm <= 0
    ? [
        warn(
          c.id('length-short'),
          own,
          `A length of ${p(v.length)} ends above the waist, which lies ${p(cm(-way.cm))} down: give a longer one, or measure it from the waist.`,
        ),
      ]
    : [];
}
