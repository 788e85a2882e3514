import { directMembers } from '../../../tags/index.ts';
import { frameCount, frameSize, stepsOf } from '../../../textures/index.ts';
import {
  codesOf,
  entrySchemas,
  formerId,
  idOf,
  idOfShown,
  inOrder,
  lookUp,
  ownName,
  registered,
  resolveBlocks,
  usualFluid,
  usualStack,
  type Mod,
  type ResolvedBlock,
} from '../../../mod/index.ts';
import { StripSchema } from '../../../mod/entries.schema.ts';
import { CodeLayoutSchema } from '../../../mod/states.schema.ts';
import { blockModel, drawModels, posesSchema } from './block.ts';
import { filledEntry } from './filled.ts';
import { lazily } from './lazily.ts';
import { modelModel } from './model.ts';
import { namesIn, numberIn, titleIn } from './names.ts';
import type { ModModel } from './schema.ts';

const known = new WeakMap<Mod['blocks'], { mod: Mod; model: ModModel }>();

/**
 * The same, its entries in order, for as long as a mod stays the same. Templates do not see the kits
 * themselves: while one is written the model stays the same too.
 */
export function modelFor(mod: Mod): ModModel {
  const before = known.get(mod.blocks);
  if (before && looksAlike(before.mod, mod)) return before.model;
  const model = modModel(inOrder(mod));
  known.set(mod.blocks, { mod, model });
  return model;
}

/** Whether all that templates see of two mods is the very same. */
const looksAlike = (a: Mod, b: Mod): boolean =>
  (Object.keys(a) as (keyof Mod)[]).every(
    (part) => part === 'kits' || part === 'kitFiles' || a[part] === b[part],
  );

/** A mod as templates see it: everything in it, each part worked out when it is first asked for. */
export function modModel(mod: Mod): ModModel {
  const { header, ledger } = mod;
  const blocks = resolveBlocks(mod);
  return lazily<ModModel>({
    namespace: () => header.namespace,
    title: () => header.title,
    description: () => header.description ?? '',
    version: () => header.version,
    authors: () => [...header.authors],
    license: () => header.license,
    texels: () => header.texels,
    tickRate: () => header.tickRate,
    languages: () => [...header.languages],
    needs: () =>
      (header.needs ?? []).map(({ namespace, versions }) => ({
        namespace,
        versions: versions ?? null,
      })),
    hasPicture: () => header.picture !== undefined,
    tools: () => toolsModel(mod),
    groups: () => groupModels(mod),
    blocks: () => blocks.map((block) => blockModel(mod, block)),
    fluids: () => fluidModels(mod),
    items: () => itemModels(mod, blocks),
    models: () => Object.keys(mod.models).map((name) => modelModel(mod, name)),
    textures: () => textureModels(mod),
    sounds: () => soundModels(mod),
    soundSets: () =>
      Object.entries(mod.soundSets).map(([name, events]) => ({
        name,
        id: idOf(header.namespace, name),
        events: filledEntry(events, entrySchemas.soundSets),
      })),
    loot: () => lootModels(mod, blocks),
    tags: () => tagModels(mod),
    recipes: () =>
      Object.entries(mod.recipes).map(([name, recipe]) => ({
        name,
        id: idOf(header.namespace, name),
        kind: recipe.kind,
        declared: filledEntry(recipe, entrySchemas.recipes),
      })),
    texts: () => languageModels(mod),
    newLooks: () =>
      Object.entries(mod.newLooks).map(([name, look]) => ({
        name,
        id: idOfShown(header.namespace, name),
        declared: filledEntry(look, entrySchemas.newLooks),
      })),
    entries: () => entryModels(mod, blocks),
    retired: () =>
      ledger.retired.map(({ number, kind, name, successor }) => ({
        number,
        kind,
        name,
        id: idOf(header.namespace, name),
        successor: successor ?? null,
      })),
  });
}

const toolsModel = ({ header: { tools } }: Mod): ModModel['tools'] => ({
  kinds: Object.entries(tools.kinds).map(([kind, { tag }]) => ({ kind, tag })),
  grades: tools.grades.map(({ name, pace }, grade) => ({ grade, name, pace })),
});

const groupModels = (mod: Mod): ModModel['groups'] =>
  mod.header.groups.map(({ name, icon, names }) => ({
    name,
    id: idOf(mod.header.namespace, name),
    number: numberIn(mod, 'group', name),
    title: titleIn(mod, name, names),
    names: namesIn(mod, names),
    icon: icon ?? null,
  }));

/** What is usual of a fluid, where it does not say otherwise. */
const usualOf = (fluid: Mod['fluids'][string]): Partial<typeof usualFluid> =>
  Object.fromEntries(
    Object.entries(usualFluid).filter(([key]) => fluid[key as keyof typeof fluid] === undefined),
  );

const fluidModels = (mod: Mod): ModModel['fluids'] =>
  Object.entries(mod.fluids).map(([name, fluid]) => ({
    name,
    id: idOf(mod.header.namespace, name),
    number: numberIn(mod, 'fluid', name),
    title: titleIn(mod, name, fluid.names),
    names: namesIn(mod, fluid.names),
    declared: { ...filledEntry(fluid, entrySchemas.fluids), ...usualOf(fluid) },
  }));

type Items = ModModel['items'];

const nothingHeld = { model: null, texture: null, poses: null };

function itemModels(mod: Mod, blocks: readonly ResolvedBlock[]): Items {
  const ofBlocks = blocks.flatMap((block): Items => {
    if (block.item === 'none') return [];
    const { names, itemTags, identity } = block.declared;
    const held = identity.held ?? {};
    return [
      {
        name: block.name,
        id: block.id,
        // A block and its item are one thing in the ledger.
        number: numberIn(mod, 'block', block.name),
        title: titleIn(mod, block.name, names),
        names: namesIn(mod, names),
        isBlock: true,
        block: block.id,
        form: block.item,
        ...nothingHeld,
        ...(block.item === 'block' && { model: held.model ?? null }),
        ...(block.item === 'flat' && { texture: held.picture ?? null }),
        poses: held.poses ? filledEntry(held.poses, posesSchema) : null,
        group: identity.group ?? null,
        stack: usualStack,
        tool: null,
        bucket: null,
        tags: [...(itemTags ?? [])],
      },
    ];
  });
  const others = Object.entries(mod.items).map(([name, item]): Items[number] => ({
    name,
    id: idOf(mod.header.namespace, name),
    number: numberIn(mod, 'item', name),
    title: titleIn(mod, name, item.names),
    names: namesIn(mod, item.names),
    isBlock: false,
    block: null,
    form: 'flat',
    ...nothingHeld,
    texture: item.texture ?? null,
    group: item.group ?? null,
    stack: item.stack ?? usualStack,
    tool: item.tool ? { ...item.tool } : null,
    bucket: item.bucket ? { ...item.bucket } : null,
    tags: [...(item.tags ?? [])],
  }));
  return [...ofBlocks, ...others];
}

const textureModels = (mod: Mod): ModModel['textures'] =>
  Object.entries(mod.textures).map(([name, texture]) => {
    const { width, height, sha256 } = texture.picture;
    const frame = frameSize(texture);
    return {
      name,
      id: idOf(mod.header.namespace, name),
      width,
      height,
      frames: Math.max(1, Math.floor(frameCount(texture))),
      frameWidth: frame.width,
      frameHeight: frame.height,
      steps: stepsOf(texture).map(({ frame, ticks }) => ({ frame, ticks })),
      strip: texture.strip ? filledEntry(texture.strip, StripSchema) : null,
      sha256,
    };
  });

const soundModels = (mod: Mod): ModModel['sounds'] =>
  Object.entries(mod.sounds).map(([name, { format, seconds, sha256 }]) => ({
    name,
    id: idOf(mod.header.namespace, name),
    format,
    seconds: seconds ?? null,
    sha256,
  }));

const lootModels = (mod: Mod, blocks: readonly ResolvedBlock[]): ModModel['loot'] => [
  ...blocks.map(({ name, id, draws }) => ({
    name,
    id: null,
    block: id,
    draws: drawModels(draws),
  })),
  ...Object.entries(mod.lootTables).map(([name, { draws }]) => ({
    name,
    id: idOf(mod.header.namespace, name),
    block: null,
    draws: drawModels(draws),
  })),
];

const tagModels = (mod: Mod): ModModel['tags'] =>
  (['blockTags', 'itemTags'] as const).flatMap((kind) =>
    [...directMembers(mod, kind)]
      .map(([id, members]): ModModel['tags'][number] => ({
        name: ownName(mod.header.namespace, id) ?? id.replace(':', '/'),
        id,
        of: kind === 'blockTags' ? 'blocks' : 'items',
        members: [...members],
      }))
      .sort((a, b) => (a.name < b.name ? -1 : 1)),
  );

/** Every text in a language by its key: names of groups, blocks, fluids and items, and the mod's own. */
function languageModels(mod: Mod): ModModel['texts'] {
  const named: readonly (readonly [string, Readonly<Record<string, string>>])[] = [
    ...mod.header.groups.map(({ name, names }) => [`group.${name}`, names] as const),
    ...Object.entries(mod.blocks).map(([name, { names }]) => [`block.${name}`, names] as const),
    ...Object.entries(mod.fluids).map(([name, { names }]) => [`fluid.${name}`, names] as const),
    ...Object.entries(mod.items).map(([name, { names }]) => [`item.${name}`, names] as const),
  ];
  return mod.header.languages.map((tag) => {
    const texts = new Map<string, string>();
    for (const [key, names] of named) {
      const text = lookUp(names, tag);
      if (text !== undefined) texts.set(key, text);
    }
    for (const [key, text] of Object.entries(lookUp(mod.words, tag)?.texts ?? {}))
      texts.set(key, text);
    return { tag, texts: [...texts].map(([key, text]) => ({ key, text })) };
  });
}

function entryModels(mod: Mod, blocks: readonly ResolvedBlock[]): ModModel['entries'] {
  const { namespace } = mod.header;
  const byName = new Map(blocks.map((block) => [block.name, block]));
  return [...mod.ledger.entries]
    .sort((a, b) => registered.indexOf(a.kind) - registered.indexOf(b.kind) || a.number - b.number)
    .map(({ number, kind, name, formerly }) => {
      const block = kind === 'block' ? byName.get(name) : undefined;
      return {
        number,
        kind,
        name,
        id: idOf(namespace, name),
        states: block?.space.size ?? null,
        codes: block ? filledEntry(codesOf(mod.ledger, name, block.space), CodeLayoutSchema) : null,
        formerly: (formerly ?? []).map((old) => formerId(namespace, old)),
      };
    });
}
