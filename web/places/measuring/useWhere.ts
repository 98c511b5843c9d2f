import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';

/**
 * Where on the list the tape is, and what is taken besides the list. Both change on the page at once and the address
 * follows, so that a reload loses nothing: it is drawn when there is time, and the next figure of a fast hand would
 * go to the measurement before.
 */
export function useWhere() {
  const [params, setParams] = useSearchParams();
  const [{ place, also }, set] = useState(() => ({
    place: params.get('at'),
    also: params.get('also') ?? '',
  }));
  const list = params.get('list');
  const extra = useMemo(() => also.split(',').filter(Boolean), [also]);
  const goTo = (to: string, besides = also) => {
    set({ place: to, also: besides });
    setParams(
      // By which list a client is measured without an order stays in the address too.
      { ...(list ? { list } : null), ...(besides ? { also: besides } : null), at: to },
      { replace: true },
    );
  };
  return { place, extra, goTo };
}
