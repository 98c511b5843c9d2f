import { BriefWire } from '@rocchetto/contract';

/** How far a demo skirt has come. */
export type Until = 'brief' | 'measured' | 'draft' | 'agreed' | 'revised' | 'cut';

interface DemoSkirt {
  readonly client: number;
  readonly what: string;
  readonly occasion: string;
  /** days from today: worn, and when measured */
  readonly wornIn: number;
  readonly measuredAgo: number;
  readonly until: Until;
  readonly brief: Record<string, unknown>;
  /** fields of a straight skirt, or */
  readonly skirt?: Record<string, unknown>;
  /** the parts of another garment */
  readonly parts?: readonly Record<string, unknown>[];
  /** measures the client declined */
  readonly declined?: readonly string[];
  readonly inches?: boolean;
}

const wool = { name: 'dry wool crêpe, slate', width: '150 cm', weight: 260 };
const twill = { name: 'cotton twill, ochre', width: '140 cm', weight: 240 };
const linen = { name: 'washed linen, chalk', width: '145 cm', weight: 190 };
const silk = { name: 'silk and wool, ink', width: '135 cm', weight: 170 };

/** The skirts of the demo: every stage of the thread, both units, both schools. */
export const SKIRTS: readonly DemoSkirt[] = [
  {
    client: 0,
    what: 'Straight skirt, below the knee',
    occasion: 'a christening',
    wornIn: 34,
    measuredAgo: 3,
    until: 'draft',
    inches: true,
    brief: {
      fit: 'fitted',
      cloth: wool,
      lining: 'cupro, slate',
      beneath: 'half slip',
      shoes: 'court shoe',
      heel: '5 cm',
    },
    skirt: { length: '26 1/2 in', taper: '1/2 in', hemOpening: { kind: 'vent', height: '7 in' } },
  },
  {
    client: 4,
    what: 'Straight skirt with vent',
    occasion: 'office',
    wornIn: 21,
    measuredAgo: 9,
    until: 'agreed',
    brief: { fit: 'fitted', cloth: wool, lining: 'cupro, slate', heel: '4 cm' },
    skirt: { length: '62 cm', taper: '1 cm', hemOpening: { kind: 'vent', height: '18 cm' } },
  },
  {
    client: 1,
    what: 'Stage skirt, harbour-mistress',
    occasion: 'premiere of the light opera',
    wornIn: 20,
    measuredAgo: 6,
    until: 'measured',
    brief: {
      fit: 'semi-fitted',
      cloth: twill,
      beneath: 'dance tights',
      shoes: 'character shoe',
      heel: '6 cm',
      letOut: true,
    },
    skirt: { length: '74 cm', zip: 'left-side', hemOpening: { kind: 'slit', height: '30 cm' } },
  },
  {
    client: 2,
    what: 'Concert skirt, long',
    occasion: 'guest evening',
    wornIn: 26,
    measuredAgo: 2,
    until: 'draft',
    brief: { fit: 'fitted', school: 'envelope', cloth: silk, lining: 'silk pongé' },
    skirt: { length: '101 cm', taper: '1.5 cm', band: '0 cm', hemOpening: { kind: 'slit', height: '45 cm' } },
  },
  {
    client: 7,
    what: 'Straight skirt, knee length',
    occasion: 'a wedding, as a guest',
    wornIn: 47,
    measuredAgo: 14,
    until: 'revised',
    inches: true,
    brief: { fit: 'close', cloth: silk, lining: 'silk pongé', heel: '7 cm' },
    skirt: { length: '24 in', hemOpening: { kind: 'slit', height: '5 in' } },
  },
  {
    client: 9,
    what: 'Straight skirt in linen',
    occasion: 'summer',
    wornIn: 60,
    measuredAgo: 5,
    until: 'cut',
    inches: true,
    brief: { fit: 'semi-fitted', cloth: linen },
    skirt: { length: '25 1/4 in', zip: 'left-side' },
  },
  {
    client: 10,
    what: 'Straight skirt, midi',
    occasion: 'every day',
    wornIn: 40,
    measuredAgo: 11,
    until: 'agreed',
    brief: { fit: 'semi-fitted', cloth: twill },
    skirt: { length: '72 cm', hemOpening: { kind: 'vent', height: '20 cm' } },
  },
  {
    client: 11,
    what: 'Suit skirt',
    occasion: 'a hearing',
    wornIn: 17,
    measuredAgo: 120,
    until: 'measured',
    brief: { fit: 'fitted', cloth: wool, lining: 'cupro, slate' },
    skirt: { length: '60 cm', taper: '1 cm', hemOpening: { kind: 'vent', height: '16 cm' } },
  },
  {
    client: 14,
    what: 'Straight skirt with let-out room',
    occasion: 'every day',
    wornIn: 52,
    measuredAgo: 4,
    until: 'draft',
    declined: ['high-hip', 'tummy'],
    brief: { fit: 'fitted', cloth: twill, letOut: true },
    skirt: { length: '64 cm', hemOpening: { kind: 'vent', height: '18 cm' } },
  },
  {
    client: 16,
    what: 'Choir skirt, black',
    occasion: 'winter concert',
    wornIn: 25,
    measuredAgo: 8,
    until: 'cut',
    brief: { fit: 'loose', cloth: wool },
    skirt: { length: '98 cm' },
  },
  {
    client: 17,
    what: 'Choir skirt, black',
    occasion: 'winter concert',
    wornIn: 25,
    measuredAgo: 8,
    until: 'agreed',
    brief: { fit: 'semi-fitted', cloth: wool },
    skirt: { length: '98 cm', hemOpening: { kind: 'slit', height: '30 cm' } },
  },
  {
    client: 18,
    what: 'Choir skirt, black',
    occasion: 'winter concert',
    wornIn: 25,
    measuredAgo: 0,
    until: 'brief',
    brief: { fit: 'semi-fitted', cloth: wool },
    skirt: { length: '98 cm', hemOpening: { kind: 'slit', height: '30 cm' } },
  },
  {
    client: 3,
    what: 'Practice skirt',
    occasion: 'ballroom classes',
    wornIn: 31,
    measuredAgo: 0,
    until: 'brief',
    brief: { fit: 'fitted', cloth: twill, shoes: 'dance shoe', heel: '5.5 cm' },
    skirt: { length: '58 cm', hemOpening: { kind: 'slit', height: '20 cm' } },
  },
  {
    client: 24,
    what: 'Straight skirt, faced waist',
    occasion: 'a birthday',
    wornIn: 38,
    measuredAgo: 7,
    until: 'agreed',
    brief: { fit: 'fitted', cloth: linen, lining: 'cotton voile' },
    skirt: { length: '56 cm', band: '0 cm' },
  },
  {
    client: 5,
    what: 'Day dress with a slit',
    occasion: 'the regatta lunch',
    wornIn: 29,
    measuredAgo: 4,
    until: 'draft',
    brief: { fit: 'fitted', cloth: wool, lining: 'cupro, slate', shoes: 'court shoe', heel: '4 cm' },
    parts: [
      { part: 'darted-bodice', neckline: 'v', neckFront: '14 cm', widen: '1 cm' },
      { part: 'straight-skirt', length: '64 cm', hemOpening: 'slit', openingHeight: '20 cm' },
    ],
  },
  {
    client: 6,
    what: 'Circle skirt for the quickstep',
    occasion: 'dance school gala',
    wornIn: 45,
    measuredAgo: 3,
    until: 'agreed',
    brief: { fit: 'fitted', cloth: linen },
    parts: [{ part: 'circle-skirt', circle: '3/4', length: '58 cm', band: '3.5 cm' }],
  },
  {
    client: 12,
    what: 'Gathered summer skirt',
    occasion: 'every day',
    wornIn: 55,
    measuredAgo: 2,
    until: 'measured',
    inches: true,
    brief: { fit: 'fitted', cloth: twill },
    parts: [{ part: 'gathered-skirt', length: '27 in', ratio: 1.8, band: '1 1/2 in', overlap: '1 in' }],
  },
];

export const skirtBrief = (s: DemoSkirt): BriefWire =>
  BriefWire.parse({ ...s.brief, parts: s.parts ?? [{ part: 'straight-skirt', ...s.skirt }] });

/** Orders whose garments have no sheet yet: the book of a studio that makes more than skirts. */
export const OTHER_ORDERS: readonly (readonly [
  client: number,
  what: string,
  occasion: string,
  wornIn: number,
])[] = [
  [1, 'Boned bodice, harbour-mistress', 'premiere of the light opera', 20],
  [6, 'Dame gown with padded hips', 'premiere of the light opera', 20],
  [2, 'Concert gown, one fitting only', 'guest evening', 26],
  [3, 'Stretch costume for the quickstep', 'dance school gala', 45],
  [5, 'Coat, cut for sitting', 'winter', 50],
  [8, 'Ballet practice dress', 'dance school gala', 45],
  [12, 'Two-piece with pleats', 'an anniversary', 66],
  [13, 'Silk blouse', 'every day', 30],
  [15, 'Lined jacket', 'office', 58],
  ...Array.from(
    { length: 12 },
    (_, i) => [17 + (i % 6), `Choir gown, size ${i + 1} of 12`, 'winter concert', 25] as const,
  ),
  ...Array.from(
    { length: 22 },
    (_, i) =>
      [
        (i * 7 + 4) % 40,
        [
          'Trousers, pull-on',
          'Day dress',
          'Waistcoat',
          'Shirt',
          'Evening dress',
          'Shorten a coat',
          'Pinafore',
        ][i % 7]!,
        ['every day', 'a wedding, as a guest', 'work', 'a party'][i % 4]!,
        12 + i * 4,
      ] as const,
  ),
];
