/**
 * Attacks on the server from this machine: readers that do not read, bodies that do not end,
 * connections that do nothing, bodies of every shape.
 */
import { connect, type Socket } from 'node:net';
import fc from 'fast-check';
import { bigMod } from '../scripts/big-mod.ts';
import { openDatabase } from '../server/store/database.ts';
import { Store } from '../server/store/store.ts';
import { heldMod, inFolder, sendEdit, startServer, type Outcome, type Server } from './program.ts';

/** More memory than this is a loss. */
const maxMb = 900;

const portOf = (server: Server): number => Number(new URL(server.address).port);

function openSockets(server: Server, count: number, first: string): Promise<Socket[]> {
  return Promise.all(
    Array.from(
      { length: count },
      () =>
        new Promise<Socket>((resolve) => {
          const socket = connect(portOf(server), '127.0.0.1', () => {
            if (first) socket.write(first);
            resolve(socket);
          });
          socket.once('error', () => resolve(socket));
          socket.pause();
        }),
    ),
  );
}
const host = (server: Server) => `Host: 127.0.0.1:${portOf(server)}\r\n`;

/** True when the server still answers an ordinary question and takes an ordinary edit. */
async function isAlive(server: Server, block = 'tide_lantern'): Promise<boolean> {
  const held = await heldMod(server.address);
  const value = held.mod.blocks[block]?.traits.hardness;
  return (
    (await sendEdit(server.address, held.revision, [
      { path: `/blocks/${block}/traits/hardness`, before: value, after: (value ?? 0) + 1 },
    ])) === 201
  );
}

/** Streams of events that nobody reads, while large edits are made. */
export const unreadStreams = (edits: number): Promise<Outcome> =>
  inFolder(async (folder) => {
    const server = await startServer(folder);
    const sockets = await openSockets(
      server,
      100,
      `GET /api/mods/saltmarsh/events HTTP/1.1\r\n${host(server)}\r\n`,
    );
    for (let i = 0; i < edits; i += 1) {
      const { revision } = await heldMod(server.address);
      const changes = Array.from({ length: 300 }, (_, n) => ({
        path: `/blockTags/s${i}_${n}`,
        after: { note: 'x'.repeat(i % 2 ? 900 : 100) },
      }));
      await sendEdit(server.address, revision, changes);
    }
    const lives = await isAlive(server);
    const peakMb = server.peakMb();
    for (const socket of sockets) socket.destroy();
    await server.stop();
    return {
      attack: 'a hundred unread streams of events',
      tries: edits,
      lost: lives && peakMb < maxMb ? 0 : 1,
      refused: 0,
      peakMb,
    };
  });

/** Bodies that are announced large and never end. */
export const unfinishedBodies = (count: number): Promise<Outcome> =>
  inFolder(async (folder) => {
    const server = await startServer(folder);
    const head = `POST /api/mods/saltmarsh/edits HTTP/1.1\r\n${host(server)}Content-Type: application/json\r\nContent-Length: 16000000\r\n\r\n`;
    const sockets = await openSockets(server, count, `${head}{"label": "${'x'.repeat(1_000_000)}`);
    let refused = 0;
    for (const socket of sockets) {
      socket.once('data', () => {
        refused += 1;
      });
      socket.resume();
    }
    await new Promise((resolve) => setTimeout(resolve, 1000));
    const lives = await isAlive(server);
    const peakMb = server.peakMb();
    for (const socket of sockets) socket.destroy();
    await server.stop();
    return {
      attack: `${count} unfinished bodies`,
      tries: count,
      lost: lives && peakMb < maxMb ? 0 : 1,
      refused,
      peakMb,
    };
  });

/**
 * Connections that do nothing: beyond a bound they are closed, and when they go others are served.
 */
export const idleConnections = (count: number): Promise<Outcome> =>
  inFolder(async (folder) => {
    const server = await startServer(folder);
    const sockets = await openSockets(server, count, '');
    await new Promise((resolve) => setTimeout(resolve, 500));
    for (const socket of sockets) socket.resume();
    await new Promise((resolve) => setTimeout(resolve, 500));
    const closed = sockets.filter((socket) => socket.closed || socket.destroyed).length;
    for (const socket of sockets) socket.destroy();
    await new Promise((resolve) => setTimeout(resolve, 500));
    const lives = await isAlive(server);
    const peakMb = server.peakMb();
    await server.stop();
    return {
      attack: `${count} idle connections`,
      tries: count,
      lost: lives && peakMb < maxMb && count - closed <= 600 ? 0 : 1,
      refused: closed,
      peakMb,
    };
  });

const words = fc.constantFrom(
  'constructor',
  '__proto__',
  'toString',
  '',
  '/',
  '~',
  '~9',
  '\ud800',
  'x'.repeat(3000),
  '../../etc',
  'saltmarsh:brine',
  '0',
  '-0',
);
const anyPath = fc
  .array(
    fc.oneof(
      words,
      fc.constantFrom(
        'blocks',
        'header',
        'ledger',
        'textures',
        'tide_lantern',
        'traits',
        'hardness',
        'title',
      ),
    ),
    { maxLength: 5 },
  )
  .map((steps) => steps.map((step) => `/${step}`).join(''));
const anyValue = fc.letrec((tie) => ({
  value: fc.oneof(
    { depthSize: 'small' },
    fc.double(),
    fc.constant(-0),
    fc.boolean(),
    fc.constant(null),
    words,
    fc.array(tie('value'), { maxLength: 3 }),
    fc.dictionary(words, tie('value'), { maxKeys: 3 }),
  ),
})).value;
const anyBody = fc.oneof(
  fc.record({
    label: fc.oneof(words, fc.constant('Fuzz')),
    changes: fc.array(
      fc.record({ path: anyPath, before: anyValue, after: anyValue }, { requiredKeys: ['path'] }),
      { maxLength: 3 },
    ),
  }),
  anyValue,
);

/**
 * Bodies of every shape at every address that takes one: each is done or refused, none is answered
 * with a failure that nobody foresaw.
 */
export const fuzzedBodies = (tries: number): Promise<Outcome> =>
  inFolder(async (folder) => {
    const server = await startServer(folder);
    let [lost, refused] = [0, 0];
    const addresses = [
      '/api/mods/saltmarsh/edits',
      '/api/mods',
      '/api/mods/saltmarsh/undo',
      '/api/mods/saltmarsh/plan',
      '/api/mods/saltmarsh/builds',
      '/api/mods/constructor/edits',
      '/api/pictures',
      '/api/sounds',
      '/api/jobs/x',
    ];
    const bodies = fc.sample(fc.tuple(fc.nat(addresses.length * 3), anyBody), {
      numRuns: tries,
      seed: 20_261_125,
    });
    for (const [pick, body] of bodies) {
      const { revision } = await heldMod(server.address);
      const address =
        addresses[Math.max(0, pick - addresses.length * 2)] ?? '/api/mods/saltmarsh/edits';
      // Nothing is built for real: places of builds are only ever relative here, which is refused.
      const given =
        address.endsWith('plan') || address.endsWith('builds') ? { target: 'relative' } : body;
      const response = await fetch(`${server.address}${address}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', 'If-Match': `"${revision}"` },
        body: JSON.stringify(given),
      });
      await response.arrayBuffer();
      if (response.status >= 500) lost += 1;
      else if (response.status >= 400) refused += 1;
    }
    const { revision } = await heldMod(server.address);
    await server.stop();
    const again = await startServer(folder);
    if ((await heldMod(again.address)).revision !== revision || !(await isAlive(again))) lost += 1;
    const peakMb = again.peakMb();
    await again.stop();
    return { attack: 'fuzzed bodies', tries, lost, refused, peakMb };
  });

/**
 * Packs of a large mod, five at once, while others ask and one of them is given up: nobody waits
 * for somebody else's pack.
 */
export const largePacks = (blocks: number): Promise<Outcome> =>
  inFolder(async (folder) => {
    const { mod, blobs } = bigMod(blocks);
    const store = new Store(await openDatabase(folder));
    await store.addMod(mod, blobs);
    await store.close();
    const server = await startServer(folder);
    await (await fetch(`${server.address}/api/mods/saltmarsh`)).arrayBuffer();
    let [isMaking, longest, asked] = [true, 0, 0];
    const stop = new AbortController();
    const began = performance.now();
    const packs = Array.from({ length: 5 }, async () =>
      (await fetch(`${server.address}/api/mods/saltmarsh/pack`)).arrayBuffer(),
    );
    const given = fetch(`${server.address}/api/mods/saltmarsh/folder.zip`, {
      signal: stop.signal,
    }).then(
      (answer) => answer.arrayBuffer(),
      () => undefined,
    );
    const others = (async () => {
      for (; isMaking; asked += 1) {
        const from = performance.now();
        await (await fetch(`${server.address}/api/mods`)).arrayBuffer();
        longest = Math.max(longest, performance.now() - from);
        await new Promise((resolve) => setTimeout(resolve, 10));
      }
    })();
    stop.abort();
    const sizes = (await Promise.all(packs)).map((pack) => pack.byteLength);
    const took = performance.now() - began;
    isMaking = false;
    await Promise.all([given, others]);
    const lost =
      new Set(sizes).size === 1 &&
      (sizes[0] ?? 0) > blocks * 1000 &&
      (await isAlive(server, 'bank_0000'))
        ? 0
        : 1;
    const peakMb = server.peakMb();
    await server.stop();
    return {
      attack: `five packs of ${blocks} blocks at once`,
      tries: 5,
      lost,
      refused: 0,
      peakMb,
      note: `made in ${(took / 1000).toFixed(1)} s; of ${asked} others who asked meanwhile the one who waited longest waited ${longest.toFixed(0)} ms`,
    };
  });
