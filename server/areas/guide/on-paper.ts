import type { Paper } from '@rocchetto/contract';
import type { Ctx } from '../../http/context.ts';
import { threadsFor } from '../../threads/pool.ts';
import type { GuideJobs } from './jobs.ts';

/** Papers of the guide are made in threads, fairly by person. */
export const inThread = threadsFor<GuideJobs>();
export const printOn = (c: Ctx, paper: Paper) => ({ kind: 'paper', person: c.get('who').id, paper }) as const;
export const sendPdf = (c: Ctx, pdf: Buffer, name: string) =>
  c.body(new Uint8Array(pdf), 200, {
    'content-type': 'application/pdf',
    'content-disposition': `inline; filename="${name}.pdf"`,
  });
