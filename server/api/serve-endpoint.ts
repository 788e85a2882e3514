import express, { type Request, type Response, type Router } from 'express';
import type { AnswerOf, BodyOf, Endpoint, PathParams, QueryOf } from '../../core/api/index.ts';
import { Problem } from '../problem.ts';
import { bodyOf, etag, queryOf, revisionOf, route } from './requests.ts';

/** What a handler is given: what was asked, checked. */
interface Asked<E extends Endpoint> {
  params: PathParams<E>;
  query: QueryOf<E>;
  body: BodyOf<E>;
  /** The bytes of an upload. */
  bytes: Buffer;
  /** For an edit: the revision that it was made at. */
  baseRevision: number;
  request: Request;
  response: Response;
}

/** What a handler answers: the body, and what goes into the headers. */
interface Answered<E extends Endpoint> {
  body: AnswerOf<E>;
  revision?: number;
  location?: string;
}

/** Adds an endpoint that answers with JSON. */
export function serveJson<E extends Endpoint>(
  routes: Router,
  endpoint: E,
  handler: (asked: Asked<E>) => Answered<E> | Promise<Answered<E>>,
): void {
  serve(routes, endpoint, async (asked) => {
    const { body, revision, location } = await handler(asked);
    const { response } = asked;
    response.status(endpoint.answer.status);
    if (revision !== undefined) response.set('ETag', etag(revision));
    if (location !== undefined) response.location(location);
    response.json(body);
  });
}

/** Adds an endpoint whose handler writes the answer itself. */
export function serve<E extends Endpoint>(
  routes: Router,
  endpoint: E,
  handler: (asked: Asked<E>) => void | Promise<void>,
): void {
  const { method, path, body, query, upload, isEdit } = endpoint as Endpoint;
  const address = path.replace(/^\/api/, '').replaceAll(/\{(\w+)\}/g, ':$1');
  const before = upload ? [express.raw({ type: () => true, limit: upload.maxBytes })] : [];
  const answer = route((request, response) =>
    handler({
      params: request.params as PathParams<E>,
      query: (query && queryOf(request, query)) as QueryOf<E>,
      body: (body && bodyOf(request, body)) as BodyOf<E>,
      bytes: upload ? bytesOf(request, upload.types) : Buffer.alloc(0),
      baseRevision: isEdit ? revisionOf(request) : 0,
      request,
      response,
    }),
  );
  const verb = method === 'GET' ? 'get' : method === 'POST' ? 'post' : 'delete';
  routes[verb](address, ...before, answer);
}

const fileWords: Readonly<Record<string, string>> = {
  'image/png': 'a PNG',
  'audio/wav': 'a WAV',
  'audio/ogg': 'an Ogg file',
  'application/zip': 'a ZIP',
};

/** The bytes of an upload. Throws a 400 {@link Problem} when there are none. */
function bytesOf(request: Request, types: readonly string[]): Buffer {
  const { body } = request as { body: unknown };
  if (Buffer.isBuffer(body) && body.length > 0) return body;
  const words = types.map((type) => fileWords[type] ?? type).join(' or ');
  throw new Problem(400, 'No file', `The body is empty. Send the bytes of ${words}.`);
}
