import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { createServer, type Server } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { readGltf, readObj } from '../core/exchange/index.ts';
import { Run } from '../core/yard/index.ts';
import { demoWorld } from '../demo/art/demo-world.ts';
import { startServer } from '../server/serve.ts';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-cli-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Runs the command line as a program of its own. */
const obrank = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['scripts/obrank.mjs', ...args], {
    encoding: 'utf8',
  });
  return { status, lines: stdout.split('\n').filter(Boolean), stdout, stderr };
};

test(
  'the demo is checked, built to a folder and an .obpack, and both are checked: nothing ' + 'wrong',
  () => {
    expect(obrank('check', 'demo/saltmarsh')).toMatchObject({ status: 0, lines: [] });
    for (const out of [path.join(folder, 'pack'), path.join(folder, 'saltmarsh.obpack')]) {
      const built = obrank('build', 'demo/saltmarsh', '--out', out);
      expect(built.status).toBe(0);
      expect(built.stdout).toMatch(/379 files in .*: 379 new/);
      expect(obrank('check', out)).toMatchObject({ status: 0, lines: [] });
    }
  },
);

test(
  'what is wrong in recipes, loot tables, tags and the ledger is told at the file and ' +
    'line where it stands',
  () => {
    const mod = path.join(folder, 'odd');
    cpSync('demo/saltmarsh', mod, { recursive: true });
    const change = (file: string, from: string, to: string) => {
      const at = path.join(mod, file);
      const text = readFileSync(at, 'utf8');
      expect(text).toContain(from);
      writeFileSync(at, text.replace(from, to));
    };
    change('recipes/oyster_tile.json', '"saltmarsh:oyster_brick"', '"saltmarsh:oyster_brik"');
    change('loot/seam_finds.json', '"saltmarsh:salt"', '"saltmarsh:slat"');
    change('families/metals.json', '"saltmarsh:seam_finds"', '"saltmarsh:seam_find"');
    change('families/metals.json', '"saltmarsh:raw_metals"', '"saltmarsh:raw_metal"');
    change('ledger.json', '"number": 17', '"number": 16');
    const { status, lines } = obrank('check', mod);
    expect(status).toBe(1);
    const told = lines.map((line) => line.slice(line.indexOf('odd/') + 4));
    expect(told).toEqual(
      expect.arrayContaining([
        expect.stringMatching(
          /^recipes\/oyster_tile\.json:4:12 error recipes\/unknown-thing .*Did you mean saltmarsh:oyster_brick\?$/,
        ),
        expect.stringMatching(
          /^families\/metals\.json:\d+:\d+ error loot\/gives-unknown brack_seam gives .*Did you mean saltmarsh:seam_finds\?$/,
        ),
        expect.stringMatching(
          /^families\/metals\.json:\d+:\d+ warning tags\/unknown-own-tag .*Did you mean saltmarsh:raw_metals\?$/,
        ),
        expect.stringMatching(/^ledger\.json:\d+:\d+ error registry\/number-twice /),
      ]),
    );
    expect(
      told.some(
        (line) => line.startsWith('loot/seam_finds.json') && line.includes('saltmarsh:slat'),
      ),
    ).toBe(true);
  },
);

test(
  'findings stand on standard output, one a line, as path:line:column severity rule ' +
    'message; exit 1',
  () => {
    const mod = path.join(folder, 'broken');
    cpSync('demo/saltmarsh', mod, { recursive: true });
    const file = path.join(mod, 'blocks/salt_crust.json');
    writeFileSync(
      file,
      readFileSync(file, 'utf8')
        .replace('"spade", "sound', '"spade", "leastGrade": 9, "sound')
        .replace('"identity": {', '"identity": {,'),
    );
    const malformed = obrank('check', mod);
    expect(malformed.status).toBe(1);
    expect(malformed.lines).toContainEqual(
      expect.stringMatching(/salt_crust\.json:3:16 error files\/malformed-json /),
    );
    for (const line of malformed.lines)
      expect(line).toMatch(/^\S+:\d+:\d+ (error|warning|hint) [a-z]+\/[a-z-]+ .+[.?]$/);
    writeFileSync(file, readFileSync(file, 'utf8').replace('{,', '{'));
    expect(obrank('check', mod).lines).toEqual([
      expect.stringMatching(
        /salt_crust\.json:4:\d+ error traits\/grade-out-of-reach salt_crust asks for grade 9, but the tool ladder has 3 grades \(0 to 2\)\.$/,
      ),
    ]);
    const json = JSON.parse(obrank('check', mod, '--format', 'json').stdout) as {
      tally: object;
      findings: { rule: string }[];
    };
    expect(json.tally).toEqual({ error: 1, warning: 0, hint: 0 });
    expect(obrank('build', mod, '--out', path.join(folder, 'never'))).toMatchObject({
      status: 1,
      lines: [],
    });
  },
);

test('a pack that was edited by hand is told so, with a near miss', () => {
  const pack = path.join(folder, 'edited');
  expect(obrank('build', 'demo/saltmarsh', '--out', pack).status).toBe(0);
  const look = path.join(pack, 'view/looks/tide_lantern.json');
  writeFileSync(
    look,
    readFileSync(look, 'utf8').replace('saltmarsh:lantern/dark', 'saltmarsh:lantern/drak'),
  );
  const { status, lines } = obrank('check', pack);
  expect(status).toBe(1);
  expect(lines).toEqual([
    expect.stringMatching(
      /tide_lantern\.json:\d+:\d+ error looks\/model-missing .*Did you mean saltmarsh:lantern\/dark\?$/,
    ),
    expect.stringMatching(/tide_lantern\.json:1:1 warning pack\/digest-differs /),
  ]);
  // What was changed by hand stays, and is told; asked to, it goes.
  const again = obrank('build', 'demo/saltmarsh', '--out', pack);
  expect(again.lines).toEqual([expect.stringMatching(/378 the same, 0 gone, 1 kept by hand\.$/)]);
  expect(readFileSync(look, 'utf8')).toContain('drak');
  expect(obrank('build', 'demo/saltmarsh', '--out', pack, '--overwrite').status).toBe(0);
  expect(readFileSync(look, 'utf8')).not.toContain('drak');
});

describe('a kit that somebody wrote', () => {
  const kit = () => {
    const at = path.join(folder, 'lock-gate');
    cpSync('demo/kits/lock-gate', at, { recursive: true });
    return at;
  };

  test('is checked with a mod, and a mistake is told at its template', () => {
    const at = kit();
    const check = () => obrank('kit', 'check', at, '--with', 'demo/saltmarsh');
    expect(check()).toMatchObject({
      status: 0,
      lines: ['Lock Gate, XML with angles: 240 files written, 8 files as expected, nothing wrong.'],
    });
    const template = path.join(at, 'recipe.xml.liquid');
    const text = readFileSync(template, 'utf8');
    writeFileSync(template, text.replace('kind="', 'of="'));
    expect(check()).toMatchObject({
      status: 1,
      lines: expect.arrayContaining([
        'expected/Recipes/TideLantern.xml differs in line 2:',
        expect.stringMatching(/^ {2}written .* of="pattern"/),
      ]) as unknown,
    });
    writeFileSync(template, text.replace('| escape }}</row>', '| escpe }}</row>'));
    expect(check().lines[0]).toMatch(/^recipe\.xml\.liquid:6:\d+ There is no filter "escpe"\./);
  });

  test('is built for beside the others, each into a folder of its own', () => {
    const mod = path.join(folder, 'with-kits');
    cpSync('demo/saltmarsh', mod, { recursive: true });
    cpSync('demo/kits/tally-stick', path.join(mod, 'kits/tally'), { recursive: true });
    const header = path.join(mod, 'mod.json');
    writeFileSync(
      header,
      readFileSync(header, 'utf8').replace(
        '"block-pack"',
        '"block-pack",\n  "alsoFor": ["field-notes"]',
      ),
    );
    expect(obrank('kit', 'check', mod)).toMatchObject({ status: 0 });
    const out = path.join(folder, 'each');
    expect(obrank('build', mod, '--out', out, '--each').status).toBe(0);
    expect(existsSync(path.join(out, 'block-pack/pack.json'))).toBe(true);
    expect(existsSync(path.join(out, 'field-notes/notes/tide_lantern.txt'))).toBe(true);
    expect(obrank('build', mod, '--out', path.join(out, 't'), '--kit', 'tally').status).toBe(0);
    expect(existsSync(path.join(out, 't/blocks/tide_lantern.tally'))).toBe(true);
    const none = obrank('build', mod, '--out', out, '--kit', 'taly');
    expect([none.status, none.stderr]).toEqual([
      2,
      expect.stringContaining('There is no kit called taly. Did you mean tally?'),
    ]);
  });
});

test('a block in a state is written as GLB and as OBJ, and what cannot be is refused', () => {
  const out = (file: string) => path.join(folder, file);
  const write = (file: string, ...args: string[]) =>
    obrank('model', 'demo/saltmarsh', '--block', 'sluice_gate', '--out', out(file), ...args);
  expect(write('gate.glb').stdout).toMatch(
    /gate\.glb: sluice_gate \(.*\), 6 boxes, \d+ faces, 3 m/,
  );
  const glb = readFileSync(out('gate.glb'));
  expect(glb.toString('latin1', 0, 4)).toBe('glTF');
  const read = readGltf(glb, 'gate', () => undefined);
  expect(read.parts.map(({ name }) => name)).toContain('left_post');

  expect(write('gate.obj', '--state', 'side=north').status).toBe(0);
  const obj = readObj(readFileSync(out('gate.obj')), 'gate', (name) => readFileSync(out(name)));
  expect(obj.parts).toHaveLength(6);
  expect(obj.materials.every(({ picture }) => picture)).toBe(true);

  expect(write('gate.glb')).toMatchObject({
    status: 2,
    stderr: expect.stringMatching(/is there already. Choose another name, or add --overwrite/),
  });
  expect(write('gate.glb', '--overwrite').status).toBe(0);
  for (const [args, says] of [
    [['gate.txt'], 'must end in .glb or in .obj'],
    [['a.glb', '--state', 'lit=true'], 'There is no property lit. The block has'],
    [['a.glb', '--block', 'sluice_gat'], 'There is no block called sluice_gat. Did you mean'],
    [['no/such/a.glb'], 'no/such'],
  ] as const)
    expect(write(...(args as [string]))).toMatchObject({
      status: 2,
      stderr: expect.stringContaining(says),
    });
});

test('a sheet of every state is drawn, laid on an earlier one, and refuses what cannot be', () => {
  const mod = path.join(folder, 'sheet-mod');
  cpSync('demo/saltmarsh', mod, { recursive: true });
  const out = (name: string) => path.join(folder, `${name}.png`);
  const first = obrank(
    'sheet',
    mod,
    '--block',
    'sluice_gate',
    '--out',
    out('gate'),
    '--size',
    '32',
  );
  expect(first).toMatchObject({
    status: 0,
    stdout: `${out('gate')}: 12 states in 12 columns, 384 × 32 pixels.\n`,
  });
  expect([...readFileSync(out('gate')).subarray(1, 4)]).toEqual([...Buffer.from('PNG')]);
  expect(obrank('sheet', mod, '--out', out('all')).stdout).toMatch(
    /34 blocks in 9 columns, 576 × 256 pixels/,
  );
  expect(
    obrank(
      'sheet',
      mod,
      '--block',
      'sluice_gate',
      '--out',
      out('same'),
      '--size',
      '32',
      '--against',
      out('gate'),
    ),
  ).toMatchObject({ status: 0, stdout: expect.stringMatching(/the same as/) });
  const gate = path.join(mod, 'blocks/sluice_gate.json');
  writeFileSync(
    gate,
    readFileSync(gate, 'utf8').replace(
      '"saltmarsh:gate/open", "front": "up"',
      '"saltmarsh:gate/shut", "front": "up"',
    ),
  );
  expect(
    obrank(
      'sheet',
      mod,
      '--block',
      'sluice_gate',
      '--out',
      out('marked'),
      '--size',
      '32',
      '--against',
      out('gate'),
    ),
  ).toMatchObject({
    status: 1,
    stdout: expect.stringMatching(
      /pixels in 1 picture of 12 states in 12 columns differ from .*: row 1, column 10\./,
    ),
  });
  for (const [args, why] of [
    [['--out', out('gate')], /is there already.*--overwrite/],
    [['--out', 'x.jpg'], /must end in \.png/],
    [['--out', out('no'), '--block', 'brine'], /no block called brine/],
    [['--out', out('no'), '--size', '4'], /--size must be a whole number from 8 to 512/],
    [['--out', out('no'), '--against', out('missing')], /does not exist/],
    [['--out', out('no'), '--against', gate], /not a PNG/],
    [['--out', out('no'), '--against', out('gate')], /differ in size/],
    [['--out', path.join(folder, 'no', 'where.png')], /does not exist/],
  ] as const)
    expect(obrank('sheet', mod, ...args)).toMatchObject({
      status: 2,
      stdout: '',
      stderr: expect.stringMatching(why),
    });
  expect(
    obrank('sheet', mod, '--block', 'sluice_gate', '--out', out('gate'), '--overwrite').status,
  ).toBe(0);
});

test(
  'a million states, rows that contradict, values that are none, templates in a circle: ' +
    'clear findings, in little memory',
  () => {
    const mod = path.join(folder, 'mad');
    cpSync('demo/saltmarsh', mod, { recursive: true });
    const block = (name: string, change: (declared: Record<string, unknown>) => void) => {
      const file = path.join(mod, `blocks/${name}.json`);
      const declared = JSON.parse(readFileSync(file, 'utf8')) as Record<string, unknown>;
      change(declared);
      writeFileSync(file, JSON.stringify(declared));
    };
    const number = (name: string, max: number) => ({
      name,
      kind: 'number',
      min: 0,
      max,
      default: 0,
      byCode: true,
    });
    const rows = (many: number, name: string) =>
      Array.from({ length: many }, (_, i) => ({
        when: { [name]: i % 900 },
        use: [{ model: 'saltmarsh:gate/shut' }],
      }));
    block('tide_gauge', (declared) =>
      Object.assign(declared, {
        states: { properties: [number('level', 999), number('again', 999)] },
        looks: { mode: 'one-of', rows: rows(2000, 'level') },
      }),
    );
    // As many states as there may be at all, with thousands of rows of which most are covered.
    block('sluice_gate', (declared) =>
      Object.assign(declared, {
        states: { properties: [number('a', 255), number('b', 255)] },
        looks: { mode: 'one-of', rows: rows(3000, 'a') },
      }),
    );
    block('tide_lantern', (declared) =>
      Object.assign(declared, {
        looks: {
          mode: 'one-of',
          rows: [
            { when: { lit: [] }, use: [{ model: 'saltmarsh:lantern/lit' }] },
            { when: { lit: 'perhaps', moon: 3 }, use: [{ model: 'saltmarsh:lantern/lit' }] },
            { use: [{ model: 'saltmarsh:lantern/lit' }] },
          ],
        },
      }),
    );
    writeFileSync(
      path.join(mod, 'models/reed_thatch.json'),
      '{ "template": "saltmarsh:reed_thatch" }',
    );
    const watch =
      "--import=data:text/javascript,process.on('exit',()=>console.error('rss',process.resourceUsage().maxRSS))";
    const { status, stdout, stderr } = spawnSync(
      process.execPath,
      ['scripts/obrank.mjs', 'check', mod],
      {
        encoding: 'utf8',
        timeout: 60_000,
        maxBuffer: 2 ** 26,
        env: { ...process.env, NODE_OPTIONS: watch },
      },
    );
    expect(status).toBe(1);
    for (const message of [
      'states/too-many-states tide_gauge has 1,000,000 states; Block Pack, edition 1 holds ' +
        'at most 65,536. Without level there would be 1,000.',
      'looks/dead-row sluice_gate: row 901 of the look can never match: row 1 above it ' +
        'already covers its states.',
      'looks/dead-row sluice_gate: 756 more rows of the look can never match either.',
      'looks/unknown-condition sluice_gate: row 257 of the look asks for a = 256, but a ' +
        'goes from 0 to 255.',
      'looks/dead-row tide_lantern: row 1 of the look can never match: it allows no value of lit.',
      'looks/unknown-condition tide_lantern: row 2 of the look asks for moon, which is no ' +
        'property of the block.',
      'looks/unknown-condition tide_lantern: row 2 of the look asks for lit = perhaps, but ' +
        'lit has no such value.',
      'models/template-circle The model saltmarsh:reed_thatch starts from templates that go ' +
        'in a circle: saltmarsh:reed_thatch then saltmarsh:reed_thatch.',
    ])
      expect(stdout).toContain(message);
    // The last line is the command's own; before it a build of the program may have said how much it
    // took.
    const most = Number([...stderr.matchAll(/rss (\d+)/g)].at(-1)![1]);
    expect(most).toBeGreaterThan(10_000);
    expect(most).toBeLessThan(500 * 1024);
  },
  90_000,
);

test.each([
  [['check', 'no/such/place']],
  [['check']],
  [['conquer', 'x']],
  [['build', 'demo/saltmarsh']],
  [['check', 'demo/art']],
  [['check', 'demo/saltmarsh', '--format', 'xml']],
  [['serve', '--port', 'high']],
  [['sheet', 'demo/saltmarsh']],
])('wrong use %j exits 2 with a sentence', (args) => {
  const { status, stdout, stderr } = obrank(...args);
  expect(status).toBe(2);
  expect(stdout).toBe('');
  expect(stderr).not.toMatch(/\n\s+at /);
  expect(stderr.length).toBeGreaterThan(10);
});

test('a mod is tried in a real engine: the last line counts, and what cannot be tried is said', () => {
  const tried = obrank('try', 'demo/saltmarsh', '--engine');
  expect(tried.lines.at(-1)).toMatch(/^2,\d{3} checks, 0 differences$/);
  expect(tried.status).toBe(0);
  const pack = path.join(folder, 'to-try.obpack');
  obrank('build', 'demo/saltmarsh', '--out', pack);
  expect(obrank('try', pack, '--engine').stderr).toMatch(/is a pack/);
  const broken = path.join(folder, 'to-try');
  cpSync('demo/saltmarsh', broken, { recursive: true });
  rmSync(path.join(broken, 'models/salt_oven.json'));
  const refused = obrank('try', broken, '--engine');
  expect([refused.status, refused.stderr]).toEqual([1, expect.stringMatching(/was not tried/)]);
}, 300_000);

test('a pack is walked through in the Yard: what is amiss, and what is otherwise than before', () => {
  const pack = path.join(folder, 'walked');
  const report = path.join(folder, 'walk');
  expect(obrank('build', 'demo/saltmarsh', '--out', pack).status).toBe(0);
  const first = obrank('try', pack, '--report', report);
  expect(first).toMatchObject({ status: 0, lines: ['34 blocks, 204 tries, 0 amiss'] });
  const page = readFileSync(path.join(report, 'index.html'), 'utf8');
  expect(page).toContain('Tide lantern');
  const pictures = [...page.matchAll(/<img src="(pictures\/[\da-f]+\.png)" alt="([^"]+)"/g)];
  expect(pictures.length).toBeGreaterThan(100);
  for (const [, file] of pictures) expect(existsSync(path.join(report, file!))).toBe(true);
  rmSync(path.join(pack, 'view/textures/gate/boards.png'));
  const second = obrank('try', pack, '--against', path.join(report, 'walk.json'));
  expect(second.status).toBe(1);
  expect(second.stdout).toContain('The picture saltmarsh:gate/boards of the model');
  expect(second.lines.at(-1)).toBe('34 blocks, 204 tries, 1 amiss, 4 otherwise than before');
  expect(obrank('try', pack, '--against', 'package.json').stderr).toMatch(/is no walk/);
  expect(obrank('try', pack, '--gallery', report).stderr).toMatch(/say --engine too/);
});

test('a run that was saved in the Yard is played again, and says whether the same world comes of it', () => {
  const { world } = demoWorld();
  const run = new Run(world, { scene: 'Bare ground', seed: 7 });
  run.tick([
    { do: 'look', yaw: 0, pitch: -4500 },
    { do: 'hold', held: { item: 'saltmarsh:salt_oven' } },
    { do: 'place' },
  ]);
  for (let i = 0; i < 20; i += 1) run.tick();
  const [file, wrong] = [path.join(folder, 'run.json'), path.join(folder, 'no-run.json')];
  writeFileSync(file, JSON.stringify(run.recorded()));
  writeFileSync(wrong, '{"scene": 3}');
  const replayed = obrank('try', 'demo/saltmarsh', '--replay', file);
  expect(replayed.status).toBe(0);
  expect(replayed.stdout).toContain(run.digest().slice(0, 8));
  writeFileSync(file, JSON.stringify({ ...run.recorded(), digest: 'another' }));
  expect(obrank('try', 'demo/saltmarsh', '--replay', file).status).toBe(1);
  const refused = obrank('try', 'demo/saltmarsh', '--replay', wrong);
  expect(refused.status).toBe(2);
  expect(refused.stderr).toMatch(/no recorded run/);
});

test('an engine that is none is one clear sentence', () => {
  const { status, stderr } = spawnSync(
    process.execPath,
    ['scripts/obrank.mjs', 'try', 'demo/saltmarsh', '--engine'],
    { encoding: 'utf8', env: { ...process.env, OBRANK_ENGINE: '/bin/true' } },
  );
  expect(status).toBe(2);
  expect(stderr).toMatch(/^\/bin\/true is not the engine's program: .*\.\n$/);
});

test('a taken port is one clear sentence', async () => {
  const server = await new Promise<Server>((resolve) => {
    const made = createServer().listen(0, '127.0.0.1', () => resolve(made));
  });
  const { port } = server.address() as { port: number };
  const { status, stderr } = obrank(
    'serve',
    '--port',
    String(port),
    '--data',
    path.join(folder, 'data'),
  );
  server.close();
  expect(status).toBe(2);
  expect(stderr.trim()).toBe(
    `Port ${port} is taken by another program. Choose another with --port, or stop that program.`,
  );
});

test(
  'a data folder that another server uses is one clear sentence, and so is one that is ' +
    'no folder',
  async () => {
    const data = path.join(folder, 'shared');
    const first = await startServer({ port: 0, data });
    const second = await new Promise<{ status: number | null; stderr: string }>((resolve) => {
      const child = spawn(
        process.execPath,
        ['scripts/obrank.mjs', 'serve', '--port', '0', '--data', data],
        { stdio: ['ignore', 'ignore', 'pipe'] },
      );
      let stderr = '';
      child.stderr.on('data', (text: Buffer) => {
        stderr += text.toString();
      });
      child.once('exit', (status) => resolve({ status, stderr }));
    });
    await first.close();
    expect(second).toEqual({
      status: 2,
      stderr:
        `The data folder ${data} is in use by another Obrank. Stop that one, or choose ` +
        `another folder with --data.\n`,
    });
    const file = path.join(folder, 'a-file');
    writeFileSync(file, '');
    expect(obrank('serve', '--port', '0', '--data', file)).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/cannot be opened/),
    });
  },
);

test('a pack becomes a mod folder whose build is the pack again; what cannot be is one sentence', () => {
  const pack = path.join(folder, 'to-take-over');
  expect(obrank('build', 'demo/saltmarsh', '--out', pack).status).toBe(0);
  writeFileSync(path.join(pack, 'README.md'), 'By hand.');
  const out = path.join(folder, 'taken-over');
  const taken = obrank('take-over', pack, '--out', out, '--as-written');
  expect(taken).toMatchObject({ status: 0, stderr: '' });
  expect(taken.stdout).toContain('379 the same byte for byte.');
  expect(taken.stdout).toContain('Kept byte for byte: README.md.');
  expect(obrank('check', out)).toMatchObject({ status: 0 });
  const again = path.join(folder, 'built-again');
  expect(obrank('build', out, '--out', again).status).toBe(0);
  for (const file of ['README.md', 'pack.json', 'view/looks/tide_lantern.json', 'registry.json'])
    expect(readFileSync(path.join(again, file))).toEqual(readFileSync(path.join(pack, file)));

  expect(obrank('take-over', pack, '--out', out)).toMatchObject({ stdout: '' });
  expect(obrank('take-over', pack, '--out', out).stderr).toMatch(/is not empty/);
  expect(obrank('take-over', 'demo/saltmarsh', '--out', `${out}-2`).stderr).toMatch(
    /is the folder of a mod already/,
  );
  writeFileSync(path.join(pack, 'registry.json'), '[]');
  const refused = obrank('take-over', pack, '--out', `${out}-2`);
  expect(refused.status).toBe(1);
  expect(refused.stderr).toMatch(/^registry\.json could not be read/);
  expect(existsSync(`${out}-2`)).toBe(false);
});

test('packs are laid side by side: what one names of the other, and what both claim', () => {
  const pack = path.join(folder, 'beside');
  expect(obrank('build', 'demo/saltmarsh', '--out', pack).status).toBe(0);
  const mod = path.join(folder, 'upland');
  const moved = obrank('take-over', pack, '--out', mod, '--namespace', 'upland');
  expect(moved.status).toBe(0);
  const check = () => obrank('check', mod, '--beside', pack, '--only', 'neighbours/thing-missing');
  expect(check()).toMatchObject({ status: 0, lines: [] });
  const file = path.join(mod, 'recipes/oyster_tile.json');
  const text = readFileSync(file, 'utf8');
  writeFileSync(file, text.replace('"upland:oyster_brick"', '"saltmarsh:oyster_brik"'));
  const { status, lines } = check();
  expect(status).toBe(1);
  expect(lines).toHaveLength(1);
  expect(lines[0]).toMatch(/oyster_tile\.json:\d+:\d+ error neighbours\/thing-missing /);
  expect(lines[0]).toContain('Did you mean saltmarsh:oyster_brick?');

  const twice = obrank('check', 'demo/saltmarsh', '--beside', pack);
  expect(twice.status).toBe(1);
  expect(twice.stdout).toMatch(/neighbours\/same-id This mod and Saltmarsh are both saltmarsh/);
  const none = obrank('check', mod, '--beside', path.join(folder, 'nowhere'));
  expect(none.status).toBe(2);
});

test('help exits 0', () => expect(obrank('--help').status).toBe(0));

test(
  'names that are no text, line breaks and escapes in names, pipes, links and files ' +
    'that are too large: one clear line each, and the rest is checked',
  () => {
    const mod = path.join(folder, 'strange');
    cpSync('demo/saltmarsh', mod, { recursive: true });
    writeFileSync(path.join(mod, 'blocks/two\nlines.json'), '{}');
    writeFileSync(path.join(mod, 'blocks/\u001b[31mred\u202e.json'), '{}');
    writeFileSync(
      Buffer.concat([
        Buffer.from(path.join(mod, 'items/')),
        Buffer.from([0x73, 0xe4, 0x2e]),
        Buffer.from('json'),
      ]),
      '{}',
    );
    writeFileSync(path.join(mod, 'recipes/large.json'), `{ "a": "${'x'.repeat(9_000_000)}" }`);
    spawnSync('mkfifo', [path.join(mod, 'textures/pipe.png')]);
    symlinkSync('/etc/hostname', path.join(mod, 'words/fr.json'));
    writeFileSync(path.join(mod, 'blocks/salt_crust.json'), '{ "identity": {}, }');
    const { status, lines, stdout } = obrank('check', mod);
    expect(status).toBe(1);
    expect(stdout).not.toMatch(/[\u0000-\u0009\u000b-\u001f\u007f\u202e]/);
    const told = lines.map((line) => line.slice(line.indexOf('strange/') + 8));
    const line = (start: string) => told.filter((one) => one.startsWith(start));
    for (const [start, words] of [
      ['blocks/two\\u{a}lines.json:1:1', 'is not allowed'],
      ['blocks/\\u{1b}[31mred\\u{202e}.json:1:1', 'is not allowed'],
      ['items/s', 'not text in UTF-8'],
      ['recipes/large.json:1:1 error', 'larger than 8 MB'],
      ['textures/pipe.png:1:1 error', 'neither a file nor a folder'],
      ['words/fr.json:1:1 error', 'It is a link'],
      ['blocks/salt_crust.json:1:17 error', 'comma after the last entry'],
    ] as const) {
      expect([start, line(start).length]).toEqual([start, 1]);
      expect(line(start)[0]).toContain(words);
    }
    expect(obrank('build', mod, '--out', path.join(folder, 'never')).status).toBe(1);
  },
);

test('an empty argument, a pipe and a device are each told in one line', () => {
  const pipe = path.join(folder, 'pipe');
  spawnSync('mkfifo', [pipe]);
  for (const [args, words] of [
    [
      ['check', ''],
      /^Name a mod folder, a pack folder or a file that ends in \.obpack, \.notes or \.zip\.$/,
    ],
    [['check', pipe], /not an ordinary file/],
    [['check', '/dev/zero'], /not an ordinary file/],
    [['build', '', '--out', path.join(folder, 'x')], /^Name a mod folder/],
    [['build', 'demo/saltmarsh', '--out', ''], /^Name a folder, or a file/],
    [['build', 'demo/saltmarsh', '--out', '/dev/null'], /not a place for a pack/],
    [
      ['sheet', 'demo/saltmarsh', '--out', path.join(folder, 's.png'), '--against', pipe],
      /not an ordinary file/,
    ],
  ] as const) {
    const { status, stderr, stdout } = obrank(...args);
    expect([args, status, stdout]).toEqual([args, 2, '']);
    expect(stderr.trim().split('\n')).toEqual([expect.stringMatching(words)]);
  }
});

test(
  "a data folder with a damaged, a newer or another program's database: one sentence, " +
    'exit 2, and not a byte is changed',
  () => {
    const data = path.join(folder, 'damaged');
    mkdirSync(data);
    const file = path.join(data, 'obrank.sqlite');
    writeFileSync(file, 'This was a database once.'.repeat(100));
    const { status, stderr } = obrank('serve', '--data', data, '--port', '0');
    expect([status, readFileSync(file, 'utf8')]).toEqual([
      2,
      'This was a database once.'.repeat(100),
    ]);
    expect(stderr.trim().split('\n')).toEqual([
      expect.stringMatching(/is damaged: file is not a database\. It was left as it is/),
    ]);
  },
);

test('what is found is told in the form that is asked for, and a baseline leaves what is known', () => {
  const pack = path.join(folder, 'told');
  expect(obrank('build', 'demo/saltmarsh', '--out', pack).status).toBe(0);
  const block = path.join(pack, 'rules/blocks/reed_fence.json');
  writeFileSync(block, readFileSync(block, 'utf8').replace('"sickle"', '"axe"'));
  const before = obrank('check', pack, '--format', 'json');
  expect(before.status).toBe(0);
  const rulesIn = (json: string) =>
    (JSON.parse(json) as { findings: { rule: string }[] }).findings.map(({ rule }) => rule);
  expect(rulesIn(before.stdout)).toEqual(['pack/digest-differs', 'traits/missing-in-tool-tag']);
  expect(obrank('check', pack, '--max-warnings', '1').status).toBe(1);
  expect(obrank('check', pack, '--max-warnings', '2').status).toBe(0);
  const graver = obrank('check', pack, '--rule', 'pack/digest-differs=error', '--format', 'sarif');
  expect(graver.status).toBe(1);
  expect(graver.stdout).toContain('"level": "error"');
  const silent = ['--rule', 'pack/digest-differs=off', '--only', 'pack/digest-differs'];
  expect(obrank('check', pack, ...silent).stderr).toMatch(/Nothing wrong/);
  expect(obrank('check', pack, '--format', 'junit').stdout).toMatch(/^<\?xml .*<testsuites/s);
  expect(obrank('check', pack, '--format', 'html').stdout).toMatch(/^<!doctype html>/);
  const baseline = path.join(folder, 'baseline.json');
  writeFileSync(baseline, before.stdout);
  writeFileSync(path.join(pack, 'view/looks/reed_fence.json'), '{');
  const fresh = obrank('check', pack, '--baseline', baseline, '--format', 'json');
  expect(fresh.status).toBe(1);
  expect(rulesIn(fresh.stdout)).toEqual(['files/malformed-json', 'pack/digest-differs']);
});

test.each([
  [['--rule', 'tags/emtpy=off'], 'There is no rule tags/emtpy. Did you mean tags/empty?'],
  [['--rule', 'tags/empty=loud'], '--rule tags/empty=loud: say how grave it counts'],
  [['--only', 'nothing'], 'There is no rule nothing.'],
  [['--max-warnings', 'many'], '--max-warnings many: it is a whole number, 0 or more.'],
  [['--baseline', 'package.json'], 'package.json is no earlier report'],
  [['--baseline', '/dev/zero'], 'not an ordinary file'],
  [['--baseline', '/nowhere.json'], '/nowhere.json'],
])('a check is asked for wrongly: %j', (args, words) => {
  const { status, stdout, stderr } = obrank('check', 'demo/saltmarsh', ...args);
  expect({ status, stdout }).toEqual({ status: 2, stdout: '' });
  expect(stderr).toContain(words);
});

test('what is safe is mended in the files, in the way in which they are written', () => {
  const pack = path.join(folder, 'to-mend');
  expect(obrank('build', 'demo/saltmarsh', '--out', pack).status).toBe(0);
  const edit = (file: string, from: string | RegExp, to: string) => {
    const at = path.join(pack, file);
    const before = readFileSync(at, 'utf8');
    writeFileSync(at, before.replace(from, to));
    return { at, before };
  };
  const loot = edit('rules/loot/salt_crust.json', /\}\s*$/, ',}\n');
  edit('view/looks/tide_lantern.json', 'saltmarsh:lantern/dark"', 'saltmarsh:lantern/drak"');
  const { at, before } = edit('rules/blocks/reed_fence.json', '"hardness"', '"hardnes"');
  const left = obrank('check', pack, '--fix', '--only', 'files/does-not-fit');
  expect(left.stderr).toMatch(/^Mended 1 finding in 1 file\.\nNothing wrong/);
  expect(readFileSync(at, 'utf8')).toBe(before);
  expect(readFileSync(loot.at, 'utf8')).toMatch(/,\}\n$/);
  const all = obrank('check', pack, '--fix', '--rule', 'pack/digest-differs=off');
  expect(all.stderr).toMatch(/^Mended 2 findings in \d files\.\nNothing wrong/);
  expect(all.status).toBe(0);
  expect(obrank('check', pack, '--fix').stderr).not.toContain('Mended');

  const mod = path.join(folder, 'mod-to-mend');
  cpSync('demo/saltmarsh', mod, { recursive: true });
  const block = path.join(mod, 'blocks/tide_lantern.json');
  const declared = readFileSync(block, 'utf8');
  writeFileSync(block, declared.replace('saltmarsh:lantern/dark"', 'saltmarsh:lantern/drak"'));
  expect(obrank('check', mod, '--fix').stderr).toMatch(/^Mended 1 finding in 1 file\./);
  expect(readFileSync(block, 'utf8')).toBe(declared);
});

test('it checks again whenever a file changes, until it is interrupted', async () => {
  const mod = path.join(folder, 'watched');
  cpSync('demo/saltmarsh', mod, { recursive: true });
  const child = spawn(process.execPath, ['scripts/obrank.mjs', 'check', mod, '--watch']);
  const heard = async (words: RegExp) => {
    let said = '';
    for await (const piece of child.stderr.setEncoding('utf8').iterator({ destroyOnReturn: false }))
      if (words.test((said += piece as string))) return;
    throw new Error(`never said: ${words}`);
  };
  await heard(/Watching/);
  const block = path.join(mod, 'blocks/reed_thatch.json');
  const before = readFileSync(block, 'utf8');
  writeFileSync(block, before.replace('{', ''));
  await heard(/1 error, 0 warnings/);
  writeFileSync(block, before);
  await heard(/Nothing wrong/);
  child.kill('SIGINT');
  const [status] = (await once(child, 'exit')) as [number];
  expect(status).toBe(0);
});
