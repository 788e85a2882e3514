import type { NextFunction, Request, RequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import type { z } from 'zod';
import { pointer } from '../../core/json/index.ts';
import { schemaProblems } from '../../core/mod/index.ts';
import { DiskProblem } from '../../disk/index.ts';
import { Problem } from '../problem.ts';
import { storageProblem } from '../store/transaction.ts';

/** The body as the schema has it. Throws a 422 {@link Problem} that names each field. */
export function bodyOf<S extends z.ZodType>(request: Request, schema: S): z.output<S> {
  const fits = schema.safeParse(request.body, { reportInput: true });
  if (fits.success) return fits.data;
  const errors = schemaProblems(fits.error).map(({ path, message }) => ({
    pointer: pointer(path),
    detail: message,
  }));
  throw new Problem(
    422,
    'Body does not fit',
    `${errors[0]!.pointer || 'The body'}: ${errors[0]!.detail}`,
    { errors },
  );
}

/**
 * The revision that a write was made at, from If-Match. Throws 428 when it is missing and 400 when
 * it is none.
 */
export function revisionOf(request: Request): number {
  const given = request.headers['if-match'];
  if (given === undefined)
    throw new Problem(
      428,
      'If-Match is missing',
      'Every write names the revision that it was made at: send If-Match with the ETag of the mod.',
    );
  const found = /^"(\d{1,15})"$/.exec(given);
  if (!found)
    throw new Problem(
      400,
      'If-Match is malformed',
      `If-Match must be a revision in quotation marks, such as "12", not ${given.slice(0, 40)}.`,
    );
  return Number(found[1]);
}

/** A part of the address by its name. */
export const param = (request: Request, name: string): string => {
  const found = request.params[name];
  return typeof found === 'string' ? found : '';
};

export const etag = (revision: number): string => `"${revision}"`;

/** Who makes an edit, in words for the history: the page's own name for its window. */
export const authorOf = (request: Request): string =>
  String(request.headers['x-obrank-author'] ?? 'a program')
    .replaceAll(/[^\x20-\x7e]/g, '')
    .slice(0, 80) || 'a program';

/** Lets a handler be asynchronous. */
export const route =
  (handler: (request: Request, response: Response) => Promise<void> | void): RequestHandler =>
  (request, response, next) => {
    Promise.resolve()
      .then(() => handler(request, response))
      .catch(next);
  };

/**
 * Turns whatever was thrown into problem+json. What nobody foresaw is logged and told without its
 * inside.
 */
export const failed =
  (log: Logger) =>
  (error: unknown, request: Request, response: Response, next: NextFunction): void => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const problem = asProblem(error);
    // A full disk or a flood says all there is to say in its sentence.
    if (problem.status === 503 || problem.status === 507)
      log.warn({ path: request.path }, problem.message);
    else if (problem.status >= 500) log.error({ err: error, path: request.path }, 'request failed');
    response
      .status(problem.status)
      .type('application/problem+json')
      .send(
        JSON.stringify({
          type: 'about:blank',
          title: problem.title,
          status: problem.status,
          detail: problem.detail,
          ...problem.more,
        }),
      );
  };

function asProblem(error: unknown): Problem {
  if (error instanceof Problem) return error;
  const storage = storageProblem(error);
  if (storage) return storage;
  if (error instanceof DiskProblem) return new Problem(409, 'Place cannot be used', error.message);
  const { type, status } = error as { type?: string; status?: number };
  if (type === 'entity.parse.failed')
    return new Problem(
      400,
      'Body is no JSON',
      `The body cannot be read as JSON: ${(error as Error).message}.`,
    );
  if (type === 'entity.too.large')
    return new Problem(413, 'Body too large', 'The body is larger than this address takes.');
  if (status !== undefined && status >= 400 && status < 500)
    return new Problem(status, 'Request refused', (error as Error).message);
  return new Problem(
    500,
    'Something failed',
    'The server could not do this. Its log says more; what was saved is safe.',
  );
}
