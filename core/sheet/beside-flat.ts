import { endOf, startOf } from '../draft/curve.ts';
import { edgeOf, type Panel } from '../draft/panel.ts';
import { TOLERANCE } from '../figure/build.ts';
import type { Figure } from '../figure/figure.ts';
import { type FlatCut, type FlatPoint, flatPoints } from '../measures/flat/flat-points.ts';
import type { Measured } from '../measures/session.ts';
import { type Cm, cm } from '../units/length.ts';
import { type Written, writtenToCm } from '../units/reading.ts';

/** One point of what lies flat beside the body and the sheet; halves are set beside halves. All lengths cm. */
export interface FlatRow {
  readonly point: FlatPoint;
  /** as read; null when it was not */
  readonly written: Written | null;
  readonly flat: Cm | null;
  /** what goes round, where a half was read */
  readonly whole: Cm | null;
  /** the body's, as a half where the point is one */
  readonly body: Cm | null;
  /** what the sheet's finished garment would measure there */
  readonly sheet: Cm | null;
  /** what it is wanted wider or longer than the body; of a half, half of it */
  readonly ease: Cm | null;
  /** what it should measure: the sheet's, or the body with what is wanted */
  readonly should: Cm | null;
  /** flat − what it should be */
  readonly differs: Cm | null;
  /** what it may differ by; of a half, half of what the whole may */
  readonly tolerance: Cm | null;
  readonly within: boolean | null;
}

interface Against {
  readonly cm: Cm;
  readonly tolerance: Cm;
}
/** What of the sheet a point is set beside: the sum of these figures, the first that are all there. */
const FIGURES: Readonly<Record<string, readonly (readonly string[])[]>> = {
  'side-neck-length': [
    ['top.length'],
    ['bodice.waist-front', 'skirt.hem-front'],
    ['bodice.waist-front', 'bodice.below'],
    ['bodice.waist-front'],
  ],
  'centre-back-length': [['bodice.centre-back-length', 'skirt.hem-back'], ['bodice.centre-back-length']],
  'bust-height': [['bodice.bust-level']],
  'waist-front': [['bodice.waist-front']],
  'waist-back': [['bodice.waist-back']],
  'top-front': [['bodice.top-front']],
  'top-side': [['bodice.top-side']],
  'top-back': [['bodice.top-back']],
  'hip-drop': [['level-hip']],
  'half-chest': [['bust']],
  'half-underbust': [['underbust']],
  'half-upper-arm': [['sleeve.upper-arm']],
  'half-waist': [['waist']],
  'half-hip': [['hip']],
  'half-hem': [['skirt.hem'], ['bodice.hem'], ['top.hem'], ['trousers.hem']],
  'half-thigh': [['trousers.thigh']],
  'half-knee': [['trousers.knee']],
  inseam: [['trousers.inseam']],
  outseam: [['trousers.outseam']],
  shoulder: [['bodice.shoulder'], ['top.shoulder']],
  sleeve: [['sleeve.length']],
  'half-end': [['sleeve.end']],
  'neck-drop-front': [['bodice.neck-front'], ['top.neck-front']],
  'neck-drop-back': [['bodice.neck-back'], ['top.neck-back']],
  'length-front': [['skirt.hem-front'], ['bodice.below']],
  'length-side': [['skirt.hem-left']],
  'length-back': [['skirt.hem-back']],
};

/** What the marked panels make of a figure: what is sewn, not what was meant. */
const asMarked = (f: Figure): number =>
  f.shares.length > 0 ? f.shares.reduce((n, s) => n + s.times * s.rounded, 0) : (f.marked ?? f.finished!);

function ofFigures(id: string, figures: ReadonlyMap<string, Figure>): Against | null {
  for (const sum of FIGURES[id] ?? []) {
    const all = sum.map((f) => figures.get(f));
    if (!all.every((f) => f != null && f.finished !== null)) continue;
    return {
      cm: cm(all.reduce((n, f) => n + asMarked(f!), 0)),
      tolerance: cm(Math.max(...all.map((f) => f!.tolerance))),
    };
  }
  return null;
}

/** What is measured square on the panels, because no figure of the sheet runs so. */
function onPanels(id: string, panels: readonly Panel[]): Against | null {
  const of = (part: 'front' | 'back') =>
    panels.find(
      (p) =>
        p.layer === 'outer' && p.share === part && p.edges.some((e) => e.id === 'armhole') && hasShoulder(p),
    );
  if (id === 'shoulders') {
    const back = of('back');
    if (!back) return null;
    const [x] = endOf(edgeOf(back, 'shoulder').path.at(-1)!);
    return { cm: cm(2 * Math.abs(x)), tolerance: TOLERANCE.length };
  }
  if (id === 'armhole') {
    const front = of('front');
    if (!front) return null;
    const { path } = edgeOf(front, 'armhole');
    const [from, to] = [startOf(path[0]!), endOf(path.at(-1)!)];
    return { cm: cm(Math.abs(from[1] - to[1])), tolerance: TOLERANCE.length };
  }
  return null;
}
const hasShoulder = (p: Panel) => p.edges.some((e) => e.id === 'shoulder');

/**
 * What lies flat beside the body and the sheet, a row for each point of its cut.
 * @param read by point, as written
 * @param sheet null where the order has none yet
 * @param wanted the ease that is wanted at a measure of the body, cm; null where nothing says
 * @param own what a length may differ by for this piece alone, halves half of it; null for the house's
 */
export function besideFlat(
  cut: FlatCut,
  read: ReadonlyMap<string, Written>,
  sheet: { readonly figures: readonly Figure[]; readonly panels: readonly Panel[] } | null,
  measured: ReadonlyMap<string, Pick<Measured, 'net'>>,
  wanted: (measure: string) => Cm | null = () => null,
  own: Cm | null = null,
): FlatRow[] {
  const figures = new Map(sheet?.figures.map((f) => [f.id, f]));
  return flatPoints(cut).map((point): FlatRow => {
    const written = read.get(point.id) ?? null;
    const flat = written ? cm(writtenToCm(written)) : null;
    const against =
      point.id === 'half-neck' ? halfNeck(figures) : setBeside(point, cut, figures, sheet?.panels ?? []);
    const net = point.body ? (measured.get(point.body)?.net ?? null) : null;
    const body = net === null ? null : cm(point.half ? net / 2 : net);
    const whole = point.body ? wanted(point.body) : null;
    const should =
      against?.cm ?? (body === null || whole === null ? null : cm(body + (point.half ? whole / 2 : whole)));
    // A wish of the body's own has the house's tolerance of its kind; of a half, half of it.
    const tolerance =
      (own !== null && should !== null ? cm(point.half ? own / 2 : own) : against?.tolerance) ??
      (should === null ? null : point.half ? cm(TOLERANCE.girth / 2) : TOLERANCE.length);
    const differs = flat !== null && should !== null ? cm(flat - should) : null;
    return {
      point,
      written,
      flat,
      whole: flat !== null && point.half ? cm(flat * 2) : null,
      body,
      sheet: against?.cm ?? null,
      ease: should === null || body === null ? null : cm(should - body),
      should,
      differs,
      tolerance,
      // A tape’s own rounding does not put a seam outside.
      within: differs === null ? null : Math.abs(differs) <= tolerance! + 1e-9,
    };
  });
}

/** The sheet already tells the neck's width as a half. */
const halfNeck = (figures: ReadonlyMap<string, Figure>): Against | null => {
  const f =
    figures.get('bodice.neck-open') ??
    figures.get('bodice.neck-half') ??
    figures.get('top.neck-open') ??
    figures.get('top.neck-half');
  return f?.finished == null ? null : { cm: cm(asMarked(f)), tolerance: f.tolerance };
};
function setBeside(
  point: FlatPoint,
  cut: FlatCut,
  figures: ReadonlyMap<string, Figure>,
  panels: readonly Panel[],
): Against | null {
  // A raglan's armhole and sleeve begin at the neck seam, where no panel of this sheet begins one.
  if (cut === 'raglan' && point.id === 'sleeve') return null;
  const whole = ofFigures(point.id, figures) ?? (cut === 'set-in' ? onPanels(point.id, panels) : null);
  if (!whole || !point.half) return whole;
  return { cm: cm(whole.cm / 2), tolerance: cm(whole.tolerance / 2) };
}

/** Chest and armhole are judged together: what one has too much of, the other must have too. */
export function flatSays(rows: readonly FlatRow[]): string[] {
  const row = (id: string) => rows.find((r) => r.point.id === id);
  const [chest, armhole] = [row('half-chest'), row('armhole')];
  if (chest?.differs == null || chest.within !== false || armhole?.differs == null) return [];
  if (chest.differs > 0 && armhole.differs <= 0)
    return ['The chest is wide for its armhole: cloth will bunch under the arm.'];
  if (chest.differs < 0 && armhole.differs >= 0)
    return ['The chest is narrow for its armhole: the piece will ride up when an arm is raised.'];
  return [];
}
