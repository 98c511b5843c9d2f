import '@fontsource-variable/source-sans-3/wght.css';
import '@fontsource-variable/brygada-1918/wght.css';
import './look.css';
import { App as AntApp, ConfigProvider } from 'antd';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router/dom';
import { store } from '../api/store.ts';
import { router } from './routes.tsx';
import { theme } from './theme.ts';

// The server puts this answer's nonce into the page; the component library's styles carry it.
const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? '';

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Provider store={store}>
      <ConfigProvider
        theme={theme}
        csp={{ nonce }}
        button={{ autoInsertSpace: false }}
        wave={{ disabled: true }}
      >
        <AntApp component={false}>
          <RouterProvider router={router} />
        </AntApp>
      </ConfigProvider>
    </Provider>
  </StrictMode>,
);
