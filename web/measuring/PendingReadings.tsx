import { useKept } from './useOutbox.ts';

/** In the band of every page: how many readings of this device still wait to be sent. Being here, they are sent. */
export function PendingReadings() {
  const waiting = useKept().filter((k) => !k.sent).length;
  return (
    <span role="status" className="pending">
      {waiting > 0 && `${waiting} ${waiting === 1 ? 'reading waits' : 'readings wait'} to be sent`}
    </span>
  );
}
