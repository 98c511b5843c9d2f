import { edge, type Panel } from '../../draft/panel.ts';
import { arc, straight } from '../../draft/shape.ts';
import type { Cm } from '../../units/length.ts';
import type { PartContext } from '../part.ts';

/** Depth of a facing, cm (common practice). */
export const FACING_DEPTH = 5 as Cm;

/**
 * A facing that follows a waist with its darts closed: a sector of a ring whose upper edge is as long as the sewn waist
 * of the panel and whose lower edge as what the panel has there, with its interfacing.
 */
export function waistFacing(
  c: PartContext,
  face: 'front' | 'back',
  { waist, lower, cut }: { waist: Cm; lower: Cm; cut: 'fold' | 'pair' },
): Panel[] {
  const spread = Math.max(1e-6, (lower - waist) / FACING_DEPTH);
  const r = waist / spread;
  const deep = r + FACING_DEPTH;
  // Centre on the y axis, the side turned away from it; the upper edge bends down toward the side.
  const at = (radius: number, angle: number) =>
    [radius * Math.sin(angle), -radius * Math.cos(angle) + r] as const;
  const turn = -Math.PI / 2;
  const top = arc([0, r], r, turn, turn + spread);
  const bottom = arc([0, r], deep, turn + spread, turn);
  const make = (layer: 'outer' | 'interfacing'): Panel => {
    const a = layer === 'outer' ? c.allowances : null;
    return {
      id: c.id(`${face}-facing${layer === 'outer' ? '' : '-interfacing'}`),
      name: `${face} facing`,
      layer,
      cut,
      count: cut === 'fold' ? 1 : 2,
      grain: 'as the panel it faces',
      edges: [
        edge('waist', 'waist', top, a?.waist ?? (0 as Cm)),
        edge('side', 'side', straight(at(r, spread), at(deep, spread)), a?.side ?? (0 as Cm)),
        edge('lower', 'lower edge', bottom, a?.facing ?? (0 as Cm)),
        edge(
          'centre',
          'centre',
          straight(at(deep, 0), at(r, 0)),
          cut === 'pair' ? (a?.zip ?? (0 as Cm)) : (0 as Cm),
          {
            fold: cut === 'fold',
          },
        ),
      ],
      darts: [],
      lines: [],
      marks: [],
      across: { centre: 'centre', side: 'side' },
      note: layer === 'outer' ? 'follows the waist with its darts closed; interfaced' : 'without allowances',
    };
  };
  return [make('outer'), make('interfacing')];
}
