import type { Point } from '../../../draft/curve.ts';
import { type Edge, edge, type Panel } from '../../../draft/panel.ts';
import { straight } from '../../../draft/shape.ts';
import { markedGirth, TOLERANCE, term, ZERO } from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { LINING_WIDTH } from '../../cloth.ts';
import { figuresOf } from '../../common/figures-of.ts';
import { choice, type ValuesOf } from '../../fields.ts';
import type { Drafted, PartContext } from '../../part.ts';
import type { Place } from '../../picture.ts';

const POCKETED = ['patch', 'inseam', 'welt'] as const;
export const FIELDS = {
  pockets: choice('Pockets', [
    ['none', 'none'],
    ['patch', 'patch, sewn on'],
    ['inseam', 'in the side seams'],
    ['welt', 'welt, cut in'],
  ]),
  pocketCount: {
    kind: 'count',
    label: 'How many pockets',
    min: 1,
    max: 8,
    step: 1,
    default: 2,
    when: { field: 'pockets', is: POCKETED },
  },
  pocketWidth: {
    kind: 'length',
    label: 'Pocket, width',
    hint: 'a hand and a little more',
    min: 5,
    max: 40,
    default: '15 cm',
    when: { field: 'pockets', is: POCKETED },
  },
  pocketDepth: {
    kind: 'length',
    label: 'Pocket, depth',
    min: 5,
    max: 60,
    default: '17 cm',
    when: { field: 'pockets', is: POCKETED },
  },
  flaps: {
    kind: 'yes-no',
    label: 'Flaps over the pockets',
    default: false,
    when: { field: 'pockets', is: ['patch', 'welt'] },
  },
  belt: {
    kind: 'length',
    label: 'Belt, finished width',
    hint: '0 for none',
    min: 0,
    max: 20,
    default: '0 cm',
  },
  trim: {
    kind: 'length',
    label: 'Edges to be trimmed, in all',
    hint: '0 for none',
    min: 0,
    max: 3000,
    default: '0 cm',
  },
  trimRows: { kind: 'count', label: 'Rows of trim', min: 1, max: 12, step: 1, default: 1 },
  fringe: {
    kind: 'length',
    label: 'Trim cut from the same cloth, width',
    hint: '0: the trim is bought',
    min: 0,
    max: 60,
    default: '0 cm',
  },
  casing: {
    kind: 'length',
    label: 'Casing sewn on, length of its edge',
    hint: 'for a cord or an elastic; 0 for none',
    min: 0,
    max: 400,
    default: '0 cm',
  },
  casingFor: {
    kind: 'length',
    label: 'Casing, width of its cord or elastic',
    min: 0.3,
    max: 12,
    default: '1.5 cm',
  },
  pads: { kind: 'yes-no', label: 'Shoulder pads', default: false },
} as const;
export type DetailValues = ValuesOf<typeof FIELDS>;

/** A flap is a little wider than its pocket and so deep, cm (common practice). */
const FLAP = { wider: 0.5, deep: 5.5 } as const;
/** A belt laps by this beyond the waist, cm (common practice). */
const BELT_LAPS = 15;
/** Trim: 5 % more than its edges, and 4 cm for each join (common practice, no source). */
const TRIM = { more: 0.05, join: 4 } as const;
/** A casing: ends turned in, room for what slides in it, each long edge turned under, cm (common practice). */
const CASING = { ends: 2, room: 0.5, turned: 1 } as const;
/** A welt is this deep, finished, cm (common practice). */
const WELT = 2;

export interface DetailDraft extends Drafted {
  readonly figures: readonly Figure[];
  readonly bought: { readonly trim: Cm | null; readonly strips: number };
}

/** What costs cloth besides the garment itself. */
export function draftDetails(c: PartContext, v: DetailValues): DetailDraft {
  const { figures, make: figure } = figuresOf(c, {
    tolerance: TOLERANCE.detail,
    follows: (x) => (x > 0 ? null : 'Enter a length over 0, or set none in the brief.'),
  });
  const panels: Panel[] = [];
  const places: Place[] = [];
  const make = (...of: Parameters<typeof figure>): Cm | null => figure(...of).marked;
  const show = (figure: string, panel: Panel, at: Point) =>
    void places.push({ figure: c.id(figure), panel: panel.id, at });
  const briefed = (value: Cm) => [term('style', 'from the brief', value, 'As briefed.')];
  const a = c.allowances;
  if (v.pockets !== 'none') {
    const w = make('pocket-width', 'pocket, width', briefed(v.pocketWidth));
    const d = make('pocket-depth', 'pocket, depth', briefed(v.pocketDepth));
    if (w !== null && d !== null) {
      const n = v.pocketCount;
      const pocket =
        v.pockets === 'patch'
          ? box(c, 'pocket', 'patch pocket', w, d, n, { top: a.band, rest: a.side })
          : // A bag has two sides: four pieces for a pair of pockets.
            box(c, 'pocket', v.pockets === 'inseam' ? 'pocket bag' : 'welt pocket bag', w, d, 2 * n, {
              top: a.side,
              rest: a.side,
            });
      panels.push({ ...pocket, is: ['pocket'] });
      show('pocket-width', pocket, [w / 2, 0]);
      show('pocket-depth', pocket, [w, d / 2]);
      if (v.pockets === 'welt')
        panels.push(box(c, 'welt', 'welt', w, cm(2 * c.stepped(cm(WELT))), n, { top: a.side, rest: a.side }));
      if (v.flaps && v.pockets !== 'inseam')
        panels.push(
          box(c, 'flap', 'pocket flap', cm(w + c.stepped(cm(FLAP.wider))), c.stepped(cm(FLAP.deep)), 2 * n, {
            top: a.side,
            rest: a.neck,
          }),
        );
    }
  }
  if (v.belt > 0) {
    const line = c.line('waist');
    const waist = line ? markedGirth(line.figure) : (c.measured.get('waist')?.net ?? null);
    const length = make(
      'belt',
      'belt, length',
      [
        term('body', 'waist', waist ?? 0, line ? 'As marked.' : 'As read.'),
        term('add', 'laps over', c.stepped(cm(BELT_LAPS)), 'For the buckle or the knot (common practice).'),
      ],
      { known: waist !== null, group: 'band' },
    );
    if (length !== null) {
      const belt = box(c, 'belt', 'belt', cm(2 * v.belt), length, 1, { top: a.band, rest: a.band });
      panels.push({ ...belt, grain: 'lengthwise along the belt' });
      show('belt', belt, [2 * v.belt, length / 2]);
    }
  }
  if (v.casing > 0) {
    const length = make('casing', 'casing, length', [
      term('style', 'edge it lies along', v.casing, 'As briefed.'),
      term(
        'add',
        'ends turned in',
        c.stepped(cm(CASING.ends)),
        'So that the cord comes out between them (common practice).',
      ),
    ]);
    const across = make('casing-width', 'casing, cut width', [
      term('style', 'cord or elastic', v.casingFor, 'As briefed.'),
      term('add', 'room to slide', c.stepped(cm(CASING.room)), 'Common practice.'),
      term(
        'add',
        'edges turned under',
        2 * c.stepped(cm(CASING.turned)),
        'Both long edges (common practice).',
      ),
    ]);
    if (length !== null && across !== null) {
      const strip = box(c, 'casing-strip', 'casing strip', across, length, 1, { top: ZERO, rest: ZERO });
      panels.push({
        ...strip,
        grain: 'lengthwise, or on the bias along a curve',
        note: 'its turnings are in its width',
      });
      show('casing', strip, [across, length / 2]);
      show('casing-width', strip, [across / 2, 0]);
    }
  }
  const width = c.input.brief.cloth.width ?? LINING_WIDTH;
  let strips = 0;
  let trim: Cm | null = null;
  if (v.trim > 0) {
    const one = v.trim * (1 + TRIM.more);
    const joins = v.fringe > 0 ? Math.max(0, Math.ceil(one / width) - 1) : 0;
    trim = make('trim', 'trim, in all', [
      term('style', 'edges, as briefed', v.trim, 'All that is trimmed.'),
      term('add', '5 % more', TRIM.more * v.trim, 'For corners and take-up (common practice).'),
      ...(joins > 0
        ? [
            term(
              'add',
              `${joins} ${joins === 1 ? 'join' : 'joins'} of ${p(cm(TRIM.join))}`,
              joins * TRIM.join,
              'Strips across the cloth are joined.',
            ),
          ]
        : []),
      ...(v.trimRows > 1
        ? [
            term(
              'add',
              `${v.trimRows} rows`,
              (v.trimRows - 1) * (one + joins * TRIM.join),
              'As often as there are rows.',
            ),
          ]
        : []),
    ]);
    if (trim !== null && v.fringe > 0) {
      strips = Math.ceil(trim / width - 1e-9);
      const strip = box(c, 'fringe', 'strip for the trim', width, v.fringe, strips, {
        top: cm(0),
        rest: cm(0),
      });
      panels.push({ ...strip, grain: 'across the cloth, from edge to edge' });
      show('trim', strip, [width / 2, v.fringe]);
    }
  }
  return { panels, sewn: {}, places: () => places, figures, bought: { trim, strips } };
}

/** A rectangle with one allowance above and another all round. */
function box(
  c: PartContext,
  id: string,
  name: string,
  w: Cm,
  h: Cm,
  count: number,
  { top, rest }: { top: Cm; rest: Cm },
): Panel {
  const [a, b, d, e]: Point[] = [
    [0, 0],
    [w, 0],
    [w, h],
    [0, h],
  ];
  const edges: Edge[] = [
    edge('top', 'upper edge', straight(a!, b!), top),
    edge('right', 'right edge', straight(b!, d!), rest),
    edge('bottom', 'lower edge', straight(d!, e!), rest),
    edge('left', 'left edge', straight(e!, a!), rest),
  ];
  return {
    id: c.id(id),
    name,
    share: 'detail',
    layer: 'outer',
    cut: 'single',
    count,
    grain: 'lengthwise',
    edges,
    darts: [],
    lines: [],
    marks: [],
    across: { centre: 'left', side: 'right' },
    note: '',
  };
}
