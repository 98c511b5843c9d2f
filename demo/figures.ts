import { randomUUID } from 'node:crypto';
import type { ReadingWire } from '@rocchetto/contract';
import { readLength } from '@rocchetto/core';

/** A small seeded generator (mulberry32), so that the demo is the same every time. */
export function seeded(seed: number): () => number {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Plausible invented figures of one client, cm, by measure id. */
export function inventFigures(rnd: () => number): Record<string, number> {
  const waist = 62 + rnd() * 34;
  const hip = waist + 19 + rnd() * 9;
  const drop = 18.5 + rnd() * 3;
  const floor = 98 + rnd() * 12;
  const bust = waist + 15 + rnd() * 8;
  const back = 38 + rnd() * 5;
  const figures = {
    waist,
    'high-hip': waist + (hip - waist) * 0.62,
    'waist-to-high-hip': drop * 0.5,
    tummy: waist + (hip - waist) * 0.55,
    'waist-to-tummy': drop * 0.42,
    hip,
    'waist-to-hip': drop,
    'hip-front': hip * (0.48 + rnd() * 0.05),
    'waist-to-knee': floor * 0.565,
    'waist-to-floor': floor,
    bust,
    'high-bust': bust - 5 - rnd() * 3,
    underbust: bust - 13 - rnd() * 4,
    'bust-front': bust * 0.52,
    'nape-to-waist': back,
    'neck-to-waist-back': back + 2,
    'neck-to-bust': 24.5 + (bust - 80) * 0.08,
    'apex-span': 17 + (bust - 80) * 0.08,
    'across-shoulder': 37 + (bust - 80) * 0.06,
    'across-back': 34.5 + (bust - 80) * 0.07,
    'armhole-depth': 20 + (bust - 80) * 0.12,
    shoulder: 11.5 + rnd() * 2,
    'upper-arm': 27.5 + (bust - 88) * 0.25 + rnd() * 3,
    ...limbs({ waist, hip, bust, back, floor }),
  };
  // The front is longer over the bust by its cup.
  const cup = bust - figures['high-bust'];
  return { ...figures, 'neck-to-waist-front': back + 3.2 + (cup - 4) * 0.45 };
}

/** Arms, legs, neck and head of that client: they follow what was invented already. */
function limbs(of: { waist: number; hip: number; bust: number; back: number; floor: number }) {
  const rise = 23.5 + of.hip * 0.035;
  const arm = 56 + (of.floor - 104) * 0.25;
  return {
    rise,
    inseam: of.floor - rise - 1.5,
    outseam: of.floor - 1,
    thigh: of.hip * 0.57,
    knee: 35 + (of.hip - 100) * 0.08,
    'heel-instep': 31 + (of.floor - 104) * 0.1,
    'crotch-length': rise * 2 + 13 + (of.hip - 98) * 0.15,
    // Read from 2.5 cm below the armpit.
    'underarm-to-waist': of.back + 2 - (20 + (of.bust - 80) * 0.12) - 2.5,
    'bust-to-underbust': 7.5,
    elbow: 24 + (of.bust - 90) * 0.1,
    wrist: 15.5 + (of.bust - 90) * 0.04,
    fist: 22 + (of.bust - 90) * 0.03,
    'arm-length': arm,
    'shoulder-to-elbow': arm * 0.58,
    armhole: 38 + (of.bust - 80) * 0.18,
    'neck-base': 35 + (of.bust - 90) * 0.06,
    'neck-mid': 33.5 + (of.bust - 90) * 0.06,
    head: 56.5,
    'arm-span': 58 + (of.bust - 90) * 0.3,
  };
}

/** The figure as a hand would write it: half centimetres, or eighths of an inch. */
export function asRead(length: number, unit: 'cm' | 'in'): string {
  if (unit === 'cm') return `${Math.round(length * 2) / 2}`;
  const eighths = Math.round((length / 2.54) * 8);
  const rest = eighths % 8;
  const [num, den] = rest % 4 === 0 ? [rest / 4, 2] : rest % 2 === 0 ? [rest / 2, 4] : [rest, 8];
  return rest === 0 ? `${eighths / 8}` : `${Math.floor(eighths / 8)} ${num}/${den}`;
}

/** A reading of this figure, written in this unit. */
export function reading(
  measure: string,
  typed: string,
  unit: 'cm' | 'in',
  at: Date,
  more: Partial<ReadingWire> = {},
): ReadingWire {
  const read = readLength(typed, unit);
  if (!read.ok) throw new Error(`${measure}: ${read.sentence}`);
  return {
    id: randomUUID(),
    measure,
    state: 'read',
    written: read.written,
    way: 'whole',
    tape: 'snug',
    source: 'taken here',
    replaces: null,
    reason: '',
    note: '',
    wroteBy: '',
    at: at.toISOString(),
    ...more,
  };
}
