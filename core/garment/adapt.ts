import { endOf, mapped, type Point, type Segment, startOf } from '../draft/curve.ts';
import { edgeLength, pointAlong } from '../draft/measure.ts';
import { cutApart } from '../draft/move-dart.ts';
import { innerBy } from '../draft/outline.ts';
import { type Edge, edgeOf, type Panel } from '../draft/panel.ts';
import { straight } from '../draft/shape.ts';
import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { Fields } from './fields.ts';
import type { PartBrief } from './input.ts';
import type { Place } from './picture.ts';
import { STEPS, type StepId, type StepTaken, stepWords } from './steps.ts';

/** Panels with the steps that act on them, where places lie then, and steps that could not be followed. */
export interface Adapted {
  readonly panels: readonly Panel[];
  readonly place: (p: Place) => Place;
  /** depths of the seams that were put in, with the panel they lie on, cm from its top */
  readonly seams: readonly { readonly panel: string; readonly y: number; readonly half: number }[];
  readonly refused: readonly string[];
}

/** A step that cannot be followed on a panel, with the reason. */
class Cannot extends Error {}

/** The panels of one part, adapted. `key` begins their ids. */
export function adapt(
  key: string,
  panels: readonly Panel[],
  steps: readonly { readonly taken: StepTaken; readonly number: number }[],
  allowance: Cm,
): Adapted {
  let made: Adapted = { panels, place: (p) => p, seams: [], refused: [] };
  for (const { taken, number } of steps) {
    const amount = taken.amount ?? 0;
    try {
      if (taken.step === 'seam-front') made = seamed(made, `${key}.front`, amount, allowance);
      else if (taken.step === 'seam-back') made = seamed(made, `${key}.back`, amount, allowance);
      else if (taken.step === 'pleat') made = pleated(made, key, amount);
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

const has = (p: Panel, ...ids: readonly string[]) => ids.every((id) => p.edges.some((e) => e.id === id));

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

/** A seam across a face, and its lining, at a depth: above it a yoke. */
function seamed(now: Adapted, face: string, depth: number, allowance: Cm): Adapted {
  const faces = now.panels.filter(
    (p) => (p.id === face || p.id === `${face}-lining`) && has(p, 'armhole', 'centre'),
  );
  if (faces.length === 0)
    throw new Cannot('there is no panel here that goes whole from neckline to armhole.');
  const cuts = new Map<Panel, readonly [Panel, Panel]>();
  for (const p of faces) {
    const [arm, centre] = [crossesAt(p, 'armhole', depth), crossesAt(p, 'centre', depth)];
    if (arm === null || centre === null)
      throw new Cannot(
        `${say(depth)} below the side-neck the ${p.name} has no armhole or no centre to cross: below the neckline, above the underarm.`,
      );
    const crossed = p.darts.find(
      (d) => Math.min(d.tip[1], d.legs[0][1]) < depth && Math.max(d.tip[1], d.legs[0][1]) > depth,
    );
    if (crossed) throw new Cannot(`the dart at the ${crossed.edge} of the ${p.name} crosses it.`);
    if (p.inner?.some((d) => d.up[1] < depth))
      throw new Cannot(`the waist dart of the ${p.name} reaches above it.`);
    const ends = [pointAlong(edgeOf(p, 'armhole').path, arm), pointAlong(edgeOf(p, 'centre').path, centre)];
    const over: Point = [(ends[0]![0] + ends[1]![0]) / 2, depth];
    const { outer, inner } = cutApart(
      p,
      { edge: 'armhole', along: arm },
      { edge: 'centre', along: centre },
      over,
      { id: 'yoke', name: 'yoke seam', allowance },
    );
    const above = ([, y]: Point) => y < depth;
    const part = (q: Panel, upper: boolean): Panel => ({
      ...q,
      across: { centre: 'centre', side: upper ? 'armhole' : 'side' },
      lines: upper ? [] : p.lines,
      marks: p.marks.filter((m) => above(m.at) === upper),
    });
    const { inner: _, ...plain } = part(outer, true) as Panel & { inner?: unknown };
    cuts.set(p, [
      { ...plain, id: p.id.replace(/(front|back)/, '$1-yoke'), name: `${p.name}, yoke`, note: '' },
      part(inner, false),
    ]);
  }
  const whole = now.place;
  return {
    ...now,
    panels: now.panels.flatMap((p) => cuts.get(p) ?? [p]),
    place: (at) => {
      const moved = whole(at);
      const cut = [...cuts].find(([p]) => p.id === moved.panel);
      return cut && moved.at[1] < depth ? { ...moved, panel: cut[1][0].id } : moved;
    },
    seams: [
      ...now.seams,
      ...faces
        .filter((p) => p.layer === 'outer')
        .map((p) => ({
          panel: p.id,
          y: depth,
          half: pointAlong(edgeOf(p, 'armhole').path, crossesAt(p, 'armhole', depth)!)[0],
        })),
    ],
  };
}

/** A pleat at centre front: half of its width beyond the fold on either half, taken up at neckline and waist. */
function pleated(now: Adapted, key: string, width: number): Adapted {
  const front = now.panels.find((p) => p.id === `${key}.front` && p.layer === 'outer');
  if (!front || !has(front, 'neck', 'centre')) throw new Cannot('there is no whole front with a neckline.');
  if (!edgeOf(front, 'centre').fold) throw new Cannot('the front has a seam or an opening at its centre.');
  const by = cm(width / 2);
  const move = ([x, y]: Point): Point => [x + by, y];
  const all = (path: readonly Segment[]) => path.map((s) => mapped(s, move));
  const centre = edgeOf(front, 'centre');
  const [low, high] = [startOf(centre.path[0]!), endOf(centre.path.at(-1)!)];
  const edges = front.edges.map((e): Edge => {
    if (e.id === 'centre') return { ...e, path: straight([0, low[1]], [0, high[1]]) };
    if (e.id === 'neck')
      return { ...e, path: [[[0, high[1]], move(high)], ...all(e.path)], gather: cm(e.gather + by) };
    const meets = endOf(e.path.at(-1)!);
    if (meets[0] !== low[0] || meets[1] !== low[1]) return { ...e, path: all(e.path) };
    return {
      ...e,
      path: [...all(e.path), [move(low), [0, low[1]]]],
      // It hangs open at a hem; a waist seam takes it up again.
      gather: e.id === 'waist' ? cm(e.gather + by) : e.gather,
    };
  });
  const made: Panel = {
    ...front,
    edges,
    darts: front.darts.map((d) => ({ ...d, tip: move(d.tip), legs: [move(d.legs[0]), move(d.legs[1])] })),
    ...(front.inner ? { inner: front.inner.map((d) => innerBy(d, move)) } : {}),
    marks: [
      ...front.marks.map((m) => ({ ...m, at: move(m.at), ...(m.to ? { to: move(m.to) } : {}) })),
      { kind: 'fold line', name: 'pleat', at: [by, high[1]], to: [by, low[1]] },
    ],
    note: [
      front.note,
      `pleat of ${say(width)} at the fold edge: its line is not on the fold, ${say(by)} beyond it is`,
    ]
      .filter(Boolean)
      .join('; '),
  };
  const whole = now.place;
  return {
    ...now,
    panels: now.panels.map((p) => (p === front ? made : p)),
    place: (at) => {
      const moved = whole(at);
      return moved.panel === front.id ? { ...moved, at: move(moved.at) } : moved;
    },
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

/** Whether any of the steps acts on panels. */
export const actsOnPanels = (steps: readonly StepTaken[]): boolean =>
  steps.some((s) => STEPS[s.step].figures === undefined && STEPS[s.step].field === undefined);

interface Known {
  readonly name: string;
  readonly adapts?: readonly StepId[];
  readonly fields: Fields;
}

/** The parts with what steps say of their fields laid over them, and the steps that cannot be taken, with the reason. */
export function adaptedParts(
  parts: readonly PartBrief[],
  steps: readonly StepTaken[],
  known: (part: string) => Known,
): { readonly parts: readonly PartBrief[]; readonly refused: readonly string[] } {
  const made = [...parts];
  const refused: string[] = [];
  for (const [i, s] of steps.entries()) {
    const brief = made[s.part];
    const laid = brief ? onField(brief, known(brief.part), s) : 'its part is not there';
    if (typeof laid === 'string') refused.push(`Step ${stepWords(s, i)} was left out: ${laid}.`);
    else made[s.part] = laid;
  }
  return { parts: made, refused };
}

/** A part with a step laid over its field, where it acts on one; why it cannot be otherwise. */
function onField(brief: PartBrief, part: Known, s: StepTaken): PartBrief | string {
  const { field, amount } = STEPS[s.step];
  if (!part.adapts?.includes(s.step)) return `a ${part.name} is not adapted so`;
  if (amount !== null && s.amount === null) return 'its amount is missing';
  const asked = field ? part.fields[field] : undefined;
  if (!field || !asked) return brief;
  if (asked.kind === 'choice')
    return asked.options.some((o) => o.value === s.to)
      ? { ...brief, [field]: s.to }
      : `a ${part.name} knows no “${s.to}” there`;
  if (asked.kind !== 'length') return brief;
  const value = cm((brief[field] as number) + s.amount!);
  return value >= asked.min - 1e-9 && value <= asked.max + 1e-9
    ? { ...brief, [field]: value }
    : `${say(value)} in all is outside of ${say(asked.min)} to ${say(asked.max)}`;
}
