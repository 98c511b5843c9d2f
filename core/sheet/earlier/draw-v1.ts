import type { FigureV1, SheetV1, SkirtV1 } from './sheet-v1.ts';

interface Stroke {
  readonly d: string;
  readonly kind: 'outline' | 'seam' | 'level' | 'dart' | 'zip' | 'band';
  readonly figure: string | null;
}
interface Callout {
  readonly letter: string;
  readonly figure: string;
  readonly at: readonly [number, number];
  readonly label: readonly [number, number];
}
/** A drawing of version 1. */
export interface DrawingV1 {
  readonly title: 'front' | 'back';
  readonly strokes: readonly Stroke[];
  readonly callouts: readonly Callout[];
  readonly box: readonly [number, number, number, number];
}

const n = (x: number) => String(Math.round(x * 100) / 100);
const pt = (x: number, y: number) => `${n(x)} ${n(y)}`;

/** A sheet of version 1 as the program of its day drew it. Frozen: it is only ever read. */
export function drawV1(sheet: SheetV1): DrawingV1[] {
  const skirt = sheet.input.brief.parts.find((p) => p.part === 'straight-skirt');
  return skirt ? drawSkirt(sheet, skirt) : [];
}

function drawSkirt(sheet: SheetV1, brief: SkirtV1): DrawingV1[] {
  const find = (id: string) => sheet.figures.find((f) => f.id === id);
  const [waist, hip, hem, drop] = ['waist', 'hip', 'hem', 'level-hip'].map(find);
  const sideLength = find('hem-left')?.finished;
  if (!waist?.front || !hip?.front || !hem?.front || drop?.finished == null || sideLength == null) return [];
  return (['front', 'back'] as const).map((face) => {
    const quarter = (f: FigureV1) => f[face]!.exact;
    const [w, h, e, y] = [quarter(waist), quarter(hip), quarter(hem), drop.finished!];
    const centre = find(`hem-${face}`)?.finished ?? sideLength;
    // Seen from behind, the client's left side is on the left; from the front on the right.
    const [near, far] = face === 'back' ? ['hem-left', 'hem-right'] : ['hem-right', 'hem-left'];
    const [left, right] = [find(near!)!, find(far!)!];
    const [ll, rl] = [left.finished ?? sideLength, right.finished ?? sideLength];
    const strokes: Stroke[] = [
      {
        kind: 'outline',
        figure: null,
        d: `M${pt(-w, 0)} C${pt(-w - (h - w) * 0.55, y * 0.3)} ${pt(-h, y * 0.6)} ${pt(-h, y)} L${pt(-e, ll)} Q${pt(-e * 0.4, centre)} ${pt(0, centre)} Q${pt(e * 0.4, centre)} ${pt(e, rl)} L${pt(h, y)} C${pt(h, y * 0.6)} ${pt(w + (h - w) * 0.55, y * 0.3)} ${pt(w, 0)} Z`,
      },
    ];
    const callouts: Callout[] = [];
    const call = (
      f: FigureV1 | undefined,
      at: readonly [number, number],
      label: readonly [number, number],
    ) => {
      if (f) callouts.push({ letter: f.letter, figure: f.id, at, label });
    };
    const edge = h + 5;
    if (brief.band > 0) {
      strokes.push({
        kind: 'band',
        figure: 'band-length',
        d: `M${pt(-w, 0)} L${pt(-w, -brief.band)} L${pt(w, -brief.band)} L${pt(w, 0)}`,
      });
      if (face === 'front') call(find('band-length'), [w * 0.5, -brief.band / 2], [edge, -brief.band - 1]);
    }
    for (const id of ['waist', 'high-hip', 'tummy', 'hip'] as const) {
      const f = find(id);
      if (!f?.[face]) continue;
      const level = id === 'waist' ? 0 : find(`level-${id}`)?.finished;
      if (level == null) continue;
      const half = id === 'waist' ? w : id === 'hip' ? h : w + (h - w) * Math.min(1, (level / y) ** 0.6);
      if (id !== 'waist')
        strokes.push({ kind: 'level', figure: id, d: `M${pt(-half, level)} L${pt(half, level)}` });
      call(f, [-half, level], [-edge, level]);
    }
    call(hem, [-e, ll], [-edge, ll]);
    const intake = find(`dart-${face}-intake`);
    const length = find(`dart-${face}-length`);
    if (intake?.finished && length?.finished) {
      const count = intake.note.startsWith('2') ? 2 : 1;
      for (const side of [-1, 1])
        for (let i = 1; i <= count; i++) {
          const x = (side * w * i) / (count + 1);
          const tip = length.finished - (count === 2 && i === 2 ? 1.5 : 0);
          strokes.push({
            kind: 'dart',
            figure: intake.id,
            d: `M${pt(x - 0.45, 0)} L${pt(x, tip)} L${pt(x + 0.45, 0)}`,
          });
        }
      call(intake, [w / (count + 1), 3], [edge, 4]);
    }
    const zip = find('zip');
    if (brief.zip === 'centre-back' && face === 'back') {
      strokes.push({ kind: 'seam', figure: null, d: `M${pt(0, 0)} L${pt(0, centre)}` });
      if (zip?.finished) {
        strokes.push({ kind: 'zip', figure: 'zip', d: `M${pt(0.5, 0)} L${pt(0.5, zip.finished)}` });
        call(zip, [0.5, zip.finished * 0.8], [edge, zip.finished * 0.8]);
      }
    }
    if (brief.zip === 'left-side' && zip?.finished) {
      const x = face === 'back' ? -1 : 1;
      const bow = w + (h - w) * 0.75;
      strokes.push({
        kind: 'zip',
        figure: 'zip',
        d: `M${pt(x * (w - 0.6), 0)} Q${pt(x * (bow - 0.6), zip.finished * 0.4)} ${pt(x * (h - 0.9), zip.finished)}`,
      });
      if (face === 'front') call(zip, [h - 0.9, zip.finished], [edge, zip.finished + 2]);
    }
    if (brief.hemOpening.kind !== 'none' && face === 'back') {
      const top = centre - brief.hemOpening.height;
      const fold =
        brief.hemOpening.kind === 'vent'
          ? `M${pt(0, top)} L${pt(2.5, top + 2.5)} L${pt(2.5, centre)}`
          : `M${pt(-0.4, centre)} L${pt(0, top)} L${pt(0.4, centre)}`;
      strokes.push({
        kind: 'dart',
        figure: brief.hemOpening.kind,
        d: `M${pt(0, top)} L${pt(0, centre)} ${fold}`,
      });
      call(
        find(brief.hemOpening.kind),
        [0, top + brief.hemOpening.height * 0.4],
        [edge, top + brief.hemOpening.height * 0.4],
      );
    }
    call(right, [e, rl * 0.8], [edge, rl * 0.8]);
    call(find(`hem-${face}`), [0, centre * 0.93], [edge, centre * 0.93]);
    const bottom = Math.max(ll, rl, centre);
    return {
      title: face,
      strokes,
      callouts: spread(callouts),
      box: [-edge - 3, -brief.band - 4, 2 * edge + 6, bottom + brief.band + 8] as const,
    };
  });
}

/** Keeps letters on one side at least 5 cm apart, so that none covers another. */
function spread(callouts: readonly Callout[]): Callout[] {
  const out: Callout[] = [];
  for (const left of [true, false]) {
    let last = Number.NEGATIVE_INFINITY;
    for (const c of callouts.filter((x) => x.label[0] < 0 === left).sort((a, b) => a.label[1] - b.label[1])) {
      const y = Math.max(c.label[1], last + 5);
      out.push({ ...c, label: [c.label[0], y] });
      last = y;
    }
  }
  return out;
}
