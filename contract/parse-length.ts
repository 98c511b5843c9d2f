import { type Cm, cm, readLength } from '@rocchetto/core';

const UNIT_MISSING = 'Write the unit too, for example 24 1/2 in or 62 cm.';

/** Reads a length text of a file or form: a number with its unit, zero and a leading minus allowed. */
export function parseLength(
  text: string,
  asKept = false,
): { ok: true; cm: Cm } | { ok: false; sentence: string } {
  const bare = text.trim();
  const negative = /^[-−]/.test(bare);
  const result = readLength(negative ? bare.slice(1) : bare, 'cm', asKept);
  if (!result.ok) {
    if (result.code === 'zero') return { ok: true, cm: cm(0) };
    return { ok: false, sentence: result.sentence };
  }
  if (!result.unitGiven) return { ok: false, sentence: `“${bare}” has no unit. ${UNIT_MISSING}` };
  return { ok: true, cm: cm(negative ? -result.cm : result.cm) };
}

/** The cm of a text that `lengthText` has passed, today or before. @throws RangeError for one that is no length. */
export function toCm(text: string): Cm {
  const result = parseLength(text, true);
  if (!result.ok) throw new RangeError(result.sentence);
  return result.cm;
}
