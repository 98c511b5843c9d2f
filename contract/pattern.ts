import type { Change } from '@rocchetto/core';
import type { Pattern } from '@rocchetto/core/pattern/pattern.ts';
import type { SeamWalked } from '@rocchetto/core/pattern/seam-walk.ts';
import { z } from 'zod';
import { made } from './made.ts';

const choice = z.enum(['0', '1']).optional();
/** What of an order's pattern is asked for, and on what paper. */
export const PatternQuery = z.object({
  revision: z.coerce.number().pipe(z.int().min(1).max(999_999)).optional(),
  paper: z.enum(['a4', 'a3', 'letter'], 'The paper of a pattern is a4, a3 or letter.').optional(),
  way: z.enum(['portrait', 'landscape'], 'Paper lies portrait or landscape.').optional(),
  /** each piece on sheets of its own */
  apart: choice,
  /** halves on the fold drawn whole */
  opened: choice,
  /** of calico, with wide seams and without what only finishes an edge */
  toile: choice,
  /** a roll so wide, cm, instead of sheets */
  roll: z.coerce
    .number('A roll is 30 to 300 cm wide.')
    .pipe(z.number().min(30, 'A roll is 30 to 300 cm wide.').max(300, 'A roll is 30 to 300 cm wide.'))
    .optional(),
});
export type PatternQuery = z.infer<typeof PatternQuery>;

export const PatternView = z.strictObject({
  order: z.string(),
  revision: z.number(),
  status: z.enum(['draft', 'agreed', 'cut']),
  /** null where nothing can be drafted yet */
  pattern: made<Pattern>().nullable(),
  seams: z.array(made<SeamWalked>()).readonly(),
  /** the studio’s paper, which is printed on where none is asked for */
  paper: z.enum(['a4', 'a3', 'letter']),
  /** how many sheets of the paper asked for, the cover not counted */
  sheets: z.number(),
  /** figures that are drafted otherwise today than on this sheet when it was agreed */
  moved: z.array(made<Change>()).readonly(),
});
export type PatternView = z.infer<typeof PatternView>;
