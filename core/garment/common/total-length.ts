import { bodyTerms } from '../../figure/build.ts';
import { judge, type RawCheck } from '../../figure/check.ts';
import type { Term } from '../../figure/figure.ts';
import { type Cm, cm } from '../../units/length.ts';
import { say as p } from '../../units/print.ts';
import { isKnown, type Leaves, left, type ReadAt } from '../leaves.ts';
import type { PartContext } from '../part.ts';
import { lessWay } from './length-wanted.ts';
import { STATIONS } from './stations.ts';

/** Lengths of a whole garment, from the neck to the hem wanted. */
export const TOTALS = ['garment-length', 'nape-to-hem'] as const;
/** A total that makes so much more or less than the brief wants is asked about: it may be another garment's, cm (own choice). */
const APART = 15;

const upper = (name: string) => `${name[0]!.toUpperCase()}${name.slice(1)}`;

/** From which total a garment's length below the waist comes, and the length to the waist that is taken off it. */
const byTotal = (c: ReadAt): readonly [total: string, toWaist: string] | null =>
  isKnown(c, 'garment-length') && isKnown(c, 'neck-to-waist-front')
    ? ['garment-length', 'neck-to-waist-front']
    : isKnown(c, 'nape-to-hem') && isKnown(c, 'nape-to-waist')
      ? ['nape-to-hem', 'nape-to-waist']
      : null;

/**
 * Waist to hem from a whole length that was read, as terms: the total less the way to the waist and the ease that lies in
 * it. Null where none was read, or it ends above the waist.
 */
export function belowByTotal(c: PartContext): readonly Term[] | null {
  const by = byTotal(c);
  if (!by) return null;
  const total = c.measured.get(by[0])!;
  const way = lessWay(c, by[1])!;
  return total.net! + way.cm <= 0 ? null : [...bodyTerms(total), way];
}

/** What of the whole lengths is left: where the hem was read at its stations, or the other one is used. */
export function totalLeaves(c: PartContext, stations: boolean): Leaves {
  const hem = stations && STATIONS.some((s) => isKnown(c, `hem-${s}`));
  const by = belowByTotal(c) === null ? null : byTotal(c)![0];
  return {
    ...left(hem, TOTALS, 'The hem was read at its stations, from the waist.'),
    ...left(!hem && by === null, TOTALS, 'The way from the neck to the waist was not read, or is longer.'),
    ...left(!hem && by === 'garment-length', ['nape-to-hem'], 'The length from the side-neck was read.'),
  };
}

/** Whether a whole length that was read goes with the length the brief wants. */
export function totalCheck(c: PartContext, wanted: Cm, figure: string): RawCheck[] {
  const terms = belowByTotal(c);
  if (terms === null) return [];
  const below = cm(terms.reduce((a, t) => a + t.cm, 0));
  const name = c.measured.get(byTotal(c)![0])!.measure.name;
  return [
    judge(
      Math.abs(below - wanted) <= APART,
      c.id('total-length'),
      c.id(figure),
      `${upper(name)} as read makes ${p(below)} below the waist, the brief says ${p(wanted)}: the reading is used.${Math.abs(below - wanted) > APART ? ' Was it read for another garment?' : ''}`,
    ),
  ];
}
