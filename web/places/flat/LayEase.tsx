import type { FlatView } from '@rocchetto/contract';
import { specReading } from '@rocchetto/contract/spec-reading.ts';
import { cm, resolveAll, type SheetUnit } from '@rocchetto/core';
import { bodySeen, type Room } from '@rocchetto/core/compare/ease-seen.ts';
import { useSheetQuery } from '../../api/sheets.ts';
import { EaseSeen } from '../../parts/ease/EaseSeen.tsx';

/** Which level of the body a half that lies flat goes round. */
const LEVEL: Readonly<Record<string, string>> = {
  'half-chest': 'bust',
  'half-underbust': 'underbust',
  'half-waist': 'waist',
  'half-hip': 'hip',
};

interface Props {
  readonly orderId: number;
  /** the order has a brief, and with it a sheet */
  readonly drafted: boolean;
  readonly lay: FlatView;
  readonly unit: SheetUnit;
}

/** The piece on the table around the body, and what is wanted of it. */
export default function LayEase({ orderId, drafted, lay, unit }: Props) {
  const { data: view } = useSheetQuery({ id: orderId, revision: null }, { skip: !drafted });
  if (drafted && (!view || view.spec.readings.length === 0)) return null;
  const measured = new Map(
    view
      ? [...resolveAll(view.spec.readings.map((r, i) => specReading(r, i, view.spec)))].map(([id, m]) => [
          id,
          m.net,
        ])
      : [],
  );
  // Without a sheet the body is known where the table has it.
  for (const { point, body } of lay.rows)
    if (point.body && point.half && body !== null && !measured.has(point.body))
      measured.set(point.body, cm(2 * body));
  const rooms = (of: 'flat' | 'should') =>
    lay.rows.flatMap((r): Room[] => {
      const [id, is] = [LEVEL[r.point.id], r[of]];
      return id === undefined || is === null || r.body === null || r.flat === null
        ? []
        : [{ id, ease: cm(2 * (is - r.body)), front: null, back: null, least: null }];
    });
  return (
    <EaseSeen
      levels={bodySeen((id) => measured.get(id) ?? null).levels}
      drawn={`the ${lay.of}`}
      rooms={rooms('flat')}
      was={rooms('should')}
      wasIs={['wanted', 'as it is wanted']}
      unit={unit}
    />
  );
}
