import { Router, type Request, type Response } from 'express';
import { z } from 'zod';
import { kitNamed } from '../../core/kits/index.ts';
import type { Builders, Watching } from '../builds/index.ts';
import type { TaskResults } from '../builds/protocol.ts';
import type { Jobs } from '../jobs.ts';
import { Problem } from '../problem.ts';
import type { Store } from '../store/store.ts';
import { bodyOf, param, route } from './answers.ts';

const target = z.string().min(1).max(1000).meta({
  description: 'A whole path, or one from ~/: a folder, or a file with the ending of the kit.',
});
export const PlanBody = z.strictObject({ target });
export const CompareBody = z.strictObject({
  target,
  path: z.string().max(300).meta({ description: 'A file of the plan.' }),
});
export const BuildBody = z.strictObject({
  target,
  agreed: z
    .string()
    .max(100)
    .optional()
    .meta({ description: 'The id of the plan that was shown, when it asks something.' }),
});

/** So long one may wait for a job at once, in milliseconds. */
const maxWaitMs = 30_000;

/**
 * Planning a build, building, and comparing single files: all of it long work, as jobs that can be
 * watched and cancelled. And the mod as an archive, made for the browser that loads it.
 */
export function buildRoutes(store: Store, builders: Builders, jobs: Jobs): Router {
  const routes = Router();
  const startJob = (response: Response, work: (watching: Watching) => Promise<unknown>) => {
    const job = jobs.start((onProgress, signal) => work({ onProgress, signal }));
    response.status(202).location(`/api/jobs/${job.id}`).json(job);
  };

  routes.post(
    '/mods/:mod/plan',
    route(async (request, response) => {
      const task = { do: 'plan', ...bodyOf(request, PlanBody) } as const;
      const { mod } = await store.mod(param(request, 'mod'));
      startJob(response, (watching) => builders.of(mod.header.namespace).run(mod, task, watching));
    }),
  );

  routes.post(
    '/mods/:mod/compare',
    route(async (request, response) => {
      const task = { do: 'compare', ...bodyOf(request, CompareBody) } as const;
      const { mod } = await store.mod(param(request, 'mod'));
      startJob(response, (watching) => builders.of(mod.header.namespace).run(mod, task, watching));
    }),
  );

  routes.post(
    '/mods/:mod/builds',
    route(async (request, response) => {
      const task = { do: 'build', ...bodyOf(request, BuildBody) } as const;
      const name = param(request, 'mod');
      const { mod, revision } = await store.mod(name);
      startJob(response, async (watching) => {
        const plan = await builders.of(name).run(mod, task, watching);
        await store.noteBuilt(name, revision);
        return plan;
      });
    }),
  );

  const archive =
    (kind: 'pack zip' | 'folder zip') =>
    async (request: Request, response: Response): Promise<TaskResults[typeof kind]> => {
      const { mod } = await store.mod(param(request, 'mod'));
      const stop = new AbortController();
      response.once('close', () => stop.abort());
      return builders
        .of(mod.header.namespace)
        .run(mod, { do: kind }, { signal: stop.signal, onProgress: () => undefined });
    };

  routes.get(
    '/mods/:mod/pack',
    route(async (request, response) => {
      const { mod, revision } = await store.mod(param(request, 'mod'));
      const bytes = await archive('pack zip')(request, response);
      await store.noteBuilt(mod.header.namespace, revision);
      response
        .attachment(
          `${mod.header.namespace}-${mod.header.version}${kitNamed(mod.header.kit).ending}`,
        )
        .type('application/zip')
        .send(Buffer.from(bytes));
    }),
  );

  routes.get(
    '/mods/:mod/folder.zip',
    route(async (request, response) => {
      const bytes = await archive('folder zip')(request, response);
      response
        .attachment(`${param(request, 'mod')}.zip`)
        .type('application/zip')
        .send(Buffer.from(bytes));
    }),
  );

  routes.get(
    '/jobs/:job',
    route(async (request, response) => {
      const wait = Number(request.query['wait'] ?? 0);
      if (!Number.isInteger(wait) || wait < 0 || wait > maxWaitMs)
        throw new Problem(
          400,
          'Query refused',
          `"wait" must be a whole number of milliseconds up to ${maxWaitMs}.`,
        );
      response.json(await jobs.changed(param(request, 'job'), wait));
    }),
  );

  routes.delete(
    '/jobs/:job',
    route((request, response) => void response.json(jobs.cancel(param(request, 'job')))),
  );
  return routes;
}
