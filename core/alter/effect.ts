import { sewnLength, sewnWidthAt } from '../draft/measure.ts';
import { isA, lineOf, type Panel } from '../draft/panel.ts';
import { alongOf } from '../draft/path.ts';
import type { Figure } from '../figure/figure.ts';
import { AGREE, capEase, MOST_EASED } from '../garment/meeting.ts';
import { clothFor } from '../garment/other-cloths.ts';
import { kindOf, type Seam, type SeamEdge, seamsOf } from '../garment/seams.ts';
import { type EaseZone, FLOORS, fitWord, workroomClass } from '../garment/tables/fit.ts';
import type { Sheet } from '../sheet/compute.ts';
import { capital, inWords } from '../text/in-words.ts';
import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import { type Halves, isMain, partOf, perHalf } from './apply.ts';
import type { Asked } from './asked.ts';
import { laidReady } from './laid.ts';

/** One finished measure before and after, cm. */
export interface Before {
  readonly id: string;
  readonly name: string;
  readonly kind: 'girth' | 'edge';
  readonly before: Cm;
  readonly after: Cm;
}

/** What an alteration makes of the garment, measured again on its panels. */
export interface Effect {
  readonly moved: readonly Before[];
  /** the ease the wearer has left at each line that moved */
  readonly ease: readonly {
    readonly zone: string;
    readonly name: string;
    readonly before: Cm;
    readonly after: Cm;
    /** the fit class it was in and is in now */
    readonly was: string;
    readonly is: string;
  }[];
  /** what it breaks or asks to follow, a sentence each */
  readonly says: readonly string[];
  /** what is left of the allowances of the edges it moved */
  readonly allowances: readonly { readonly piece: string; readonly seam: string; readonly left: Cm }[];
}

/** A change below this is none, cm: a hand cannot mark it. */
const NOTHING = 0.05;

const isSleeve = (p: Panel) => p.edges.some((e) => e.id === 'cap');

interface LineOver {
  readonly name: string;
  readonly of: { readonly panel: Panel; readonly width: number }[];
  /** panels of the same ring that end before they reach it, or of which it is not known where it lies */
  readonly without: string[];
}
/** Whether a body line lies on the seam at which a panel ends, and is measured there. */
const onSeam = (p: Panel, id: string): boolean => p.edges.some((e) => e.id === 'waist' && lineOf(e) === id);

/** Each body line with every panel of its part that it crosses; a waist with a seam of its own is measured on the seam. */
function linesOf(main: readonly Panel[]): Map<string, LineOver> {
  const out = new Map<string, LineOver>();
  const widthOn = (p: Panel, id: string): number | null => {
    const line = p.lines.find((l) => l.id === id);
    if (line) return sewnWidthAt(p, line.y);
    const level = p.levels?.find((l) => l.id === id);
    if (!level) return null;
    const plain = sewnWidthAt(p, level.y);
    if (plain !== null || !level.over) return plain;
    // Cloth that was turned lies aslant: its line goes from where it was turned straight to the side.
    const edge = (e: string) => p.edges.find((x) => x.id === e)!.path;
    const inner = alongOf(edge(p.across.centre), level.over);
    return inner.off < 0.5 ? alongOf(edge(p.across.side), level.over).off : null;
  };
  for (const p of main)
    for (const { id, name } of [...p.lines, ...(p.levels ?? [])]) {
      if (onSeam(p, id)) continue;
      const width = widthOn(p, id);
      if (width === null) continue;
      const over = out.get(id) ?? { name, of: [], without: [] };
      if (!over.of.some((x) => x.panel === p)) over.of.push({ panel: p, width });
      out.set(id, over);
    }
  for (const [id, { of, without }] of out) {
    const parts = new Set(of.map((x) => partOf(x.panel)));
    without.push(
      ...main
        .filter(
          (p) => parts.has(partOf(p)) && !isSleeve(p) && !isA(p, 'yoke') && !of.some((x) => x.panel === p),
        )
        .filter((p) => !onSeam(p, id))
        .map((p) => p.name),
    );
  }
  return out;
}

/** Everything that is measured on one half of the garment, by id, cm. */
function measures(panels: readonly Panel[]): ReadonlyMap<string, Measure> {
  let known = MEASURED.get(panels);
  if (!known) {
    known = measured(panels);
    MEASURED.set(panels, known);
  }
  return known;
}
interface Measure {
  readonly name: string;
  readonly kind: Before['kind'];
  readonly value: number;
  /** what of it lies on front panels */
  readonly front: number;
  /** panels of its ring that do not reach it: then it is no girth of the body */
  readonly without: readonly string[];
}
/** Panels are never changed in place: what was measured on a list of them holds. */
const MEASURED = new WeakMap<readonly Panel[], ReadonlyMap<string, Measure>>();

function measured(panels: readonly Panel[]): Map<string, Measure> {
  const out = new Map<string, Measure>();
  const add = (
    id: string,
    name: string,
    kind: Before['kind'],
    value: number,
    p: Panel,
    without: readonly string[] = [],
  ) => {
    const known = out.get(id);
    const front = p.share === 'front' ? value : 0;
    out.set(id, {
      name,
      kind,
      value: (known?.value ?? 0) + value,
      front: (known?.front ?? 0) + front,
      without,
    });
  };
  const main = panels.filter(isMain);
  for (const [id, { name, of, without }] of linesOf(main))
    for (const { panel, width } of of) {
      // A sleeve is whole on each side: what is measured on it is told of one.
      add(
        id,
        without.length > 0 ? `${name}, without the ${without.join(' and the ')}` : name,
        isSleeve(panel) ? 'edge' : 'girth',
        width * perHalf(panel),
        panel,
        without,
      );
    }
  for (const p of main) {
    const part = partOf(p);
    const times = perHalf(p);
    for (const e of p.edges) {
      if (e.fold || e.path.length === 0) continue;
      const length = sewnLength(p, e.id);
      if (e.id === 'waist' || e.id === 'hem' || e.id === 'neck')
        add(
          `${part}.${lineOf(e)}`,
          `${e.name} of the ${part}`,
          'girth',
          (length + (p.beside ?? 0)) * times,
          p,
        );
      else add(`${p.id}/${e.id}`, `${e.name}, ${p.name}`, 'edge', length, p);
    }
    const centre = p.edges.find((e) => e.id === p.across.centre);
    if (centre?.fold) add(`${p.id}/centre`, `${centre.name}, ${p.name}`, 'edge', sewnLength(p, centre.id), p);
  }
  for (const p of panels.filter((q) => q.layer === 'outer' && q.share === 'cuff'))
    if (p.edges.some((e) => kindOf(p, e) === 'cuff-edge'))
      add(`${p.id}/around`, `${p.name}, around, with its overlap`, 'edge', sewnLength(p, 'sleeve'), p);
  return out;
}

/** Every measure of a garment as it is by now, by id: girths on the whole, edges on one side, cm. */
export function measuredBy(now: Halves): Map<string, Cm> {
  const left = measures(now.left);
  return new Map(
    [...measures(now.right)].map(([id, { kind, value }]) => [
      id,
      cm(kind === 'girth' ? value + (left.get(id)?.value ?? value) : value),
    ]),
  );
}

/** One point of the finished garment that is measured again before it leaves, cm. */
export interface Point {
  readonly id: string;
  readonly name: string;
  readonly kind: Before['kind'];
  readonly target: Cm;
  /** what of it lies on front panels */
  readonly front: Cm;
}

/** What the finished garment should measure by now: its girths, and its lengths at front, sides and back. */
export function finishedPoints(now: Halves): Point[] {
  const left = measures(now.left);
  return [...measures(now.right)]
    .filter(
      ([id, { kind }]) =>
        kind === 'girth' || /\/(side|centre|wrist|underarm)$/.test(id) || /^sleeve[^/]*$/.test(id),
    )
    .map(([id, { name, kind, value, front }]) => ({
      id,
      name,
      kind,
      target: cm(kind === 'girth' ? value + (left.get(id)?.value ?? value) : value),
      front: cm(kind === 'girth' ? front + (left.get(id)?.front ?? front) : front),
    }))
    .sort((a, b) => Number(a.kind === 'edge') - Number(b.kind === 'edge'));
}

/** Before and after of every measure that moved: girths over both halves, edges on the half that moved more. */
function movedOf(before: Halves, a: Halves): Before[] {
  const [oldRight, oldLeft] = [measures(before.right), measures(before.left)];
  const [right, left] = [measures(a.right), measures(a.left)];
  return [...oldRight].flatMap(([id, { name, kind, value, without }]) => {
    // Where fewer panels reach it than before, what is left is no measure of the same thing.
    const others = [left, right].map((m) => m.get(id)?.without ?? without);
    if (others.some((w) => w.length !== without.length)) return [];
    const other = oldLeft.get(id)?.value ?? value;
    const r = (right.get(id)?.value ?? value) - value;
    const l = (left.get(id)?.value ?? other) - other;
    const row = (name: string, was: number, by: number): Before[] =>
      Math.abs(by) < NOTHING ? [] : [{ id, name, kind, before: cm(was), after: cm(was + by) }];
    if (kind === 'girth') return row(name, value + other, r + l);
    // Where left and right differ both are told; what is checked afterwards goes by the one that moved more.
    if (Math.abs(r - l) < NOTHING) return row(name, value, r);
    const sides = [...row(`${name}, right`, value, r), ...row(`${name}, left`, other, l)];
    return Math.abs(l) > Math.abs(r) ? sides.reverse() : sides;
  });
}

const bodyOf = (f: Figure): number =>
  f.terms.reduce((a, t) => a + (t.kind === 'body' || t.kind === 'tape' || t.kind === 'layers' ? t.cm : 0), 0);

/** The figure of the sheet that a measure of the panels answers to. */
function figureOf(sheet: Pick<Sheet, 'figures'>, id: string): Figure | undefined {
  const zone = id.replace(/^.*\.(?=(waist|underbust)$)/, '');
  return sheet.figures.find((f) => f.id === zone && f.finished !== null);
}

/**
 * What an alteration does to a garment: every measure that moved, the ease that is left, the floors it breaks, and the
 * seams that no longer agree.
 */
export function effectOf(sheet: OfSheet, before: Halves, a: Halves, asked?: Asked): Effect {
  const moved = movedOf(before, a);
  const ease: Effect['ease'][number][] = [];
  const says: string[] = [];
  const partly = (id: string) => (measures(before.right).get(id)?.without.length ?? 0) > 0;
  const hang = before.right.some((p) => p.edges.some((e) => e.id === 'shoulder')) ? 'shoulder' : 'waist';
  for (const m of moved.filter((x) => x.kind === 'girth')) {
    const f = figureOf(sheet, m.id);
    if (!f || !(f.id in CLASSED)) continue;
    // Of a girth that some panels do not reach there is no ease to tell.
    if (partly(m.id)) continue;
    const zone = f.id as EaseZone;
    // A waist where two parts meet is one.
    if (ease.some((x) => x.zone === zone)) continue;
    const [before, after] = [cm(m.before - bodyOf(f)), cm(m.after - bodyOf(f))];
    const known = zone in CLASSED;
    const [was, is] = known
      ? [workroomClass(zone, before, hang), workroomClass(zone, after, hang)]
      : ['', ''];
    ease.push({ zone: f.id, name: f.name, before, after, was, is });
    const floor = floorOf(sheet, zone);
    const at = zone === 'underbust' ? 'Under the bust' : `At the ${f.name}`;
    if (floor && after < 0 && after < before && !wasUnder(floor.least, before))
      says.push(`${at} it would be ${say(-after)} less than the body: no ${floor.why}.`);
    else if (floor && after < floor.least - 1e-9 && after < before && !wasUnder(floor.least, before))
      says.push(
        `The ${f.name} keeps ${say(after)} of ease; ${say(floor.least)} is the least in a cloth without stretch: ${floor.why}.`,
      );
    else if (known && was !== is) says.push(`${at} it becomes ${fitWord(is)}; it was ${fitWord(was)}.`);
    if (zone === 'waist' && isBoned(sheet) && after < -MOST_DRAWN_IN - 1e-9 && after < before)
      says.push(
        `The waist would be drawn in by ${say(cm(-after))}; ${say(MOST_DRAWN_IN)} is the most that is usual, and the client must breathe, sit and eat in it.`,
      );
  }
  says.push(
    ...noLongerReached(before, a),
    ...(asked ? laidReady(asked, a) : []),
    ...meetings(before, a),
    ...capsAgainst(before, a, (cap) => (sheet.input ? clothFor(sheet.input, cap).stretch : 0)),
  );
  const changed = new Map<string, Effect['allowances'][number]>();
  for (const which of ['right', 'left'] as const)
    a[which].forEach((p, i) => {
      const old = before[which][i]!;
      if (p === old || !isMain(p)) return;
      p.edges.forEach((e, j) => {
        if (e.path !== old.edges[j]!.path && e.allowance !== old.edges[j]!.allowance)
          changed.set(`${p.id}/${e.id}`, { piece: p.name, seam: e.name, left: e.allowance });
      });
    });
  return { moved, ease, says, allowances: [...changed.values()] };
}

const CLASSED: Partial<Record<EaseZone, true>> = {
  'high-bust': true,
  bust: true,
  underbust: true,
  waist: true,
  tummy: true,
  'high-hip': true,
  hip: true,
};

/** Body lines that were crossed before and are not any more: they are not read off beyond the panel. */
function noLongerReached(before: Halves, a: Halves): string[] {
  const is = measures(a.right);
  return [...measures(before.right)].flatMap(([id, m]) => {
    // An edge that moved is measured where it is now.
    if (m.kind !== 'girth' || id.includes('.') || id === 'below') return [];
    const now = is.get(id)?.without;
    const lost = now?.filter((w) => !m.without.includes(w)) ?? [];
    if (now && lost.length === 0) return [];
    const which = lost.length === 0 ? 'panels' : inWords(lost);
    return [`The ${m.name} line is not reached by the ${which} any more: measure that girth on the garment.`];
  });
}

/** The most that a boned waist is drawn in, cm (common practice: 4 to 5). */
const MOST_DRAWN_IN = cm(5);
const isBoned = (sheet: Partial<Pick<Sheet, 'input'>>) => sheet.input?.brief.fit === 'boned';
type OfSheet = Pick<Sheet, 'figures'> & Partial<Pick<Sheet, 'input'>>;
/** How far the cloth stretches at a level, percent. */
const givesAt = ({ figures, input }: OfSheet, zone: EaseZone): number =>
  figures.find((f) => f.id === zone)?.gives ?? input?.brief.cloth.stretch ?? 0;
/** The floor of a zone, by the same rule as on the sheet: none in a cloth that stretches, nor above the hip where bones hold it. */
const floorOf = (sheet: OfSheet, zone: EaseZone) =>
  givesAt(sheet, zone) > 0 || (isBoned(sheet) && zone !== 'hip') ? undefined : FLOORS[zone];
/** What the brief itself left below the floor is no news. */
const wasUnder = (least: number, before: number) => before < least - 0.05;

/** Seams that are sewn to each other and agreed before, and no longer do: both lengths, and which to ease or true. */
function meetings(before: Halves, a: Halves): string[] {
  const says: string[] = [];
  for (const which of ['right', 'left'] as const) {
    if (before[which] === a[which]) continue;
    const old = new Map(seamsOf(before[which]).map((s) => [s.id, s]));
    for (const seam of seamsOf(a[which])) {
      const was = old.get(seam.id);
      if (!was || seam.kind === 'cap') continue;
      const [x, y] = lengthsOf(a[which], seam);
      const [x0, y0] = lengthsOf(before[which], was);
      const [off, meant] = [x - y, Math.abs(x0 - y0) > AGREE ? x0 - y0 : 0];
      const more = off - meant;
      // Equal within what a hand trues is agreed; an overlap or what is eased on purpose stays as it was.
      if (Math.abs(more) <= AGREE || Math.abs(off - (x0 - y0)) <= NOTHING) continue;
      const fullness = GATHERS.has(seam.kind) ? fullnessOf(a[which], seam) : 0;
      // What is gathered can be spread by what lies in its gathers, and no further.
      const spread = Math.sign(more) === -Math.sign(fullness) ? Math.abs(more) - Math.abs(fullness) : 0;
      const both = `${capital(seam.name)}: ${say(cm(x))} and ${say(cm(y))}, ${say(cm(Math.abs(more)))} more apart than before`;
      const longer = more > 0 ? rowName(a[which], seam.rows[0]) : rowName(a[which], seam.rows[1]);
      says.push(
        fullness !== 0
          ? spread <= AGREE
            ? `${both}. The gathers take it up.`
            : `${both}, and the gathers have only ${say(cm(Math.abs(fullness)))} to give. The ${rowName(a[which], fullness > 0 ? seam.rows[0] : seam.rows[1])} must follow.`
          : Math.abs(more) <= MOST_EASED + 1e-9
            ? `${both}. Ease the ${longer} on, or true it.`
            : `${both}, too much to ease. The ${longer} must follow.`,
      );
    }
  }
  return [...new Set([...says, ...liningsOff(before, a)])];
}
/** A lining is sewn to its outer where both meet the same seam; its hem and sides hang by themselves. */
function liningsOff(before: Halves, a: Halves): string[] {
  const apart = (panels: readonly Panel[], p: Panel, id: string): readonly [number, number] | null => {
    const lining = panels.find((x) => x.id === `${p.id}-lining`);
    const has = (q: Panel | undefined) => q?.edges.some((e) => e.id === id && e.path.length > 0);
    return has(p) && has(lining) ? [sewnLength(p, id), sewnLength(lining!, id)] : null;
  };
  return (['right', 'left'] as const).flatMap((which) =>
    a[which].filter(isMain).flatMap((p, i) => {
      const old = before[which].filter(isMain)[i]!;
      return ['waist', 'armhole', 'cap'].flatMap((id) => {
        const [was, is] = [apart(before[which], old, id), apart(a[which], p, id)];
        // Where it ends at a facing it is not sewn to that edge.
        if (!was || !is || Math.abs(was[0] - was[1]) > MOST_EASED) return [];
        const more = Math.abs(is[0] - is[1] - (was[0] - was[1]));
        return more > AGREE
          ? [
              `The ${p.name} and its lining at the ${id}: ${say(cm(is[0]))} and ${say(cm(is[1]))}, ${say(cm(more))} more apart than before. The lining must follow.`,
            ]
          : [];
      });
    }),
  );
}
/** Seams whose fullness can take more or less; at a shoulder it is a little ease. */
const GATHERS = new Set<Seam['kind']>(['waist', 'band', 'tier', 'cuff-edge']);
const of = (panels: readonly Panel[], e: SeamEdge) => panels.find((p) => p.id === e.panel)!;
const gatherOf = (panels: readonly Panel[], e: SeamEdge) =>
  of(panels, e).edges.find((x) => x.id === e.edge)!.gather;
/** The sewn lengths of both rows of a seam on one half, cm. */
export function lengthsOf(panels: readonly Panel[], seam: Seam): readonly [number, number] {
  const sum = (row: readonly SeamEdge[]) =>
    row.reduce((n, e) => n + sewnLength(of(panels, e), e.edge) * timesOf(of(panels, e), seam), 0);
  return [sum(seam.rows[0]), sum(seam.rows[1])];
}
/** Round the body every panel counts; of the two sides of one gore each is one. */
const timesOf = (p: Panel, seam: Seam): number =>
  seam.kind === 'waist' || seam.kind === 'band' || seam.kind === 'neck' ? perHalf(p) : 1;
/** What is gathered away along a seam, cm: above 0 in its first row, below in its second, 0 where nothing is. */
const fullnessOf = (panels: readonly Panel[], seam: Seam): number => {
  const sum = (row: readonly SeamEdge[]) =>
    row.reduce((n, e) => n + gatherOf(panels, e) * timesOf(of(panels, e), seam), 0);
  return sum(seam.rows[0]) || -sum(seam.rows[1]);
};
const rowName = (panels: readonly Panel[], row: readonly SeamEdge[]): string =>
  inWords([...new Set(row.map((e) => of(panels, e).name))]);

/** An armhole and the cap that is set into it, on one half, sewn, cm; null where there is no sleeve. */
function capOf(panels: readonly Panel[]) {
  const main = panels.filter(isMain);
  const sleeve = main.find(isSleeve);
  const holes = main.filter((p) => p.edges.some((e) => e.id === 'armhole'));
  if (!sleeve || holes.length === 0) return null;
  const cap = sleeve.edges.find((e) => e.id === 'cap')!;
  return {
    armhole: holes.reduce((n, p) => n + sewnLength(p, 'armhole'), 0),
    sleeve,
    cap: sewnLength(sleeve, 'cap'),
    gathered: cap.gather > 0,
  };
}

/** Sleeves that fitted their armholes before, and no longer do: by how much, and what is wanted. */
function capsAgainst(before: Halves, a: Halves, stretch: (cap: Panel) => number): string[] {
  const says = (['right', 'left'] as const).flatMap((which) => {
    const [was, is] = [capOf(before[which]), capOf(a[which])];
    if (!was || !is) return [];
    const [old, now] = [was.cap - was.armhole, is.cap - is.armhole];
    if (Math.abs(now - old) < NOTHING) return [];
    const both = `The armhole is ${say(cm(is.armhole))} now, the cap ${say(cm(is.cap))}`;
    if (is.gathered)
      return Math.abs(now) <= AGREE
        ? []
        : [`${both}: gather the cap by ${say(cm(Math.abs(now)))} ${now > 0 ? 'more' : 'less'}.`];
    const wanted = capEase(stretch(is.sleeve));
    if (wanted.kind !== 'eased' || (now >= wanted.least - 1e-9 && now <= wanted.most + 1e-9)) return [];
    return [
      now < 0
        ? `${both}: it is ${say(cm(-now))} too short to be set in. The cap must follow.`
        : `${both}: ${say(cm(now))} to ease in, wanted are ${say(wanted.least)} to ${say(wanted.most)}. The cap must follow.`,
    ];
  });
  return [...new Set(says)];
}
