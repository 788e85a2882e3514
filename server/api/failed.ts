import type { NextFunction, Request, Response } from 'express';
import type { Logger } from 'pino';
import type { ProblemAnswer } from '../../core/api/index.ts';
import { DiskProblem } from '../../disk/index.ts';
import { Problem } from '../problem.ts';
import { storageProblem } from '../store/transaction.ts';

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
      .send(JSON.stringify(answerOf(problem)));
  };

const answerOf = ({ title, status, detail, more }: Problem): ProblemAnswer => ({
  type: 'about:blank',
  title,
  status,
  detail,
  ...more,
});

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
