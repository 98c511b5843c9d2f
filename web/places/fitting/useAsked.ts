import type { AlterationView, OrderAlterations } from '@rocchetto/contract';
import { AskedWire, toAsked, writtenOf } from '@rocchetto/contract/alterations.ts';
import { formatSentence, type SheetUnit } from '@rocchetto/core';
import {
  type Asked,
  amountSaid,
  type Box,
  CannotAlter,
  findGarmentKind,
  findKind,
  genericBoxes,
  stands,
  undone,
} from '@rocchetto/core/alter/index.ts';
import { useDeferredValue, useMemo } from 'react';
import { type Draft, wireOf } from './draft.ts';
import { type Garment, useTrial } from './useTrial.ts';

const NONE_SAID: readonly string[] = [];
/** So little that any garment that bears the kind gives it. */
const LITTLE = '0.2 cm';

interface Of {
  readonly draft: Draft;
  readonly unit: SheetUnit;
  readonly garment: Garment | null;
  readonly came: OrderAlterations['broughtIn'];
  readonly alterations: readonly AlterationView[];
  /** the one that is being changed, if any */
  readonly editing: number | null;
}

/** What is being written as it would be asked: what it would make, what the amount comes to, what of before it undoes. */
export function useAsked({ draft, unit, garment, came, alterations, editing }: Of) {
  const asked = useMemo(() => {
    const wire = wireOf(draft, unit);
    return wire === null ? null : AskedWire.safeParse(wire);
  }, [draft, unit]);
  // Before an amount is written the garment is shown as it is now, at what a little of this kind would touch.
  const little = useMemo(() => {
    if (asked === null || asked.success || draft.amount.trim() !== '') return null;
    const wire = AskedWire.safeParse(wireOf({ ...draft, amount: LITTLE }, unit));
    return wire.success ? wire.data : null;
  }, [asked, draft, unit]);
  // Typing comes first; what it would make follows.
  const tried = useTrial(garment, useDeferredValue(asked?.success ? asked.data : little));
  const waiting = little !== null;
  const said = useMemo(() => {
    if (!asked?.success) return '';
    const what = toAsked(asked.data);
    const boxes = came ? boxesOf(came, what) : tried && 'trial' in tried ? tried.trial.applied.boxes : [];
    const panels = tried && 'trial' in tried ? tried.trial.applied.right : [];
    const ringOf = (id: string) => {
      const p = panels.find((x) => x.id === id);
      return p?.ring ?? id.split('.')[0]!;
    };
    return formatSentence(amountSaid(what, boxes, writtenOf(asked.data), ringOf), unit);
  }, [asked, tried, came, unit]);
  const undoes = useMemo(() => {
    if (!asked?.success || !tried || 'refused' in tried) return NONE_SAID;
    const earlier = alterations
      .filter((a) => a.id !== editing && (a.status === 'asked' || stands(a.status)))
      .map((a) => ({ sentence: a.sentence, kind: findKind(a.asked.kind)!, boxes: a.boxes }));
    return undone(toAsked(asked.data), tried.trial.applied.boxes, earlier);
  }, [asked, tried, alterations, editing]);
  return { asked, tried, said, undoes, waiting };
}

/** The pieces of a garment that was brought in, by its kind; none where it has no such seam. */
function boxesOf(came: NonNullable<Of['came']>, what: Asked): readonly Box[] {
  const kind = findGarmentKind(came.kind);
  try {
    return kind ? genericBoxes({ kind, lined: came.lined }, what) : [];
  } catch (error) {
    if (!(error instanceof CannotAlter)) throw error;
    return [];
  }
}
