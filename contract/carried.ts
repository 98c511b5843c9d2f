import type { Carried } from '@rocchetto/core';
import { carriedChange } from '@rocchetto/core/alter/carry.ts';
import { alterationSentence } from '@rocchetto/core/alter/index.ts';
import { toAsked, writtenOf } from './alterations.ts';
import type { SpecFile } from './spec.ts';
import { changesReadBy } from './to-core.ts';

/** A change that was agreed at a fitting, as core takes it into a sheet. */
export function toChange({ asked, by, at }: SpecFile['changes'][number]): Carried {
  const what = toAsked(asked);
  // A note is for the bench; a warning on the sheet that is accepted keeps its sentence, and that has its length.
  const sentence = alterationSentence({ ...what, note: '' }, writtenOf(asked));
  return carriedChange(what, { sentence, by, at });
}

changesReadBy((changes) => changes.map(toChange));
