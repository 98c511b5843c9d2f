import { mapped, type Point, type Segment } from '../draft/curve.ts';
import { spanAt } from '../draft/measure.ts';
import { cutOutline, innerOutline, pathData, sewnOutline, sewnSize } from '../draft/outline.ts';
import type { Panel } from '../draft/panel.ts';
import type { Picture, Place, Stroke } from '../garment/picture.ts';
import { bySide } from '../garment/two-sides.ts';
import type { Sheet } from './compute.ts';
import type { PrintedSheet } from './print.ts';

export type { Stroke } from '../garment/picture.ts';

/** A letter with the point on the drawing it names. */
export interface Callout {
  readonly letter: string;
  readonly figure: string;
  /** what stands behind the letter: the figure as marked, on the panels */
  readonly text: string;
  readonly at: Point;
  /** where the letter stands */
  readonly label: Point;
}

/** One drawing, coordinates cm. */
export interface DrawingView {
  readonly title: string;
  readonly strokes: readonly Stroke[];
  readonly callouts: readonly Callout[];
  /** x, y, width, height, cm */
  readonly box: readonly [number, number, number, number];
  /** height of its letters, cm */
  readonly letters: number;
  /** words that stand in the drawing: names of the panels */
  readonly words: readonly { readonly text: string; readonly at: Point }[];
  /** where each panel with its letters and name lies in it; sheets kept before it was told have none */
  readonly parts?: readonly DrawnPart[];
}

/** One panel in a drawing of several. */
export interface DrawnPart {
  readonly id: string;
  readonly name: string;
  /** with its letters and its name */
  readonly box: DrawingView['box'];
  /** from where to where its cut line lies, cm */
  readonly across: readonly [number, number];
}

/** What is drawn of a sheet: the garment from the front and from behind, and its panels flat. */
export interface Drawn {
  readonly views: readonly DrawingView[];
  readonly panels: DrawingView | null;
}

/** Draws this garment from its own panels; nothing where a figure the outline needs is absent. */
export function drawGarment(sheet: Sheet, printed: PrintedSheet): Drawn {
  const letters = new Map(sheet.figures.map((f) => [f.id, f.letter]));
  const { pictures, places } = sheet.look();
  const whole = pictures.some((p) => p.front.strokes.length > 0);
  return {
    views: whole ? (['front', 'back'] as const).map((face) => view(pictures, face, letters)) : [],
    panels: drawPanels(sheet, places, printed, letters),
  };
}

const NUMBERS = /-?\d+(?:\.\d+)?/g;

/** The garment turned inside out, seen from behind: the back’s own lines the other way round, without letters. */
export function insideOf(views: readonly DrawingView[]): DrawingView | null {
  const back = views.find((v) => v.title === 'back');
  if (!back) return null;
  const [x, y, w, h] = back.box;
  return {
    ...back,
    title: 'inside',
    callouts: [],
    words: [],
    box: [-x - w, y, w, h],
    strokes: back.strokes.map((s) => {
      let n = 0;
      return { ...s, figure: null, d: s.d.replace(NUMBERS, (t) => (n++ % 2 === 0 ? String(-Number(t)) : t)) };
    }),
  };
}

/** The box of strokes, from the coordinates of their paths. */
function extent(strokes: readonly Stroke[]): [number, number, number, number] {
  const box: [number, number, number, number] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const s of strokes) {
    const all = (s.d.match(NUMBERS) ?? []).map(Number);
    for (let i = 0; i + 1 < all.length; i += 2) {
      box[0] = Math.min(box[0], all[i]!);
      box[1] = Math.min(box[1], all[i + 1]!);
      box[2] = Math.max(box[2], all[i]!);
      box[3] = Math.max(box[3], all[i + 1]!);
    }
  }
  return box;
}

function view(
  pictures: readonly Picture[],
  face: 'front' | 'back',
  letters: ReadonlyMap<string, string>,
): DrawingView {
  const strokes = pictures.flatMap((p) => p[face].strokes);
  const points = pictures.flatMap((p) => p[face].points).filter((p) => letters.has(p.figure));
  const once = [...new Map(points.map((p) => [p.figure, p])).values()];
  const [x0, y0, x1, y1] = extent(strokes);
  const size = Math.max(3.6, (y1 - y0) / 20);
  const edge = Math.max(-x0, x1) + size;
  const callouts = spread(
    once.map((p) => ({
      letter: letters.get(p.figure)!,
      figure: p.figure,
      text: '',
      at: p.at,
      label: [p.at[0] < -0.01 ? -edge : edge, p.at[1]] as const,
    })),
    size,
    y0,
  );
  const bottom = Math.max(y1, ...callouts.map((c) => c.label[1]));
  return {
    title: face,
    strokes,
    callouts,
    letters: size,
    words: [],
    box: [-edge - size, y0 - size, 2 * edge + 2 * size, bottom - y0 + 2 * size],
  };
}

/** Keeps letters on one side a line apart, so that none covers another, and as near their places as that allows. */
function spread(callouts: readonly Callout[], line: number, top: number): Callout[] {
  const out: Callout[] = [];
  for (const x of new Set(callouts.map((c) => c.label[0]))) {
    const column = callouts.filter((c) => c.label[0] === x).sort((a, b) => a.label[1] - b.label[1]);
    const ys = column.map((c) => c.label[1]);
    for (let i = 1; i < ys.length; i++) ys[i] = Math.max(ys[i]!, ys[i - 1]! + line);
    const below = ys.length > 0 ? ys.at(-1)! - column.at(-1)!.label[1] : 0;
    // What was pushed down is shared above and below, as far as the drawing's top.
    const up = Math.min(below / 2, Math.max(0, (ys[0] ?? 0) - top));
    out.push(...uncrossed(column.map((c, i) => ({ ...c, label: [x, ys[i]! - up] as const }))));
  }
  return out;
}

/** Letters of one column, two of them changed about wherever the lines to their places cross. */
function uncrossed(column: Callout[]): Callout[] {
  const made = [...column];
  // Each change shortens the lines, so that it ends; bounded all the same.
  for (let n = 0, changed = true; changed && n < made.length; n++) {
    changed = false;
    for (let i = 0; i < made.length; i++)
      for (let j = i + 1; j < made.length; j++) {
        const [a, b] = [made[i]!, made[j]!];
        if (!crosses(a.label, a.at, b.label, b.at)) continue;
        made[i] = { ...b, label: a.label };
        made[j] = { ...a, label: b.label };
        changed = true;
      }
  }
  return made;
}

/** Whether two lines cross between their ends. */
function crosses(a: Point, b: Point, c: Point, d: Point): boolean {
  const side = (p: Point, q: Point, r: Point) =>
    (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]);
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
}

/** Panels that are drawn: one of each that is cut from the outer cloth. */
const shown = (sheet: Sheet) =>
  bySide({ right: sheet.panels, left: sheet.left }).filter((p) => p.layer === 'outer');

/** The panels flat and to scale, in rows so wide that the drawing is no higher than a part of its width. */
function drawPanels(...of: Parameters<typeof panelsInRows> extends [...infer A, number] ? A : never) {
  let best: DrawingView | null = null;
  for (const row of ROWS) {
    const made = panelsInRows(...of, row);
    if (!made) return null;
    const height = (v: DrawingView) => v.box[3] / v.box[2];
    if (!best || height(made) < height(best) - 0.02) best = made;
    if (height(best) <= HIGHEST) break;
  }
  return best;
}

/** The panels side by side in rows of this width at least, cm, each letter with its measure. */
function panelsInRows(
  sheet: Sheet,
  places: readonly Place[],
  printed: PrintedSheet,
  letters: ReadonlyMap<string, string>,
  row: number,
): DrawingView | null {
  const measured = new Set(places.flatMap((q) => (letters.has(q.figure) ? [q.panel] : [])));
  // The left one of two that are not alike stands beside the right one, which carries the letters.
  const lettered = (p: Panel) => measured.has(p.id.replace(/-left$/, ''));
  const all = shown(sheet);
  // What carries measures comes first, facings and bands after it.
  const panels = [...all.filter(lettered), ...all.filter((p) => !lettered(p))];
  if (panels.length === 0) return null;
  // Letters are read at the width of a page, whatever that holds.
  const widest = Math.max(row, ...panels.map((p) => sewnSize(p).width + 0.4 * row));
  const size = widest / 62;
  const strokes: Stroke[] = [];
  const callouts: Callout[] = [];
  const words: DrawingView['words'][number][] = [];
  const parts: DrawnPart[] = [];
  let [x, y, right, low] = [0, 0, 0, 0];
  for (const panel of panels) {
    const own = places.filter((p) => p.panel === panel.id && letters.has(p.figure));
    const cut = cutOutline(panel);
    const [x0, y0, x1, y1] = extent([{ kind: 'cut', figure: null, d: pathData(cut) }]);
    const middle = (x0 + x1) / 2;
    const marked = (id: string) => bare(panel, printed.figures.find((q) => q.id === id)!);
    const sides = [own.filter((p) => p.at[0] < middle), own.filter((p) => p.at[0] >= middle)] as const;
    // Words need about 0.62 of their height across a letter.
    const room = sides.map((list) =>
      list.length === 0
        ? size
        : size * (1.6 + 0.62 * Math.max(...list.map((p) => marked(p.figure).length + 3))),
    ) as [number, number];
    const title = panel.count > 1 ? `${panel.name} × ${panel.count}` : panel.name;
    const spare = Math.max(0, title.length * 0.62 * size - (x1 - x0) - room[0] - room[1]) / 2;
    room[0] += spare;
    room[1] += spare;
    const width = room[0] + x1 - x0 + room[1];
    // What carries no measures may run a little past the row: a band stands beside its skirt.
    const limit = own.length > 0 ? widest : 1.2 * widest;
    if (x > 0 && x + width > limit) [x, y] = [0, low + 3 * size];
    const [dx, dy] = [x + room[0] - x0, y - y0];
    const move = ([px, py]: Point): Point => [px + dx, py + dy];
    const path = (segments: readonly Segment[], close: boolean) =>
      pathData(
        segments.map((s) => mapped(s, move)),
        close,
      );
    strokes.push(
      { kind: 'cut', figure: null, d: path(cut, true) },
      { kind: 'outline', figure: null, d: path(sewnOutline(panel), true) },
      ...panel.edges
        .filter((e) => e.fold)
        .map((e): Stroke => ({ kind: 'fold', figure: null, d: path(e.path, false) })),
      ...panel.darts.map(
        (d): Stroke => ({
          kind: 'dart',
          figure: d.figure,
          d: path([[d.legs[0], d.tip] as const, [d.tip, d.legs[1]] as const], false),
        }),
      ),
      ...(panel.inner ?? []).map(
        (d): Stroke => ({ kind: 'dart', figure: d.figure, d: path(innerOutline(d), true) }),
      ),
      ...panel.marks.flatMap((m): Stroke[] =>
        m.to
          ? [{ kind: 'level', figure: null, d: path(m.along ?? [[m.at, m.to] as const], false) }]
          : m.kind === 'thread mark'
            ? [{ kind: 'dart', figure: null, d: path(crossMark(m.at), false) }]
            : [],
      ),
      ...panel.lines.map((l): Stroke => {
        const [from, to] = spanAt(panel, l.y) ?? [x0, x1];
        const inset = (to - from) * 0.04;
        return {
          kind: 'level',
          figure: l.id,
          d: path(
            [
              [
                [from + inset, l.y],
                [to - inset, l.y],
              ] as const,
            ],
            false,
          ),
        };
      }),
    );
    const columns = [x + room[0] - size * 0.4, dx + x1 + size * 0.4];
    let bottom = y + y1 - y0;
    sides.forEach((list, i) => {
      const column = spread(
        list.map((p) => ({
          letter: letters.get(p.figure)!,
          figure: p.figure,
          text: marked(p.figure),
          at: move(p.at),
          label: [columns[i]!, move(p.at)[1]] as const,
        })),
        size * 1.15,
        y,
      );
      bottom = Math.max(bottom, ...column.map((c) => c.label[1]));
      callouts.push(...column);
    });
    words.push({
      text: title,
      // Below the letters too, where they run past the panel.
      at: [dx + middle, bottom + size * 1.6],
    });
    parts.push({
      id: panel.id,
      name: title,
      box: [x - size / 2, y - size, width + size, bottom + 3.2 * size - y],
      across: [x0 + dx, x1 + dx],
    });
    x += width + size;
    right = Math.max(right, x);
    low = Math.max(low, bottom + 2.4 * size);
  }
  return {
    title: 'panels',
    strokes,
    callouts,
    letters: size,
    words,
    parts,
    box: [-size, -size, right + size, low + size],
  };
}

/** A place that is marked on the panel, as a small cross: where a button lies. */
const crossMark = ([x, y]: Point): Segment[] => [
  [
    [x - MARK, y],
    [x + MARK, y],
  ],
  [
    [x, y - MARK],
    [x, y + MARK],
  ],
];
/** Half of such a cross, cm. */
const MARK = 0.8;

/** How wide rows of panels are drawn, cm: the next wider where the drawing would be higher than a sheet has room for. */
const ROWS = [190, 250, 320, 400, 500] as const;
/** No higher than this part of its width, where wider rows can help it. */
const HIGHEST = 0.85;

/** The figure as a hand marks it on this panel. */
const bare = (panel: Panel, f: PrintedSheet['figures'][number]): string =>
  f.shares.find((s) => s.panel === panel.share || s.panel === `right ${panel.share}`)?.text ??
  (f.panels || f.marked || f.finished);

const WIDTH: Record<Stroke['kind'], number> = {
  outline: 0.5,
  seam: 0.2,
  level: 0.15,
  dart: 0.25,
  zip: 0.5,
  band: 0.5,
  cut: 0.15,
  fold: 0.5,
};
const DASH: Partial<Record<Stroke['kind'], string>> = {
  level: '0.8 0.8',
  zip: '0.5 0.5',
  cut: '1.2 0.8',
  fold: '2.4 0.8 0.6 0.8',
};

/** Line width and dash of a stroke, cm, the same on screen and paper. */
export const strokeStyle = (kind: Stroke['kind']) => ({ width: WIDTH[kind], dash: DASH[kind] });

/** Whether a callout's words run to the left of its place. */
export const runsLeft = (c: Callout): boolean => c.label[0] < c.at[0];

/** The line from a letter to its place. */
export const leader = (c: Callout, size: number): string => {
  const from = c.text ? 0 : size * 0.45;
  return `M${n(c.label[0] + (runsLeft(c) ? from : -from))} ${n(c.label[1])} L${n(c.at[0])} ${n(c.at[1])}`;
};
/** How a letter is set at its label. */
export const anchorOf = (c: Callout): 'start' | 'middle' | 'end' =>
  c.text ? (runsLeft(c) ? 'end' : 'start') : 'middle';

const n = (x: number) => String(Math.round(x * 100) / 100);
const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;');

/** A view as an SVG document, black on white, for paper. */
export function viewToSvg(view: DrawingView, font: string): string {
  const size = view.letters;
  const strokes = view.strokes.map(({ d, kind }) => {
    const { width, dash } = strokeStyle(kind);
    return `<path d="${d}" fill="none" stroke="#000" stroke-width="${width}"${dash ? ` stroke-dasharray="${dash}"` : ''} stroke-linejoin="round"/>`;
  });
  const letters = view.callouts.map(
    (c) =>
      `<path d="${leader(c, size)}" stroke="#000" stroke-width="0.12"/><text x="${n(c.label[0])}" y="${n(c.label[1] + size * 0.35)}" font-family="${font}" font-size="${n(size)}" font-weight="bold" text-anchor="${anchorOf(c)}">${escaped(c.text ? `${c.letter} ${c.text}` : c.letter)}</text>`,
  );
  const words = view.words.map(
    (w) =>
      `<text x="${n(w.at[0])}" y="${n(w.at[1])}" font-family="${font}" font-size="${n(size)}" text-anchor="middle">${escaped(w.text)}</text>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${view.box.map(n).join(' ')}">${strokes.join('')}${letters.join('')}${words.join('')}</svg>`;
}
