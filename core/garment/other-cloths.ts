import { isA, type Panel, type PanelKind } from '../draft/panel.ts';
import { judge, type RawCheck, warn } from '../figure/check.ts';
import type { Piece } from '../figure/figure.ts';
import type { Brief, Cloth, OtherCloth, SheetInput } from './input.ts';
import { CLOTH_NAME, type ClothId, OTHERS } from './laid-length.ts';
import { isClose } from './tables/fit.ts';

/** What of a garment may be cut from a cloth of its own beside whole parts: panels of a kind, in every part that has them. */
export const CUT_KINDS = {
  yoke: 'what lies above a seam across',
  centre: 'centre panels',
  side: 'side panels',
  facing: 'facings',
  cuff: 'cuffs',
  pocket: 'pockets',
  'button-band': 'button bands',
  train: 'panels of the train',
} as const satisfies Partial<Record<PanelKind, string>>;

const isCutKind = (of: string): of is keyof typeof CUT_KINDS => Object.hasOwn(CUT_KINDS, of);
type Briefed = Pick<SheetInput, 'brief'>;
type OfPanel = Pick<Panel, 'id' | 'layer' | 'is'>;
/** The second of two like parts is `sleeve-2`. */
const partKey = (key: string): string => key.replace(/-\d+$/, '');

/** Which of a brief's other cloths a whole part is cut from, -1 where it is none. */
export const otherOfPart = (brief: Brief, key: string): number =>
  (brief.cloths ?? []).findIndex((c) => c.of.includes(partKey(key)));

/** Which of a brief's other cloths panels of such a kind are cut from, -1 where it is none: a kind goes before a part. */
const otherOfPanel = (brief: Brief, panel: OfPanel): number => {
  if (panel.layer !== 'outer' || !brief.cloths) return -1;
  const ofKind = brief.cloths.findIndex((c) => c.of.some((of) => isCutKind(of) && isA(panel, of)));
  return ofKind >= 0 ? ofKind : otherOfPart(brief, panel.id.split('.')[0]!);
};

/** Which of the garment's cloths a panel is cut from. */
export const clothOf = ({ brief }: Briefed, panel: OfPanel): ClothId =>
  OTHERS[otherOfPanel(brief, panel)] ?? panel.layer;

/** The cloth that an outer panel is cut from; a part's own where the input is that part's. */
export const clothFor = ({ brief }: Briefed, panel: OfPanel): Cloth =>
  brief.cloths?.[otherOfPanel(brief, panel)] ?? brief.cloth;

/** All cloths of the order that outer panels are cut from, the order's own first. */
export const clothsFor = (brief: Brief): { readonly of: ClothId; readonly cloth: Cloth }[] => [
  { of: 'outer', cloth: brief.cloth },
  ...(brief.cloths ?? []).map((cloth, i) => ({ of: OTHERS[i]!, cloth })),
];

/** The input as a part reads it: a part of a cloth of its own is drafted, marked and sewn for that cloth. */
export function inputOfPart<I extends Briefed>(input: I, key: string): I {
  const own = input.brief.cloths?.[otherOfPart(input.brief, key)];
  return own ? { ...input, brief: { ...input.brief, cloth: own } } : input;
}

/** A piece's cloth, where it is one of the others: which, and what it is called. An underlining is called by its own. */
export function ofCloth(input: Briefed, panel: OfPanel): Pick<Piece, 'from' | 'cloth'> {
  if (panel.layer === 'underlining') {
    const { underlining } = clothFor(input, { ...panel, layer: 'outer' });
    return underlining ? { cloth: underlining } : {};
  }
  const i = otherOfPanel(input.brief, panel);
  return i < 0 ? {} : { from: OTHERS[i]!, cloth: input.brief.cloths![i]!.name || `${OTHERS[i]} cloth` };
}

/** Which of the garment's cloths a piece of the cut list is cut from. */
export const clothOfPiece = (p: Pick<Piece, 'from' | 'layer'>): ClothId => p.from ?? p.layer;

/** "sleeve, cuffs": what is cut from another cloth, in words. */
export const cutFromWords = (c: Pick<OtherCloth, 'of'>, partName: (key: string) => string): string =>
  c.of.map((of) => (isCutKind(of) ? CUT_KINDS[of] : partName(of))).join(', ');

/** A cloth that is for no piece, and one that gives less than what it is cut for is drafted for. */
export function otherChecks(input: Briefed, pieces: readonly Piece[], panels: readonly Panel[]): RawCheck[] {
  const { cloths, cloth } = input.brief;
  const idle =
    cloths && pieces.length > 0 && !pieces.some((p) => clothOfPiece(p) === 'outer')
      ? [
          warn(
            'cloth-outer-idle',
            null,
            `The cloth${cloth.name ? ` (${cloth.name})` : ''} is for no piece: the others take them all. Make one of those the order’s own, or give it a part.`,
          ),
        ]
      : [];
  const unmounted = clothsFor(input.brief).flatMap(({ of, cloth: c }) => {
    const own = c.underlining ? panels.filter((p) => clothOf(input, p) === of) : [];
    if (own.length === 0 || own.some((p) => panels.some((q) => q.id === `${p.id}-underlining`))) return [];
    return [
      warn(
        `underlining-${of}-idle`,
        null,
        `Nothing is mounted on ${c.underlining}: of the ${CLOTH_NAME[of]} only what faces or finishes is cut. Leave its underlining out.`,
      ),
    ];
  });
  const others = (cloths ?? []).flatMap((c, i) => {
    const of = OTHERS[i]!;
    const called = `${of} cloth${c.name ? ` (${c.name})` : ''}`;
    if (!pieces.some((p) => p.from === of))
      return [
        warn(
          `cloth-${of}-idle`,
          null,
          `The ${called} is for no piece of this garment: say for which part, or leave it out.`,
        ),
      ];
    // A whole part is drafted for its own cloth; panels of a kind lie in one that is drafted for another.
    const most = Math.max(
      0,
      ...panels.flatMap((p) => {
        const key = p.id.split('.')[0]!;
        const kindOnly = clothOf(input, p) === of && otherOfPart(input.brief, key) !== i;
        return kindOnly ? [inputOfPart(input, key).brief.cloth.stretch] : [];
      }),
    );
    return isClose(input.brief.fit) && most > 0
      ? [
          judge(
            c.stretch >= most,
            `cloth-${of}-gives`,
            null,
            `The ${called} stretches ${c.stretch} %; the panels it is cut for are drafted to stretch ${most} %.`,
          ),
        ]
      : [];
  });
  return [...idle, ...unmounted, ...others];
}
