import './garment/every-part.ts';

export type { DateOrder } from './dates/read-date.ts';
/** The trade, without an interface: everything a screen, a route or a file may use of it, every garment part there. */
export * from './diary/words.ts';
export * from './house/rule-tables.ts';
export * from './without-parts.ts';
