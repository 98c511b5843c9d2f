import { endOf, type Point, type Segment, startOf } from '../draft/curve.ts';
import { cutThrough, drawnClosed, drawnOpen } from '../draft/cut-through.ts';
import { edgeLength, pointAlong, sewnLength } from '../draft/measure.ts';
import { type CutAt, cutApart, seamOver } from '../draft/move-dart.ts';
import { type Dart, edgeOf, isA, type Panel } from '../draft/panel.ts';
import { inWords } from '../text/in-words.ts';
import type { Cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { Adapted, SeamPut } from './adapted-parts.ts';
import { Cannot, has } from './cannot.ts';
import type { Place } from './picture.ts';
import { pleated } from './pleat.ts';
import { STEPS, type StepId, type StepTaken } from './steps.ts';

/** Steps that put a seam across a face, and those that say how the one before them lies. */
const FACE_OF: Partial<Record<StepId, 'front' | 'back'>> = { 'seam-front': 'front', 'seam-back': 'back' };
const SHAPES: ReadonlySet<StepId> = new Set(['seam-point', 'seam-curve']);

/** The panels of one part, adapted. `key` begins their ids. */
export function adapt(
  key: string,
  panels: readonly Panel[],
  steps: readonly { readonly taken: StepTaken; readonly number: number }[],
  allowance: Cm,
): Adapted {
  let made: Adapted = { panels, place: (p) => p, seams: [], refused: [] };
  for (const [i, { taken, number }] of steps.entries()) {
    const amount = taken.amount ?? 0;
    try {
      const face = FACE_OF[taken.step];
      if (face) made = seamed(made, key, face, acrossOf(taken, steps[i + 1]?.taken), allowance);
      else if (SHAPES.has(taken.step) && !FACE_OF[steps[i - 1]?.taken.step ?? 'pleat'])
        throw new Cannot('it follows no seam across.');
      else if (taken.step === 'pleat') made = pleated(made, key, amount, outOf(steps[i + 1]?.taken));
      else if (taken.step === 'pleat-out' && steps[i - 1]?.taken.step !== 'pleat')
        throw new Cannot('it follows no pleat.');
      else if (taken.step === 'sleeve-end') made = endShaped(made, key, amount);
    } catch (error) {
      if (!(error instanceof Cannot)) throw error;
      made = {
        ...made,
        refused: [
          ...made.refused,
          `Step ${number}, ${STEPS[taken.step].name}, was left out: ${error.message}`,
        ],
      };
    }
  }
  return made;
}

/** How far along an edge it crosses a height, cm; null where it does not. */
function crossesAt(panel: Panel, id: string, y: number): number | null {
  const { path } = edgeOf(panel, id);
  let [low, high] = [0, edgeLength(panel, id) as number];
  const at = (d: number) => pointAlong(path, d)[1] - y;
  if (at(low) * at(high) > 0) return null;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (at(low) * at(middle) <= 0) high = middle;
    else low = middle;
  }
  return (low + high) / 2;
}

/** How a seam across a face lies: how deep, and how much lower its middle is, pointed there or in one curve. Lengths cm. */
interface Across {
  readonly depth: number;
  readonly dip: number;
  readonly curved: boolean;
}

/** How far from the centre the step after a pleat moves it, cm. */
const outOf = (next: StepTaken | undefined): number => (next?.step === 'pleat-out' ? (next.amount ?? 0) : 0);

/** The seams across of these steps, each with what the step after it says of its shape. */
function acrossOf(taken: StepTaken, next: StepTaken | undefined): Across {
  const shaped = next && (next.step === 'seam-point' || next.step === 'seam-curve') ? next : null;
  return { depth: taken.amount ?? 0, dip: shaped?.amount ?? 0, curved: shaped?.step === 'seam-curve' };
}

/** The edge of a panel towards the centre of its face, and those away from it. */
const inwardOf = (p: Panel) => (has(p, 'centre') ? 'centre' : 'princess');
const outwardOf = (p: Panel) =>
  [...(has(p, 'centre') ? ['princess'] : []), 'armhole', 'side'].filter((id) => has(p, id));

/** Where a seam across meets both edges of a panel: the outward one first, cm along each. */
interface Met {
  readonly out: string;
  readonly outAlong: number;
  readonly inAlong: number;
  /** how deep it is meant to meet the outward edge */
  readonly level: number;
}

/** Where it meets the panel at the centre of a face, or its only one. */
function metAtCentre(p: Panel, { depth, dip }: Across): Met {
  const inAlong = crossesAt(p, 'centre', depth + dip);
  // With a dart above it closed the outward edge lies higher than it is drawn.
  const turned = p.darts.some(opensAbove) && has(p, 'armhole') ? 'armhole' : undefined;
  const out = outwardOf(p).find((id) => crossesAt(p, id, depth) !== null) ?? turned;
  if (out === undefined || inAlong === null)
    throw new Cannot(
      `${say(depth)} below the side-neck the ${p.name} has no ${out === undefined ? 'edge' : 'centre'} to cross: below the neckline, above its lower edge.`,
    );
  return { out, outAlong: crossesAt(p, out, depth) ?? 0, inAlong, level: depth };
}
const opensAbove = (d: Dart) => d.legs[0][1] < d.tip[1];

/** Where it meets the panel beside that: as far along the princess seam they share, and level from there on. */
function metBeside(p: Panel, along: number, whole: number): Met {
  const own = edgeLength(p, 'princess');
  // The edge runs up: the same way from the seam's upper end, or from its lower one, whichever is nearer.
  const inAlong = along < whole / 2 ? own - along : whole - along;
  const [, y] = pointAlong(edgeOf(p, 'princess').path, inAlong);
  const out = outwardOf(p).find((id) => crossesAt(p, id, y) !== null);
  if (out === undefined || inAlong <= 0 || inAlong >= own)
    throw new Cannot(`the ${p.name} has no edge to cross there.`);
  return { out, outAlong: crossesAt(p, out, y)!, inAlong, level: y };
}

/** What lies above a seam, what lies below, and where a place of the whole lies now. */
interface Parted {
  readonly upper: Panel;
  readonly lower: Panel;
  readonly place: (at: Place) => Place;
  /** darts that it closed */
  readonly closed?: SeamPut['closed'];
}

/** Where a seam bends between its ends: halfway, lower where it is curved. */
const overOf = (a: Point, b: Point, q: Across): Point => [
  (a[0] + b[0]) / 2,
  q.curved ? a[1] + (b[1] - a[1]) * 0.75 : (a[1] + b[1]) / 2,
];
const wayOf = (a: Point, b: Point, q: Across): Segment[] => seamOver(a, overOf(a, b, q), b);

/** A panel in two along a seam across: what lies above it, what lies below. */
function across(
  p: Panel,
  { out, outAlong, inAlong, level: meant }: Met,
  q: Across,
  { allowance, word, mark }: { readonly allowance: Cm; readonly word: string; readonly mark: string },
): Parted {
  const inward = inwardOf(p);
  const [a, b] = [pointAlong(edgeOf(p, out).path, outAlong), pointAlong(edgeOf(p, inward).path, inAlong)];
  const over = overOf(a, b, q);
  const [high, low] = [Math.min(a[1], b[1]), Math.max(a[1], b[1])];
  const crossed = p.darts.filter(
    (d) => Math.min(d.tip[1], d.legs[0][1]) < low && Math.max(d.tip[1], d.legs[0][1]) > high,
  );
  if (p.inner?.some((d) => d.up[1] < low && d.down[1] > high))
    throw new Cannot(`the waist dart of the ${p.name} reaches above it.`);
  const ends = [
    { edge: out, along: outAlong },
    { edge: inward, along: inAlong },
  ] as const;
  const seam = { id: 'yoke', name: 'yoke seam', allowance };
  const level = (a[1] + b[1]) / 2;
  if (crossed.length > 0) return throughDarts(p, ends, { ...q, depth: meant }, crossed, seam, { word, mark });
  if (outAlong === 0)
    throw new Cannot(`${say(meant)} below the side-neck the ${p.name} has no edge to cross.`);
  const { outer, inner } = cutApart(p, ...ends, over, seam);
  const part = (half: Panel, upper: boolean): Panel => ({
    ...half,
    across: { centre: inward, side: upper ? out : p.across.side },
    lines: p.lines.filter((l) => l.y < level === upper),
    marks: p.marks.filter((m) => m.at[1] < level === upper),
    ...(p.inner ? { inner: p.inner.filter((d) => d.at[1] < level === upper) } : {}),
  });
  const upper: Panel = {
    ...part(outer, true),
    id: p.id.replace(/(front|back)/, `$1-${mark}`),
    name: `${p.name}, ${word}`,
    is: [...(p.is ?? []), 'yoke'],
    note: '',
  };
  return {
    upper,
    lower: part(inner, false),
    place: (at) => (at.at[1] < q.depth ? { ...at, panel: upper.id } : at),
  };
}

/** The figures that tell a dart: of one that was moved, what it was before too. */
const tellsOf = (d: Dart): readonly string[] => [d.figure, `${d.id}-intake`];

/** The same where darts cross the seam: closed on the side of their mouths, opening into the seam on the other. */
function throughDarts(
  p: Panel,
  ends: readonly [CutAt, CutAt],
  q: Across,
  crossed: readonly Dart[],
  seam: { readonly id: string; readonly name: string; readonly allowance: Cm },
  { word, mark }: { readonly word: string; readonly mark: string },
): Parted {
  try {
    const b = pointAlong(edgeOf(p, ends[1].edge).path, ends[1].along);
    const way = (from: Point, to: Point) => wayOf(from, to, q);
    const outs = new Map(outwardOf(p).map((id) => [id, edgeOf(p, id).path]));
    // The farthest from the centre first.
    const byReach = [...crossed].sort((x, y) => Math.abs(y.tip[0] - b[0]) - Math.abs(x.tip[0] - b[0]));
    // A dart that opens above is drawn over closed, as it is worn; below the bust body lines are level as they are drafted.
    const drawn = crossed.every(opensAbove)
      ? drawnClosed(byReach, outs, b, q.depth, way)
      : {
          first: ends[0],
          ...drawnOpen(way(pointAlong(edgeOf(p, ends[0].edge).path, ends[0].along), b), crossed),
        };
    const { upper, lower, place, darts, mouthUp } = cutThrough(p, [drawn.first, ends[1]], drawn, seam);
    const widths = (of: readonly Dart[]) => inWords(of.map((d) => say(d.intake)));
    const tips = mouthUp ? lower : upper;
    const eased = darts.filter((d) => !tips.darts.includes(d)).length;
    const rest = eased === 0 ? '' : eased === darts.length ? ', eased on' : `, the smaller eased on`;
    const closed = `${crossed.length === 1 ? 'its dart is' : 'its darts are'} closed in the cutting: ${widths(crossed)} at the ${crossed[0]!.edge}, ${widths(darts)} at the seam${rest}${mouthUp ? '' : '; true both edges over it into one line'}`;
    const id = p.id.replace(/(front|back)/, `$1-${mark}`);
    return {
      upper: {
        ...upper,
        id,
        name: `${p.name}, ${word}`,
        is: [...(p.is ?? []), 'yoke'],
        across: { centre: ends[1].edge, side: drawn.first.edge },
        note: mouthUp ? closed : '',
      },
      lower: { ...lower, note: mouthUp ? p.note : [p.note, closed].filter(Boolean).join('; ') },
      place: (at) => {
        // What tells a dart is told where it opens now.
        const dart = darts.find((d) => tellsOf(d).includes(at.figure));
        if (dart)
          return {
            ...at,
            panel: mouthUp ? p.id : id,
            at: pointAlong(edgeOf(mouthUp ? lower : upper, seam.id).path, dart.at),
          };
        const is = place(at.at);
        return { ...at, panel: is.upper ? id : p.id, at: is.at };
      },
      closed: { figures: crossed.flatMap(tellsOf), above: mouthUp },
    };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    throw new Cannot(
      `it meets the dart at the ${crossed[0]!.edge} of the ${p.name} at its end, or darts that open on either side of it: lay it 2 cm higher or lower.`,
    );
  }
}

/** A seam across a face, and its lining, at a depth, over every panel that it meets: above it a yoke. */
function seamed(now: Adapted, key: string, face: 'front' | 'back', q: Across, allowance: Cm): Adapted {
  const of = (layer: Panel['layer']) =>
    now.panels.filter(
      (p) =>
        p.layer === layer &&
        p.share === face &&
        p.id.startsWith(`${key}.${face}`) &&
        !isA(p, 'facing') &&
        has(p, inwardOf(p)) &&
        outwardOf(p).length > 0,
    );
  const earlier = now.seams.filter((s) => s.panel.startsWith(`${key}.${face}`)).length;
  const mark = earlier === 0 ? 'yoke' : `yoke-${earlier + 1}`;
  const cuts = new Map<Panel, Parted>();
  const ends: Adapted['seams'][number][] = [];
  for (const layer of ['outer', 'lining'] as const) {
    const panels = of(layer);
    const middles = panels.filter((p) => has(p, 'centre'));
    // Where a seam lies already, the part that this one meets.
    const middle = middles.find((p) => crossesAt(p, 'centre', q.depth + q.dip) !== null) ?? middles[0];
    if (!middle) {
      if (layer === 'lining') continue;
      throw new Cannot('there is no panel here that goes from the neckline to the armhole.');
    }
    const met = metAtCentre(middle, q);
    const shared = met.out === 'princess' ? edgeLength(middle, 'princess') : 0;
    const rows: (readonly [Panel, Met])[] = [
      [middle, met],
      ...panels
        .filter((p) => shared > 0 && p.id === middle.id.replace('-centre', '-side') && has(p, 'princess'))
        .map((p) => [p, metBeside(p, met.outAlong, shared)] as const),
    ];
    // Over the underarm it is a yoke; deeper it lies above a seam like any other.
    const [last, end] = rows.at(-1)!;
    const word = end.out === 'side' ? 'above the seam' : 'yoke';
    for (const [p, m] of rows)
      cuts.set(p, across(p, m, p === middle ? q : { ...q, dip: 0 }, { allowance, word, mark }));
    const sewnYoke = (p: Panel) => sewnLength(cuts.get(p)!.upper, 'yoke');
    const farthest = (p: Panel) => Math.max(...edgeOf(p, 'yoke').path.flatMap((s) => s.map(([x]) => x)));
    if (layer === 'outer')
      ends.push({
        panel: middle.id,
        y: q.depth,
        half: Math.min(
          farthest(cuts.get(last)!.upper),
          rows.reduce((sum, [p]) => sum + sewnYoke(p), 0),
        ),
        dip: q.dip,
        curved: q.curved,
        waist: middle.lines.find((l) => l.id === 'waist')?.y ?? null,
        closed: rows.map(([p]) => cuts.get(p)!.closed ?? null).find((c) => c !== null) ?? null,
      });
  }
  const whole = now.place;
  return {
    ...now,
    panels: now.panels.flatMap((p) => {
      const cut = cuts.get(p);
      return cut ? [cut.upper, cut.lower] : [p];
    }),
    place: (at) => {
      const moved = whole(at);
      const cut = [...cuts].find(([p]) => p.id === moved.panel);
      return cut ? cut[1].place(moved) : moved;
    },
    seams: [...now.seams, ...ends],
  };
}

/** A sleeve's end whose middle is shorter than its sides. */
function endShaped(now: Adapted, key: string, by: number): Adapted {
  const sleeves = now.panels.filter((p) => p.id.startsWith(`${key}.`) && has(p, 'wrist', 'cap'));
  if (sleeves.length === 0) throw new Cannot('there is no sleeve whose end could be shaped.');
  return {
    ...now,
    panels: now.panels.map((p) => {
      if (!sleeves.includes(p)) return p;
      const wrist = edgeOf(p, 'wrist');
      const [a, b] = [startOf(wrist.path[0]!), endOf(wrist.path.at(-1)!)];
      const third = (t: number): Point => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t - (by * 4) / 3];
      const path: Segment[] = [[a, third(1 / 3), third(2 / 3), b]];
      return {
        ...p,
        edges: p.edges.map((e) => (e === wrist ? { ...e, path } : e)),
        note: [p.note, `end shaped: its middle ${say(by)} shorter`].filter(Boolean).join('; '),
      };
    }),
  };
}
