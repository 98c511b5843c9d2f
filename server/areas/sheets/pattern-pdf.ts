import type { Paper, PatternQuery, SheetView } from '@rocchetto/contract';
import { unitOf } from '@rocchetto/contract/to-core.ts';
import type { Point, Segment } from '@rocchetto/core/draft/curve.ts';
import type { Arranged } from '@rocchetto/core/pattern/arrange.ts';
import { PAPERS } from '@rocchetto/core/pattern/papers.ts';
import type { Pattern } from '@rocchetto/core/pattern/pattern.ts';
import type { PatternPiece, PatternWord } from '@rocchetto/core/pattern/piece.ts';
import { lines } from '@rocchetto/core/pattern/polyline.ts';
import { DRAWN } from '@rocchetto/core/pattern/svg.ts';
import {
  MARGIN,
  OVERLAP,
  rollOf,
  type Tile,
  type Tiled,
  type TilesAsked,
  tilesOf,
} from '@rocchetto/core/pattern/tiles.ts';
import { cm, type SheetUnit } from '@rocchetto/core/units/length.ts';
import { printByHand } from '@rocchetto/core/units/print.ts';
import PDFDocument from 'pdfkit';
import { FACES, runsOf } from '../../paper/faces.ts';
import { drafted, type PatternOf, tilesAsked } from './pattern.ts';

type Doc = InstanceType<typeof PDFDocument>;
/** Points of a centimetre. */
const CM = 72 / 2.54;
/** Capitals are so high, as a part of the size of the face. */
const CAPITAL = 0.7;
const GREY = '#777';

/** Where a drawing's centimetres lie on a page. */
type ToPage = (p: Point) => Point;

function trace(doc: Doc, path: readonly Segment[], to: ToPage): Doc {
  let here: Point | null = null;
  for (const s of path) {
    const [from, ...rest] = s.map((p) => to(p as Point)) as [Point, ...Point[]];
    if (!here || Math.hypot(here[0] - from[0], here[1] - from[1]) > 1e-4) doc.moveTo(from[0], from[1]);
    if (rest.length === 1) doc.lineTo(rest[0]![0], rest[0]![1]);
    else doc.bezierCurveTo(rest[0]![0], rest[0]![1], rest[1]![0], rest[1]![1], rest[2]![0], rest[2]![1]);
    here = rest.at(-1)!;
  }
  return doc;
}

function write(
  doc: Doc,
  text: string,
  [x, y]: Point,
  size: number,
  more: { upright?: boolean; centred?: boolean } = {},
) {
  const runs = runsOf(text);
  const widths = runs.map((r) => doc.font(FACES[r.font].normal).fontSize(size).widthOfString(r.text));
  const whole = widths.reduce((a, b) => a + b, 0);
  doc.save();
  if (more.upright) doc.rotate(-90, { origin: [x, y] });
  let at = more.centred ? x - whole / 2 : x;
  runs.forEach((r, i) => {
    doc
      .font(FACES[r.font].normal)
      .fontSize(size)
      .fillColor('#000')
      .text(r.text, at, y - size * CAPITAL, { lineBreak: false });
    at += widths[i]!;
  });
  doc.restore();
}

const word = (doc: Doc, w: PatternWord, to: ToPage) =>
  write(doc, w.text, to(w.at), (w.size * CM) / CAPITAL, {
    upright: w.upright === true,
    centred: w.centred === true,
  });

function piece(doc: Doc, p: PatternPiece, to: ToPage) {
  const stroke = (kind: keyof typeof DRAWN, path: readonly Segment[]) => {
    const { width, dash } = DRAWN[kind];
    if (path.length === 0) return;
    trace(doc, path, to).lineWidth((width / 10) * CM);
    if (dash.length > 0) doc.dash((dash[0]! / 10) * CM, { space: (dash[1]! / 10) * CM });
    else doc.undash();
    doc.stroke('#000');
  };
  stroke('CUT', lines(p.ring, true));
  for (const l of p.lines) stroke(l.kind, l.path);
  doc.undash();
  for (const w of p.words) word(doc, w, to);
}

/** The squares by which a print is measured before it is cut, 10 cm and 4 in: beside each other, or one below the other. */
function squares(doc: Doc, x: number, y: number, below: boolean) {
  const [u, v] = below ? [x, y + 11 * CM] : [x + 11 * CM, y];
  doc.lineWidth(0.7).undash();
  doc.rect(x, y, 10 * CM, 10 * CM).stroke('#000');
  doc.rect(u, v, 4 * 72, 4 * 72).stroke('#000');
  write(doc, '10 cm', [x + 5 * CM, y + 5 * CM], 14, { centred: true });
  write(doc, '4 in', [u + 2 * 72, v + 2 * 72], 14, { centred: true });
}

interface Head {
  readonly title: string;
  readonly says: readonly string[];
}

/** What the numbered sheets become, small: each sheet at its place with its number, pieces behind it. */
function map(doc: Doc, t: Tiled, first: number, x: number, y: number, width: number, height: number) {
  const whole: Point = [t.columns * t.step.x, t.rows * t.step.y];
  const scale = Math.min(width / whole[0], height / whole[1]);
  const to: ToPage = ([u, v]) => [x + u * scale, y + v * scale];
  doc.lineWidth(0.5).undash();
  for (const { piece: p, by } of t.arranged.placed)
    trace(doc, lines(p.ring, true), ([u, v]) => to([u + by[0], v + by[1]])).stroke('#000');
  t.tiles.forEach((tile, i) => {
    const [u, v] = to(tile.at);
    doc.rect(u, v, t.step.x * scale, t.step.y * scale).stroke(GREY);
    write(doc, String(first + i), [u + (t.step.x * scale) / 2, v + (t.step.y * scale) / 2 + 3], 9, {
      centred: true,
    });
  });
}

function cover(doc: Doc, head: Head, all: readonly Tiled[]) {
  const [x, y] = [MARGIN * CM, MARGIN * CM];
  const [w, h] = [doc.page.width - 2 * x, doc.page.height - 2 * y];
  write(doc, head.title, [x, y + 16], 16);
  head.says.forEach((text, i) => {
    write(doc, text, [x, y + 36 + i * 14], 10);
  });
  const top = y + 48 + head.says.length * 14;
  const upright = h > w;
  squares(doc, x, top, upright);
  const left = (upright ? 11 : 22) * CM;
  const at = { x: x + left, y: top, w: w - left, h: h - top + y };
  const rows = Math.ceil(Math.sqrt(all.length));
  const columns = Math.ceil(all.length / Math.max(1, rows));
  let first = 1;
  all.forEach((t, i) => {
    const [cw, ch] = [at.w / columns, at.h / rows];
    map(doc, t, first, at.x + (i % columns) * cw, at.y + Math.floor(i / columns) * ch, cw - 10, ch - 10);
    first += t.tiles.length;
  });
}

/** One sheet: what of the pieces lies on it, and its marks for putting it to its neighbours. */
function sheet(doc: Doc, t: Tiled, tile: Tile, number: number, head: Head) {
  const [x, y, w, h] = [MARGIN * CM, MARGIN * CM, t.sheet.width * CM, t.sheet.height * CM];
  const to: ToPage = ([u, v]) => [x + (u - tile.at[0]) * CM, y + (v - tile.at[1]) * CM];
  doc.save();
  doc.rect(x, y, w, h).clip();
  for (const { piece: p, by } of t.arranged.placed) {
    const [x0, y0, x1, y1] = p.box;
    const off =
      x1 + by[0] < tile.at[0] ||
      x0 + by[0] > tile.at[0] + t.sheet.width ||
      y1 + by[1] < tile.at[1] ||
      y0 + by[1] > tile.at[1] + t.sheet.height;
    if (!off) piece(doc, p, ([u, v]) => to([u + by[0], v + by[1]]));
  }
  doc.restore();
  doc.lineWidth(0.4).dash(2, { space: 2 }).rect(x, y, w, h).stroke(GREY).undash();
  // In the middle of what lies over each other: the same place on both sheets.
  const half = ((t.sheet.width - t.step.x) / 2) * CM;
  const cross = (cx: number, cy: number, letter: string) => {
    doc.lineWidth(0.6);
    doc
      .moveTo(cx - 10, cy)
      .lineTo(cx + 10, cy)
      .moveTo(cx, cy - 10)
      .lineTo(cx, cy + 10)
      .stroke('#000');
    doc.circle(cx, cy, 5).stroke('#000');
    write(doc, letter, [cx + 8, cy - 6], 11);
  };
  const { left, right, top, bottom } = tile.marks;
  const [mx, my] = [x + (t.step.x / 2) * CM + half, y + (t.step.y / 2) * CM + half];
  if (left) cross(x + half, my, left);
  if (right) cross(x + w - half, my, right);
  if (top) cross(mx, y + half, top);
  if (bottom) cross(mx, y + h - half, bottom);
  write(doc, `${head.title} · sheet ${number} · row ${tile.row}, column ${tile.column}`, [x, y - 6], 7);
}

function finished(doc: Doc): Promise<Buffer> {
  const parts: Buffer[] = [];
  return new Promise((resolve, reject) => {
    doc.on('data', (d: Buffer) => parts.push(d));
    doc.on('end', () => resolve(Buffer.concat(parts)));
    doc.on('error', reject);
    doc.end();
  });
}
const open = (title: string): Doc =>
  new PDFDocument({
    autoFirstPage: false,
    margin: 0,
    info: { Title: `Pattern ${title}`, Creator: 'Rocchetto' },
  });

const MEASURE_FIRST =
  'Print at full size (100 %, no scaling), then measure the squares: where one is off, nothing fits.';

/** A pattern on sheets that are glued together, after a cover with its squares and its map. */
export function tilesPdf(pattern: Pattern, asked: TilesAsked, unit: SheetUnit): Promise<Buffer> {
  const { name, width, height } = PAPERS[asked.paper];
  const size: [number, number] =
    asked.way === 'portrait' ? [width * CM, height * CM] : [height * CM, width * CM];
  const all = tilesOf(pattern, asked);
  const count = all.reduce((n, t) => n + t.tiles.length, 0);
  const doc = open(pattern.title);
  const head: Head = {
    title: pattern.title,
    says: [
      MEASURE_FIRST,
      `${pattern.pieces.length} ${pattern.pieces.length === 1 ? 'piece' : 'pieces'} on ${count} ${count === 1 ? 'sheet' : 'sheets'} of ${name} behind this one. Sheets lie ${printByHand(cm(OVERLAP), unit)} over each other: put crosses with the same letter on each other.`,
    ],
  };
  doc.addPage({ size, margin: 0 });
  cover(doc, head, all);
  let number = 1;
  for (const t of all)
    for (const tile of t.tiles) {
      doc.addPage({ size, margin: 0 });
      sheet(doc, t, tile, number++, head);
    }
  return finished(doc);
}

/** A pattern on a roll: pages as long as its pieces need, the squares at the beginning of the first. @throws RangeError where a piece is wider than the roll */
export function rollPdf(pattern: Pattern, width: number): Promise<Buffer> {
  const pages: readonly Arranged[] = rollOf(pattern, width);
  const doc = open(pattern.title);
  pages.forEach((p, i) => {
    const above = i === 0 ? 13 * CM : 2 * CM;
    doc.addPage({ size: [width * CM, (p.height + 2 * MARGIN) * CM + above], margin: 0 });
    const [x, y] = [MARGIN * CM, MARGIN * CM];
    write(doc, `${pattern.title} · page ${i + 1} of ${pages.length} · ${MEASURE_FIRST}`, [x, y + 10], 11);
    if (i === 0) squares(doc, x, y + 24, false);
    for (const { piece: q, by } of p.placed)
      piece(doc, q, ([u, v]) => [x + (u + by[0]) * CM, y + above + (v + by[1]) * CM]);
  });
  return finished(doc);
}

/** An order's pattern on paper; null where nothing can be drafted yet, or in a sentence why it is not printed. */
export async function patternPdf(
  view: SheetView,
  of: PatternOf,
  q: PatternQuery,
  paper: Paper,
): Promise<{ readonly pdf: Buffer } | { readonly refused: string } | null> {
  const { pattern } = drafted(view, of, q);
  if (!pattern) return null;
  if (q.roll === undefined) return { pdf: await tilesPdf(pattern, tilesAsked(q, paper), unitOf(view.spec)) };
  try {
    return { pdf: await rollPdf(pattern, q.roll) };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { refused: error.message };
  }
}
