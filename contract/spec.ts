import {
  findMeasure,
  formatSentence,
  isTimeZone,
  type Reading,
  readLength,
  resolveAll,
  SCHOOL_CHOICES,
  SOURCES,
  TAPES,
  TARGETS,
  WAYS,
} from '@rocchetto/core';
import { checkReading } from '@rocchetto/core/checks/reading-checks.ts';
import { z } from 'zod';
import { AskedWire, StoredAsked } from './alterations.ts';
import { Instant, IsoDate } from './basics.ts';
import { BriefWire, HouseWire } from './brief.ts';
import { LaidWire } from './laid.ts';
import { BY_HAND, lengthText } from './length.ts';
import { withParts } from './parts.ts';
import { specReading } from './spec-reading.ts';
import { upgradeSpec } from './upgrade.ts';

const short = z.string().max(200).default('');
const date = z.union([z.literal(''), IsoDate]).default('');

const ReadingShape = z.strictObject({
  measure: z
    .string()
    .refine((id) => findMeasure(id) !== undefined, 'There is no measurement with this name.'),
  value: z
    .string()
    .max(60)
    .default('')
    .meta({ description: 'as read, with its unit: "34 3/8 in", "87.3 cm"' }),
  state: z.enum(['read', 'declined', 'skipped']).default('read'),
  way: z.enum(WAYS).default('whole'),
  tape: z.enum(TAPES).default('snug'),
  source: z.enum(SOURCES).default('taken here'),
  by: short,
  at: z.union([z.literal(''), Instant]).default(''),
  reason: short,
  note: short,
});
const SpecReading = ReadingShape.superRefine((r, ctx) => {
  if (r.state !== 'read') return;
  const read = readLength(r.value, 'cm');
  if (!read.ok) ctx.addIssue({ code: 'custom', path: ['value'], message: read.sentence });
  else if (!read.unitGiven)
    ctx.addIssue({
      code: 'custom',
      path: ['value'],
      message: `“${r.value}” has no unit. Write 34 3/8 in or 87.3 cm.`,
    });
});

export const OverrideWire = z.strictObject({
  figure: z.string().max(60),
  target: z.enum(TARGETS),
  value: lengthText({ ...BY_HAND, name: 'overriding figure' }),
  reason: z.string().trim().min(1, 'Enter a reason for setting the figure by hand.').max(500),
  by: short,
  at: short,
});

const Spec = z.strictObject({
  format: z.literal('rocchetto-spec'),
  version: z.literal(2, 'A spec file is of version 1 or 2.'),
  order: z
    .strictObject({
      studio: short,
      number: short,
      client: short,
      what: short,
      occasion: short,
      wornOn: date,
      dueOn: date,
      responsible: short,
    })
    .prefault({}),
  garment: BriefWire.refine((b) => b.parts.length > 0, {
    path: ['parts'],
    message: 'Choose at least one part for the garment.',
  }),
  session: z
    .strictObject({
      date,
      measurer: short,
      scribe: short,
      beneath: short,
      heel: lengthText({ max: 20, name: 'heel' }).nullable().default(null),
      waistRule: short,
      hipRule: short,
      /** how neckline depths and the girths of a sleeve were read, where not in the usual way */
      neckDepth: z.enum(SCHOOL_CHOICES.neckDepth.of).optional(),
      sleeveGirth: z.enum(SCHOOL_CHOICES.sleeveGirth.of).optional(),
      changed: short,
    })
    .prefault({}),
  readings: z.array(SpecReading).max(500),
  house: HouseWire.optional(),
  overrides: z.array(OverrideWire).max(200).default([]),
  accepted: z
    .array(
      z.strictObject({
        code: z.string().max(80),
        sentence: z.string().max(500).optional(),
        by: short,
        at: short,
        reason: z.string().trim().min(1, 'Enter a reason for accepting the warning.').max(500),
      }),
    )
    .max(200)
    .default([]),
  /** changes agreed at a fitting before the cloth was cut, in the order in which they were taken in */
  changes: z
    .array(z.strictObject({ asked: AskedWire, by: short, at: short }))
    .max(100)
    .default([]),
  /** lays that were kept: while they are of the sheet's panels, they say how much cloth to buy */
  laid: z.array(LaidWire).max(5).optional(),
  asOf: date,
  timeZone: z.string().max(60).refine(isTimeZone, 'There is no such time zone.').default('UTC'),
  dateOrder: z.enum(['dmy', 'mdy']).optional(),
});

/** What the tape would have refused outright is refused in a file too, by the same checks. */
function hardFindings(spec: z.infer<typeof Spec>, ctx: z.RefinementCtx) {
  const unread = spec.readings.some((r) => r.state === 'read' && !readLength(r.value, 'cm').ok);
  if (unread) return;
  const readings: Reading[] = spec.readings.map((r, i) => specReading(r, i, spec));
  const measured = resolveAll(readings);
  const nets = new Map([...measured].flatMap(([id, m]) => (m.net === null ? [] : [[id, m.net] as const])));
  const unit = spec.house?.rounding?.unit ?? 'cm';
  const said = new Set<string>();
  for (const [id, m] of measured) {
    const last = m.readings.filter((r) => r.state === 'read').at(-1);
    if (m.net === null || !last?.written) continue;
    for (const f of checkReading({
      measure: m.measure,
      value: m.net,
      written: last.written,
      way: last.way,
      others: nets,
    })) {
      if (f.level !== 'hard' || said.has(f.sentence)) continue;
      said.add(f.sentence);
      ctx.addIssue({
        code: 'custom',
        path: ['readings', readings.findLastIndex((r) => r.measure === id), 'value'],
        message: `${m.measure.name}: ${formatSentence(f.sentence, unit)}`,
      });
    }
  }
}

/** A spec as it was kept: its shape is read, its figures are not judged again by today's checks. */
export const KeptSpec = z.preprocess(
  upgradeSpec,
  Spec.extend({
    readings: z.array(ReadingShape).max(500),
    changes: z.array(z.strictObject({ asked: StoredAsked, by: short, at: short })).default([]),
  }),
);

/** The file `./rocchetto spec` reads and an order imports; version 1 is read too. docs/formats.md tells it in words. */
export const SpecFile = z.preprocess(upgradeSpec, Spec.superRefine(hardFindings));
export type SpecFile = z.infer<typeof SpecFile>;

const isSheet = (v: unknown): v is { spec: unknown } =>
  typeof v === 'object' &&
  v !== null &&
  'spec' in v &&
  (v as { format?: unknown }).format === 'rocchetto-sheet';

/** A spec file, or a sheet file, which holds the spec it was computed from. */
export const SpecOrSheetFile = z.preprocess((v) => (isSheet(v) ? v.spec : v), SpecFile);

/** JSON Schema of the spec file (draft 2020-12), generated from the schema above. */
export const specJsonSchema = () => z.toJSONSchema(Spec, { io: 'input', override: withParts });
