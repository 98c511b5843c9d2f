import { findMeasure, formatSentence, type LengthUnit, readLength, wholeOf } from '@rocchetto/core';
import { ownFindings } from '@rocchetto/core/checks/own-findings.ts';

export interface Line {
  readonly id: string;
  readonly text: string;
  /** a finger lay under the tape */
  readonly finger: boolean;
  /** looked at again, and it is so */
  readonly stands: boolean;
}
/** What a client has filled in so far; it outlives a reload of the page, and nothing else. */
export interface HomeDraft {
  readonly unit: 'cm' | 'in';
  readonly helper: string;
  readonly beneath: string;
  readonly guardian: string;
  readonly words: string;
  readonly lines: Readonly<Record<string, Line>>;
}
export const EMPTY: HomeDraft = { unit: 'cm', helper: '', beneath: '', guardian: '', words: '', lines: {} };

const place = (key: string) => `at-home ${key.slice(0, 12)}`;
export function keptDraft(key: string): HomeDraft {
  try {
    return { ...EMPTY, ...JSON.parse(sessionStorage.getItem(place(key)) ?? '{}') };
  } catch {
    return EMPTY;
  }
}
export function keepDraft(key: string, draft: HomeDraft | null) {
  try {
    if (draft) sessionStorage.setItem(place(key), JSON.stringify(draft));
    else sessionStorage.removeItem(place(key));
  } catch {
    // A browser that keeps nothing: the page itself still holds it.
  }
}

export interface Said {
  readonly sentence: string;
  /** it cannot be sent so; otherwise it may stand once it was looked at again */
  readonly hard: boolean;
}
/** What there is to say about a figure typed at home; null when nothing is, or nothing was typed. */
export function saidOf(id: string, text: string, unit: LengthUnit & ('cm' | 'in')): Said | null {
  const measure = findMeasure(id);
  if (!measure || text.trim() === '') return null;
  const read = readLength(text, unit);
  if (!read.ok) return { sentence: read.sentence, hard: true };
  const { written } = read;
  const value = wholeOf({ written, way: 'whole' });
  const found = ownFindings({ measure, value, written, way: 'whole' });
  return found[0]
    ? { sentence: formatSentence(found[0].sentence, unit), hard: found.some((f) => f.level === 'hard') }
    : null;
}

/** The measures that keep the page from being sent: wrong, or unlikely and not looked at again. */
export const open = (draft: HomeDraft, measures: readonly string[]): string[] =>
  measures.filter((id) => {
    const line = draft.lines[id];
    const said = line && saidOf(id, line.text, draft.unit);
    return said && (said.hard || !line.stands);
  });
