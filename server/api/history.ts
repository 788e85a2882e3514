import { Router } from 'express';
import { endpoints } from '../../core/api/index.ts';
import { Problem } from '../problem.ts';
import type { History } from '../store/history.ts';
import { authorOf } from './requests.ts';
import { serveJson } from './serve-endpoint.ts';

/** What was done to a mod, and going back to it. */
export function historyRoutes(history: History): Router {
  const routes = Router();

  serveJson(routes, endpoints.listHistory, async ({ params, query }) => ({
    body: await history.lines(params.mod, query),
  }));

  serveJson(routes, endpoints.getModThen, async ({ params }) => {
    const revision = revisionIn(params.revision);
    return { body: { revision, mod: await history.modAt(params.mod, revision) } };
  });

  serveJson(routes, endpoints.namePoint, async ({ params, body: { revision, name } }) => {
    await history.namePoint(params.mod, revision, name);
    return { body: (await history.lines(params.mod, {})).points };
  });

  serveJson(routes, endpoints.bringBack, async ({ params, body, baseRevision, request }) => {
    const logged = await history.bringBack(params.mod, baseRevision, authorOf(request), body);
    return { body: logged, revision: logged.revision };
  });
  return routes;
}

/** A revision in an address. Throws a 404 {@link Problem} for what is none. */
function revisionIn(text: string): number {
  if (/^\d{1,15}$/.test(text)) return Number(text);
  throw new Problem(404, 'No such revision', `"${text.slice(0, 40)}" is no revision.`);
}
