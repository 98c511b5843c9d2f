import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  html: { cspNonce: 'CSP_NONCE_GOES_HERE' },
  build: { target: 'es2022', sourcemap: false, chunkSizeWarningLimit: 900, assetsInlineLimit: 0 },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.API_PORT ?? 4180}` } },
});
