import {
  type AppointmentKind,
  type Hours,
  hoursWords,
  NEEDS,
  type Need,
  ROOM_USES,
  SKILLS,
  STANDS_AT,
} from '@rocchetto/core';
import { DEFAULT_OPENING, kindsOf } from '@rocchetto/core/diary/house.ts';
import {
  MESSAGE_FIELDS,
  MESSAGE_KINDS,
  PAGE_WORD_IDS,
  type PageWord,
  unknownFields,
} from '@rocchetto/core/diary/words.ts';
import { HOME_FIELDS, HOME_WORD_IDS } from '@rocchetto/core/measures/guide/home-words.ts';
import { z } from 'zod';
import { Id, IsoDate, Version } from './basics.ts';
import { LanguageTag, languageName } from './language.ts';

export const short = (max: number) => z.string().trim().max(max).default('');
const name = (what: string) => z.string().trim().min(1, `${what} needs a name.`).max(80);

/** A wall time hh:mm, 00:00 to 23:59. */
export const WallTime = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'Type times as 09:30.');
const EndTime = z.union([WallTime, z.literal('24:00')]);

export const HoursWire = z
  .array(
    z
      .strictObject({ weekday: z.int().min(1).max(7), from: WallTime, to: EndTime })
      .refine((h) => h.from < h.to, 'The end must be after the start.'),
  )
  .max(28)
  .refine(
    (all) =>
      !all.some((a, i) =>
        all.some((b, k) => i < k && a.weekday === b.weekday && a.from < b.to && b.from < a.to),
      ),
    'Hours of one day overlap. Leave a break between them.',
  );

/** How somebody works: what the diary needs to know of them. */
export const StaffWork = z.strictObject({
  skills: z.array(z.enum(SKILLS)).max(SKILLS.length),
  initials: z.string().trim().max(3, 'Enter at most three letters.').default(''),
  mark: z.int().min(0).max(11).default(0),
  hours: HoursWire,
});
export type StaffWork = z.infer<typeof StaffWork>;

/** How a member of staff's weekly hours are stored. */
export const StoredHours = z.strictObject({ version: z.literal(1), hours: HoursWire });

export const RoomWrite = z.strictObject({
  name: name('A room'),
  goodFor: z.array(z.enum(ROOM_USES)).max(ROOM_USES.length),
});
export type RoomWrite = z.infer<typeof RoomWrite>;

const days = {
  firstDay: IsoDate,
  lastDay: IsoDate,
};
const inOrder = (d: { firstDay: string; lastDay: string }) => d.firstDay <= d.lastDay;
export const ORDER = 'The last day is before the first. Check the dates.';
export const LeaveWrite = z.strictObject({ staffId: Id, reason: short(200), ...days }).refine(inOrder, ORDER);
export type LeaveWrite = z.infer<typeof LeaveWrite>;
export const ClosureWrite = z.strictObject({ name: name('A closed day'), ...days }).refine(inOrder, ORDER);
export type ClosureWrite = z.infer<typeof ClosureWrite>;

const KindWire = z.strictObject({
  /** what it is called; a kind of core's keeps its own name when none is said */
  name: z.string().trim().min(1, 'Enter a name for the appointment type.').max(60).optional(),
  /** whether it is offered when a time is booked; those booked already stand */
  offered: z.boolean().optional(),
  minutes: z.int().min(5).max(720),
  buffer: z.int().min(0).max(120),
  hands: z
    .array(z.array(z.enum(SKILLS)).min(1))
    .min(1)
    .max(4),
  room: z.array(z.enum(ROOM_USES)).nullable(),
  need: z.enum(Object.keys(NEEDS) as [Need, ...Need[]]).nullable(),
  /** where the client stands for it; as is usual for the kind where nothing is said */
  at: z.enum(STANDS_AT).nullable().optional(),
});
const wording = (max: number, known: Readonly<Record<string, string>> = MESSAGE_FIELDS) =>
  z
    .string()
    .trim()
    .min(1, 'Enter the text of the message.')
    .max(max)
    .superRefine((text, c) => {
      const strange = unknownFields(text, known);
      if (strange.length > 0)
        c.addIssue({
          code: 'custom',
          message: `There is no field {${strange.join('}, {')}}. It can use ${Object.keys(known)
            .map((f) => `{${f}}`)
            .join(' ')}.`,
        });
    });
const WordsWire = z.strictObject({ subject: wording(200), body: wording(4000) });
const LanguageWire = z.strictObject({
  words: z.partialRecord(z.enum(MESSAGE_KINDS), WordsWire).default({}),
  page: z.partialRecord(z.enum(PAGE_WORD_IDS as [PageWord, ...PageWord[]]), wording(300)).default({}),
  home: z
    .partialRecord(z.enum(HOME_WORD_IDS as [string, ...string[]]), wording(600, HOME_FIELDS))
    .default({}),
  kinds: z.record(z.string().max(40), wording(60, {})).default({}),
});

/** Opening hours and kinds of appointment as the house has them; kinds it does not name are core's. */
export const DiaryRules = z.strictObject({
  version: z.literal(1).default(1),
  opening: HoursWire.default([]),
  kinds: z.record(z.string().max(40), KindWire).default({}),
  /** the house's own wording of what a client is told; kinds it does not name are core's */
  words: z.partialRecord(z.enum(MESSAGE_KINDS), WordsWire).default({}),
  /** the same, and the client's own page, in further languages; what one lacks is said as the house says it */
  languages: z.record(LanguageTag, LanguageWire).default({}),
});
export type DiaryRules = z.infer<typeof DiaryRules>;
export const DiaryRulesChange = z.strictObject({ version: Version, rules: DiaryRules });

/** One thing that a change of the diary's rules moved, in words. */
export const DiaryRuleMoved = z.strictObject({
  name: z.string(),
  from: z.string(),
  to: z.string(),
});
export type DiaryRuleMoved = z.infer<typeof DiaryRuleMoved>;
export const DiaryRuleChange = z.strictObject({
  /** ISO instant */
  at: z.string(),
  by: z.string(),
  moved: z.array(DiaryRuleMoved).readonly(),
});
export type DiaryRuleChange = z.infer<typeof DiaryRuleChange>;

/** Other hours, the house’s (null) or one member of staff’s, or a kind that is to be changed. */
export const ImpactAsked = z.union([
  z.strictObject({ staffId: Id.nullable(), hours: HoursWire }),
  z.strictObject({ kind: z.string().max(40) }),
]);
export type ImpactAsked = z.infer<typeof ImpactAsked>;

/** Bookings ahead outside the hours asked about, or of the kind: they stand all the same. */
export const ImpactPreview = z.strictObject({
  count: z.number(),
  first: z
    .array(
      z.strictObject({
        id: z.number(),
        clientName: z.string(),
        when: z.string(),
      }),
    )
    .readonly(),
});
export type ImpactPreview = z.infer<typeof ImpactPreview>;

/** What a kind is, thing by thing, in words. */
const kindWords = (k: AppointmentKind): Readonly<Record<string, string>> => ({
  name: k.name,
  minutes: String(k.minutes),
  changing: `${k.buffer} min`,
  takes: k.hands.map((any) => any.join(' or ')).join(', and '),
  room: k.room === null ? 'none' : k.room.join(', ') || 'any',
  needs: k.need ? NEEDS[k.need] : 'nothing',
  'stands at': k.at ?? 'elsewhere',
  offered: k.offered === false ? 'no' : 'yes',
});
const open = (hours: readonly Hours[]) => hoursWords(hours.length > 0 ? hours : DEFAULT_OPENING);

/** What differs between two states of the diary's rules: opening hours, kinds, and whose wording changed. */
export function diaryRulesMoved(before: DiaryRules, after: DiaryRules): DiaryRuleMoved[] {
  const was = new Map(kindsOf(before.kinds).map((k) => [k.id, k]));
  const [from, to] = [open(before.opening), open(after.opening)];
  const kinds = kindsOf(after.kinds).flatMap((k): DiaryRuleMoved[] => {
    const old = was.get(k.id);
    const now = kindWords(k);
    if (!old) return [{ name: k.name, from: '', to: `a new type, ${k.minutes} minutes` }];
    const then = kindWords(old);
    return Object.keys(now).flatMap((key) =>
      now[key] === then[key] ? [] : [{ name: `${old.name}, ${key}`, from: then[key]!, to: now[key]! }],
    );
  });
  const words = MESSAGE_KINDS.flatMap((kind): DiaryRuleMoved[] => {
    const same = JSON.stringify(before.words[kind] ?? null) === JSON.stringify(after.words[kind] ?? null);
    const whose = (r: DiaryRules) => (r.words[kind] ? r.words[kind].subject : 'the usual text');
    return same
      ? []
      : [{ name: `text, ${kind.replaceAll('-', ' ')}`, from: whose(before), to: whose(after) }];
  });
  const tags = [...new Set([...Object.keys(before.languages), ...Object.keys(after.languages)])].sort();
  const count = (r: DiaryRules, tag: string) => {
    const of = r.languages[tag];
    const n = of ? [of.words, of.page, of.home, of.kinds].reduce((a, t) => a + Object.keys(t).length, 0) : 0;
    return of ? `${n} ${n === 1 ? 'text' : 'texts'}` : 'none';
  };
  const languages = tags.flatMap((tag): DiaryRuleMoved[] =>
    JSON.stringify(before.languages[tag] ?? null) === JSON.stringify(after.languages[tag] ?? null)
      ? []
      : [{ name: `texts in ${languageName(tag)}`, from: count(before, tag), to: count(after, tag) }],
  );
  return [...(from === to ? [] : [{ name: 'open', from, to }]), ...kinds, ...words, ...languages];
}

/** The id of a new kind, from its name; with a number where the house has one of that id. */
export function kindIdOf(name: string, taken: readonly string[]): string {
  const plain =
    name
      .toLowerCase()
      .normalize('NFKD')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 32) || 'kind';
  if (!taken.includes(plain)) return plain;
  for (let n = 2; ; n++) if (!taken.includes(`${plain}-${n}`)) return `${plain}-${n}`;
}
