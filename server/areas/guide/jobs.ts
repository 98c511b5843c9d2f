import type { CardFor, ListFor } from './paper.ts';

/** Paper of the measuring guide. */
export const GUIDE_JOBS = {
  guide: async (studio: string, ids: readonly string[] | null) => {
    const { clientPage, wholeGuide } = await import('./paper.ts');
    return ids ? clientPage(studio, ids) : wholeGuide(studio);
  },
  manual: async (studio: string) => (await import('./manual.ts')).manual(studio),
  measuringList: async (list: ListFor) => (await import('./paper.ts')).orderList(list),
  measureCard: async (card: CardFor) => (await import('./paper.ts')).measureCard(card),
} as const;
export type GuideJobs = typeof GUIDE_JOBS;
