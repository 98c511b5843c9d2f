import { configureStore } from '@reduxjs/toolkit';
import { api } from './base.ts';

/** Server data lives in the API slice; there is little client state beside it. */
export const store = configureStore({
  reducer: { [api.reducerPath]: api.reducer },
  middleware: (usual) => usual().concat(api.middleware),
});
