import { useEffect } from 'react';
import { useDispatch } from 'react-redux';
import { api, LIST } from '../api/base.ts';

type Changed = readonly [what: string, id: string | number, version: number];
type Tag = Parameters<typeof api.util.invalidateTags>[0][number];

/** What on the screens hangs on a change. */
const tagsOf = ([what, id]: Changed): Tag[] => {
  switch (what) {
    case 'client':
      return [
        { type: 'Client', id: Number(id) },
        { type: 'Client', id: LIST },
      ];
    case 'order':
      return [
        { type: 'Order', id: Number(id) },
        { type: 'Order', id: LIST },
        { type: 'Sheet', id: Number(id) },
      ];
    case 'session':
      return [{ type: 'Session', id: String(id) }];
    case 'staff':
      return ['Staff'];
    case 'house':
      return ['House', 'Me', 'Sheet', 'Diary', { type: 'Order', id: LIST }];
    case 'alterations':
      return [
        { type: 'Alterations', id: Number(id) },
        { type: 'Order', id: Number(id) },
        { type: 'Alterations', id: LIST },
      ];
    case 'diary':
      return ['Diary'];
    default:
      return [];
  }
};

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
      dispatch(api.util.invalidateTags(changed.flatMap(tagsOf)));
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
