import type { SheetView } from '@rocchetto/contract';
import { specReading } from '@rocchetto/contract/spec-reading.ts';
import { type Kept, resolveAll, type SheetUnit } from '@rocchetto/core';
import { bodySeen, roomsOf } from '@rocchetto/core/compare/ease-seen.ts';
import { EaseSeen } from '../../parts/ease/EaseSeen.tsx';

interface Props {
  readonly view: SheetView;
  readonly sheet: Kept;
  readonly unit: SheetUnit;
}

/** The ease of the sheet's garment around the body, for the client to see and to take along. */
export default function Ease({ view: { spec }, sheet, unit }: Props) {
  const measured = resolveAll(spec.readings.map((r, i) => specReading(r, i, spec)));
  const net = (id: string) => measured.get(id)?.net ?? null;
  const { levels } = bodySeen(net);
  const rooms = roomsOf(sheet, net, spec.garment.cloth);
  if (levels.length < 2 || !levels.some((l) => rooms.some((r) => r.id === l.id)))
    return (
      <p className="soft">
        The drawing appears when two girths between bust and hip are measured that the garment goes round.
      </p>
    );
  return (
    <>
      <EaseSeen levels={levels} of="the garment" rooms={rooms} unit={unit} />
      <p className="noprint">
        <button type="button" className="plain" onClick={() => window.print()}>
          Print for the client
        </button>
      </p>
    </>
  );
}
