import type { Files } from '../../../bytes/index.ts';
import { itemAt } from '../../../lists/index.ts';
import type { Mod } from '../../../mod/index.ts';
import { basePicture, encodePicture, type Pixels } from '../../../textures/index.ts';
import type { Gallery } from '../../kit.ts';
import { lua, type LuaValue } from '../write/lua.ts';
import { engineName } from '../write/names.ts';
import { settings, worldFiles } from '../verdict/engine.ts';
import { stateWords, triedBlocks, type TriedBlock } from '../verdict/tried.ts';
import { cameraLua, galleryLua } from './mod.ts';

/** So many blocks stand in a gallery, and so many states of each. */
export const mostBlocks = 200;
const mostStates = 48;

const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);
const gallery = 'world/game/mods/obrank_gallery';
const camera = 'world/game/mods/obrank_camera';

/** A state as the gallery puts it: node, byte, and what is said when one points at it. */
const exhibit = (tried: TriedBlock, state: number): LuaValue => {
  const { node, byte } = itemAt(tried.codes, state);
  return [itemAt(tried.names, node), byte, stateWords(tried, state)];
};

/** What the gallery shows of a block. */
function exhibitOf(mod: Mod, tried: TriedBlock): LuaValue {
  const { block, codes, title } = tried;
  const { defaultState, size } = block.space;
  const states = [...Array(size).keys()].filter((state) => state !== defaultState);
  const shown = [defaultState, ...states].slice(0, mostStates);
  // Another node of the block, if it has one: lit, open, full.
  const other = states.findLast(
    (state) => itemAt(codes, state).node !== itemAt(codes, defaultState).node,
  );
  const given = block.draws.flatMap(({ lots }) => lots.flatMap(({ give }) => give ?? []));
  const fromTables = Object.values(mod.lootTables).flatMap(({ draws }) =>
    draws.flatMap(({ lots }) => lots.flatMap(({ give }) => give ?? [])),
  );
  const hasTable = block.draws.some(({ lots }) => lots.some(({ table }) => table !== undefined));
  return {
    title,
    states: shown.map((state) => exhibit(tried, state)),
    ...(other !== undefined && { other: exhibit(tried, other) }),
    drops: [...new Set([...given, ...(hasTable ? fromTables : [])])].map(engineName),
  };
}

/** A picture of one colour, with so much of it to be seen. */
function plainPicture(colour: string, alpha: number, texels: number): Uint8Array {
  const [r, g, b] = [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16));
  const pixels: Pixels = { width: texels, height: texels, data: new Uint8Array(texels ** 2 * 4) };
  for (let i = 0; i < pixels.data.length; i += 4) pixels.data.set([r!, g!, b!, alpha], i);
  return encodePicture(pixels);
}

/** The files of a gallery's world, with a camera in it where a picture is taken. */
function lay(mod: Mod, built: Files, hasCamera = false): Files {
  const files = worldFiles(mod, built);
  const tried = triedBlocks(mod).slice(0, mostBlocks);
  const rows = Math.ceil(tried.length / 6);
  const text = (path: string, words: string) => files.set(path, bytesOf(words));
  text('home/.keep', '');
  files.set('engine.conf', settings('obrank_gallery_stop = true'));
  files.set('client.conf', clientSettings());
  text('world/game/minetest.conf', 'static_spawnpoint = 8, 2, -8\nmg_name = singlenode\n');
  text(`${gallery}/mod.conf`, `name = obrank_gallery\ndepends = ${mod.header.namespace}\n`);
  text(`${gallery}/init.lua`, galleryLua);
  text(`${gallery}/exhibits.lua`, `return ${lua(tried.map((one) => exhibitOf(mod, one)))}\n`);
  const picture = (name: string, bytes: Uint8Array) =>
    files.set(`${gallery}/textures/obrank_gallery_${name}.png`, bytes);
  picture('floor', encodePicture(basePicture('#c9c1ae', 16, 3)));
  picture('wall', encodePicture(basePicture('#8f8a7e', 16, 5)));
  picture('water', plainPicture('#3f7f8c', 150, 16));
  picture('clear', plainPicture('#000000', 0, 1));
  if (hasCamera) {
    const height = 4.8 + rows * 1.1;
    text(`${camera}/mod.conf`, 'name = obrank_camera\n');
    text(
      `${camera}/init.lua`,
      cameraLua(`{ x = 7.5, y = ${height}, z = ${-5 - rows * 0.6} }`, 0.63),
    );
  }
  return files;
}

const clientSettings = (): Uint8Array =>
  settings(
    'enable_sound = false',
    'fullscreen = false',
    'screen_w = 1280',
    'screen_h = 800',
    'fps_max = 15',
    'viewing_range = 120',
    'enable_clouds = false',
    'menu_clouds = false',
    'show_debug = false',
  );

/** The gallery of the engine, and its client, which photographs it. */
export const minetestGallery: Gallery = {
  most: mostBlocks,
  lay,
  built: (output) => output.includes('gallery built'),
  client: {
    programs: ['minetest'],
    get: 'On Debian it comes with: apt-get install minetest xvfb',
    args: (folder) => [
      '--go',
      '--world',
      `${folder}/world`,
      '--config',
      `${folder}/client.conf`,
      '--logfile',
      '',
    ],
    env: (folder) => ({ HOME: `${folder}/home`, LIBGL_ALWAYS_SOFTWARE: '1' }),
    isIn: (line) => line.includes('gallery entered'),
    size: [1280, 800],
  },
};
