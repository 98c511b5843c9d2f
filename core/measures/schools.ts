/** The ways of measuring that differ between schools, each with its choices, the usual one first (handbook of the house). */
export const SCHOOL_CHOICES = {
  heightFrom: { name: 'Heights begin at', of: ['side-neck', 'nape', 'mid-shoulder'] },
  frontLengths: { name: 'Lengths down the front', of: ['from one origin', 'piece by piece'] },
  sides: { name: 'Left and right', of: ['one side', 'both sides'] },
  neckDepth: { name: 'Neckline depth', of: ['straight', 'slanted', 'up from the waist'] },
  sleeveGirth: { name: 'Sleeve girths', of: ['snug', 'with the ease in the tape'] },
  sleeveFrom: { name: 'Sleeve length from', of: ['shoulder point', 'side-neck', 'nape'] },
} as const;
/** Where a session takes the waist and the hip, the usual way first; the session’s record holds it in these words. */
export const LEVEL_RULES = {
  waist: {
    name: 'Waist taken',
    of: [
      'where the body folds when bending sideways',
      'narrowest girth',
      'where this garment’s waist will sit',
      'at or under the navel',
    ],
  },
  hip: {
    name: 'Hip taken',
    of: [
      'fullest seat, seen from the side',
      'a fixed drop below the waist',
      'riding the tape down until it stops growing',
    ],
  },
} as const;
export interface LevelRules {
  readonly waist: string;
  readonly hip: string;
}
export const USUAL_LEVELS: LevelRules = { waist: LEVEL_RULES.waist.of[0], hip: LEVEL_RULES.hip.of[0] };

export type SchoolMatter = keyof typeof SCHOOL_CHOICES;
export const SCHOOL_MATTERS = Object.keys(SCHOOL_CHOICES) as SchoolMatter[];
export type Schools = { readonly [K in SchoolMatter]: (typeof SCHOOL_CHOICES)[K]['of'][number] };
export const USUAL_SCHOOLS = Object.fromEntries(
  SCHOOL_MATTERS.map((k) => [k, SCHOOL_CHOICES[k].of[0]]),
) as unknown as Schools;

/** What is read in place of another, by school. */
const INSTEAD: readonly {
  readonly when: (s: Schools) => boolean;
  readonly of: Readonly<Record<string, readonly string[]>>;
}[] = [
  { when: (s) => s.heightFrom === 'nape', of: { 'neck-to-waist-back': ['nape-to-waist'] } },
  {
    when: (s) => s.heightFrom === 'mid-shoulder',
    of: {
      'neck-to-waist-front': ['shoulder-to-waist-front'],
      'neck-to-waist-back': ['shoulder-to-waist-back'],
    },
  },
  {
    when: (s) => s.frontLengths === 'piece by piece',
    of: {
      'neck-to-underbust': ['neck-to-bust', 'bust-to-underbust'],
      'neck-to-waist-front': ['neck-to-bust', 'bust-to-waist'],
      'arm-length': ['shoulder-to-elbow', 'elbow-to-wrist'],
      'crotch-length': ['crotch-front', 'crotch-back'],
    },
  },
  { when: (s) => s.sleeveFrom === 'side-neck', of: { 'arm-length': ['shoulder', 'neck-to-wrist'] } },
  { when: (s) => s.sleeveFrom === 'nape', of: { 'arm-length': ['across-shoulder', 'nape-to-wrist'] } },
];

/** What of a standing list a seated client cannot give, and what is taken instead. */
const SEATED: Readonly<Record<string, readonly string[]>> = {
  hip: ['hip-seated'],
  'high-hip': [],
  'waist-to-high-hip': [],
  'waist-to-hip': ['waist-to-seat-back'],
  'waist-to-tummy': ['waist-to-lap'],
  'hip-front': [],
  'waist-to-knee': ['waist-to-knee-seated'],
  'waist-to-floor': ['waist-to-knee-seated', 'knee-to-footrest'],
  'hem-front': ['waist-to-knee-seated', 'lap-to-hem'],
  'hem-left': [],
  'hem-right': [],
  'hem-back': ['seat-to-hem-back'],
  stature: [],
};

interface Item {
  readonly id: string;
  readonly needed: boolean;
}

/** A measuring list in the house’s or the session’s school, for a client who stands or sits. */
export function listBy(
  list: readonly Item[],
  schools: Schools,
  { seated, sided }: { readonly seated: boolean; readonly sided: (id: string) => boolean },
): Item[] {
  const out = new Map<string, boolean>();
  const add = (id: string, needed: boolean) => out.set(id, (out.get(id) ?? false) || needed);
  for (const { id, needed } of list) {
    const other = INSTEAD.find((x) => x.when(schools) && id in x.of)?.of[id] ?? [id];
    for (const one of other)
      for (const at of seated ? (SEATED[one] ?? [one]) : [one])
        if (schools.sides === 'both sides' && sided(at)) {
          add(`${at}-left`, needed);
          add(`${at}-right`, needed);
        } else add(at, needed);
  }
  return [...out].map(([id, needed]) => ({ id, needed }));
}

const WAIST_SAYS: Readonly<Record<string, string>> = {
  'narrowest girth': 'In this session at the narrowest girth between rib and hip, seen from the front.',
  'where this garment’s waist will sit':
    'In this session at the cord where this garment’s waist will sit, wherever the body folds.',
  'at or under the navel': 'In this session at or just under the navel.',
};
const HIP_SAYS: Readonly<Record<string, string>> = {
  'a fixed drop below the waist':
    'In this session at a fixed drop below the waist cord, often 18, 20 or 23 cm (7, 8 or 9 in), whatever lies there.',
  'riding the tape down until it stops growing':
    'In this session ride the tape down from the waist: where the number stops growing is the hip.',
};
/** What is read from the waist cord downwards, so that the waist’s rule moves it too. */
const FROM_WAIST = /^(waist-to-|hem-|outseam)/;

function levelSays(id: string, { waist, hip }: LevelRules): string {
  if (/^waist(-front|-back)?$/.test(id)) return WAIST_SAYS[waist] ?? '';
  if (/^hip(-front|-back)?$/.test(id)) return HIP_SAYS[hip] ?? '';
  if (id === 'waist-to-hip' && hip === 'a fixed drop below the waist')
    return 'In this session the drop is set, not found: write the one that you set at the side.';
  if (FROM_WAIST.test(id) && WAIST_SAYS[waist]) return 'In this session from the waist as it was taken.';
  return '';
}

/** Where on the drawn figure the waist lies under a rule, when it is not where the body folds. */
export const drawnWaist = (rule: string): 'garment-waist' | null =>
  rule === 'where this garment’s waist will sit' || rule === 'at or under the navel' ? 'garment-waist' : null;

/** What the school changes in how a measure is taken, a sentence; '' where it changes nothing. */
export function schoolSays(id: string, s: Schools, levels: LevelRules = USUAL_LEVELS): string {
  const level = levelSays(id, levels);
  if (level) return level;
  if (id.startsWith('neck-depth-') && s.neckDepth !== 'straight')
    return s.neckDepth === 'slanted'
      ? 'In this session slanted, from side-neck to the point wanted.'
      : 'In this session upward, from the waist cord to the point wanted.';
  if (/^(upper-arm|elbow|forearm|wrist)(-|$)/.test(id) && s.sleeveGirth !== 'snug')
    return 'In this session with the ease already in the tape, as loose as the sleeve will be; say so with the fingers under it.';
  return '';
}
