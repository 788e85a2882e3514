import { expect, test } from '@jest/globals';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

const kitNames = readdirSync('core/kits', { withFileTypes: true })
  .filter((entry) => entry.isDirectory() && entry.name !== 'own')
  .map((entry) => entry.name);

/** A kit as a whole ties its parts together; its reader and its rules never know its writer. */
function arrowsOfKit(name: string): Record<string, string[]> {
  const kit = `core/kits/${name}`;
  const facets = [
    'mod',
    'table',
    'tags',
    'texts',
    'models',
    'space',
    'states',
    'textures',
    'sounds',
  ];
  const tools = ['core/kits/file-rule', 'core/mend', 'core/json', 'core/bytes', 'core/words'];
  const knowing = [...tools, ...facets.map((facet) => `core/${facet}`)];
  return {
    [kit]: [...knowing, 'core/placing', 'core/reactions', 'core/yard', 'core/kits/kit', kit],
    [`${kit}/format`]: ['core/mod', 'core/space', 'core/bytes'],
    [`${kit}/states`]: [`${kit}/format`, 'core/kits/kit', 'core/draw', 'core/placing', ...knowing],
    [`${kit}/runtime`]: [],
    [`${kit}/read`]: [`${kit}/format`, ...tools, 'core/mod', 'core/textures', 'core/sounds'],
    [`${kit}/declare`]: [`${kit}/format`, `${kit}/read`, 'core/kits/declared', ...knowing],
    [`${kit}/rules`]: [`${kit}/format`, `${kit}/read`, ...knowing],
    [`${kit}/write`]: [
      `${kit}/format`,
      `${kit}/states`,
      `${kit}/runtime`,
      'core/kits/kit',
      'core/traits',
      ...knowing,
    ],
    [`${kit}/mend`]: [
      `${kit}/format`,
      `${kit}/read`,
      `${kit}/declare`,
      `${kit}/write`,
      'core/kits/kit',
      'core/kits/declared',
      ...knowing,
    ],
    [`${kit}/gallery`]: [`${kit}/write`, `${kit}/verdict`, 'core/kits/kit', ...knowing],
    // What an engine is asked: predicted from the declaration and from how it is written.
    [`${kit}/verdict`]: [
      `${kit}/format`,
      `${kit}/states`,
      `${kit}/write`,
      `${kit}/rules`,
      'core/kits/kit',
      'core/loot',
      'core/placing',
      'core/reactions',
      'core/traits',
      ...knowing,
    ],
  };
}

/** What each room may import from. A room may always import from itself. */
const arrows: Record<string, string[]> = {
  'core/lists': [],
  'core/space': [],
  'core/json': [],
  'core/words': [],
  'core/bytes': [],
  'core/states': ['core/space'],
  'core/mod': ['core/space', 'core/states', 'core/json', 'core/words'],
  'core/mend': ['core/mod', 'core/json', 'core/bytes'],
  'core/merge': ['core/json', 'core/mend'],
  'core/families': ['core/forms', 'core/mod', 'core/json'],
  'core/fluids': ['core/space'],
  'core/reactions': ['core/space', 'core/states', 'core/mod', 'core/words'],
  'core/folder': [
    'core/families',
    'core/mend',
    'core/mod',
    'core/json',
    'core/words',
    'core/bytes',
    'core/textures',
    'core/sounds',
  ],
  'core/history': ['core/families', 'core/mod', 'core/json'],
  'core/linked': [
    'core/folder',
    'core/merge',
    'core/mend',
    'core/mod',
    'core/json',
    'core/words',
    'core/bytes',
  ],
  'core/textures': ['core/mod', 'core/space', 'core/bytes'],
  'core/sounds': ['core/mod', 'core/bytes', 'core/json'],
  'core/table': ['core/mod', 'core/states', 'core/json', 'core/words'],
  'core/placing': ['core/space', 'core/states', 'core/mod', 'core/words'],
  'core/models': ['core/space', 'core/states', 'core/mod', 'core/json', 'core/textures'],
  'core/forms': [
    'core/placing',
    'core/space',
    'core/states',
    'core/mod',
    'core/models',
    'core/json',
    'core/textures',
    'core/words',
  ],
  'core/traits': ['core/mod', 'core/states', 'core/space'],
  'core/loot': ['core/mod', 'core/states', 'core/traits', 'core/space'],
  'core/tags': ['core/mod', 'core/json'],
  'core/texts': ['core/mod', 'core/json', 'core/words'],
  'core/registry': ['core/mod', 'core/states'],
  'core/recipes': [
    'core/mod',
    'core/tags',
    'core/loot',
    'core/placing',
    'core/states',
    'core/traits',
  ],
  'core/draw': [
    'core/forms',
    'core/mod',
    'core/models',
    'core/space',
    'core/states',
    'core/textures',
  ],
  'core/exchange': [
    'core/draw',
    'core/mod',
    'core/models',
    'core/space',
    'core/textures',
    'core/words',
  ],
  'core/kits': [
    'core/mend',
    'core/mod',
    'core/bytes',
    'core/json',
    'core/space',
    'core/table',
    'core/words',
    ...kitNames.map((kit) => `core/kits/${kit}`),
    'core/kits/own',
  ],
  ...Object.fromEntries(kitNames.flatMap((kit) => Object.entries(arrowsOfKit(kit)))),
  // What people write kits with: it knows the declaration, and no target.
  'core/kits/own': [
    'core/bytes',
    'core/json',
    'core/kits/file-rule',
    'core/kits/kit',
    'core/mod',
    'core/models',
    'core/space',
    'core/states',
    'core/tags',
    'core/textures',
    'core/words',
  ],
  'core/take-over': [
    'core/kits/index',
    'core/bytes',
    'core/json',
    'core/mod',
    'core/models',
    'core/recipes',
    'core/space',
    'core/states',
    'core/tags',
    'core/words',
  ],
  'core/api': ['core/mod'],
  // What it would share with the declaration it could not find wrong in what was written.
  'core/yard': ['core/fluids', 'core/reactions', 'core/space', 'core/states'],
  // Beside the Yard, which knows nothing of how the declaration is drawn.
  'core/yard-pictures': [
    'core/bytes',
    'core/draw',
    'core/models',
    'core/space',
    'core/textures',
    'core/yard',
  ],
  'core/inspect': ['core'],
  disk: ['core'],
  server: ['core', 'disk'],
  // What it is called and its version stand in package.json.
  cli: ['core', 'disk', 'server', 'package'],
  // A report says which version made it.
  web: ['core', 'package'],
};
/** What every room may use. */
const forEverybody = ['core/lists'];
const rooms = Object.keys(arrows).sort((a, b) => b.length - a.length);
const roomOf = (file: string) => rooms.find((room) => file.startsWith(`${room}/`));

const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const file = `${folder}/${entry.name}`;
    return entry.isDirectory()
      ? sources(file)
      : /\.tsx?$/.test(file) && !/\.test\.ts$/.test(file)
        ? [file]
        : [];
  });
const importsOf = (file: string): string[] =>
  [...readFileSync(file, 'utf8').matchAll(/(?:from|import) '(\.[^']+)'/g)].map((found) =>
    path.posix.join(path.posix.dirname(file), found[1]!),
  );

test('every file imports only along the arrows', () => {
  const wrong: string[] = [];
  for (const file of ['core', 'disk', 'server', 'cli', 'web'].flatMap(sources)) {
    const room = roomOf(file);
    if (!room) wrong.push(`${file} is in no room`);
    else
      for (const target of importsOf(file)) {
        const there = roomOf(target);
        if (
          there !== room &&
          ![...arrows[room]!, ...forEverybody].some(
            (allowed) => target.startsWith(`${allowed}/`) || target.startsWith(`${allowed}.`),
          )
        )
          wrong.push(`${file} imports ${target}`);
      }
  }
  expect(wrong).toEqual([]);
});

test.each(kitNames)('the reader of the kit %s never imports what writes', (kit) => {
  const reached = new Set<string>();
  const walk = (file: string) => {
    if (reached.has(file) || !file.endsWith('.ts')) return;
    reached.add(file);
    importsOf(file).forEach(walk);
  };
  const reader = `core/kits/${kit}/read`;
  if (existsSync(reader)) sources(reader).forEach(walk);
  expect(
    [...reached].filter((file) => /\/write\/|core\/models|core\/families|mod\/resolve/.test(file)),
  ).toEqual([]);
});

test('core knows no interface and no machine', () => {
  for (const file of sources('core'))
    expect(readFileSync(file, 'utf8')).not.toMatch(/from '(node:|react|express|typeorm|three)/);
});

test('nothing but the kits and their index knows the name of a target', () => {
  const telling = ['core', 'disk', 'server', 'cli', 'web']
    .flatMap(sources)
    .filter((file) => !file.startsWith('core/kits/'))
    .filter((file) => /core\/kits\/(?!index)[a-z-]+\//.test(importsOf(file).join(' ')));
  expect(telling).toEqual([]);
});
