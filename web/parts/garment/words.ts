import type { PartWire } from '@rocchetto/contract';
import { asked, type Field, formatSentence, partFor, type SheetUnit } from '@rocchetto/core';

/** What a field says, in words; a length as it was written. */
const words = (field: Field, value: unknown): string => {
  if (value === null || value === undefined || value === '') return '—';
  if (field.kind === 'choice') return field.options.find((o) => o.value === value)?.label ?? String(value);
  if (field.kind === 'yes-no') return value ? 'yes' : 'no';
  return String(value);
};

/** A part of a brief as words, one line: what is asked of it and what it says. */
export function partWords(wire: PartWire, joined: boolean, unit: SheetUnit): string {
  const part = partFor(wire.part);
  const line = Object.entries(part.fields)
    .filter(([id, f]) => !(joined && part.joins.givenUp.includes(id)) && asked(f, wire))
    .map(([id, f]) => `${f.label.toLowerCase()}: ${words(f, wire[id])}`)
    .join('; ');
  return formatSentence(line, unit);
}

/** Whether a part hangs from another of these. */
export const isJoined = (parts: readonly Pick<PartWire, 'part'>[], index: number): boolean =>
  partFor(parts[index]!.part).joins.takes.some(({ edge }) =>
    parts.some((p, i) => i !== index && partFor(p.part).joins.gives.includes(edge)),
  );
