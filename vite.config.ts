import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const application = `http://127.0.0.1:${process.env['OBRANK_DEV_PORT'] ?? 4180}`;

/** The page. `npm run dev` serves it beside the server that it watches and starts anew. */
export default defineConfig({
  plugins: [react()],
  publicDir: 'web/public',
  build: { outDir: 'dist/web', emptyOutDir: true, chunkSizeWarningLimit: 2000, target: 'es2022' },
  worker: { format: 'es' },
  server: {
    port: 4181,
    host: '127.0.0.1',
    proxy: {
      '/api': {
        target: application,
        changeOrigin: true,
        headers: { origin: application },
      },
    },
  },
});
