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
export async function ask(address: string, options: RequestInit = {}): Promise<Response> {
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
  const problem = (await response.json().catch(() => ({}))) as { title?: string; detail?: string };
  throw new Refused(
    response.status,
    problem.title ?? 'Refused',
    problem.detail ?? `The server answered ${response.status}.`,
    problem,
  );
}

export const getJson = async <T>(address: string): Promise<T> =>
  (await ask(address)).json() as Promise<T>;

export const sendJson = async <T>(
  address: string,
  body: unknown,
  headers: Record<string, string> = {},
  method = 'POST',
): Promise<T> =>
  (
    await ask(address, {
      method,
      body: JSON.stringify(body),
      headers: { 'Content-Type': 'application/json', ...headers },
    })
  ).json() as Promise<T>;
