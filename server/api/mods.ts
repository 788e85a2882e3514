import express, { Router, type Response } from 'express';
import { z } from 'zod';
import { writeZip } from '../../core/bytes/index.ts';
import { kitNamed } from '../../core/kits/index.ts';
import { writeModFolder } from '../../core/folder/index.ts';
import { emptyMod } from '../../core/mod/index.ts';
import { Name } from '../../core/mod/names.ts';
import { mostPictureBytes, mostSoundBytes } from '../limits.ts';
import { Problem } from '../problem.ts';
import type { Store } from '../store/store.ts';
import { authorOf, bodyOf, etag, revisionOf, route } from './answers.ts';

export const ChangeBody = z.strictObject({ path: z.string().max(1000), before: z.unknown().optional(), after: z.unknown().optional() });
export const EditBody = z.strictObject({ label: z.string().min(1).max(200), changes: z.array(ChangeBody).min(1).max(10_000) });
export const NewModBody = z.strictObject({ namespace: Name, title: z.string().min(1).max(100) });

/** Mods, their edits, pictures and downloads. */
export function modRoutes(store: Store): Router {
  const routes = Router();
  const send = (response: Response, status: number, revision: number, body: unknown) => response.status(status).set('ETag', etag(revision)).json(body);

  routes.get('/mods', route(async (_request, response) => void response.json(await store.names())));

  routes.post('/mods', route(async (request, response) => {
    const { namespace, title } = bodyOf(request, NewModBody);
    await store.addMod(emptyMod(namespace, title), new Map());
    response.status(201).location(`/api/mods/${namespace}`).json({ name: namespace });
  }));

  routes.get('/mods/:mod', route(async (request, response) => {
    const { mod, revision, built, undo, redo } = await store.mod(request.params['mod'] as string);
    send(response, 200, revision, { revision, built, undo: undo.at(-1)?.label, redo: redo.at(-1)?.label, mod });
  }));

  routes.get('/mods/:mod/edits', route(async (request, response) => {
    const { revision } = await store.mod(request.params['mod'] as string);
    const after = Number(request.query['after'] ?? Math.max(0, revision - 100));
    if (!Number.isInteger(after)) throw new Problem(400, 'Query refused', '"after" must be a revision.');
    send(response, 200, revision, await store.log(request.params['mod'] as string, after));
  }));

  routes.post('/mods/:mod/edits', route(async (request, response) => {
    const logged = await store.edit(request.params['mod'] as string, revisionOf(request), authorOf(request), bodyOf(request, EditBody));
    send(response, 201, logged.revision, logged);
  }));

  for (const kind of ['undo', 'redo'] as const)
    routes.post(`/mods/:mod/${kind}`, route(async (request, response) => {
      const logged = await store.travel(request.params['mod'] as string, revisionOf(request), authorOf(request), kind);
      send(response, 201, logged.revision, logged);
    }));

  routes.get('/mods/:mod/events', route(async (request, response) => {
    const name = request.params['mod'] as string;
    const { revision } = await store.mod(name);
    response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-cache', Connection: 'keep-alive' });
    response.write(`event: hello\ndata: ${JSON.stringify({ revision })}\n\n`);
    const stop = store.listen(name, (edit, { undo, redo }) => response.write(`event: edit\ndata: ${JSON.stringify({ edit, undo: undo.at(-1)?.label, redo: redo.at(-1)?.label })}\n\n`));
    request.on('close', stop);
  }));

  routes.get('/mods/:mod/pack.obpack', route(async (request, response) => {
    const { mod, revision } = await store.mod(request.params['mod'] as string);
    const built = kitNamed(mod.header.kit).write(mod, await store.blobsOf(mod));
    await store.noteBuilt(mod.header.namespace, revision);
    response.attachment(`${mod.header.namespace}-${mod.header.version}.obpack`).type('application/zip').send(Buffer.from(writeZip(built)));
  }));

  routes.get('/mods/:mod/folder.zip', route(async (request, response) => {
    const { mod } = await store.mod(request.params['mod'] as string);
    response.attachment(`${mod.header.namespace}.zip`).type('application/zip').send(Buffer.from(writeZip(writeModFolder(mod, await store.blobsOf(mod)))));
  }));

  routes.post('/pictures', express.raw({ type: () => true, limit: mostPictureBytes }), route(async (request, response) => {
    if (!Buffer.isBuffer(request.body) || request.body.length === 0) throw new Problem(400, 'No picture', 'The body is empty. Send the bytes of a PNG.');
    response.status(201).json(await store.addPicture(request.body));
  }));

  routes.post('/sounds', express.raw({ type: () => true, limit: mostSoundBytes }), route(async (request, response) => {
    if (!Buffer.isBuffer(request.body) || request.body.length === 0) throw new Problem(400, 'No sound', 'The body is empty. Send the bytes of a WAV or Ogg file.');
    response.status(201).json(await store.addSound(request.body));
  }));

  routes.get('/blobs/:sha256', route(async (request, response) => {
    const blob = await store.blob(request.params['sha256'] as string);
    if (!blob) throw new Problem(404, 'No such picture or sound', 'There is nothing with this digest.');
    response.set('Cache-Control', 'public, max-age=31536000, immutable').type(blob.type).send(blob.bytes);
  }));
  return routes;
}
