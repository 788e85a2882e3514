import { existsSync } from 'node:fs';
import path from 'node:path';
import express, { type Express } from 'express';
import type { Logger } from 'pino';
import { allModsRoutes } from './api/all-mods.ts';
import { buildRoutes } from './api/builds.ts';
import { failed } from './api/failed.ts';
import { boundBodies } from './api/bodies.ts';
import { folderRoutes } from './api/folders.ts';
import { historyRoutes } from './api/history.ts';
import { guard, headers } from './api/guard.ts';
import { blobRoutes, modRoutes } from './api/mods.ts';
import { openapi } from './api/openapi.ts';
import { packRoutes } from './api/packs.ts';
import { programRoutes } from './api/programs.ts';
import { yardRoutes } from './api/yards.ts';
import type { Builders } from './builds/index.ts';
import type { Links } from './linked/links.ts';
import { Jobs } from './jobs.ts';
import { maxBodyBytes } from './limits.ts';
import { endpoints, type Endpoint } from '../core/api/index.ts';
import { Problem } from './problem.ts';
import type { NamedPrograms } from './programs.ts';
import type { History } from './store/history.ts';
import type { Store } from './store/store.ts';

/** The addresses that take a file and no JSON. */
const uploadPaths: ReadonlySet<string> = new Set(
  Object.values<Endpoint>(endpoints).flatMap(({ path, upload }) => (upload ? [path] : [])),
);

/** What the server works with. */
interface Parts {
  store: Store;
  links: Links;
  history: History;
  /** The folder of the demo mod. */
  demo: string | undefined;
  builders: Builders;
  programs: NamedPrograms;
  log: Logger;
}

/** The whole server over a store: the API and, from `pages`, the built page. */
export function makeApp(
  { store, links, history, demo, builders, programs, log }: Parts,
  pages: string | undefined,
): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  app.use(guard, headers, boundBodies());
  const asJson = express.json({ limit: maxBodyBytes, strict: true });
  app.use('/api', (request, response, next) => {
    // A revision is the number of a mod in one data folder: at the same address another server may
    // have another mod of that number, which a browser must not take for the one that it kept.
    response.set('Cache-Control', 'no-store');
    if (uploadPaths.has(`/api${request.path}`)) {
      next();
      return;
    }
    if (
      ['POST', 'PUT', 'PATCH'].includes(request.method) &&
      Number(request.headers['content-length'] ?? 0) > 0 &&
      !request.is('application/json')
    )
      throw new Problem(415, 'Not JSON', 'Send the body as application/json.');
    asJson(request, response, next);
  });
  app.get('/api/openapi.json', (_request, response) => void response.json(openapi()));
  app.use(
    '/api',
    allModsRoutes({ store, links, demo }),
    folderRoutes(links),
    historyRoutes(history),
    modRoutes(store, links),
    blobRoutes(store),
    buildRoutes(store, builders, new Jobs(log)),
    packRoutes(),
    programRoutes(programs),
    yardRoutes(store),
  );
  app.use('/api', (request) => {
    throw new Problem(
      404,
      'No such address',
      `There is nothing at ${request.method} ${request.originalUrl.slice(0, 100)}. ` +
        '/api/openapi.json lists what there is.',
    );
  });
  if (pages && existsSync(pages)) {
    app.use(
      '/assets',
      express.static(path.join(pages, 'assets'), {
        immutable: true,
        maxAge: '1y',
        fallthrough: false,
      }),
    );
    app.use(express.static(pages, { index: false }));
    app.use((_request, response) =>
      response.set('Cache-Control', 'no-cache').sendFile(path.join(pages, 'index.html')),
    );
  }
  app.use(failed(log));
  return app;
}
