import { type Cm, cm, readLength } from '@rocchetto/core';
import { z } from 'zod';

const UNIT_MISSING = 'Write the unit too, for example 24 1/2 in or 62 cm.';

/** Reads a length text of a file or form: a number with its unit, zero and a leading minus allowed. */
function parse(text: string): { ok: true; cm: Cm } | { ok: false; sentence: string } {
  const bare = text.trim();
  const negative = /^[-−]/.test(bare);
  const result = readLength(negative ? bare.slice(1) : bare, 'cm');
  if (!result.ok) {
    if (result.code === 'zero') return { ok: true, cm: cm(0) };
    return { ok: false, sentence: result.sentence };
  }
  if (!result.unitGiven) return { ok: false, sentence: `“${bare}” has no unit. ${UNIT_MISSING}` };
  return { ok: true, cm: cm(negative ? -result.cm : result.cm) };
}

interface Bounds {
  readonly min?: number;
  readonly max?: number;
  readonly name: string;
}

/** A length written with its unit ("62 cm", "24 ½ in"), kept as written. Bounds in cm. */
export const lengthText = ({ min = 0, max = 1000, name }: Bounds) =>
  z
    .string()
    .max(60)
    .superRefine((text, ctx) => {
      const result = parse(text);
      if (!result.ok) ctx.addIssue({ code: 'custom', message: result.sentence });
      else if (result.cm < min || result.cm > max)
        ctx.addIssue({
          code: 'custom',
          message: `The ${name} must lie between ${min} and ${max} cm; “${text}” does not.`,
        });
    })
    .meta({ description: `${name}: a number with its unit, such as "62 cm", "24 1/2 in" or "620 mm"` });

/** The cm of a text that `lengthText` has passed. @throws RangeError for one it would not pass. */
export function toCm(text: string): Cm {
  const result = parse(text);
  if (!result.ok) throw new RangeError(result.sentence);
  return result.cm;
}
