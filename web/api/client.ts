import type { z } from 'zod';
import {
  addressOf,
  type AnswerOf,
  type BodyOf,
  type Endpoint,
  type PathParams,
} from '../../core/api/index.ts';
import { ProblemAnswer } from '../../core/api/index.ts';
import { parseFitting } from '../../core/json/index.ts';

/**
 * An answer that is an error: the problem that the server described (RFC 9457), or that it did not
 * answer at all.
 */
export class Refused extends Error {
  override name = 'Refused';

  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    readonly more: Record<string, unknown> = {},
  ) {
    super(detail);
  }
}

const letters = 'bcdfghjkmnpqrstvwxz';
/** This window's name in the history: four letters, so that people can tell windows apart. */
export const windowName =
  'window ' +
  Array.from(
    crypto.getRandomValues(new Uint8Array(4)),
    (byte) => letters[byte % letters.length],
  ).join('');

/** Asks the server. Throws {@link Refused} for every answer that is not a success. */
async function ask(address: string, options: RequestInit = {}): Promise<Response> {
  const headers = new Headers(options.headers);
  headers.set('X-Obrank-Author', windowName);
  let response: Response;
  try {
    response = await fetch(address, {
      ...options,
      headers,
    });
  } catch {
    throw new Refused(
      0,
      'No answer',
      'The server does not answer. Is it still running? What you change stays in this page ' +
        'until it does.',
    );
  }
  if (response.ok) return response;
  const said: unknown = await response.json().catch(() => undefined);
  const problem = ProblemAnswer.partial().safeParse(said).data ?? {};
  throw new Refused(
    response.status,
    problem.title ?? 'Refused',
    problem.detail ?? `The server answered ${response.status}.`,
    problem,
  );
}

/** What is asked of an endpoint beside its address. */
interface Asking<E extends Endpoint> {
  body?: BodyOf<E>;
  /** The bytes of an upload, and their media type. */
  file?: { bytes: Blob | Uint8Array; type: string };
  query?: Record<string, string | number | undefined>;
  /** For an edit: the revision that it is made at. */
  baseRevision?: number;
}

/**
 * Calls an endpoint of the server and gives its answer, parsed. Throws {@link Refused} for every
 * answer that is not a success, and for one that is not what this page understands.
 *
 * @example const { mod } = await call(endpoints.getMod, { mod: 'saltmarsh' })
 */
export async function call<E extends Endpoint>(
  endpoint: E,
  params: PathParams<E>,
  { body, file, query, baseRevision }: Asking<E> = {},
): Promise<AnswerOf<E>> {
  const response = await asked(endpoint, params, { body, file, query, baseRevision });
  const answer: unknown = await response.json().catch(() => undefined);
  return understood(endpoint.answer.schema, answer) as AnswerOf<E>;
}

/** Calls an endpoint and gives its answer as it came, for whoever parses it. Throws {@link Refused}. */
export async function callForAnswer<E extends Endpoint>(
  endpoint: E,
  params: PathParams<E>,
): Promise<unknown> {
  const response = await asked(endpoint, params, {});
  return response.json().catch(() => undefined) as Promise<unknown>;
}

/** Calls an endpoint that answers with a file, and gives its bytes. Throws {@link Refused}. */
export async function callForBytes<E extends Endpoint>(
  endpoint: E,
  params: PathParams<E>,
  asking: Asking<E> = {},
): Promise<Uint8Array> {
  return new Uint8Array(await (await asked(endpoint, params, asking)).arrayBuffer());
}

function asked<E extends Endpoint>(
  endpoint: E,
  params: PathParams<E>,
  { body, file, query, baseRevision }: Asking<E>,
): Promise<Response> {
  const headers = new Headers();
  if (baseRevision !== undefined) headers.set('If-Match', `"${baseRevision}"`);
  if (file) headers.set('Content-Type', file.type);
  else if (endpoint.method === 'POST') headers.set('Content-Type', 'application/json');
  return ask(addressOf(endpoint, params, query), {
    method: endpoint.method,
    headers,
    ...(file ? { body: file.bytes as Blob | Uint8Array<ArrayBuffer> } : {}),
    ...(!file && endpoint.method === 'POST' ? { body: JSON.stringify(body ?? {}) } : {}),
  });
}

/** What a schema makes of an answer. Throws {@link Refused} for what it does not understand. */
export function understood(schema: z.ZodType | undefined, answer: unknown): unknown {
  const fits = schema && parseFitting(schema, answer);
  if (fits?.success) return fits.data;
  throw notUnderstood();
}

/** What is thrown for an answer of another version of the server. */
export const notUnderstood = (): Refused =>
  new Refused(
    502,
    'Answer not understood',
    'The server answers in a way that this page does not understand. Load the page again: the ' +
      'server may be another version.',
  );
