import { term } from '../../figure/build.ts';
import type { Figure } from '../../figure/figure.ts';
import type { Cm } from '../../units/length.ts';
import { HELD_AGAINST, isKnown, isRead, type Leaves, left, type ReadAt } from '../leaves.ts';
import type { PartContext } from '../part.ts';
import { easeOf } from './ease-of.ts';
import type { figuresOf } from './figures-of.ts';
import { armholeByBust } from './neck-and-armhole.ts';

interface Upper {
  readonly neckFront: Cm;
  readonly neckBack: Cm;
}

/** A shoulder that nothing was read of, by the bust, cm: 11.75 at 80, 12.25 at 88, 12.8 at 97 (a handbook's block; from memory). */
const shoulderByBust = (bust: number): number => 12.25 + (bust - 88) / 16;

/** What every garment without darts that hangs from the shoulder has above its bust line: shoulder, armhole depth, neckline depths, cm. */
export function upperFigures(
  c: PartContext,
  v: Upper,
  widen: Cm,
  { net, bodyOf, make }: ReturnType<typeof figuresOf>,
): {
  readonly shoulder: Figure;
  readonly depth: Figure;
  readonly neck: { readonly front: Figure; readonly back: Figure };
} {
  const neckWidth = net('neck-width') ?? c.shape.neckWidth;
  const { across } = c.shape;
  const bust = net('bust');
  const slope = (c.shape.slope * Math.PI) / 180;
  const bare =
    bodyOf('shoulder') ??
    (across === null
      ? bust === null
        ? null
        : [
            term(
              'body',
              'estimate',
              shoulderByBust(bust),
              'Neither shoulder nor across shoulder was measured: by the bust (a handbook’s block, from memory).',
            ),
          ]
      : [
          term(
            'body',
            'estimate',
            (across - neckWidth) / 2 / Math.cos(slope),
            'Not measured: from across shoulder, less the neck width, along the slope.',
          ),
        ]);
  const shoulder = make(
    'shoulder',
    'shoulder seam',
    bare && [...bare, ...(widen === 0 ? [] : [term('style', 'neckline widened', -widen, 'As briefed.')])],
    { estimated: net('shoulder') === null, note: c.shape.slopeSays },
  );
  const read = bodyOf('armhole-depth');
  const depth = make(
    'armhole-depth',
    'armhole depth',
    bust === null && read === null
      ? null
      : [
          ...(read ?? [
            term(
              'body',
              'estimate',
              armholeByBust(bust!),
              'Not measured: by the bust (a handbook’s table, from memory).',
            ),
          ]),
          easeOf(c, 'armhole-depth'),
        ],
    { group: 'level', estimated: read === null },
  );
  const neckDepth = (face: 'front' | 'back', wanted: Cm) =>
    make(
      `neck-${face}`,
      `neckline depth, ${face}`,
      bodyOf(`neck-depth-${face}`) ?? [term('style', 'from the brief', wanted, 'As briefed.')],
    );
  return {
    shoulder,
    depth,
    neck: { front: neckDepth('front', v.neckFront), back: neckDepth('back', v.neckBack) },
  };
}

/** What a garment without darts wants above its bust line, besides what it cannot do without. */
export const UPPER_HELPS = [
  'across-shoulder',
  'shoulder',
  'neck-width',
  'shoulder-drop',
  'armhole-depth',
  'armhole',
  'neck-depth-front',
  'neck-depth-back',
] as const;

/** What it asks for there and leaves unused. */
export const upperLeaves = (c: ReadAt): Leaves => ({
  ...left(
    isKnown(c, 'shoulder') && isKnown(c, 'neck-width'),
    ['across-shoulder'],
    'Shoulder and neck width were read: it is held against them.',
  ),
  ...left(
    !isKnown(c, 'shoulder') && !isKnown(c, 'across-shoulder'),
    ['shoulder-drop'],
    'Without a shoulder or a width across the shoulders it gives no slope.',
  ),
  ...left(isRead(c, 'neck-to-waist-back'), ['nape-to-waist'], 'Side-neck to waist, back, was read.'),
  ...left(true, ['armhole', 'head', 'thigh'], HELD_AGAINST),
});
