import type { Cm } from '../units/length.ts';
import { type Box, emptyBox, type Point, reachAlong } from './curve.ts';
import { innerOutline, pathData, sewnOutline } from './outline.ts';
import type { Panel } from './panel.ts';

/** One panel before and after, as SVG path data in cm, with the amounts where it moved. */
export interface DrawnPanel {
  readonly panel: string;
  readonly name: string;
  readonly side: 'both' | 'left' | 'right';
  /** '' for a panel that was not there before, or is no longer */
  readonly before: string;
  readonly after: string;
  /** x, y, width, height, cm */
  readonly box: readonly [number, number, number, number];
  readonly amounts: readonly { readonly at: Point; readonly by: Cm }[];
}

/** A panel drawn over what it was, on its sewing lines with its darts; either may be missing. */
export function drawnPanel(
  old: Panel | null,
  now: Panel | null,
  side: DrawnPanel['side'],
  amounts: DrawnPanel['amounts'],
): DrawnPanel {
  const box: Box = emptyBox();
  for (const p of [old, now]) if (p) for (const s of sewnOutline(p)) reachAlong(box, s, 0);
  const darts = (p: Panel) =>
    [
      ...p.darts.map((d) => pathData([[d.legs[0], d.tip] as const, [d.tip, d.legs[1]] as const])),
      ...(p.inner ?? []).map((d) => pathData(innerOutline(d), true)),
    ].join(' ');
  const path = (p: Panel | null) => (p ? `${pathData(sewnOutline(p), true)} ${darts(p)}` : '');
  const { id, name, layer } = (now ?? old)!;
  return {
    panel: id,
    name: layer === 'outer' || name.includes(layer) ? name : `${name}, ${layer}`,
    side,
    before: path(old),
    after: path(now),
    box: [box[0], box[1], box[2] - box[0], box[3] - box[1]],
    amounts,
  };
}
