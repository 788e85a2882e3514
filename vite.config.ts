import react from '@vitejs/plugin-react';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

/** The page. `npm run dev` serves it with the API of a running `npm start`. */
export default defineConfig({
  plugins: [react()],
  // The library for PO files asks for the file system in functions that the page never calls.
  resolve: { alias: [{ find: /^fs$/, replacement: fileURLToPath(new URL('web/no-files.ts', import.meta.url)) }] },
  publicDir: 'web/public',
  build: { outDir: 'dist/web', emptyOutDir: true, chunkSizeWarningLimit: 2000, target: 'es2022' },
  worker: { format: 'es' },
  server: { port: 4181, host: '127.0.0.1', proxy: { '/api': { target: 'http://127.0.0.1:4180', changeOrigin: true, headers: { origin: 'http://127.0.0.1:4180' } } } },
});
