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

/** The piece on the table around the body, and what is wanted of it. */
export default function LayEase({ orderId, lay, unit }: { orderId: number; lay: FlatView; unit: SheetUnit }) {
  const { data: view } = useSheetQuery({ id: orderId, revision: null });
  if (!view || view.spec.readings.length === 0) return null;
  const { spec } = view;
  const measured = resolveAll(spec.readings.map((r, i) => specReading(r, i, spec)));
  const rooms = (of: 'flat' | 'should') =>
    lay.rows.flatMap((r): Room[] => {
      const [id, is] = [LEVEL[r.point.id], r[of]];
      return id === undefined || is === null || r.body === null || r.flat === null
        ? []
        : [{ id, ease: cm(2 * (is - r.body)), front: null, back: null, least: null }];
    });
  return (
    <EaseSeen
      levels={bodySeen((id) => measured.get(id)?.net ?? null).levels}
      of={`the ${lay.of}`}
      rooms={rooms('flat')}
      was={rooms('should')}
      wasIs={['wanted', 'as it is wanted']}
      unit={unit}
    />
  );
}
