import { dayAfter } from '../dates/day-after.ts';
import { printDate } from '../dates/print.ts';
import type { DateOrder } from '../dates/read-date.ts';
import type { At, Need, Skill } from '../diary/kinds.ts';
import type { Minute } from '../diary/zoned.ts';
import { isCut, type Stage } from '../thread/stage.ts';
import { oneVisit } from './one-visit.ts';
import { daysOf, type HouseTimes, STEP_MAKES, STEP_SKILLS, WORK_STEPS, type WorkStep } from './times.ts';
import { minutesOf, PLAIN_WORK, type Work } from './work.ts';

/** One step of the work on an order. Its steps follow one another: a garment lies on one table at a time. */
export interface Step {
  /** `cut`, `fitting-2`, or the id of one that was added */
  readonly id: string;
  readonly name: string;
  /** somebody’s minutes at the bench, or an appointment with the client */
  readonly does: 'work' | 'meeting';
  /** the kind of appointment, where it is one */
  readonly kind: string | null;
  readonly minutes: number;
  /** one entry for each who takes part: any of these skills will do */
  readonly hands: readonly (readonly Skill[])[];
  /** begins no sooner than so many days after the end of an earlier step: nobody’s work */
  readonly waits: readonly Lag[];
  /** begins no sooner than this day, yyyy-mm-dd: cloth that comes then */
  readonly notBefore: string | null;
  /** ends no later than this day */
  readonly notAfter: string | null;
  /** what its minutes are made of */
  readonly why: readonly string[];
  /** which line of work it is, for the studio’s own past; null for appointments and what was added */
  readonly work: WorkStep | null;
  /** what an appointment needs that it makes ready */
  readonly makes: Need | null;
  /** booked in the diary: from, to */
  readonly booked: {
    readonly id: number;
    readonly start: Minute;
    readonly end: Minute;
    readonly staff: readonly number[];
  } | null;
  /** given at the bench: to whom, for which day, the last one of several */
  readonly given: { readonly staff: readonly number[]; readonly first: string; readonly last: string } | null;
}
export interface Lag {
  readonly after: string;
  readonly days: number;
  readonly name: string;
}

/** A step that was struck, changed or added for this garment. */
export interface OwnStep {
  readonly id: string;
  /** struck where null */
  readonly minutes: number | null;
  /** why it is not as usual */
  readonly reason: string;
  /** for one that was added: its name, what it comes after, who can do it */
  readonly added: { readonly name: string; readonly after: string; readonly skill: Skill } | null;
}

/** How the work on this order goes, where a choice is left. */
export interface Choices {
  readonly toile: boolean;
  /** fittings besides toile and last fitting */
  readonly fittings: number;
  /** the client can come once: one fitting settles all */
  readonly once: boolean;
  readonly fittingKind: string;
  /** it is there, it comes on a day, or it is still to be ordered */
  readonly cloth: { readonly state: 'here' | 'comes' | 'order'; readonly on: string | null };
  readonly own: readonly OwnStep[];
  /** steps that a hand says are done, since which day */
  readonly done: readonly { readonly step: string; readonly on: string }[];
}

/** Choices until somebody chooses: a toile and two fittings for what has bones (common practice), one fitting for the rest. */
export const usualChoices = (work: Work | null): Choices => ({
  toile: (work?.counts.bone ?? 0) > 0,
  fittings: (work?.counts.bone ?? 0) > 0 ? 2 : 1,
  once: false,
  fittingKind: 'fitting',
  cloth: { state: 'order', on: null },
  own: [],
  done: [],
});

/** A kind of appointment, as much of it as a plan needs. */
export interface Meeting {
  readonly id: string;
  readonly name: string;
  readonly minutes: number;
  readonly hands: readonly (readonly Skill[])[];
  readonly at: At | null;
}
/** An order as it stands. */
export interface OrderAtWork {
  readonly stage: Stage;
  /** a garment that was brought in to be altered */
  readonly broughtIn: boolean;
  readonly wornOn: string | null;
  readonly dueOn: string | null;
  /** appointments that stand, in order of time */
  readonly booked: readonly {
    readonly id: number;
    readonly kind: string;
    readonly done: boolean;
    /** the day it is on */
    readonly day?: string;
    readonly start: Minute;
    readonly end: Minute;
    readonly staff: readonly number[];
  }[];
  /** work given at the bench to steps of this plan */
  readonly given: readonly {
    readonly step: string;
    readonly staffId: number;
    readonly day: string;
    readonly done: boolean;
    /** the day on which it was done */
    readonly doneOn?: string | null;
  }[];
  /** minutes left of alterations that are asked for or agreed */
  readonly alterations: number;
  /** null while no sheet can be drafted */
  readonly work: Work | null;
}

interface Bare {
  readonly id: string;
  readonly name: string;
  readonly kind?: string;
  readonly work?: WorkStep;
  readonly minutes?: number;
  readonly why?: readonly string[];
  readonly waits?: readonly Lag[];
  readonly notBefore?: string | null;
  readonly notAfter?: string | null;
  /** a fitting of the garment: any appointment at the mirror that is no other step of the plan */
  readonly fitting?: boolean;
  /** the one fitting that there is */
  readonly settlesAll?: boolean;
  /** the fitting whose changes it makes */
  readonly of?: string;
  /** who can do one that was added */
  readonly skill?: Skill;
}

/** The last day for hand-over and last fitting, by the day it is worn and the day it is due. */
export function lastDays(
  o: Pick<OrderAtWork, 'wornOn' | 'dueOn'>,
  house: HouseTimes,
): { readonly handOver: string | null; readonly lastFitting: string | null; readonly why: string } {
  const byWorn = o.wornOn === null ? null : dayAfter(o.wornOn, -daysOf(house, 'handOver'));
  const days = [byWorn, o.dueOn].filter((d) => d !== null).sort();
  const handOver = days[0] ?? null;
  return {
    handOver,
    lastFitting: o.wornOn === null ? null : dayAfter(o.wornOn, -daysOf(house, 'lastFitting')),
    why:
      handOver === null
        ? ''
        : handOver === byWorn && byWorn !== o.dueOn
          ? `${daysOf(house, 'handOver')} days before it is worn`
          : 'the day it is due',
  };
}

/** Steps that are behind an order of each stage; of fittings those that were held. */
function isBehind(id: string, o: OrderAtWork, order: readonly string[], fitted: number): boolean {
  const through: Partial<Record<Stage, string>> = {
    brief: 'brief',
    measured: 'measure',
    sheet: 'measure',
    agreed: 'agree',
    cut: 'cut',
    ready: 'finish',
    'handed-over': 'collection',
  };
  // That the sheet is agreed says nothing of the cloth; that it is cut does.
  if (id === 'order-cloth') return isCut(o.stage);
  const last =
    o.stage === 'fitting'
      ? // What was asked for at a mirror nobody had booked is a fitting all the same.
        fitted > 0 || (o.alterations > 0 && !o.broughtIn)
        ? `fitting-${Math.max(1, fitted)}`
        : 'baste'
      : (through[o.stage] ?? null);
  const at = last === null ? -1 : order.indexOf(last);
  return order.indexOf(id) <= at;
}

/** What is planned of a garment that is made here, from the asking to the day it is fetched. */
function making(o: OrderAtWork, c: Choices, house: HouseTimes): Bare[] {
  const work = (id: WorkStep, more: Partial<Bare> = {}): Bare => ({
    id,
    name: WORK_STEPS[id],
    work: id,
    ...more,
  });
  const fittings = c.once ? 1 : c.fittings;
  const cloth: Lag[] =
    c.cloth.state === 'order'
      ? [{ after: 'order-cloth', days: daysOf(house, 'delivery'), name: 'the cloth comes' }]
      : [];
  // Nobody comes twice in a row: between two visits there is work, and a client with a life of their own.
  const since = (visit: string | null): Pick<Bare, 'waits'> =>
    visit === null
      ? {}
      : { waits: [{ after: visit, days: daysOf(house, 'visits'), name: 'from one visit to the next' }] };
  const toiled = c.toile && !c.once;
  const hangs = (o.work?.hangs ?? false) && daysOf(house, 'hanging') > 0;
  return [
    { id: 'brief', name: 'settle the design', kind: 'consultation' },
    { id: 'measure', name: 'measure', kind: 'measuring' },
    ...(c.cloth.state === 'order' ? [work('order-cloth')] : []),
    work('draft'),
    ...(c.toile ? [work('toile')] : []),
    ...(toiled ? [{ id: 'toile-fitting', name: 'toile fitting', kind: 'toile-fitting' }] : []),
    work('agree'),
    work('wash', { waits: cloth, notBefore: c.cloth.state === 'comes' ? c.cloth.on : null }),
    work('cut', { waits: [{ after: 'wash', days: daysOf(house, 'drying'), name: 'the cloth dries' }] }),
    work('baste'),
    ...Array.from({ length: fittings }, (_, k): Bare[] => [
      {
        id: `fitting-${k + 1}`,
        name: fittings > 1 ? `fitting ${k + 1}` : c.once ? 'the one fitting' : 'fitting',
        kind: c.fittingKind,
        fitting: true,
        settlesAll: c.once,
        ...since(k > 0 ? `fitting-${k}` : toiled ? 'toile-fitting' : null),
      },
      work('changes', { id: `changes-${k + 1}`, of: `fitting-${k + 1}` }),
      ...(k === 0 ? [work('sew')] : []),
    ]).flat(),
    work(
      'hem',
      hangs ? { waits: [{ after: 'sew', days: daysOf(house, 'hanging'), name: 'the cloth hangs' }] } : {},
    ),
    ...(c.once
      ? []
      : [
          {
            id: 'final-fitting',
            name: 'last fitting',
            kind: 'final-fitting',
            ...since(`fitting-${fittings}`),
          },
        ]),
    work('finish'),
    { id: 'collection', name: 'collection', kind: 'collection' },
  ];
}

/** What is planned of a garment that was brought in. */
const altering = (o: OrderAtWork): Bare[] => [
  { id: 'intake', name: 'intake', kind: 'alteration-intake' },
  {
    id: 'changes-1',
    name: 'alterations',
    work: 'changes',
    minutes: o.alterations,
    why: ['what is left of the alterations asked for'],
  },
  { id: 'fitting-1', name: 'fitting', kind: 'alteration-fitting', fitting: true },
  { id: 'finish', name: WORK_STEPS.finish, work: 'finish' },
  { id: 'collection', name: 'collection', kind: 'collection' },
];

/** Whether a step is still to be done of its own account: ticked off, booked and held, or given and done. */
function isDone(id: string, o: OrderAtWork, c: Choices, held: ReadonlySet<string>): boolean {
  const given = o.given.filter((g) => g.step === id);
  return (
    c.done.some((d) => d.step === id) || held.has(id) || (given.length > 0 && given.every((g) => g.done))
  );
}

/**
 * The steps an order still has before it, in the order they are done, with minutes, hands and waits. Pure.
 * @param kinds the house’s kinds of appointment
 */
export function chainOf(
  o: OrderAtWork,
  choices: Choices,
  house: HouseTimes,
  kinds: readonly Meeting[],
): Step[] {
  const bare = o.broughtIn ? altering(o) : making(o, choices, house);
  const all = withAdded(bare, choices.own);
  const order = all.map((s) => s.id);
  const { booked, held, heldOn, fitted } = meetingsOf(all, o, kinds);
  const behind = new Set<string>();
  for (const id of order) {
    // One that was added after cloth that is still to be ordered is not done because a later step is.
    const after = choices.own.find((w) => w.id === id)?.added?.after;
    const passed = isBehind(id, o, order, fitted) && (after === undefined || behind.has(after));
    if ((o.broughtIn && id === 'intake') || passed || isDone(id, o, choices, held)) behind.add(id);
  }
  // What was held or done brings everything before it: a garment that was fitted is cut.
  const furthest = Math.max(-1, ...order.map((id, i) => (held.has(id) ? i : -1)));
  const last = lastDays(o, house);
  return all.flatMap((s, i): Step[] => {
    const own = choices.own.find((w) => w.id === s.id);
    if (behind.has(s.id) || i < furthest || own?.minutes === null) return [];
    const made = stepOf(s, o, house, kinds, own ?? null, behind);
    if (!made) return [];
    return [
      {
        ...made,
        waits: made.waits.filter((w) => order.includes(w.after) && !behind.has(w.after)),
        notBefore: latestOf([
          made.notBefore,
          // What is done already is still waited for: cloth that was ordered, cloth that hangs, a visit the other day.
          ...made.waits.filter((w) => behind.has(w.after)).map((w) => since(w, o, choices, heldOn)),
        ]),
        booked: booked.get(s.id) ?? null,
        given: givenOf(s.id, o),
        notAfter:
          s.id === 'collection'
            ? last.handOver
            : s.id === 'final-fitting'
              ? last.lastFitting
              : (s.notAfter ?? null),
      },
    ];
  });
}

/** The same order with work that comes back to the bench before anything else goes on; nothing where it has no step left. */
export function backOnBench(
  o: OrderAtWork,
  choices: Choices,
  house: HouseTimes,
  kinds: readonly Meeting[],
  minutes: number,
): Choices {
  // Cloth that is still to be ordered stands before what is done already.
  const next = chainOf(o, choices, house, kinds).find((s) => s.id !== 'order-cloth')?.id;
  if (next === undefined) return choices;
  const all = withAdded(o.broughtIn ? altering(o) : making(o, choices, house), choices.own);
  const at = all.findIndex((s) => s.id === next);
  const added = { name: 'back on the bench', after: all[at - 1]?.id ?? next, skill: 'tailoring' } as const;
  return { ...choices, own: [...choices.own, { id: 'back-on-bench', minutes, reason: 'supposed', added }] };
}

const latestOf = (days: readonly (string | null)[]): string | null =>
  days
    .filter((d) => d !== null)
    .sort()
    .at(-1) ?? null;

/** The first day after a wait whose beginning is behind us; null where its day is not known. */
function since(
  { after, days }: Lag,
  o: OrderAtWork,
  c: Choices,
  heldOn: ReadonlyMap<string, string>,
): string | null {
  const on = latestOf([
    c.done.find((d) => d.step === after)?.on ?? null,
    heldOn.get(after) ?? null,
    ...o.given.filter((g) => g.step === after).map((g) => g.doneOn ?? null),
  ]);
  return on === null ? null : dayAfter(on, days);
}

/** What was left out of a plan by hand, by name: struck with its reason, or marked as done. */
export function leftOut(
  o: OrderAtWork,
  choices: Choices,
  house: HouseTimes,
  order: DateOrder,
): { readonly id: string; readonly name: string; readonly says: string }[] {
  const all = withAdded(o.broughtIn ? altering(o) : making(o, choices, house), choices.own);
  const name = (id: string) => all.find((s) => s.id === id)?.name;
  return [
    ...choices.own.filter((w) => w.minutes === null).map((w) => ({ id: w.id, says: `struck: ${w.reason}` })),
    ...choices.done.map(({ step, on }) => ({ id: step, says: `marked as done on ${printDate(on, order)}` })),
  ].flatMap((l) => {
    const called = name(l.id);
    return called === undefined ? [] : [{ ...l, name: called }];
  });
}

function givenOf(id: string, o: OrderAtWork): Step['given'] {
  const open = o.given.filter((g) => g.step === id && !g.done);
  if (open.length === 0) return null;
  const days = open.map((g) => g.day).sort();
  return { staff: [...new Set(open.map((g) => g.staffId))], first: days[0]!, last: days.at(-1)! };
}

function stepOf(
  s: Bare,
  o: OrderAtWork,
  house: HouseTimes,
  kinds: readonly Meeting[],
  own: OwnStep | null,
  behind: ReadonlySet<string>,
): Omit<Step, 'booked' | 'given' | 'notAfter'> | null {
  const base = {
    id: s.id,
    name: s.name,
    waits: s.waits ?? [],
    notBefore: s.notBefore ?? null,
    work: s.work ?? null,
    makes: (s.work && STEP_MAKES[s.work]) ?? null,
  };
  const kept = own ? [`set for this garment: ${own.reason}`] : null;
  if (s.kind) {
    // A kind that the house no longer has is met as its plain fitting: no visit falls out of a plan unseen.
    const kind = kinds.find((k) => k.id === s.kind) ?? kinds.find((k) => k.id === 'fitting');
    if (!kind) return null;
    const whole = s.settlesAll ? oneVisit(o.work ?? PLAIN_WORK).minutes : 0;
    const minutes = own?.minutes ?? Math.max(kind.minutes, Math.ceil(whole / 15) * 15);
    return {
      ...base,
      does: 'meeting',
      kind: kind.id,
      minutes,
      hands: kind.hands,
      why: kept ?? [`a ${kind.name} of the diary`],
    };
  }
  if (!s.work)
    return {
      ...base,
      does: 'work',
      kind: null,
      minutes: own?.minutes ?? 0,
      hands: [[s.skill!]],
      why: kept ?? [],
    };
  // After a fitting that was held, what was asked for there is known.
  const known = s.of !== undefined && behind.has(s.of);
  const reckoned = known
    ? { minutes: o.alterations, why: ['what is left of the alterations asked for'] }
    : s.minutes !== undefined
      ? { minutes: s.minutes, why: s.why ?? [] }
      : minutesOf(s.work, o.work ?? PLAIN_WORK, house);
  const minutes = own?.minutes ?? reckoned.minutes;
  if (minutes === 0 && !own) return null;
  const why =
    kept ??
    (o.work === null && s.minutes === undefined
      ? [...reckoned.why, 'no sheet yet: reckoned as a plain lined skirt']
      : reckoned.why);
  return { ...base, does: 'work', kind: null, minutes, hands: [STEP_SKILLS[s.work]], why };
}

/** The steps with those that were added, each after the one it names, or before collection where that is gone. */
function withAdded(bare: readonly Bare[], own: readonly OwnStep[]): Bare[] {
  const out: Bare[] = [...bare];
  for (const { id, added } of own) {
    if (!added) continue;
    const after = out.findIndex((s) => s.id === added.after);
    out.splice(after < 0 ? Math.max(0, out.length - 1) : after + 1, 0, {
      id,
      name: added.name,
      skill: added.skill,
    });
  }
  return out;
}

/** Which appointment is which step: by its kind; fittings of other kinds at the mirror in the order of time. */
function meetingsOf(all: readonly Bare[], o: OrderAtWork, kinds: readonly Meeting[]) {
  const booked = new Map<string, NonNullable<Step['booked']>>();
  const held = new Set<string>();
  const heldOn = new Map<string, string>();
  const fittings = all.filter((s) => s.fitting).map((s) => s.id);
  const named = new Set(all.filter((s) => s.kind && !fittings.includes(s.id)).map((s) => s.kind!));
  let next = 0;
  for (const b of o.booked) {
    const at = kinds.find((k) => k.id === b.kind)?.at ?? null;
    const id = named.has(b.kind)
      ? all.find((s) => s.kind === b.kind && !fittings.includes(s.id))!.id
      : at === 'mirror'
        ? fittings[next++]
        : undefined;
    if (id === undefined) continue;
    if (b.done) {
      held.add(id);
      if (b.day !== undefined) heldOn.set(id, b.day);
    }
    if (!b.done && !booked.has(id)) booked.set(id, { id: b.id, start: b.start, end: b.end, staff: b.staff });
  }
  return { booked, held, heldOn, fitted: fittings.filter((id) => held.has(id)).length };
}
