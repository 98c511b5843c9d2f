import type { Problem } from '@rocchetto/contract';

/** What comes back from a thread: the answer, or a refusal with its sentence. An error of the program is thrown. */
export type Came = { readonly answer: unknown } | { readonly refused: Problem };
