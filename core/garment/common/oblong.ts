import { edge, type Panel } from '../../draft/panel.ts';
import { straight } from '../../draft/shape.ts';
import type { Cm } from '../../units/length.ts';

/** One edge of a rectangle: its id, its name and its allowance, cm. */
type Side = readonly [id: string, name: string, allowance: Cm];

/**
 * A band, strip or placket: a rectangle `size` (across, down; cm, without allowances), its edges in sewing order: the upper
 * end, the far side, the lower end, the near side, which is the one it is sewn by.
 */
export function oblong(
  own: Pick<Panel, 'id' | 'name' | 'share' | 'grain' | 'note'> &
    Partial<Pick<Panel, 'is' | 'layer' | 'cut' | 'count' | 'marks'>>,
  [w, h]: readonly [number, number],
  sides: readonly [Side, Side, Side, Side],
): Panel {
  const at = [
    [0, 0],
    [w, 0],
    [w, h],
    [0, h],
  ] as const;
  return {
    layer: 'outer',
    cut: 'single',
    count: 1,
    marks: [],
    ...own,
    edges: sides.map(([id, name, allowance], i) =>
      edge(id, name, straight(at[i]!, at[(i + 1) % 4]!), allowance),
    ),
    darts: [],
    lines: [],
    across: { centre: sides[3][0], side: sides[1][0] },
  };
}
/** The grain of a strip that is cut slanting: cloth is laid for it at 45°. */
export const BIAS_STRIP = 'on the bias: in one strip, or joined from shorter ones';
