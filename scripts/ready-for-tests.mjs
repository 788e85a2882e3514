// Builds what is out of date before the first browser test, once for all workers.
import { ready } from './ready.mjs';

export default () => ready();
