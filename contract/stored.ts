import { CORDS, type Kept, type Reading, SOURCES, TAPES, USUAL_SCHOOLS, WAYS } from '@rocchetto/core';
import { keepV1, type SheetV1 } from '@rocchetto/core/sheet/earlier/keep-v1.ts';
import { z } from 'zod';
import { StoredAsked } from './alterations.ts';
import { BriefWire, HouseRulesWire, HouseWire, StepsWire } from './brief.ts';
import { SchoolsWire } from './sessions.ts';
import { KeptSpec, OverrideWire, type SpecFile } from './spec.ts';
import { upgradeRules, upgradeSettings } from './upgrade.ts';

// What lies in JSON columns, parsed where it is read. Each shape has a version and a step that brings the earlier forward.

/** What a fitter decided about a sheet, beside brief and readings. */
const Settings = z.strictObject({
  version: z.literal(2),
  house: HouseWire.default({}),
  overrides: z.array(OverrideWire.extend({ id: z.string().max(60) })).default([]),
  accepted: z
    .array(
      z.strictObject({
        code: z.string(),
        sentence: z.string().optional(),
        by: z.string(),
        at: z.string(),
        reason: z.string(),
      }),
    )
    .default([]),
  /** the session the sheet is made from; null takes the order's latest */
  sessionId: z.string().nullable().default(null),
  /** what was decided of changes agreed at a fitting before the cloth is cut: into the sheet, or left for the bench */
  changes: z
    .array(
      z.strictObject({
        alterationId: z.number(),
        to: z.enum(['sheet', 'block', 'bench']),
        asked: StoredAsked,
        by: z.string(),
        at: z.string(),
        /** the steps it brought into the client’s block; null where it was kept before they were */
        steps: StepsWire.nullable().default(null),
      }),
    )
    .default([]),
});
export const StoredSettings = z.preprocess(upgradeSettings, Settings);
export type Settings = z.infer<typeof Settings>;
export const NO_SETTINGS: Settings = {
  version: 2,
  house: {},
  overrides: [],
  accepted: [],
  sessionId: null,
  changes: [],
};

const text = z.string();
const cm = z.number().nullable();
/** The part of a kept sheet that is looked into; the rest is printed and drawn as it stands. */
const KeptFigure = z.looseObject({ id: text, name: text, letter: text, finished: cm, marked: cm });
const KeptV2 = z.looseObject({
  version: z.literal(2),
  figures: z.array(
    KeptFigure.extend({ shares: z.array(z.looseObject({ panel: text, rounded: z.number() })) }),
  ),
  checks: z.array(z.looseObject({ code: text, sentence: text })),
  rounding: z.looseObject({ unit: z.enum(['cm', 'in']) }),
  printed: z.looseObject({ cm: z.looseObject({ figures: z.array(z.unknown()) }), in: z.looseObject({}) }),
  drawn: z.looseObject({ cm: z.looseObject({ views: z.array(z.unknown()) }), in: z.looseObject({}) }),
});
const KeptV1 = z.looseObject({
  input: z.looseObject({ head: z.looseObject({}), brief: z.looseObject({}), house: z.looseObject({}) }),
  figures: z.array(KeptFigure.extend({ front: z.unknown(), back: z.unknown() })),
  checks: z.array(z.looseObject({ code: text })),
  pieces: z.array(z.unknown()),
});
/** A sheet kept when it was agreed; one of version 1 is brought forward as its own day printed and drew it. */
export const StoredKept = z
  .union([KeptV2, KeptV1])
  .transform(
    (k): Kept =>
      'version' in k && k.version === 2 ? (k as unknown as Kept) : keepV1(k as unknown as SheetV1),
  );

/** What lies beside a reading's own columns; without a version it is the first. */
const StoredReading = z.looseObject({
  version: z.literal(1).default(1),
  id: text,
  measure: text,
  state: z.enum(['read', 'declined', 'skipped']),
  written: z
    .looseObject({ value: text, unit: z.enum(['cm', 'in', 'mm']), text })
    .nullable()
    .default(null),
  way: z.enum(WAYS).default('whole'),
  tape: z.enum(TAPES).default('snug'),
  source: z.enum(SOURCES).default('taken here'),
  replaces: text.nullable().default(null),
  reason: text.default(''),
  note: text.default(''),
  by: text.default(''),
  wroteBy: text.default(''),
  at: text,
});
/** What lies beside a session's own columns; without a version it is the first. */
const StoredDetails = z.looseObject({
  version: z.literal(1).default(1),
  measurer: text.default(''),
  scribe: text.default(''),
  beneath: text.default(''),
  heel: text.nullable().default(null),
  waistRule: text.default(''),
  hipRule: text.default(''),
  posture: text.default(''),
  guardian: text.default(''),
  schools: SchoolsWire.default(USUAL_SCHOOLS).catch(USUAL_SCHOOLS),
  seated: z.boolean().default(false),
  cords: z.array(z.enum(CORDS)).default([]),
  consent: z.boolean().default(false),
  changed: text.default(''),
});

export class CannotRead extends Error {
  constructor(what: string, why: z.ZodError) {
    super(`${what} as it is stored cannot be read: ${z.prettifyError(why)}`);
  }
}

/** Parses what a column holds. @throws CannotRead, naming what and where, when it is no such thing */
export function stored<T>(schema: z.ZodType<T>, what: string, value: unknown): T {
  const read = schema.safeParse(value);
  if (!read.success) throw new CannotRead(what, read.error);
  return read.data;
}
const orNull = <T>(schema: z.ZodType<T>, what: string, value: unknown): T | null =>
  value === null || value === undefined ? null : stored(schema, what, value);

export const readBrief = (v: unknown): BriefWire | null => orNull(BriefWire, 'A brief', v);
/** What a saved garment is made of, as a brief writes it. */
export const readParts = (v: unknown): BriefWire['parts'] => stored(BriefWire, 'A saved garment', v).parts;
export const readBlock = (v: unknown): Pick<BriefWire, 'fit' | 'school' | 'parts' | 'steps'> => {
  const { fit, school, parts, steps } = stored(BriefWire, 'A client’s own block', v);
  return { fit, school, parts, steps };
};
export const readSettings = (v: unknown): Settings => stored(StoredSettings, 'A sheet’s decisions', v);
export const readSpec = (v: unknown): SpecFile | null => orNull(KeptSpec, 'An agreed sheet’s spec', v);
export const readKept = (v: unknown): Kept | null => orNull(StoredKept, 'An agreed sheet', v);
export const readReading = (v: unknown): Reading => stored(StoredReading, 'A reading', v) as Reading;
export const readDetails = (v: unknown): z.infer<typeof StoredDetails> =>
  stored(StoredDetails, 'A session’s details', v ?? {});
export const readRules = (v: unknown): HouseRulesWire =>
  stored(HouseRulesWire, 'The house’s rules', upgradeRules(v ?? {}));
