import { edgeLength } from '../../../draft/measure.ts';
import { TOLERANCE } from '../../../figure/build.ts';
import { judge, pass, type RawCheck, warn } from '../../../figure/check.ts';
import { cm } from '../../../units/length.ts';
import { say as p } from '../../../units/print.ts';
import { fairChecks } from '../../common/from-waist/fair-checks.ts';
import { markedLengths, unevenHems } from '../../common/hem-lengths.ts';
import { bandCheck } from '../../common/waistband.ts';
import { walkChecks } from '../../common/walk.ts';
import type { OpeningMade, PartContext } from '../../part.ts';
import { FACES } from '../../tables/darts.ts';
import type { SkirtDraft } from './draft.ts';
import type { SkirtValues } from './fields.ts';

/** Waist to hem, left and right, further apart than this is no body but a slanting hem, or misread, cm (house figure). */
const SLANTS = 5;

/** What a cutter would look at on this skirt, judged on its panels. */
export function skirtChecks(c: PartContext, v: SkirtValues, d: SkirtDraft, opening: OpeningMade): RawCheck[] {
  const found: RawCheck[] = [];
  if (!d.taking || !d.wide) return found;
  if (d.wide.zone !== 'hip') {
    const hip = c.line('hip')!;
    found.push(
      warn(
        'wide-above-hip',
        d.wide.zone,
        `The ${d.wide.figure.name} (${p(d.wide.figure.finished!)}) is the widest line, above the hip${hip.net === null ? '' : ` (body ${p(hip.net)})`}: the side seams fall straight from there, and the hem follows it.`,
      ),
    );
  }
  for (const face of FACES) found.push(...takingChecks(c, d, face));
  if (d.faces && d.taking.front.gather <= 0) found.push(...fairChecks(c, d.faces, d.wide));
  const marked = markedLengths(d.lengths);
  if (marked && !d.faces)
    found.push(
      warn(
        c.id('short'),
        c.id('hem'),
        `The hem (${p(Math.min(marked.front, marked.back))} below the waist) lies at or above the ${d.wide.figure.name} (${p(d.wide.level!)}): there is no skirt to draft. Give its length, or set the level.`,
      ),
    );
  if (!d.faces) return found;
  const { front, back } = d.faces;
  const seams = [front, back].map((panel) => edgeLength(panel, 'side'));
  const apart = cm(Math.abs(seams[0]! - seams[1]!));
  found.push(
    judge(
      apart <= TOLERANCE.detail,
      c.id('side-seams'),
      c.id('side-front'),
      `Side seams: front ${p(seams[0]!)}, back ${p(seams[1]!)}${apart > TOLERANCE.detail ? `; ease ${p(apart)} or true the longer` : ', equal within what is trued'}.`,
    ),
    ...bandCheck(c, d.band, d.waist),
  );
  if (marked && Math.abs(marked.left - marked.right) > TOLERANCE.detail)
    found.push(
      judge(
        Math.abs(marked.left - marked.right) <= SLANTS,
        c.id('sides-differ'),
        c.id('hem-left'),
        `Left and right differ by ${p(cm(Math.abs(marked.left - marked.right)))}: ${
          unevenHems(marked) ? 'each side is cut to its own length' : 'both are cut to the longer'
        }${
          Math.abs(marked.left - marked.right) > SLANTS
            ? '. No hip asks for so much: read both again, unless the hem is to slant.'
            : ', and the hem is marked on each side.'
        }`,
      ),
    );
  found.push(
    ...walkChecks(c, {
      length: cm(Math.min(...Object.values(marked!))),
      girthAt: (depth) =>
        d.girthAt!(depth) ?? d.hem.shares.reduce((a, s) => cm(a + s.times * s.rounded), cm(0)),
      opening:
        d.hemOpening?.marked && v.hemOpening !== 'none'
          ? { kind: v.hemOpening as 'vent' | 'slit', figure: d.hemOpening.id, height: d.hemOpening.marked }
          : null,
      zipEnds: opening.endsAt,
    }),
  );
  return found;
}

function takingChecks(c: PartContext, d: SkirtDraft, face: 'front' | 'back'): RawCheck[] {
  const t = d.taking![face];
  const total = cm(d.wide![face]!.rounded - c.line('waist')![face]!.rounded);
  const found: RawCheck[] = [];
  if (t.gather > 0)
    found.push(
      pass(
        c.id(`gather-${face}`),
        c.id(`gather-${face}`),
        `${face}: ${p(t.gather)} per quarter is gathered or pleated at the waist; an elastic casing would do as well.`,
      ),
    );
  if (!t.roomForDarts)
    found.push(
      warn(
        c.id(`dart-room-${face}`),
        c.id(`side-${face}`),
        `${face}: the ${d.wide!.figure.name} lies ${p(d.wide!.level!)} below the waist, too high for a dart: all of ${p(total)} goes into the side seam. Is the level right?`,
      ),
    );
  else if (t.over > TOLERANCE.detail) {
    const other =
      face === 'front'
        ? ' Shift some of it to the back (house balance),'
        : ' Shift some of it to the front (house balance),';
    found.push(
      warn(
        c.id(`dart-over-${face}`),
        c.id(`side-${face}`),
        `${face}: ${p(total)} per quarter is more than two darts and the side seam usually take; ${p(t.over)} went into the side seam.${other} cut princess seams, gather or pleat the waist, or accept it.`,
      ),
    );
  }
  return found;
}
