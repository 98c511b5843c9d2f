import { useSyncExternalStore } from 'react';
import { useLocation } from 'react-router';
import { whose } from '../../offline/author.ts';
import { Notice } from '../../shared/Notice.tsx';
import { useLater } from '../../shared/useLater.ts';
import { fittingOutbox } from './useFittingOutbox.ts';
import { outbox, useKept } from './useReadingsOutbox.ts';

const load = () => import('./RefusedList.tsx');

/**
 * Wherever a hand is: what it wrote on this device, without the network perhaps, and the studio would not take later. At
 * the tape and the fitting it belongs to it stands in the page itself.
 */
export function Refusals() {
  const { pathname } = useLocation();
  const kept = useKept();
  const waiting = useSyncExternalStore(fittingOutbox().subscribe, fittingOutbox().snapshot);
  const readings = kept.filter(
    (k) =>
      k.refused !== '' &&
      whose(k.by) === 'mine' &&
      pathname !== `/orders/${outbox().orderOf(k.sessionId)}/measure`,
  );
  const writes = waiting.filter(
    (w) => w.refused !== '' && whose(w.by) === 'mine' && pathname !== `/orders/${w.orderId}/fitting`,
  );
  const any = readings.length + writes.length > 0;
  const List = useLater(load, any);
  if (!any || !List) return null;
  return (
    <div className="refusals noprint">
      <Notice tone="bad">
        <p>Not saved in the studio. It is still on this device:</p>
        <List readings={readings} writes={writes} />
      </Notice>
    </div>
  );
}
