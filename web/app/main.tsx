import '@fontsource-variable/source-sans-3/wght.css';
import '@fontsource-variable/brygada-1918/wght.css';
import './look.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { openWithoutNetwork } from '../offline/connection.ts';
import { settleSignOut } from '../places/sign-in/sign-out.ts';
import { router } from './routes.tsx';

// First thing: a sign-out that the server could not be told of is told now.
void settleSignOut();

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <RouterProvider router={router} />
  </StrictMode>,
);
openWithoutNetwork();
