import { buildFigure, TOLERANCE } from '../../../sheet/build.ts';
import type { Figure } from '../../../sheet/figure.ts';
import { cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { skirtAllowances } from '../../allowances.ts';
import type { StraightSkirtBrief } from '../../brief.ts';
import type { PartContext } from '../../part.ts';

/** The allowances of this skirt under this house. */
export const allowancesOf = ({ input: { brief, house } }: PartContext) =>
  skirtAllowances(brief.fit === 'close', brief.letOut, house.rounding.unit, house.allowances);

/** Length and cut width of the waistband; nothing for a faced waist. */
export function bandFigures(c: PartContext, brief: StraightSkirtBrief, waist: Figure): Figure[] {
  if (brief.band <= 0) return [];
  const allowance = allowancesOf(c).band;
  const length = buildFigure(c, {
    id: 'band-length',
    name: 'waistband, length',
    group: 'band',
    known: waist.finished !== null,
    terms: [
      {
        kind: 'body',
        label: 'waist, finished',
        cm: waist.finished ?? cm(0),
        because: 'The band is as long as the finished waist.',
      },
      { kind: 'add', label: 'overlap', cm: brief.overlap, because: 'For the hook or button.' },
    ],
    note: `cut ${p(allowance)} longer at each end`,
  });
  const width = buildFigure(c, {
    id: 'band-cut-width',
    name: 'waistband, cut width',
    group: 'band',
    known: true,
    tolerance: TOLERANCE.detail,
    terms: [
      {
        kind: 'body',
        label: '2 × band',
        cm: cm(2 * brief.band),
        because: `Finished ${p(brief.band)}, folded.`,
      },
      { kind: 'add', label: 'allowances', cm: cm(2 * allowance), because: 'One at each long edge.' },
    ],
  });
  return [length, width];
}
