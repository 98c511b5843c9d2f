import { type Cm, cm } from '../units/length.ts';
import { say as p } from '../units/print.ts';
import { roundLength } from '../units/rounding.ts';
import type { Ranking, SizeHeld, ZoneHeld } from './rank.ts';
import { findZone, runsOut } from './zones.ts';

/** A change of the pattern before it is cut. Lengths cm. */
export interface Graded {
  readonly zone: string;
  readonly name: string;
  /** of the whole: added, less is taken */
  readonly total: Cm;
  readonly edges: number;
  /** at each edge, in a step that a hand marks */
  readonly perEdge: Cm;
  readonly where: string;
  /** another size whose line goes there, where that comes nearer than the amount and its lines can be joined */
  readonly line: string | null;
  readonly sentence: string;
}

/** Places whose lines run into the next along the side seam: another size can be followed there (common practice). */
const JOINED = ['waist', 'high-hip', 'hip', 'underbust', 'upper-arm', 'wrist', 'knee'];

/** What to add or take on the chosen size, lengths first, then bust, shoulders, girths, sleeves. `step`: of the hand, cm. */
export function gradeSize(ranking: Ranking, chosen: SizeHeld, step: Cm): Graded[] {
  return chosen.zones
    .filter((h) => h.off !== 0)
    .map((h) => {
      const zone = findZone(h.id)!;
      const perEdge = roundLength(cm((h.wish.want - h.ease) / zone.edges), {
        unit: 'cm',
        step,
        mode: 'nearest',
      });
      const total = cm(perEdge * zone.edges);
      const line = lineOf(ranking, chosen, h);
      const where = `${zone.where}${runsOut(ranking.profile, h.id)}`;
      const amount = zone.redrawn
        ? `${p(cm(Math.abs(h.off)))} ${h.off < 0 ? 'too little' : 'too much'}, which seams do not cure`
        : `${perEdge > 0 ? 'add' : 'take'} ${p(cm(Math.abs(perEdge)))}`;
      return {
        zone: h.id,
        name: h.name,
        total,
        edges: zone.edges,
        perEdge,
        where,
        line,
        sentence:
          `${h.name}: ${amount}${zone.redrawn ? ': ' : ' '}${where}${zone.edges > 1 && !zone.redrawn ? `, ${p(cm(Math.abs(total)))} in all` : ''}${line ? `; or follow the line of size ${line} there, joined at the notches` : ''}.${zone.edges === 4 && !zone.redrawn ? ' Close a dart that ends in that seam before the line is drawn.' : ''}`.replace(
            /^./,
            (x) => x.toUpperCase(),
          ),
      };
    });
}

/** The size whose line lies nearer to what is wanted there; null where none does, or its lines cannot be joined. */
function lineOf(ranking: Ranking, chosen: SizeHeld, h: ZoneHeld): string | null {
  if (!JOINED.includes(h.id)) return null;
  let best: { name: string; off: number } | null = null;
  for (const s of ranking.sizes) {
    if (s === chosen || s.row.cup !== chosen.row.cup) continue;
    const there = s.zones.find((x) => x.id === h.id);
    if (there && (!best || Math.abs(there.off) < best.off)) best = { name: s.name, off: Math.abs(there.off) };
  }
  return best && best.off < Math.abs(h.off) / 2 ? best.name : null;
}
