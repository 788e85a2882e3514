import { endpoints, type Verdict } from '../../core/api/index.ts';
import { asking } from './asked.ts';
import { runJob } from './jobs.ts';

/** Having the engine asked about a mod as the server holds it. */
export const { ask: askEngine, useAsked: useVerdict } = asking<Verdict>((mod, options) =>
  runJob(endpoints.startVerdict, { mod }, undefined, options),
);
