import type { OrderFull } from '@rocchetto/contract';
import { isClosed } from '@rocchetto/core/thread/stage.ts';
import { useState } from 'react';
import { useCancelOrderMutation, useReopenOrderMutation } from '../../api/orders.ts';
import { useDays } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, TextField, Tick } from '../../shared/pieces.tsx';

/** An order that is not wanted any more: cancelled with a reason, and what is booked ahead with it if the hand says so. */
export function CancelOrder({ order, onDone }: { order: OrderFull; onDone: () => void }) {
  const { short, today } = useDays();
  const [cancel, { error, isLoading }] = useCancelOrderMutation();
  const [reason, setReason] = useState('');
  const [also, setAlso] = useState(true);
  const ahead = order.appointments.filter(
    (a) => a.day >= today && (a.status === 'confirmed' || a.status === 'offered'),
  );
  return (
    <form
      className="slip"
      aria-label="Cancel order"
      onSubmit={async (e) => {
        e.preventDefault();
        const done = await cancel({
          id: order.id,
          version: order.version,
          reason,
          appointments: also && ahead.length > 0,
        });
        if ('data' in done) onDone();
      }}
    >
      <p className="row">
        <label htmlFor="cancel-order-reason">Reason for cancelling</label>
        <TextField
          id="cancel-order-reason"
          className="grow"
          maxLength={500}
          autoFocus
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
      </p>
      {ahead.length > 0 && (
        <p>
          <label>
            <Tick checked={also} onChange={(e) => setAlso(e.target.checked)} /> Cancel its appointments too:{' '}
            {ahead.map((a) => `${a.kindName}, ${short(a.day)}, ${a.time}`).join('; ')}
          </label>
        </p>
      )}
      <Problem error={error} />
      <div className="row">
        <ActionButton look="take" type="submit" disabled={reason.trim() === '' || isLoading}>
          Cancel order
        </ActionButton>
        <ActionButton look="quiet" onClick={onDone}>
          Keep order
        </ActionButton>
      </div>
    </form>
  );
}

/** What a cancelled order says at its head, with the way back. */
export function Cancelled({ order, may }: { order: OrderFull; may: boolean }) {
  const [reopen, { error, isLoading }] = useReopenOrderMutation();
  if (order.stage !== 'cancelled') return null;
  return (
    <>
      <Notice>
        This order is cancelled: {order.cancelledReason}{' '}
        {may && (
          <ActionButton
            look="plain"
            busy={isLoading}
            onClick={() => void reopen({ id: order.id, version: order.version })}
          >
            Reopen order
          </ActionButton>
        )}
      </Notice>
      <Problem error={error} />
    </>
  );
}

/** Whether an order can still be cancelled. */
export const mayBeCancelled = (order: OrderFull): boolean => !isClosed(order.stage);
