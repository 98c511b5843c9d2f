import {
  ALLOWANCE_IDS,
  ALLOWANCE_NAME,
  CLOTH_NAME,
  CLOTH_TRAITS,
  type ClothTrait,
  CUT_KINDS,
  cutFromWords,
  DANGER_DAYS,
  EASE_ZONES,
  type EaseZone,
  FIT_CLASSES,
  LEVEL_RULES,
  type Leads,
  nameOfKey,
  OTHERS,
  REGIONS,
  type Region,
  ROUNDING_STEPS,
  SCHOOL_CHOICES,
  SCHOOL_MATTERS,
  SCHOOLS,
  type SchoolMatter,
  STEP_IDS,
  STEPS,
  TAPE_WALKS,
  TRAIT_WORDS,
} from '@rocchetto/core';
import { z } from 'zod';
import { lengthText } from './length.ts';
import { parseLength } from './parse-length.ts';
import { PartsWire } from './parts.ts';
import { upgradeBrief } from './upgrade.ts';

const short = z.string().max(200);

/** How the block was adapted: steps by name, each with its amount or its choice. */
export const StepsWire = z
  .array(
    z
      .strictObject({
        step: z.enum(STEP_IDS),
        part: z.int().min(0).max(199).meta({ description: 'the part it acts on, by its place, from 0' }),
        amount: lengthText({ min: -60, max: 60, name: 'amount of a step' }).nullable().default(null),
        to: short.default(''),
      })
      .superRefine((s, ctx) => {
        const { name, amount } = STEPS[s.step];
        if (!amount) return;
        if (s.amount === null) {
          ctx.addIssue({ code: 'custom', message: `The step “${name}” needs an amount.` });
          return;
        }
        // What is no length at all has had its sentence already.
        const by = parseLength(s.amount);
        if (by.ok && (by.cm < amount.min || by.cm > amount.max))
          ctx.addIssue({
            code: 'custom',
            message: `The step “${name}” takes ${amount.min} to ${amount.max} cm; “${s.amount}” is outside that.`,
          });
      }),
  )
  .max(40, 'A block can have at most forty steps.');
export type StepsWire = z.infer<typeof StepsWire>;

const ownLength = (of: string, max: number) => lengthText({ max, name: of }).nullable().default(null);
/** What an order has of its own above the studio's rules; what is empty goes by them. */
export const OwnRulesWire = z
  .strictObject({
    none: z
      .boolean()
      .default(false)
      .meta({ description: 'no allowances: panels are cut on their sewing lines' }),
    allowances: z
      .strictObject(
        Object.fromEntries(
          ALLOWANCE_IDS.map((id) => [id, ownLength(`allowance of the ${ALLOWANCE_NAME[id]}`, 20)]),
        ) as Record<(typeof ALLOWANCE_IDS)[number], ReturnType<typeof ownLength>>,
      )
      .prefault({}),
    hemTwice: z.boolean().default(false).meta({ description: 'hems are turned twice by their depth' }),
    hemFaced: z.boolean().default(false).meta({ description: 'hems and vents are faced instead of turned' }),
    girths: ownLength('ease of every girth', 60),
    ease: z
      .strictObject(
        Object.fromEntries(
          EASE_ZONES.map((zone) => [zone, ownLength(`ease at the ${zone.replaceAll('-', ' ')}`, 60)]),
        ) as Record<EaseZone, ReturnType<typeof ownLength>>,
      )
      .prefault({}),
    why: short.default('').meta({ description: 'why the ease is another one than the fit’s' }),
  })
  .superRefine((own, ctx) => {
    const eased = own.girths !== null || Object.values(own.ease).some((e) => e !== null);
    if (eased && own.why.trim() === '')
      ctx.addIssue({
        code: 'custom',
        message: 'This order has ease of its own: write why, once for the whole garment.',
      });
    if (own.hemTwice && own.hemFaced)
      ctx.addIssue({
        code: 'custom',
        path: ['hemFaced'],
        message: 'A hem is turned twice or faced, not both: leave one of the two out.',
      });
    if (own.none && Object.values(own.allowances).some((a) => a !== null))
      ctx.addIssue({
        code: 'custom',
        message: 'This order has no allowances and one of its own: leave one of the two out.',
      });
  });

const percent = (description: string) => z.number().min(0).max(300).default(0).meta({ description });
/** What every cloth of an order says of itself. */
const clothFields = (width: { readonly min: number; readonly name: string }) => ({
  name: short.default(''),
  width: lengthText({ ...width, max: 400 })
    .nullable()
    .default(null),
  stretch: percent('stretch around the body, percent'),
  stretchAlong: percent('stretch lengthwise, percent'),
  weight: z.number().min(1).max(3000).nullable().default(null).meta({ description: 'g/m²' }),
  underlining: short.default('').meta({ description: 'what its panels are mounted on; empty: nothing' }),
  ...(Object.fromEntries(
    CLOTH_TRAITS.map((t) => [t, z.boolean().default(false).meta({ description: TRAIT_WORDS[t] })]),
  ) as Record<ClothTrait, z.ZodDefault<z.ZodBoolean>>),
});
const ClothWire = z.strictObject(clothFields({ min: 30, name: 'cloth width' }));
/** A cloth beside the order's own. Lace and trims are sold narrow. */
export const OtherClothWire = z.strictObject({
  ...clothFields({ min: 10, name: 'width of another cloth' }),
  of: z
    .array(
      z
        .string()
        .regex(/^[a-z-]{1,40}$/, 'Choose parts of the garment, or kinds of panels, that are cut from it.'),
    )
    .max(12, 'Choose at most twelve parts and kinds of panels for one cloth.')
    .default([])
    .meta({
      description: `what is cut from it: keys of parts, and kinds of panels of any part: ${Object.keys(CUT_KINDS).join(', ')}`,
    }),
});
export type OtherClothWire = z.infer<typeof OtherClothWire>;
/** A part, or panels of a kind, are cut from one cloth. */
function eachFromOne(
  {
    parts,
    cloths = [],
  }: { readonly parts: z.infer<typeof PartsWire>; readonly cloths?: OtherClothWire[] | undefined },
  ctx: z.RefinementCtx,
): void {
  const seen = new Map<string, number>();
  cloths.forEach((cloth, i) => {
    for (const of of new Set(cloth.of)) {
      const first = seen.get(of);
      if (first === undefined) seen.set(of, i);
      else
        ctx.addIssue({
          code: 'custom',
          path: ['cloths', i, 'of'],
          message: `Cut from the ${CLOTH_NAME[OTHERS[first]!]} already: ${cutFromWords({ of: [of] }, nameOfKey(parts))}. Leave it out of the ${CLOTH_NAME[OTHERS[i]!]}, or of that.`,
        });
    }
  });
}

const Brief = z
  .strictObject({
    version: z.literal(2).default(2),
    fit: z.enum(FIT_CLASSES).default('fitted'),
    school: z.enum(SCHOOLS).default('workroom'),
    cloth: ClothWire.prefault({}),
    lining: short.default(''),
    beneath: short.default(''),
    shoes: short.default(''),
    heel: lengthText({ max: 20, name: 'heel' }).nullable().default(null),
    letOut: z.boolean().default(false),
    note: z.string().max(2000).default(''),
    parts: PartsWire,
    steps: StepsWire.default([]),
    cloths: z
      .array(OtherClothWire)
      .max(OTHERS.length, 'An order can have four cloths at most: its own and three others.')
      .optional()
      .meta({ description: 'cloths beside it, each for what is cut from it' }),
    own: OwnRulesWire.optional().meta({ description: 'allowances and ease of this order alone' }),
  })
  .superRefine(eachFromOne);
/** The brief: what was agreed before the tape came out. Lengths are texts with their unit. Version 1 is read too. */
export const BriefWire = z.preprocess(upgradeBrief, Brief);
export type BriefWire = z.infer<typeof BriefWire>;

const ease = z.partialRecord(
  z.enum(EASE_ZONES as [string, ...string[]]),
  z.partialRecord(z.enum(FIT_CLASSES), lengthText({ max: 60, name: 'ease' })),
);
const together = {
  error: (issue: { input?: unknown }) =>
    issue.input === undefined ? 'Enter both the number of darts and what each takes.' : undefined,
};
const fixedDarts = z.strictObject({
  count: z.int(together).min(0).max(3, 'A quarter can have at most three darts.'),
  intake: z.string(together).pipe(lengthText({ max: 6, name: 'dart intake' })),
});
const dayCount = z
  .int('Enter a whole number of days.')
  .min(0, 'Enter 0 or more days.')
  .max(400, 'Enter at most 400 days.');

/** Rounding of the figures a hand marks. */
export const RoundingWire = z
  .strictObject({ unit: z.enum(['cm', 'in']), step: z.number(), mode: z.enum(['nearest', 'up']) })
  .refine(
    (r) => ROUNDING_STEPS[r.unit].includes(r.step),
    'Choose a step of 0, 0.1 or 0.5 cm; 0, 1/8, 1/4 or 1/2 in.',
  );

/** House rules laid over the tables. All optional. */
export const HouseWire = z.strictObject({
  rounding: RoundingWire.optional(),
  balance: z
    .strictObject({
      bust: lengthText({ min: -5, max: 5, name: 'bust balance' }).default('0 cm'),
      waist: lengthText({ min: -5, max: 5, name: 'waist balance' }).default('0 cm'),
      hip: lengthText({ min: -5, max: 5, name: 'hip balance' }).default('0 cm'),
    })
    .optional()
    .meta({ description: 'moved from each back quarter to the front quarter' }),
  ease: ease.optional(),
  allowances: z
    .strictObject(
      Object.fromEntries(
        ALLOWANCE_IDS.map((id) => [id, lengthText({ max: 20, name: `${id} allowance` }).optional()]),
      ) as Record<(typeof ALLOWANCE_IDS)[number], z.ZodOptional<ReturnType<typeof lengthText>>>,
    )
    .optional(),
  darts: z.strictObject({ front: fixedDarts.optional(), back: fixedDarts.optional() }).optional(),
  hipDrop: lengthText({ min: 10, max: 35, name: 'hip drop' }).optional(),
  pairing: z
    .enum(['each', 'pair'])
    .optional()
    .meta({ description: 'front and back rounded each by itself, or as a pair' }),
  band: z.enum(['marked', 'eased']).optional().meta({
    description: 'the band cut to the marked waist, or to the finished one with up to 1 cm eased on',
  }),
  zips: z.enum(['cm', 'in']).optional().meta({ description: 'the unit zips are bought in' }),
  shape: z
    .strictObject({
      sideRise: lengthText({ max: 4, name: 'side rise' }).optional(),
      backDrop: lengthText({ max: 4, name: 'back drop' }).optional(),
      centreIn: lengthText({ max: 4, name: 'centre back in' }).optional(),
      slope: z.number().min(5).max(40).optional().meta({ description: 'shoulder slope, degrees' }),
      neckWidth: lengthText({ min: 8, max: 25, name: 'neck width' }).optional(),
      forkForward: lengthText({ min: -1, max: 2, name: 'fork further in front' }).optional(),
    })
    .optional(),
  ages: z
    .strictObject({ usual: dayCount.optional(), close: dayCount.optional(), changed: dayCount.optional() })
    .optional()
    .meta({ description: 'how old a measuring may be, days' }),
});
export type HouseWire = z.infer<typeof HouseWire>;

const PLACES = REGIONS.map((_, i) => String(i + 1)) as [string, ...string[]];
const leads = Object.fromEntries(
  Object.keys(DANGER_DAYS).map((stage) => [stage, dayCount.optional()]),
) as Record<keyof Leads, z.ZodOptional<typeof dayCount>>;
const schools = Object.fromEntries(
  SCHOOL_MATTERS.map((k) => [k, z.enum(SCHOOL_CHOICES[k].of as readonly [string, ...string[]]).optional()]),
) as Record<SchoolMatter, z.ZodOptional<z.ZodEnum<Record<string, string>>>>;
/** The house's rules as they are kept: those of a sheet, and the lead times, which no sheet knows. */
export const HouseRulesWire = HouseWire.extend({
  leads: z.strictObject(leads).optional(),
  schools: z.strictObject(schools).optional(),
  levels: z
    .strictObject({
      waist: z.enum(LEVEL_RULES.waist.of).optional(),
      hip: z.enum(LEVEL_RULES.hip.of).optional(),
    })
    .optional(),
  tape: z
    .strictObject({
      walk: z.enum(TAPE_WALKS).optional(),
      places: z
        .strictObject(
          Object.fromEntries(REGIONS.map((r) => [r, z.enum(PLACES).optional()])) as Record<
            Region,
            z.ZodOptional<z.ZodEnum<Record<string, string>>>
          >,
        )
        .optional(),
    })
    .optional(),
});
export type HouseRulesWire = z.infer<typeof HouseRulesWire>;
