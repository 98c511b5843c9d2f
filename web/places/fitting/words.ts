import type { AskedWire } from '@rocchetto/contract';
import { toAsked, writtenOf } from '@rocchetto/contract/alterations.ts';
import { alterationSentence } from '@rocchetto/core/alter/index.ts';

/** A change as its sentence, lengths kept open. */
export const sentenceOf = (asked: AskedWire): string => alterationSentence(toAsked(asked), writtenOf(asked));
