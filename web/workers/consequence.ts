import { drawIsometric, drawnModels, fillingView, texturePixels } from '../../core/draw/index.ts';
import type { Files } from '../../core/bytes/index.ts';
import type { Finding, PackCopy } from '../../core/inspect/index.ts';
import type { Declared } from '../../core/kits/index.ts';
import {
  applyChanges,
  lookUp,
  ownName,
  resolveBlock,
  type Mod,
  type ResolvedBlock,
} from '../../core/mod/index.ts';
import type { Consequence } from './pack-protocol.ts';

/** So many states are compared to find one that a fix makes look otherwise. */
const mostStates = 256;

/**
 * What the game would show because of a finding: the block that it is about, in a state that looks
 * otherwise when it is mended, now and then. Undefined where no block is concerned.
 */
export function consequenceOf(
  copy: PackCopy,
  finding: Finding,
  size: number,
): Consequence | undefined {
  const now = copy.declared;
  const name = now && blockOf(now.mod, finding);
  if (!now || name === undefined) return undefined;
  const before = resolved(now.mod, name)!;
  const files = copy.preview(finding);
  const then = files && mendedBy(copy, now, finding, files);
  const after = then && resolved(then.mod, name);
  const state = (after && differing(now.mod, before, then.mod, after)) ?? before.space.defaultState;
  const drawn = draw(now, copy.files, before, state, size);
  const mended = after && draw(then, files, after, Math.min(state, after.space.size - 1), size);
  const isSame = !mended || drawn.every((value, i) => value === mended[i]);
  return { block: name, size, now: drawn, ...(isSame ? {} : { mended }) };
}

/** What the files would declare with a finding mended; read anew only where its fix is of files. */
function mendedBy(
  copy: PackCopy,
  now: Declared,
  { fix }: Finding,
  files: Files,
): Declared | undefined {
  if (!fix || fix.files?.length) return copy.form.read(files).declared;
  return { ...now, mod: applyChanges(now.mod, fix.changes) };
}

/** A block of the pack as it is placed. Throws when there is none of that name. */
export function drawingOf({ declared, files }: PackCopy, name: string, size: number): Uint8Array {
  const block = declared && resolved(declared.mod, name);
  if (!block) throw new Error(`The pack has no block ${name}.`);
  return draw(declared, files, block, block.space.defaultState, size);
}

function resolved(mod: Mod, name: string): ResolvedBlock | undefined {
  const declared = lookUp(mod.blocks, name);
  return declared && resolveBlock(mod, name, declared);
}

/** The first state that two declarations of a block show with other models. */
function differing(
  mod: Mod,
  block: ResolvedBlock,
  other: Mod,
  then: ResolvedBlock,
): number | undefined {
  const most = Math.min(block.space.size, then.space.size, mostStates);
  const look = (of: Mod, one: ResolvedBlock, state: number) =>
    JSON.stringify(drawnModels(of, one, state));
  for (let state = 0; state < most; state += 1)
    if (look(mod, block, state) !== look(other, then, state)) return state;
  return undefined;
}

/** The block that a finding is about: its own, or the first that shows its model or texture. */
function blockOf(mod: Mod, { block, file = '' }: Finding): string | undefined {
  if (block !== undefined && lookUp(mod.blocks, block)) return block;
  const [, folder, name = ''] =
    /^(?:rules|view)\/(blocks|loot|looks|items|models|textures)\/(.+?)(?:\.strip)?\.\w+$/.exec(
      file,
    ) ?? [];
  if (folder !== 'models' && folder !== 'textures') return lookUp(mod.blocks, name) && name;
  const shows = folder === 'models' ? modelsFrom(mod, name) : modelsShowing(mod, name);
  return Object.entries(mod.blocks).find(([, { looks }]) =>
    looks.rows.some(({ use }) => use.some(({ model }) => shows.has(model))),
  )?.[0];
}

const idIn = (mod: Mod, name: string): string => `${mod.header.namespace}:${name}`;

/** A model and those that start from it. */
function modelsFrom(mod: Mod, name: string): Set<string> {
  const found = new Set([idIn(mod, name)]);
  for (const id of found)
    for (const [other, { template }] of Object.entries(mod.models))
      if (template === id) found.add(idIn(mod, other));
  return found;
}

function modelsShowing(mod: Mod, texture: string): Set<string> {
  const showing = Object.entries(mod.models)
    .filter(([, { slots }]) =>
      Object.values(slots ?? {}).some((id) => ownName(mod.header.namespace, id) === texture),
    )
    .flatMap(([name]) => [...modelsFrom(mod, name)]);
  return new Set(showing);
}

function draw(
  { mod, placeOf }: Declared,
  files: Files,
  block: ResolvedBlock,
  state: number,
  size: number,
): Uint8Array {
  const models = drawnModels(mod, block, state);
  const bytes = new Map(
    Object.entries(mod.textures).map(([name, { picture }]) => [
      picture.sha256,
      files.get(placeOf(`/textures/${name.replaceAll('/', '~1')}`)?.file ?? ''),
    ]),
  );
  const pixelsOf = texturePixels(mod, (sha256) => bytes.get(sha256), new Map());
  const { texels } = mod.header;
  return drawIsometric(models, texels, size, pixelsOf, fillingView(models, texels, pixelsOf)).data;
}
