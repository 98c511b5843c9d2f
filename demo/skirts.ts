import { BriefWire } from '@rocchetto/contract';
import { GARMENTS, partFor } from '@rocchetto/core';

/** How far a demo skirt has come. */
export type Until = 'brief' | 'measured' | 'draft' | 'agreed' | 'revised' | 'cut';

export interface DemoSkirt {
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
  /** a garment worn over it, of the same order and the same measuring */
  readonly over?: {
    readonly what: string;
    readonly brief: Record<string, unknown>;
    readonly parts: readonly Record<string, unknown>[];
  };
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

/** A garment of the house with what this order asks of it: fields laid over every part that has them but the sleeves. */
const garment = (id: string, fields: Readonly<Record<string, unknown>> = {}) =>
  GARMENTS.find((g) => g.id === id)!.parts.map((p) => ({
    ...p,
    ...Object.fromEntries(
      Object.entries(fields).filter(([f]) => p.part !== 'sleeve' && f in partFor(String(p.part)).fields),
    ),
  }));

const jersey = { name: 'viscose jersey, moss', width: '150 cm', weight: 220, stretch: 60 };
const satin = { name: 'duchess satin, ash', width: '140 cm', weight: 230 };

interface Made {
  readonly parts: readonly Record<string, unknown>[];
  readonly brief: Record<string, unknown>;
}
const made = (
  id: string,
  brief: Record<string, unknown>,
  fields: Readonly<Record<string, unknown>> = {},
): Made => ({ parts: garment(id, fields), brief });

/** What the studio makes besides skirts. */
const KINDS = {
  bustier: made('bustier', { fit: 'boned', cloth: satin, lining: 'silk pongé' }, { reduction: '3 cm' }),
  gown: made(
    'gown',
    { fit: 'fitted', cloth: satin, lining: 'silk pongé', heel: '6 cm' },
    { length: '94 cm', train: '15 cm' },
  ),
  dame: made('princess-dress', { fit: 'semi-fitted', cloth: twill }, { length: '92 cm', flare: '12 cm' }),
  concert: made(
    'princess-dress',
    { fit: 'fitted', cloth: silk, lining: 'silk pongé' },
    { length: '92 cm', neckline: 'sweetheart', shaping: 'darts', neckFront: '14 cm' },
  ),
  dance: made(
    'stretch-dress',
    { fit: 'close', cloth: jersey },
    { length: '96 cm', neckFront: '13 cm', widen: '4 cm' },
  ),
  sitting: made(
    'day-dress-gathered',
    { fit: 'semi-fitted', cloth: wool, lining: 'cupro, slate' },
    { length: '62 cm' },
  ),
  practice: made('t-shirt', { fit: 'close', cloth: jersey }, { neckFront: '12 cm', widen: '3 cm' }),
  pleats: made(
    'pleated-skirt',
    { fit: 'fitted', cloth: wool },
    { length: '64 cm', pleats: 'box', count: 18 },
  ),
  blouse: made(
    'shirt-blouse',
    { fit: 'semi-fitted', cloth: silk },
    { neckBack: '2.5 cm', neckFront: '9 cm', widen: '1 cm' },
  ),
  bolero: made(
    'day-dress-sleeved',
    { fit: 'fitted', cloth: wool, lining: 'cupro, slate' },
    { length: '60 cm', shaping: 'princess-armhole' },
  ),
  choir: made('gored-skirt', { fit: 'fitted', cloth: twill }, { length: '90 cm', gores: '8', flare: '8 cm' }),
  pullOn: made('pull-on-trousers', { fit: 'fitted', cloth: linen }),
  day: made(
    'day-dress-straight',
    { fit: 'fitted', cloth: linen },
    { length: '60 cm', openingHeight: '18 cm' },
  ),
  waistcoat: made(
    'bodice',
    { fit: 'fitted', cloth: wool, lining: 'cupro, slate' },
    {
      zip: 'centre-front',
      closes: 'buttons',
      neckline: 'v',
      neckFront: '20 cm',
      shaping: 'princess-shoulder',
    },
  ),
  shirt: made(
    'shirt-blouse',
    { fit: 'semi-fitted', cloth: linen },
    { neckBack: '2.5 cm', neckFront: '9 cm', widen: '1 cm' },
  ),
  evening: made(
    'gown',
    { fit: 'fitted', cloth: silk, lining: 'silk pongé', heel: '7 cm' },
    { length: '93 cm', train: '12 cm', flare: '10 cm' },
  ),
  trousers: made('trousers', { fit: 'fitted', cloth: wool }),
  pinafore: made(
    'day-dress-circle',
    { fit: 'fitted', cloth: twill },
    { length: '55 cm', circle: '1/2', neckFront: '16 cm', neckline: 'square' },
  ),
} as const;
type Kind = keyof typeof KINDS;

/** What is worn over the last pinafore, in the same order. */
const JACKET = {
  what: 'Jacket over the pinafore',
  brief: { fit: 'semi-fitted', cloth: { ...wool, name: 'wool bouclé, slate', frays: true } },
  parts: garment('jacket', { below: '20 cm' }),
};

/** A garment that was made elsewhere and is brought in: it has no brief and no sheet. */
export const BROUGHT_IN = { client: 39, what: 'Shorten a coat', occasion: 'work', wornIn: 32 } as const;

/** The rest of the book: a studio that makes more than skirts. */
export const OTHER_ORDERS: readonly (Made & {
  readonly client: number;
  readonly what: string;
  readonly occasion: string;
  readonly wornIn: number;
  readonly measuredAgo: number;
  readonly until: Until;
  readonly over?: DemoSkirt['over'];
})[] = (
  [
    [1, 'Boned bodice, harbour-mistress', 'premiere of the light opera', 20, 'bustier'],
    [6, 'Dame gown with padded hips', 'premiere of the light opera', 20, 'dame'],
    [2, 'Concert gown, one fitting only', 'guest evening', 26, 'concert'],
    [3, 'Stretch costume for the quickstep', 'dance school gala', 45, 'dance'],
    [5, 'Dress, cut for sitting', 'winter', 50, 'sitting'],
    [8, 'Ballet practice top', 'dance school gala', 45, 'practice'],
    [12, 'Skirt with box pleats', 'an anniversary', 66, 'pleats'],
    [13, 'Silk blouse', 'every day', 30, 'blouse'],
    [15, 'Lined dress, princess seams', 'office', 58, 'bolero'],
    ...Array.from(
      { length: 12 },
      (_, i) => [17 + (i % 6), `Choir skirt, size ${i + 1} of 12`, 'winter concert', 25, 'choir'] as const,
    ),
    ...Array.from({ length: 21 }, (_, i) => {
      const kinds = [
        ['Trousers, pull-on', 'pullOn'],
        ['Day dress', 'day'],
        ['Waistcoat', 'waistcoat'],
        ['Shirt', 'shirt'],
        ['Evening dress', 'evening'],
        ['Trousers with a fly', 'trousers'],
        ['Pinafore', 'pinafore'],
      ] as const;
      const [what, kind] = kinds[i % 7]!;
      return [
        (i * 7 + 4) % 40,
        what,
        ['every day', 'a wedding, as a guest', 'work', 'a party'][i % 4]!,
        12 + i * 4,
        kind,
      ] as const;
    }),
  ] as const satisfies readonly (readonly [number, string, string, number, Kind])[]
).map(([client, what, occasion, wornIn, kind], i) => ({
  client,
  what,
  occasion,
  wornIn,
  measuredAgo: 2 + ((i * 5) % 13),
  until: wornIn < 27 ? ('agreed' as const) : ('measured' as const),
  ...KINDS[kind],
  ...(i === 41 ? { over: JACKET } : {}),
}));
