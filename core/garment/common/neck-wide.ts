import { bodyTerms, term } from '../../figure/build.ts';
import { missing, type RawCheck, warn } from '../../figure/check.ts';
import type { Figure, Term } from '../../figure/figure.ts';
import { type Cm, cm } from '../../units/length.ts';
import { say as p } from '../../units/print.ts';
import { choice, type Fields } from '../fields.ts';
import type { PartContext } from '../part.ts';

/** A neckline is widened where it goes by the neck; one with a width of its own has that. */
export const BY_NECK = { field: 'neckBy', is: ['neck'] } as const;
/** How wide a neckline is: the neck's own width and what it is widened, or a width of its own. */
export const NECK_WIDE = {
  neckBy: choice('Neckline width', [
    ['neck', 'the neck’s, widened'],
    ['width', 'a width wanted'],
    ['girth', 'half the girth of the neck'],
  ]),
  neckWide: {
    kind: 'length',
    label: 'Neckline width wanted',
    hint: 'straight across, from side to side',
    min: 10,
    max: 46,
    default: '20 cm',
    when: { field: 'neckBy', is: ['width'] },
  },
} as const satisfies Fields;

/** The same with what the neck's own width is widened by, up to `most` cm. */
export const widened = <const D extends string>(usual: D, most: number) =>
  ({
    ...NECK_WIDE,
    widen: {
      kind: 'length',
      label: 'Neckline widened, each side',
      min: 0,
      max: most,
      default: usual,
      when: BY_NECK,
    },
  }) as const satisfies Fields;

/** What a brief says of a neckline's width, cm. */
export interface NeckWide {
  readonly neckBy: string;
  readonly neckWide: Cm;
  /** each side, along the shoulder */
  readonly widen: Cm;
}

/** Half of the neckline's own width as terms; null where it goes by the neck's width, or by a girth that was not read. */
function ownHalf(c: PartContext, v: NeckWide): readonly Term[] | null {
  const half = (of: number) => term('share', 'half of it', -of / 2, 'The panel is half a front or back.');
  if (v.neckBy === 'width')
    return [
      term('style', 'neckline width wanted', v.neckWide, 'As briefed, straight across.'),
      half(v.neckWide),
    ];
  const girth = c.measured.get('neck-base');
  if (v.neckBy !== 'girth' || girth?.net == null) return null;
  return [
    ...bodyTerms(girth),
    term(
      'share',
      'half of it',
      -girth.net / 2,
      'The neckline is half as wide as the neck is round, as briefed.',
    ),
    half(girth.net / 2),
  ];
}

/**
 * The neckline's width of its own, half, as a figure where there is one, and how far each side lies beyond the neck along
 * the shoulder, cm. `slope`: of the shoulder, degrees. `make` builds a figure of the part.
 */
export function neckOpening(
  c: PartContext,
  v: NeckWide,
  { neckHalf, slope }: { readonly neckHalf: Figure; readonly slope: number },
  make: (id: string, name: string, terms: readonly Term[]) => Figure,
): { readonly figures: readonly Figure[]; readonly widen: Cm } {
  const terms = ownHalf(c, v);
  if (!terms || neckHalf.marked === null) return { figures: [], widen: v.widen };
  const open = make('neck-open', 'neckline, half of its width', terms);
  const beyond = ((open.marked ?? neckHalf.marked) - neckHalf.marked) / Math.cos((slope * Math.PI) / 180);
  return { figures: [open], widen: cm(beyond) };
}

/** A shoulder is left at least this long, cm (own choice): less holds nothing. */
const LEAST_SHOULDER = 2;

/** A neckline narrower than the neck, or one that leaves no shoulder. `figures`: those of the part. */
export function neckWideChecks(c: PartContext, v: NeckWide, figures: readonly Figure[]): RawCheck[] {
  const marked = (id: string) => figures.find((f) => f.id === c.id(id))?.marked ?? null;
  const [open, neck, shoulder] = [marked('neck-open'), marked('neck-half'), marked('shoulder')];
  if (v.neckBy === 'girth' && open === null)
    return [
      missing(
        c.id('neck-girth'),
        c.id('neck-half'),
        'The girth of the neck at its base was not measured, by which the neckline goes: it is drafted as wide as the neck.',
      ),
    ];
  if (open === null || neck === null) return [];
  if (open < neck - NECK_STEP)
    return [
      warn(
        c.id('neck-narrow'),
        c.id('neck-open'),
        `A neckline ${p(cm(2 * open))} wide is narrower than the neck, ${p(cm(2 * neck))}: it would lie up the neck. Give it more width.`,
      ),
    ];
  return shoulder !== null && shoulder >= LEAST_SHOULDER
    ? []
    : [
        warn(
          c.id('neck-too-wide'),
          c.id('neck-open'),
          `A neckline ${p(cm(2 * open))} wide leaves ${shoulder === null ? 'no' : `only ${p(shoulder)} of`} shoulder to hang from: make it narrower.`,
        ),
      ];
}
/** A neckline may be so much narrower than half the neck as it is marked, cm: a step of rounding. */
const NECK_STEP = 0.3;
