import '@fontsource/ibm-plex-sans/400.css';
import '@fontsource/ibm-plex-sans/500.css';
import '@fontsource/ibm-plex-sans/600.css';
import '@fontsource/ibm-plex-mono/400.css';
import '@fontsource/ibm-plex-mono/600.css';
import '@mantine/core/styles.css';
import '@mantine/notifications/styles.css';
import '@mantine/spotlight/styles.css';
import './styles.css';

// The code is made ready in pieces, each in a task of its own, so that the browser is never kept
// waiting for long: what a mod is, what is written of it and asked of it, and the page over all.
await import('../core/mod/index.ts');
await import('../core/kits/index.ts');
await import('../core/inspect/index.ts');
const { start } = await import('./start.tsx');
start();
