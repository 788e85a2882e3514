import { beforeEach, expect, jest, test } from '@jest/globals';
import type { KeptWorld } from '../../core/yard/index.ts';
import type { YardAnswer, YardAsk } from '../workers/yard-protocol.ts';
import { YardClient } from './yard.ts';

/** The worker's side, which says what it is made to. */
class Behind {
  onmessage: ((event: { data: YardAnswer }) => void) | null = null;
  readonly asked: YardAsk[] = [];

  postMessage(asked: YardAsk): void {
    this.asked.push(asked);
  }
  terminate(): void {}

  /** Answers who asked for the world first, of those who wait. */
  keep(world: KeptWorld): void {
    this.onmessage?.({ data: { say: 'kept', kept: world, scene: 'pit' } });
  }
}

let worker: Behind;
let client: YardClient;
/** The worlds that the server was sent, and what lets it answer for the next one. */
let sent: unknown[];
let answers: (() => void)[];

const worldOf = (hour: number) => ({ hour }) as unknown as KeptWorld;
const [first, second] = [worldOf(1), worldOf(2)];
/** Until all that could go on has gone on. */
const settled = () => new Promise((resolve) => setImmediate(resolve));

beforeEach(() => {
  [sent, answers] = [[], []];
  globalThis.Worker = function made() {
    return (worker = new Behind());
  } as unknown as typeof Worker;
  globalThis.fetch = jest.fn(async (_: unknown, options?: RequestInit) => {
    sent.push((JSON.parse(options?.body as string) as { world: unknown }).world);
    await new Promise<void>((resolve) => answers.push(resolve));
    return new Response('{"scene":"pit"}', { headers: { 'Content-Type': 'application/json' } });
  });
  client = new YardClient('saltmarsh');
  worker.onmessage?.({ data: { say: 'loaded', yard: { scene: 'pit' } } as YardAnswer });
});

test('who asks for the world gets the one of when they asked, also where two ask at once', async () => {
  const [began, kept] = [client.reset(), client.keep()];
  await settled();
  worker.keep(first);
  worker.keep(second);
  await began;
  await settled();
  expect(client.worldsBefore('pit')).toEqual([first]);
  expect(sent).toEqual([second]);
  answers.shift()?.();
  expect(await kept).toBe(true);
});

test('worlds are kept one after the other, and one that is kept already is not sent again', async () => {
  const kept = [client.keep(), client.keep(), client.keep()];
  await settled();
  worker.keep(first);
  await settled();
  expect([sent.length, worker.asked.length]).toEqual([1, 1]);
  answers.shift()?.();
  await settled();
  worker.keep(first);
  await settled();
  worker.keep(second);
  await settled();
  answers.shift()?.();
  expect(await Promise.all(kept)).toEqual([true, true, true]);
  expect(sent).toEqual([first, second]);
});

test('one goes back to the world before, and from there to the one that one came from', async () => {
  const began = client.reset();
  worker.keep(first);
  await began;
  const back = client.goBack();
  worker.keep(second);
  await back;
  expect(worker.asked.at(-1)).toEqual({ ask: 'scene', scene: 'pit', kept: first });
  expect(client.worldsBefore('pit')).toEqual([second]);
});

test('a world that the server does not take is told of, and the next is kept all the same', async () => {
  const answering = globalThis.fetch;
  globalThis.fetch = jest.fn<typeof fetch>().mockRejectedValueOnce(new TypeError('refused'));
  const refused = client.keep();
  await settled();
  worker.keep(first);
  expect(await refused).toBe(false);
  expect(client.view.notKept).toMatch(/^The world is not kept\. The server does not answer/);
  globalThis.fetch = answering;
  const kept = client.keep();
  await settled();
  worker.keep(first);
  await settled();
  answers.shift()?.();
  expect(await kept).toBe(true);
  expect([sent, client.view.notKept]).toEqual([[first], undefined]);
});
