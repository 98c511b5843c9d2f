import { endOf, type Point, pointAt, reversed, type Segment, startOf } from '../../../draft/curve.ts';
import { edgeLength } from '../../../draft/measure.ts';
import { edge, type Panel } from '../../../draft/panel.ts';
import { between, pathLength } from '../../../draft/path.ts';
import { TOLERANCE, term, ZERO } from '../../../figure/build.ts';
import type { Figure } from '../../../figure/figure.ts';
import { type Cm, cm } from '../../../units/length.ts';
import { armholeOf, whole } from '../../common/armhole-sewn.ts';
import { halfCap, widthsAt } from '../../common/cap.ts';
import { figuresOf } from '../../common/figures-of.ts';
import { armNotches } from '../../common/neck-and-armhole.ts';
import { BIAS_STRIP, oblong } from '../../common/oblong.ts';
import { onPanel } from '../../common/on-panel.ts';
import { choice, type ValuesOf } from '../../fields.ts';
import type { Drafted, PartContext } from '../../part.ts';

export const FIELDS = {
  length: {
    kind: 'length',
    label: 'Length from the shoulder point',
    min: 3,
    max: 14,
    default: '6 cm',
  },
  finish: choice('Its edge', [
    ['faced', 'faced with itself'],
    ['hem', 'a narrow hem'],
  ]),
} as const;
export type CapValues = ValuesOf<typeof FIELDS>;

/** What a cap sleeve is longer than the armhole it lies on, so that it turns over the shoulder, cm (common practice: 0.5 to 1). */
const EASE = 0.6;
/** The strip that binds what it leaves open of the armhole: its width, four times what shows, cm (common practice). */
const BINDING = 3.2;

export interface CapDraft extends Drafted {
  readonly figures: readonly Figure[];
  readonly panel: Panel | null;
  /** of one armhole, how much it covers and how much is bound, cm; null while that is not drafted */
  readonly armhole: { readonly covered: Cm; readonly bound: Cm } | null;
  /** the length leaves nothing of a sleeve beside the cap */
  readonly tooShort: boolean;
}

/** A sleeve over the shoulder only, from notch to notch of its armhole; the rest of the armhole is bound. */
export function draftCap(c: PartContext, v: CapValues): CapDraft {
  const { figures, make } = figuresOf(c);
  const armhole = armholeOf(c);
  const length = make('length', 'cap sleeve, length', [term('style', 'wanted', v.length, 'As briefed.')], {
    tolerance: TOLERANCE.detail,
  });
  const none = { panels: [], sewn: { armhole: null }, places: () => [], figures, panel: null };
  if (!armhole || length.marked === null) return { ...none, armhole: null, tooShort: false };
  const round = whole(armhole);
  const rise = make(
    'cap-height',
    'cap height it is cut from',
    [
      term('body', 'armhole, sewn', round, 'Measured on the panels of the bodice.'),
      term('share', 'a third of it', round / 3 - round, 'As a set-in sleeve has it (common practice).'),
    ],
    { group: 'level', settable: [] },
  );
  const widths = widthsAt(rise.marked!, { front: armhole.front + EASE / 2, back: armhole.back + EASE / 2 });
  const at = armNotches(round);
  const covered = cm(round - at.front[0]! - at.back[0]!);
  if (!widths) return { ...none, armhole: null, tooShort: false };
  const cap: Segment[] = [
    halfCap(widths.front, rise.marked!, 'front'),
    ...reversed([halfCap(widths.back, rise.marked!, 'back')]),
  ];
  const upper = between(cap, at.front[0]!, pathLength(cap) - at.back[0]!);
  const outline = edgesOf(c, v, upper, length.marked);
  if (!outline) return { ...none, armhole: null, tooShort: true };
  const panel = capPanel(c, v, outline);
  const bound = cm(round - covered);
  const onArmhole = edgeLength(panel, 'armhole-part');
  return {
    panels: [panel, bindingOf(c, bound)],
    sewn: { armhole: cm(round + onArmhole - covered) },
    meets: { armhole: { kind: 'eased', least: cm(0), most: cm(1.5) } },
    places: () => [
      { figure: c.id('length'), panel: panel.id, at: [0, length.marked! / 2] },
      { figure: c.id('cap-round'), panel: panel.id, at: [0, 0] },
      { figure: c.id('end'), panel: panel.id, at: [0, length.marked!] },
    ],
    figures: [
      ...figures,
      onPanel(c, 'cap-round', 'seam to the armhole', onArmhole),
      onPanel(c, 'end', 'edge of the cap sleeve', edgeLength(panel, 'end')),
    ],
    panel,
    armhole: { covered, bound },
    tooShort: false,
  };
}

/** The seam to the armhole and the edge below it, level over the arm; null where the one would cross the other. */
function edgesOf(c: PartContext, v: CapValues, upper: readonly Segment[], length: number) {
  const [front, back] = [startOf(upper[0]!), endOf(upper.at(-1)!)];
  const low: Point = [0, length];
  const lower = [0.42, 0.3, 0.2, 0.1].map((rise): Segment[] => {
    const half = ([x, y]: Point): Segment => [
      [x, y],
      [x * 0.68, y + (length - y) * rise],
      [x * 0.4, length],
      low,
    ];
    return [half(front), ...reversed([half(back)])];
  });
  const seam = Array.from({ length: 2 * STEPS }, (_, i) =>
    pointAt(upper[i < STEPS ? 0 : upper.length - 1]!, ((i % STEPS) + 0.5) / STEPS),
  );
  // It has to lie outside its seam all the way: the rounder the cap, the fuller the edge below it.
  const clear = lower.find((path) => seam.every(([x, y]) => y <= heightAt(path, x) - 1e-6));
  if (!clear) return null;
  const faced = v.finish === 'faced';
  return [
    edge('armhole-part', 'to the armhole', upper, c.allowances.armhole),
    edge(
      'end',
      'edge',
      reversed(clear),
      faced ? c.allowances.facing : c.allowances.liningHem,
      faced ? {} : { turned: true },
    ),
  ];
}
const STEPS = 12;

/** How far down a path lies at x: the nearest of its points. */
function heightAt(path: readonly Segment[], x: number): number {
  const points = path.flatMap((s) => Array.from({ length: 41 }, (_, i) => pointAt(s, i / 40)));
  return points.reduce((best, p) => (Math.abs(p[0] - x) < Math.abs(best[0] - x) ? p : best))[1];
}

const capPanel = (c: PartContext, v: CapValues, edges: Panel['edges']): Panel => ({
  id: c.id('cap'),
  name: 'cap sleeve',
  share: 'cap-sleeve',
  layer: 'outer',
  cut: 'pair',
  count: v.finish === 'faced' ? 4 : 2,
  grain: 'lengthwise, down from the shoulder',
  edges,
  darts: [],
  lines: [],
  marks: [{ kind: 'notch', name: 'shoulder seam', at: [0, 0] }],
  across: { centre: 'armhole-part', side: 'end' },
  note:
    v.finish === 'faced'
      ? 'outer and facing alike; its points lie at the armhole’s notches'
      : 'its points lie at the armhole’s notches',
});

/** The bias strip for what is left open of the armhole, its ends under the cap. */
function bindingOf(c: PartContext, bound: number): Panel {
  return oblong(
    {
      id: c.id('binding'),
      name: 'armhole binding',
      share: 'binding',
      count: 2,
      grain: BIAS_STRIP,
      note: 'binds the underarm from point to point, its ends beneath them; allowances are in it',
    },
    [c.stepped(cm(BINDING)), c.stepped(cm(bound + 2))],
    [
      ['end', 'end', ZERO],
      ['outer', 'outer edge', ZERO],
      ['other', 'other end', ZERO],
      ['inner', 'inner edge', ZERO],
    ],
  );
}
