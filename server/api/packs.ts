import { Router } from 'express';
import { endpoints } from '../../core/api/index.ts';
import { packAt, saveChanges } from '../../disk/index.ts';
import { serve, serveJson } from './serve-endpoint.ts';

/** Packs from elsewhere that lie on this machine: read whole, and saved back file by file. */
export function packRoutes(): Router {
  const routes = Router();
  serve(routes, endpoints.readPack, async ({ body, response }) => {
    const zip = await packAt(body.path);
    response.type('application/zip').send(Buffer.from(zip));
  });
  serveJson(routes, endpoints.savePack, async ({ body: { path, changes } }) => {
    await saveChanges(
      path,
      changes.map(({ after, ...change }) => ({
        ...change,
        after: after === undefined ? undefined : Buffer.from(after, 'base64'),
      })),
    );
    return { body: { saved: changes.length } };
  });
  return routes;
}
