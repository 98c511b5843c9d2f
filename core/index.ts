import './garment/every-part.ts';

export * from './checks/own-findings.ts';
export * from './checks/reading-checks.ts';
/** What holds patterns and charts against a body: a page brings of it what it needs. */
export * from './compare/chart.ts';
export * from './compare/ease-seen.ts';
export * from './compare/finished-table.ts';
export * from './compare/flat-change.ts';
export * from './compare/grade.ts';
export * from './compare/rank.ts';
export * from './compare/read-chart.ts';
export * from './compare/wish.ts';
export * from './compare/zones.ts';
export type { DateOrder } from './dates/read-date.ts';
/** The trade, without an interface: everything a screen, a route or a file may use of it, every garment part there. */
export * from './diary/words.ts';
export * from './expected-ranges/expectation.ts';
export * from './expected-ranges/slips.ts';
export * from './expected-ranges/together.ts';
export * from './house/rule-tables.ts';
export * from './measures/at-home.ts';
export * from './measures/flat/flat-points.ts';
export * from './sheet/beside-flat.ts';
export * from './without-parts.ts';
