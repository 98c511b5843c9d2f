import type { Point } from '../../../draft/curve.ts';
import { edgeLength, pointAlong } from '../../../draft/measure.ts';
import { cutApart, moveDart } from '../../../draft/move-dart.ts';
import { edgeOf, type Panel } from '../../../draft/panel.ts';
import { foldOrSeam } from '../../cloth.ts';
import type { PartContext } from '../../part.ts';
import type { Face } from '../../tables/darts.ts';
import type { BodiceValues } from './fields.ts';

/** A moved dart ends this far short of the bust point, cm (common practice). */
const SHORT = 2.5;
/** Where on its new edge a dart or a princess seam begins, as a part of that edge (common practice). */
const BEGINS = { shoulder: 0.5, armhole: 0.5, neck: 0.6 } as const;

export const isPrincess = (v: BodiceValues): boolean =>
  v.shaping === 'princess-armhole' || v.shaping === 'princess-shoulder';
/** The edge that a bust dart is moved to; null where it stays in the side seam. */
const goal = (v: BodiceValues): 'shoulder' | 'armhole' | 'neck' | 'waist' | null =>
  v.shaping === 'darts'
    ? null
    : v.shaping === 'princess-armhole'
      ? 'armhole'
      : v.shaping === 'princess-shoulder'
        ? 'shoulder'
        : v.shaping;

/** A face as it is cut: one panel, or two along a princess seam. */
export interface CutFace {
  readonly face: Face;
  readonly panels: readonly Panel[];
}

/**
 * A face with its bust dart where the brief wants it, from the panel that has it in the side seam: turned about the
 * bust point, so that every sewn length stays; with princess seams cut apart there.
 * @param over the bust point in front, the tip of the waist dart at the back
 */
export function cutFace(c: PartContext, v: BodiceValues, face: Face, panel: Panel, over: Point): CutFace {
  const to = goal(v);
  const fold = (p: Panel) => foldOrSeam(c.input, p, c.allowances.centre);
  if (to === null || (face === 'back' && !isPrincess(v))) return { face, panels: [fold(panel)] };
  const waist = edgeLength(panel, 'waist');
  const dart = panel.darts.find((d) => d.edge === 'waist');
  const beginsAt = (edge: 'shoulder' | 'armhole' | 'neck') => edgeLength(panel, edge) * BEGINS[edge];
  const bust = panel.darts.find((d) => d.id === c.id('bust-dart'));
  const moved = bust
    ? moveDart(
        panel,
        bust.id,
        {
          edge: to,
          along: to === 'waist' ? (dart ? dart.at - dart.intake / 2 : waist - over[0]) : beginsAt(to),
          figure: c.id('moved-dart'),
          short: SHORT,
        },
        over,
      )
    : panel;
  // A line that is drawn across the panel belongs to the cloth before it was turned.
  const plain = bust ? { ...moved, lines: moved.lines.filter((l) => l.id === 'waist') } : moved;
  if (!isPrincess(v) || to === 'waist' || to === 'neck') return { face, panels: [fold(plain)] };
  const { outer, inner } = cutApart(
    plain,
    bust ? { edge: to, dart: bust.id, along: 0 } : { edge: to, along: beginsAt(to) },
    dart ? { edge: 'waist', dart: dart.id, along: 0 } : { edge: 'waist', along: waist - over[0] },
    over,
    { id: 'princess', name: 'princess seam', allowance: c.allowances.side },
  );
  const notch = (p: Panel) => ({
    ...p,
    marks: [
      ...p.marks.filter((m) => p.edges.some((e) => edgeHolds(p, e.id, m.at))),
      {
        kind: 'notch' as const,
        name: face === 'front' ? 'bust point' : 'shoulder blade',
        at: pointAlong(edgeOf(p, 'princess').path, edgeLength(p, 'princess') / 2),
      },
    ],
  });
  return {
    face,
    panels: [
      notch(fold({ ...outer, id: c.id(`${face}-centre`), name: `centre ${face}`, lines: [] })),
      notch({
        ...inner,
        id: c.id(`${face}-side`),
        name: `side ${face}`,
        cut: 'pair',
        count: 2,
        grain: 'lengthwise, square to the bust line',
        lines: [],
        note: '',
      }),
    ],
  };
}

const edgeHolds = (p: Panel, id: string, [x, y]: Point): boolean =>
  edgeOf(p, id).path.some((s) => {
    const xs = s.map((q) => q[0]);
    const ys = s.map((q) => q[1]);
    return (
      x >= Math.min(...xs) - 0.1 &&
      x <= Math.max(...xs) + 0.1 &&
      y >= Math.min(...ys) - 0.1 &&
      y <= Math.max(...ys) + 0.1
    );
  });
