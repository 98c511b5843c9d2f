import type { Changed } from '@rocchetto/contract/live.ts';
import { useEffect } from 'react';
import { useDispatch } from 'react-redux';
import { api } from '../api/base.ts';
import { invalidatedTags } from './invalidated-tags.ts';

/**
 * Follows what other hands save: one stream for the page, which the browser opens again after a loss. Only what is
 * on a screen is fetched again; a form that is being typed in keeps what stands in it.
 */
export function useLive(signedIn: boolean) {
  const dispatch = useDispatch();
  useEffect(() => {
    if (!signedIn) return;
    const stream = new EventSource('/api/live');
    stream.addEventListener('changed', (e) => {
      const changed = JSON.parse((e as MessageEvent<string>).data) as Changed[];
      dispatch(api.util.invalidateTags(invalidatedTags(changed)));
    });
    // Also when the stream first begins: what was saved between the page's own fetching and now was told to nobody.
    stream.addEventListener('again', () => {
      dispatch(
        api.util.invalidateTags([
          'Client',
          'Order',
          'Sheet',
          'Session',
          'Staff',
          'House',
          'Diary',
          'Alterations',
        ]),
      );
    });
    return () => stream.close();
  }, [signedIn, dispatch]);
}
