import { findMeasure, type Reading, readLength, SOURCES, TAPES, WAYS } from '@rocchetto/core';
import { z } from 'zod';
import { Instant } from './basics.ts';

const short = z.string().max(500).default('');

/** A reading as it travels and as it is stored: what was read, as it was read, and by whom. */
export const ReadingWire = z
  .strictObject({
    id: z.uuid(),
    measure: z
      .string()
      .refine((id) => findMeasure(id) !== undefined, 'There is no measurement with this name.'),
    state: z.enum(['read', 'declined', 'skipped']),
    written: z
      .strictObject({ value: z.string().max(60), unit: z.enum(['cm', 'in', 'mm']), text: z.string().max(60) })
      .nullable(),
    way: z.enum(WAYS).default('whole'),
    tape: z.enum(TAPES).default('snug'),
    source: z.enum(SOURCES).default('taken here'),
    replaces: z.uuid().nullable().default(null),
    reason: short,
    note: short,
    wroteBy: short,
    at: Instant,
  })
  .superRefine((r, ctx) => {
    if (r.state !== 'read') return;
    if (!r.written) return ctx.addIssue({ code: 'custom', message: 'Enter a figure.' });
    // The exact value must be what the text says, so that no record can say one thing and count another.
    const again = readLength(r.written.text, r.written.unit);
    if (!again.ok) ctx.addIssue({ code: 'custom', message: again.sentence });
    else if (again.written.value !== r.written.value)
      ctx.addIssue({ code: 'custom', message: `“${r.written.text}” does not mean ${r.written.value}.` });
  });
export type ReadingWire = z.infer<typeof ReadingWire>;

/** The wire's reading with its reader's name is core's reading. */
export const toReading = (r: ReadingWire, by: string): Reading => ({ ...r, by });
