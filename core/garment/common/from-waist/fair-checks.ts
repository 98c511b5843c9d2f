import { sewnWidthAt } from '../../../draft/measure.ts';
import type { Panel } from '../../../draft/panel.ts';
import { TOLERANCE } from '../../../figure/build.ts';
import { judge, type RawCheck } from '../../../figure/check.ts';
import { say as p } from '../../../units/print.ts';
import type { BodyLine } from '../../lines.ts';
import type { PartContext } from '../../part.ts';
import { FACES, type Face } from '../../tables/darts.ts';
import { betweenLines, linesBelow } from './widest.ts';

/** What a fair side seam may miss of a marked line, cm per quarter (common practice). */
const MISSES = 0.5;

/** A side seam is one fair curve from waist to widest line: what it misses of the lines read between is told. */
export function fairChecks(c: PartContext, faces: Readonly<Record<Face, Panel>>, wide: BodyLine): RawCheck[] {
  const between = linesBelow(c.line);
  const [front, back] = FACES.map((face) => betweenLines(between, wide, face)) as [
    ReturnType<typeof betweenLines>,
    ReturnType<typeof betweenLines>,
  ];
  return front.map(({ line, level }, i) => {
    const { name } = line.figure;
    const shares = { front: front[i]!.share, back: back[i]!.share };
    const on = (face: Face) => sewnWidthAt(faces[face], level) ?? shares[face];
    const off = FACES.map((face) => on(face) - shares[face]);
    const [least, most] = [Math.min(...off), Math.max(...off)];
    const marked = `${name}, marked front ${p(shares.front)}, back ${p(shares.back)}`;
    const drawn = `the side seams, fair from waist to ${wide.figure.name}, give front ${p(on('front'))}, back ${p(on('back'))}`;
    return judge(
      least >= -TOLERANCE.girth / 4 - 1e-9 && most <= MISSES + 1e-9,
      c.id(`room-${line.zone}`),
      line.zone,
      `${marked}: ${
        least > -0.05 && most < 0.05
          ? 'so it is on the panels, darts closed'
          : least < -TOLERANCE.girth / 4 - 1e-9
            ? `${drawn}, tighter than marked. Shorten the darts, or let the waist line run out further`
            : most > MISSES + 1e-9
              ? `${drawn}. Closer there wants longer darts or a yoke`
              : drawn
      }.`,
    );
  });
}
