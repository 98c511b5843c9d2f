// The pages below read briefs of any garment.
import '@rocchetto/core/garment/every-part.ts';
import { Outlet } from 'react-router';
import { Dressed } from '../shared/Dressed.tsx';

/** For routes: every page below may use the component library. */
export const Component = () => (
  <Dressed>
    <Outlet />
  </Dressed>
);
