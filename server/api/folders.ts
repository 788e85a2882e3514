import { Router } from 'express';
import { endpoints } from '../../core/api/index.ts';
import type { Links } from '../linked/links.ts';
import { serveJson } from './serve-endpoint.ts';

/** The folders of this machine that mods live in. */
export function folderRoutes(links: Links): Router {
  const routes = Router();

  serveJson(routes, endpoints.openFolder, async ({ body: { folder } }) => ({
    body: { name: await links.open(folder) },
  }));

  serveJson(routes, endpoints.getFolder, async ({ params }) => ({
    body: await links.state(params.mod),
  }));

  serveJson(routes, endpoints.linkFolder, async ({ params, body: { folder, keep } }) => ({
    body: await links.link(params.mod, folder, keep),
  }));

  serveJson(routes, endpoints.unlinkFolder, async ({ params }) => ({
    body: await links.unlink(params.mod),
  }));

  serveJson(routes, endpoints.chooseSide, async ({ params, body: { units, keep } }) => ({
    body: await links.choose(params.mod, units, keep),
  }));
  return routes;
}
