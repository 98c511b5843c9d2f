import { type Cm, printWritten, readLength, type SheetUnit } from '@rocchetto/core';
import {
  ALTERATION_STATES,
  type AlterationState,
  AS,
  type Asked,
  type Box,
  findKind,
  findSign,
  isFold,
  OWN_SIGN,
  SIDES,
} from '@rocchetto/core/alter/index.ts';
import type { DrawnPanel } from '@rocchetto/core/draft/drawn-panel.ts';
import { z } from 'zod';
import { Id, IsoDate, Version } from './basics.ts';
import { BroughtIn } from './brought-in.ts';
import { HandOverView, PinsView, PointView } from './leaving.ts';
import { lengthText } from './length.ts';
import { made } from './made.ts';
import { toCm } from './parse-length.ts';
import { Target } from './targets.ts';
import { by, reason, words } from './texts.ts';

type MarkOf = (at: string) => z.ZodType<string, string>;

const round = (mark: MarkOf) =>
  z.strictObject({ front: mark('front'), left: mark('left'), right: mark('right'), back: mark('back') });

const leg = (mark: MarkOf) =>
  z.strictObject({
    front: mark('front'),
    inside: mark('inside'),
    back: mark('back'),
    outside: mark('outside'),
  });

const RUN = ['begins', 'fullFrom', 'fullTo', 'zero'] as const;

/**
 * What was asked before amounts were said per seam, brought forward: “as pinned” was a fold of so much in all, and
 * places along a seam counted from where its edge is drawn from. What it means stays what it meant.
 */
function broughtForward(raw: unknown): unknown {
  if (typeof raw !== 'object' || raw === null) return raw;
  const old = raw as Readonly<Record<string, unknown>>;
  if ((old.version ?? 1) !== 1) return raw;
  const kind = findKind(String(old.kind));
  const direction = kind?.directions.find((d) => d.id === old.direction);
  const fold = kind !== undefined && direction !== undefined && isFold({ kind, direction });
  return {
    ...old,
    version: 2,
    ...(old.as === 'pinned' ? { as: fold ? 'fold' : 'total' } : {}),
    ...(RUN.some((k) => old[k] != null) ? { drawnWay: true } : {}),
  };
}

/** The shape of what is asked; lengths as `read` takes them. */
function shapeOf(length: (name: string, least: number, most: number) => z.ZodType<string, string>) {
  const place = (name: string) => length(name, 0, 250).nullable().default(null);
  const mark = (at: string) => length(`mark at the ${at}`, 0, 60);
  return z.strictObject({
    version: z.literal(2).default(2),
    kind: z.string().max(40),
    direction: z.string().max(20),
    amount: length('amount', 0.05, 200).nullable().default(null),
    as: z.enum(AS, 'Choose whether the amount is pinned or in all.').default('total'),
    side: z.enum(SIDES).default('both'),
    part: z.string().max(40).nullable().default(null),
    face: z.enum(['front', 'back']).nullable().default(null),
    /** where along the seam, from its top or centre */
    begins: place('place it begins at'),
    fullFrom: place('place it is full from'),
    fullTo: place('place it is full to'),
    zero: place('zero point'),
    /** what the front takes of a girth, per cent */
    frontShare: z.int().min(0).max(100).nullable().default(null),
    hem: round(mark).nullable().default(null),
    /** marks at the hem of each leg */
    legs: z
      .strictObject({ left: leg(mark), right: leg(mark) })
      .nullable()
      .default(null),
    /** from each mark to the control line that was pinned above it */
    control: round(mark).nullable().default(null),
    /** what else the kind asks, by its ids, as written */
    details: z.record(z.string().max(40), z.string().trim().max(200)).default({}),
    byHand: z.boolean().default(false),
    /** kept before seams had a way: its places count from where the edge is drawn from */
    drawnWay: z.boolean().default(false),
    /** the sign that led to it */
    sign: z.string().max(40).nullable().default(null),
    /** the client’s own words */
    words: words(500),
    note: words(500),
    /** where it was touched on the drawing: which one, and cm on it */
    mark: z
      .strictObject({ view: z.enum(['front', 'back', 'inside', 'panels']), x: z.number(), y: z.number() })
      .nullable()
      .default(null),
  });
}

/** One change as it was asked for: amounts as the hand wrote them, each with its unit. */
export const AskedWire = z.preprocess(
  broughtForward,
  shapeOf((name, min, max) => lengthText({ min, max, name }))
    .refine((a) => findKind(a.kind) !== undefined, {
      message: 'There is no such alteration. Choose one from the list.',
      path: ['kind'],
    })
    .refine((a) => a.sign === null || OWN_SIGN.test(a.sign) || findSign(a.sign) !== undefined, {
      message: 'There is no such fitting sign. Choose one from the list.',
      path: ['sign'],
    })
    .refine((a) => findKind(a.kind)?.directions.some((d) => d.id === a.direction) ?? true, {
      message: 'This alteration can’t be done that way. Choose another.',
      path: ['direction'],
    })
    .refine(
      (a) => a.amount !== null || a.hem !== null || a.legs !== null || findKind(a.kind)?.amount !== 'needed',
      { message: 'Enter the amount with its unit, for example 1.5 cm.', path: ['amount'] },
    )
    .superRefine((a, context) => {
      for (const [id, text] of Object.entries(a.details)) {
        const detail = findKind(a.kind)?.details?.find((d) => d.id === id);
        const wrong = !detail
          ? 'This alteration has no such detail.'
          : text === ''
            ? null
            : detail.is === 'length' && !readLength(text, 'cm').ok
              ? `Enter ${detail.label} as a length with its unit.`
              : detail.is === 'number' && !/^[1-9]\d?$/.test(text)
                ? `Enter ${detail.label} as a whole number.`
                : detail.is === 'choice' && !detail.choices!.includes(text)
                  ? 'Choose one from the list.'
                  : null;
        if (wrong) context.addIssue({ code: 'custom', message: wrong, path: ['details', id] });
      }
    }),
);

/** The same as it was kept: its lengths have been read once and are not judged again. */
export const StoredAsked = z.preprocess(
  broughtForward,
  shapeOf(() => z.string()),
);

export type AskedWire = z.infer<typeof AskedWire>;

/** Amounts are a few dozen texts, written again and again: what each is, read once. */
interface Amount {
  readonly cm: Cm;
  readonly words: string;
  readonly unit: SheetUnit;
}

const amounts = new Map<string, Amount>();

function amountOf(text: string): Amount {
  let known = amounts.get(text);
  if (!known) {
    const read = readLength(text, 'cm');
    known = {
      cm: toCm(text),
      words: read.ok ? printWritten(read.written) : text,
      unit: read.ok && read.written.unit === 'in' ? 'in' : 'cm',
    };
    if (amounts.size >= 1000) amounts.clear();
    amounts.set(text, known);
  }
  return known;
}

const all = <K extends string>(marks: Readonly<Record<K, string>>) =>
  Object.fromEntries(Object.entries(marks).map(([k, t]) => [k, toCm(t as string)])) as Record<K, Cm>;

/** The unit of the first length that a hand wrote beside no amount; none where there is none. */
function unitOf(w: AskedWire): SheetUnit | undefined {
  const text = Object.values(w.hem ?? w.legs?.left ?? {}).find((t) => !/^0/.test(t)) ?? w.zero ?? w.fullTo;
  return text == null ? undefined : amountOf(text).unit;
}

/** The unit of the hand that asked, in which what it asked for is told; none where it wrote no length. */
export const handUnit = (w: AskedWire): SheetUnit | undefined =>
  w.amount === null ? unitOf(w) : amountOf(w.amount).unit;

/** What core computes from: lengths in cm. Of a wire that the schema has passed. */
export function toAsked(w: AskedWire): Asked {
  const kind = findKind(w.kind)!;
  const at = (t: string | null) => (t === null ? null : toCm(t));
  return {
    kind,
    direction: kind.directions.find((d) => d.id === w.direction)!,
    amount: w.amount === null ? null : amountOf(w.amount).cm,
    as: w.as,
    side: w.side,
    part: w.part,
    face: w.face,
    run: { begins: at(w.begins), fullFrom: at(w.fullFrom), fullTo: at(w.fullTo), zero: at(w.zero) },
    frontShare: w.frontShare === null ? null : w.frontShare / 100,
    hem: w.hem && all(w.hem),
    legs: w.legs && { left: all(w.legs.left), right: all(w.legs.right) },
    control: w.control && all(w.control),
    drawnWay: w.drawnWay,
    unit: handUnit(w),
    details: w.details,
    byHand: w.byHand,
    note: w.note,
  };
}

/** The amount as the hand wrote it, its fraction in the one shape; '' where none was. */
export const writtenOf = ({ amount }: AskedWire): string => (amount === null ? '' : amountOf(amount).words);

export const SOURCES_OF_ASKING = ['fitting', 'desk', 'call', 'bench'] as const;

export const AlterationWrite = z.strictObject({
  asked: AskedWire,
  source: z.enum(SOURCES_OF_ASKING),
  appointmentId: Id.nullable().default(null),
});

export type AlterationWrite = z.infer<typeof AlterationWrite>;

export const AlterationChange = z.strictObject({ version: Version, asked: AskedWire });

/** One step of an alteration, with what it needs. */
export const StepWire = z.discriminatedUnion('step', [
  z.strictObject({
    step: z.literal('agree'),
    /** who agreed: the client, or who speaks for them */
    name: by('Enter who agreed.'),
    price: z
      .number('Enter the price as a number, for example 25 or 25.50.')
      .min(0, 'Enter a price of 0 or more.')
      .max(1_000_000)
      .nullable()
      .default(null),
    neededOn: IsoDate.nullable().default(null),
  }),
  z.strictObject({ step: z.literal('decline'), reason: reason('Enter the reason for declining.') }),
  z.strictObject({ step: z.literal('withdraw'), reason: reason('Enter the reason for withdrawing.') }),
  z.strictObject({ step: z.literal('ask-again'), reason: reason('Enter what changed.') }),
  z.strictObject({
    step: z.literal('assign'),
    staffId: Id.nullable(),
    /** the day it is done on, which then takes its minutes; null leaves the day open */
    day: IsoDate.nullable().default(null),
    minutes: z.int().min(5, 'Enter 5 minutes or more.').max(720).optional(),
    /** what the next hand should know */
    note: words(500),
  }),
  z.strictObject({ step: z.literal('start') }),
  z.strictObject({ step: z.literal('pause'), note: words(500) }),
  z.strictObject({ step: z.literal('finish'), note: words(500) }),
  z.strictObject({
    step: z.literal('check'),
    /** what was measured again, by the target’s id */
    readings: z.record(z.string().max(80), lengthText({ max: 1000, name: 'reading' })).default({}),
    note: words(500),
  }),
  z.strictObject({ step: z.literal('back'), reason: reason('Enter the reason for sending it back.') }),
  z.strictObject({
    step: z.literal('accept'),
    name: by('Enter who accepts it.'),
    reason: reason('Enter the reason for accepting it.'),
  }),
]);

export type StepWire = z.infer<typeof StepWire>;

export const StepWrite = z.strictObject({ version: Version, step: StepWire });

export const UndoWrite = z.strictObject({ version: Version });

/** A box ticked, left open again, or struck with a reason. */
export const BoxWrite = z
  .strictObject({
    box: z.string().max(200),
    to: z.enum(['done', 'open', 'struck']),
    reason: words(300),
  })
  .refine((b) => b.to !== 'struck' || b.reason !== '', {
    message: 'Enter the reason for crossing out this piece.',
    path: ['reason'],
  });

/** What one piece of cloth gets, and whether it is done; lengths cm. */
export const BoxView = z.strictObject({
  id: z.string(),
  panel: z.string(),
  piece: z.string(),
  layer: made<Box['layer']>(),
  seam: z.string(),
  side: z.enum(['left', 'right', 'both']),
  edges: z.number(),
  each: made<Cm>().nullable(),
  even: z.boolean(),
  doneAt: z.string().nullable(),
  doneBy: z.string().nullable(),
  struck: z.string().nullable(),
});
export type BoxView = z.infer<typeof BoxView>;

/** How an alteration stood before a step that can be taken back. */
export const StepBefore = z.object({
  status: z.enum(ALTERATION_STATES),
  staffId: z.number().nullable(),
  doneBy: z.number().nullable(),
});
export type StepBefore = z.infer<typeof StepBefore>;

export const StepView = z.strictObject({
  id: z.number(),
  at: z.string(),
  by: z.string(),
  step: z.string(),
  /** in words, lengths kept open */
  says: z.string(),
  byId: z.number(),
  /** whether whoever took it can take it back: it is the last one, and it was taken with one key */
  undoable: z.boolean(),
});
export type StepView = z.infer<typeof StepView>;

/** One alteration with all that hangs on it. */
export const AlterationView = z.strictObject({
  id: z.number(),
  orderId: z.number(),
  source: AlterationWrite.shape.source,
  appointmentId: z.number().nullable(),
  asked: AskedWire,
  /** the whole of it in one sentence, lengths kept open */
  sentence: z.string(),
  status: made<AlterationState>(),
  price: z.number().nullable(),
  neededOn: z.string().nullable(),
  staffId: z.number().nullable(),
  staffName: z.string().nullable(),
  /** the day it is given to somebody for */
  day: z.string().nullable(),
  minutes: z.number(),
  agreedName: z.string(),
  doneById: z.number().nullable(),
  boxes: z.array(BoxView).readonly(),
  targets: z.array(Target).readonly(),
  steps: z.array(StepView).readonly(),
  /** minutes worked so far, and since when somebody works on it now */
  worked: z.number(),
  workingSince: z.string().nullable(),
  workingId: z.number().nullable(),
  version: z.number(),
  madeAt: z.string(),
});
export type AlterationView = z.infer<typeof AlterationView>;

/** The alterations of one order, and where each lies on its panels. */
export const OrderAlterations = z.strictObject({
  alterations: z.array(AlterationView).readonly(),
  drawn: z.record(z.string(), z.array(made<DrawnPanel>()).readonly()),
  /** how it came, when it was brought in */
  broughtIn: BroughtIn.nullable(),
  pins: PinsView.nullable(),
  /** the finished garment against its sheet, as it is made by now */
  points: z.array(PointView).readonly(),
  handOvers: z.array(HandOverView).readonly(),
  /** what stands in the way of handing it over, a sentence each */
  inTheWay: z.array(z.string()).readonly(),
  /** what is read out when it is handed over */
  cautions: z.array(z.string()).readonly(),
});
export type OrderAlterations = z.infer<typeof OrderAlterations>;
