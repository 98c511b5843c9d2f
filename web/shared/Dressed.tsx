import { App as AntApp, ConfigProvider } from 'antd';
import type { ReactNode } from 'react';
import { theme } from './theme.ts';

// The server puts this answer's nonce into the page; the component library's styles carry it.
const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? '';

/** The component library in the workroom's dress, around what uses it. Pages that do without it do not load it. */
export const Dressed = ({ children }: { children: ReactNode }) => (
  <ConfigProvider theme={theme} csp={{ nonce }} button={{ autoInsertSpace: false }} wave={{ disabled: true }}>
    <AntApp component={false}>{children}</AntApp>
  </ConfigProvider>
);
