import { Router, type Response } from 'express';
import {
  addressOf,
  endpoints,
  mostDifferences,
  type Job,
  type Verdict,
} from '../../core/api/index.ts';
import { expandFamilies } from '../../core/families/index.ts';
import { engineKit, findKit, kitFor } from '../../core/kits/index.ts';
import type { Mod } from '../../core/mod/index.ts';
import { askEngine } from '../../disk/index.ts';
import type { Builder, Builders, Watching } from '../builds/index.ts';
import type { Task, TaskResults } from '../builds/protocol.ts';
import type { Jobs } from '../jobs.ts';
import { Problem } from '../problem.ts';
import type { Store } from '../store/store.ts';
import { serve, serveJson } from './serve-endpoint.ts';

/**
 * Planning a build, building, and comparing single files: all of it long work, as jobs that can be
 * watched and cancelled. And the mod as an archive, made for the browser that loads it.
 */
export function buildRoutes(store: Store, builders: Builders, jobs: Jobs): Router {
  const routes = Router();
  const start = (work: (watching: Watching) => Promise<Job['result']>) => {
    const job = jobs.start((onProgress, signal) => work({ onProgress, signal }));
    return { body: job, location: addressOf(endpoints.getJob, { job: job.id }) };
  };

  serveJson(routes, endpoints.startPlan, async ({ params, body }) => {
    const { kit, ...task } = body;
    const mod = forKit((await store.mod(params.mod)).mod, kit);
    return start((watching) => builders.of(params.mod).run(mod, { do: 'plan', ...task }, watching));
  });

  serveJson(routes, endpoints.startCompare, async ({ params, body }) => {
    const { kit, ...asked } = body;
    const mod = forKit((await store.mod(params.mod)).mod, kit);
    const task = { do: 'compare', ...asked } as const;
    return start((watching) => builders.of(params.mod).run(mod, task, watching));
  });

  serveJson(routes, endpoints.startBuild, async ({ params, body }) => {
    const held = await store.mod(params.mod);
    const { mod, revision } = held;
    const { kit, ...asked } = body;
    const built = forKit(mod, kit);
    return start(async (watching) => {
      const task = { do: 'build', ...asked } as const;
      const plan = await builders.of(params.mod).run(built, task, watching);
      await store.noteBuilt(params.mod, revision, mod);
      return plan;
    });
  });

  serveJson(routes, endpoints.startVerdict, async ({ params }) => {
    const { mod, revision } = await store.mod(params.mod);
    const spread = expandFamilies(mod);
    return start((watching) =>
      verdictOn(builders.of(params.mod), spread, { revision, ...watching }),
    );
  });

  serveJson(routes, endpoints.startWalk, async ({ params }) => {
    const { mod, revision } = await store.mod(params.mod);
    const spread = expandFamilies(mod);
    return start(async (watching) => ({
      revision,
      ...(await builders.of(params.mod).run<'walk'>(spread, { do: 'walk' }, watching)),
    }));
  });

  const archive = async <Kind extends 'pack zip' | 'yard zip' | 'folder zip'>(
    name: string,
    kind: Kind,
    response: Response,
    kit?: string,
  ): Promise<TaskResults[Kind]> => {
    const { mod: declared } = await store.mod(name);
    // The folder of a mod holds what is declared, a pack what comes of it.
    const mod = kind === 'folder zip' ? declared : forKit(declared, kit);
    const stop = new AbortController();
    response.once('close', () => stop.abort());
    const watching = { signal: stop.signal, onProgress: () => undefined };
    return builders.of(name).run<Kind>(mod, { do: kind } as Task & { do: Kind }, watching);
  };
  const sendZip = (response: Response, name: string, bytes: Uint8Array) =>
    response.attachment(name).type('application/zip').send(Buffer.from(bytes));

  serve(routes, endpoints.downloadPack, async ({ params, query, response }) => {
    const { mod, revision } = await store.mod(params.mod);
    const bytes = await archive(params.mod, 'pack zip', response, query.kit);
    await store.noteBuilt(params.mod, revision, mod);
    const { namespace, version } = mod.header;
    const { ending } = kitFor(forKit(mod, query.kit));
    sendZip(response, `${namespace}-${version}${ending}`, bytes);
  });

  serve(routes, endpoints.downloadYard, async ({ params, response }) => {
    const bytes = await archive(params.mod, 'yard zip', response);
    sendZip(response, `${params.mod}-yard.zip`, bytes);
  });

  serve(routes, endpoints.downloadFolder, async ({ params, response }) => {
    const bytes = await archive(params.mod, 'folder zip', response);
    sendZip(response, `${params.mod}.zip`, bytes);
  });

  serveJson(routes, endpoints.getJob, async ({ params, query }) => ({
    body: await jobs.changed(params.job, query.wait ?? 0),
  }));

  serveJson(routes, endpoints.cancelJob, ({ params }) => ({ body: jobs.cancel(params.job) }));
  return routes;
}

type Header = Mod['header'];
/** Headers with another kit: the same for the same, so that a pack is made once. */
const headersFor = new WeakMap<Header, Map<string, Header>>();

/** The mod, its families spread out, as it is built for a kit. Throws a 422 {@link Problem} for one that there is not. */
function forKit(declared: Mod, kit: string | undefined): Mod {
  const { header } = declared;
  if (kit === undefined || kit === header.kit) return expandFamilies(declared);
  if (!findKit(declared, kit))
    throw new Problem(422, 'No such kit', `There is no kit called ${kit.slice(0, 64)}.`);
  const known = headersFor.get(header) ?? new Map<string, Header>();
  headersFor.set(header, known);
  const other = known.get(kit) ?? { ...header, kit };
  known.set(kit, other);
  return expandFamilies({ ...declared, header: other });
}

/**
 * Lays a mod out for the engine in its thread, has the engine answer, and judges that in the thread
 * again.
 */
async function verdictOn(
  builder: Builder,
  mod: Mod,
  { revision, onProgress, signal }: Watching & { revision: number },
): Promise<Verdict> {
  const { engine } = engineKit;
  const quiet = { signal, onProgress: () => undefined };
  const laid = await builder.run<'lay out'>(mod, { do: 'lay out' }, quiet);
  const heard = await askEngine(engine, laid, { onProgress, signal });
  const judged = await builder.run<'judge'>(mod, { do: 'judge', heard }, quiet);
  const { differences, near } = judged;
  return {
    engine: engine.title,
    revision,
    checks: laid.checks,
    asked: [...laid.asked].map(([sort, checks]) => ({ sort, checks })),
    many: differences.length,
    differences: differences.slice(0, mostDifferences),
    near,
  };
}
