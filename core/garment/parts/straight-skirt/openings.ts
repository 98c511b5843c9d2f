import { buildFigure } from '../../../sheet/build.ts';
import { type RawCheck, warn } from '../../../sheet/check.ts';
import type { Figure } from '../../../sheet/figure.ts';
import { cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import type { StraightSkirtBrief } from '../../brief.ts';
import type { PartContext } from '../../part.ts';
import { type GirthAt, openingDepth, stockedZip } from '../../zip.ts';

/** The zip by what must pass through it, and the vent or slit of the brief. */
export function openingFigures(
  c: PartContext,
  brief: StraightSkirtBrief,
  profile: readonly GirthAt[],
  checks: RawCheck[],
): Figure[] {
  const bodies = ['waist', 'high-hip', 'tummy', 'hip'].flatMap((id) => c.measured.get(id)?.net ?? []);
  const figures: Figure[] = [];
  const complete = profile.some((x) => x.level === 0) && profile.length > 1;
  // With a hip set by hand and none read, what must pass is not known: the zip reaches the widest finished line.
  const guessed = c.measured.get('hip')?.net == null;
  const passes = cm(Math.max(0, ...(guessed ? profile.map((x) => x.girth) : bodies)));
  const depth = complete && passes > 0 ? openingDepth(profile, passes) : null;
  const zip = depth === null ? null : stockedZip(depth);
  figures.push(
    buildFigure(c, {
      id: 'zip',
      bought: true,
      name: `zip, ${brief.zip === 'centre-back' ? 'centre back' : 'left side'}`,
      group: 'opening',
      known: zip !== null,
      estimated: guessed,
      terms:
        zip === null
          ? []
          : [
              {
                kind: 'body',
                label: 'opening needed',
                cm: depth!,
                because: guessed
                  ? `The hip was not read: down to the widest finished line (${p(passes)}).`
                  : `Down to where the finished girth lets the widest body girth (${p(passes)}) through.`,
              },
              {
                kind: 'add',
                label: 'to the next stocked length',
                cm: cm(zip - depth!),
                because: 'House list of stocked zips.',
              },
            ],
    }),
  );
  if (complete && passes > 0 && zip === null)
    checks.push(
      warn(
        'zip',
        'zip',
        `No stocked zip lets ${p(passes)} through: the finished girths are too narrow for the body, or the list is too short.`,
      ),
    );
  if (brief.hemOpening.kind !== 'none')
    figures.push(
      buildFigure(c, {
        id: brief.hemOpening.kind,
        name: `${brief.hemOpening.kind}, height`,
        group: 'opening',
        known: true,
        terms: [
          {
            kind: 'style',
            label: 'from the brief',
            cm: brief.hemOpening.height,
            because: 'Style, as briefed.',
          },
        ],
      }),
    );
  return figures;
}
