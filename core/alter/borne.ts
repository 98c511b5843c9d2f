import { type SeamKind, seamEdges } from '../garment/seams.ts';
import type { Sheet } from '../sheet/compute.ts';
import { cm } from '../units/length.ts';
import { applyAlteration, type Halves } from './apply.ts';
import type { Asked } from './asked.ts';
import { type BroughtInGarment, genericBoxes } from './brought-in.ts';
import type { AlterationKind, Need } from './kind.ts';
import { mustBear } from './moves.ts';
import { CannotAlter } from './refusal.ts';
import { ALTERATION_KINDS } from './registry.ts';

/** So little that any cloth gives it, cm: what is refused then is not there at all. */
const LITTLE = cm(0.2);

/** A kind on one garment: null where the garment bears it, else why not, in a sentence. */
export interface Borne {
  readonly kind: AlterationKind;
  readonly why: string | null;
}

const HAS_NO: Readonly<Record<Need, string>> = {
  elastic: 'elastic',
  lacing: 'lacing',
  zip: 'zip',
  pocket: 'pocket',
  lining: 'lining',
  straps: 'straps',
  sleeve: 'sleeves',
  shoulder: 'shoulder seam',
  cuff: 'cuffs',
};

/** Whether a garment has what work without a moved seam needs. */
function has({ panels, notions, input }: Bearing, need: Need): boolean {
  const named = (word: string) =>
    notions.some((n) => n.name.includes(word)) || panels.some((p) => p.name.includes(word));
  switch (need) {
    case 'elastic':
    case 'pocket':
      return named(need);
    case 'straps':
      return named('strap');
    case 'lacing':
      return input.brief.parts.some((p) => 'closes' in p && p.closes === 'lacing');
    case 'zip':
      return notions.some((n) => /\bzip\b/.test(n.name));
    case 'lining':
      return panels.some((p) => p.layer === 'lining');
    case 'sleeve':
    case 'cuff':
      return panels.some((p) => p.share === need);
    case 'shoulder':
      return panels.some((p) => p.edges.some((e) => e.id === 'shoulder'));
  }
}
type Bearing = Pick<Sheet, 'panels' | 'notions' | 'input'>;

/** Every kind of alteration on a garment as it is made by now: what it bears, and of the rest the reason. */
export function borneBy(sheet: Bearing, now: Halves): Borne[] {
  return ALTERATION_KINDS.map((kind) => ({ kind, why: whyNot(sheet, now, kind) }));
}
const NOTHING_SAID: Omit<Asked, 'kind' | 'direction'> = {
  amount: LITTLE,
  as: 'total',
  side: 'both',
  part: null,
  face: null,
  frontShare: null,
  hem: null,
  run: { begins: null, fullFrom: null, fullTo: null, zero: null },
};
function whyNot(sheet: Bearing, now: Halves, kind: AlterationKind): string | null {
  if (kind.needs && !has(sheet, kind.needs)) return `This garment has no ${HAS_NO[kind.needs]}.`;
  if (kind.moves.length === 0) return null;
  let why: string | null = null;
  const moves = (list: AlterationKind['moves'], direction: AlterationKind['directions'][number]) => {
    const asked = { ...NOTHING_SAID, kind, direction };
    // Whether seams can be moved is told by where they are; the rest by doing it.
    if (list.every((m) => m.do === 'edge' || m.do === 'keep-waist'))
      for (const m of list) m.do === 'edge' && mustBear(now.right, m, asked);
    else applyAlteration(now, { ...asked, kind: { ...kind, moves: list, otherwise: [] } }, false);
  };
  for (const direction of kind.directions)
    for (const list of [kind.moves, ...(kind.otherwise ?? [])])
      try {
        moves(list, direction);
        return null;
      } catch (error) {
        if (!(error instanceof CannotAlter)) throw error;
        why ??= error.message;
      }
  return why;
}

/** The same of a garment that was brought in, by the seams that its kind usually has. */
export function borneByKind(garment: BroughtInGarment): Borne[] {
  return ALTERATION_KINDS.map((kind) => {
    if (kind.needs === 'lining' && !garment.lined) return { kind, why: 'This garment has no lining.' };
    try {
      genericBoxes(garment, { ...NOTHING_SAID, kind, direction: kind.directions[0]! });
      return { kind, why: null };
    } catch (error) {
      if (!(error instanceof CannotAlter)) throw error;
      return { kind, why: error.message };
    }
  });
}

/** What is most often asked of a garment with such a seam, the likeliest first (common practice, no source). */
const LIKELY: readonly (readonly [seam: SeamKind, kinds: readonly string[]])[] = [
  ['inseam', ['hem-straight', 'waist', 'centre-back', 'trouser-rise', 'inseam', 'leg-width', 'side-seams']],
  [
    'upper',
    [
      'princess-above',
      'side-seams',
      'underarm',
      'neckline-lower',
      'neckline-raise',
      'princess-below',
      'hem-levelled',
    ],
  ],
  [
    'shoulder',
    [
      'side-seams',
      'hem-straight',
      'shoulders-in',
      'sleeve-length',
      'back-length',
      'bust-fullness',
      'shoulder-slope',
      'neckline-lower',
    ],
  ],
  ['hem', ['hem-straight', 'waist', 'side-seams', 'hip-curve', 'back-darts', 'gore-seams', 'hem-levelled']],
];

/** The kinds that are likeliest on this garment, of those that it bears. */
export function likelyOn(now: Halves, borne: readonly Borne[]): AlterationKind[] {
  const seams = new Set(seamEdges(now.right).map((s) => s.kind));
  const row = LIKELY.find(([seam]) => seams.has(seam));
  return (row?.[1] ?? []).flatMap((id) => borne.find((b) => b.kind.id === id && b.why === null)?.kind ?? []);
}

/** Kinds whose name, ways or everyday words begin with every word that is looked for; all of them for none. */
export function foundBy(text: string, kinds: readonly AlterationKind[]): AlterationKind[] {
  const wanted = text
    .toLowerCase()
    .split(/[^\p{L}]+/u)
    .filter(Boolean);
  if (wanted.length === 0) return [...kinds];
  return kinds.filter((k) => {
    const own = `${k.name} ${k.directions.map((d) => d.word).join(' ')} ${k.words ?? ''}`
      .toLowerCase()
      .split(/[^\p{L}]+/u);
    return wanted.every((w) => own.some((o) => o.startsWith(w.replace(/(es|s|ing|ed)$/, ''))));
  });
}
