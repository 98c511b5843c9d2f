import { curveCatmullRom, curveCatmullRomClosed, line } from 'd3-shape';
import { courseOf, type DrawnCourse, type DrawnWays } from './draw-course.ts';
import { type Build, type FigureView, figure, type Spot, USUAL } from './figure-model.ts';

const open = line<Spot>().curve(curveCatmullRom.alpha(0.6));
const closed = line<Spot>().curve(curveCatmullRomClosed.alpha(0.6));
const straight = line<Spot>();

/** The strokes of the figure in one view, as SVG path data. */
export const outline = (view: FigureView, build: Build = USUAL): { d: string; of: 'figure' | 'chair' }[] =>
  figure(view, build).map((s) => ({
    d: (s.of === 'chair' ? straight : s.closed ? closed : open)([...s.through])!,
    of: s.of,
  }));

/** A tape’s course as SVG path data: what is seen of it, and what passes behind. */
export function coursePaths(
  id: string,
  build: Build = USUAL,
  ways?: DrawnWays,
): DrawnCourse & { seenD: string; behindD: string } {
  const c = courseOf(id, build, ways);
  return {
    ...c,
    seenD: (c.bent ? open : straight)([...c.seen])!,
    behindD: c.behind.length > 0 ? open([...c.behind])! : '',
  };
}
