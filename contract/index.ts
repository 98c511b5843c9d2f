/** Everything that crosses a wire or lies in a file. */
export * from './api.ts';
export * from './basics.ts';
export * from './brief.ts';
export * from './decide.ts';
export * from './keepable.ts';
export * from './length.ts';
export * from './may.ts';
export * from './parse-length.ts';
export * from './problems.ts';
export * from './reading.ts';
export * from './roles.ts';
export * from './routes.ts';
export * from './sheet-file.ts';
export * from './spec.ts';
export * from './to-core.ts';
