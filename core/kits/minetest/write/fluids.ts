import {
  idOf,
  ownName,
  titleOf,
  lookUp,
  usualFluid,
  type Fluid,
  type Mod,
} from '../../../mod/index.ts';
import { tintColour } from '../../../textures/index.ts';
import type { LuaValue } from './lua.ts';
import { engineName } from './names.ts';
import { engineLight } from './nodes.ts';
import { soundsOf } from './sounds.ts';
import { tileOf } from './tiles.ts';

/** A liquid of the engine runs at most so many blocks from its source. */
export const mostBlocks = 7;
/** The engine's viscosity goes from 0 to this. */
const mostViscosity = 7;
/** Ticks a cell that are as thick as each step of the engine's viscosity. */
const ticksAStep = 6;

/** How far the engine lets a fluid run, in blocks. */
export const blocksOf = ({ reach }: Fluid): number => Math.min(mostBlocks, reach - 1);

export const viscosityOf = ({ pace }: Fluid): number =>
  Math.max(0, Math.min(mostViscosity, Math.round(pace / ticksAStep)));

/** The nodes of a fluid: that of a source, and that of what runs from it. */
export const fluidNodes = (mod: Mod, name: string): { source: string; flowing: string } => {
  const source = engineName(idOf(mod.header.namespace, name));
  return { source, flowing: `${source}_flowing` };
};

/** The fluids of a mod for the runtime: two nodes each, and what becomes of them. */
export const fluidsForEngine = (mod: Mod): LuaValue[] =>
  Object.entries(mod.fluids).map(([name, fluid]) => {
    const nodes = fluidNodes(mod, name);
    return {
      ...nodes,
      leaves: fluid.leaves === undefined ? undefined : engineName(fluid.leaves),
      meets: (fluid.meets ?? []).map((meeting) => ({
        with: engineName(meeting.with),
        becomes: engineName(meeting.becomes),
      })),
      definitions: {
        source: definition(mod, name, fluid, true),
        flowing: definition(mod, name, fluid, false),
      },
    };
  });

function definition(mod: Mod, name: string, fluid: Fluid, isSource: boolean): LuaValue {
  const { source, flowing } = fluidNodes(mod, name);
  const tint = fluid.tint ?? usualFluid.tint;
  const tile = (texture: string | undefined) =>
    culled(tileOf(mod, tint, { texture, tinted: tint !== 'none' }));
  const light = engineLight(fluid.light ?? usualFluid.light);
  const drag = fluid.drag ?? usualFluid.drag;
  const harm = fluid.harm ?? usualFluid.harm;
  return {
    description: titleOf(mod, name, fluid.names),
    drawtype: isSource ? 'liquid' : 'flowingliquid',
    tiles: [tile(fluid.still)],
    ...(!isSource && { special_tiles: [tile(fluid.flowing), tile(fluid.flowing)] }),
    use_texture_alpha: fluid.alphaMode ?? usualFluid.alphaMode,
    paramtype: 'light',
    ...(!isSource && { paramtype2: 'flowingliquid' }),
    ...(light > 0 && { light_source: light }),
    walkable: false,
    pointable: false,
    diggable: false,
    buildable_to: true,
    is_ground_content: false,
    drop: '',
    liquidtype: isSource ? 'source' : 'flowing',
    liquid_alternative_source: source,
    liquid_alternative_flowing: flowing,
    liquid_viscosity: viscosityOf(fluid),
    liquid_renewable: fluid.renews === true,
    liquid_range: blocksOf(fluid),
    move_resistance: Math.round(drag * 7),
    ...(harm > 0 && { damage_per_second: Math.max(1, Math.round(harm * 20)) }),
    post_effect_color: colourWithin(mod, fluid),
    groups: { not_in_creative_inventory: 1 },
    sounds: soundsOf(mod, fluid.soundSet ?? ''),
  };
}

/** A surface is seen from both sides. */
const culled = (tile: LuaValue): LuaValue =>
  typeof tile === 'string'
    ? { name: tile, backface_culling: false }
    : { ...(tile as { name: string }), backface_culling: false };

/** What lies over everything for who has the head in it: the denser, the less far one sees. */
function colourWithin(mod: Mod, fluid: Fluid): LuaValue {
  const texture = lookUp(mod.textures, ownName(mod.header.namespace, fluid.still ?? '') ?? '');
  const mean = texture?.picture.mean ?? fluid.mapColour ?? '#7f9094';
  const tint = tintColour(fluid.tint ?? usualFluid.tint);
  const [r, g, b] = [1, 3, 5].map((at, i) =>
    Math.round(Number.parseInt(mean.slice(at, at + 2), 16) * (tint[i] ?? 1)),
  );
  const dense = 1 / (1 + (fluid.sight ?? usualFluid.sight) / 8);
  return { a: Math.round(60 + 180 * dense), r: r ?? 0, g: g ?? 0, b: b ?? 0 };
}

/** The buckets of a mod: which item is full of which fluid, and which is the empty one. */
export const bucketsForEngine = (mod: Mod): LuaValue[] =>
  Object.entries(mod.items).flatMap(([name, { bucket }]): LuaValue[] => {
    const fluid = bucket && ownName(mod.header.namespace, bucket.of);
    return bucket && fluid !== undefined && lookUp(mod.fluids, fluid)
      ? [
          {
            full: engineName(idOf(mod.header.namespace, name)),
            empty: engineName(bucket.empty),
            source: fluidNodes(mod, fluid).source,
          },
        ]
      : [];
  });

/** What the engine shows otherwise than a fluid declares, each in a sentence. */
export function fluidShortfalls(fluid: Fluid): string[] {
  const { reach, pace, rises, leaves, meets, pools, fire, absorbs = usualFluid.absorbs } = fluid;
  return [
    ...(rises ? ['The engine lets every fluid fall.'] : []),
    ...(reach - 1 > mostBlocks
      ? [`The engine's fluids run ${mostBlocks} blocks at most, not ${reach - 1}.`]
      : []),
    `The engine moves fluids in a beat of its own: ${pace} ticks a cell become a viscosity of ` +
      `${viscosityOf(fluid)} of ${mostViscosity}.`,
    ...(leaves !== undefined || meets?.length
      ? ['In the engine a fluid meets something, or leaves something, in the moment when it flows.']
      : []),
    ...(absorbs > 1 ? [`Light loses one level a cell in the engine, not ${absorbs}.`] : []),
    ...(fire ? ['The engine has no word for what a fluid does to fire.'] : []),
    ...(pools?.length ? ['Pools are left to the game that the mod is added to.'] : []),
  ];
}
