import { sewnLength, sewnWidthAt } from '../draft/measure.ts';
import type { Panel } from '../draft/panel.ts';
import type { Figure } from '../figure/figure.ts';
import { AGREE, capEase } from '../garment/meeting.ts';
import { type EaseZone, FLOORS, workroomClass } from '../garment/tables/fit.ts';
import type { Sheet } from '../sheet/compute.ts';
import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import { type Halves, isMain, partOf, perHalf } from './apply.ts';

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

/** Everything that is measured on one half of the garment, by id, cm. */
function measures(
  panels: readonly Panel[],
): Map<string, { name: string; kind: Before['kind']; value: number }> {
  const out = new Map<string, { name: string; kind: Before['kind']; value: number }>();
  const add = (id: string, name: string, kind: Before['kind'], value: number) => {
    const known = out.get(id);
    out.set(id, { name, kind, value: (known?.value ?? 0) + value });
  };
  for (const p of panels.filter(isMain)) {
    const part = partOf(p);
    const times = perHalf(p);
    for (const line of p.lines) {
      const width = line.id === 'waist' ? null : sewnWidthAt(p, line.y);
      // A sleeve is whole on each side: what is measured on it is told of one.
      if (width !== null) add(line.id, line.name, isSleeve(p) ? 'edge' : 'girth', width * times);
    }
    for (const e of p.edges) {
      if (e.fold || e.path.length === 0) continue;
      const length = sewnLength(p, e.id);
      if (e.id === 'waist' || e.id === 'hem' || e.id === 'neck')
        add(`${part}.${e.id}`, `${e.name} of the ${part}`, 'girth', (length + (p.beside ?? 0)) * times);
      else add(`${p.id}/${e.id}`, `${e.name}, ${p.name}`, 'edge', length);
    }
    const centre = p.edges.find((e) => e.id === p.across.centre);
    if (centre?.fold) add(`${p.id}/centre`, `${centre.name}, ${p.name}`, 'edge', sewnLength(p, centre.id));
  }
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
}

/** What the finished garment should measure by now: its girths, and its lengths at front, sides and back. */
export function finishedPoints(now: Halves): Point[] {
  const left = measures(now.left);
  return [...measures(now.right)]
    .filter(
      ([id, { kind }]) =>
        kind === 'girth' || /\/(side|centre|wrist|underarm)$/.test(id) || /^sleeve[^/]*$/.test(id),
    )
    .map(([id, { name, kind, value }]) => ({
      id,
      name,
      kind,
      target: cm(kind === 'girth' ? value + (left.get(id)?.value ?? value) : value),
    }))
    .sort((a, b) => Number(a.kind === 'edge') - Number(b.kind === 'edge'));
}

/** Before and after of every measure that moved: girths over both halves, edges on the half that moved more. */
function movedOf(before: Halves, a: Halves): Before[] {
  const [oldRight, oldLeft] = [measures(before.right), measures(before.left)];
  const [right, left] = [measures(a.right), measures(a.left)];
  return [...oldRight].flatMap(([id, { name, kind, value }]) => {
    const other = oldLeft.get(id)?.value ?? value;
    const r = (right.get(id)?.value ?? value) - value;
    const l = (left.get(id)?.value ?? other) - other;
    const [was, is] =
      kind === 'girth'
        ? [value + other, value + other + r + l]
        : Math.abs(r) >= Math.abs(l)
          ? [value, value + r]
          : [other, other + l];
    return Math.abs(is - was) < NOTHING ? [] : [{ id, name, kind, before: cm(was), after: cm(is) }];
  });
}

const bodyOf = (f: Figure): number =>
  f.terms.reduce((a, t) => a + (t.kind === 'body' || t.kind === 'tape' || t.kind === 'layers' ? t.cm : 0), 0);

/** The figure of the sheet that a measure of the panels answers to. */
function figureOf(sheet: Pick<Sheet, 'figures'>, id: string): Figure | undefined {
  const zone = id.endsWith('.waist') ? 'waist' : id;
  return sheet.figures.find((f) => f.id === zone && f.finished !== null);
}

/**
 * What an alteration does to a garment: every measure that moved, the ease that is left, the floors it breaks, and the
 * seams that no longer agree.
 */
export function effectOf(
  sheet: Pick<Sheet, 'figures'> & Partial<Pick<Sheet, 'input'>>,
  before: Halves,
  a: Halves,
): Effect {
  const moved = movedOf(before, a);
  const ease: Effect['ease'][number][] = [];
  const says: string[] = [];
  const hang = before.right.some((p) => p.edges.some((e) => e.id === 'shoulder')) ? 'shoulder' : 'waist';
  for (const m of moved.filter((x) => x.kind === 'girth')) {
    const f = figureOf(sheet, m.id);
    if (!f || !(f.id in CLASSED)) continue;
    const zone = f.id as EaseZone;
    // A waist where two parts meet is one.
    if (ease.some((x) => x.zone === zone)) continue;
    const [before, after] = [cm(m.before - bodyOf(f)), cm(m.after - bodyOf(f))];
    const known = zone in CLASSED;
    const [was, is] = known
      ? [workroomClass(zone, before, hang), workroomClass(zone, after, hang)]
      : ['', ''];
    ease.push({ zone: f.id, name: f.name, before, after, was, is });
    const floor = FLOORS[zone];
    if (floor && after < 0 && after < before)
      says.push(`At the ${f.name} it would be ${say(-after)} less than the body: no ${floor.why}.`);
    else if (floor && after < floor.least - 1e-9 && after < before)
      says.push(
        `The ${f.name} keeps ${say(after)} of ease; ${say(floor.least)} is the least in a cloth without stretch: ${floor.why}.`,
      );
    else if (known && was !== is)
      says.push(`At the ${f.name} it becomes ${is.replace('-', ' ')}; it was ${was.replace('-', ' ')}.`);
  }
  says.push(...meetings(before, a), ...capsAgainst(before, a, sheet.input?.brief.cloth.stretch ?? 0));
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

/** Seams that are sewn to each other and agreed before, and no longer do. */
function meetings(before: Halves, a: Halves): string[] {
  const says: string[] = [];
  for (const which of ['right', 'left'] as const) {
    const [old, now] = [pairsOf(before[which]), pairsOf(a[which])];
    for (const [id, pair] of now) {
      const was = old.get(id);
      if (!was) continue;
      const [off, offBefore] = [pair.a - pair.b, was.a - was.b];
      if (Math.abs(off - offBefore) > AGREE)
        says.push(
          `${pair.name} no longer agree: ${say(pair.a)} and ${say(pair.b)}, ${say(Math.abs(off - offBefore))} more apart than before. One of them must follow.`,
        );
    }
  }
  return [...new Set(says)];
}

/** An armhole and the cap that is set into it, on one half, sewn, cm; null where there is no sleeve. */
function capOf(panels: readonly Panel[]) {
  const main = panels.filter(isMain);
  const sleeve = main.find(isSleeve);
  const holes = main.filter((p) => p.edges.some((e) => e.id === 'armhole'));
  if (!sleeve || holes.length === 0) return null;
  const cap = sleeve.edges.find((e) => e.id === 'cap')!;
  return {
    armhole: holes.reduce((n, p) => n + sewnLength(p, 'armhole'), 0),
    cap: sewnLength(sleeve, 'cap'),
    gathered: cap.gather > 0,
  };
}

/** Sleeves that fitted their armholes before, and no longer do: by how much, and what is wanted. */
function capsAgainst(before: Halves, a: Halves, stretch: number): string[] {
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
    const wanted = capEase(stretch);
    if (wanted.kind !== 'eased' || (now >= wanted.least - 1e-9 && now <= wanted.most + 1e-9)) return [];
    return [
      now < 0
        ? `${both}: it is ${say(cm(-now))} too short to be set in. The cap must follow.`
        : `${both}: ${say(cm(now))} to ease in, wanted are ${say(wanted.least)} to ${say(wanted.most)}. The cap must follow.`,
    ];
  });
  return [...new Set(says)];
}

interface Pair {
  readonly name: string;
  readonly a: number;
  readonly b: number;
}

function pairsOf(panels: readonly Panel[]): Map<string, Pair> {
  const out = new Map<string, Pair>();
  const main = panels.filter(isMain);
  const length = (p: Panel, id: string) =>
    p.edges.some((e) => e.id === id && e.path.length > 0) ? sewnLength(p, id) : null;
  for (const part of new Set(main.map(partOf)))
    for (const id of ['side', 'shoulder', 'inseam']) {
      const [f, b] = [
        main.find((p) => partOf(p) === part && p.share === 'front'),
        main.find((p) => partOf(p) === part && p.share === 'back'),
      ];
      const [a, c] = [f && length(f, id), b && length(b, id)];
      if (a != null && c != null)
        out.set(`${part}/${id}`, { name: `The front and back ${id} seams of the ${part}`, a, b: c });
    }
  // A lining is sewn to its outer where both meet the same seam; its hem and sides hang by themselves.
  for (const p of main) {
    const lining = panels.find((x) => x.id === `${p.id}-lining`);
    for (const id of lining ? ['waist', 'armhole', 'cap'] : []) {
      const [a, b] = [length(p, id), length(lining!, id)];
      if (a !== null && b !== null)
        out.set(`${p.id}/${id}/lining`, { name: `${p.name} and its lining at the ${id}`, a, b });
    }
  }
  const waists = new Map<string, number>();
  for (const p of main) {
    const w = length(p, 'waist');
    if (w !== null) waists.set(partOf(p), (waists.get(partOf(p)) ?? 0) + 2 * w);
  }
  const [first, second] = [...waists];
  if (first && second)
    out.set('waist', {
      name: `The waists of the ${first[0]} and the ${second[0]}`,
      a: first[1],
      b: second[1],
    });
  return out;
}
