import { mkdtempSync, rmSync } from 'node:fs';
import { request as ask, type IncomingHttpHeaders } from 'node:http';
import os from 'node:os';
import path from 'node:path';
import { startServer } from '../serve.ts';
import { holdAgainstDescription } from './described.ts';

export interface Answer {
  status: number;
  headers: IncomingHttpHeaders;
  body: string;
  json: unknown;
}

/** A real server on a free port with a data folder of its own. */
export async function testServer() {
  const data = mkdtempSync(path.join(os.tmpdir(), 'obrank-test-'));
  const server = await startServer({ port: 0, data, demo: 'demo/saltmarsh' });
  const port = Number(new URL(server.address).port);
  /**
   * One request with exactly these headers: unlike fetch it also sends a foreign Host. Every answer
   * is held against the description of the API.
   */
  const send = (
    method: string,
    address: string,
    { headers = {}, body }: { headers?: Record<string, string>; body?: string | Uint8Array } = {},
  ) =>
    new Promise<Answer>((resolve, reject) => {
      const length =
        body === undefined ? {} : { 'content-length': String(Buffer.byteLength(body)) };
      const request = ask(
        { host: '127.0.0.1', port, method, path: address, headers: { ...length, ...headers } },
        (response) => {
          const parts: Buffer[] = [];
          response.on('data', (part: Buffer) => parts.push(part));
          response.on('end', () => {
            const text = Buffer.concat(parts).toString();
            const isJson = /json/.test(response.headers['content-type'] ?? '');
            const answer = {
              status: response.statusCode ?? 0,
              headers: response.headers,
              body: text,
              json: isJson ? (JSON.parse(text) as unknown) : undefined,
            };
            try {
              holdAgainstDescription(method, address, answer);
              resolve(answer);
            } catch (error) {
              reject(error instanceof Error ? error : new Error(String(error)));
            }
          });
        },
      );
      request.on('error', reject);
      request.end(body);
    });
  const post = (address: string, body: unknown, headers: Record<string, string> = {}) =>
    send('POST', address, {
      headers: { 'content-type': 'application/json', ...headers },
      body: JSON.stringify(body),
    });
  /** Has the server do long work, and waits for how it ends. */
  // eslint-disable-next-line @typescript-eslint/no-unnecessary-type-parameters -- the test says what it asked for
  const job = async <T>(address: string, body: unknown) => {
    const { id } = (await post(address, body)).json as { id: string };
    for (;;) {
      const found = (await send('GET', `/api/jobs/${id}?wait=30000`)).json as {
        state: string;
        problem?: string;
        result: T;
      };
      if (found.state !== 'running') return found;
    }
  };
  return {
    address: server.address,
    data,
    send,
    post,
    job,
    edit: (revision: number, changes: unknown, label = 'Test') =>
      post(
        '/api/mods/saltmarsh/edits',
        { label, changes },
        { 'if-match': `"${revision}"`, 'x-obrank-author': 'a test' },
      ),
    mod: async () =>
      (await send('GET', '/api/mods/saltmarsh')).json as {
        revision: number;
        undo?: string;
        redo?: string;
        mod: { blocks: Record<string, { traits: Record<string, unknown> }> };
      },
    close: async () => {
      await server.close();
      rmSync(data, { recursive: true, force: true });
    },
  };
}
