import { say } from '../../units/print.ts';

/**
 * What is read off a garment, pattern or toile that lies flat on a table: relaxed, neither pulled nor wrinkled, the
 * tape parallel or square to an imagined grid, always from the stitch line, allowances out. Widths are halves and say
 * so (common practice, no source).
 */
export const FLAT_CUTS = ['set-in', 'raglan', 'strapless', 'skirt', 'trousers'] as const;
export type FlatCut = (typeof FLAT_CUTS)[number];
export const CUT_NAME: Readonly<Record<FlatCut, string>> = {
  'set-in': 'top or dress, sleeve set in or none',
  raglan: 'top or dress, raglan sleeve',
  strapless: 'bodice or dress without shoulders',
  skirt: 'skirt',
  trousers: 'trousers',
};
export const LAID = ['garment', 'pattern', 'toile'] as const;
export type Laid = (typeof LAID)[number];

export interface FlatPoint {
  readonly id: string;
  readonly name: string;
  /** a half of what goes round; the whole is twice it */
  readonly half: boolean;
  readonly how: string;
  /** the measure of the body it is set beside */
  readonly body?: string;
}

type Row = readonly [id: string, name: string, half: 0 | 1, how: string, body?: string];
type Rows = readonly Row[];

const NECK: Rows = [
  [
    'neck-drop-front',
    'front neck drop',
    0,
    'From the line between the side-necks straight down to the neck seam at centre front.',
    'neck-depth-front',
  ],
  [
    'neck-drop-back',
    'back neck drop',
    0,
    'From the line between the side-necks straight down to the neck seam at centre back.',
    'neck-depth-back',
  ],
  [
    'half-neck',
    'half neck width',
    1,
    'Side-neck to centre, straight across; the band is left out.',
    'neck-width',
  ],
];
const SLEEVE_END: Row = [
  'half-end',
  'half sleeve end',
  1,
  'Across the end of the sleeve, edge to edge.',
  'wrist',
];
const ARM: Row = [
  'half-upper-arm',
  'half upper arm',
  1,
  'Across the sleeve just below the armpit, square to its fold.',
  'upper-arm',
];
const HIP_DROP: Row = [
  'hip-drop',
  'waist to hip level',
  0,
  'From the waist seam or its notch straight down to the hip level, square to the grain.',
  'waist-to-hip',
];
const FROM_NECK =
  'From the side-neck, found with the neck template at half the neck width from the centre, straight down, square to the grain,';
/** Heights on what hangs from the shoulder. */
const HEIGHTS: Rows = [
  [
    'bust-height',
    'side-neck to bust',
    0,
    `${FROM_NECK} to the bust line or the point of its dart.`,
    'neck-to-bust',
  ],
  [
    'underbust-height',
    'side-neck to under bust',
    0,
    `${FROM_NECK} to the under-bust line or seam.`,
    'neck-to-underbust',
  ],
  [
    'waist-front',
    'front waist length',
    0,
    `${FROM_NECK} in front to the waist seam or its notch.`,
    'neck-to-waist-front',
  ],
  [
    'waist-back',
    'back waist length',
    0,
    `${FROM_NECK} behind to the waist seam or its notch.`,
    'neck-to-waist-back',
  ],
  HIP_DROP,
];
const BODY: Rows = [
  [
    'side-neck-length',
    'side-neck length',
    0,
    'From the shoulder seam at the neck straight down to the hem, parallel to the centre; not from the collar.',
    'garment-length',
  ],
  [
    'centre-back-length',
    'centre back length',
    0,
    `From the neck seam at centre back to the hem. About ${say(2.5)} less than from the side-neck, in every size.`,
    'nape-to-hem',
  ],
  ['half-chest', 'half chest', 1, 'Armpit to armpit, straight across.', 'bust'],
  [
    'half-waist',
    'half waist',
    1,
    'Across at the waist notch; without one, midway between armpit and hem.',
    'waist',
  ],
  ['half-hip', 'half hip', 1, 'Across at the hip level, where the piece reaches it.', 'hip'],
  ['half-hem', 'half hem', 1, 'Across the hem, edge to edge, along its curve.'],
];

/** What hangs from the shoulder is read in a fitter's order: lengths, bust, neck and shoulder, waist and hip, sleeve. */
const ORDER = [
  ...[
    'side-neck-length',
    'centre-back-length',
    'waist-front',
    'waist-back',
    'bust-height',
    'underbust-height',
  ],
  ...['hip-drop', 'half-chest', 'armhole', 'shoulders', 'shoulder', 'half-neck'],
  ...[
    'neck-drop-front',
    'neck-drop-back',
    'half-waist',
    'half-hip',
    'half-hem',
    'sleeve',
    'half-upper-arm',
    'half-end',
  ],
];
const inOrder = (rows: Rows): Rows => [...rows].sort((a, b) => ORDER.indexOf(a[0]) - ORDER.indexOf(b[0]));

const ROWS: Readonly<Record<FlatCut, Rows>> = {
  'set-in': inOrder([
    ...BODY,
    [
      'shoulders',
      'shoulder to shoulder',
      0,
      'Between the shoulder ends, straight across the back.',
      'across-shoulder',
    ],
    ['shoulder', 'shoulder length', 0, 'Along the shoulder seam, neck seam to sleeve seam.', 'shoulder'],
    [
      'sleeve',
      'sleeve length',
      0,
      'From the shoulder seam at the sleeve’s top to the end, along the fold.',
      'arm-length',
    ],
    [
      'armhole',
      'armhole, square',
      0,
      'From the level of the shoulder end straight down to the level of the armpit, never along the slant.',
    ],
    ARM,
    SLEEVE_END,
    ...NECK,
    ...HEIGHTS,
  ]),
  raglan: inOrder([
    ...BODY,
    [
      'sleeve',
      'sleeve length',
      0,
      'From the neck seam at the sleeve’s top to the end, along the fold.',
      'neck-to-wrist',
    ],
    [
      'armhole',
      'armhole, square',
      0,
      'From the level of the neck seam straight down to the level of the armpit, never along the slant.',
    ],
    ARM,
    SLEEVE_END,
    ...NECK,
    ...HEIGHTS,
  ]),
  strapless: [
    [
      'top-front',
      'upper edge above the waist, front',
      0,
      'From the waist seam or its notch straight up to the upper edge, over the bust point.',
    ],
    [
      'top-side',
      'upper edge above the waist, side',
      0,
      'Along the side seam from the waist to the upper edge.',
      'underarm-to-waist',
    ],
    [
      'top-back',
      'upper edge above the waist, back',
      0,
      'At centre back from the waist straight up to the upper edge.',
    ],
    HIP_DROP,
    ['half-chest', 'half bust', 1, 'Across at the bust line, edge to edge.', 'bust'],
    ['half-underbust', 'half under bust', 1, 'Across at the under-bust line, edge to edge.', 'underbust'],
    ['half-waist', 'half waist', 1, 'Across at the waist seam or its notch.', 'waist'],
    ['half-hip', 'half hip', 1, 'Straight across at the hip level, where the piece reaches it.', 'hip'],
    ['half-hem', 'half hem', 1, 'Along the hem, edge to edge.'],
    ['length-front', 'length, centre front', 0, 'From the waist to the hem at centre front.'],
  ],
  skirt: [
    HIP_DROP,
    ['half-waist', 'half waist', 1, 'Along the upper edge, band included when it is worn so.', 'waist'],
    ['half-hip', 'half hip', 1, 'Straight across at the hip level.', 'hip'],
    ['half-hem', 'half hem', 1, 'Along the hem, edge to edge.'],
    [
      'length-front',
      'length, centre front',
      0,
      'Waist seam to hem at centre front, the band left out.',
      'hem-front',
    ],
    ['length-side', 'length, side', 0, 'Waist seam to hem along the side.', 'hem-left'],
    ['length-back', 'length, centre back', 0, 'Waist seam to hem at centre back.', 'hem-back'],
  ],
  trousers: [
    ['half-waist', 'half waist', 1, 'Along the upper edge.', 'waist'],
    ['half-hip', 'half hip', 1, 'Straight across at the hip level, below the fly’s end.', 'hip'],
    [
      'rise-front',
      'rise, front',
      0,
      'From the crotch seam along the front seam to the upper edge.',
      'crotch-front',
    ],
    [
      'rise-back',
      'rise, back',
      0,
      'From the crotch seam along the back seam to the upper edge.',
      'crotch-back',
    ],
    ['half-thigh', 'half thigh', 1, `Across one leg, ${say(2.5)} below the crotch.`, 'thigh'],
    [
      'half-knee',
      'half knee',
      1,
      'Across one leg at the knee notch; without one, midway of the inseam.',
      'knee',
    ],
    ['half-hem', 'half hem', 1, 'Across the end of one leg.', 'heel-instep'],
    ['inseam', 'inseam', 0, 'Crotch seam to hem along the inside leg.', 'inseam'],
    ['outseam', 'outseam', 0, 'Upper edge to hem along the side.', 'outseam'],
  ],
};

const POINTS = Object.fromEntries(
  FLAT_CUTS.map((cut) => [
    cut,
    ROWS[cut].map(
      ([id, name, half, how, body]): FlatPoint => ({
        id,
        name,
        half: half === 1,
        how,
        ...(body ? { body } : {}),
      }),
    ),
  ]),
) as unknown as Readonly<Record<FlatCut, readonly FlatPoint[]>>;

/** What is read off a cut, in the order of the table. */
export const flatPoints = (cut: FlatCut): readonly FlatPoint[] => POINTS[cut];
/** One reading of a cut; undefined for an id the cut does not have. */
export const findFlatPoint = (cut: FlatCut, id: string): FlatPoint | undefined =>
  POINTS[cut].find((p) => p.id === id);
