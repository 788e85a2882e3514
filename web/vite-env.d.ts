/** What Vite says of how the page is served. */
interface ImportMetaEnv {
  /** True under `npm run dev`; what stands behind it is left out of a build. */
  readonly DEV: boolean;
}
interface ImportMeta {
  readonly env: ImportMetaEnv;
}
