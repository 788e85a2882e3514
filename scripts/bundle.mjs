// Bundles TypeScript entries for Node with Vite. Imported only once the packages are there.
import { build } from 'vite';

/**
 * Packages of many small modules that every command loads. Bundled with what of them is used they
 * are there in half the time; all others stay outside and are found in node_modules.
 */
const takenIn = ['zod', 'culori', 'diff', 'fflate', 'fast-png', /^@noble\/hashes/, 'jsonc-parser'];

/**
 * Writes `<out>/<name>.mjs` for each entry; most packages stay outside and are found in node_modules. With `watch` it goes on whenever a
 * source changes, and gives Rollup's watcher.
 */
export function bundle(entries, out, { watch = false } = {}) {
  return build({
    configFile: false,
    logLevel: 'warn',
    build: {
      ssr: true,
      outDir: out,
      emptyOutDir: false,
      watch: watch ? {} : null,
      minify: false,
      sourcemap: true,
      target: 'node20',
      rollupOptions: {
        input: entries,
        output: { format: 'esm', entryFileNames: '[name].mjs', chunkFileNames: 'part-[hash].mjs' },
      },
    },
    ssr: { external: true, noExternal: takenIn },
  });
}
