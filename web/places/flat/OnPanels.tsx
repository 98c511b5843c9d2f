import { AskedWire, toAsked } from '@rocchetto/contract/alterations.ts';
// How agreed changes are taken into a sheet, so that one with changes can be worked out here.
import '@rocchetto/contract/carried.ts';
import { toSheetInput, unitOf } from '@rocchetto/contract/to-core.ts';
import { computeSheet, tell } from '@rocchetto/core';
import { CannotAlter, halvesOf, tryAlteration } from '@rocchetto/core/alter/index.ts';
import type { FlatAsked } from '@rocchetto/core/compare/flat-asked.ts';
import { useMemo } from 'react';
import { useSheetQuery } from '../../api/sheets.ts';
import { PanelsChanged } from '../../parts/drawings/PanelsChanged.tsx';
import { usePartsOf } from '../../parts/garment/usePartsOf.ts';
import { Waiting } from '../../shared/Place.tsx';

/** A change of what lies flat, drawn on the order's own draft of that garment: before thin, after strong. */
export default function OnPanels({ orderId, asked }: { orderId: number; asked: FlatAsked }) {
  const { data: view, error, refetch } = useSheetQuery({ id: orderId, revision: null });
  const parts = usePartsOf((view?.spec.garment.parts ?? []).map((p) => p.part));
  const ready = view !== undefined && parts.there;
  const drawn = useMemo(() => {
    if (!ready) return null;
    try {
      const sheet = computeSheet(toSheetInput(view.spec));
      const wire = AskedWire.parse({ ...asked, version: 2, amount: `${asked.amount} cm` });
      return tryAlteration(sheet, halvesOf(sheet), toAsked(wire), false).drawn;
    } catch (e) {
      if (!(e instanceof CannotAlter)) throw e;
      return tell(e.message, unitOf(view.spec));
    }
  }, [ready, view, asked]);
  if (drawn === null || !view)
    return <Waiting what="the panels" error={error ?? parts.error} again={error ? refetch : parts.again} />;
  if (typeof drawn === 'string') return <p className="soft">{drawn}</p>;
  return drawn.length === 0 ? (
    <p className="soft">No panel of the sheet shows it.</p>
  ) : (
    <>
      <PanelsChanged drawn={drawn} unit={unitOf(view.spec)} />
      <p className="soft">
        On this order’s own draft, to show where; the piece on the table has its own lines.
      </p>
    </>
  );
}
