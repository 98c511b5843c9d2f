import { fileURLToPath } from 'node:url';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

export default defineConfig({
  plugins: [
    react(),
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'offline',
      filename: 'sw.ts',
      injectRegister: null,
      manifest: {
        name: 'Rocchetto',
        short_name: 'Rocchetto',
        description: 'The studio’s book',
        start_url: '/',
        display: 'standalone',
        background_color: '#f7f3ea',
        icons: [{ src: '/favicon.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      injectManifest: { globPatterns: ['assets/*.{js,css,woff2}', 'favicon.svg'] },
    }),
  ],
  // Pages bring the garment parts that they need, instead of all of them with the first.
  resolve: {
    alias: [
      {
        find: /^@rocchetto\/core$/,
        replacement: fileURLToPath(new URL('../core/without-parts.ts', import.meta.url)),
      },
    ],
  },
  html: { cspNonce: 'CSP_NONCE_GOES_HERE' },
  build: { target: 'es2022', sourcemap: false, chunkSizeWarningLimit: 900, assetsInlineLimit: 0 },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.API_PORT ?? 4180}` } },
});
