import { doubtOf } from '../expected-ranges/slips.ts';
import { NET } from '../expected-ranges/table.ts';
import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { CheckContext, Finding } from './finding.ts';
import { ownFindings, soft } from './own-findings.ts';
import { relationsOf } from './relations.ts';

/**
 * Judges one reading against itself, the other figures of the session and last time. Spans and limits are
 * common practice (no source) unless the rule says otherwise.
 * @returns hard findings first; empty when nothing is doubtful.
 */
export function checkReading(c: CheckContext): Finding[] {
  const own = ownFindings(c);
  if (own[0]?.level === 'hard') return own;
  const found = [...relationFindings(c), ...(c.expected ? expectedFindings(c, own) : own)];
  if (c.last && !c.expected) found.push(...comparedWithLast(c));
  return found.sort((a, b) => Number(b.level === 'hard') - Number(a.level === 'hard'));
}

/** What the net says in place of a fixed span: it knows the figure it stands beside. */
function expectedFindings(c: CheckContext, own: readonly Finding[]): Finding[] {
  const e = c.expected!;
  // With nothing beside it the usual span of adults is all there is.
  if (e.last === null && e.from.length === 0) return [...own];
  const doubt = doubtOf(c.measure.id, c.value, c.written, c.way, e, c.halves);
  if (doubt)
    return [{ ...soft('unexpected', doubt.sentence), ...(doubt.slip ? { slip: doubt.slip.is } : {}) }];
  // Outside the usual span, yet as all else leads one to expect: nothing to ask about.
  return [];
}

/** What is told of a figure that moved since last time but is not asked about: a net that knows the figure judges it. */
export const movedSince = (c: CheckContext): readonly Finding[] =>
  c.last && c.expected ? comparedWithLast(c) : [];

function comparedWithLast(c: CheckContext): Finding[] {
  const last = c.last!;
  const found: Finding[] = [];
  if (isSwap(c.written.text, last.text))
    return [soft('swapped-digits', `Swapping two digits gives last session's ${last.text}. Read it again?`)];
  const moved = cm(c.value - last.cm);
  const girth = c.measure.kind !== 'length';
  const limit = girth ? cm(last.cm * 0.04) : cm(1.5);
  // A wanted hem is a choice, not a body height: it may move freely.
  if (Math.abs(moved) > limit + 1e-9 && !c.measure.choice) {
    const rule = girth ? 'more than 4 %' : `more than ${say(1.5)}, and heights hardly change in adults`;
    found.push(
      soft(
        'moved',
        `${moved > 0 ? 'Grew' : 'Shrank'} by ${say(cm(Math.abs(moved)))} since ${last.date} (${last.text}): ${rule}. Read it again?`,
      ),
    );
  }
  return found;
}

/** True when exchanging two digits of `now` spells `last` (units aside): 96.5 and 69.5, but not 96 and 96. */
export function isSwap(now: string, last: string): boolean {
  const a = now.replace(/[^\d.]/g, '');
  const b = last.replace(/[^\d.]/g, '');
  if (a === b || a.length !== b.length) return false;
  const apart = [...a].flatMap((ch, i) => (ch === b[i] ? [] : [i]));
  const [i, j] = apart;
  return apart.length === 2 && a[i!] === b[j!] && a[j!] === b[i!] && a[i!] !== '.' && a[j!] !== '.';
}

function relationFindings(c: CheckContext): Finding[] {
  return relationsOf(c.measure.id).flatMap((r) => {
    const values = r.touches.map((id) => (id === c.measure.id ? c.value : c.others.get(id)));
    if (values.some((v) => v === undefined)) return [];
    // Between two measures of the net only what cannot be is said by a fixed rule.
    if (r.level === 'soft' && c.expected && r.touches.every((id) => id in NET)) return [];
    const sentence = r.says(values as Cm[]);
    return sentence ? [{ code: r.code, level: r.level, sentence }] : [];
  });
}
