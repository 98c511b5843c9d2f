/** Alterations: what is asked, what it does to the panels, how far it has come. */
export * from './apply.ts';
export * from './asked.ts';
export * from './brought-in.ts';
export * from './effect.ts';
export * from './hand-over.ts';
export * from './kind.ts';
export * from './lateness.ts';
export * from './propose.ts';
export * from './refusal.ts';
export * from './registry.ts';
export * from './sentence.ts';
export * from './sign.ts';
export * from './signs.ts';
export * from './status.ts';
export * from './trial.ts';
