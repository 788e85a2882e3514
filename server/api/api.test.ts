import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { readZip } from '../../core/bytes/index.ts';
import { inspectPack } from '../../core/inspect/index.ts';
import { readPack } from '../../core/kits/block-pack/read/index.ts';
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
  expect((answer.headers as Record<string, string>)['content-type']).toMatch('application/problem+json');
  return answer.json as { title: string; status: number; detail: string; errors?: { pointer: string; detail: string }[]; edits?: { author: string; label: string }[] };
};

test('a mod has an ETag; an edit moves it; undo and redo go there and back, across restarts of the page', async () => {
  const got = await server.send('GET', '/api/mods/saltmarsh');
  expect(got.headers.etag).toBe('"0"');
  const edited = await server.edit(0, [{ path: hardness, before: 3.2, after: 4 }], 'Change hardness');
  expect(edited.status).toBe(201);
  expect(edited.headers.etag).toBe('"1"');
  expect(await server.mod()).toMatchObject({ revision: 1, undo: 'Change hardness', mod: { blocks: { tide_lantern: { traits: { hardness: 4 } } } } });
  expect((await server.post('/api/mods/saltmarsh/undo', {}, { 'if-match': '"1"' })).status).toBe(201);
  expect(await server.mod()).toMatchObject({ revision: 2, redo: 'Change hardness', mod: { blocks: { tide_lantern: { traits: { hardness: 3.2 } } } } });
  expect((await server.post('/api/mods/saltmarsh/redo', {}, { 'if-match': '"2"' })).status).toBe(201);
  expect(await server.mod()).toMatchObject({ revision: 3, undo: 'Change hardness' });
  expect((await server.post('/api/mods/saltmarsh/undo', {}, { 'if-match': '"3"' })).status).toBe(201);
  const log = (await server.send('GET', '/api/mods/saltmarsh/edits?after=0')).json as { kind: string; author: string }[];
  expect(log.map((edit) => edit.kind)).toEqual(['edit', 'undo', 'redo', 'undo']);
  expect(log[0]!.author).toBe('a test');
});

test('a stale write gets 412 and is told who did what meanwhile; without If-Match 428', async () => {
  const { revision } = await server.mod();
  const stale = await server.edit(0, [{ path: hardness, before: 3.2, after: 9 }]);
  expect(stale.status).toBe(412);
  expect(problemOf(stale).edits).toHaveLength(revision);
  expect(problemOf(stale).edits![0]).toMatchObject({ author: 'a test', label: 'Change hardness' });
  expect(problemOf(await server.post('/api/mods/saltmarsh/edits', { label: 'x', changes: [{ path: hardness }] })).status).toBe(428);
  expect((await server.post('/api/mods/saltmarsh/edits', { label: 'x', changes: [{ path: hardness }] }, { 'if-match': 'W/"1"' })).status).toBe(400);
  expect((await server.mod()).revision).toBe(revision);
});

test('what does not fit is refused with the field named, and nothing is written', async () => {
  const { revision } = await server.mod();
  const cases: [unknown, number, string, RegExp][] = [
    [[{ path: hardness, before: 3.2, after: 'hard' }], 422, hardness, /number or "unbreakable"/],
    [[{ path: '/blocks/tide_lantern/traits/hardnes', after: 3 }], 422, '/blocks/tide_lantern/traits/hardnes', /no key/],
    [[{ path: hardness, before: 99, after: 3 }], 422, hardness, /another one/],
    [[{ path: '/blocks/Big', after: {} }], 422, '/blocks/Big', /not allowed/],
    [[{ path: '/blocks/constructor', after: {} }], 422, '/blocks/constructor', /not allowed/],
    [[{ path: '/blocks/__proto__/x', after: 1 }], 422, '/blocks/__proto__/x', /before the change/],
    [[{ path: '/nonsense/x', after: 1 }], 422, '/nonsense/x', /no such entry/],
    [[{ path: '', after: {} }], 422, '', /no such entry/],
    [[{ path: '/textures/fake', after: { picture: { sha256: 'a'.repeat(64), bytes: 1, width: 1, height: 1, alpha: 'none', mean: '#000000', grey: true } } }], 422, '/textures/fake/picture', /Upload the PNG/],
    [[{ path: hardness, before: 3.2, after: 5 }, { path: '/blocks/salt_crust/traits/gated', before: false, after: 'no' }], 422, '/blocks/salt_crust/traits/gated', /true or false/],
    [[], 422, '/changes', /too short/],
    ['all', 422, '/changes', /list/],
  ];
  for (const [changes, status, pointer, words] of cases) {
    const answer = await server.edit(revision, changes);
    expect({ pointer, status: answer.status }).toEqual({ pointer, status });
    expect(problemOf(answer).errors![0]).toMatchObject({ pointer, detail: expect.stringMatching(words) });
  }
  expect(await server.mod()).toMatchObject({ revision, mod: { blocks: { tide_lantern: { traits: { hardness: 3.2 } } } } });
});

test('a body that is no JSON, of another type, or too large', async () => {
  const send = (body: string, type = 'application/json') => server.send('POST', '/api/mods', { headers: { 'content-type': type }, body });
  expect(problemOf(await send('{ "namespace": ')).status).toBe(400);
  expect(problemOf(await send('"text"')).status).toBe(400);
  expect(problemOf(await send('namespace=x', 'application/x-www-form-urlencoded')).status).toBe(415);
  expect(problemOf(await send(JSON.stringify({ title: 'x'.repeat(17_000_000) }))).status).toBe(413);
  expect(problemOf(await server.post('/api/mods', { namespace: 'Salt Marsh', title: 'x' })).errors![0]!.pointer).toBe('/namespace');
  expect(problemOf(await server.post('/api/mods', { namespace: 'saltmarsh', title: 'x' })).status).toBe(409);
  expect(problemOf(await server.send('GET', '/api/mods/nothing')).status).toBe(404);
  expect(problemOf(await server.send('GET', '/api/nothing')).status).toBe(404);
});

test('a new mod begins empty and can be edited', async () => {
  expect((await server.post('/api/mods', { namespace: 'eel_creek', title: 'Eel creek' })).status).toBe(201);
  const answer = await server.post('/api/mods/eel_creek/edits', { label: 'Title', changes: [{ path: '/header/title', before: 'Eel creek', after: 'Eel Creek' }] }, { 'if-match': '"0"' });
  expect(answer.status).toBe(201);
  expect(((await server.send('GET', '/api/mods')).json as { title: string }[]).map((mod) => mod.title)).toEqual(['Eel Creek', 'Saltmarsh']);
  expect(problemOf(await server.post('/api/mods/eel_creek/undo', {}, { 'if-match': '"0"' })).status).toBe(412);
  expect((await server.post('/api/mods/eel_creek/undo', {}, { 'if-match': '"1"' })).status).toBe(201);
  expect(problemOf(await server.post('/api/mods/eel_creek/undo', {}, { 'if-match': '"2"' })).status).toBe(409);
});

test('a WAV is taken with its facts; what is no sound, cut short or too large is refused with the reason', async () => {
  const wav = sound({ seconds: 0.1, decay: 5, low: 0.4, seed: 9 });
  const send = (body: Uint8Array | string) => server.send('POST', '/api/sounds', { headers: { 'content-type': 'audio/wav' }, body });
  const taken = await send(wav);
  expect(taken.status).toBe(201);
  expect(taken.json).toMatchObject({ format: 'wav', channels: 1, rate: 22_050, seconds: 0.1, clipped: false });
  const { revision } = await server.mod();
  expect((await server.edit(revision, [{ path: '/sounds/drip', after: taken.json }])).status).toBe(201);
  expect((await server.send('GET', `/api/blobs/${(taken.json as { sha256: string }).sha256}`)).headers['content-type']).toBe('audio/wav');
  expect(problemOf(await send('ID3 not a sound')).detail).toMatch(/neither a WAV nor an Ogg/);
  expect(problemOf(await send(wav.subarray(0, 80))).detail).toMatch(/cut short/);
  expect(problemOf(await send('')).status).toBe(400);
  expect(problemOf(await send(new Uint8Array(9_000_000))).status).toBe(413);
});

test('a PNG is taken with its facts; what is none, cut short or too wide is refused with the reason', async () => {
  const png = encodePicture(basePicture('#8d8d86', 16, 3));
  const send = (body: Uint8Array | string) => server.send('POST', '/api/pictures', { headers: { 'content-type': 'image/png' }, body });
  const taken = await send(png);
  expect(taken.status).toBe(201);
  const picture = taken.json as { sha256: string; width: number };
  expect(picture).toMatchObject({ width: 16, alpha: 'none' });
  const { revision } = await server.mod();
  expect((await server.edit(revision, [{ path: '/textures/silt', after: { picture } }])).status).toBe(201);
  expect((await server.send('GET', `/api/blobs/${picture.sha256}`)).headers['content-type']).toBe('image/png');
  expect(problemOf(await send('GIF89a')).detail).toMatch(/not a PNG/);
  expect(problemOf(await send(png.subarray(0, 60))).detail).toMatch(/cut short/);
  const wide = png.slice();
  new DataView(wide.buffer).setUint32(16, 20_000);
  expect(problemOf(await send(wide)).detail).toMatch(/20000/);
  expect(problemOf(await send('')).status).toBe(400);
  expect(problemOf(await send(new Uint8Array(9_000_000))).status).toBe(413);
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
  const { openapi, paths } = (await server.send('GET', '/api/openapi.json')).json as { openapi: string; paths: Record<string, object> };
  expect(openapi).toBe('3.1.0');
  expect(Object.keys(paths)).toEqual(expect.arrayContaining(['/api/mods/{mod}/edits', '/api/mods/{mod}/builds', '/api/pictures']));
});

test('the pack that is downloaded has no finding, and the folder holds the mod', async () => {
  const bytes = Buffer.from(await (await fetch(`${server.address}/api/mods/saltmarsh/pack.obpack`)).arrayBuffer());
  expect(inspectPack(readPack(readZip(bytes)))).toEqual([]);
  const folder = readZip(Buffer.from(await (await fetch(`${server.address}/api/mods/saltmarsh/folder.zip`)).arrayBuffer()));
  expect(folder.has('blocks/tide_lantern.json')).toBe(true);
});

test('a build is planned, agreed to, done as a job, and compared', async () => {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-out-'));
  const target = path.join(folder, 'pack');
  try {
    const plan = (await server.post('/api/mods/saltmarsh/plan', { target })).json as { files: { fate: string }[] };
    expect(new Set(plan.files.map((file) => file.fate))).toEqual(new Set(['new']));
    const job = (await server.post('/api/mods/saltmarsh/builds', { target })).json as { id: string };
    let state = 'running';
    for (let tries = 0; state === 'running' && tries < 1000; tries += 1) state = ((await server.send('GET', `/api/jobs/${job.id}`)).json as { state: string }).state;
    expect(state).toBe('done');
    expect(JSON.parse(readFileSync(path.join(target, 'pack.json'), 'utf8')).namespace).toBe('saltmarsh');
    const compared = (await server.post('/api/mods/saltmarsh/compare', { target, path: 'pack.json' })).json as { before: string; after: string };
    expect(compared.before).toBe(compared.after);
    expect(problemOf(await server.post('/api/mods/saltmarsh/compare', { target, path: '../x' })).status).toBe(404);
    expect(readdirSync(folder)).toEqual(['pack']);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test('edits are told to whoever listens', async () => {
  const stop = new AbortController();
  const response = await fetch(`${server.address}/api/mods/saltmarsh/events`, { signal: stop.signal });
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  expect((await reader.read()).value).toMatch(/event: hello/);
  const { revision } = await server.mod();
  await server.edit(revision, [{ path: hardness, before: 3.2, after: 6 }], 'Harder');
  expect((await reader.read()).value).toMatch(/event: edit[\s\S]*Harder/);
  stop.abort();
});
