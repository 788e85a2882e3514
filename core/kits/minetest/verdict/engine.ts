import type { Files } from '../../../bytes/index.ts';
import type { Mod } from '../../../mod/index.ts';
import { basePicture, encodePicture } from '../../../textures/index.ts';
import { reportsOf } from '../../file-rule.ts';
import type { AskedHow, Difference, Engine, Heard, Laid } from '../../kit.ts';
import { engineRules } from '../rules/index.ts';
import { checksOf, countedBySort, differences, questionsText } from './index.ts';
import { meshDifferences } from './meshes.ts';
import { probeLua } from './probe.ts';

const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);
const lines = (...all: string[]): Uint8Array => bytesOf(`${all.join('\n')}\n`);

/** The world: one with a game of its own, so that nothing else on the machine is loaded. */
const world = 'world';
const mods = `${world}/game/mods`;
const probe = `${mods}/obrank_probe`;

/** A world without a map of its own, and a server that listens on this machine alone. */
export const settings = (...more: string[]): Uint8Array =>
  lines(
    'bind_address = 127.0.0.1',
    'server_announce = false',
    'mg_name = singlenode',
    'enable_damage = false',
    ...more,
  );

/** The world's own files, with the mods that are loaded. */
export function worldFiles(mod: Mod, built: Files): Files {
  const files: Files = new Map([
    [
      `${world}/world.mt`,
      lines(
        'gameid = obrank',
        'backend = sqlite3',
        'player_backend = sqlite3',
        'auth_backend = sqlite3',
        'mod_storage_backend = sqlite3',
      ),
    ],
    [`${world}/game/game.conf`, lines('title = Obrank')],
    ...[...built].map(([path, bytes]): [string, Uint8Array] => [
      `${mods}/${mod.header.namespace}/${path}`,
      bytes,
    ]),
  ]);
  // What the mod needs is not here: empty stand-ins let it load.
  for (const { namespace } of mod.header.needs ?? []) {
    files.set(`${mods}/${namespace}/mod.conf`, lines(`name = ${namespace}`));
    files.set(`${mods}/${namespace}/init.lua`, lines('-- A stand-in.'));
  }
  return files;
}

const asksFor = (mod: Mod, { diggings, onlyLoads }: AskedHow) =>
  onlyLoads ? [] : checksOf(mod, diggings);

function lay(mod: Mod, built: Files, how: AskedHow = {}): Laid {
  const checks = asksFor(mod, how);
  const files = worldFiles(mod, built);
  const wall = encodePicture(basePicture('#8d8d86', mod.header.texels, 1));
  files.set('engine.conf', settings('liquid_update = 0.1'));
  files.set('home/.keep', lines(''));
  files.set(`${probe}/mod.conf`, lines('name = obrank_probe', `depends = ${mod.header.namespace}`));
  files.set(`${probe}/init.lua`, bytesOf(probeLua));
  files.set(`${probe}/questions.lua`, bytesOf(questionsText(mod, checks)));
  files.set(`${probe}/textures/obrank_probe_wall.png`, wall);
  return { files, checks: checks.length, asked: countedBySort(checks) };
}

function judge(
  mod: Mod,
  built: Files,
  { answers, complaint }: Heard,
  how: AskedHow = {},
): Difference[] {
  if (answers === undefined)
    return [{ about: 'Loading the mod', ours: 'loads', engine: complaint ?? 'nothing' }];
  return [
    ...(complaint === undefined
      ? []
      : [{ about: 'What the engine logs while it loads', ours: 'no error', engine: complaint }]),
    ...damages(built),
    ...meshDifferences(mod, built),
    ...differences(asksFor(mod, how), answers),
  ];
}

/** What is wrong with the files themselves: the server hands them out without looking. */
const damages = (built: Files): Difference[] =>
  reportsOf(engineRules, built)
    .filter(({ severity }) => severity === 'error')
    .map(({ file, message }) => ({ about: file, ours: 'whole', engine: message }));

/** The first thing that the engine calls an error, with what it says to it. */
function complaintIn(output: string): string | undefined {
  const rows = output.split('\n');
  const first = rows.findIndex((row) => /ERROR\[/.test(row));
  if (first < 0) return undefined;
  const words = rows
    .slice(first)
    .filter((row) => /ERROR\[/.test(row))
    .slice(0, 4)
    .map((row) => row.replace(/^.*?ERROR\[\w+\]:\s*/, '').trim());
  return words.filter(Boolean).join(' ');
}

/** The engine's server. */
export const minetestServer: Omit<Engine, 'gallery'> = {
  title: 'Minetest 5.6 and later',
  programs: ['minetestserver'],
  folders: ['/usr/games', '/usr/bin', '/usr/local/bin', '/usr/local/games'],
  get: 'On Debian it comes with: apt-get install minetest-server',
  knows: /^Minetest/i,
  lay,
  args: (folder, port) => [
    '--world',
    `${folder}/${world}`,
    '--config',
    `${folder}/engine.conf`,
    '--port',
    String(port),
    '--logfile',
    '',
    '--color',
    'never',
  ],
  env: (folder) => ({ HOME: `${folder}/home` }),
  answers: `${world}/answers.json`,
  progress: (line) => {
    const [, done] = /^asked (\d+) of \d+$/.exec(line.trim()) ?? [];
    return done === undefined ? undefined : Number(done);
  },
  complaint: complaintIn,
  portTaken: (output) => /address already in use|failed to bind/i.test(output),
  judge,
};
