import type { FlatView } from '@rocchetto/contract';
import type { SheetUnit } from '@rocchetto/core';
import { lazy, Suspense, useState } from 'react';
import { useAcceptFlatMutation } from '../../api/flat.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

const OnPanels = lazy(() => import('./OnPanels.tsx'));

interface Props {
  readonly orderId: number;
  readonly lay: FlatView;
  readonly row: FlatView['rows'][number];
  readonly may: boolean;
  /** the order has a draft of its own */
  readonly drafted: boolean;
  readonly unit: SheetUnit;
}

/** What can be done with a change: seen on panels, accepted for the piece, or taken back. */
export function ChangeActs({ orderId, lay, row, may, drafted, unit }: Props) {
  const [seen, see] = useState(false);
  const [accept, { error, isLoading }] = useAcceptFlatMutation();
  const { name, id: point } = row.point;
  const kept = lay.changes.find((c) => c.point === point);
  const set = (accepted: boolean) => void accept({ orderId, id: lay.id, point, accepted });
  const drawable = row.asked !== null || row.front !== null;
  const named = <span className="hidden"> of the {name}</span>;
  return (
    <>
      <span className="row">
        {drawable && (
          <ActionButton look="quiet" aria-expanded={seen} onClick={() => see(!seen)}>
            {seen ? 'Hide panels' : 'Show on panels'}
            {named}
          </ActionButton>
        )}
        {may &&
          (kept ? (
            <ActionButton look="quiet" busy={isLoading} onClick={() => set(false)}>
              Take back change{named}
            </ActionButton>
          ) : (
            <ActionButton look="quiet" busy={isLoading} onClick={() => set(true)}>
              Accept change{named}
            </ActionButton>
          ))}
      </span>
      <Problem error={error} />
      {seen && drawable && (
        <Suspense fallback={<p className="soft">Drawing …</p>}>
          <OnPanels orderId={orderId} drafted={drafted} cut={lay.cut} row={row} unit={unit} />
        </Suspense>
      )}
    </>
  );
}
