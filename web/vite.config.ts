import { fileURLToPath } from 'node:url';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** Files that are there together, each as one: what a page asks for is then tens of files and not a hundred. */
const TOGETHER: readonly (readonly [name: string, of: RegExp])[] = [
  ['component-library', /node_modules\/(antd|@rc-component|@ant-design|@babel\/runtime|clsx)\//],
  // What every page of the house has.
  ['rooms', /web\/shared\/(Place|Facts|useLater|useSettled|me)\.tsx?$|contract\/may\.ts$/],
  ['sheet-input', /web\/parts\/garment\/usePartsOf|contract\/(to-core|spec-reading|parse-length)\.ts$/],
  ['endpoints', /web\/api\/(?!(base|store|in-line|intent|own-steps)\.)[\w-]+\.ts$/],
  // What the parts share, by what hangs from the shoulder, goes round a leg, falls free, and the rest; the lists draw the
  // silhouette too.
  [
    'uppers-common',
    /core\/garment\/common\/(bodice\/|neck-and-armhole|neck-wide|top|upper-figures|cap|armhole-sewn|head-passes)/,
  ],
  ['legs-common', /core\/garment\/common\/leg/],
  ['falling-common', /core\/garment\/common\/(free-|joint)/],
  [
    'parts-common',
    /core\/garment\/common\/(?!silhouette|bodice\/|neck-and-armhole|neck-wide|top|upper-figures|cap|armhole-sewn|head-passes|leg|free-|joint)/,
  ],
];

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
        description: 'Measurements, sheets and fittings for the workroom',
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
  build: {
    target: 'es2022',
    sourcemap: false,
    chunkSizeWarningLimit: 900,
    assetsInlineLimit: 0,
    rolldownOptions: {
      output: {
        codeSplitting: {
          // What they need stays where it is: the door must not bring the house with it.
          includeDependenciesRecursively: false,
          groups: TOGETHER.map(([name, test]) => ({ name, test })),
        },
        strictExecutionOrder: true,
      },
    },
  },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.API_PORT ?? 4180}` } },
});
