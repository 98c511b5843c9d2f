import { sewnLength } from '../draft/measure.ts';
import { kindOf, type SeamKind } from '../garment/seams.ts';
import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import { readLength } from '../units/reading.ts';
import { type Halves, isMain, perHalf } from './apply.ts';
import type { Asked } from './asked.ts';

/** What an elastic’s two ends are joined by, cm (common practice). */
const JOIN = cm(2.5);
const ALONG: Readonly<Record<string, readonly SeamKind[]>> = {
  hem: ['hem'],
  neckline: ['neck'],
  'upper edge': ['upper'],
  'sleeve ends': ['wrist'],
  'front edge': ['front-edge'],
};

/** How long the edges of these kinds are on the whole garment, as sewn, cm. */
export function edgesLong(now: Halves, kinds: readonly SeamKind[]): Cm {
  const on = (panels: Halves['right']) =>
    panels.filter(isMain).reduce(
      (sum, p) =>
        sum +
        p.edges.reduce((n, e) => {
          const kind = kindOf(p, e);
          return kind !== null && kinds.includes(kind) ? n + sewnLength(p, e.id) * perHalf(p) : n;
        }, 0),
      0,
    );
  return cm(on(now.right) + on(now.left));
}

/** What the details of an alteration come to, a sentence each: how much trim to lay ready, how long to cut an elastic. */
export function laidReady(asked: Asked, now: Halves): string[] {
  const { details = {}, kind } = asked;
  const lengthOf = (id: string): Cm | null => {
    const read = details[id] ? readLength(details[id]!, asked.unit ?? 'cm') : null;
    return read?.ok ? read.cm : null;
  };
  const says: string[] = [];
  const along = ALONG[details.along ?? ''];
  if (along) {
    const run = edgesLong(now, along);
    const rows = Number(details.rows ?? 1) || 1;
    const overlap = lengthOf('overlap') ?? cm(0);
    says.push(
      run > 0
        ? `The ${details.along} is ${say(run)} in all: ${rows === 1 ? 'one row' : `${rows} rows`}${overlap > 0 ? ` with ${say(overlap)} overlap` : ''} ${rows === 1 ? 'takes' : 'take'} ${say(cm(rows * (run + overlap)))}.`
        : `This garment has no ${details.along}: measure where the trim runs.`,
    );
  }
  const tried = lengthOf('tried');
  if (tried !== null)
    says.push(
      `Cut the elastic ${say(cm(tried + JOIN))}: ${say(tried)} as it was tried, ${say(JOIN)} to join.`,
    );
  if (kind.marksHem && onTheBias(now))
    says.push('It is cut on the bias: let it hang one to three days before this hem is marked and turned.');
  return says;
}
const onTheBias = (now: Halves): boolean =>
  now.right.some((p) => isMain(p) && p.grain.includes('bias') && p.edges.some((e) => e.id === 'hem'));
