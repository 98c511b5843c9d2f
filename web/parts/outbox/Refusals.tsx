import { useLocation } from 'react-router';
import { Notice } from '../../shared/Notice.tsx';
import { useLater } from '../../shared/useLater.ts';
import { readings, useRefused } from './queue.ts';

const load = () => import('./RefusedList.tsx');

/**
 * Wherever a hand is: what it wrote on this device, without the network perhaps, and the studio would not take later. At
 * the tape and the fitting it belongs to it stands in the page itself.
 */
export function Refusals() {
  const { pathname } = useLocation();
  const refused = useRefused();
  const told = {
    readings: refused.readings.filter(
      (k) => pathname !== `/orders/${readings().orderOf(k.sessionId)}/measure`,
    ),
    writes: refused.writes.filter((w) => pathname !== (w.at ?? `/orders/${w.orderId}/fitting`)),
  };
  const any = told.readings.length + told.writes.length > 0;
  const List = useLater(load, any);
  if (!any || !List) return null;
  return (
    <div className="refusals noprint">
      <Notice tone="bad">
        <p>Not saved in the studio. It is still on this device:</p>
        <List {...told} />
      </Notice>
    </div>
  );
}
