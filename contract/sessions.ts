import { CORDS, type Reading, SCHOOL_CHOICES, USUAL_SCHOOLS } from '@rocchetto/core';
import { z } from 'zod';
import { Id, Instant } from './basics.ts';
import { lengthText } from './length.ts';
import { made } from './made.ts';
import { sentencesOf } from './problems.ts';
import { ReadingWire } from './reading.ts';

const choice = <T extends readonly [string, ...string[]]>(of: T) => z.enum(of).default(of[0] as T[number]);
export const SchoolsWire = z.strictObject({
  heightFrom: choice(SCHOOL_CHOICES.heightFrom.of),
  frontLengths: choice(SCHOOL_CHOICES.frontLengths.of),
  sides: choice(SCHOOL_CHOICES.sides.of),
  neckDepth: choice(SCHOOL_CHOICES.neckDepth.of),
  sleeveGirth: choice(SCHOOL_CHOICES.sleeveGirth.of),
  sleeveFrom: choice(SCHOOL_CHOICES.sleeveFrom.of),
});

export const SessionWrite = z.strictObject({
  id: z.uuid(),
  clientId: Id,
  orderId: Id.nullable().default(null),
  at: Instant,
  measurer: z.string().max(200).default(''),
  scribe: z.string().max(200).default(''),
  beneath: z.string().max(200).default(''),
  heel: lengthText({ max: 20, name: 'heel' }).nullable().default(null),
  posture: z.string().max(500).default(''),
  waistRule: z.string().max(200).default('where the body folds when bending sideways'),
  hipRule: z.string().max(200).default('fullest seat, seen from the side'),
  unit: z.enum(['cm', 'in']).default('cm'),
  guardian: z.string().max(200).default(''),
  /** the ways of measuring in which schools differ, as this session has them */
  schools: SchoolsWire.default(USUAL_SCHOOLS),
  /** the client sits: another list, another picture */
  seated: z.boolean().default(false),
  /** levels that were marked with a cord before the tape */
  cords: z.array(z.enum(CORDS)).max(CORDS.length).default([]),
  /** the client agreed to be touched and measured */
  consent: z.boolean().default(false),
  /** what the client reports to have changed since last time, pregnancy too; empty: nothing */
  changed: z.string().max(300).default(''),
});

export type SessionWrite = z.infer<typeof SessionWrite>;

/** A reading as it was sent: one that is right, or its id and the sentence that says why it is not. */
const SentReading = z
  .looseObject({ id: z.string().max(100) })
  .meta(z.toJSONSchema(ReadingWire, { io: 'input' }))
  .transform((one): SentReading => {
    const read = ReadingWire.safeParse(one);
    if (read.success) return read.data;
    return { id: one.id, sentence: sentencesOf(read.error)[0] ?? 'This is not a measurement.' };
  });

export type SentReading = ReadingWire | { readonly id: string; readonly sentence: string };

/** Readings as a tablet sends them: each is checked by itself, so that one bad one does not hold up the others. */
export const Readings = z.strictObject({
  session: SessionWrite,
  readings: z.array(SentReading).max(200),
});

/** What became of a batch: the ids that are in the book, and those that are not with their sentence. */
export const ReadingsAnswer = z.strictObject({
  kept: z.array(z.string()).readonly(),
  refused: z
    .array(
      z.strictObject({
        id: z.string(),
        sentence: z.string(),
      }),
    )
    .readonly(),
});
export type ReadingsAnswer = z.infer<typeof ReadingsAnswer>;

/** What a session says about itself beside its readings. */
export type SessionDetails = Omit<SessionWrite, 'id' | 'clientId' | 'orderId' | 'at' | 'unit'>;

export const SessionFull = z.strictObject({
  id: z.string(),
  clientId: z.number(),
  orderId: z.number().nullable(),
  at: z.string(),
  measurer: z.string(),
  unit: z.enum(['cm', 'in']),
  details: made<SessionDetails>(),
  readings: z.array(made<Reading>()).readonly(),
});
export type SessionFull = z.infer<typeof SessionFull>;

/** An earlier session, for what "last time" is told from. */
export const Earlier = z.strictObject({
  id: z.string(),
  at: z.string(),
  readings: z.array(made<Reading>()).readonly(),
});
export type Earlier = z.infer<typeof Earlier>;

export const SessionRow = z.strictObject({
  id: z.string(),
  orderId: z.number().nullable(),
  at: z.string(),
  measurer: z.string(),
  unit: z.enum(['cm', 'in']),
  readings: z.number(),
  /** the client read it at home: it never goes on at the tape, and the studio's own counts before it */
  atHome: z.boolean(),
});
export type SessionRow = z.infer<typeof SessionRow>;
