import type { Panel } from '../../draft/panel.ts';
import { buildFigure, TOLERANCE, term } from '../../figure/build.ts';
import { pass, type RawCheck, warn } from '../../figure/check.ts';
import type { Figure } from '../../figure/figure.ts';
import { type Cm, cm } from '../../units/length.ts';
import { say as p } from '../../units/print.ts';
import { roundLength } from '../../units/rounding.ts';
import { MOST_EASED } from '../meeting.ts';
import type { PartContext } from '../part.ts';
import { oblong } from './oblong.ts';

export interface Band {
  readonly figures: readonly Figure[];
  readonly panels: readonly Panel[];
  /** what the band goes round without its overlap, cm; null without a band or a waist */
  readonly round: Cm | null;
}
export const NO_BAND: Band = { figures: [], panels: [], round: null };

/** The band goes on the waist as it is sewn; a house may cut it to the finished waist and ease the rest on. */
function bandRound(c: PartContext, sewn: Cm): Cm {
  if (c.input.house.band === 'marked') return sewn;
  const wanted = c.line('waist')?.figure.finished;
  if (wanted == null) return sewn;
  const nearest = roundLength(wanted, { ...c.rounding, mode: 'nearest' });
  return nearest <= sewn && sewn - nearest <= MOST_EASED + 1e-9 ? nearest : sewn;
}

/**
 * A folded waistband for a waist of this sewn length: its figures and its panels.
 * @param sewn the whole waist as its panels are marked, cm; null while it is absent
 */
export function waistband(c: PartContext, sewn: Cm | null, width: Cm, overlap: Cm): Band {
  if (width <= 0) return NO_BAND;
  const a = c.allowances.band;
  const round = sewn === null ? null : bandRound(c, sewn);
  const length = buildFigure(c, {
    id: c.id('band-length'),
    section: c.key,
    name: 'waistband, length',
    group: 'band',
    known: round !== null,
    ...(round === null
      ? {}
      : { marked: cm(round + roundLength(overlap, { ...c.rounding, mode: 'nearest' })) }),
    terms: [
      term(
        'body',
        'waist, as marked',
        round ?? 0,
        round !== null && sewn !== null && round < sewn - 1e-9
          ? `The finished waist; the skirt (${p(sewn)} sewn) is eased on.`
          : 'The band is as long as the marked panels are when they are sewn.',
      ),
      term('add', 'overlap', overlap, 'For the hook or button.'),
    ],
    follows: (v) =>
      round !== null && v >= round
        ? null
        : `A band shorter than its waist (${p(round ?? 0)}) cannot be closed; set the waist itself.`,
    note: `cut ${p(a)} longer at each end`,
  });
  const cutWidth = buildFigure(c, {
    id: c.id('band-cut-width'),
    section: c.key,
    name: 'waistband, cut width',
    group: 'band',
    tolerance: TOLERANCE.detail,
    terms: [
      term('body', '2 × band', 2 * width, `Finished ${p(width)}, folded.`),
      term('add', 'allowances', 2 * a, 'One at each long edge.'),
    ],
    follows: (v) => (v > 2 * a ? null : `It needs more than its two allowances (${p(2 * a)}).`),
  });
  const across = cm(cutWidth.marked! - 2 * a);
  const panels =
    length.marked === null
      ? []
      : [
          bandPanel(c, 'band', 'outer', across, length.marked, a),
          bandPanel(c, 'band-interfacing', 'interfacing', cm(across / 2), length.marked, cm(0)),
        ];
  return { figures: [length, cutWidth], panels, round };
}

function bandPanel(
  c: PartContext,
  name: string,
  layer: 'outer' | 'interfacing',
  width: Cm,
  length: Cm,
  allowance: Cm,
): Panel {
  return oblong(
    {
      id: c.id(name),
      name: 'waistband',
      share: 'band',
      layer,
      grain: 'lengthwise along the band',
      marks: layer === 'outer' ? [{ kind: 'fold line', name: 'fold', at: [width / 2, length / 2] }] : [],
      note: layer === 'outer' ? 'folded along its middle; overlap at the closing' : 'without allowances',
    },
    [width, length],
    [
      ['end', 'end', allowance],
      ['long', 'long edge', allowance],
      ['overlap', 'overlap', allowance],
      ['waist', 'waist', allowance],
    ],
  );
}

/** Does the band meet the waist it goes on? */
export function bandCheck(c: PartContext, band: Band, sewn: Cm | null): RawCheck[] {
  if (band.round === null || sewn === null) return [];
  const off = sewn - band.round;
  const says = `Band ${p(band.round)} and sewn waist ${p(sewn)}${Math.abs(off) < 1e-6 ? ' are equal' : `: ${p(Math.abs(off))} is eased on`}.`;
  return [(off >= -1e-6 && off <= MOST_EASED + 1e-6 ? pass : warn)(c.id('band'), c.id('band-length'), says)];
}
