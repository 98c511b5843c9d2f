import { dartOn, edgeLength, pointAlong, sewnLength, widthAt } from '../draft/measure.ts';
import { type Edge, edgeOf, type Panel } from '../draft/panel.ts';
import { pathLength } from '../draft/path.ts';
import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import { type Asked, totalOf, UNEVEN } from './asked.ts';
import { addDart, moveDarts } from './darts.ts';
import type { Move } from './kind.ts';
import { moveEdge } from './move-edge.ts';
import { even, mostOut, type Profile, scaled } from './profile.ts';
import { CannotAlter } from './refusal.ts';
import { level, slash, wedge } from './slash.ts';
import { spread } from './spread.ts';

/** What must stay of a seam allowance that is let out, and what a new hem needs, cm [¼ in; ¾ in] (house figures, no source). */
export const KEPT_ALLOWANCE = cm(0.6);
export const NEW_HEM = cm(2);
/** How long a new dart is where nothing else is said, cm (house figure, no source). */
const NEW_DART = cm(10);

type Half = 'left' | 'right';

/** What one piece of cloth gets: a box that must be ticked, or struck with a reason, before the work is done. */
export interface Box {
  /** panel, seam and side: the same alteration always gives the same ids */
  readonly id: string;
  readonly panel: string;
  readonly piece: string;
  readonly layer: Panel['layer'];
  readonly seam: string;
  readonly side: Asked['side'];
  /** how many edges of cloth */
  readonly edges: number;
  /** at its most on each of them, cm: + added, − taken; null where the work has no measure */
  readonly each: Cm | null;
  /** true where the same amount runs all along */
  readonly even: boolean;
}

/** The panels of a garment, drawn as its right half; the left differs once something was done on one side only. */
export interface Halves {
  readonly right: readonly Panel[];
  readonly left: readonly Panel[];
}
/** A garment as its sheet drafts it: both halves alike. */
export const alike = (panels: readonly Panel[]): Halves => ({ right: panels, left: panels });

/** The panels of both halves after an alteration, with the boxes it makes. */
export interface Applied extends Halves {
  readonly boxes: readonly Box[];
  /** the whole amount with its sign, cm */
  readonly total: Cm;
}

/** A panel that makes the garment’s girth: not a facing, a band or an interfacing. */
export const isMain = (p: Panel): boolean =>
  p.layer === 'outer' &&
  p.share !== 'facing' &&
  p.lines.length + Number(p.edges.some((e) => e.id === 'hem')) > 0;
/** The part a panel belongs to: `skirt` of `skirt.front`. */
export const partOf = (p: Panel): string => p.id.split('.')[0]!;
/** Whether two panels go round the body together. */
const besides = (p: Panel, q: Panel) => partOf(p) === partOf(q) && p.ring === q.ring;
/** How many of a panel one half of the garment has: a half or one of a pair is one, of equal panels it has half. */
export const perHalf = (p: Panel): number => (p.cut === 'single' ? p.count / 2 : 1);
const isBand = (p: Panel) => p.across.centre === 'waist';
const bears = (p: Panel, id: string, beside?: string) =>
  (beside === undefined || p.edges.some((e) => e.id === beside)) &&
  !isBand(p) &&
  p.edges.some((e) => e.id === id && !e.fold && e.path.length > 0);
const faceOf = (p: Panel): 'front' | 'back' | null =>
  p.share === 'front' || p.share === 'back'
    ? p.share
    : /\bfront\b/.test(p.id)
      ? 'front'
      : /\bback\b/.test(p.id)
        ? 'back'
        : null;

/**
 * Makes an alteration on the panels of a garment.
 * @param cut whether the cloth is cut: what is let out then comes from the allowances
 * @throws CannotAlter in a sentence where the garment has no such seam or there is not so much cloth
 */
export function applyAlteration(before: Halves, asked: Asked, cut: boolean): Applied {
  const { kind, hem, side } = asked;
  const total = totalOf(asked);
  if (kind.moves.length === 0) return { ...before, boxes: [], total };
  if (kind.amount === 'needed' && asked.amount === null && !hem)
    throw new CannotAlter('How much? An amount is needed, as pinned or as the total.');
  if (hem && side === 'both' && kind.id !== 'hem-uneven' && Math.abs(hem.left - hem.right) > UNEVEN + 1e-9)
    throw new CannotAlter(
      `Left and right are marked ${say(Math.abs(hem.left - hem.right))} apart: pin again, or say that it is meant to be uneven.`,
    );
  if (asked.part !== null && !before.right.some((p) => partOf(p) === asked.part))
    throw new CannotAlter(`This garment has no ${asked.part}.`);
  const boxes = new Map<string, Box>();
  const half = (which: Half): readonly Panel[] => {
    const panels = before[which];
    if (side !== 'both' && side !== which) return panels;
    return kind.moves.reduce<readonly Panel[]>(
      (now, m) => made(now, m, { asked, total, which, cut, boxes }),
      panels,
    );
  };
  const right = half('right');
  const left = hem || side !== 'both' || before.left !== before.right ? half('left') : right;
  return { right, left, boxes: [...boxes.values()], total };
}

interface Making {
  readonly asked: Asked;
  readonly total: Cm;
  readonly which: Half;
  readonly cut: boolean;
  readonly boxes: Map<string, Box>;
}

/** One move on every piece and layer that bears it. */
function made(panels: readonly Panel[], move: Move, m: Making): readonly Panel[] {
  const { asked } = m;
  const ours = (p: Panel) => asked.part === null || partOf(p) === asked.part;
  const face = ('face' in move ? move.face : undefined) ?? asked.face ?? undefined;
  const faced = (p: Panel) => face === undefined || faceOf(p) === face;
  if (move.do === 'edge') {
    const on = panels.filter((p) => ours(p) && faced(p) && bears(p, move.edge, move.beside));
    const main = on.filter(isMain);
    if (main.length === 0)
      throw new CannotAlter(
        `This garment has no seam called “${move.edge}”${face ? ` at the ${face}` : ''}.`,
      );
    const profiles = new Map(main.map((p) => [keyOf(p), profileOf(p, main, move, m)]));
    const typical = [...profiles.values()][0]!;
    return follow(
      panels,
      panels.map((p) => {
        if (!on.includes(p)) return p;
        const own = profiles.get(keyOf(p)) ?? profileLike(p, main, profiles) ?? typical;
        limit(p, edgeOf(p, move.edge), own, m);
        box(m, p, move.edge, own);
        return moveEdge(p, move.edge, own, move.way, [`vent-${move.edge}`]);
      }),
      m,
    );
  }
  if (move.do === 'dart') {
    const on = panels.filter((p) => ours(p) && faced(p) && p.darts.some((d) => d.edge === move.edge));
    if (on.length === 0) throw new CannotAlter(`This garment has no dart there to take more or less.`);
    return follow(
      panels,
      panels.map((p) => (on.includes(p) ? darted(p, move, on, m) : p)),
      m,
    );
  }
  if (move.do === 'spread') {
    const on = panels.filter((p) => ours(p) && faced(p) && bears(p, move.edge) && bears(p, move.hinge));
    const main = on.filter(isMain);
    if (main.length === 0)
      throw new CannotAlter(`No panel of this garment runs from its ${move.edge} to its ${move.hinge}.`);
    if (m.cut && m.total > 0)
      throw new CannotAlter('The cloth is cut: what is spread open needs its pieces cut anew.');
    return panels.map((p) => {
      if (!on.includes(p)) return p;
      const by =
        m.total *
        shareOfEdge(
          p,
          main.filter((q) => besides(q, p)),
          asked,
        );
      boxOf(
        m,
        p,
        `slashed from the ${edgeOf(p, move.edge).name} to the ${edgeOf(p, move.hinge).name}`,
        by,
        true,
      );
      return spread(p, move.edge, move.hinge, by);
    });
  }
  if (move.do === 'dart-shift') {
    const on = panels.filter((p) => ours(p) && faced(p) && p.darts.some((d) => d.edge === move.edge));
    if (on.length === 0) throw new CannotAlter('This garment has no dart there to move.');
    return panels.map((p) => {
      if (!on.includes(p)) return p;
      boxOf(m, p, `darts at the ${edgeOf(p, move.edge).name}, moved`, -m.total, true);
      return moveDarts(p, move.edge, cm(-m.total));
    });
  }
  if (move.do === 'dart-new') {
    const on = panels.filter((p) => ours(p) && faced(p) && bears(p, move.edge) && p.share !== 'facing');
    const main = on.filter(isMain);
    if (main.length === 0) throw new CannotAlter(`No panel of this garment has a ${move.edge}.`);
    const sides = asked.side === 'both' ? 2 : 1;
    return follow(
      panels,
      panels.map((p) => {
        if (!on.includes(p)) return p;
        const like = main.filter((q) => partOf(q) === partOf(p));
        const intake = cm(-m.total / (sides * Math.max(1, like.length)));
        const at = asked.run.begins ?? cm(edgeLength(p, move.edge) / 2);
        boxOf(m, p, `new dart at the ${edgeOf(p, move.edge).name}`, -intake, true);
        return addDart(p, move.edge, { intake, at, length: asked.run.zero ?? NEW_DART });
      }),
      m,
    );
  }
  const on = panels.filter((p) => ours(p) && faced(p) && p.share !== 'facing' && p.lines.length > 0);
  const cutting = on.filter((p) => heightOf(p, move.between) !== null);
  if (!cutting.some(isMain))
    throw new CannotAlter(`No panel of this garment runs from ${move.between.join(' to ')}.`);
  return panels.map((p) => {
    const y = cutting.includes(p) ? heightOf(p, move.between) : null;
    if (y === null) return p;
    boxOf(
      m,
      p,
      move.do === 'wedge'
        ? `centre ${move.face}, to nothing at the side`
        : `length, ${move.between.join(' to ')}`,
      m.total,
      move.do === 'level',
    );
    if (move.do === 'level') return slash(p, level(y, m.total));
    const hinge = widthAt(p, y);
    if (hinge === null) throw new CannotAlter(`The ${p.name} has no width at that height.`);
    return slash(p, wedge(y, m.total, hinge));
  });
}

/** Half way between two body lines of a panel, cm; null where it does not run from one to the other. */
function heightOf(p: Panel, [from, to]: readonly [string, string]): number | null {
  const a = p.lines.find((l) => l.id === from);
  const b = p.lines.find((l) => l.id === to);
  return a && b ? (a.y + b.y) / 2 : null;
}

const keyOf = (p: Panel) => `${partOf(p)}/${p.share}/${p.ring ?? ''}`;

/** What a facing gets: the same as the panel that it faces. */
function profileLike(
  p: Panel,
  main: readonly Panel[],
  profiles: ReadonlyMap<string, Profile>,
): Profile | undefined {
  const like = main.find((q) => partOf(q) === partOf(p) && faceOf(q) === faceOf(p));
  return like && profiles.get(keyOf(like));
}

/** What one edge of a main panel gets along itself, signed. */
function profileOf(
  p: Panel,
  main: readonly Panel[],
  move: Extract<Move, { do: 'edge' }>,
  m: Making,
): Profile {
  const { asked, total, which } = m;
  const own = main.filter((q) => besides(q, p));
  const length = edgeLength(p, move.edge);
  const sign = asked.direction.sign;
  if (asked.hem && move.edge === 'hem') {
    const middle = faceOf(p) === 'back' ? asked.hem.back : asked.hem.front;
    const side = asked.hem[which];
    return [
      { at: cm(0), by: cm(side * sign) },
      { at: length, by: cm(middle * sign) },
    ];
  }
  const by = move.amount === 'each' ? total : cm(total * shareOfEdge(p, own, asked));
  return scaled(runAlong(asked, p, move.edge), move.turned ? -by : by);
}

/** The share of a girth’s amount that each edge of a panel takes: over front and back, then over the edges of each. */
function shareOfEdge(p: Panel, main: readonly Panel[], asked: Asked): number {
  const sides = asked.side === 'both' ? 2 : 1;
  const edges = (list: readonly Panel[]) => list.reduce((sum, q) => sum + perHalf(q), 0) * sides;
  const fronts = edges(main.filter((q) => faceOf(q) !== 'back'));
  const backs = edges(main.filter((q) => faceOf(q) === 'back'));
  if (fronts === 0 || backs === 0) return 1 / (fronts + backs);
  const front = asked.frontShare ?? fronts / (fronts + backs);
  return faceOf(p) === 'back' ? (1 - front) / backs : front / fronts;
}

/** The run as a profile of height 1. */
function runAlong({ kind, run }: Asked, p: Panel, edge: string): Profile {
  const length = edgeLength(p, edge);
  const { begins, fullFrom, fullTo, zero } = run;
  if ([begins, fullFrom, fullTo, zero].every((x) => x === null)) {
    if (kind.levels) return byLevels(kind.levels, p, edge);
    if (!kind.full) return even(1);
    return kind.full === 'start'
      ? [
          { at: cm(0), by: cm(1) },
          { at: length, by: cm(0) },
        ]
      : [
          { at: cm(0), by: cm(0) },
          { at: length, by: cm(1) },
        ];
  }
  const from = fullFrom ?? begins ?? cm(0);
  const to = fullTo ?? (zero === null ? length : from);
  if (from > length + 0.05)
    throw new CannotAlter(`The seam is ${say(length)} long; that place lies beyond its end.`);
  if (begins !== null && begins > from + 1e-9)
    throw new CannotAlter('It begins below where it is full: say it the other way round.');
  if (to < from - 1e-9) throw new CannotAlter('It is full to a place above the one it is full from.');
  if (zero !== null && zero - to < 0.1)
    throw new CannotAlter('A taper needs some length: its zero point lies where it is still full.');
  return [
    ...(begins !== null && begins < from ? [{ at: begins, by: cm(0) }] : []),
    { at: from, by: cm(1) },
    ...(to > from ? [{ at: to, by: cm(1) }] : []),
    ...(zero !== null ? [{ at: zero, by: cm(0) }] : []),
  ];
}

/** Full at some body lines and nothing at others, straight between them. */
function byLevels(levels: NonNullable<Asked['kind']['levels']>, p: Panel, edge: string): Profile {
  const { path } = edgeOf(p, edge);
  const at = [
    // What a panel begins or ends with lies at the end of its seam.
    ...p.lines.map((l) => ({ id: l.id, y: l.y as number })),
    ...(p.edges.some((e) => e.id === 'waist') && !p.lines.some((l) => l.id === 'waist')
      ? [{ id: 'waist', y: -9 }]
      : []),
    ...(p.edges.some((e) => e.id === 'armhole') ? [{ id: 'underarm', y: -9 }] : []),
  ].map(({ id, y }) => ({ id, along: alongAt(path, y) }));
  const stations = at.flatMap(({ id, along }) =>
    levels.full.includes(id)
      ? [{ at: cm(along), by: cm(1) }, ...(levels.fade ? [{ at: cm(along + levels.fade), by: cm(0) }] : [])]
      : levels.nothing.includes(id)
        ? [{ at: cm(along), by: cm(0) }]
        : [],
  );
  if (!stations.some((s) => s.by > 0)) return even(1);
  return [...stations].sort((a, b) => a.at - b.at);
}

/** How far along a path the height y is reached, cm; its nearer end where it does not come there. */
function alongAt(path: Edge['path'], y: number): number {
  const length = pathLength(path);
  const n = 200;
  let best = { at: 0, off: Number.POSITIVE_INFINITY };
  for (let i = 0; i <= n; i++) {
    const at = (length * i) / n;
    const off = Math.abs(pointAlong(path, at)[1] - y);
    if (off < best.off) best = { at, off };
  }
  return best.at;
}

/** Refuses what the allowance of a cut piece cannot give. */
function limit(p: Panel, e: Edge, profile: Profile, m: Making): void {
  const wanted = mostOut(profile);
  // Interfacing is cut without allowances; it is cut anew or let be.
  if (!m.cut || wanted === 0 || p.layer === 'interfacing') return;
  const keep = e.id === 'hem' ? NEW_HEM : KEPT_ALLOWANCE;
  const most = Math.max(0, e.allowance - keep);
  if (wanted > most + 1e-9)
    throw new CannotAlter(
      `Letting out ${say(wanted)} at the ${e.name} of the ${p.name} is more than it has: of its ${say(e.allowance)} allowance ${say(keep)} must stay, so ${most > 0 ? `${say(most)} at most` : 'nothing'} on each edge.`,
    );
}

function box(m: Making, p: Panel, edge: string, profile: Profile): void {
  const most = profile.reduce((a, s) => (Math.abs(s.by) > Math.abs(a) ? s.by : a), 0);
  const steady = profile.every((s) => Math.abs(s.by - most) < 1e-9);
  boxOf(m, p, edgeOf(p, edge).name, most, steady);
}

function boxOf(m: Making, p: Panel, seam: string, each: number, steady: boolean, edges?: number): void {
  const side = m.asked.hem ? m.which : m.asked.side;
  const uneven = m.asked.hem && Math.abs(m.asked.hem.left - m.asked.hem.right) > 1e-9;
  const told = m.asked.hem && !uneven && m.asked.side === 'both' ? 'both' : side;
  const id = `${p.id}/${seam}/${told}`;
  if (m.boxes.has(id)) return;
  m.boxes.set(id, {
    id,
    panel: p.id,
    piece: p.name,
    layer: p.layer,
    seam,
    side: told,
    edges: edges ?? (told === 'both' ? 2 : 1),
    each: cm(each),
    even: steady,
  });
}

/** The darts of a panel take more (−) or less (+): the amount over all darts of that edge. */
function darted(
  p: Panel,
  { edge, amount }: Extract<Move, { do: 'dart' }>,
  on: readonly Panel[],
  m: Making,
): Panel {
  const main = on.filter((q) => isMain(q) && partOf(q) === partOf(p));
  const count = main.reduce((a, q) => a + q.darts.filter((d) => d.edge === edge).length, 0);
  const sides = m.asked.side === 'both' ? 2 : 1;
  const own = p.darts.filter((d) => d.edge === edge).length;
  // What takes a girth in is shared over all of them; what a panel grew by goes into its own.
  const by = amount === 'shared' ? -m.total / (count * sides) : m.total / own;
  const path = edgeOf(p, edge).path;
  boxOf(m, p, `darts at the ${edgeOf(p, edge).name}`, -by, true);
  return {
    ...p,
    darts: p.darts.map((d) => {
      if (d.edge !== edge) return d;
      const intake = cm(d.intake + by);
      if (intake < 0.2)
        throw new CannotAlter(`A dart of ${say(d.intake)} would be gone; take less out, or unpick it whole.`);
      return { ...d, legs: dartOn(path, { ...d, intake }).legs, intake };
    }),
  };
}

/** A waistband is as long as what is sewn to it: it follows what the waist of its part has become. */
function follow(before: readonly Panel[], after: readonly Panel[], m: Making): readonly Panel[] {
  return after.map((p) => {
    if (!isBand(p) || !p.edges.some((e) => e.id === 'overlap')) return p;
    const waist = (list: readonly Panel[]) =>
      list
        .filter((q) => isMain(q) && partOf(q) === partOf(p))
        .reduce((a, q) => a + (q.edges.some((e) => e.id === 'waist') ? sewnLength(q, 'waist') : 0), 0);
    const by = (waist(after) - waist(before)) * (m.asked.side === 'both' ? 2 : 1);
    if (Math.abs(by) < 0.05) return p;
    boxOf(m, p, 'length', by, true, 1);
    return moveEdge(p, 'overlap', even(by), 'down');
  });
}
