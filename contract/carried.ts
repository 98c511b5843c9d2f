import type { Carried } from '@rocchetto/core';
import { carriedChange } from '@rocchetto/core/alter/carry.ts';
import { alterationSentence } from '@rocchetto/core/alter/index.ts';
import { toAsked, writtenOf } from './alterations.ts';
import type { SpecFile } from './spec.ts';
import { changesReadBy } from './to-core.ts';

/** A change that was agreed at a fitting, as core takes it into a sheet. */
export const toChange = ({ asked, by, at }: SpecFile['changes'][number]): Carried =>
  carriedChange(toAsked(asked), { sentence: alterationSentence(toAsked(asked), writtenOf(asked)), by, at });

changesReadBy((changes) => changes.map(toChange));
