import type { Point } from '../draft/curve.ts';
import { type Edge, isA, lineOf, type Panel, type PanelKind } from '../draft/panel.ts';
import { pathLength } from '../draft/path.ts';

/** What an edge of a panel is to the garment. `joint`: between two panels that go round the body together. */
export const SEAM_KINDS = [
  'side',
  'princess',
  'shoulder',
  'armhole',
  'neck',
  'upper',
  'waist',
  'casing',
  'hem',
  'wrist',
  'centre-back',
  'front-edge',
  'underarm',
  'cap',
  'inseam',
  'crotch',
  'gusset',
  'leg',
  'joint',
  'yoke',
  'tier',
  'collar-edge',
  'collar-neck',
  'cuff-edge',
  'cuff-end',
  'band',
] as const;
export type SeamKind = (typeof SEAM_KINDS)[number];
/** How each is called in a sentence. */
export const SEAM_NAME: Readonly<Record<SeamKind, string>> = {
  side: 'side seam',
  princess: 'princess seam',
  shoulder: 'shoulder seam',
  armhole: 'armhole',
  neck: 'neckline',
  upper: 'upper edge',
  waist: 'waist',
  casing: 'casing',
  hem: 'hem',
  wrist: 'sleeve end',
  'centre-back': 'centre back seam',
  'front-edge': 'front edge',
  underarm: 'sleeve seam',
  cap: 'cap',
  inseam: 'inside leg seam',
  crotch: 'crotch seam',
  gusset: 'crotch seam',
  leg: 'leg edge',
  joint: 'seam between its panels',
  yoke: 'yoke seam',
  tier: 'seam between tiers',
  'collar-edge': 'outer edge of the collar',
  'collar-neck': 'neck seam of the collar',
  'cuff-edge': 'cuff seam',
  'cuff-end': 'end of the cuff',
  band: 'band',
};

export type Face = 'front' | 'back';

/** One edge of a panel as a part of a seam. Lengths cm. */
export interface SeamEdge {
  readonly panel: string;
  readonly edge: string;
  readonly kind: SeamKind;
  readonly part: string;
  readonly face: Face | null;
  /** what its panel is */
  readonly is: readonly PanelKind[];
  /** true where the edge is drawn against the way of its seam, which runs from the top down or from the centre out */
  readonly against: boolean;
  /** how far along its seam the edge begins, and how long the seam is on this side, on the flat */
  readonly from: number;
  readonly whole: number;
}

/** Two rows of edges that are sewn to each other, each in sewing order, on one half of the garment. */
export interface Seam {
  readonly id: string;
  readonly kind: SeamKind;
  readonly name: string;
  readonly rows: readonly [readonly SeamEdge[], readonly SeamEdge[]];
}

/** The part a panel belongs to: `skirt` of `skirt.front`. */
export const partOf = (p: Pick<Panel, 'id'>): string => p.id.split('.')[0]!;
/** Panels that make the garment: no facings, bands, cuffs, collars, plackets, pockets. */
const MAKES = new Set(['front', 'back', 'panel', 'half panel', 'gore', 'sleeve']);
/** A facing only finishes an edge of what it faces. */
export const isFacing = (p: Panel): boolean => isA(p, 'facing');
/** Whether a panel is outer cloth that makes the garment. */
export const isMain = (p: Panel): boolean => p.layer === 'outer' && MAKES.has(p.share) && !isFacing(p);
/** How many of a panel one half of the garment has: a half or one of a pair is one, of equal panels it has half. */
export const perHalf = (p: Panel): number => (p.cut === 'single' ? p.count / 2 : 1);

/** Which face of the body an edge lies on; null where a panel goes round it. */
export function faceOf(p: Panel, edge = ''): Face | null {
  if (edge.endsWith('-back') && p.share !== 'sleeve') return 'back';
  if (p.share === 'front' || p.share === 'back') return p.share;
  return p.face ?? null;
}

const SAME: Partial<Record<string, SeamKind>> = {
  neck: 'neck',
  shoulder: 'shoulder',
  armhole: 'armhole',
  side: 'side',
  'side-back': 'side',
  hem: 'hem',
  'hem-back': 'hem',
  waist: 'waist',
  princess: 'princess',
  inseam: 'inseam',
  crotch: 'crotch',
  leg: 'leg',
  wrist: 'wrist',
  cap: 'cap',
  underarm: 'underarm',
  'underarm-back': 'underarm',
  yoke: 'yoke',
};
const COLLAR: Partial<Record<string, SeamKind>> = { outer: 'collar-edge', neck: 'collar-neck' };
const ROUND = new Set(['panel', 'half panel', 'gore']);

/** What an edge is; null for a fold, the edge of a vent, and what only finishes the garment. */
export function kindOf(p: Panel, e: Edge): SeamKind | null {
  if (e.fold || e.path.length === 0) return null;
  switch (p.share) {
    case 'collar':
      return COLLAR[e.id] ?? null;
    case 'cuff':
      // The strip that binds its opening is no cuff.
      if (!isA(p, 'cuff')) return null;
      if (e.id === 'sleeve') return p.layer === 'outer' ? 'cuff-edge' : null;
      return e.id === 'other' ? 'cuff-end' : null;
    case 'band':
      return e.id === 'waist' || e.id === 'seam' || e.id === 'neck' ? 'band' : null;
    case 'fly':
    case 'placket':
    case 'detail':
      return null;
  }
  if (ROUND.has(p.share)) {
    if (e.id === 'side' || e.id === 'centre') return 'joint';
    if (e.id === 'top') return 'tier';
    return SAME[e.id] ?? null;
  }
  if (isFacing(p)) return e.id === 'lower' || e.id === 'centre' ? null : (SAME[e.id] ?? null);
  const boned = p.edges.some((x) => x.id === 'inner');
  const middle = isA(p, 'centre');
  if (e.id === 'outer') return p.edges.some((x) => x.id === 'side') ? 'side' : 'princess';
  if (e.id === 'inner') return middle ? (faceOf(p) === 'back' ? 'centre-back' : 'front-edge') : 'princess';
  if (e.id === 'top') return boned ? 'upper' : 'casing';
  if (e.id === 'lower') return boned ? 'hem' : null;
  if (e.id === 'centre' || e.id === 'centre-back')
    return faceOf(p, e.id) === 'back' ? 'centre-back' : 'front-edge';
  // The crotch of a suit joins front and back; that of trousers joins left and right.
  if (e.id === 'crotch' && !p.edges.some((x) => x.id === 'inseam')) return 'gusset';
  return SAME[e.id] ?? null;
}

/** Seams that run from the top down; the others run from the centre, or the neck, outward. */
const DOWN = new Set<SeamKind>([
  'side',
  'princess',
  'armhole',
  'centre-back',
  'front-edge',
  'underarm',
  'inseam',
  'crotch',
  'leg',
  'joint',
]);
function isAgainst(kind: SeamKind, e: Edge): boolean {
  const [a, b] = [e.path[0]![0], e.path.at(-1)!.at(-1) as Point];
  return DOWN.has(kind) ? a[1] > b[1] + 1e-9 : a[0] > b[0] + 1e-9;
}

/** What a row of edges in one seam has in common: a panel’s layer goes with its own. */
const rowKey = (p: Panel, kind: SeamKind, edge: string) =>
  [partOf(p), kind, faceOf(p, edge), p.layer, isFacing(p), p.ring ?? ''].join('/');
/** Kinds whose edges lie end to end over several panels of one face. */
const CHAINED = new Set<SeamKind>(['shoulder', 'armhole', 'neck', 'upper', 'waist', 'hem']);

/**
 * Every seam edge of a garment’s panels, said by how they are drafted: what it is, which way its seam runs, and where
 * along the seam it lies. An edge between tiers is one, not a hem.
 */
export function seamEdges(panels: readonly Panel[]): readonly SeamEdge[] {
  let known = KNOWN.get(panels);
  if (!known) {
    known = edgesFound(panels);
    KNOWN.set(panels, known);
  }
  return known;
}
/** Panels are never changed in place: what was found of a list of them holds. */
const KNOWN = new WeakMap<readonly Panel[], readonly SeamEdge[]>();

function edgesFound(panels: readonly Panel[]): SeamEdge[] {
  const rows = new Map<string, SeamEdge[]>();
  const lengths = new Map<SeamEdge, number>();
  const found: SeamEdge[] = [];
  const rings = panels.filter((p) => isMain(p) && p.ring !== undefined).map((p) => p.ring!);
  const lowest = rings.at(-1);
  // A seam over several panels runs from the centre out.
  const ordered = [...panels].sort((p, q) => Number(isA(p, 'side')) - Number(isA(q, 'side')));
  for (const p of ordered)
    for (const e of p.edges) {
      let kind = kindOf(p, e);
      if (kind === null) continue;
      if (kind === 'hem' && p.ring !== undefined && p.ring !== lowest) kind = 'tier';
      const key = rowKey(p, kind, e.id);
      const row = rows.get(key) ?? [];
      const before = CHAINED.has(kind) ? row : [];
      const length = pathLength(e.path);
      const from = before.reduce((n, x) => n + lengths.get(x)!, 0);
      const one = {
        panel: p.id,
        edge: e.id,
        kind,
        part: partOf(p),
        face: faceOf(p, e.id),
        is: p.is ?? [],
        against: isAgainst(kind, e),
        from,
        whole: 0,
      };
      lengths.set(one, length);
      row.push(one);
      rows.set(key, row);
      found.push(one);
    }
  const whole = new Map<SeamEdge, number>();
  for (const row of rows.values()) {
    const length = row.reduce((n, x) => n + lengths.get(x)!, 0);
    for (const x of row) whole.set(x, CHAINED.has(x.kind) ? length : lengths.get(x)!);
  }
  return found.map((x) => ({ ...x, whole: whole.get(x)! }));
}
/** The seams of a garment’s outer panels: what is sewn to what, on one half. */
export function seamsOf(panels: readonly Panel[]): readonly Seam[] {
  let known = SEAMS.get(panels);
  if (!known) {
    known = seamsFound(panels);
    SEAMS.set(panels, known);
  }
  return known;
}
const SEAMS = new WeakMap<readonly Panel[], readonly Seam[]>();

function seamsFound(panels: readonly Panel[]): Seam[] {
  const outer = panels.filter((p) => p.layer === 'outer' && !isFacing(p));
  const edges = seamEdges(outer);
  const of = (kind: SeamKind, f: (e: SeamEdge) => boolean = () => true) =>
    edges.filter((e) => e.kind === kind && f(e));
  const out: Seam[] = [];
  const add = (kind: SeamKind, name: string, a: readonly SeamEdge[], b: readonly SeamEdge[]) => {
    if (a.length > 0 && b.length > 0) out.push({ id: [kind, name].join(': '), kind, name, rows: [a, b] });
  };
  for (const part of new Set(edges.map((e) => e.part))) {
    const here = (kind: SeamKind, face: Face | null, panel?: PanelKind) =>
      of(
        kind,
        (e) =>
          e.part === part &&
          (face === null || e.face === face) &&
          (panel === undefined || e.is.includes(panel)),
      );
    for (const kind of ['side', 'shoulder', 'inseam'] as const)
      add(
        kind,
        `the ${SEAM_NAME[kind]}s of the ${part}, front and back`,
        here(kind, 'front'),
        here(kind, 'back'),
      );
    for (const face of ['front', 'back'] as const) {
      add(
        'princess',
        `the princess seam at the ${face}, centre and side panel`,
        here('princess', face, 'centre'),
        here('princess', face, 'side'),
      );
      const above = of('yoke', (e) => e.part === part && e.face === face && e.is.includes('yoke'));
      const below = of('yoke', (e) => e.part === part && e.face === face && !e.is.includes('yoke'));
      add('yoke', `the yoke seam at the ${face}`, above, below);
    }
    // A gore with a train meets its neighbour and its own mirror; its two edges are not each other's partners.
    for (const p of outer.filter((q) => partOf(q) === part && ROUND.has(q.share) && q.cut === 'single')) {
      const own = here('joint', null).filter((e) => e.panel === p.id);
      add(
        'joint',
        `the two sides of each ${p.name}`,
        own.filter((e) => e.edge === 'centre'),
        own.filter((e) => e.edge === 'side'),
      );
    }
    add('gusset', 'the crotch seam, front and back', here('gusset', 'front'), here('gusset', 'back'));
    const sleeve = here('underarm', null);
    add(
      'underarm',
      `the sleeve seam`,
      sleeve.filter((e) => e.edge === 'underarm'),
      sleeve.filter((e) => e.edge === 'underarm-back'),
    );
  }
  add('cap', 'the armhole and the sleeve', of('armhole'), of('cap'));
  add('cuff-edge', 'the sleeve and its cuff', of('wrist'), of('cuff-edge'));
  const bands = of('band');
  const neckband = bands.filter((e) => e.edge === 'neck');
  add(
    'neck',
    'the neckline and the collar',
    of('neck'),
    of('collar-neck', (e) => !e.is.includes('under') && !e.is.includes('fall')),
  );
  add('neck', 'the neckline and its band', of('neck'), neckband);
  const waists = [...new Set(of('waist').map((e) => e.part))];
  const waistOf = (part: string) => of('waist', (e) => e.part === part);
  const high = outer.some((p) => p.edges.some((e) => e.id === 'waist' && lineOf(e) === 'underbust'));
  for (const part of waists.slice(1))
    add(
      'waist',
      `the ${high ? 'seams under the bust' : 'waists'} of the ${waists[0]} and the ${part}`,
      waistOf(waists[0]!),
      waistOf(part),
    );
  for (const part of waists)
    add(
      'band',
      `the waist of the ${part} and its band`,
      waistOf(part),
      bands.filter((e) => e.part === part && e.edge === 'waist'),
    );
  for (const part of new Set(of('front-edge').map((e) => e.part)))
    add(
      'front-edge',
      `the front edge of the ${part} and its band`,
      of('front-edge', (e) => e.part === part && e.face !== 'back'),
      bands.filter((e) => e.part === part && e.edge === 'seam' && e.is.includes('button-band')),
    );
  return out;
}
