import type { Mod, ResolvedBlock } from '../../../mod/index.ts';
import { titleOf } from '../../../mod/index.ts';
import { plainName } from '../format/names.ts';
import type { BodyBox } from '../states/body.ts';
import type { CompiledBlock, EngineNode } from '../states/compile.ts';
import { commonRating, digGroup, type Ways } from './digging.ts';
import type { Groups } from './groups.ts';
import type { LuaValue } from './lua.ts';
import { fileName } from './names.ts';
import { cubeFaces, drawnBoxes, engineBox, isWholeCell, materialsOf, mostTiles } from './shape.ts';
import { soundsOf } from './sounds.ts';
import { tileOf } from './tiles.ts';

/** The engine's brightest light. */
export const mostLight = 14;
/** What goes through a node loses one level here, unless it is stopped altogether. */
export const stopsLight = 15;

/** How the engine draws a node: as a cube with tiles, as boxes with tiles, or as a mesh. */
export type Drawing = 'normal' | 'glasslike' | 'nodebox' | 'mesh' | 'airlike';

/** How a node is drawn. The engine turns cubes only where they are opaque. */
export function drawingOf({ traits }: ResolvedBlock, { body, byte }: EngineNode): Drawing {
  if (!body.faces.length) return 'airlike';
  if (!cubeFaces(body)) return drawnBoxes(body) ? 'nodebox' : 'mesh';
  if (traits.alphaMode === 'opaque') return 'normal';
  return byte === undefined ? 'glasslike' : 'mesh';
}

/** The light that a node gives to the engine. */
export const engineLight = (level: number): number =>
  Math.max(0, Math.min(mostLight, Math.round(level)));

/** Whether the engine lets light through a node: it must where the node gives light or is a mesh. */
export const letsLightThrough = (block: ResolvedBlock, node: EngineNode): boolean =>
  node.body.lightAbsorbed < stopsLight ||
  engineLight(node.body.lightEmitted) > 0 ||
  drawingOf(block, node) !== 'normal';

const alphaWords = { opaque: 'opaque', mask: 'clip', blend: 'blend' } as const;

interface NodeParts {
  mod: Mod;
  ways: Ways;
  groups: Groups;
}

/** The definition of a node for the engine, without what the runtime adds. */
export function nodeDefinition(
  parts: NodeParts,
  { block, nodes }: CompiledBlock,
  node: EngineNode,
): LuaValue {
  const { mod } = parts;
  const { traits } = block;
  const drawing = drawingOf(block, node);
  const light = engineLight(node.body.lightEmitted);
  const isHome = node === homeOf({ block, nodes });
  return {
    description: titleOf(mod, block.name, block.declared.names),
    drawtype: drawing,
    ...(drawing === 'mesh' && { mesh: meshFile(mod, node) }),
    ...(drawing === 'nodebox' && { node_box: fixed(drawnBoxes(node.body)?.boxes ?? []) }),
    ...(drawing !== 'airlike' && { tiles: tilesOf(mod, block, node) }),
    use_texture_alpha: alphaWords[traits.alphaMode],
    ...(letsLightThrough(block, node) && { paramtype: 'light' }),
    ...(node.body.lightAbsorbed === 0 && { sunlight_propagates: true }),
    ...(light > 0 && { light_source: light }),
    ...(node.byte && { paramtype2: node.byte }),
    is_ground_content: false,
    ...boxesOf(node, drawing),
    ...(traits.hardness === 'unbreakable' && { diggable: false }),
    ...(traits.dragInside > 0 && { move_resistance: resistance(traits.dragInside) }),
    ...(traits.harmOnTouch > 0 && { damage_per_second: damage(traits.harmOnTouch) }),
    groups: nodeGroups(parts, block, node, isHome),
    ...itemParts(mod, block),
    sounds: soundsOf(mod, traits.soundSet),
  };
}

/** The node that is the block's item: the one with its own name. */
export const homeOf = ({ block, nodes }: Pick<CompiledBlock, 'block' | 'nodes'>): EngineNode =>
  nodes.find(({ name }) => name === plainName(block.name))!;

export const meshFile = ({ header }: Mod, { name }: EngineNode): string =>
  `${fileName(header.namespace, name)}.obj`;

function tilesOf(mod: Mod, block: ResolvedBlock, node: EngineNode): LuaValue {
  const { body } = node;
  const drawing = drawingOf(block, node);
  const faces =
    drawing === 'mesh'
      ? materialsOf(body.faces).slice(0, mostTiles)
      : drawing === 'nodebox'
        ? (drawnBoxes(body)?.tiles ?? [])
        : (cubeFaces(body) ?? []);
  const tiles = faces.map((face) => tileOf(mod, block.traits.tint, face));
  const isOne = tiles.every((tile) => JSON.stringify(tile) === JSON.stringify(tiles[0]));
  return isOne && drawing !== 'mesh' ? tiles.slice(0, 1) : tiles;
}

const fixed = (boxes: readonly BodyBox[]): LuaValue => ({
  type: 'fixed',
  fixed: boxes.map(engineBox),
});

/** What is bumped into and pointed at. Where nothing is said it is the whole cell, or what is drawn. */
function boxesOf(
  { body: { collision, outline } }: EngineNode,
  drawing: Drawing,
): Record<string, LuaValue> {
  const whole = drawing === 'nodebox' ? { type: 'regular' } : undefined;
  const shape = (boxes: readonly BodyBox[]) => (isWholeCell(boxes) ? whole : fixed(boxes));
  return {
    ...(collision.length ? { collision_box: shape(collision) } : { walkable: false }),
    ...(outline.length ? { selection_box: shape(outline) } : { pointable: false }),
  };
}

function nodeGroups(
  { mod, ways, groups }: NodeParts,
  block: ResolvedBlock,
  { body }: EngineNode,
  isHome: boolean,
): Record<string, LuaValue> {
  const { traits } = block;
  const rating = ways.ratingOf(traits);
  const slippery = slipperiness(body.friction);
  return {
    ...(rating !== undefined && { [digGroup(mod.header)]: rating }),
    ...commonRating(traits),
    ...(slippery > 0 && { slippery }),
    ...(traits.bounce > 0 && { bouncy: Math.round(traits.bounce * 100) }),
    ...(traits.catchesFire > 0 && { flammable: Math.max(1, Math.round(traits.catchesFire * 3)) }),
    ...groups.ofBlock(block),
    ...((!isHome || block.item === 'none') && { not_in_creative_inventory: 1 }),
  };
}

/** Friction from which on nothing slides, and how many steps of the engine's group lie below it. */
const firm = 0.6;
const slides = 5;

/** The engine's group for smooth ground: 0 where one stands as usual, more the less is held. */
export const slipperiness = (friction: number): number =>
  friction >= firm ? 0 : Math.max(1, Math.round(((firm - friction) / firm) * slides));

/** The engine slows walkers in steps from 0 to 7. */
const resistance = (drag: number): number => Math.max(1, Math.min(7, Math.round(drag * 7)));
/** A whole life is 20 points of the engine. */
const damage = (share: number): number => Math.max(1, Math.round(share * 20));

/** How the item of a block is shown in lists and in the hand, where it is no block. */
function itemParts(mod: Mod, block: ResolvedBlock): Record<string, LuaValue> {
  const { held } = block.declared.identity;
  if (block.item !== 'flat' || held?.picture === undefined) return {};
  const tile = tileOf(mod, 'none', { texture: held.picture, tinted: false });
  const name = typeof tile === 'string' ? tile : (tile as { name: string }).name;
  return { inventory_image: name, wield_image: name };
}
