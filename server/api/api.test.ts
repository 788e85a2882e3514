import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import type { Verdict } from '../../core/api/index.ts';
import { digestOf, readZip, writeZip } from '../../core/bytes/index.ts';
import { readModFolder, writeModFolder } from '../../core/folder/index.ts';
import type { Mod } from '../../core/mod/index.ts';
import { moveToNamespace } from '../../core/take-over/index.ts';
import { readFolder } from '../../disk/index.ts';
import { inspectBuilt } from '../../core/inspect/index.ts';
import { blockPack } from '../../core/kits/block-pack/index.ts';
import { basePicture, encodePicture } from '../../core/textures/index.ts';
import { testServer } from '../testing/start.ts';
import { sound } from '../../demo/art/sounds.ts';

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer();
}, 60_000);
afterAll(() => server.close());

const hardness = '/blocks/tide_lantern/traits/hardness';
const problemOf = (answer: { json: unknown; headers: object }) => {
  expect((answer.headers as Record<string, string>)['content-type']).toMatch(
    'application/problem+json',
  );
  return answer.json as {
    title: string;
    status: number;
    detail: string;
    errors?: { pointer: string; detail: string }[];
    edits?: { author: string; label: string }[];
  };
};

test(
  'a mod has an ETag; an edit moves it; undo and redo go there and back, across ' +
    'restarts of the page',
  async () => {
    const got = await server.send('GET', '/api/mods/saltmarsh');
    expect(got.headers.etag).toBe('"0"');
    const edited = await server.edit(
      0,
      [{ path: hardness, before: 3.2, after: 4 }],
      'Change hardness',
    );
    expect(edited.status).toBe(201);
    expect(edited.headers.etag).toBe('"1"');
    expect(await server.mod()).toMatchObject({
      revision: 1,
      undo: 'Change hardness',
      mod: { blocks: { tide_lantern: { traits: { hardness: 4 } } } },
    });
    expect((await server.post('/api/mods/saltmarsh/undo', {}, { 'if-match': '"1"' })).status).toBe(
      201,
    );
    expect(await server.mod()).toMatchObject({
      revision: 2,
      redo: 'Change hardness',
      mod: { blocks: { tide_lantern: { traits: { hardness: 3.2 } } } },
    });
    expect((await server.post('/api/mods/saltmarsh/redo', {}, { 'if-match': '"2"' })).status).toBe(
      201,
    );
    expect(await server.mod()).toMatchObject({ revision: 3, undo: 'Change hardness' });
    expect((await server.post('/api/mods/saltmarsh/undo', {}, { 'if-match': '"3"' })).status).toBe(
      201,
    );
    const log = (await server.send('GET', '/api/mods/saltmarsh/edits?after=0')).json as {
      kind: string;
      author: string;
    }[];
    expect(log.map((edit) => edit.kind)).toEqual(['edit', 'undo', 'redo', 'undo']);
    expect(log[0]!.author).toBe('a test');
  },
);

test('a stale write gets 412 and is told who did what meanwhile; without If-Match 428', async () => {
  const { revision } = await server.mod();
  const stale = await server.edit(0, [{ path: hardness, before: 3.2, after: 9 }]);
  expect(stale.status).toBe(412);
  expect(problemOf(stale).edits).toHaveLength(revision);
  expect(problemOf(stale).edits![0]).toMatchObject({ author: 'a test', label: 'Change hardness' });
  expect(
    problemOf(
      await server.post('/api/mods/saltmarsh/edits', { label: 'x', changes: [{ path: hardness }] }),
    ).status,
  ).toBe(428);
  expect(
    (
      await server.post(
        '/api/mods/saltmarsh/edits',
        { label: 'x', changes: [{ path: hardness }] },
        { 'if-match': 'W/"1"' },
      )
    ).status,
  ).toBe(400);
  expect((await server.mod()).revision).toBe(revision);
});

test('what does not fit is refused with the field named, and nothing is written', async () => {
  const { revision } = await server.mod();
  const cases: [unknown, number, string, RegExp][] = [
    [[{ path: hardness, before: 3.2, after: 'hard' }], 422, hardness, /number or "unbreakable"/],
    [
      [{ path: '/blocks/tide_lantern/traits/hardnes', after: 3 }],
      422,
      '/blocks/tide_lantern/traits/hardnes',
      /no key/,
    ],
    [[{ path: hardness, before: 99, after: 3 }], 422, hardness, /another one/],
    [[{ path: '/blocks/Big', after: {} }], 422, '/blocks/Big', /not allowed/],
    [[{ path: '/blocks/constructor', after: {} }], 422, '/blocks/constructor', /not allowed/],
    [[{ path: '/blocks/__proto__/x', after: 1 }], 422, '/blocks/__proto__/x', /before the change/],
    [[{ path: '/nonsense/x', after: 1 }], 422, '/nonsense/x', /no such entry/],
    [[{ path: '', after: {} }], 422, '', /no such entry/],
    [
      [
        {
          path: '/textures/fake',
          after: {
            picture: {
              sha256: 'a'.repeat(64),
              bytes: 1,
              width: 1,
              height: 1,
              alpha: 'none',
              mean: '#000000',
              grey: true,
            },
          },
        },
      ],
      422,
      '/textures/fake/picture',
      /Upload the PNG/,
    ],
    [
      [
        { path: hardness, before: 3.2, after: 5 },
        { path: '/blocks/salt_crust/traits/gated', before: false, after: 'no' },
      ],
      422,
      '/blocks/salt_crust/traits/gated',
      /true or false/,
    ],
    [[{ path: 'header', after: 1 }], 422, '/changes/0/path', /JSON Pointer/],
    [[{ path: hardness, before: 3.2, after: '\ud83d' }], 422, hardness, /half a character/],
    [[], 422, '/changes', /too short/],
    ['all', 422, '/changes', /list/],
  ];
  for (const [changes, status, pointer, words] of cases) {
    const answer = await server.edit(revision, changes);
    expect({ pointer, status: answer.status }).toEqual({ pointer, status });
    expect(problemOf(answer).errors![0]).toMatchObject({
      pointer,
      detail: expect.stringMatching(words),
    });
  }
  expect(await server.mod()).toMatchObject({
    revision,
    mod: { blocks: { tide_lantern: { traits: { hardness: 3.2 } } } },
  });
});

test('a body that is no JSON, of another type, or too large', async () => {
  const send = (body: string, type = 'application/json') =>
    server.send('POST', '/api/mods', { headers: { 'content-type': type }, body });
  expect(problemOf(await send('{ "namespace": ')).status).toBe(400);
  expect(problemOf(await send('"text"')).status).toBe(400);
  expect(problemOf(await send('namespace=x', 'application/x-www-form-urlencoded')).status).toBe(
    415,
  );
  expect(problemOf(await send(JSON.stringify({ title: 'x'.repeat(17_000_000) }))).status).toBe(413);
  expect(
    problemOf(await server.post('/api/mods', { namespace: 'Salt Marsh', title: 'x' })).errors![0]!
      .pointer,
  ).toBe('/namespace');
  expect(
    problemOf(await server.post('/api/mods', { namespace: 'saltmarsh', title: 'x' })).status,
  ).toBe(409);
  expect(problemOf(await server.send('GET', '/api/mods/nothing')).status).toBe(404);
  expect(problemOf(await server.send('GET', '/api/nothing')).status).toBe(404);
});

test('a new mod begins empty and can be edited', async () => {
  expect(
    (await server.post('/api/mods', { namespace: 'eel_creek', title: 'Eel creek' })).status,
  ).toBe(201);
  const answer = await server.post(
    '/api/mods/eel_creek/edits',
    {
      label: 'Title',
      changes: [{ path: '/header/title', before: 'Eel creek', after: 'Eel Creek' }],
    },
    { 'if-match': '"0"' },
  );
  expect(answer.status).toBe(201);
  expect(
    ((await server.send('GET', '/api/mods')).json as { title: string }[]).map((mod) => mod.title),
  ).toEqual(['Eel Creek', 'Saltmarsh']);
  expect(
    problemOf(await server.post('/api/mods/eel_creek/undo', {}, { 'if-match': '"0"' })).status,
  ).toBe(412);
  expect((await server.post('/api/mods/eel_creek/undo', {}, { 'if-match': '"1"' })).status).toBe(
    201,
  );
  expect(
    problemOf(await server.post('/api/mods/eel_creek/undo', {}, { 'if-match': '"2"' })).status,
  ).toBe(409);
});

test(
  'a WAV is taken with its facts; what is no sound, cut short or too large is refused ' +
    'with the reason',
  async () => {
    const wav = sound({ seconds: 0.1, decay: 5, low: 0.4, seed: 9 });
    const send = (body: Uint8Array | string) =>
      server.send('POST', '/api/sounds', { headers: { 'content-type': 'audio/wav' }, body });
    const taken = await send(wav);
    expect(taken.status).toBe(201);
    expect(taken.json).toMatchObject({
      format: 'wav',
      channels: 1,
      rate: 22_050,
      seconds: 0.1,
      clipped: false,
    });
    const { revision } = await server.mod();
    expect(
      (await server.edit(revision, [{ path: '/sounds/drip', after: taken.json }])).status,
    ).toBe(201);
    expect(
      (await server.send('GET', `/api/blobs/${(taken.json as { sha256: string }).sha256}`)).headers[
        'content-type'
      ],
    ).toBe('audio/wav');
    expect(problemOf(await send('ID3 not a sound')).detail).toMatch(/neither a WAV nor an Ogg/);
    expect(problemOf(await send(wav.subarray(0, 80))).detail).toMatch(/cut short/);
    expect(problemOf(await send('')).status).toBe(400);
    expect(problemOf(await send(new Uint8Array(9_000_000))).status).toBe(413);
  },
);

test(
  'a PNG is taken with its facts; what is none, cut short or too wide is refused with ' +
    'the reason',
  async () => {
    const png = encodePicture(basePicture('#8d8d86', 16, 3));
    const send = (body: Uint8Array | string) =>
      server.send('POST', '/api/pictures', { headers: { 'content-type': 'image/png' }, body });
    const taken = await send(png);
    expect(taken.status).toBe(201);
    const picture = taken.json as { sha256: string; width: number };
    expect(picture).toMatchObject({ width: 16, alpha: 'none' });
    const { revision } = await server.mod();
    expect(
      (await server.edit(revision, [{ path: '/textures/silt', after: { picture } }])).status,
    ).toBe(201);
    expect((await server.send('GET', `/api/blobs/${picture.sha256}`)).headers['content-type']).toBe(
      'image/png',
    );
    expect(problemOf(await send('GIF89a')).detail).toMatch(/not a PNG/);
    expect(problemOf(await send(png.subarray(0, 60))).detail).toMatch(/cut short/);
    const wide = png.slice();
    new DataView(wide.buffer).setUint32(16, 20_000);
    expect(problemOf(await send(wide)).detail).toMatch(/20000/);
    expect(problemOf(await send('')).status).toBe(400);
    expect(problemOf(await send(new Uint8Array(9_000_000))).status).toBe(413);
  },
);

test('a packed mod folder begins a mod with what it keeps; one with a mistake begins none', async () => {
  const { mod, blobs } = readModFolder(await readFolder('demo/saltmarsh'));
  const note = new TextEncoder().encode('By hand.');
  const kept = { 'notes/README.md': { sha256: digestOf(note), bytes: note.length } };
  const files = new Map(
    writeModFolder(moveToNamespace(mod, 'mire'), (sha256) => blobs.get(sha256)!),
  ).set('kept/notes/README.md', note);
  const send = (body: Uint8Array | string) =>
    server.send('POST', '/api/mods/folder', {
      headers: { 'content-type': 'application/zip' },
      body,
    });
  const begun = await send(writeZip(files));
  expect(begun.status).toBe(201);
  expect(begun.headers.location).toBe('/api/mods/mire');
  const { mod: held } = (await server.send('GET', '/api/mods/mire')).json as { mod: Mod };
  expect(held.header.kept).toEqual(kept);
  expect(Object.keys(held.blocks)).toEqual(Object.keys(mod.blocks));
  // It comes out again as it went in, in a build and as a folder.
  const bytesAt = async (address: string) =>
    readZip(new Uint8Array(await (await fetch(server.address + address)).arrayBuffer()));
  expect((await bytesAt('/api/mods/mire/pack')).get('notes/README.md')).toEqual(note);
  expect((await bytesAt('/api/mods/mire/folder.zip')).get('kept/notes/README.md')).toEqual(note);

  expect(problemOf(await send(writeZip(files))).status).toBe(409);
  files.set('blocks/salt_crust.json', new TextEncoder().encode('{'));
  expect(problemOf(await send(writeZip(files))).detail).toMatch(/^blocks\/salt_crust\.json: /);
  expect(problemOf(await send('no archive')).status).toBe(422);
  expect(problemOf(await send('')).status).toBe(400);
});

test('no answer is kept by a browser but pictures and sounds, which never change', async () => {
  const { headers } = await server.send('GET', '/api/mods/saltmarsh');
  expect(headers['cache-control']).toBe('no-store');
  const again = await server.send('GET', '/api/mods/saltmarsh', {
    headers: { 'if-none-match': String(headers.etag), 'cache-control': 'no-cache' },
  });
  expect(again.status).toBe(200);
  const { textures } = (again.json as { mod: Mod }).mod;
  const [texture] = Object.values(textures);
  const blob = await server.send('GET', `/api/blobs/${texture!.picture.sha256}`);
  expect(blob.headers['cache-control']).toMatch(/immutable/);
});

test('requests under a foreign host or from a foreign origin are refused', async () => {
  const get = (headers: Record<string, string>) => server.send('GET', '/api/mods', { headers });
  expect((await get({ host: 'evil.example:80' })).status).toBe(403);
  expect((await get({ origin: 'http://evil.example' })).status).toBe(403);
  expect((await get({ origin: 'null' })).status).toBe(403);
  expect((await get({ 'sec-fetch-site': 'cross-site' })).status).toBe(403);
  expect((await get({ host: 'localhost:9', origin: 'http://localhost:9' })).status).toBe(200);
});

test('the description of the API names every address', async () => {
  const { openapi, paths } = (await server.send('GET', '/api/openapi.json')).json as {
    openapi: string;
    paths: Record<string, object>;
  };
  expect(openapi).toBe('3.1.0');
  expect(Object.keys(paths)).toEqual(
    expect.arrayContaining(['/api/mods/{mod}/edits', '/api/mods/{mod}/builds', '/api/pictures']),
  );
});

test('the pack that is downloaded has nothing wrong, and the folder holds the mod', async () => {
  // Both are fetched first: who inspects keeps the server waiting, which then closes what is idle.
  const [pack, folder] = await Promise.all(
    ['pack', 'folder.zip'].map(async (file) => {
      const answer = await fetch(`${server.address}/api/mods/saltmarsh/${file}`);
      return readZip(Buffer.from(await answer.arrayBuffer()));
    }),
  );
  const wrong = inspectBuilt(blockPack, pack!).filter(({ severity }) => severity !== 'hint');
  expect(wrong).toEqual([]);
  expect(folder!.has('blocks/tide_lantern.json')).toBe(true);
});

test('the engine is asked as a job; one that is not there is a sentence', async () => {
  const before = process.env['OBRANK_ENGINE'];
  try {
    process.env['OBRANK_ENGINE'] = '/nowhere/engine';
    expect(await server.job('/api/mods/saltmarsh/verdicts', undefined)).toMatchObject({
      state: 'failed',
      problem: expect.stringMatching(/OBRANK_ENGINE names .* no program/),
    });
  } finally {
    if (before === undefined) delete process.env['OBRANK_ENGINE'];
    else process.env['OBRANK_ENGINE'] = before;
  }
  const told = await server.job<Verdict>('/api/mods/saltmarsh/verdicts', undefined);
  expect(told).toMatchObject({ state: 'done', result: { many: 0, differences: [] } });
  const { checks, asked, near } = told.result;
  expect(asked.reduce((sum, one) => sum + one.checks, 0)).toBe(checks);
  expect(near).toContainEqual({
    block: 'salt_crust',
    facet: 'looks',
    words: 'The engine shows the first of 4 candidates.',
  });
}, 300_000);

test('a build is planned, agreed to, done as a job, and compared', async () => {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-out-'));
  const target = path.join(folder, 'pack');
  try {
    const plan = await server.job<{ files: { fate: string }[] }>('/api/mods/saltmarsh/plan', {
      target,
    });
    expect(new Set(plan.result.files.map((file) => file.fate))).toEqual(new Set(['new']));
    expect(await server.job('/api/mods/saltmarsh/builds', { target })).toMatchObject({
      state: 'done',
    });
    expect(JSON.parse(readFileSync(path.join(target, 'pack.json'), 'utf8'))).toMatchObject({
      namespace: 'saltmarsh',
    });
    const compared = await server.job<{ before: string; after: string }>(
      '/api/mods/saltmarsh/compare',
      { target, path: 'pack.json' },
    );
    expect(compared.result.before).toBe(compared.result.after);
    expect(await server.job('/api/mods/saltmarsh/compare', { target, path: '../x' })).toMatchObject(
      { state: 'failed', problem: '../x is no part of this build.' },
    );
    writeFileSync(path.join(target, 'registry.json'), '{ "mine": true }');
    // What was changed by hand stays; asked to, it becomes as it is built.
    const registry = () => readFileSync(path.join(target, 'registry.json'), 'utf8');
    expect(await server.job('/api/mods/saltmarsh/builds', { target })).toMatchObject({
      state: 'done',
    });
    expect(registry()).toBe('{ "mine": true }');
    const fresh = { target, fresh: ['registry.json'] };
    expect(await server.job('/api/mods/saltmarsh/builds', fresh)).toMatchObject({ state: 'done' });
    expect(registry()).toContain('"entries"');
    expect(await server.job('/api/mods/saltmarsh/plan', { target: 'relative' })).toMatchObject({
      state: 'failed',
      problem: expect.stringMatching(/not a whole path/),
    });
    expect(readdirSync(folder)).toEqual(['pack']);
    // Another of the targets that the mod is built for has files of its own.
    const notes = { target: path.join(folder, 'notes'), kit: 'field-notes' };
    const planned = await server.job<{ files: { path: string }[] }>(
      '/api/mods/saltmarsh/plan',
      notes,
    );
    expect(planned.result.files.some(({ path: file }) => file === 'pack.json')).toBe(false);
    expect(planned.result.files.some(({ path: file }) => file.endsWith('.txt'))).toBe(true);
    expect(
      await server.post('/api/mods/saltmarsh/plan', { ...notes, kit: 'no-such-kit' }),
    ).toMatchObject({ status: 422 });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test('edits are told to whoever listens', async () => {
  const stop = new AbortController();
  const response = await fetch(`${server.address}/api/mods/saltmarsh/events`, {
    signal: stop.signal,
  });
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  expect((await reader.read()).value).toMatch(/event: hello/);
  const { revision } = await server.mod();
  await server.edit(revision, [{ path: hardness, before: 3.2, after: 6 }], 'Harder');
  expect((await reader.read()).value).toMatch(/event: edit[\s\S]*Harder/);
  stop.abort();
});

test('the worlds of the Yard are kept with their mod: of each scene one, as it was left', async () => {
  const address = '/api/mods/saltmarsh/yard/world';
  expect((await server.send('GET', address)).json).toBeNull();
  const world = {
    size: [48, 32, 48],
    kinds: [null, { block: 'saltmarsh:tide_lantern', state: { lit: true } }],
    cells: [0, 73_727, 1, 1],
    player: { at: [24.5, 4, 20.25], yaw: 90, pitch: -10.5 },
    hour: 0.5,
  };
  const left = await server.post(address, { scene: 'Waterside', world });
  expect([left.status, left.json]).toEqual([200, { scene: 'Waterside' }]);
  await server.post(address, { scene: 'Dark room', world: { ...world, hour: 0.9 } });
  await server.post(address, { scene: 'Waterside', world: { ...world, hour: 0.25 } });
  const got = async (query: string) => (await server.send('GET', `${address}${query}`)).json;
  const latest = { scene: 'Waterside', world: { ...world, hour: 0.25 } };
  expect(await got('')).toEqual(latest);
  expect(await got('?scene=Dark%20room')).toMatchObject({ world: { hour: 0.9 } });
  expect(await got('?scene=Nowhere')).toEqual({ scene: 'Nowhere', world: null });

  const wrong = await server.post(address, { scene: 'Waterside', world: { ...world, hour: 3 } });
  expect(wrong.status).toBe(422);
  expect(problemOf(wrong).errors?.[0]?.pointer).toBe('/world/hour');
  expect((await server.send('GET', '/api/mods/no_such_mod/yard/world')).status).toBe(404);
  expect(await got('')).toEqual(latest);
});

test('a value of five thousand levels is refused at its place', async () => {
  const { revision } = await server.mod();
  const deep = '['.repeat(5000) + ']'.repeat(5000);
  const body =
    `{ "label": "Deep", "changes": [{ "path": "${hardness}", "before": ${deep}, "after": ` +
    `${deep} }] }`;
  const answer = await server.send('POST', '/api/mods/saltmarsh/edits', {
    headers: { 'content-type': 'application/json', 'if-match': `"${revision}"` },
    body,
  });
  expect(problemOf(answer)).toMatchObject({
    status: 422,
    errors: [{ pointer: hardness, detail: 'It is nested deeper than 100 levels.' }],
  });
});

test('a label that cannot be kept as it is is refused', async () => {
  const { revision } = await server.mod();
  expect(
    problemOf(await server.edit(revision, [{ path: hardness, before: 6, after: 7 }], 'half \ud83d'))
      .errors![0]!.pointer,
  ).toBe('/label');
});

test(
  'answers have bounds: a hundred errors and how many more, a part of the log and the ' +
    'rest when asked for',
  async () => {
    const { revision } = await server.mod();
    const keys = Object.fromEntries(Array.from({ length: 20_000 }, (_, i) => [`key_${i}`, i]));
    const answer = await server.edit(revision, [{ path: '/blocks/odd', after: keys }]);
    expect(answer.body.length).toBeLessThan(40_000);
    expect(problemOf(answer).errors!.length).toBeLessThanOrEqual(110);
    expect(problemOf(answer).errors!.at(-1)!.detail).toMatch(/more problems like these/);
    await server.post('/api/mods', { namespace: 'long_log', title: 'Long log' });
    const note = 'x'.repeat(3000);
    const edit = (at: number) =>
      server.post(
        '/api/mods/long_log/edits',
        {
          label: 'Note',
          changes: Array.from({ length: 400 }, (_, i) => ({
            path: `/blockTags/t${at}_${i}`,
            after: { note: note.slice(0, 900) },
          })),
        },
        { 'if-match': `"${at}"` },
      );
    for (let at = 0; at < 8; at += 1) expect((await edit(at)).status).toBe(201);
    const stale = await edit(0);
    expect(stale.status).toBe(412);
    expect(stale.body.length).toBeLessThan(3_000_000);
    const seen: number[] = [];
    for (let after = 0; after < 8; after = seen.at(-1)!)
      seen.push(
        ...(
          (await server.send('GET', `/api/mods/long_log/edits?after=${after}`)).json as {
            revision: number;
          }[]
        ).map((line) => line.revision),
      );
    expect(seen).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
  },
);

test('a long edit is only named to those who listen', async () => {
  const stop = new AbortController();
  const response = await fetch(`${server.address}/api/mods/long_log/events`, {
    signal: stop.signal,
  });
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  await reader.read();
  const changes = Array.from({ length: 400 }, (_, i) => ({
    path: `/itemTags/t${i}`,
    after: { note: 'x'.repeat(900) },
  }));
  await server.post('/api/mods/long_log/edits', { label: 'Long', changes }, { 'if-match': '"8"' });
  expect((await reader.read()).value).toBe('event: moved\ndata: {"revision":9,"undo":"Long"}\n\n');
  stop.abort();
});

test(
  'many unfinished bodies are not held: beyond a bound the server says that it is too ' +
    'much, and serves small requests all the same',
  async () => {
    const { port } = new URL(server.address);
    const open = Array.from({ length: 12 }, () => connect(Number(port), '127.0.0.1'));
    const answers = open.map(
      (socket) =>
        new Promise<string>((resolve) => {
          socket.once('data', (bytes: Buffer) => resolve(bytes.toString().split('\r\n')[0]!));
          socket.once('error', () => resolve('reset'));
          socket.write(
            `POST /api/mods/saltmarsh/edits HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nContent-Type: ` +
              `application/json\r\nContent-Length: 16000000\r\n\r\n{"label": "`,
          );
        }),
    );
    expect(await Promise.race(answers)).toMatch(/503/);
    expect((await server.mod()).revision).toBeGreaterThan(0);
    for (const socket of open) socket.destroy();
  },
);
