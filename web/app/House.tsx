import { Provider } from 'react-redux';
import { store } from '../api/store.ts';
import { Frame } from './Frame.tsx';

/** Behind the door: the studio's data, and the frame around every place. */
export function Component() {
  return (
    <Provider store={store}>
      <Frame />
    </Provider>
  );
}
