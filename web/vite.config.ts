import react from '@vitejs/plugin-react';
import { defaultClientConditions, defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  // The core is bundled from its source: nothing to build first.
  resolve: { conditions: ['source', ...defaultClientConditions] },
  worker: { format: 'es' },
  build: { target: 'es2022', sourcemap: false, chunkSizeWarningLimit: 1500, manifest: true },
  server: { port: 5173, proxy: { '/api': process.env['API_URL'] ?? 'http://127.0.0.1:3000' } },
});
