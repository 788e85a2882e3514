import { digestOf, type Files } from '../../../bytes/index.ts';
import { itemAt } from '../../../lists/index.ts';
import {
  formerId,
  idOf,
  inOrder,
  lookUp,
  resolveBlock,
  resolveBlocks,
  titleOf,
  toolKinds,
  type Mod,
  type ResolvedBlock,
} from '../../../mod/index.ts';
import { basePicture, encodePicture, marker } from '../../../textures/index.ts';
import { toolName } from '../../../traits/index.ts';
import type { BlobOf } from '../../kit.ts';
import { marks } from '../format/marks.ts';
import { runtimeLua } from '../runtime/runtime.ts';
import { compileBlock, type CompiledBlock } from '../states/compile.ts';
import { capabilities, ladderTools, toolGroup, Ways } from './digging.ts';
import { bucketsForEngine, fluidsForEngine } from './fluids.ts';
import { Groups } from './groups.ts';
import { drawsForEngine, tablesForEngine } from './loot.ts';
import { lua, type LuaValue } from './lua.ts';
import { engineName, fileName } from './names.ts';
import { drawingOf, homeOf, meshFile, nodeDefinition } from './nodes.ts';
import { playedSounds, reactionsForEngine } from './reactions.ts';
import { recipesForEngine } from './recipes.ts';
import { meshText } from './shape.ts';
import { soundFiles } from './sounds.ts';
import { fileOfTexture, missingPicture, pictureFor } from './tiles.ts';
import { localeFiles, sourceText } from './words.ts';

const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);
const asData = (words: string, value: LuaValue): string => `-- ${words}\nreturn ${lua(value)}\n`;

/** Everything that the parts of a build share. */
interface Parts {
  mod: Mod;
  ways: Ways;
  groups: Groups;
}

const partsFor = (mod: Mod): Parts => ({
  mod,
  ways: new Ways(resolveBlocks(mod)),
  groups: new Groups(mod),
});

/** Placing rules of these kinds go on holding while the block stands; a signal has reactions. */
const following = new Set(['joined', 'corner']);

/** A block as a table for the runtime. */
function blockTable(parts: Parts, compiled: CompiledBlock): LuaValue {
  const { block, nodes, codes } = compiled;
  const { namespace } = parts.mod.header;
  const { placing = [] } = block.declared.states;
  const { traits, space } = block;
  const { mod } = parts;
  return {
    name: engineName(block.id),
    properties: space.properties.map(({ name, kind, default: usual }, i) => ({
      name,
      kind,
      values: [...itemAt(space.values, i)],
      default: usual,
    })),
    codes: codes.flatMap(({ node, byte }) => [node, byte]),
    also: compiled.reads.flatMap((states, node) =>
      [...states].flatMap(([byte, state]) => {
        const code = itemAt(codes, state);
        return code.node === node && code.byte === byte ? [] : [node, byte, state];
      }),
    ),
    moved: compiled.moved.map(({ name, byte, state }) => [`${namespace}:${name}`, byte, state]),
    placing: placing as unknown as LuaValue,
    follows: Object.fromEntries(
      placing.filter(({ to }) => following.has(to)).map(({ set }) => [set, true]),
    ),
    corners: Object.fromEntries(
      placing.filter(({ to }) => to === 'corner').map(({ set }) => [set, true]),
    ),
    tool: traits.toolKind,
    grade: traits.leastGrade,
    gated: traits.gated,
    rating: traits.blastRating,
    draws: drawsForEngine(block.draws),
    ...(block.declared.reactions?.length && { reactions: reactionsForEngine(mod, block) }),
    nodes: nodes.map((node) => ({
      name: `${namespace}:${node.name}`,
      definition: withSourceText(nodeDefinition(parts, compiled, node)),
    })),
  };
}

/** A definition with its name as the translator takes it. */
function withSourceText(definition: LuaValue): LuaValue {
  const { description, ...rest } = definition as { description: string; [key: string]: LuaValue };
  return { description: sourceText(description), ...rest };
}

/** The items of a mod for the engine: those that are declared, and tools of the ladder. */
function itemTable({ mod, ways, groups }: Parts): LuaValue {
  const { namespace } = mod.header;
  const tools = ladderTools(mod);
  const declared = Object.entries(mod.items).map(([name, item]) => {
    const id = idOf(namespace, name);
    const tool = tools.find((one) => one.item === name);
    return [
      engineName(id),
      {
        description: sourceText(titleOf(mod, name, item.names)),
        inventory_image: fileOfTexture(mod, item.texture),
        ...(item.stack !== undefined && !tool && { stack_max: item.stack }),
        groups: { ...groups.ofItem(id, item.group), ...(tool && toolGroup(mod, tool.tool)) },
        ...(tool && { tool_capabilities: capabilities(mod.header, ways, tool.tool) }),
      },
    ] as const;
  });
  const others = tools
    .filter(({ item }) => item === undefined)
    .map(
      ({ name, tool }) =>
        [
          name,
          {
            description: toolName(tool, mod.header),
            inventory_image: toolPicture(namespace),
            groups: { ...toolGroup(mod, tool), not_in_creative_inventory: 1 },
            tool_capabilities: capabilities(mod.header, ways, tool),
          },
        ] as const,
    );
  return Object.fromEntries<LuaValue>([...declared, ...others]);
}

const toolPicture = (namespace: string): string => `${fileName(namespace, 'tool')}.png`;

/** The fluids of a mod with their buckets. */
const fluidTable = (mod: Mod): LuaValue => ({
  fluids: fluidsForEngine(mod).map((fluid) => {
    const { definitions, ...rest } = fluid as { definitions: Record<string, LuaValue> };
    return {
      ...rest,
      definitions: Object.fromEntries(
        Object.entries(definitions).map(([which, one]) => [which, withSourceText(one)]),
      ),
    };
  }),
  buckets: bucketsForEngine(mod),
});

/** What the runtime is given beside blocks and items. */
function modTable({ mod, ways }: Parts, blocks: readonly CompiledBlock[]): LuaValue {
  return {
    version: mod.header.version.replaceAll(/\W/g, '_'),
    hand: capabilities(mod.header, ways, 'bare hands'),
    kinds: [...toolKinds],
    tables: tablesForEngine(mod),
    aliases: aliasesOf(mod, blocks),
  };
}

/** Names that saved worlds may know, and what stands there now. */
function aliasesOf(mod: Mod, blocks: readonly CompiledBlock[]): Record<string, string> {
  const { namespace } = mod.header;
  const byName = new Map(blocks.map((compiled) => [compiled.block.name, compiled]));
  const aliases: Record<string, string> = {};
  for (const { kind, name, formerly = [] } of mod.ledger.entries) {
    if (kind === 'group') continue;
    const compiled = byName.get(name);
    const home = compiled && homeOf(compiled).name;
    for (const old of formerly) {
      const oldId = formerId(namespace, old);
      aliases[engineName(oldId)] = engineName(idOf(namespace, name));
      for (const node of compiled?.nodes ?? [])
        if (home !== undefined && node.name !== home && node.name.startsWith(home))
          aliases[engineName(`${oldId}${node.name.slice(home.length)}`)] =
            `${namespace}:${node.name}`;
    }
  }
  for (const { nodes, codes, moved } of blocks)
    for (const { name, state } of moved)
      if (!nodes.some((node) => node.name === name))
        aliases[`${namespace}:${name}`] ??=
          `${namespace}:${itemAt(nodes, itemAt(codes, state).node).name}`;
  for (const { kind, name, successor } of mod.ledger.retired)
    if (kind !== 'group' && successor !== undefined)
      aliases[engineName(idOf(namespace, name))] = engineName(successor);
  return aliases;
}

const initLua = (namespace: string): string => `-- ${namespace}: built by Obrank.
local folder = minetest.get_modpath("${namespace}")
local mod = dofile(folder .. "/mod.lua")
mod.name = "${namespace}"
mod.blocks = dofile(folder .. "/blocks.lua")
mod.items = dofile(folder .. "/items.lua")
mod.wet = dofile(folder .. "/fluids.lua")
mod.recipes = dofile(folder .. "/recipes.lua")

-- Other mods read and change states: ${namespace}.set(pos, { lit = true }).
${namespace} = dofile(folder .. "/runtime.lua")(mod)
`;

function modConf({ header }: Mod): string {
  const needs = (header.needs ?? []).map(({ namespace }) => namespace);
  return [
    `name = ${header.namespace}`,
    `title = ${header.title}`,
    `description = ${inOneLine(header.description ?? header.title)} ${header.version}, ${header.license}`,
    ...(header.authors.length ? [`author = ${header.authors.join(', ')}`] : []),
    ...(needs.length ? [`depends = ${needs.join(', ')}`] : []),
    '',
  ].join('\n');
}

/** A text without line breaks: the next line is another setting. */
const inOneLine = (text: string): string => text.replaceAll(/\s+/g, ' ').trim();

/** The meshes of a block, by file. */
function meshesOf(mod: Mod, { block, nodes }: CompiledBlock): Map<string, string> {
  return new Map(
    nodes
      .filter((node) => drawingOf(block, node) === 'mesh')
      .map((node) => [`models/${meshFile(mod, node)}`, meshText(node.name, node.body)]),
  );
}

/** All files of a mod for the engine, in the order of their paths. */
export function writeEngineMod(
  given: Mod,
  blobOf: BlobOf,
  onProgress?: (done: number, total: number) => void,
): Files {
  const mod = inOrder(given);
  const { namespace } = mod.header;
  const parts = partsFor(mod);
  const files: Files = new Map();
  const text = (path: string, words: string) => files.set(path, bytesOf(words));
  const resolved = resolveBlocks(mod);
  const blocks = resolved.map((block, done) => {
    if (done % 64 === 0) onProgress?.(done, resolved.length);
    return compileBlock(mod, block);
  });
  text('mod.conf', modConf(mod));
  text('init.lua', initLua(namespace));
  text('runtime.lua', runtimeLua);
  text(
    'mod.lua',
    asData('The hand, the tools, loot tables and old names.', modTable(parts, blocks)),
  );
  text(
    'blocks.lua',
    asData('Blocks: their states, and the nodes that keep them.', [
      ...blocks.map((compiled) => blockTable(parts, compiled)),
    ]),
  );
  text('fluids.lua', asData('Fluids, and the buckets that they are filled into.', fluidTable(mod)));
  text('items.lua', asData('Items and tools.', itemTable(parts)));
  text('recipes.lua', asData('Recipes.', recipesForEngine(mod)));
  for (const compiled of blocks)
    for (const [path, words] of meshesOf(mod, compiled)) text(path, words);
  for (const [path, words] of localeFiles(mod)) text(path, words);
  for (const [path, bytes] of pictures(mod, blobOf)) files.set(path, bytes);
  for (const [path, bytes] of soundFiles(mod, blobOf)) files.set(path, bytes);
  for (const [path, sha256] of playedSounds(mod)) files.set(path, blobOf(sha256));
  // The engine shows a picture of this name in its lists.
  if (mod.header.picture) files.set('screenshot.png', blobOf(mod.header.picture.sha256));
  const lines = [...files.keys()].sort().map((path) => `${digestOf(files.get(path)!)}  ${path}\n`);
  text(marks, lines.join(''));
  return new Map([...files].sort(([a], [b]) => (a < b ? -1 : 1)));
}

function pictures(mod: Mod, blobOf: BlobOf): Map<string, Uint8Array> {
  const { namespace, texels } = mod.header;
  const found = new Map<string, Uint8Array>();
  for (const [name, texture] of Object.entries(mod.textures))
    found.set(`textures/${fileName(namespace, name)}.png`, pictureFor(texture, blobOf));
  found.set(`textures/${missingPicture(namespace)}`, encodePicture(marker));
  found.set(`textures/${toolPicture(namespace)}`, encodePicture(basePicture('#8d8d86', texels, 1)));
  return found;
}

/** The files that follow from one block alone, as text, by path. */
export function writeEngineBlock(given: Mod, name: string): Map<string, string> {
  const mod = inOrder(given);
  const declared = lookUp(mod.blocks, name);
  if (!declared) return new Map();
  const block: ResolvedBlock = resolveBlock(mod, name, declared);
  const compiled = compileBlock(mod, block);
  return new Map([
    [
      'blocks.lua (this block)',
      asData(titleOf(mod, name, declared.names), blockTable(partsFor(mod), compiled)),
    ],
    ...meshesOf(mod, compiled),
  ]);
}
