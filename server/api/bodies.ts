import type { NextFunction, Request, Response } from 'express';
import { maxAnyBytes, maxBytesInFlight, smallBodyBytes } from '../limits.ts';
import { Problem } from '../problem.ts';

/**
 * Lets bodies in only as far as there is room for all that are on their way, so that many
 * unfinished ones cannot fill the memory. A body counts with the length that it announces; without
 * one, with the most that is taken. Refuses with 503.
 */
export function boundBodies(): (request: Request, response: Response, next: NextFunction) => void {
  let inFlight = 0;
  return (request, response, next) => {
    const announced = request.headers['content-length'];
    const hasBody = announced !== undefined || request.headers['transfer-encoding'] !== undefined;
    const bytes = announced === undefined ? maxAnyBytes : Number(announced);
    if (!hasBody || bytes <= smallBodyBytes) {
      next();
      return;
    }
    // A body that is too large is refused by its reader, before it is read.
    if (bytes <= maxAnyBytes && inFlight + bytes > maxBytesInFlight) {
      response.set({ 'Retry-After': '2', Connection: 'close' });
      throw new Problem(
        503,
        'Too much at once',
        'More is being sent to this server than it can hold. Try again in a moment.',
      );
    }
    const held = Math.min(bytes, maxAnyBytes);
    inFlight += held;
    let isFreed = false;
    const free = () => {
      if (!isFreed) inFlight -= held;
      isFreed = true;
    };
    request.once('end', free);
    request.once('close', free);
    response.once('close', free);
    next();
  };
}
