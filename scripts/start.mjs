// npm start: installs and builds what is missing, then starts the application. Flags are those of `obrank serve`.
import { ready } from './ready.mjs';

await ready();
await import('./serve.mjs');
