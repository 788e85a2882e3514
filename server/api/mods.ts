import { Router } from 'express';
import { endpoints } from '../../core/api/index.ts';
import type { Links } from '../linked/links.ts';
import { Problem } from '../problem.ts';
import type { Store } from '../store/store.ts';
import { sendEvents } from './events.ts';
import { authorOf } from './requests.ts';
import { serve, serveJson } from './serve-endpoint.ts';

/** So many edits of the log are answered when nobody says where to begin. */
const usualEdits = 100;

/** One mod and its edits. */
export function modRoutes(store: Store, links: Links): Router {
  const routes = Router();

  serveJson(routes, endpoints.getMod, async ({ params }) => {
    const { mod, revision, built, undo, redo, unfit } = await store.mod(params.mod);
    const steps = { undo: undo?.label, redo: redo?.label };
    return { body: { revision, built, ...steps, unfit, mod }, revision };
  });

  serveJson(routes, endpoints.getBaseline, async ({ params }) => ({
    body: await store.baseline(params.mod),
  }));

  serveJson(routes, endpoints.listEdits, async ({ params, query }) => {
    const { revision } = await store.mod(params.mod);
    const after = query.after ?? Math.max(0, revision - usualEdits);
    return { body: await store.log(params.mod, after), revision };
  });

  serveJson(routes, endpoints.edit, async ({ params, body, baseRevision, request }) => {
    const logged = await store.edit(params.mod, baseRevision, authorOf(request), body);
    return { body: logged, revision: logged.revision };
  });

  for (const kind of ['undo', 'redo'] as const)
    serveJson(routes, endpoints[kind], async ({ params, baseRevision, request }) => {
      const logged = await store.undoOrRedo(params.mod, baseRevision, authorOf(request), kind);
      return { body: logged, revision: logged.revision };
    });

  serve(routes, endpoints.streamEvents, ({ params, request, response }) =>
    sendEvents({ store, links }, params.mod, request, response),
  );
  return routes;
}

/** Pictures and sounds. */
export function blobRoutes(store: Store): Router {
  const routes = Router();

  serveJson(routes, endpoints.uploadPicture, async ({ bytes }) => ({
    body: await store.addPicture(bytes),
  }));

  serveJson(routes, endpoints.uploadSound, async ({ bytes }) => ({
    body: await store.addSound(bytes),
  }));

  serve(routes, endpoints.getBlob, async ({ params, response }) => {
    const blob = await store.blob(params.sha256);
    if (!blob)
      throw new Problem(404, 'No such picture or sound', 'There is nothing with this digest.');
    response
      .set('Cache-Control', 'public, max-age=31536000, immutable')
      .type(blob.type)
      .send(blob.bytes);
  });
  return routes;
}
