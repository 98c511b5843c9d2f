import { type Cm, cm, inches } from '../../units/length.ts';
import { say } from '../../units/print.ts';

/** How close a garment follows the body. Second skin asks for a cloth that stretches; boned for bones that hold it. */
export const FIT_CLASSES = [
  'second-skin',
  'boned',
  'close',
  'fitted',
  'semi-fitted',
  'loose',
  'very-loose',
] as const;
export type FitClass = (typeof FIT_CLASSES)[number];
/** Fits that lie as near as close ones do: their seams are wider, their measurings stale sooner. */
export const isClose = (fit: string | null): boolean =>
  fit === 'close' || fit === 'second-skin' || fit === 'boned';

/** The two schools of ease figures; a sheet uses one and names its class by both. */
export const SCHOOLS = ['workroom', 'envelope'] as const;
export type School = (typeof SCHOOLS)[number];
export const SCHOOL_NAME: Record<School, string> = { workroom: 'workroom', envelope: 'pattern envelope' };

/** A place on the garment that has its own ease. The body lines among them are the zones of `lines.ts`. */
export type EaseZone =
  | 'high-bust'
  | 'bust'
  | 'underbust'
  | 'waist'
  | 'tummy'
  | 'high-hip'
  | 'hip'
  | 'upper-arm'
  | 'elbow'
  | 'wrist'
  | 'thigh'
  | 'across-back'
  | 'armhole-depth'
  | 'neck-to-waist'
  | 'rise';
export const EASE_ZONES: readonly EaseZone[] = [
  'high-bust',
  'bust',
  'underbust',
  'waist',
  'tummy',
  'high-hip',
  'hip',
  'upper-arm',
  'elbow',
  'wrist',
  'thigh',
  'across-back',
  'armhole-depth',
  'neck-to-waist',
  'rise',
];

/** From where a garment hangs: a skirt from its waist, a dress from the shoulders. */
export type Hang = 'waist' | 'shoulder';

type Row = Record<FitClass, number>;
const row = (
  close: number,
  fitted: number,
  semi: number,
  loose: number,
  veryLoose: number,
  boned: number = close,
): Row => ({
  // What lies like a second skin has nothing to spare; the stretch is taken off beside it.
  'second-skin': 0,
  boned,
  close,
  fitted,
  'semi-fitted': semi,
  loose,
  'very-loose': veryLoose,
});

/** Workroom school: total girth ease, cm. Common practice, house defaults (no source). */
export const WORKROOM: Record<EaseZone, Row> = {
  'high-bust': row(1.3, 2.5, 4, 7, 12, 1.3),
  bust: row(2.5, 5, 8, 13, 21, 1.3),
  underbust: row(1.3, 4, 8, 13, 21, 0),
  waist: row(1.3, 5, 7, 12, 20, 0.6),
  tummy: row(2.5, 4, 7, 12, 20, 0.6),
  'high-hip': row(2.5, 4, 7, 12, 20, 0.6),
  hip: row(4, 5, 8, 13, 20, 2.5),
  'upper-arm': row(2.5, 5, 7, 10, 15),
  elbow: row(2, 4, 6, 9, 14),
  wrist: row(1.5, 5, 6, 8, 12),
  thigh: row(2, 4, 6, 10, 16),
  'across-back': row(1, 1.5, 2.5, 4, 6, 0),
  'armhole-depth': row(1.5, 2, 3, 4.5, 6),
  'neck-to-waist': row(0.5, 0.6, 1, 1.5, 2, 0),
  // The handbook's half centimetre for close ones lies under its own floor of one: the floor counts.
  rise: row(1, 1.3, 2, 3, 4),
};
/**
 * The waist of what hangs from it: past "fitted" it keeps the waistband's 2.5 and only the lines below get looser.
 * With the ease of a dress it would slide to the hip.
 */
const WAIST_HANGING = row(1.3, 2.5, 2.5, 2.5, 2.5, 0.6);

/** Pattern-envelope school, spans in inches. Source: ease chart printed on commercial patterns (from memory). */
export type Spans = Partial<Record<FitClass, readonly [number, number]>>;
export const ENVELOPE: Partial<Record<EaseZone, Spans>> = {
  bust: {
    close: [0, 2.875],
    fitted: [3, 4],
    'semi-fitted': [4.125, 5],
    loose: [5.125, 8],
    'very-loose': [8.125, 10],
  },
  hip: { fitted: [2, 3], 'semi-fitted': [3.125, 4], loose: [4.125, 6], 'very-loose': [6.125, 8] },
};

export interface EaseRule {
  readonly ease: Cm;
  readonly because: string;
}

/** House ease figures laid over the workroom table, cm; above them what an order has of its own. */
export type EaseOverlay = Partial<Record<EaseZone, Partial<Record<FitClass, Cm>>>> & {
  readonly own?: Partial<Record<EaseZone, EaseRule>>;
};

/** A class of fit as it is read: “very loose”, “semi-fitted”. */
export const fitWord = (fit: string): string => (fit === 'very-loose' ? 'very loose' : fit);

/** The wearing ease a class gives a zone, and where it comes from. */
export function easeFor(
  zone: EaseZone,
  fit: FitClass,
  school: School,
  hang: Hang,
  overlay: EaseOverlay = {},
): EaseRule {
  const at = zone === 'underbust' ? 'under bust' : zone.replaceAll('-', ' ');
  const ordered = overlay.own?.[zone];
  if (ordered) return ordered;
  const own = overlay[zone]?.[fit];
  const word = fitWord(fit);
  if (own !== undefined) return { ease: own, because: `House figure for ${word} at the ${at}.` };
  const span = ENVELOPE[zone]?.[fit];
  if (school === 'envelope' && span) {
    const middle = Math.round(((span[0] + span[1]) / 2) * 8) / 8;
    return {
      ease: inches(middle),
      because: `Pattern-envelope chart, ${word} at the ${at}: the middle of its span (chart from memory).`,
    };
  }
  const note = school === 'envelope' ? ' (the envelope chart has no figure here)' : '';
  const hangs = zone === 'waist' && hang === 'waist';
  const band = hangs
    ? ` What hangs from the waist never takes more there than a waistband’s ${say(2.5)}, or it would slide to the hip.`
    : '';
  return {
    ease: cm((hangs ? WAIST_HANGING : WORKROOM[zone])[fit]),
    because: `Workroom table, ${word} at the ${at}${note} (common practice).${band}`,
  };
}

/** Least ease in a woven without stretch, cm, with the reason. House floors (common practice, no source). */
export const FLOORS: Partial<Record<EaseZone, { least: Cm; why: string }>> = {
  bust: { least: cm(2.5), why: 'room to breathe' },
  waist: { least: cm(1.3), why: 'room to breathe and to eat' },
  hip: { least: cm(4), why: 'room to sit' },
  'upper-arm': { least: cm(2.5), why: 'room to lift the arm' },
  rise: { least: cm(1), why: 'room to sit down' },
};

/** The class an actual ease falls in: the workroom class whose figure is nearest. */
export function workroomClass(
  zone: EaseZone,
  ease: Cm,
  hang: Hang = 'shoulder',
  briefed: FitClass = 'fitted',
): FitClass {
  const table = zone === 'waist' && hang === 'waist' ? WAIST_HANGING : WORKROOM[zone];
  let best: FitClass = 'close';
  // Bones and stretch are chosen, not read off an ease.
  for (const fit of FIT_CLASSES.filter((f) => f === briefed || !['boned', 'second-skin'].includes(f)))
    if (Math.abs(table[fit] - ease) < Math.abs(table[best] - ease) - 1e-9) best = fit;
  return best;
}

/** The class of an ease by the envelope chart, to the eighth of an inch it is printed in: the last span it reaches; null where the chart has no row. */
export function envelopeClass(zone: EaseZone, ease: Cm): string | null {
  const spans = ENVELOPE[zone];
  if (!spans) return null;
  const asInches = Math.round((ease / 2.54) * 8) / 8;
  const reached = Object.entries(spans).filter(([, [lo]]) => asInches >= lo);
  return reached.at(-1)?.[0] ?? 'under fitted';
}
