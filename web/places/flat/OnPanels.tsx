import type { FlatView } from '@rocchetto/contract';
import { AskedWire, toAsked } from '@rocchetto/contract/alterations.ts';
// How agreed changes are taken into a sheet, so that one with changes can be worked out here.
import '@rocchetto/contract/carried.ts';
import { genericSpec, withFront } from '@rocchetto/contract/flat-draft.ts';
import type { SpecFile } from '@rocchetto/contract/spec.ts';
import { toSheetInput } from '@rocchetto/contract/to-core.ts';
import { computeSheet, type SheetUnit } from '@rocchetto/core';
import { CannotAlter, halvesOf, tryAlteration } from '@rocchetto/core/alter/index.ts';
import { GENERIC_PARTS } from '@rocchetto/core/compare/generic.ts';
import { panelsMoved } from '@rocchetto/core/compare/what-moved.ts';
import type { DrawnPanel } from '@rocchetto/core/draft/drawn-panel.ts';
import type { FlatCut } from '@rocchetto/core/measures/flat/flat-points.ts';
import { useMemo } from 'react';
import { useSheetQuery } from '../../api/sheets.ts';
import { PanelsChanged } from '../../parts/drawings/PanelsChanged.tsx';
import { usePartsOf } from '../../parts/garment/usePartsOf.ts';
import { Waiting } from '../../shared/Place.tsx';

type Row = FlatView['rows'][number];
interface Props {
  readonly orderId: number;
  /** the order has a brief, and with it a draft of its own */
  readonly drafted: boolean;
  readonly cut: FlatCut;
  readonly row: Row;
  readonly unit: SheetUnit;
}

/** The panels of a draft that the change moves; none where it shows there nothing, or cannot be made. */
function drawnOn(spec: SpecFile, { asked, front }: Row): readonly DrawnPanel[] {
  if (front !== null) {
    const both = withFront(spec, front)?.map((s) => computeSheet(toSheetInput(s)));
    if (!both) return [];
    const [before, after] = both.map((s) =>
      s.panels.filter((p) => p.layer === 'outer' && p.share === 'front'),
    );
    // What only follows by less than a pencil’s line is not shown as changed.
    return panelsMoved(before!, after!).filter((p) => p.amounts.length > 0);
  }
  if (asked === null) return [];
  const sheet = computeSheet(toSheetInput(spec));
  const wire = AskedWire.parse({ ...asked, version: 2, amount: `${asked.amount} cm` });
  try {
    return tryAlteration(sheet, halvesOf(sheet), toAsked(wire), false).drawn;
  } catch (e) {
    if (e instanceof CannotAlter) return [];
    throw e;
  }
}

/** A change of what lies flat, drawn on the order's own draft, else on one of that garment: before thin, after strong. */
export default function OnPanels({ orderId, drafted, cut, row, unit }: Props) {
  const { data: view, error, refetch } = useSheetQuery({ id: orderId, revision: null }, { skip: !drafted });
  const own = view?.spec;
  const parts = usePartsOf([...(own?.garment.parts ?? []).map((p) => p.part), ...GENERIC_PARTS[cut]]);
  const ready = parts.there && (own !== undefined || !drafted);
  const drawn = useMemo(() => {
    if (!ready) return null;
    const here = own ? drawnOn(own, row) : [];
    if (here.length > 0) return { panels: here, on: 'own' as const };
    return { panels: drawnOn(genericSpec(cut, own?.house), row), on: 'generic' as const };
  }, [ready, own, cut, row]);
  if (drawn === null)
    return <Waiting what="the panels" error={error ?? parts.error} again={error ? refetch : parts.again} />;
  if (drawn.panels.length === 0) return <p className="soft">No panel shows it.</p>;
  return (
    <>
      <PanelsChanged drawn={drawn.panels} unit={unit} />
      <p className="soft">
        {drawn.on === 'own'
          ? 'On this order’s own draft, to show where; the piece on the table has its own lines.'
          : `On a draft of ${DRAFT_OF[cut]} in a middle size, to show where; the piece on the table has its own lines.`}
        {row.front !== null && ' Drafted anew for that bust, so its dart is as wide as it then must be.'}
      </p>
    </>
  );
}
const DRAFT_OF: Readonly<Record<FlatCut, string>> = {
  'set-in': 'a dress',
  raglan: 'a dress with sleeves set in',
  strapless: 'a boned bodice with a skirt',
  skirt: 'a straight skirt',
  trousers: 'trousers',
};
