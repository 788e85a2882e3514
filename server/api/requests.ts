import type { Request, RequestHandler, Response } from 'express';
import type { z } from 'zod';
import { pointer } from '../../core/json/index.ts';
import { schemaProblems } from '../../core/mod/index.ts';
import { Problem } from '../problem.ts';

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
 * The query as the schema has it. Throws a 400 {@link Problem} that says what is wrong with the
 * first part that does not fit.
 */
export function queryOf<S extends z.ZodType>(request: Request, schema: S): z.output<S> {
  const fits = schema.safeParse(request.query, { reportInput: true });
  if (fits.success) return fits.data;
  throw new Problem(400, 'Query refused', fits.error.issues[0]?.message ?? 'It does not fit.');
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
