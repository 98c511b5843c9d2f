import { judge, pass, type RawCheck, warn } from '../../figure/check.ts';
import { type Cm, cm } from '../../units/length.ts';
import { say as p } from '../../units/print.ts';
import type { PartContext } from '../part.ts';

/** Below the knee a hem under this girth needs a vent, slit, pleat or stretch, cm (common practice). */
const STRIDE = cm(96);
/** Without the knee a hem past 60 cm is taken to reach it: the catalogue's span starts at 48, its middle is 60. */
const USUAL_KNEE = cm(60);
/** An opening for walking: its least height, how far below the knee it may begin, and its distance from the zip, cm (common practice). */
const LEAST_HEIGHT = cm(15);
const BELOW_KNEE = cm(5);
const FROM_ZIP = cm(10);

export interface WalkingOpening {
  readonly kind: 'vent' | 'slit';
  readonly figure: string;
  readonly height: Cm;
}

/**
 * Room to walk, judged where the cloth closes: at the hem, or where its opening begins.
 * @param length waist to hem, and `girthAt` the marked girth at a depth below the waist, cm
 */
export function walkChecks(
  c: PartContext,
  {
    length,
    girthAt,
    opening,
    zipEnds,
  }: {
    length: Cm;
    girthAt: (depth: Cm) => Cm | null;
    opening: WalkingOpening | null;
    zipEnds: Cm | null;
  },
): RawCheck[] {
  const hem = c.id('hem');
  const code = c.id('stride');
  const knee = c.measured.get('waist-to-knee')?.net ?? USUAL_KNEE;
  const found: RawCheck[] = [];
  if (opening) {
    const top = cm(length - opening.height);
    const at = opening.figure;
    const name = opening.kind;
    if (top <= 0)
      return [
        warn(
          c.id('opening'),
          at,
          `A ${name} of ${p(opening.height)} is longer than the skirt (${p(length)}): it was left out.`,
        ),
      ];
    if (opening.height < LEAST_HEIGHT - 1e-9)
      found.push(
        warn(
          c.id('opening-height'),
          at,
          `The ${name} is ${p(opening.height)} high: under ${p(LEAST_HEIGHT)} it gives no step.`,
        ),
      );
    if (zipEnds !== null && c.opens === 'centre-back')
      found.push(
        judge(
          top >= zipEnds + FROM_ZIP - 1e-9,
          c.id('opening-zip'),
          at,
          `The ${name} begins ${p(top)} below the waist, the zip ends at ${p(zipEnds)}: at least ${p(FROM_ZIP)} of seam between them.`,
        ),
      );
    if (length <= knee) return found;
    const girth = girthAt(top) ?? cm(0);
    if (girth >= STRIDE)
      found.push(pass(code, hem, `Where the ${name} begins the skirt is ${p(girth)} round: room to walk.`));
    else
      found.push(
        judge(
          top <= knee + BELOW_KNEE + 1e-9,
          code,
          hem,
          `The ${name} begins ${p(top)} below the waist, the knee is at ${p(knee)}: it should begin no lower than ${p(BELOW_KNEE)} below the knee, where the skirt is ${p(girth)} round.`,
        ),
      );
    return found;
  }
  const girth = girthAt(length);
  if (girth === null) return [];
  if (length <= knee || girth >= STRIDE) return [pass(code, hem, `Hem ${p(girth)}: room to walk.`)];
  return [
    warn(
      code,
      hem,
      `Below the knee a hem of ${p(girth)} is under ${p(STRIDE)}: it needs a vent, a slit, a pleat or stretch.`,
    ),
  ];
}
