import {
  allParts,
  type Field,
  findPart,
  formatSentence,
  type GarmentPart,
  garmentProblems,
} from '@rocchetto/core';
import { z } from 'zod';
import { lengthText } from './length.ts';

/** One part of a garment as it is written: its id, and its fields by name; lengths as texts with their unit. */
export interface PartWire {
  readonly part: string;
  readonly [field: string]: unknown;
}

function fieldSchema(f: Field): z.ZodType {
  switch (f.kind) {
    case 'length': {
      const text = lengthText({ min: f.min, max: f.max, name: f.label.toLowerCase() });
      return f.default === null ? text.nullable().default(null) : text.default(f.default);
    }
    case 'choice': {
      const words = f.options.map((o) => `“${o.value}”`).join(', ');
      return z
        .enum(f.options.map((o) => o.value) as [string, ...string[]], `${f.label}: choose one of ${words}.`)
        .default(f.default);
    }
    case 'yes-no':
      return z.boolean(`${formatSentence(f.label, 'cm')}: choose yes or no.`).default(f.default);
    case 'count': {
      const sentence = `${f.label}: enter a ${f.step === 1 ? 'whole ' : ''}number from ${f.min} to ${f.max}.`;
      const number = f.step === 1 ? z.int(sentence) : z.number(sentence);
      return number.min(f.min, sentence).max(f.max, sentence).default(f.default);
    }
    case 'text':
      return z.string().max(f.max).default(f.default);
  }
}

const made = new WeakMap<GarmentPart, z.ZodType<PartWire>>();
/** The schema of one part, made from its fields. */
export function partSchema(part: GarmentPart): z.ZodType<PartWire> {
  const known = made.get(part);
  if (known) return known;
  const schema = z.strictObject({
    part: z.literal(part.id),
    ...Object.fromEntries(
      Object.entries(part.fields).map(([id, f]) => [
        id,
        fieldSchema(f).meta({
          description: formatSentence([f.label, f.hint].filter(Boolean).join('; '), 'cm'),
        }),
      ]),
    ),
  }) as unknown as z.ZodType<PartWire>;
  made.set(part, schema);
  return schema;
}

const isPart = (v: unknown): v is PartWire =>
  typeof v === 'object' && v !== null && !Array.isArray(v) && 'part' in v && typeof v.part === 'string';

/** Any part the house knows: read by its own fields, which are looked up when it is read. */
export const PartWire = z
  .unknown()
  .transform((value, ctx): PartWire => {
    const no = (message: string, path: PropertyKey[] = []) => {
      ctx.addIssue({ code: 'custom', message, path });
      return z.NEVER;
    };
    if (!isPart(value)) return no('A part of a garment names itself: {"part": "straight-skirt", …}.');
    const part = findPart(value.part);
    if (!part) return no(`There is no garment part called “${value.part.slice(0, 60)}”.`, ['part']);
    const read = partSchema(part).safeParse(value);
    if (read.success) return read.data;
    for (const issue of read.error.issues)
      no(
        issue.code === 'unrecognized_keys'
          ? `A ${part.name} has no field called ${issue.keys.map((k) => `“${k.slice(0, 60)}”`).join(', ')}.`
          : issue.message,
        [...issue.path],
      );
    return z.NEVER;
  })
  .meta({ id: 'GarmentPart' });

/** The parts of one garment: each by its own fields, and together something that can be made. */
export const PartsWire = z
  .array(PartWire)
  .max(200)
  .superRefine((parts, ctx) => {
    if (parts.length === 0) return;
    for (const message of garmentProblems(parts.map((p) => p.part)))
      ctx.addIssue({ code: 'custom', message });
  });

/** JSON Schema of one part: any of the house's. */
export const partJsonSchema = () => ({
  oneOf: allParts().map((p) => {
    const { $schema: _, ...schema } = z.toJSONSchema(partSchema(p), { io: 'input' });
    return schema;
  }),
});

/** Puts the house's parts where a JSON Schema would say “anything”. */
export const withParts: NonNullable<Parameters<typeof z.toJSONSchema>[1]>['override'] = ({
  zodSchema,
  jsonSchema,
}) => {
  const { id } = z.globalRegistry.get(zodSchema as unknown as z.ZodType) ?? {};
  if (id !== 'GarmentPart') return;
  for (const key of Object.keys(jsonSchema)) delete (jsonSchema as Record<string, unknown>)[key];
  Object.assign(jsonSchema, partJsonSchema());
};
