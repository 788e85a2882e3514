import { Router } from 'express';
import { endpoints } from '../../core/api/index.ts';
import type { Store } from '../store/store.ts';
import { leaveWorld, readWorld } from '../store/yards.ts';
import { serveJson } from './serve-endpoint.ts';

/** The worlds of the Yard, kept with their mod. */
export function yardRoutes(store: Store): Router {
  const routes = Router();

  serveJson(routes, endpoints.getWorld, async ({ params, query }) => {
    await store.mod(params.mod);
    return {
      body: await store.transact((manager) => readWorld(manager, params.mod, query.scene)),
    };
  });

  serveJson(routes, endpoints.leaveWorld, async ({ params, body }) => {
    await store.mod(params.mod);
    await store.transact((manager) => leaveWorld(manager, params.mod, body, new Date()));
    return { body: { scene: body.scene } };
  });
  return routes;
}
