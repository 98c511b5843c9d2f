import {
  distance,
  emptyBox,
  endOf,
  offset,
  type Point,
  pointAt,
  reachAlong,
  startOf,
} from '../draft/curve.ts';
import { edgeLength, pointAlong, sewnLength, spanAt } from '../draft/measure.ts';
import { joined } from '../draft/outline.ts';
import { type Edge, edgeOf, isA, type Panel, type PanelMark } from '../draft/panel.ts';
import { cm } from '../units/length.ts';
import { faceOf, isMain, perHalf, seamsOf } from './seams.ts';

/** A drill mark lies so far short of a dart's end, that no hole shows, cm (common practice). */
const SHORT = 1;
/** Fullness begins and ends so far from the ends of its edge, cm (common practice). */
const FROM_END = 1.5;
/** A seam longer than this without a notch of its own gets one in its middle, cm (common practice). */
const LONG = 25;
/** A mark this near to an edge lies on it, cm. */
const ON = 0.3;

/** A panel with everything a paper pattern carries: its warp is a line on it, cm. */
export interface WholePanel extends Panel {
  readonly warp: readonly [from: Point, to: Point];
}

/** Two edges that are sewn to each other, each walked from the end that they share below. */
interface Seam {
  readonly a: string;
  readonly b: string;
  readonly edgeA: string;
  readonly edgeB: string;
}
/** Seams of which each side is one edge, so that a place on one is a place on the other. */
const PAIRED = new Set(['side', 'inseam', 'princess']);
const pairedSeams = (panels: readonly Panel[]): Seam[] =>
  seamsOf(panels).flatMap(({ kind, rows: [one, two] }) =>
    PAIRED.has(kind) && one.length === 1 && two.length === 1 && one[0]!.panel !== two[0]!.panel
      ? [{ a: one[0]!.panel, b: two[0]!.panel, edgeA: one[0]!.edge, edgeB: two[0]!.edge }]
      : [],
  );

/** Whether an edge is walked upward: then its shared lower end is its first point. */
const upward = (e: Edge): boolean => e.path[0]![0][1] > (e.path.at(-1)!.at(-1) as Point)[1];
/** How far along an edge a point lies from the edge's lower end, cm; null where it lies on none of it. */
function fromBelow(panel: Panel, id: string, at: Point): number | null {
  const e = edgeOf(panel, id);
  const whole = edgeLength(panel, id);
  let [best, along, away] = [0, 0, Number.POSITIVE_INFINITY];
  for (const s of e.path) {
    const own = edgeLength({ edges: [{ ...e, path: [s] }] } as unknown as Panel, id);
    for (let i = 0; i <= 64; i++) {
      const off = distance(pointAt(s, i / 64), at);
      if (off < away) [away, best] = [off, along + (own * i) / 64];
    }
    along += own;
  }
  if (away > ON + whole / 64) return null;
  // A sixty-fourth of a seam is coarse: the point itself says where between.
  const near = refine(e, best, at, whole / 64);
  if (distance(pointAlong(e.path, near), at) > ON) return null;
  return upward(e) ? near : whole - near;
}
function refine(e: Edge, from: number, at: Point, step: number): number {
  let [best, width] = [from, step];
  for (let i = 0; i < 12; i++) {
    width /= 2;
    for (const t of [best - width, best + width])
      if (t >= 0 && distance(pointAlong(e.path, t), at) < distance(pointAlong(e.path, best), at)) best = t;
  }
  return best;
}
const atFromBelow = (panel: Panel, id: string, along: number): Point => {
  const e = edgeOf(panel, id);
  return pointAlong(e.path, upward(e) ? along : edgeLength(panel, id) - along);
};
/** Below its darts a seam is as long on the table as it is sewn: how far up that is, cm. */
function plainFromBelow(panel: Panel, id: string): number {
  const whole = edgeLength(panel, id);
  return Math.min(
    whole,
    ...panel.darts
      .filter((d) => d.edge === id)
      .map((d) => (upward(edgeOf(panel, id)) ? d.at - d.intake / 2 : whole - d.at - d.intake / 2)),
  );
}

/**
 * Notches of a seam lie on both of its edges at the same distance from the end they share: the first panel's are laid
 * over on the second, which keeps none of its own there; a long seam without one gets one in its middle.
 */
function matched(panels: Panel[], { a, b, edgeA, edgeB }: Seam): void {
  const [i, k] = [panels.findIndex((p) => p.id === a), panels.findIndex((p) => p.id === b)];
  const [one, two] = [panels[i]!, panels[k]!];
  const plain = Math.min(plainFromBelow(one, edgeA), plainFromBelow(two, edgeB));
  const on = (p: Panel, id: string) =>
    p.marks.flatMap((mark) => {
      const along = mark.kind === 'notch' || mark.kind === 'thread mark' ? fromBelow(p, id, mark.at) : null;
      return along === null ? [] : [{ mark, along }];
    });
  const [own, theirs] = [on(one, edgeA), on(two, edgeB)];
  // Above a dart in the seam each panel's marks stay where they were drawn.
  const shared = own.filter((m) => m.along <= plain + 1e-6 && m.along > 0.5);
  const kept = theirs.filter((m) => m.along > plain + 1e-6);
  const short = Math.min(sewnLength(one, edgeA), sewnLength(two, edgeB));
  const middle = short > LONG && shared.length === 0 && plain > short / 2 ? short / 2 : null;
  const balance = (p: Panel, id: string): PanelMark[] =>
    middle === null ? [] : [{ kind: 'notch', name: 'balance', at: atFromBelow(p, id, middle) }];
  panels[i] = { ...one, marks: [...one.marks, ...balance(one, edgeA)] };
  panels[k] = {
    ...two,
    marks: [
      ...two.marks.filter((m) => !theirs.some((t) => t.mark === m) || kept.some((t) => t.mark === m)),
      ...shared.map(({ mark, along }) => ({ ...mark, at: atFromBelow(two, edgeB, along) })),
      ...balance(two, edgeB),
    ],
  };
}

/** Where a hole may be drilled inside a dart: on its axis, short of each of its ends. */
function drills(p: Panel): PanelMark[] {
  const toward = (from: Point, to: Point): Point => {
    const far = distance(from, to) || 1;
    return [from[0] + ((to[0] - from[0]) * SHORT) / far, from[1] + ((to[1] - from[1]) * SHORT) / far];
  };
  const mark = (at: Point): PanelMark => ({ kind: 'drill', name: 'end of the dart, 1 short', at });
  return [
    ...p.darts
      .filter((d) => d.length > 2 * SHORT)
      .map((d) =>
        mark(toward(d.tip, [(d.legs[0][0] + d.legs[1][0]) / 2, (d.legs[0][1] + d.legs[1][1]) / 2])),
      ),
    ...(p.inner ?? []).flatMap((d) => [mark(toward(d.up, d.at)), mark(toward(d.down, d.at))]),
  ];
}

/** Where what is gathered along an edge begins and ends. */
const gathers = (p: Panel): PanelMark[] =>
  p.edges.flatMap((e): PanelMark[] => {
    // What a shoulder holds is eased, and marked so.
    const whole = e.gather > 0.05 && e.id !== 'shoulder' && !e.pleated ? edgeLength(p, e.id) : 0;
    return whole > 4 * FROM_END
      ? [FROM_END, whole - FROM_END].map((at) => ({
          kind: 'notch' as const,
          name: 'gathered between these',
          at: pointAlong(e.path, at),
        }))
      : [];
  });

/** What a band meets as it goes round from where the garment opens: each place, and which face's half lies before it. */
const ROUND: Readonly<Record<string, readonly (readonly [name: string, face: 'front' | 'back'])[]>> = {
  'centre-back': [
    ['side seam', 'back'],
    ['centre front', 'front'],
    ['side seam', 'front'],
    ['centre back', 'back'],
  ],
  'centre-front': [
    ['side seam', 'front'],
    ['centre back', 'back'],
    ['side seam', 'back'],
    ['centre front', 'front'],
  ],
  'left-side': [
    ['centre front', 'front'],
    ['side seam', 'front'],
    ['centre back', 'back'],
    ['side seam', 'back'],
  ],
};
/**
 * Notches on a waistband where it meets centres and side seams, read off the waists that it is sewn to; the last is where
 * its overlap begins. Where the waist has no front and back of its own they lie at its quarters.
 */
function banded(panels: Panel[], opens: string): void {
  const round = ROUND[opens];
  panels.forEach((band, i) => {
    const own = band.edges.find((e) => e.id === 'waist');
    const overlap = band.edges.find((e) => e.id === 'overlap');
    if (!round || !own || !overlap || band.share !== 'band' || band.layer !== 'outer') return;
    const part = band.id.split('.')[0];
    const sewn = panels.filter(
      (p) =>
        isMain(p) &&
        p.share !== 'band' &&
        p.id.startsWith(`${part}.`) &&
        p.edges.some((e) => e.id === 'waist'),
    );
    const half = (face: 'front' | 'back') =>
      sewn.filter((p) => faceOf(p) === face).reduce((n, p) => n + sewnLength(p, 'waist') * perHalf(p), 0);
    const all = sewn.reduce((n, p) => n + sewnLength(p, 'waist') * perHalf(p), 0);
    const [front, back] = [half('front'), half('back')];
    const faced = Math.abs(front + back - all) < 0.01 && front > 0 && back > 0;
    if (all <= 0) return;
    const whole = edgeLength(band, 'waist');
    let at = 0;
    const marks = round.flatMap(([name, face]): PanelMark[] => {
      at += faced ? (face === 'front' ? front : back) : all / 2;
      // A band that is eased on may be a little shorter than what it is sewn to.
      return at > whole + 0.01
        ? []
        : [{ kind: 'notch', name: faced ? name : 'quarter', at: pointAlong(own.path, whole - at) }];
    });
    panels[i] = { ...band, marks: [...band.marks, ...marks] };
  });
}

/** Where a longer shoulder is eased to a shorter one: between these, so far from its ends, cm (common practice). */
const EASED_FROM_END = 2.5;
/** Marks what is eased along a back's shoulder to the front's. */
function eased(panels: Panel[]): void {
  panels.forEach((p, i) => {
    if (p.layer !== 'outer' || p.share !== 'back') return;
    const front = panels.find(
      (q) => q.id === p.id.replace(/\.back/, '.front') && q.edges.some((e) => e.id === 'shoulder'),
    );
    const own = p.edges.find((e) => e.id === 'shoulder');
    if (!front || !own) return;
    const [longer, shorter] = [edgeLength(p, 'shoulder'), sewnLength(front, 'shoulder')];
    if (longer - shorter < 0.2 || longer < 4 * EASED_FROM_END) return;
    const marks = [EASED_FROM_END, longer - EASED_FROM_END].map(
      (along): PanelMark => ({
        kind: 'notch',
        name: 'eased between these',
        at: pointAlong(own.path, along),
      }),
    );
    panels[i] = { ...p, marks: [...p.marks, ...marks] };
  });
}

/** Halfway between its lowest body line and its hem a piece is lengthened or shortened, square to the grain. */
function lengthening(p: Panel): PanelMark[] {
  const hem = p.edges.find((e) => e.id === 'hem' || e.id === 'wrist');
  const side = p.edges.find((e) => ['side', 'inseam', 'underarm'].includes(e.id));
  if (!hem || !side || p.layer !== 'outer') return [];
  const points = p.edges.flatMap((e) => e.path.flat());
  const bottom = Math.min(...hem.path.flat().map(([, y]) => y));
  const top = Math.max(
    Math.min(...points.map(([, y]) => y)),
    ...p.lines.map((l) => l.y).filter((y) => y < bottom - 8),
  );
  if (bottom - top < 12) return [];
  const y = cm((top + bottom) / 2);
  const xs = p.edges.flatMap((e) => e.path.flatMap((s) => crossings(s, y)));
  if (xs.length < 2) return [];
  return [
    {
      kind: 'lengthen',
      name: 'lengthen or shorten here',
      at: [Math.min(...xs), y],
      to: [Math.max(...xs), y],
    },
  ];
}
/** Where a segment crosses a height, about. */
function crossings(s: Panel['edges'][number]['path'][number], y: number): number[] {
  const found: number[] = [];
  let before = pointAt(s, 0);
  for (let i = 1; i <= 16; i++) {
    const now = pointAt(s, i / 16);
    if ((before[1] - y) * (now[1] - y) <= 0 && before[1] !== now[1])
      found.push(before[0] + ((now[0] - before[0]) * (y - before[1])) / (now[1] - before[1]));
    before = now;
  }
  return found;
}

/** Where a garment opens, and how long its zip is, cm. */
export interface ZipIn {
  readonly opens: string;
  readonly length: number;
}
/** The face and the edges a zip may lie in. */
const ZIPPED: Readonly<Record<string, readonly [face: string, edges: readonly string[]]>> = {
  'centre-back': ['back', ['centre', 'crotch']],
  'centre-front': ['front', ['centre', 'crotch']],
  'left-side': ['', ['side']],
};
/** Marks where a zip ends: on what hangs below where it goes past the waist seam, counted from its own upper end. */
function zipped(panels: Panel[], { opens, length }: ZipIn): void {
  const [face, edges] = ZIPPED[opens] ?? ['', []];
  const faces = face === '' ? ['front', 'back'] : [face];
  for (const f of faces) {
    const bears = (key: RegExp) =>
      panels.findIndex(
        (p) =>
          p.layer === 'outer' && key.test(p.id) && p.share === f && p.edges.some((e) => edges.includes(e.id)),
      );
    const [upper, lower] = [bears(/^(bodice|top)\./), bears(/^(skirt|trousers)\./)];
    const edgeIn = (i: number) => panels[i]!.edges.find((e) => edges.includes(e.id))!.id;
    const left = upper < 0 ? length : length - sewnLength(panels[upper]!, edgeIn(upper));
    const [i, along] = lower >= 0 && left > 0 ? [lower, left] : [upper, length];
    if (i < 0) continue;
    const id = edgeIn(i);
    const whole = edgeLength(panels[i]!, id);
    // A dart in that seam lengthens the way on the table: the mark would not be where the zip ends.
    if (along >= whole - 0.5 || panels[i]!.darts.some((d) => d.edge === id)) continue;
    const at = atFromBelow(panels[i]!, id, whole - along);
    panels[i] = { ...panels[i]!, marks: [...panels[i]!.marks, { kind: 'zip-end', name: 'zip ends', at }] };
  }
}

/** A pocket in a side seam begins so far below the waist; one sewn on lies so far from centre and waist, cm (common practice). */
const POCKET = { inSeam: 4, from: 4, below: 9 } as const;
/** Marks where pockets lie on skirt or trousers: notches in both side seams, or thread marks at the corners. */
function pocketed(panels: Panel[]): void {
  const pocket = panels.find((p) => isA(p, 'pocket'));
  if (!pocket) return;
  const wide = edgeLength(pocket, 'top');
  const inSeam = pocket.name === 'pocket bag';
  panels.forEach((p, i) => {
    if (p.layer !== 'outer' || !/^(skirt|trousers)\.(front|back)$/.test(p.id)) return;
    const marks: PanelMark[] = [];
    const side = p.edges.find((e) => e.id === 'side');
    if (inSeam && side) {
      const whole = edgeLength(p, 'side');
      if (POCKET.inSeam + wide < whole - 5)
        for (const along of [POCKET.inSeam, POCKET.inSeam + wide])
          marks.push({ kind: 'notch', name: 'pocket', at: atFromBelow(p, 'side', whole - along) });
    } else if (!inSeam && p.share === 'front')
      for (const x of [POCKET.from, POCKET.from + wide])
        marks.push({ kind: 'thread mark', name: 'pocket, upper corner', at: [x, POCKET.below] });
    if (marks.length > 0) panels[i] = { ...p, marks: [...p.marks, ...marks] };
  });
}

/** A channel lies so far beside its seam, cm (common practice: half of its width). */
const CHANNEL = 0.6;
/** Where the channels of a boned bodice's bones lie: beside each of its seams, on the underlining where there is one. */
function channels(p: Panel, underlined: ReadonlySet<string>): PanelMark[] {
  const has = (id: string) => p.edges.some((e) => e.id === id);
  if (
    !has('top') ||
    !has('inner') ||
    has('free') ||
    (p.layer === 'outer' ? underlined.has(`${p.id}-underlining`) : p.layer !== 'underlining')
  )
    return [];
  return p.edges
    .filter((e) => !e.fold && ['outer', 'side', 'inner'].includes(e.id))
    .map((e): PanelMark => {
      const along = joined(e.path.flatMap((s) => offset(s, -CHANNEL)));
      return {
        kind: 'bone channel',
        name: 'bone channel',
        at: startOf(along[0]!),
        to: endOf(along.at(-1)!),
        along,
      };
    });
}

/** The warp through the middle of a panel, upright on it unless it is laid otherwise, as long as a third of it. */
export function warpOf(p: Panel): readonly [Point, Point] {
  const box = emptyBox();
  for (const e of p.edges) for (const s of e.path) reachAlong(box, s, 0);
  const [x0, y0, x1, y1] = box;
  const turn = ((p.grain.includes('bias') ? 45 : p.sideways ? 90 : 0) * Math.PI) / 180;
  const across = turn > 1 ? x1 - x0 : turn > 0 ? Math.min(x1 - x0, y1 - y0) : y1 - y0;
  const half = Math.min(20, across / 6);
  const y = (y0 + y1) / 2;
  const [from, to] = spanAt(p, y) ?? [x0, x1];
  const x = from + (to - from) * 0.55;
  const [u, v] = [Math.sin(turn) * half, -Math.cos(turn) * half];
  return [
    [x - u, y - v],
    [x + u, y + v],
  ];
}

/**
 * The panels as a paper pattern carries them: notches on both edges of each seam at one distance, drill marks in darts,
 * where fullness begins and ends, where length is added or taken, channels of bones, the warp as a line. Pure; what is
 * measured on the panels is not moved.
 */
export function wholePattern(panels: readonly Panel[], zip: ZipIn | null = null): WholePanel[] {
  const all = [...panels];
  const underlined = new Set(panels.filter((p) => p.layer === 'underlining').map((p) => p.id));
  for (const seam of pairedSeams(all)) matched(all, seam);
  eased(all);
  pocketed(all);
  if (zip) zipped(all, zip);
  if (zip) banded(all, zip.opens);
  return all.map((p) => ({
    ...p,
    warp: warpOf(p),
    marks: [...p.marks, ...drills(p), ...gathers(p), ...lengthening(p), ...channels(p, underlined)],
  }));
}
