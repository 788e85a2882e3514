import { Router } from 'express';
import { z } from 'zod';
import { kitNamed } from '../../core/kits/index.ts';
import { planBuild, writeBuild } from '../../disk/index.ts';
import { filesAt } from '../../disk/plan.ts';
import { Problem } from '../problem.ts';
import type { Jobs } from '../jobs.ts';
import type { Store } from '../store/store.ts';
import { bodyOf, route } from './answers.ts';

export const PlanBody = z.strictObject({ target: z.string().min(1).max(1000) });
export const BuildBody = z.strictObject({ target: z.string().min(1).max(1000), agreed: z.string().max(100).optional().meta({ description: 'The id of the plan that was shown, when it asks something.' }) });

/** Planning a build, building as a job that can be watched and cancelled, and single files for comparing. */
export function buildRoutes(store: Store, jobs: Jobs): Router {
  const routes = Router();
  const built = async (name: string) => {
    const { mod } = await store.mod(name);
    return kitNamed(mod.header.kit).write(mod, await store.blobsOf(mod));
  };

  routes.post('/mods/:mod/plan', route(async (request, response) => {
    const { target } = bodyOf(request, PlanBody);
    response.json(await planBuild(target, await built(request.params['mod'] as string)));
  }));

  routes.post('/mods/:mod/compare', route(async (request, response) => {
    const { target, path } = bodyOf(request, PlanBody.extend({ path: z.string().max(300) }));
    const files = await built(request.params['mod'] as string);
    const plan = await planBuild(target, files);
    if (!plan.files.some((file) => file.path === path)) throw new Problem(404, 'No such file', `${path} is no part of this build.`);
    const there = (await filesAt(plan.target, plan.kind))?.get(path);
    const text = (bytes: Uint8Array | undefined) => (bytes === undefined || !/\.(json|ts)$/.test(path) ? undefined : new TextDecoder().decode(bytes));
    response.json({ path, before: text(there), after: text(files.get(path)) });
  }));

  routes.post('/mods/:mod/builds', route(async (request, response) => {
    const { target, agreed } = bodyOf(request, BuildBody);
    const name = request.params['mod'] as string;
    const { revision } = await store.mod(name);
    const files = await built(name);
    const plan = await planBuild(target, files);
    if (plan.ask && agreed !== plan.id) throw new Problem(409, 'Not agreed', `${plan.ask} Nothing was written.`, { plan });
    const job = jobs.start(async (onProgress, signal) => {
      const done = await writeBuild(target, files, { agreed, onProgress, signal });
      await store.noteBuilt(name, revision);
      return done;
    });
    response.status(202).location(`/api/jobs/${job.id}`).json(job);
  }));

  routes.get('/jobs/:job', route((request, response) => void response.json(jobs.get(request.params['job'] as string))));
  routes.delete('/jobs/:job', route((request, response) => void response.json(jobs.cancel(request.params['job'] as string))));
  return routes;
}
