import type { RawCheck } from '../../../sheet/check.ts';
import { type Cm, cm } from '../../../units/length.ts';
import type { StraightSkirtBrief } from '../../brief.ts';
import type { GarmentPart } from '../../part.ts';
import type { GirthAt } from '../../zip.ts';
import { driftChecks, markWarned, roomAtLevels, strideCheck } from './checks.ts';
import { skirtCutList } from './cut-list.ts';
import { dartFigures } from './darts.ts';
import { GIRTHS, girthFigure, widest } from './girths.ts';
import { hemGirth } from './hem-girth.ts';
import { hemFigures } from './hem-lengths.ts';
import { levelFigures } from './levels.ts';
import { openingFigures } from './openings.ts';
import { allowancesOf, bandFigures } from './waistband.ts';

/** A straight skirt in woven cloth: what it wants measured, and its part of the sheet. */
export const straightSkirt: GarmentPart<StraightSkirtBrief> = {
  id: 'straight-skirt',
  name: 'straight skirt, woven',
  wants: () => ({
    needs: ['waist', 'hip', 'waist-to-hip', 'hem-front', 'hem-left', 'hem-right', 'hem-back'],
    helps: [
      'high-hip',
      'waist-to-high-hip',
      'tummy',
      'waist-to-tummy',
      'hip-front',
      'waist-to-knee',
      'waist-to-floor',
    ],
  }),
  compute(c, brief) {
    const checks: RawCheck[] = [];
    const girths = GIRTHS.flatMap((g) => girthFigure(c, g, checks));
    const byId = new Map(girths.map((f) => [f.id, f]));
    const levels = levelFigures(c, girths);
    const level = (id: string) =>
      id === 'waist' ? cm(0) : (levels.find((l) => l.id === `level-${id}`)?.finished ?? null);
    const wide = widest(byId, checks);
    const darts = dartFigures(c, byId.get('waist')!, wide, level('hip'), checks);
    const hem = hemGirth(c, brief, wide);
    const lengths = hemFigures(c, brief);
    const longest = Math.max(0, ...lengths.map((l) => l.finished ?? 0)) as Cm;
    const band = bandFigures(c, brief, byId.get('waist')!);
    const profile = girths.flatMap((g): GirthAt[] => {
      const at = level(g.id);
      return at === null || g.finished === null ? [] : [{ level: at, girth: g.finished }];
    });
    profile.sort((a, b) => a.level - b.level);
    const opening = openingFigures(c, brief, profile, checks);
    roomAtLevels(girths, darts, level, checks);
    strideCheck(c, brief, hem, longest, checks);
    driftChecks(c, girths, checks);
    const allowances = allowancesOf(c);
    const floor = c.measured.get('waist-to-floor')?.net ?? null;
    return {
      figures: markWarned(
        [...girths, hem, ...levels, ...darts.lines, ...darts.figures, ...lengths, ...band, ...opening],
        checks,
      ),
      allowances: [
        { name: 'side seams', cm: allowances.side },
        { name: 'waist seam', cm: allowances.waist },
        {
          name: brief.zip === 'centre-back' ? 'centre back (zip) seam' : 'left side zip seam',
          cm: allowances.zip,
        },
        { name: 'hem', cm: allowances.hem },
        ...(c.input.brief.lining ? [{ name: 'lining hem, double roll', cm: allowances.liningHem }] : []),
        ...(brief.band > 0 ? [{ name: 'waistband edges', cm: allowances.band }] : []),
      ],
      ...skirtCutList(
        c.input.brief,
        brief,
        {
          wide,
          longest,
          band: band[0]?.finished ?? null,
          zip: opening[0]?.finished ?? null,
          allowances,
        },
        c.input.house.rounding,
      ),
      checks,
      cautions: [
        {
          code: 'pins',
          sentence:
            'Pins and needles: count in, count out at every fitting; do not hand over with a count that does not match.',
        },
        {
          code: 'stride',
          sentence:
            'A straight hem limits the step: try a stair and a stride at the fitting, in the shoes of the day.',
        },
        ...(floor !== null && longest > floor - 5
          ? [
              {
                code: 'trip',
                sentence:
                  'The hem is within 5 cm of the floor: trip hazard; level it in the shoes that will be worn.',
              },
            ]
          : []),
      ],
    };
  },
};
