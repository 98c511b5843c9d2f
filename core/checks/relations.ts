import type { Cm } from '../units/length.ts';
import { say } from '../units/print.ts';

/** A rule that holds between figures of one session. All figures cm. Common practice, no source. */
export interface Relation {
  readonly code: string;
  readonly level: 'hard' | 'soft';
  readonly touches: readonly string[];
  /** the sentence when the rule is broken, else null; figures come in the order of `touches` */
  readonly says: (figures: readonly Cm[]) => string | null;
}

const p = say;

const grows = (shorter: string, longer: string, a: string, b: string): Relation => ({
  code: `${shorter}-before-${longer}`,
  level: 'hard',
  touches: [shorter, longer],
  says: ([s, l]) =>
    s! >= l! ? `${a} (${p(s!)}) must be less than ${b} (${p(l!)}): both start at the waist cord.` : null,
});

const partOf = (arc: string, girth: string, name: string): Relation[] => [
  {
    code: `${arc}-part-of-whole`,
    level: 'hard',
    touches: [arc, girth],
    says: ([a, g]) =>
      a! >= g! ? `The front ${name} arc (${p(a!)}) cannot be as long as the whole ${name} (${p(g!)}).` : null,
  },
  {
    code: `${arc}-share`,
    level: 'soft',
    touches: [arc, girth],
    says: ([a, g]) => {
      const share = (100 * a!) / g!;
      return a! < g! && (share < 44 || share > 62)
        ? `The front arc is ${Math.round(share)} % of the ${name}; 44 to 62 % is usual. Are the side seams where they should be?`
        : null;
    },
  },
];

/** By how much a front length may be under a back length, or over it, before it is asked, cm (house figures). */
const LENGTHS = { under: 1, over: 9 } as const;
/** From the side-neck down to the underarm there are at least, cm (house figure). */
const LEAST_ARMHOLE = 14;
/** Across back or front is at most this part of the bust (house figure: about 0.4 on a metric block, from memory). */
const ACROSS = 0.47;
/** Shoulders slope between these, degrees (house figures: 20 on a metric block, from memory). */
const SLOPE = { least: 6, most: 38 } as const;

/** A neck is so wide from side-neck to side-neck, cm, and a usual shoulder slopes so many degrees (house figures). */
const NECK = { least: 9, most: 20 } as const;
const USUAL_SLOPE = 20;
/** Across shoulder and its parts are at most so far apart, cm (handbook, common practice). */
const SHOULDERS_APART = 3;

const unlikely = (code: string, touches: readonly string[], says: Relation['says']): Relation => ({
  code,
  level: 'soft',
  touches,
  says,
});

export const RELATIONS: readonly Relation[] = [
  grows('waist-to-high-hip', 'waist-to-hip', 'The high-hip drop', 'the hip drop'),
  grows('waist-to-tummy', 'waist-to-hip', 'The tummy drop', 'the hip drop'),
  grows('waist-to-hip', 'waist-to-knee', 'The hip drop', 'waist to knee'),
  grows('waist-to-knee', 'waist-to-floor', 'Waist to knee', 'waist to floor'),
  grows('waist-to-hip', 'waist-to-floor', 'The hip drop', 'waist to floor'),
  ...partOf('hip-front', 'hip', 'hip'),
  ...partOf('waist-front', 'waist', 'waist'),
  ...partOf('tummy-front', 'tummy', 'tummy'),
  unlikely('waist-over-hip', ['waist', 'hip'], ([w, h]) =>
    w! > h!
      ? `The waist (${p(w!)}) reads larger than the hip (${p(h!)}). Check which is which, and the tape's level.`
      : null,
  ),
  unlikely('waist-over-tummy', ['waist', 'tummy'], ([w, t]) =>
    w! > t!
      ? `The waist (${p(w!)}) reads larger than the tummy (${p(t!)}). Is the cord still in its place?`
      : null,
  ),
  unlikely('hip-under-high-hip', ['hip', 'high-hip'], ([h, hh]) =>
    h! < hh! - 2
      ? `The hip (${p(h!)}) reads more than ${say(2)} under the high hip (${p(hh!)}). Slide the tape down until the number stops growing.`
      : null,
  ),
  unlikely('waist-over-high-hip', ['waist', 'high-hip'], ([w, hh]) =>
    w! > hh! ? `The waist (${p(w!)}) reads larger than the high hip (${p(hh!)}). Read both again?` : null,
  ),
  unlikely('knee-share', ['waist-to-knee', 'waist-to-floor'], ([k, f]) =>
    k! < f! && k! > 0.65 * f!
      ? `Waist to knee is ${Math.round((100 * k!) / f!)} % of waist to floor; more than 65 % is unlikely.`
      : null,
  ),
  ...['front', 'left', 'right', 'back'].map((s) =>
    unlikely(`hem-${s}-past-floor`, [`hem-${s}`, 'waist-to-floor'], ([hem, floor]) =>
      hem! > floor!
        ? `The hem (${p(hem!)}) lies below the floor (${p(floor!)} in the shoes). A train? Then mind the trip hazard.`
        : null,
    ),
  ),
  unlikely('hem-sides-differ', ['hem-left', 'hem-right'], ([l, r]) =>
    Math.abs(l! - r!) > 2
      ? `The two sides differ by ${p(Math.abs(l! - r!))}. Weight even on both feet? Shoes on?`
      : null,
  ),
  unlikely('rise-and-inseam', ['waist-to-floor', 'inseam', 'rise'], ([f, i, r]) =>
    Math.abs(f! - i! - r!) > 4
      ? `Waist to floor and inside leg plus rise are ${p(Math.abs(f! - i! - r!))} apart; up to ${say(4)} is usual.`
      : null,
  ),
  unlikely('underbust-over-bust', ['underbust', 'bust'], ([u, b]) =>
    u! >= b! ? `Under bust (${p(u!)}) reads no less than bust (${p(b!)}). Read both again?` : null,
  ),
  unlikely('high-bust-over-bust', ['high-bust', 'bust'], ([h, b]) =>
    h! > b! ? `High bust (${p(h!)}) reads larger than bust (${p(b!)}). Read both again?` : null,
  ),
  // A centimetre more in front is about four degrees of bust dart (handbook, true shape): what no dart can be is asked here.
  unlikely('front-under-back-length', ['neck-to-waist-front', 'neck-to-waist-back'], ([f, b]) =>
    f! < b! - LENGTHS.under
      ? `Side-neck to waist reads ${p(f!)} in front and ${p(b!)} behind: a front over a bust is the longer. Read both again, the front over the bust point?`
      : null,
  ),
  unlikely('front-over-back-length', ['neck-to-waist-front', 'neck-to-waist-back'], ([f, b]) =>
    f! > b! + LENGTHS.over
      ? `Side-neck to waist reads ${p((f! - b!) as Cm)} more in front than behind: the bust dart would be some ${Math.round(16.6 + 4 * (f! - b! - 1.5))} degrees. Read both again?`
      : null,
  ),
  unlikely('side-height-over-back', ['underarm-to-waist', 'neck-to-waist-back'], ([s, b]) =>
    s! > b! - LEAST_ARMHOLE
      ? `A side height of ${p(s!)} under a back length of ${p(b!)} leaves ${p((b! - s!) as Cm)} from the side-neck to the underarm: no arm goes through. Read both again?`
      : null,
  ),
  ...(['across-back', 'across-front'] as const).map((id) =>
    unlikely(`${id}-over-bust`, [id, 'bust'], ([a, b]) =>
      a! > ACROSS * b!
        ? `${id === 'across-back' ? 'Across back' : 'Across front'} (${p(a!)}) is more than a bust of ${p(b!)} allows: nothing is left for the armhole. Read both again?`
        : null,
    ),
  ),
  unlikely('back-beside-front-arc', ['bust', 'bust-front', 'across-back'], ([b, f, a]) =>
    f! < b! && b! - f! <= a!
      ? `A bust of ${p(b!)} less its front arc of ${p(f!)} leaves ${p((b! - f!) as Cm)} behind, no more than across back (${p(a!)}): nothing is left for the armhole. Read front arc and across back again?`
      : null,
  ),
  unlikely('neck-between-shoulders', ['across-shoulder', 'shoulder'], ([a, s]) => {
    const left = a! - 2 * s! * Math.cos((USUAL_SLOPE * Math.PI) / 180);
    return left < NECK.least || left > NECK.most
      ? `Across shoulder (${p(a!)}) leaves ${p(Math.max(0, left) as Cm)} for the neck between two shoulders of ${p(s!)}; ${p(NECK.least)} to ${p(NECK.most)} is usual. Read both again, and the neck width?`
      : null;
  }),
  unlikely('across-shoulder-parts', ['across-shoulder', 'shoulder', 'neck-width'], ([a, s, n]) => {
    const parts = 2 * s! + n!;
    return Math.abs(a! - parts) > SHOULDERS_APART
      ? `Across shoulder (${p(a!)}) and two shoulders with the neck width (${p(parts as Cm)}) are ${p(Math.abs(a! - parts) as Cm)} apart; up to ${p(SHOULDERS_APART)} is usual. Read them again?`
      : null;
  }),
  unlikely('shoulder-slope', ['shoulder-drop', 'shoulder'], ([d, l]) => {
    const slope = d! >= l! ? 90 : (Math.asin(d! / l!) * 180) / Math.PI;
    return slope < SLOPE.least || slope > SLOPE.most
      ? `A shoulder of ${p(l!)} that drops ${p(d!)} slopes ${Math.round(slope)} degrees; ${SLOPE.least} to ${SLOPE.most} is usual. Read both again?`
      : null;
  }),
];

const TOUCHING = new Map<string, readonly Relation[]>();
for (const r of RELATIONS) for (const id of r.touches) TOUCHING.set(id, [...(TOUCHING.get(id) ?? []), r]);

/** The relations that a measure stands in, in the order they are asked. */
export const relationsOf = (measure: string): readonly Relation[] => TOUCHING.get(measure) ?? [];
