import type { Point, Segment } from '../../draft/curve.ts';
import { edge, type Panel } from '../../draft/panel.ts';
import { arc, straight } from '../../draft/shape.ts';
import type { Cm } from '../../units/length.ts';
import type { PartContext } from '../part.ts';

/** Depth of a facing, cm (common practice). */
export const FACING_DEPTH = 5 as Cm;

/** What every facing is, beside its own outline and words. */
export const FACING: Pick<Panel, 'share' | 'is' | 'layer' | 'grain' | 'darts' | 'lines' | 'marks'> = {
  share: 'facing',
  is: ['facing'],
  layer: 'outer',
  grain: 'as the panel it faces',
  darts: [],
  lines: [],
  marks: [],
};

const end = (path: readonly Segment[]): Point => path.at(-1)!.at(-1) as Point;

/**
 * A facing that follows a waist with its darts closed: a sector of a ring whose upper edge is as long as the sewn waist
 * of the panel and whose lower edge as what the panel has there, with its interfacing.
 */
export function waistFacing(
  c: PartContext,
  face: 'front' | 'back',
  { waist, lower, cut }: { waist: Cm; lower: Cm; cut: 'fold' | 'pair' },
): Panel[] {
  const depth = c.stepped(FACING_DEPTH);
  // The ring's centre lies above a waist that is the shorter edge, below one that is the longer.
  const wider = lower >= waist;
  const spread = Math.max(1e-6, Math.abs(lower - waist) / depth);
  const r = waist / spread;
  const deep = wider ? r + depth : r - depth;
  const centre: Point = [0, wider ? -r : r];
  const straightOn = wider ? Math.PI / 2 : -Math.PI / 2;
  const turned = wider ? straightOn - spread : straightOn + spread;
  const top = arc(centre, r, straightOn, turned);
  const bottom = arc(centre, deep, turned, straightOn);
  const make = (layer: 'outer' | 'interfacing'): Panel => {
    const a = layer === 'outer' ? c.allowances : null;
    return {
      id: c.id(`${face}-facing${layer === 'outer' ? '' : '-interfacing'}`),
      name: `${face} facing`,
      share: face,
      is: ['facing'],
      layer,
      cut,
      count: cut === 'fold' ? 1 : 2,
      grain: 'as the panel it faces',
      edges: [
        edge('waist', 'waist', top, a?.waist ?? (0 as Cm)),
        edge('side', 'side', straight(end(top), bottom[0]![0]), a?.side ?? (0 as Cm)),
        edge('lower', 'lower edge', bottom, a?.facing ?? (0 as Cm)),
        edge(
          'centre',
          'centre',
          straight(end(bottom), top[0]![0]),
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
