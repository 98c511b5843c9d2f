import {
  CLOTH_TRAITS,
  EASE_ZONES,
  FIT_CLASSES,
  findMeasure,
  formatSentence,
  ROUNDING_CHOICES,
  readLength,
  resolveAll,
  roundingOf,
  type SheetUnit,
  withUnit,
} from '@rocchetto/core';
import { checkReading } from '@rocchetto/core/checks/reading-checks.ts';
import { BriefWire, OwnRulesWire } from './brief.ts';
import type { SpecFile } from './spec.ts';
import { specReading } from './spec-reading.ts';

/** One thing that is tried on a sheet: what, of which measure, zone or trait, and what stands in its field; '' is nothing yet. */
export interface WhatIf {
  readonly what: 'reading' | 'ease' | 'fit' | 'cloth' | 'rounding';
  readonly of: string;
  readonly value: string;
}
/** The name of a change: one of each is tried at a time. */
export const nameOfTried = ({ what, of }: Pick<WhatIf, 'what' | 'of'>): string =>
  of ? `${what}.${of}` : what;

/** A sheet's spec as it would be, and for each change that cannot be tried, by its name, the reason. */
export interface Supposed {
  readonly spec: SpecFile;
  readonly refused: Readonly<Record<string, string>>;
}

/** The spec with these changes made, one after the other; nothing of it is kept. A number alone is in `unit`. */
export function suppose(spec: SpecFile, changes: readonly WhatIf[], unit: SheetUnit): Supposed {
  let now = spec;
  const refused: Record<string, string> = {};
  for (const change of changes) {
    if (change.value.trim() === '') continue;
    const made = TRY[change.what](now, change.of, change.value.trim(), unit);
    if (typeof made === 'string') refused[nameOfTried(change)] = made;
    else now = made;
  }
  return { spec: now, refused };
}

type Try = (spec: SpecFile, of: string, value: string, unit: SheetUnit) => SpecFile | string;
const TRY: Readonly<Record<WhatIf['what'], Try>> = {
  reading: supposeReading,
  ease: supposeEase,
  fit: (spec, _, value) => {
    const fit = FIT_CLASSES.find((f) => f === value);
    return fit ? { ...spec, garment: { ...spec.garment, fit } } : 'There is no such fit.';
  },
  cloth: supposeCloth,
  rounding: (spec, _, value) =>
    ROUNDING_CHOICES.some((c) => c.value === value)
      ? { ...spec, house: { ...spec.house, rounding: roundingOf(value) } }
      : 'There is no such rounding.',
};

function supposeReading(spec: SpecFile, of: string, value: string, unit: SheetUnit): SpecFile | string {
  const measure = findMeasure(of);
  if (!measure) return 'There is no measurement with this name.';
  const read = readLength(value, unit);
  if (!read.ok) return formatSentence(read.sentence, unit);
  const others = spec.readings.filter((r) => r.measure !== of);
  const nets = new Map(
    [...resolveAll(others.map((r, i) => specReading(r, i, spec)))].flatMap(([id, m]) =>
      m.net === null ? [] : [[id, m.net] as const],
    ),
  );
  const [hard] = checkReading({ measure, value: read.cm, written: read.written, way: 'whole', others: nets });
  if (hard?.level === 'hard') return formatSentence(hard.sentence, unit);
  const tried = {
    measure: of,
    value: withUnit(value, unit)!,
    state: 'read' as const,
    way: 'whole' as const,
    tape: 'snug' as const,
    source: 'taken here' as const,
    by: '',
    at: '',
    reason: '',
    note: '',
  };
  return { ...spec, readings: [...others, tried] };
}

/** As a rule of the house would give it, so that the sheet warns as it would; in place of the order's own where it has one. */
function supposeEase(spec: SpecFile, of: string, value: string, unit: SheetUnit): SpecFile | string {
  const zone = EASE_ZONES.find((z) => z === of);
  if (!zone) return 'There is no ease at this place.';
  const { own, fit } = spec.garment;
  const read = OwnRulesWire.safeParse({
    ...own,
    ease: { ...own?.ease, [zone]: withUnit(value, unit) },
    why: own?.why || 'tried',
  });
  if (!read.success) return formatSentence(read.error.issues[0]!.message, unit);
  if (own && (own.girths !== null || own.ease[zone] !== null))
    return { ...spec, garment: { ...spec.garment, own: read.data } };
  const ease = {
    ...spec.house?.ease,
    [zone]: { ...spec.house?.ease?.[zone], [fit]: withUnit(value, unit)! },
  };
  return { ...spec, house: { ...spec.house, ease } };
}

function supposeCloth(spec: SpecFile, of: string, value: string, unit: SheetUnit): SpecFile | string {
  const made = withCloth(spec.garment, of, value, unit);
  return typeof made === 'string' ? made : { ...spec, garment: made };
}

/** A brief with one thing of its cloth otherwise; a sentence where that cannot be. */
function withCloth(brief: BriefWire, of: string, value: string, unit: SheetUnit): BriefWire | string {
  const trait = CLOTH_TRAITS.find((t) => t === of);
  const percent = Number(value.replace(',', '.').replace(/\s*%$/, ''));
  if ((of === 'stretch' || of === 'stretchAlong') && !(percent >= 0 && percent <= 300))
    return `Stretch is a percentage from 0 to 300; “${value.slice(0, 40)}” is not.`;
  if (!trait && !['width', 'stretch', 'stretchAlong'].includes(of))
    return 'There is no such trait of a cloth.';
  const given = of === 'width' ? withUnit(value, unit) : trait ? value === 'yes' : percent;
  const read = BriefWire.safeParse({ ...brief, cloth: { ...brief.cloth, [of]: given } });
  return read.success ? read.data : formatSentence(read.error.issues[0]!.message, unit);
}

/** What of the things tried a brief can hold: readings are taken at the tape, rounding is the studio's. */
export const isOfBrief = ({ what, value }: WhatIf): boolean =>
  value.trim() !== '' && (what === 'fit' || what === 'cloth' || what === 'ease');

/**
 * A brief with what is tried written into it; ease becomes the order's own. A sentence where it cannot be.
 * @param why the reason for ease of its own, as a hand wrote it
 */
export function intoBrief(
  brief: BriefWire,
  changes: readonly WhatIf[],
  unit: SheetUnit,
  why: string,
): BriefWire | string {
  let now = brief;
  for (const { what, of, value } of changes.filter(isOfBrief)) {
    if (what === 'fit') {
      const fit = FIT_CLASSES.find((f) => f === value);
      if (!fit) return 'There is no such fit.';
      now = { ...now, fit };
    } else if (what === 'cloth') {
      const made = withCloth(now, of, value.trim(), unit);
      if (typeof made === 'string') return made;
      now = made;
    } else {
      const ease = { ...now.own?.ease, [of]: withUnit(value.trim(), unit) };
      const own = OwnRulesWire.safeParse({ ...now.own, ease, why: why.trim() || now.own?.why });
      if (!own.success) return formatSentence(own.error.issues[0]!.message, unit);
      now = { ...now, own: own.data };
    }
  }
  return now;
}

/** What the tape would ask of the readings that are tried, by the name of the change. */
export function doubtsOf(
  spec: SpecFile,
  changes: readonly WhatIf[],
  unit: SheetUnit,
): Readonly<Record<string, string>> {
  const measured = resolveAll(spec.readings.map((r, i) => specReading(r, i, spec)));
  const nets = new Map([...measured].flatMap(([id, m]) => (m.net === null ? [] : [[id, m.net] as const])));
  return Object.fromEntries(
    changes.flatMap(({ what, of, value }) => {
      const [measure, read] = [findMeasure(of), readLength(value, unit)];
      if (what !== 'reading' || !measure || !read.ok) return [];
      const [found] = checkReading({
        measure,
        value: read.cm,
        written: read.written,
        way: 'whole',
        others: nets,
      });
      return found?.level === 'soft'
        ? [[nameOfTried({ what, of }), formatSentence(found.sentence, unit)]]
        : [];
    }),
  );
}
