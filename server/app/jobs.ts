import { ALTERATION_JOBS } from '../areas/alterations/jobs.ts';
import { CLIENT_DATA_JOBS } from '../areas/client-data/jobs.ts';
import { FLAT_JOBS } from '../areas/flat/jobs.ts';
import { GUIDE_JOBS } from '../areas/guide/jobs.ts';
import { IMPORT_JOBS } from '../areas/imports/jobs.ts';
import { PLAN_JOBS } from '../areas/plan/jobs.ts';
import { SHEET_JOBS } from '../areas/sheets/jobs.ts';

/** Everything that is done in a thread of its own, by name. */
export const JOBS = {
  ...SHEET_JOBS,
  ...ALTERATION_JOBS,
  ...FLAT_JOBS,
  ...GUIDE_JOBS,
  ...CLIENT_DATA_JOBS,
  ...IMPORT_JOBS,
  ...PLAN_JOBS,
} as const;
