import '@fontsource-variable/source-sans-3/wght.css';
import '@fontsource-variable/brygada-1918/wght.css';
import './look.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { openWithoutNetwork } from '../offline/connection.ts';
import { router } from './routes.tsx';

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <RouterProvider router={router} />
  </StrictMode>,
);
openWithoutNetwork();
