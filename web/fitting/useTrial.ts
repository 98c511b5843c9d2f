import type { AlterationView, AskedWire, SheetView } from '@rocchetto/contract';
import { toAsked } from '@rocchetto/contract/alterations.ts';
import { toSheetInput, unitOf } from '@rocchetto/contract/to-core.ts';
import { computeSheet, type Sheet, type SheetUnit, tell } from '@rocchetto/core';
import {
  asMade,
  CannotAlter,
  type Halves,
  stands,
  type Trial,
  tryAlteration,
} from '@rocchetto/core/alter/index.ts';
import { useMemo } from 'react';

/** The garment as it is made by now, for trying the next change on; null where its readings may not be read. */
export interface Garment {
  readonly sheet: Sheet;
  readonly now: Halves;
  readonly cut: boolean;
  readonly unit: SheetUnit;
}

export function useGarment(
  view: SheetView | undefined,
  alterations: readonly AlterationView[],
  except: number | null,
): Garment | null {
  const sheet = useMemo(() => (view ? computeSheet(toSheetInput(view.spec)) : null), [view]);
  return useMemo(() => {
    if (!view || !sheet || sheet.panels.length === 0) return null;
    const standing = alterations
      .filter((a) => a.id !== except && stands(a.status))
      .map((a) => toAsked(a.asked));
    const cut = view.status === 'cut';
    return { sheet, now: asMade(sheet, standing), cut, unit: unitOf(view.spec) };
  }, [view, sheet, alterations, except]);
}

export type Tried = { readonly trial: Trial } | { readonly refused: string } | null;

/** What the change would do, worked out here while it is written; null while there is nothing to try. */
export function useTrial(garment: Garment | null, asked: AskedWire | null): Tried {
  return useMemo(() => {
    if (!garment || !asked) return null;
    const what = toAsked(asked);
    if (what.kind.moves.length === 0) return null;
    try {
      return { trial: tryAlteration(garment.sheet, garment.now, what, garment.cut) };
    } catch (error) {
      if (!(error instanceof CannotAlter)) throw error;
      return { refused: tell(error.message, garment.unit) };
    }
  }, [garment, asked]);
}
