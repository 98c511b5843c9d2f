/** The ways of measuring that differ between schools, each with its choices, the usual one first (handbook of the house). */
export const SCHOOL_CHOICES = {
  heightFrom: { name: 'Heights begin at', of: ['side-neck', 'nape', 'mid-shoulder'] },
  frontLengths: { name: 'Lengths down the front', of: ['from one origin', 'piece by piece'] },
  sides: { name: 'Left and right', of: ['one side', 'both sides'] },
  neckDepth: { name: 'Neckline depth', of: ['straight', 'slanted', 'up from the waist'] },
  sleeveGirth: { name: 'Sleeve girths', of: ['snug', 'with the ease in the tape'] },
  sleeveFrom: { name: 'Sleeve length from', of: ['shoulder point', 'side-neck', 'nape'] },
} as const;
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

/** What the school changes in how a measure is taken, a sentence; '' where it changes nothing. */
export function schoolSays(id: string, s: Schools): string {
  if (id.startsWith('neck-depth-') && s.neckDepth !== 'straight')
    return s.neckDepth === 'slanted'
      ? 'In this session slanted, from side-neck to the point wanted.'
      : 'In this session upward, from the waist cord to the point wanted.';
  if (/^(upper-arm|elbow|forearm|wrist)(-|$)/.test(id) && s.sleeveGirth !== 'snug')
    return 'In this session with the ease already in the tape, as loose as the sleeve will be; say so with the fingers under it.';
  return '';
}
