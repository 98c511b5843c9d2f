import { formatSentence } from '@rocchetto/core';
import { useMe } from '../../shared/me.ts';

/** A sentence with its lengths in the unit of the one who reads it. */
export function Told({ text }: { text: string }) {
  return <>{formatSentence(text, useMe().unit)}</>;
}
