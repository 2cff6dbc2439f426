import react from '@vitejs/plugin-react';
import { defaultClientConditions, defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

export default defineConfig({
  plugins: [
    react(),
    // The pages are kept on the device, so that a station can be reloaded without a network.
    VitePWA({
      registerType: 'prompt',
      injectRegister: null,
      manifest: {
        name: 'Ample Crane',
        short_name: 'Ample Crane',
        start_url: '/stations',
        display: 'standalone',
        background_color: '#F7F4ED',
        theme_color: '#FFFDF8',
        icons: [{ src: '/crane.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api/],
        maximumFileSizeToCacheInBytes: 4_000_000,
        // A picture of a step sheet is never another under the same name.
        runtimeCaching: [
          {
            urlPattern: /\/api\/sheet-pictures\//,
            handler: 'CacheFirst',
            options: { cacheName: 'sheet-pictures', expiration: { maxEntries: 300 } },
          },
        ],
      },
    }),
  ],
  // The core is bundled from its source: nothing to build first.
  resolve: { conditions: ['source', ...defaultClientConditions] },
  worker: { format: 'es' },
  build: { target: 'es2022', sourcemap: false, chunkSizeWarningLimit: 1500, manifest: true },
  server: { port: 5173, proxy: { '/api': process.env['API_URL'] ?? 'http://127.0.0.1:3000' } },
});
