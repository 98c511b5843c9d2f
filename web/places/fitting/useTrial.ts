import type { AlterationView, AskedWire, SheetView } from '@rocchetto/contract';
import { AskedWire as AskedShape, handUnit, toAsked } from '@rocchetto/contract/alterations.ts';
// How agreed changes are taken into a sheet, so that one with changes can be worked out here.
import '@rocchetto/contract/carried.ts';
import { toSheetInput, unitOf } from '@rocchetto/contract/to-core.ts';
import { computeSheet, formatSentence, type Sheet, type SheetUnit } from '@rocchetto/core';
import {
  type AlterationKind,
  asMade,
  borneBy,
  borneByKind,
  CannotAlter,
  findGarmentKind,
  findKind,
  type Halves,
  likelyOn,
  stands,
  type Trial,
  tryAlteration,
} from '@rocchetto/core/alter/index.ts';
import { useEffect, useMemo, useState } from 'react';
import type { Offer } from './KindChoice.tsx';

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

/** Tries something small on the garment while nobody waits, so that the first mark is answered as fast as the next. */
function warm({ sheet, now }: Garment, kind: AlterationKind): void {
  const asked = {
    ...toAsked(
      AskedShape.parse({ version: 2, kind: kind.id, direction: kind.directions[0]!.id, amount: '0.3 cm' }),
    ),
  };
  try {
    tryAlteration(sheet, now, asked, false);
  } catch (error) {
    if (!(error instanceof CannotAlter)) throw error;
  }
}

export type Tried = { readonly trial: Trial } | { readonly refused: string } | null;

/** What the change would do, worked out here while it is written; null while there is nothing to try. */
export function useTrial(garment: Garment | null, asked: AskedWire | null): Tried {
  return useMemo(() => {
    if (!garment || !asked) return null;
    const what = toAsked(asked);
    // Work that moves no seam may still have something to lay ready.
    if (what.kind.moves.length === 0 && !what.kind.details) return null;
    try {
      return { trial: tryAlteration(garment.sheet, garment.now, what, garment.cut) };
    } catch (error) {
      if (!(error instanceof CannotAlter)) throw error;
      return { refused: formatSentence(error.message, handUnit(asked) ?? garment.unit) };
    }
  }, [garment, asked]);
}

/** What a garment bears, by its panels as they are by now; of one that was brought in, by its kind; null while neither is known. */
export function useOffer(
  garment: Garment | null,
  came: { readonly kind: string; readonly lined: boolean } | null,
): Offer | null {
  const [offer, setOffer] = useState<Offer | null>(null);
  useEffect(() => {
    if (!garment) return;
    // What is typed meanwhile does not wait: everything is offered until it is known what the garment bears.
    const known = setTimeout(() => {
      const borne = borneBy(garment.sheet, garment.now);
      setOffer({ borne, likely: likelyOn(garment.now, borne) });
    });
    const idle = setTimeout(() => {
      for (const id of WARM) warm(garment, findKind(id)!);
    }, 300);
    return () => {
      clearTimeout(known);
      clearTimeout(idle);
    };
  }, [garment]);
  return useMemo(() => {
    if (garment) return offer;
    const kind = came && findGarmentKind(came.kind);
    return kind ? { borne: borneByKind({ kind, lined: came.lined }), likely: [] } : null;
  }, [garment, offer, came]);
}
/** One of a girth, one of a length: between them they go through nearly all that any other does. */
const WARM = ['side-seams', 'hem-straight', 'side-seams', 'waist', 'side-seams'];
