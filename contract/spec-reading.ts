import { type Reading, readLength } from '@rocchetto/core';

/** A reading as a spec writes it: as read, with its unit. */
export type SpecReading = Pick<
  Reading,
  'measure' | 'state' | 'way' | 'tape' | 'source' | 'by' | 'at' | 'reason' | 'note'
> & { readonly value: string };

/** A spec's reading as core's. */
export const specReading = (
  r: SpecReading,
  i: number,
  spec: { readonly session: { readonly measurer: string; readonly scribe: string; readonly date: string } },
): Reading => {
  const read = r.state === 'read' ? readLength(r.value, 'cm', true) : null;
  return {
    id: `reading-${i + 1}`,
    measure: r.measure,
    state: r.state,
    way: r.way,
    tape: r.tape,
    source: r.source,
    reason: r.reason,
    note: r.note,
    written: read?.ok ? read.written : null,
    replaces: null,
    by: r.by || spec.session.measurer,
    wroteBy: spec.session.scribe,
    at: r.at || `${spec.session.date || '1970-01-01'}T00:00:00Z`,
  };
};
