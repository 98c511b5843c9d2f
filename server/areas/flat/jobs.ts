import type { SheetUnit } from '@rocchetto/core';
import type { NeckHalf } from './neck-half.ts';

export const FLAT_JOBS = {
  /** The neck template, to scale. */
  neckTemplate: async (neck: NeckHalf, unit: SheetUnit) =>
    (await import('./neck-template.ts')).neckTemplate(neck, unit),
} as const;
export type FlatJobs = typeof FLAT_JOBS;
