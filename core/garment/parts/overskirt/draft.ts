import type { Point, Segment } from '../../../draft/curve.ts';
import { edgeLength, sewnLength } from '../../../draft/measure.ts';
import { edge, type Panel } from '../../../draft/panel.ts';
import { straight } from '../../../draft/shape.ts';
import { markedGirth, TOLERANCE, term, ZERO } from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { foldOrSeam } from '../../cloth.ts';
import { figuresOf } from '../../common/figures-of.ts';
import { belowWanted, LENGTH_FROM, lengthLacks, NOT_BY_FLOOR } from '../../common/length-wanted.ts';
import { oblong } from '../../common/oblong.ts';
import { onPanel } from '../../common/on-panel.ts';
import type { ValuesOf } from '../../fields.ts';
import type { Drafted, PartContext } from '../../part.ts';

/** What the brief asks about an overskirt. */
export const FIELDS = {
  ...LENGTH_FROM,
  length: {
    kind: 'length',
    label: 'Length wanted',
    min: 15,
    max: 200,
    default: '102 cm',
    when: NOT_BY_FLOOR,
  },
  gap: {
    kind: 'length',
    label: 'Open in front at the waist',
    hint: 'between its two edges',
    min: 0,
    max: 60,
    default: '16 cm',
  },
  ratio: {
    kind: 'count',
    label: 'Cloth to the seam it is gathered to',
    hint: '1.5 heavy, 2 medium, 2.5 to 3 sheer',
    min: 1,
    max: 4,
    step: 0.1,
    default: 2,
  },
  train: {
    kind: 'length',
    label: 'Train, beyond the length',
    hint: '0 for none',
    min: 0,
    max: 200,
    default: '0 cm',
  },
  band: { kind: 'length', label: 'Band, finished width', min: 1, max: 10, default: '2.5 cm' },
} as const;
export type OverValues = ValuesOf<typeof FIELDS>;

/** What it takes to lie over a garment with its seams, all round, cm; and what its band laps behind (common practice). */
const OVER = 1;
const LAP = 3;

export interface OverDraft extends Drafted {
  readonly figures: readonly Figure[];
  readonly measured: readonly Figure[];
  readonly front: Panel | null;
  readonly back: Panel | null;
  readonly length: Cm | null;
  readonly halfWaist: number;
}

/** A skirt over another, open in front, gathered to a band of its own that closes behind. */
export function draftOver(c: PartContext, v: OverValues): OverDraft {
  const { figures, make } = figuresOf(c, { tolerance: TOLERANCE.detail });
  const line = c.line('waist');
  const waist = (line ? markedGirth(line.figure) : null) ?? c.measured.get('waist')?.net ?? null;
  const over = c.stepped(cm(OVER));
  const band = make(
    'band',
    'band, length',
    waist === null
      ? null
      : [
          term('body', 'waist', waist, line ? 'As marked on what it lies over.' : 'As read.'),
          term('layers', 'over the garment', over, 'What lies beneath, with its seams (common practice).'),
          term('add', 'laps behind', c.stepped(cm(LAP)), 'For the closing (common practice).'),
        ],
    { group: 'band' },
  );
  const seam = make(
    'seam',
    'what hangs from it, along the band',
    waist === null
      ? null
      : [
          term('body', 'waist', waist, line ? 'As marked.' : 'As read.'),
          term('layers', 'over the garment', over, 'As the band.'),
          term('style', 'open in front', -v.gap, 'As briefed.'),
        ],
    { follows: (x) => (x > 10 ? null : 'Almost nothing would hang from it. Open it less.') },
  );
  const cloth = make(
    'cloth',
    'cloth gathered to it',
    seam.finished === null
      ? null
      : [
          term('body', 'along the band', seam.finished, 'As finished.'),
          term('add', `fullness, ${v.ratio} : 1`, (v.ratio - 1) * seam.finished, 'As briefed.'),
        ],
    { tolerance: TOLERANCE.girth },
  );
  const below = belowWanted(c, v);
  const length = make('length', 'length, waist to hem', below, {
    tolerance: TOLERANCE.length,
    ...(below === null ? { why: [lengthLacks(c, v)] } : {}),
  });
  const train =
    v.train > 0 ? make('train', 'train', [term('style', 'from the brief', v.train, 'As briefed.')]) : null;
  const ready = seam.marked !== null && seam.marked > 10 && cloth.marked !== null && length.marked !== null;
  const quarter = ready ? cm(cloth.marked! / 4) : ZERO;
  const gather = ready ? cm(quarter - seam.marked! / 4) : ZERO;
  const front = ready ? panelOf(c, 'front', quarter, gather, length.marked!, ZERO) : null;
  const back = ready
    ? foldOrSeam(
        c.input,
        panelOf(c, 'back', quarter, gather, length.marked!, train?.marked ?? ZERO),
        c.allowances.centre,
      )
    : null;
  return {
    panels: front && back && band.marked !== null ? [front, back, bandOf(c, band.marked, v.band)] : [],
    sewn: {},
    places: () => (front && back ? placesOf(c, front, back) : []),
    figures,
    front,
    back,
    length: length.marked,
    halfWaist: waist === null ? 18 : waist / 4,
    measured:
      front && back
        ? [
            onPanel(c, 'hem', 'hem, all along', cm(2 * (edgeLength(front, 'hem') + edgeLength(back, 'hem')))),
            onPanel(
              c,
              'sewn',
              'gathered to the band, sewn',
              cm(2 * (sewnLength(front, 'waist') + sewnLength(back, 'waist'))),
            ),
          ]
        : [],
  };
}

function panelOf(
  c: PartContext,
  face: 'front' | 'back',
  width: Cm,
  gather: Cm,
  length: Cm,
  train: Cm,
): Panel {
  const a = c.allowances;
  const [top, side, foot, low]: Point[] = [
    [0, 0],
    [width, 0],
    [width, length],
    [0, cm(length + train)],
  ];
  // Level at the side as at the centre, so that it runs on into the front's.
  const hem: Segment =
    train > 0 ? [low!, [foot![0] * 0.5, low![1]], [foot![0] * 0.6, foot![1]], foot!] : [low!, foot!];
  const whole = face === 'back';
  return {
    id: c.id(face),
    name: `overskirt ${face}`,
    share: face,
    layer: 'outer',
    cut: whole ? 'fold' : 'pair',
    count: whole ? 1 : 2,
    grain: 'lengthwise',
    edges: [
      edge('waist', 'waist', straight(top!, side!), a.waist, { gather }),
      edge('side', 'side', straight(side!, foot!), a.side),
      edge('hem', 'hem', [[...hem].reverse() as unknown as Segment], train > 0 ? a.flaredHem : a.hem, {
        turned: true,
      }),
      edge('centre', whole ? 'centre back' : 'front edge', straight(low!, top!), whole ? ZERO : a.hem, {
        fold: whole,
      }),
    ],
    darts: [],
    lines: [],
    marks: [{ kind: 'notch', name: 'middle', at: [width / 2, 0] }],
    across: { centre: 'centre', side: 'side' },
    note: whole ? '' : 'its front edge hemmed',
  };
}

function bandOf(c: PartContext, length: Cm, width: Cm): Panel {
  const a = c.allowances.band;
  const w = cm(2 * width);
  return oblong(
    {
      id: c.id('band'),
      name: 'overskirt band',
      share: 'band',
      grain: 'lengthwise along the band',
      marks: [{ kind: 'fold line', name: 'fold', at: [width, 0], to: [width, length] }],
      note: 'folded along its middle; interfaced; closes behind with hooks',
    },
    [w, length],
    [
      ['end', 'end', a],
      ['long', 'inner edge', a],
      ['other-end', 'other end', a],
      ['seam', 'to the skirt', a],
    ],
  );
}

const placesOf = (c: PartContext, front: Panel, back: Panel) => {
  const own = (panel: Panel, id: string, at: Point) => ({ figure: c.id(id), panel: panel.id, at });
  const end = (p: Panel) => p.edges[1]!.path[0]!.at(-1) as Point;
  const [f, b] = [end(front), end(back)];
  return [
    own(front, 'seam', [f[0] * 0.3, 0]),
    own(front, 'cloth', [f[0] * 0.7, 0]),
    own(front, 'length', [f[0], f[1] * 0.5]),
    own(front, 'band', [0, 0]),
    own(back, 'sewn', [b[0] * 0.6, 0]),
    own(back, 'train', [0, b[1]]),
    own(back, 'hem', [b[0] * 0.5, b[1]]),
  ];
};
