import type { SheetView } from '@rocchetto/contract';
import { specReading } from '@rocchetto/contract/spec-reading.ts';
import { toBrief, toHouse } from '@rocchetto/contract/to-core.ts';
import { cm, type Kept, resolveAll, type SheetUnit } from '@rocchetto/core';
import { bodySeen, roomsOf, wishedBy } from '@rocchetto/core/compare/ease-seen.ts';
import { useAlterationsQuery } from '../../api/alterations.ts';
import { EaseSeen } from '../../parts/ease/EaseSeen.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

interface Props {
  readonly orderId: number;
  readonly view: SheetView;
  /** something of it was altered at a fitting */
  readonly altered: boolean;
  readonly sheet: Kept;
  readonly unit: SheetUnit;
}

/** The ease of the sheet's garment around the body, for the client to see and to take along. */
export default function Ease({ orderId, view: { spec }, sheet, altered, unit }: Props) {
  const measured = resolveAll(spec.readings.map((r, i) => specReading(r, i, spec)));
  const net = (id: string) => measured.get(id)?.net ?? null;
  const { levels } = bodySeen(net);
  const drafted = roomsOf(
    sheet,
    net,
    spec.garment.cloth,
    wishedBy(toBrief(spec.garment), toHouse(spec.house).ease),
  );
  const { data } = useAlterationsQuery(orderId, { skip: !altered });
  // What was pinned at the fittings: the girths as they are altered, and what of it lies in front.
  const by = (id: string) => {
    const point = data?.points.find((x) => x.id === id || x.id.endsWith(`.${id}`));
    return point?.agreed == null || point.target === null
      ? { all: 0, front: 0 }
      : { all: point.target - point.agreed, front: point.inFront };
  };
  const rooms = drafted.map((r) => {
    const more = by(r.id);
    if (Math.abs(more.all) < 0.05 && Math.abs(more.front ?? 0) < 0.05) return r;
    const front = r.front === null || more.front === null ? null : cm(r.front + more.front);
    const ease = cm(r.ease + more.all);
    return { ...r, ease, front, back: front === null ? null : cm(ease - front) };
  });
  const pinned = rooms.some((r, i) => r !== drafted[i]);
  if (levels.length < 2 || !levels.some((l) => rooms.some((r) => r.id === l.id)))
    return (
      <p className="soft">
        The drawing appears when two girths between bust and hip are measured that the garment goes round.
      </p>
    );
  return (
    <>
      <EaseSeen
        levels={levels}
        drawn="the garment"
        rooms={rooms}
        {...(pinned ? { was: drafted, wasIs: ['before the fitting', 'as the sheet has it'] as const } : {})}
        unit={unit}
      />
      <p className="noprint">
        <ActionButton look="plain" onClick={() => window.print()}>
          Print for the client
        </ActionButton>
      </p>
    </>
  );
}
