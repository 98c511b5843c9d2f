import { z } from 'zod';
import { parseLength } from './parse-length.ts';

interface Bounds {
  readonly min?: number;
  readonly max?: number;
  readonly name: string;
}

/** What a figure may be set to by hand, cm: a side seam may run outward, the hem of a gown is ten metres and more. */
export const BY_HAND = { min: -20, max: 2000 } as const;

/** A length written with its unit ("62 cm", "24 1⁄2 in"), kept as written. Bounds in cm. */
export const lengthText = ({ min = 0, max = 1000, name }: Bounds) =>
  z
    .string()
    .max(60)
    .superRefine((text, ctx) => {
      const result = parseLength(text);
      if (!result.ok) ctx.addIssue({ code: 'custom', message: result.sentence });
      else if (result.cm < min || result.cm > max)
        ctx.addIssue({
          code: 'custom',
          message: `The ${name} must be between ${min} and ${max} cm; “${text}” is not.`,
        });
    })
    .meta({ description: `${name}: a number with its unit, such as "62 cm", "24 1/2 in" or "620 mm"` });
