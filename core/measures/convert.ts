import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import { findMeasure, measure } from './catalogue.ts';
import type { Measured } from './session.ts';

/** One way to bring a measure from others of the same session: their sum, each with its sign and share. */
interface Way {
  readonly of: string;
  readonly from: readonly (readonly [id: string, times: number])[];
  readonly why: string;
}
const sum = (of: string, from: readonly string[], why: string): Way => ({
  of,
  from: from.map((id) => [id, 1] as const),
  why,
});
const less = (of: string, whole: string, part: string, why: string, times = 1): Way => ({
  of,
  from: [
    [whole, 1],
    [part, -times],
  ],
  why,
});

// Arithmetic on one body in one session; nothing is guessed (common practice).
const WAYS: readonly Way[] = [
  sum('neck-to-underbust', ['neck-to-bust', 'bust-to-underbust'], 'read piece by piece'),
  sum('bust-to-waist', ['bust-to-underbust', 'underbust-to-waist'], 'read piece by piece'),
  sum('neck-to-waist-front', ['neck-to-bust', 'bust-to-waist'], 'read piece by piece'),
  sum('neck-to-waist-front', ['neck-to-underbust', 'underbust-to-waist'], 'read piece by piece'),
  sum('arm-length', ['shoulder-to-elbow', 'elbow-to-wrist'], 'read piece by piece'),
  sum('crotch-length', ['crotch-front', 'crotch-back'], 'read piece by piece'),
  sum('waist-to-floor', ['waist-to-knee', 'knee-to-floor'], 'read piece by piece'),
  ...['bust', 'waist', 'hip'].flatMap((girth) => [
    sum(girth, [`${girth}-front`, `${girth}-back`], 'front and back were read'),
    less(`${girth}-front`, girth, `${girth}-back`, 'the whole and its back were read'),
  ]),
  less('arm-length', 'neck-to-wrist', 'shoulder', 'the sleeve was read from the side-neck'),
  less('arm-length', 'nape-to-wrist', 'across-shoulder', 'the sleeve was read from the nape', 0.5),
  sum('hip', ['hip-seated'], 'the client was measured seated'),
  sum('hem-front', ['waist-to-knee-seated', 'lap-to-hem'], 'the client was measured seated'),
  // The side-neck lies so much above the nape as their heights from the floor differ.
  {
    of: 'neck-to-waist-back',
    from: [
      ['nape-to-waist', 1],
      ['neck-to-floor', 1],
      ['nape-to-floor', -1],
    ],
    why: 'the back length was read from the nape, and both heights from the floor',
  },
  {
    of: 'nape-to-waist',
    from: [
      ['neck-to-waist-back', 1],
      ['neck-to-floor', -1],
      ['nape-to-floor', 1],
    ],
    why: 'the back length was read from the side-neck, and both heights from the floor',
  },
];

const name = (id: string) => findMeasure(id)?.name ?? id;

/** Left and right that were both read and differ by more than this are each drafted for themselves, cm (house figure: as for pins). */
const SIDES_APART = 0.5;
export type WhichSide = 'right' | 'left';
/** What hangs on the centre line too is drafted on the mean: two halves meet there. */
const AT_CENTRE = new Set(['neck-to-waist-front', 'neck-to-bust']);

const NO_SIDES: ReturnType<typeof sidesApart> = [];
/** What was read on both sides and differs so much that each side is drafted for itself, with both figures, cm. */
export function sidesApart(
  read: ReadonlyMap<string, Measured>,
): readonly { readonly of: string; readonly left: Cm; readonly right: Cm }[] {
  let any = false;
  for (const m of read.values()) any ||= m.measure.side === 'left';
  if (!any) return NO_SIDES;
  return [...new Set([...read.values()].flatMap((m) => m.measure.of ?? []))].flatMap((of) => {
    const [left, right] = [read.get(`${of}-left`)?.net ?? null, read.get(`${of}-right`)?.net ?? null];
    if (left === null || right === null || AT_CENTRE.has(of)) return [];
    return Math.abs(left - right) > SIDES_APART + 1e-9 ? [{ of, left, right }] : [];
  });
}

/**
 * The figures of a session with those that others of the same session give: both sides for a whole, pieces for a
 * length, one reference for another. What was read is never replaced, but by its own two sides where they differ; each
 * converted one says from what.
 * @param which the side that is drafted: where both were read and differ, its own counts, else their mean
 */
export function withConverted(
  read: ReadonlyMap<string, Measured>,
  which: WhichSide = 'right',
): Map<string, Measured> {
  const out = new Map(read);
  const apart = new Set(sidesApart(read).map((s) => s.of));
  const net = (id: string) => out.get(id)?.net ?? null;
  const add = (id: string, value: number, why: string, from: readonly string[]) => {
    const made: Measured = {
      measure: measure(id),
      state: 'read',
      readings: [],
      agreement: { state: 'single', value: cm(value) },
      raw: cm(value),
      added: cm(0),
      net: cm(value),
      asRead: '',
      why: [why],
      from,
    };
    out.set(id, made);
  };
  for (const of of new Set([...read.values()].flatMap((m) => m.measure.of ?? []))) {
    const [left, right] = [net(`${of}-left`), net(`${of}-right`)];
    const one = net(of);
    if (left === null || right === null || (one !== null && !apart.has(of))) continue;
    const both = `Both sides were read: left ${say(left)}, right ${say(right)}`;
    const from = [`${of}-left`, `${of}-right`];
    if (apart.has(of))
      add(
        of,
        which === 'left' ? left : right,
        `${both}; each is drafted for itself, this is the ${which}.${one === null ? '' : ` The one figure for both, ${say(one)}, stands aside.`}`,
        from,
      );
    else
      add(
        of,
        (left + right) / 2,
        `${both}; the mean counts${Math.abs(left - right) > SIDES_APART + 1e-9 ? ', since both halves meet at the centre: balance them at the fitting' : ''}.`,
        from,
      );
  }
  // What a conversion gives may let another follow; each is made once.
  for (let again = true; again; ) {
    again = false;
    for (const { of, from, why } of WAYS) {
      if (net(of) !== null || out.get(of)?.state === 'declined') continue;
      if (!from.every(([id]) => net(id) !== null)) continue;
      const parts = from.map(([id, times]) => [id, times, net(id)] as const);
      const value = parts.reduce((a, [, times, v]) => a + times * v!, 0);
      if (!(value > 0)) continue;
      add(
        of,
        value,
        `Not read itself: ${why}. ${parts.map(([id, times, v], i) => `${times < 0 ? '− ' : i > 0 ? '+ ' : ''}${Math.abs(times) === 1 ? '' : 'half of '}${name(id)} ${say(v!)}`).join(' ')}.`,
        from.map(([id]) => id),
      );
      again = true;
    }
  }
  return out;
}

/** References that are told apart: read by one, wanted by the other. */
const OTHERWISE: Readonly<Record<string, readonly string[]>> = {
  'neck-to-waist-back': ['nape-to-waist', 'shoulder-to-waist-back'],
  'nape-to-waist': ['neck-to-waist-back', 'shoulder-to-waist-back'],
  'neck-to-waist-front': ['shoulder-to-waist-front', 'front-neck-to-waist'],
  'arm-length': ['neck-to-wrist', 'nape-to-wrist'],
  waist: ['garment-waist'],
};

/** Why a measure that is missing was not made from what was read by another reference; '' where none was. */
export function cannotConvert(id: string, figures: ReadonlyMap<string, { readonly net: Cm | null }>): string {
  const other = OTHERWISE[id]?.find((o) => (figures.get(o)?.net ?? null) !== null);
  return other
    ? `${name(other)[0]!.toUpperCase()}${name(other).slice(1)} was read, and nothing of this session makes ${name(id)} of it: read that too, or go on without.`
    : '';
}
