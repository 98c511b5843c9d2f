import { sewnWidthAt } from '../../../draft/measure.ts';
import type { Panel } from '../../../draft/panel.ts';
import { TOLERANCE } from '../../../figure/build.ts';
import { judge, type RawCheck } from '../../../figure/check.ts';
import { cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import type { BodyLine } from '../../lines.ts';
import type { PartContext } from '../../part.ts';
import type { Face } from '../../tables/darts.ts';
import { betweenLines, linesBelow } from './widest.ts';

/** What a fair side seam may miss of a marked line, cm per quarter (common practice). */
const MISSES = 0.5;

/** A side seam is one fair curve from waist to widest line: what it misses of the lines read between is told, face by face. */
export function fairChecks(
  c: PartContext,
  faces: Readonly<Record<Face, Panel>>,
  wide: BodyLine,
  face: Face,
): RawCheck[] {
  return betweenLines(linesBelow(c.line), wide, face).map(({ line, level, share }) => {
    const name = line.figure.name;
    const drafted = sewnWidthAt(faces[face], level) ?? share;
    const off = cm(drafted - share);
    const [least, most] = [-TOLERANCE.girth / 4, MISSES];
    const fair = 'the side seam is one fair curve from waist to';
    return judge(
      off >= least - 1e-9 && off <= most + 1e-9,
      c.id(`room-${line.zone}-${face}`),
      line.zone,
      off < -0.05
        ? `${name}, ${face}: marked ${p(share)}, ${p(drafted)} on the panel: ${fair} ${wide.figure.name} and lies ${p(cm(-off))} inside of it${off >= least ? '' : '. Shorten the darts, or let the waist line run out further'}.`
        : off > 0.05
          ? `${name}, ${face}: marked ${p(share)}, ${p(drafted)} on the panel: ${fair} ${wide.figure.name} and lies ${p(off)} outside of it${off <= most ? '' : `. To lie closer there it wants longer darts, a yoke, or less ease at the ${wide.figure.name}`}.`
          : `${name}, ${face}: ${p(drafted)} on the panel, darts closed, as marked.`,
    );
  });
}
