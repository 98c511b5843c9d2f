/** The five treatments, in the order of ISO 3758 (from memory): words only. */
export const TREATMENTS = ['washing', 'bleaching', 'drying', 'ironing', 'professional care'] as const;
export type Treatment = (typeof TREATMENTS)[number];

/** What each treatment may be, the gentlest first; a garment takes the gentlest of all that is in it. */
export const DEGREES: Readonly<Record<Treatment, readonly string[]>> = {
  washing: [
    'Do not wash.',
    'Wash by hand, at most 40 °C; do not wring.',
    'Wash at most at 30 °C, very gently.',
    'Wash at most at 30 °C, gently.',
    'Wash at most at 40 °C.',
    'Wash at most at 60 °C.',
  ],
  bleaching: ['Do not bleach.', 'Bleach with oxygen only, no chlorine.'],
  drying: [
    'Dry flat, in the shade; do not tumble.',
    'Dry on a line or hanger; do not tumble.',
    'Tumble at low heat at most.',
    'May be tumbled.',
  ],
  ironing: [
    'Do not iron.',
    'Iron at most at 110 °C, without steam.',
    'Iron at most at 150 °C, through a cloth.',
    'Iron at most at 200 °C.',
  ],
  'professional care': [
    'Do not dry clean.',
    'Professional cleaning, very gently, hydrocarbon solvents only.',
    'Professional dry cleaning, gently.',
    'Professional dry cleaning.',
  ],
};

/** What one fibre bears: a degree for each treatment, in their order. */
export interface Fibre {
  readonly id: string;
  /** words by which it is known in the name of a cloth */
  readonly known: readonly string[];
  readonly bears: readonly [
    washing: number,
    bleaching: number,
    drying: number,
    ironing: number,
    professional: number,
  ];
}

/** Common practice of workrooms, without a source; the maker’s own label goes before it. */
export const FIBRES: readonly Fibre[] = [
  { id: 'cotton', known: ['cotton', 'calico', 'muslin', 'denim', 'poplin'], bears: [5, 1, 3, 3, 3] },
  { id: 'linen', known: ['linen', 'flax'], bears: [4, 1, 2, 3, 3] },
  {
    id: 'wool',
    known: ['wool', 'worsted', 'tweed', 'flannel', 'mohair', 'cashmere'],
    bears: [1, 0, 0, 2, 2],
  },
  { id: 'silk', known: ['silk', 'dupion', 'habotai'], bears: [1, 0, 1, 1, 2] },
  { id: 'viscose', known: ['viscose', 'rayon', 'lyocell', 'modal'], bears: [3, 0, 1, 2, 2] },
  { id: 'cupro', known: ['cupro', 'bemberg'], bears: [2, 0, 1, 2, 2] },
  { id: 'acetate', known: ['acetate', 'triacetate'], bears: [1, 0, 1, 1, 1] },
  { id: 'polyester', known: ['polyester', 'microfibre'], bears: [4, 0, 2, 1, 3] },
  { id: 'polyamide', known: ['polyamide', 'nylon', 'tulle'], bears: [3, 0, 1, 1, 2] },
  {
    id: 'elastane',
    known: ['elastane', 'spandex', 'stretch', 'jersey', 'power net'],
    bears: [3, 0, 1, 1, 2],
  },
  { id: 'velvet', known: ['velvet', 'velour'], bears: [0, 0, 1, 0, 2] },
  { id: 'leather', known: ['leather', 'suede'], bears: [0, 0, 1, 0, 0] },
  { id: 'fur', known: ['fur', 'feather', 'feathers'], bears: [0, 0, 1, 0, 0] },
  { id: 'metal thread', known: ['lamé', 'lurex', 'metallic', 'brocade'], bears: [0, 0, 1, 1, 1] },
  {
    id: 'sequins or beads',
    known: ['sequin', 'sequins', 'sequined', 'bead', 'beads', 'beaded'],
    bears: [1, 0, 0, 0, 1],
  },
];

/** The fibres that the name of a cloth tells, in the order of the table; empty where it tells none. */
export function fibresIn(name: string): Fibre[] {
  const words = name.toLowerCase();
  return FIBRES.filter((f) =>
    f.known.some((k) => new RegExp(`(^|[^\\p{L}])${k}($|[^\\p{L}])`, 'u').test(words)),
  );
}
