import { type Cm, cm, inches } from '../units/length.ts';

/** How close a garment follows the body. A woven skirt is offered the first five. */
export const FIT_CLASSES = ['close', 'fitted', 'semi-fitted', 'loose', 'very-loose'] as const;
export type FitClass = (typeof FIT_CLASSES)[number];

/** The two schools of ease figures; a sheet uses one and names its class by both. */
export const SCHOOLS = ['workroom', 'envelope'] as const;
export type School = (typeof SCHOOLS)[number];
export const SCHOOL_NAME: Record<School, string> = { workroom: 'workroom', envelope: 'pattern envelope' };

/** A place on the garment that has its own ease. */
export type Zone = 'waist' | 'tummy' | 'high-hip' | 'hip';

type Row = Record<FitClass, number>;
const row = (close: number, fitted: number, semi: number, loose: number, veryLoose: number): Row => ({
  close,
  fitted,
  'semi-fitted': semi,
  loose,
  'very-loose': veryLoose,
});

/**
 * Workroom school: total girth ease, cm. Common practice, house defaults (no source). The waist row is a
 * skirt's: it hangs from its waist, so past "fitted" the waist keeps the waistband's 2.5 and only the line
 * below gets looser.
 */
export const WORKROOM: Record<Zone, Row> = {
  waist: row(1.3, 2.5, 2.5, 2.5, 2.5),
  tummy: row(2.5, 4, 7, 12, 20),
  'high-hip': row(2.5, 4, 7, 12, 20),
  hip: row(4, 5, 8, 13, 20),
};

/**
 * Pattern-envelope school at the hip (skirt, trousers, shorts): spans in inches.
 * Source: ease chart printed on commercial patterns (from memory). It has no "close" and no other zone here.
 */
export const ENVELOPE_HIP: Record<Exclude<FitClass, 'close'>, readonly [number, number]> = {
  fitted: [2, 3],
  'semi-fitted': [3.125, 4],
  loose: [4.125, 6],
  'very-loose': [6.125, 8],
};

export interface EaseRule {
  readonly ease: Cm;
  readonly because: string;
}

/** House ease figures laid over the workroom table, cm. */
export type EaseOverlay = Partial<Record<Zone, Partial<Record<FitClass, Cm>>>>;

/** The wearing ease a class gives a zone, and where it comes from. */
export function easeFor(zone: Zone, fit: FitClass, school: School, overlay: EaseOverlay = {}): EaseRule {
  const own = overlay[zone]?.[fit];
  if (own !== undefined) return { ease: own, because: `House figure for ${fit} at the ${zone}.` };
  if (school === 'envelope' && zone === 'hip' && fit !== 'close') {
    const [lo, hi] = ENVELOPE_HIP[fit];
    const middle = Math.round(((lo + hi) / 2) * 8) / 8;
    return {
      ease: inches(middle),
      because: `Pattern-envelope chart, ${fit} at the hip: the middle of its span (chart from memory).`,
    };
  }
  const note = school === 'envelope' ? ' (the envelope chart has no figure here)' : '';
  const band =
    zone === 'waist'
      ? ' A skirt hangs from its waist, so the waist never takes more than a waistband’s 2.5 cm.'
      : '';
  return {
    ease: cm(WORKROOM[zone][fit]),
    because: `Workroom table, ${fit} at the ${zone}${note} (common practice).${band}`,
  };
}

/** Least ease in a woven without stretch, cm, with the reason. House floors (common practice, no source). */
export const FLOORS: Partial<Record<Zone, { least: Cm; why: string }>> = {
  waist: { least: cm(1.3), why: 'room to breathe and to eat' },
  hip: { least: cm(4), why: 'room to sit' },
};

/** The class an actual ease falls in: the workroom class whose figure is nearest. */
export function workroomClass(zone: Zone, ease: Cm): FitClass {
  let best: FitClass = 'close';
  for (const fit of FIT_CLASSES)
    if (Math.abs(WORKROOM[zone][fit] - ease) < Math.abs(WORKROOM[zone][best] - ease) - 1e-9) best = fit;
  return best;
}

/** The class of a hip ease by the envelope chart, to the eighth of an inch it is printed in: the last span it reaches; "under fitted" below 2 in. */
export function envelopeClass(ease: Cm): string {
  const asInches = Math.round((ease / 2.54) * 8) / 8;
  const reached = Object.entries(ENVELOPE_HIP).filter(([, [lo]]) => asInches >= lo);
  return reached.at(-1)?.[0] ?? 'under fitted';
}
