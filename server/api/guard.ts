import type { NextFunction, Request, Response } from 'express';
import { Problem } from '../problem.ts';

/**
 * Names by which a page on this machine reaches the server. Anything else in Host is somebody's
 * trick with DNS.
 */
const ownHosts = new Set(['127.0.0.1', 'localhost', '[::1]']);

const hostOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/** Refuses requests under a foreign host name and requests that pages of other origins send. */
export function guard(request: Request, _response: Response, next: NextFunction): void {
  const host = request.headers.host ?? '';
  if (!ownHosts.has(hostOf(host)))
    throw new Problem(
      403,
      'Foreign host',
      `This server answers only on this machine, not as "${host.slice(0, 100)}".`,
    );
  const { origin } = request.headers;
  if (origin !== undefined && origin !== `http://${host}`)
    throw new Problem(403, 'Foreign origin', 'This server answers only its own pages.');
  const site = request.headers['sec-fetch-site'];
  if (site === 'cross-site' || site === 'same-site')
    throw new Problem(403, 'Foreign origin', 'This server answers only its own pages.');
  next();
}

/** Headers that keep pages from being framed, sniffed or fed with scripts from elsewhere. */
export function headers(_request: Request, response: Response, next: NextFunction): void {
  response.set({
    'Content-Security-Policy':
      "default-src 'self'; script-src 'self'; img-src 'self' data: blob:; style-src 'self' " +
      "'unsafe-inline'; worker-src 'self' blob:; connect-src 'self' blob:; frame-ancestors " +
      "'none'",
    'X-Content-Type-Options': 'nosniff',
    'Referrer-Policy': 'no-referrer',
  });
  next();
}
