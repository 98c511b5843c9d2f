import { type DrawnPanel, drawnPanel } from '../draft/drawn-panel.ts';
import { spanAt } from '../draft/measure.ts';
import { pathData, sewnOutline } from '../draft/outline.ts';
import type { Panel } from '../draft/panel.ts';
import type { Notion, Piece } from '../figure/figure.ts';
import { type Change, changesBetween, type FigureHeld } from '../sheet/changes.ts';
import type { Sheet } from '../sheet/compute.ts';
import { type Cm, cm, type SheetUnit } from '../units/length.ts';
import { formatSentence, printSigned, printWithUnit } from '../units/print.ts';

/** Of a sheet, what is held against another of the same garment; nobody's name. */
export interface Held {
  readonly figures: readonly FigureHeld[];
  readonly pieces: readonly Pick<Piece, 'panel' | 'name' | 'layer' | 'count' | 'width' | 'length'>[];
  readonly notions: readonly Notion[];
  readonly checks: readonly Pick<Sheet['checks'][number], 'state' | 'sentence'>[];
}
/** No more of a sheet than is held against another: a seventh of its size and less. */
export const heldOf = ({ figures, pieces, notions, checks }: Held): Held => ({
  figures: figures.map(({ id, name, finished, shares }) => ({
    id,
    name,
    finished,
    shares: shares.map(({ panel, rounded }) => ({ panel, rounded })),
  })),
  pieces: pieces.map(({ panel, name, layer, count, width, length }) => ({
    panel,
    name,
    layer,
    count,
    width,
    length,
  })),
  notions,
  checks: checks.filter((k) => k.state !== 'passed').map(({ state, sentence }) => ({ state, sentence })),
});

type Size = Pick<Piece, 'width' | 'length' | 'count'>;
export interface PieceMoved {
  readonly name: string;
  /** as cut; null where there was none, or is none any more */
  readonly before: Size | null;
  readonly after: Size | null;
}
export interface NotionMoved {
  readonly name: string;
  readonly before: Pick<Notion, 'length' | 'note' | 'bought'> | null;
  readonly after: Pick<Notion, 'length' | 'note' | 'bought'> | null;
}
/** What is otherwise in one sheet than in another. Lengths cm; sentences keep theirs open. */
export interface WhatMoved {
  readonly figures: readonly Change[];
  readonly pieces: readonly PieceMoved[];
  readonly notions: readonly NotionMoved[];
  /** warnings that would come, and those that would go */
  readonly said: readonly string[];
  readonly gone: readonly string[];
}

const sizeOf = ({ width, length, count }: Size): Size => ({ width, length, count });
const near = (a: Cm | null, b: Cm | null) => (a === null || b === null ? a === b : Math.abs(a - b) < 1e-9);

/** Pairs things of two lists by a name, those of the newer first, then what is gone. Of two with one name the first goes with the first. */
function paired<T>(
  before: readonly T[],
  after: readonly T[],
  key: (of: T) => string,
): [T | null, T | null][] {
  const left = [...before];
  const pairs = after.map((now): [T | null, T | null] => {
    const at = left.findIndex((was) => key(was) === key(now));
    return [at < 0 ? null : left.splice(at, 1)[0]!, now];
  });
  return [...pairs, ...left.map((was): [T, null] => [was, null])];
}

/** What one sheet says otherwise than another of the same order. */
export function whatMoved(before: Held, after: Held): WhatMoved {
  const pieces = paired(before.pieces, after.pieces, (p) => `${p.panel} ${p.layer} ${p.name}`)
    .filter(
      ([was, is]) =>
        !was || !is || was.count !== is.count || !near(was.width, is.width) || !near(was.length, is.length),
    )
    .map(([was, is]) => {
      const { name, layer } = (is ?? was)!;
      return {
        name: layer === 'outer' || name.includes(layer) ? name : `${name}, ${layer}`,
        before: was && sizeOf(was),
        after: is && sizeOf(is),
      };
    });
  const notions = paired(before.notions, after.notions, (n) => n.name)
    .filter(([was, is]) => !was || !is || was.note !== is.note || !near(was.length, is.length))
    .map(([was, is]) => ({ name: (is ?? was)!.name, before: was, after: is }));
  const open = (of: Held) => of.checks.filter((k) => k.state !== 'passed').map((k) => k.sentence);
  const [was, is] = [open(before), open(after)];
  return {
    figures: changesBetween(before.figures, after.figures),
    pieces,
    notions,
    said: is.filter((s) => !was.includes(s)),
    gone: was.filter((s) => !is.includes(s)),
  };
}

/** Whether nothing at all is otherwise. */
export const nothingMoved = (m: WhatMoved): boolean =>
  [m.figures, m.pieces, m.notions, m.said, m.gone].every((of) => of.length === 0);

/** An amount below this is not written beside a panel, cm: a pencil’s line. */
const PENCIL = 0.05;

/** Every panel that is drawn otherwise, old over new, with how much wider it is at each of its body lines. */
export function panelsMoved(before: readonly Panel[], after: readonly Panel[]): readonly DrawnPanel[] {
  return paired(before, after, (p) => p.id).flatMap(([was, is]) => {
    if (was && is && outline(was) === outline(is)) return [];
    return [drawnPanel(was, is, 'both', was && is ? widened(was, is) : [])];
  });
}
/** Both halves: a panel that is drawn alike at left and right stands once, one that is not stands for each side. */
export function halvesMoved(
  before: Pick<Sheet, 'panels' | 'left'>,
  after: Pick<Sheet, 'panels' | 'left'>,
): readonly DrawnPanel[] {
  const right = panelsMoved(before.panels, after.panels);
  if (before.left === before.panels && after.left === after.panels) return right;
  const left = panelsMoved(before.left, after.left);
  const like = (all: readonly DrawnPanel[], p: DrawnPanel) =>
    all.some((q) => q.panel === p.panel && q.before === p.before && q.after === p.after);
  return [
    ...right.map((p) => (like(left, p) ? p : { ...p, side: 'right' as const })),
    ...left.filter((p) => !like(right, p)).map((p) => ({ ...p, side: 'left' as const })),
  ];
}
const outline = (p: Panel) =>
  `${pathData(sewnOutline(p), true)} ${p.darts.map((d) => [...d.legs, d.tip].join()).join(' ')} ${(p.inner ?? []).map((d) => [d.up, d.at, d.down].join()).join(' ')}`;

function widened(was: Panel, is: Panel): DrawnPanel['amounts'] {
  return is.lines.flatMap((line) => {
    const old = was.lines.find((l) => l.id === line.id);
    const [then, now] = [old ? spanAt(was, old.y) : null, spanAt(is, line.y)];
    if (!then || !now) return [];
    const by = cm(now[1] - now[0] - (then[1] - then[0]));
    return Math.abs(by) < PENCIL ? [] : [{ at: [now[1], line.y] as const, by }];
  });
}

/** The figures themselves before what each panel gets of them. */
const wholeFirst = (all: readonly Change[]) =>
  [true, false].flatMap((whole) => all.filter((c) => (c.what === 'finished') === whole));

/** What moved, a line each, in one unit: figures with their amounts first, then what is cut and bought, then what would be warned. */
export function moveLines(m: WhatMoved, unit: SheetUnit): readonly string[] {
  const size = (l: Cm | null) => (l === null ? 'none' : printWithUnit(l, unit));
  const cut = (of: Size | null) => (of ? `${of.count} × ${size(of.width)} × ${size(of.length)}` : 'none');
  const bought = (of: NotionMoved['before']) =>
    of
      ? of.length === null
        ? formatSentence(of.note, unit)
        : printWithUnit(of.length, of.bought ?? unit)
      : 'none';
  return [
    ...wholeFirst(m.figures).map(
      ({ name, what, before, after, by }) =>
        `${name}${what === 'finished' ? '' : `, ${what}`}: ${size(before)} → ${size(after)}${by === null ? '' : ` (${printSigned(by, unit)})`}`,
    ),
    ...m.pieces.map((p) => `${p.name}, cut size: ${cut(p.before)} → ${cut(p.after)}`),
    ...m.notions.map((n) => `${n.name}: ${bought(n.before)} → ${bought(n.after)}`),
    ...m.said.map((s) => formatSentence(s, unit)),
    ...m.gone.map((s) => `no longer: ${formatSentence(s, unit)}`),
  ];
}
