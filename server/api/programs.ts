import { Router } from 'express';
import { endpoints } from '../../core/api/index.ts';
import type { NamedPrograms } from '../programs.ts';
import { serveJson } from './serve-endpoint.ts';

/** The programs that people named, and opening a folder or a file in them. */
export function programRoutes(programs: NamedPrograms): Router {
  const routes = Router();
  serveJson(routes, endpoints.getPrograms, async () => ({ body: await programs.named() }));
  serveJson(routes, endpoints.namePrograms, async ({ body }) => ({
    body: await programs.name(body),
  }));
  serveJson(routes, endpoints.openPlace, async ({ body }) => {
    await programs.open(body);
    return { body: { isOpened: true as const } };
  });
  return routes;
}
