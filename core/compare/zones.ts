import type { EaseZone } from '../garment/tables/fit.ts';
import { ALLOWED_DIFFERENCE } from '../measures/agreement.ts';
import type { AgreementClass } from '../measures/catalogue.ts';
import { findMeasure } from '../measures/catalogue.ts';
import { type Cm, cm } from '../units/length.ts';

/** By what a size is chosen: the kind of the garment. */
export const PROFILES = [
  'upper',
  'upper-over-full',
  'upper-ends-high',
  'skirt',
  'full-skirt',
  'trousers',
  'pull-on',
] as const;
export type Profile = (typeof PROFILES)[number];
const BY_HIGH_BUST = 'by high bust and cup: shoulder, neck and armhole are altered least well';
export const PROFILE_SAYS: Readonly<Record<Profile, string>> = {
  upper: BY_HIGH_BUST,
  'upper-over-full': `${BY_HIGH_BUST}; its skirt goes over any hip`,
  'upper-ends-high': `${BY_HIGH_BUST}; its skirt hangs free from under the bust`,
  skirt: 'by the hip: the waist is altered easily',
  'full-skirt': 'by the waist: the cloth goes over any hip',
  trousers: 'by the hip and the seat: the waist is altered easily',
  'pull-on': 'by the largest girth it has to pass',
};

/** How hard it is to alter: hardly well, by a change of cup, easily by grading. */
export const WORKS = ['hard', 'middle', 'easy'] as const;
export type Work = (typeof WORKS)[number];

/** What a chart may say of a place on the garment. */
export interface Zone {
  readonly id: string;
  /** the ease table's name of it; without one the garment is as long there as the body */
  readonly ease: EaseZone | null;
  /** how many edges share a change of the whole */
  readonly edges: number;
  /** where it is added or taken, after the amount */
  readonly where: string;
  readonly length?: true;
  /** never graded at its seams: drawn anew */
  readonly redrawn?: true;
}

const SIDE = 'at each of the four side-seam edges';
const z = (id: string, ease: EaseZone | null, edges: number, where: string, length?: true): Zone => ({
  id,
  ease,
  edges,
  where,
  ...(length ? { length } : {}),
});
/** Where a pattern is made wider or longer, in a fitter's order (common practice, no source). */
const ZONES: readonly Zone[] = [
  z('nape-to-waist', 'neck-to-waist', 1, 'at the line between underarm and waist, front and back', true),
  z('neck-to-waist-front', 'neck-to-waist', 1, 'at the line between bust and waist, in front', true),
  z('neck-to-waist-back', 'neck-to-waist', 1, 'at the line between underarm and waist, behind', true),
  z('neck-to-underbust', null, 1, 'at the line between bust and under bust, in front', true),
  z('neck-to-bust', null, 1, 'at the line above the bust: the bust point and its dart move with it', true),
  z('armhole-depth', 'armhole-depth', 1, 'at the line across the armhole, front, back and sleeve cap', true),
  z('bust', 'bust', 2, 'at each centre front and side front, by a change of cup; the back stays'),
  {
    ...z('high-bust', 'high-bust', 4, 'take shoulder, neck and armhole from another size'),
    redrawn: true,
  },
  z('underbust', 'underbust', 4, SIDE),
  z('across-shoulder', null, 2, 'at each end of the shoulders, into the armhole'),
  z('shoulder', null, 1, 'at the end of each shoulder, into the armhole'),
  z('across-back', 'across-back', 2, 'at each armhole, behind'),
  z('across-front', 'across-back', 2, 'at each armhole, in front'),
  z('neck-base', null, 2, 'at the neckline, half of it on each side'),
  z('waist', 'waist', 4, SIDE),
  z('high-hip', 'high-hip', 4, SIDE),
  z('hip', 'hip', 4, SIDE),
  z('waist-to-hip', null, 1, 'at the line between waist and hip, front and back', true),
  z('rise', 'rise', 1, 'at the line between waist and crotch, front and back', true),
  z('crotch-length', null, 2, 'at each crotch point, front and back', true),
  z('thigh', 'thigh', 4, 'at the inside and the outside of front and back, nothing at the knee'),
  z('knee', null, 4, 'at the inside and the outside of front and back'),
  z('inseam', null, 1, 'half above the knee and half below it', true),
  z('outseam', null, 1, 'half above the knee and half below it', true),
  z(
    'upper-arm',
    'upper-arm',
    2,
    'at each edge of the sleeve, nothing at its end; the cap follows its armhole',
  ),
  z('wrist', 'wrist', 2, 'at each edge of the sleeve’s end'),
  z('arm-length', null, 1, 'half above the elbow and half below it', true),
  z('garment-length', null, 1, 'at the line below the waist, all round', true),
];
const BY_ID = new Map(ZONES.map((zone) => [zone.id, zone]));
/** The zone of a measure; undefined where ease is not compared at it. */
export const findZone = (id: string): Zone | undefined => BY_ID.get(id);
/** The place of a zone in the order in which a fitter looks; −1 for none. */
export const zoneOrder = (id: string): number => ZONES.findIndex((zone) => zone.id === id);

const UPPER: ReadonlySet<Profile> = new Set(['upper', 'upper-over-full', 'upper-ends-high']);
/** Whether a garment hangs from the shoulders. */
export const isUpper = (profile: Profile): boolean => UPPER.has(profile);
const HARD_ABOVE = [
  'high-bust',
  'across-shoulder',
  'shoulder',
  'across-back',
  'across-front',
  'neck-base',
  'armhole-depth',
];
const MIDDLE_ABOVE = ['bust', 'neck-to-bust'];
const HARD: Readonly<Record<Profile, readonly string[]>> = {
  upper: HARD_ABOVE,
  'upper-over-full': HARD_ABOVE,
  'upper-ends-high': HARD_ABOVE,
  skirt: ['hip'],
  'full-skirt': ['waist'],
  trousers: ['hip', 'rise', 'crotch-length'],
  'pull-on': ['hip'],
};
const MIDDLE: Readonly<Record<Profile, readonly string[]>> = {
  upper: MIDDLE_ABOVE,
  'upper-over-full': MIDDLE_ABOVE,
  'upper-ends-high': MIDDLE_ABOVE,
  skirt: [],
  'full-skirt': [],
  trousers: ['thigh'],
  'pull-on': ['thigh'],
};
/** Where a change runs out, of waist and hip (common practice). */
export const runsOut = (profile: Profile, id: string): string => {
  const legs = profile === 'trousers' || profile === 'pull-on';
  if (id === 'hip')
    return legs ? ', from the waist to nothing at the knee' : ', from the waist down to the hem';
  return id !== 'waist' ? '' : isUpper(profile) ? ', nothing at the underarm' : ', nothing at the hip';
};
const OF_LEGS = ['rise', 'crotch-length', 'thigh', 'knee', 'inseam', 'outseam'];
const OF_HIPS = ['hip', 'high-hip', 'waist-to-hip'];
/** What a chart may say that a kind of garment does not go by. */
const LEFT: Readonly<Record<Profile, readonly string[]>> = {
  upper: OF_LEGS,
  'upper-over-full': [...OF_LEGS, ...OF_HIPS],
  'upper-ends-high': [...OF_LEGS, ...OF_HIPS, 'waist'],
  skirt: ['bust', 'high-bust', 'underbust', 'rise', 'crotch-length', 'thigh', 'knee', 'inseam', 'outseam'],
  'full-skirt': [
    ...['hip', 'high-hip', 'bust', 'high-bust', 'underbust'],
    ...['rise', 'crotch-length', 'thigh', 'knee', 'inseam', 'outseam', 'waist-to-hip'],
  ],
  trousers: ['bust', 'high-bust', 'underbust'],
  // Its elastic holds the waist.
  'pull-on': ['bust', 'high-bust', 'underbust', 'waist', 'high-hip'],
};
const UPPER_ONLY = [
  ...['nape-to-waist', 'neck-to-waist-front', 'neck-to-bust', 'armhole-depth', 'across-shoulder', 'shoulder'],
  ...['across-back', 'across-front', 'neck-base', 'upper-arm', 'wrist', 'arm-length'],
];

/** How hard a zone is to alter on this kind of garment; null where it does not go by it. */
export function workOf(profile: Profile, id: string): Work | null {
  if (!BY_ID.has(id) || LEFT[profile].includes(id)) return null;
  if (!isUpper(profile) && UPPER_ONLY.includes(id)) return null;
  return HARD[profile].includes(id) ? 'hard' : MIDDLE[profile].includes(id) ? 'middle' : 'easy';
}

/** A difference that measuring itself makes, cm (ISO 20685-1, from memory). */
export const withinMeasuring = (id: string): Cm =>
  ALLOWED_DIFFERENCE[(findMeasure(id)?.agree ?? 'segment') as AgreementClass] ?? cm(0.5);

const FULL = ['circle-skirt', 'gathered-skirt', 'tiered-skirt', 'pleated-skirt'];
/** By what a size of these parts is chosen. */
export function profileOf(parts: readonly { readonly part: string; readonly ends?: unknown }[]): Profile {
  const has = (...ids: string[]) => parts.some((q) => ids.includes(q.part));
  if (has('pull-on-trousers', 'knit-skirt')) return 'pull-on';
  if (has('trousers')) return 'trousers';
  const skirt = parts.find((q) => q.part.endsWith('skirt') && q.part !== 'overskirt');
  const only = parts.every((q) => q === skirt || ['details', 'overskirt'].includes(q.part));
  const full = skirt !== undefined && FULL.includes(skirt.part);
  if (skirt && only) return full ? 'full-skirt' : 'skirt';
  return !full ? 'upper' : parts.some((q) => q.ends === 'under-bust') ? 'upper-ends-high' : 'upper-over-full';
}
