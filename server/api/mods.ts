import express, { Router, type Response } from 'express';
import { z } from 'zod';
import { emptyMod } from '../../core/mod/index.ts';
import { Name } from '../../core/mod/names.ts';
import { maxPictureBytes, maxSoundBytes } from '../limits.ts';
import { Problem } from '../problem.ts';
import type { Store } from '../store/store.ts';
import { authorOf, bodyOf, etag, param, revisionOf, route } from './answers.ts';
import { sendEvents } from './events.ts';

const Pointer = z
  .string()
  .max(1000)
  .regex(/^(\/.*)?$/s, 'use a JSON Pointer, which begins with a slash');
const Label = z
  .string()
  .min(1)
  .max(200)
  .refine((text) => text.isWellFormed(), 'it holds half a character (a lone surrogate)');
export const ChangeBody = z.strictObject({
  path: Pointer,
  before: z.unknown().optional(),
  after: z.unknown().optional(),
});
export const EditBody = z.strictObject({
  label: Label,
  changes: z.array(ChangeBody).min(1).max(10_000),
});
export const NewModBody = z.strictObject({
  namespace: Name,
  title: z
    .string()
    .min(1)
    .max(100)
    .refine((text) => text.isWellFormed(), 'it holds half a character (a lone surrogate)'),
});

/** Mods, their edits, pictures and downloads. */
export function modRoutes(store: Store): Router {
  const routes = Router();
  const send = (response: Response, status: number, revision: number, body: unknown) =>
    response.status(status).set('ETag', etag(revision)).json(body);

  routes.get(
    '/mods',
    route(async (_request, response) => void response.json(await store.names())),
  );

  routes.post(
    '/mods',
    route(async (request, response) => {
      const { namespace, title } = bodyOf(request, NewModBody);
      await store.addMod(emptyMod(namespace, title), new Map());
      response.status(201).location(`/api/mods/${namespace}`).json({ name: namespace });
    }),
  );

  routes.get(
    '/mods/:mod',
    route(async (request, response) => {
      const { mod, revision, built, undo, redo, unfit } = await store.mod(param(request, 'mod'));
      send(response, 200, revision, {
        revision,
        built,
        undo: undo.at(-1)?.label,
        redo: redo.at(-1)?.label,
        unfit,
        mod,
      });
    }),
  );

  routes.get(
    '/mods/:mod/edits',
    route(async (request, response) => {
      const { revision } = await store.mod(param(request, 'mod'));
      const after = Number(request.query['after'] ?? Math.max(0, revision - 100));
      if (!Number.isSafeInteger(after) || after < 0)
        throw new Problem(400, 'Query refused', '"after" must be a revision.');
      send(response, 200, revision, await store.log(param(request, 'mod'), after));
    }),
  );

  routes.post(
    '/mods/:mod/edits',
    route(async (request, response) => {
      const logged = await store.edit(
        param(request, 'mod'),
        revisionOf(request),
        authorOf(request),
        bodyOf(request, EditBody),
      );
      send(response, 201, logged.revision, logged);
    }),
  );

  for (const kind of ['undo', 'redo'] as const)
    routes.post(
      `/mods/:mod/${kind}`,
      route(async (request, response) => {
        const logged = await store.undoOrRedo(
          param(request, 'mod'),
          revisionOf(request),
          authorOf(request),
          kind,
        );
        send(response, 201, logged.revision, logged);
      }),
    );

  routes.get(
    '/mods/:mod/events',
    route((request, response) => sendEvents(store, param(request, 'mod'), request, response)),
  );

  routes.post(
    '/pictures',
    express.raw({ type: () => true, limit: maxPictureBytes }),
    route(async (request, response) => {
      if (!Buffer.isBuffer(request.body) || request.body.length === 0)
        throw new Problem(400, 'No picture', 'The body is empty. Send the bytes of a PNG.');
      response.status(201).json(await store.addPicture(request.body));
    }),
  );

  routes.post(
    '/sounds',
    express.raw({ type: () => true, limit: maxSoundBytes }),
    route(async (request, response) => {
      if (!Buffer.isBuffer(request.body) || request.body.length === 0)
        throw new Problem(
          400,
          'No sound',
          'The body is empty. Send the bytes of a WAV or Ogg file.',
        );
      response.status(201).json(await store.addSound(request.body));
    }),
  );

  routes.get(
    '/blobs/:sha256',
    route(async (request, response) => {
      const blob = await store.blob(param(request, 'sha256'));
      if (!blob)
        throw new Problem(404, 'No such picture or sound', 'There is nothing with this digest.');
      response
        .set('Cache-Control', 'public, max-age=31536000, immutable')
        .type(blob.type)
        .send(blob.bytes);
    }),
  );
  return routes;
}
