import { cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { CheckContext, Finding } from './finding.ts';

/** What cannot be: the reading is not taken. */
export const hard = (code: string, sentence: string): Finding => ({ code, level: 'hard', sentence });
/** What is unlikely: the reading is taken with a reason. */
export const soft = (code: string, sentence: string): Finding => ({ code, level: 'soft', sentence });

const within = (v: number, [lo, hi]: readonly [number, number]) => v >= lo && v <= hi;

/** Judges one reading by itself: is it a length, within its span, in its unit, the whole of what it measures? */
export function ownFindings(c: Pick<CheckContext, 'measure' | 'value' | 'written' | 'way'>): Finding[] {
  if (!Number.isFinite(c.value)) return [hard('not-a-number', 'This is not a number.')];
  if (c.value <= 0)
    return [hard('not-positive', 'After what the tape added is taken out nothing is left; read it again.')];
  const found: Finding[] = [];
  const odd = oddEntry(c);
  if (odd) found.push(odd);
  else if (!within(c.value, c.measure.range)) {
    const [lo, hi] = c.measure.range;
    found.push(
      soft(
        'out-of-range',
        `${say(c.value)} is outside the usual adult span of ${lo} to ${hi} cm for ${c.measure.name}. Read it again?`,
      ),
    );
  }
  return found;
}

/** Implausible as written, plausible when the unit or the share was another. */
function oddEntry(c: Pick<CheckContext, 'measure' | 'value' | 'written' | 'way'>): Finding | null {
  const { range, name } = c.measure;
  if (within(c.value, range)) return null;
  const other = c.written.unit === 'in' ? cm(c.value / 2.54) : cm(c.value * 2.54);
  const otherUnit = c.written.unit === 'in' ? 'centimetres' : 'inches';
  const could: string[] = [];
  if (within(other, range))
    could.push(`${c.written.text} ${otherUnit} would be usual for ${name}: is the unit right?`);
  if (c.way === 'whole' && c.measure.kind === 'girth')
    for (const [times, word] of [
      [2, 'half'],
      [4, 'quarter'],
    ] as const)
      if (within(c.value * times, range))
        could.push(`As a ${word} it would make ${say(cm(c.value * times))}: was a ${word} read?`);
  if (could.length === 0) return null;
  return soft('other-unit-or-share', `${say(c.value)} is unlikely for ${name}. ${could.join(' ')}`);
}
