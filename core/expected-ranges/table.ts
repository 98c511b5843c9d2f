/** What moves a figure: how full, how tall, the bust, the seat, the frame of bones. Each is 0 for the usual, 1 one spread more. */
export const FACTORS = ['fullness', 'height', 'bust', 'seat', 'frame'] as const;
export type Loads = readonly [fullness: number, height: number, bust: number, seat: number, frame: number];

/** One measure of the net: its mean and spread in cm, and how much each factor moves it, in spreads. */
export interface NetRow {
  readonly mean: number;
  readonly spread: number;
  readonly loads: Loads;
  readonly source: string;
}

const HOUSE = 'studio figure';
const STEPS = 'slopes of the size steps of EN 13402-3 (from memory); spread a studio figure';
const TABLE = 'mean near the metric size table (Aldrich, from memory); spread a studio figure';

// Means and spreads over adults of any gender. What two measures have in common is the sum of the products of their
// loads: no other correlation is assumed. Fronts go with their wholes beyond the factors, see PART_OF.
// biome-ignore format: a table
export const NET: Readonly<Record<string, NetRow>> = {
  'neck-base':        { mean: 38,   spread: 3.2,  loads: [0.72, 0.14, 0,    0,     0.40], source: TABLE },
  'neck-mid':         { mean: 36,   spread: 3.2,  loads: [0.72, 0.14, 0,    0,     0.40], source: HOUSE },
  'high-bust':        { mean: 93,   spread: 9.5,  loads: [0.90, 0.10, 0.12, 0,     0.28], source: HOUSE },
  bust:               { mean: 98,   spread: 12,   loads: [0.90, 0.03, 0.34, 0,     0.14], source: STEPS },
  underbust:          { mean: 84,   spread: 10.5, loads: [0.91, 0.06, 0,    0,     0.27], source: HOUSE },
  waist:              { mean: 83,   spread: 13,   loads: [0.95, 0,    0,    -0.10, 0.10], source: STEPS },
  tummy:              { mean: 95,   spread: 12.5, loads: [0.94, 0,    0,    0.12,  0.02], source: HOUSE },
  'high-hip':         { mean: 97,   spread: 11.5, loads: [0.91, 0.02, 0,    0.27,  0.02], source: HOUSE },
  hip:                { mean: 104,  spread: 10.8, loads: [0.88, 0.05, 0,    0.36,  0],    source: STEPS },
  thigh:              { mean: 59,   spread: 6.5,  loads: [0.82, 0.02, 0,    0.40,  0],    source: HOUSE },
  'mid-thigh':        { mean: 52,   spread: 6,    loads: [0.82, 0.04, 0,    0.36,  0.05], source: HOUSE },
  knee:               { mean: 38,   spread: 3.4,  loads: [0.74, 0.22, 0,    0.24,  0.14], source: HOUSE },
  'below-knee':       { mean: 34.5, spread: 3.1,  loads: [0.74, 0.22, 0,    0.22,  0.16], source: HOUSE },
  calf:               { mean: 37,   spread: 3.3,  loads: [0.74, 0.17, 0,    0.18,  0.16], source: HOUSE },
  ankle:              { mean: 24.5, spread: 2,    loads: [0.54, 0.30, 0,    0.10,  0.36], source: HOUSE },
  'heel-instep':      { mean: 32.5, spread: 2.3,  loads: [0.36, 0.46, 0,    0,     0.40], source: HOUSE },
  'crotch-length':    { mean: 71,   spread: 6.5,  loads: [0.74, 0.36, 0,    0.30,  0],    source: HOUSE },
  trunk:              { mean: 160,  spread: 9.5,  loads: [0.62, 0.62, 0.14, 0.15,  0.10], source: HOUSE },
  'bust-front':       { mean: 52,   spread: 7,    loads: [0.84, 0.02, 0.40, 0,     0.06], source: HOUSE },
  'bust-back':        { mean: 46,   spread: 5.6,  loads: [0.86, 0.05, 0.10, 0,     0.26], source: HOUSE },
  'underbust-front':  { mean: 43,   spread: 5.6,  loads: [0.88, 0.05, 0.05, 0,     0.20], source: HOUSE },
  'waist-front':      { mean: 43,   spread: 7,    loads: [0.92, 0,    0,    -0.08, 0.08], source: HOUSE },
  'waist-back':       { mean: 40,   spread: 6.4,  loads: [0.91, 0,    0,    -0.08, 0.12], source: HOUSE },
  'tummy-front':      { mean: 50,   spread: 7,    loads: [0.91, 0,    0,    0.05,  0],    source: HOUSE },
  'hip-front':        { mean: 51,   spread: 5.8,  loads: [0.84, 0.04, 0,    0.24,  0],    source: HOUSE },
  'hip-back':         { mean: 53,   spread: 5.8,  loads: [0.82, 0.05, 0,    0.42,  0],    source: HOUSE },
  'apex-span':        { mean: 19.5, spread: 2.1,  loads: [0.66, 0.10, 0.36, 0,     0.08], source: HOUSE },
  'across-front':     { mean: 34,   spread: 2.8,  loads: [0.56, 0.28, 0.12, 0,     0.50], source: TABLE },
  'across-back':      { mean: 36.5, spread: 3,    loads: [0.60, 0.28, 0,    0,     0.52], source: TABLE },
  'across-shoulder':  { mean: 40.5, spread: 3.2,  loads: [0.38, 0.42, 0,    0,     0.64], source: HOUSE },
  shoulder:           { mean: 12.7, spread: 1.1,  loads: [0.18, 0.38, 0,    0,     0.58], source: TABLE },
  'neck-width':       { mean: 13,   spread: 1.3,  loads: [0.48, 0.18, 0,    0,     0.36], source: HOUSE },
  'neck-to-bust':     { mean: 28,   spread: 2.6,  loads: [0.52, 0.36, 0.42, 0,     0],    source: HOUSE },
  'neck-to-underbust': { mean: 35.5, spread: 2.9, loads: [0.46, 0.42, 0.40, 0,     0.04], source: HOUSE },
  'bust-to-waist':    { mean: 17.5, spread: 1.9,  loads: [-0.10, 0.46, -0.10, 0,   0.04], source: HOUSE },
  'neck-to-waist-front': { mean: 45, spread: 3,   loads: [0.42, 0.62, 0.30, 0,     0.08], source: HOUSE },
  'front-neck-to-waist': { mean: 36.5, spread: 2.5, loads: [0.22, 0.72, 0.14, 0,   0.08], source: HOUSE },
  'neck-to-waist-back': { mean: 43.5, spread: 2.6, loads: [0.20, 0.78, 0,   0,     0.18], source: HOUSE },
  'nape-to-waist':    { mean: 41,   spread: 2.5,  loads: [0.12, 0.80, 0,    0,     0.18], source: TABLE },
  'armhole-depth':    { mean: 21.5, spread: 1.9,  loads: [0.50, 0.44, 0,    0,     0.28], source: TABLE },
  'underarm-to-waist': { mean: 19,  spread: 1.7,  loads: [-0.12, 0.70, 0,   0,     0],    source: HOUSE },
  'waist-to-high-hip': { mean: 10,  spread: 1.2,  loads: [0.05, 0.42, 0,    0.05,  0],    source: HOUSE },
  'waist-to-tummy':   { mean: 10,   spread: 2.1,  loads: [0.10, 0.28, 0,    0,     0],    source: HOUSE },
  'waist-to-hip':     { mean: 21,   spread: 1.9,  loads: [0.10, 0.52, 0,    0.12,  0],    source: TABLE },
  'waist-to-knee':    { mean: 59.5, spread: 3.2,  loads: [0.06, 0.88, 0,    0.04,  0],    source: TABLE },
  'waist-to-floor':   { mean: 105,  spread: 6,    loads: [0.03, 0.95, 0,    0,     0],    source: HOUSE },
  'waist-to-floor-front': { mean: 105, spread: 6, loads: [0.08, 0.94, 0,    0,     0],    source: HOUSE },
  'waist-to-floor-back': { mean: 106, spread: 6,  loads: [0.05, 0.94, 0,    0.06,  0],    source: HOUSE },
  'knee-to-floor':    { mean: 47,   spread: 3.2,  loads: [0,    0.88, 0,    0,     0.06], source: HOUSE },
  'neck-to-floor':    { mean: 146,  spread: 8.2,  loads: [0.12, 0.96, 0.04, 0,     0],    source: HOUSE },
  'nape-to-floor':    { mean: 144,  spread: 8.2,  loads: [0.02, 0.97, 0,    0,     0.06], source: HOUSE },
  stature:            { mean: 168,  spread: 9,    loads: [0,    0.97, 0,    0,     0.10], source: HOUSE },
  rise:               { mean: 27.5, spread: 2.3,  loads: [0.44, 0.50, 0,    0.24,  0],    source: TABLE },
  inseam:             { mean: 77,   spread: 5,    loads: [-0.08, 0.90, 0,   -0.05, 0],    source: HOUSE },
  outseam:            { mean: 103,  spread: 6,    loads: [0.03, 0.94, 0,    0.03,  0],    source: HOUSE },
  head:               { mean: 56.5, spread: 1.8,  loads: [0.24, 0.36, 0,    0,     0.36], source: HOUSE },
  'upper-arm':        { mean: 30.5, spread: 4.3,  loads: [0.87, 0,    0.04, 0.06,  0.10], source: TABLE },
  elbow:              { mean: 27,   spread: 2.6,  loads: [0.76, 0.14, 0,    0,     0.36], source: HOUSE },
  forearm:            { mean: 25.5, spread: 2.5,  loads: [0.76, 0.14, 0,    0,     0.40], source: HOUSE },
  wrist:              { mean: 16.4, spread: 1.3,  loads: [0.58, 0.24, 0,    0,     0.52], source: TABLE },
  fist:               { mean: 23,   spread: 1.9,  loads: [0.34, 0.36, 0,    0,     0.58], source: HOUSE },
  armhole:            { mean: 44,   spread: 4.5,  loads: [0.78, 0.20, 0.08, 0,     0.32], source: HOUSE },
  'arm-length':       { mean: 59.5, spread: 3.6,  loads: [0.05, 0.86, 0,    0,     0.26], source: TABLE },
  'shoulder-to-elbow': { mean: 35,  spread: 2.2,  loads: [0.06, 0.82, 0,    0,     0.24], source: HOUSE },
  'elbow-to-wrist':   { mean: 25,   spread: 1.8,  loads: [0,    0.80, 0,    0,     0.26], source: HOUSE },
  'neck-to-wrist':    { mean: 72.5, spread: 4.2,  loads: [0.10, 0.85, 0,    0,     0.34], source: HOUSE },
  'nape-to-wrist':    { mean: 79.5, spread: 4.5,  loads: [0.14, 0.84, 0,    0,     0.36], source: HOUSE },
};

/** What is left of a measure’s variance once the factors are known, in spreads²; never quite nothing. */
export const ownOf = (r: NetRow): number => Math.max(0.04, 1 - r.loads.reduce((a, l) => a + l * l, 0));
