import type { Point } from '../../../draft/curve.ts';
import { edgeLength, pointAlong } from '../../../draft/measure.ts';
import { edgeOf, type Panel } from '../../../draft/panel.ts';
import { TOLERANCE, term } from '../../../figure/build.ts';
import { judge, missing, type RawCheck } from '../../../figure/check.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { figuresOf } from '../../common/figures-of.ts';
import { NECK_ABOVE_NAPE } from '../../common/neck-and-armhole.ts';
import { oblong } from '../../common/oblong.ts';
import { n, type View } from '../../common/silhouette.ts';
import { choice, type Fields, type ValuesOf } from '../../fields.ts';
import { isKnown, type Leaves, left } from '../../leaves.ts';
import type { PartContext, Wants } from '../../part.ts';
import type { Place } from '../../picture.ts';

/** What holds the upper edge besides its bones. */
export const HELD_FIELDS = {
  straps: choice('Straps', [
    ['none', 'none'],
    ['shoulder', 'straps over the shoulders'],
    ['halter', 'ties round the neck'],
  ]),
  strapWide: {
    kind: 'length',
    label: 'Straps, finished width',
    min: 0.5,
    max: 8,
    default: '1.5 cm',
    when: { field: 'straps', is: ['shoulder', 'halter'] },
  },
  ties: {
    kind: 'length',
    label: 'Ties beyond the nape',
    hint: 'to tie a bow with',
    min: 5,
    max: 90,
    default: '30 cm',
    when: { field: 'straps', is: ['halter'] },
  },
} as const satisfies Fields;
type HeldValues = ValuesOf<typeof HELD_FIELDS>;

/** Longer at each end than it is finished, for sewing in and for what the toile shows, cm (common practice). */
const SEWN_IN = 4;
/** The bust narrows towards the shoulder: a strap runs slanting, so much longer than straight up and down, cm (own choice: 1 to 2). */
const SLANTS = 1;

/** What straps want read. */
export const heldWants = (v: HeldValues): Wants => ({
  needs: v.straps === 'none' ? [] : ['neck-to-waist-front'],
  helps:
    v.straps === 'shoulder'
      ? ['strap-length', 'strap-span', 'neck-to-waist-back', 'nape-to-waist']
      : v.straps === 'halter'
        ? ['neck-base']
        : [],
});
/** Whether straps or ties go by the length over the bust: they do where the strap itself was not read. */
export const strapsByLength = (c: PartContext, v: HeldValues): boolean =>
  v.straps === 'halter' || (v.straps === 'shoulder' && !isKnown(c, 'strap-length'));
/** Readings that straps or ties leave unused, each with why. */
export const heldLeaves = (c: PartContext, v: HeldValues): Leaves => ({
  ...left(
    v.straps === 'shoulder' && isKnown(c, 'strap-length'),
    ['neck-to-waist-back', 'nape-to-waist'],
    'The strap itself was read.',
  ),
  ...left(
    v.straps === 'shoulder' && isKnown(c, 'neck-to-waist-back'),
    ['nape-to-waist'],
    'Side-neck to waist, back, was read.',
  ),
});

export interface Held {
  readonly figures: readonly Figure[];
  readonly panels: readonly Panel[];
  /** half of the distance between the straps at the back, cm; null where there are none there */
  readonly behind: Cm | null;
}
const NOTHING: Held = { figures: [], panels: [], behind: null };

/** Straps or ties of an upper edge `front` and `back` above the waist, cm. */
export function heldBy(c: PartContext, v: HeldValues, top: { readonly front: Cm; readonly back: Cm }): Held {
  if (v.straps === 'none') return NOTHING;
  const { figures, net, bodyOf, make } = figuresOf(c, { tolerance: TOLERANCE.detail });
  const up = bodyOf('neck-to-waist-front') && [
    ...bodyOf('neck-to-waist-front')!,
    term('take', 'the upper edge lies so high, front', -top.front, 'As marked, over the bust point.'),
  ];
  if (v.straps === 'halter') {
    const neck = net('neck-base');
    make(
      'strap',
      'tie, each',
      up && [
        ...up,
        term(
          'add',
          'round the neck to the nape',
          neck === null ? c.shape.neckWidth : neck / 2,
          neck === null
            ? 'Its girth was not measured: the width of the neck (own choice).'
            : 'Half its girth, as read.',
        ),
        term('style', 'to tie with', v.ties, 'As briefed.'),
      ],
      { estimated: neck === null },
    );
  } else {
    const nape = net('nape-to-waist');
    const down = net('neck-to-waist-back') ?? (nape === null ? null : nape + NECK_ABOVE_NAPE);
    make(
      'strap',
      'strap, each',
      bodyOf('strap-length') ??
        (up === null || down === null
          ? null
          : [
              ...up,
              term('body', 'side-neck to waist, back', down, 'As read; from the nape its own height more.'),
              term('take', 'the upper edge lies so high, back', -top.back, 'As marked, at the centre back.'),
              term(
                'add',
                'it runs slanting',
                SLANTS,
                'From its place on the edge to the shoulder (own choice).',
              ),
            ]),
      { estimated: net('strap-length') === null },
    );
    const span = net('strap-span');
    if (span !== null)
      make('strap-behind', 'straps at the back, half span', [
        ...bodyOf('strap-span')!,
        term('share', 'half of it', -span / 2, 'The panel is half a back.'),
      ]);
  }
  const strap = figures[0]!;
  return {
    figures,
    panels: strap.marked === null ? [] : [strapPanel(c, v, strap.marked)],
    behind: figures[1]?.marked ?? null,
  };
}

const strapPanel = (c: PartContext, v: HeldValues, length: Cm): Panel => {
  const a = c.allowances.band;
  const tie = v.straps === 'halter';
  return oblong(
    {
      id: c.id('strap'),
      name: tie ? 'tie' : 'strap',
      share: 'strap',
      count: 2,
      grain: 'lengthwise along it',
      marks: [{ kind: 'fold line', name: 'fold', at: [v.strapWide, 0], to: [v.strapWide, length] }],
      note: tie
        ? 'folded along its middle and turned; one end sewn in, the other closed'
        : `folded along its middle and turned; cut ${p(cm(SEWN_IN))} longer at each end, pinned at the toile before it is sewn in`,
    },
    [2 * v.strapWide, length],
    [
      ['end', 'end, front', cm(SEWN_IN)],
      ['long', 'long edge', a],
      ['other', tie ? 'free end' : 'end, back', tie ? a : cm(SEWN_IN)],
      ['seam', 'long edge', a],
    ],
  );
};

/** The panels with where the straps go: in front over the bust point, at the back where they were read, else at its seam. */
export function withStraps<F extends Readonly<Record<'front-centre' | 'back-centre' | 'back-side', Panel>>>(
  v: HeldValues,
  shaped: F,
  behind: Cm | null,
): F {
  if (v.straps === 'none') return shaped;
  const marked = (q: Panel, along: number): Panel => ({
    ...q,
    marks: [
      ...q.marks,
      {
        kind: 'notch',
        name: v.straps === 'halter' ? 'tie' : 'strap',
        at: pointAlong(edgeOf(q, 'top').path, along),
      },
    ],
  });
  const front = shaped['front-centre'];
  const withFront = { ...shaped, 'front-centre': marked(front, edgeLength(front, 'top')) };
  if (v.straps === 'halter') return withFront;
  const [inner, outer] = [shaped['back-centre'], shaped['back-side']];
  const [first, second] = [edgeLength(inner, 'top'), edgeLength(outer, 'top')];
  const at = behind ?? first;
  return at <= first + 1e-9
    ? { ...withFront, 'back-centre': marked(inner, at) }
    : { ...withFront, 'back-side': marked(outer, Math.min(second, at - first)) };
}

/** Where the figures of straps are found. */
export const heldPlaces = (c: PartContext, { panels }: Held, back: Panel): Place[] =>
  panels.flatMap((q) => [
    { figure: c.id('strap'), panel: q.id, at: [0, edgeLength(q, 'long') / 2] as const },
    { figure: c.id('strap-behind'), panel: back.id, at: pointAlong(edgeOf(back, 'top').path, 1) },
  ]);

/** How straps run from the edge to the side-neck in a picture, the waist at y 0; none at the back of a halter. */
export function strapStrokes(
  c: PartContext,
  v: HeldValues,
  held: Held,
  face: 'front' | 'back',
  edge: Point,
): View['strokes'] {
  const m = c.measured.get('neck-to-waist-front')?.net;
  if (held.panels.length === 0 || m == null || (v.straps === 'halter' && face === 'back')) return [];
  const from: Point = [face === 'back' && held.behind !== null ? held.behind : edge[0], edge[1]];
  // Over the shoulder beside the neck, or close round it.
  const to: Point = [c.shape.neckWidth / 2 + (v.straps === 'halter' ? 0 : 2), -m];
  const half = v.strapWide / 2;
  return [-1, 1].flatMap((s) =>
    [-half, half].map((w) => ({
      kind: 'outline' as const,
      figure: c.id('strap'),
      d: `M${n(s * (from[0] + w))} ${n(from[1])} L${n(s * (to[0] + w))} ${n(to[1])}`,
    })),
  );
}

/** A strap that cannot be, and one that would lie off the back. `round`: half of the back's upper edge, cm. */
export function heldChecks(c: PartContext, v: HeldValues, held: Held, round: Cm | null): RawCheck[] {
  const strap = held.figures[0];
  if (v.straps === 'none' || !strap) return [];
  if (strap.finished === null)
    return [
      missing(
        `absent-${strap.id}`,
        strap.id,
        `${strap.name}: what it is made from was not measured. Measure the strap, or the lengths from the side-neck to the waist.`,
      ),
    ];
  return held.behind === null || round === null
    ? []
    : [
        judge(
          held.behind <= round,
          c.id('strap-behind'),
          c.id('strap-behind'),
          `The straps lie ${p(held.behind)} from the centre back, half of the back’s upper edge is ${p(round)}: ${held.behind <= round ? 'they end on it' : 'they would end beyond its side, read the strap span again'}.`,
        ),
      ];
}
