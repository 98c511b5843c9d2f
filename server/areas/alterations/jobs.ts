import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';
import type { Record as FittingRecord } from './record.ts';

/** Paper of an alteration, made beside what answers requests. */
export const ALTERATION_JOBS = {
  fittingRecord: async (record: FittingRecord) => (await import('./record.ts')).fittingRecord(record),
  ticket: async (definition: TDocumentDefinitions) =>
    (await import('../../paper/print.ts')).printPaper(definition),
} as const;
export type AlterationJobs = typeof ALTERATION_JOBS;
