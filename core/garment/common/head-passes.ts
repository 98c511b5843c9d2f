import { judge, type RawCheck } from '../../figure/check.ts';
import { type Cm, cm } from '../../units/length.ts';
import { say as p } from '../../units/print.ts';
import type { PartContext } from '../part.ts';

/** A head girth where none was read, cm (usual, no source). */
const USUAL_HEAD = cm(57);

/**
 * Whether a neckline that does not open lets the head through, by its seam and by half of what the cloth gives.
 * `round`: the whole neckline as sewn, cm; `opens`: stretched, where the part knows; `cure`: what a hand would do.
 */
export function headPasses(
  c: PartContext,
  round: Cm,
  {
    opens = cm(round * (1 + c.input.brief.cloth.stretch / 200)),
    cure,
    figure,
  }: { readonly opens?: Cm; readonly cure: string; readonly figure: string },
): RawCheck {
  const read = c.measured.get('head')?.net ?? null;
  const head = read ?? USUAL_HEAD;
  const passes = opens >= head - 1e-6;
  const half = c.input.brief.cloth.stretch > 0 ? `, ${p(opens)} when half of its stretch is used` : '';
  return judge(
    passes,
    c.id('head'),
    figure,
    `The neckline is ${p(round)}${half}; the head ${read === null ? `was not measured, ${p(head)} is usual` : p(head)}: ${passes ? 'it passes' : `it does not pass; ${cure}`}.`,
  );
}

/** The same of a bodice that opens where no head goes through: at its left side. */
export const headThroughNeck = (c: PartContext, neck: Cm | null | undefined): RawCheck[] =>
  c.opens !== 'left-side' || neck == null
    ? []
    : [
        headPasses(c, neck, {
          figure: c.id('neck-front'),
          cure: 'open it at the centre back or the centre front, or widen or deepen the neckline',
        }),
      ];
