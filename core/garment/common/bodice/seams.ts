import type { Point, Segment } from '../../../draft/curve.ts';
import { edgeLength, pointAlong, sewnLength } from '../../../draft/measure.ts';
import { cutApart, liesOn, moveDart, type SeamBelow } from '../../../draft/move-dart.ts';
import { edgeOf, type Panel } from '../../../draft/panel.ts';
import { pathLength } from '../../../draft/path.ts';
import { TOLERANCE } from '../../../figure/build.ts';
import { judge, type RawCheck } from '../../../figure/check.ts';
import type { Figure } from '../../../figure/figure.ts';
import { cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { foldOrSeam } from '../../cloth.ts';
import { MOST_EASED } from '../../meeting.ts';
import type { PartContext } from '../../part.ts';
import type { Face } from '../../tables/darts.ts';
import { SHORT_OF_BUST } from './bust-dart.ts';
import { halvedDart } from './halved-dart.ts';
import type { BodiceTaking } from './suppression.ts';

/** Where on its new edge a dart or a princess seam begins, as a part of that edge (common practice). */
const BEGINS = { shoulder: 0.5, armhole: 0.5, neck: 0.6 } as const;

/** Where a bodice takes what the front needs over the bust. */
export interface Shaped {
  readonly shaping:
    | 'darts'
    | 'shoulder'
    | 'armhole'
    | 'neck'
    | 'waist'
    | 'side-shoulder'
    | 'side-waist'
    | 'princess-armhole'
    | 'princess-shoulder';
}
/** How each is called in a brief; a bodice offers those that it can be cut with. */
export const SHAPINGS = [
  ['darts', 'a dart in the side seam'],
  ['shoulder', 'the dart moved to the shoulder'],
  ['armhole', 'the dart moved to the armhole'],
  ['neck', 'the dart moved to the neckline'],
  ['waist', 'the dart moved into the waist dart'],
  ['side-shoulder', 'two darts, at the side and the shoulder'],
  ['side-waist', 'two darts, at the side and the waist'],
  ['princess-armhole', 'princess seams from the armhole'],
  ['princess-shoulder', 'princess seams from the shoulder'],
] as const;

/** Whether the bust is shaped in a seam that runs the whole height, and not by darts. */
export const isPrincess = (v: Shaped): boolean =>
  v.shaping === 'princess-armhole' || v.shaping === 'princess-shoulder';
/** The edge that a bust dart is moved to; null where it stays in the side seam. */
const GOAL = {
  darts: null,
  'side-shoulder': 'shoulder',
  'side-waist': 'waist',
  'princess-armhole': 'armhole',
  'princess-shoulder': 'shoulder',
} as const;
const goal = ({ shaping }: Shaped): 'shoulder' | 'armhole' | 'neck' | 'waist' | null =>
  shaping in GOAL
    ? GOAL[shaping as keyof typeof GOAL]
    : (shaping as Exclude<Shaped['shaping'], keyof typeof GOAL>);
/** Whether the bust dart is shared by two, one of which stays in the side seam. */
export const isShared = (v: Shaped): boolean => v.shaping === 'side-shoulder' || v.shaping === 'side-waist';

/** A face as it is cut: one panel, or two along a princess seam. */
export interface CutFace {
  readonly face: Face;
  readonly panels: readonly Panel[];
}

/** How a princess seam goes on below the bust, where it is not straight to the waist's dart. */
export interface GoesOn extends SeamBelow {
  /** how far from the side it ends on the hem; null where it ends at the waist */
  readonly along: number | null;
  /** what the notch at its widest is called */
  readonly notch: string;
}

/**
 * A face with its bust dart where the brief wants it, from the panel that has it in the side seam: turned about the
 * bust point, so that every sewn length stays; with princess seams cut apart there.
 * @param over the bust point in front, the tip of the waist dart at the back
 * @param on how a princess seam goes on below the bust; null straight to the waist
 * @param whole the face whose seams it shares: of a lining that ends at its facings, the cloth over it
 */
export function cutFace(
  c: PartContext,
  v: Shaped,
  face: Face,
  panel: Panel,
  over: Point,
  on: GoesOn | null = null,
  whole: Panel = panel,
): CutFace {
  const to = goal(v);
  const fold = (q: Panel) => foldOrSeam(c.input, q, c.allowances.centre);
  if (to === null || (face === 'back' && !isPrincess(v))) return { face, panels: [fold(panel)] };
  const toHem = on !== null && on.along !== null;
  const waist = toHem ? 0 : edgeLength(panel, 'waist');
  const dart = panel.darts.find((d) => d.edge === 'waist');
  const beginsAt = (edge: 'shoulder' | 'armhole' | 'neck') => {
    const along = edgeLength(whole, edge) * BEGINS[edge];
    return whole === panel
      ? along
      : crossing(edgeOf(panel, edge).path, pointAlong(edgeOf(whole, edge).path, along), over);
  };
  const bustDart = panel.darts.find((d) => d.id === c.id('bust-dart'));
  const shared = bustDart && isShared(v) ? halvedDart(c, panel, bustDart, over, to === 'waist') : null;
  const bust = shared?.moving ?? bustDart;
  const moved = bust
    ? moveDart(
        shared?.panel ?? panel,
        bust.id,
        {
          edge: to,
          along: to === 'waist' ? (dart ? dart.at - dart.intake / 2 : waist - over[0]) : beginsAt(to),
          figure: c.id('moved-dart'),
          short: SHORT_OF_BUST,
        },
        over,
      )
    : panel;
  // A bust line that is drawn across the panel belongs to the cloth before it was turned.
  const plain = bust
    ? {
        ...moved,
        lines: moved.lines.filter((l) => l.id !== 'bust'),
        // Below the bust point nothing was turned: the girth is measured there all the same.
        levels: [{ id: 'bust', name: 'bust', y: cm(over[1]), over }],
      }
    : moved;
  if (!isPrincess(v) || to === 'waist' || to === 'neck') return { face, panels: [fold(plain)] };
  const { outer, inner } = cutApart(
    plain,
    bust ? { edge: to, dart: bust.id, along: 0 } : { edge: to, along: beginsAt(to) },
    on !== null && on.along !== null
      ? { edge: 'hem', along: on.along }
      : dart
        ? { edge: 'waist', dart: dart.id, along: 0 }
        : { edge: 'waist', along: waist - over[0] },
    over,
    { id: 'princess', name: 'princess seam', allowance: c.allowances.side },
    on ?? undefined,
  );
  const notches = (q: Panel, waistAt: Point | undefined) => ({
    ...q,
    // Below the bust nothing was turned: there lines go on across both.
    lines: toHem ? plain.lines.filter((l) => l.id !== 'bust') : [],
    levels: plain.levels ?? plain.lines.filter((l) => l.id === 'bust'),
    marks: [
      ...q.marks.filter((m) => q.edges.some((e) => liesOn(e.path, m.at))),
      { kind: 'notch' as const, name: face === 'front' ? 'bust point' : 'shoulder blade', at: over },
      ...(on && waistAt ? [{ kind: 'notch' as const, name: on.notch, at: waistAt }] : []),
    ],
  });
  return {
    face,
    panels: [
      notches(
        fold({ ...outer, id: c.id(`${face}-centre`), name: `centre ${face}`, is: ['centre'] }),
        on?.waist?.[0],
      ),
      notches(
        {
          ...inner,
          id: c.id(`${face}-side`),
          name: `side ${face}`,
          is: ['side'],
          cut: 'pair',
          count: 2,
          grain: 'lengthwise, square to the bust line',
          note: '',
        },
        on?.waist?.[1],
      ),
    ],
  };
}

/** How far along a path a straight line from one point to another comes nearest to it, cm. */
function crossing(path: readonly Segment[], from: Point, to: Point): number {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const whole = pathLength(path);
  let [best, near] = [0, Number.POSITIVE_INFINITY];
  for (let i = 0; i <= 400; i++) {
    const at = pointAlong(path, (whole * i) / 400);
    const off = Math.abs((at[0] - from[0]) * dy - (at[1] - from[1]) * dx);
    if (off < near) [near, best] = [off, (whole * i) / 400];
  }
  return best;
}

/** What the waist gives up, as the face is cut: a princess seam takes what a dart would, and has no end over the bust. */
export const takenFigures = (v: Shaped, taking: Readonly<Record<Face, BodiceTaking>> | null): Figure[] => {
  const all = taking ? [...taking.front.figures, ...taking.back.figures] : [];
  return isPrincess(v) ? all.filter((f) => !f.id.endsWith('-length')).map(asSeam) : all;
};
/** A waist dart's figure under the name of the seam that it opens into. */
export const asSeam = (f: Figure): Figure => ({
  ...f,
  name: f.name.replace(/(waist|under-bust) dart/, 'princess seam'),
});

/** Both sides of each princess seam are as long as each other, or the sheet says by how much not. */
export const princessChecks = (c: PartContext, cut: readonly CutFace[]): RawCheck[] =>
  cut.flatMap(({ face, panels }) => {
    const [outer, inner] = panels.map((q) =>
      q.edges.some((e) => e.id === 'princess') ? sewnLength(q, 'princess') : null,
    );
    if (outer == null || inner == null) return [];
    const off = cm(Math.abs(outer - inner));
    return [
      judge(
        off <= MOST_EASED + 1e-9,
        c.id(`princess-${face}`),
        face === 'front' ? c.id('apex') : c.id('armhole-round'),
        `Princess seams, ${face}: centre ${p(outer)}, side ${p(inner)}${off <= TOLERANCE.detail ? ', equal within what is trued' : off <= MOST_EASED ? `; ${p(off)} is eased over the fullest place` : `; ${p(off)} apart, true them`}.`,
      ),
    ];
  });
