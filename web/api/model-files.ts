import { freeName, heldUnder } from '../../core/lists/index.ts';
import { pointer } from '../../core/json/index.ts';
import {
  likelyUnit,
  modelOfScene,
  readGltf,
  readObj,
  sceneOfState,
  writeGlb,
  writeObj,
  type FileUnit,
  type ReadModel,
  type ReadScene,
} from '../../core/exchange/index.ts';
import { idOf, type Mod, type ResolvedBlock } from '../../core/mod/index.ts';
import { added, boxesOf, modelWithBoxes } from '../../core/models/index.ts';
import { decodePicture } from '../../core/textures/index.ts';
import { zipSync } from 'fflate';
import { blobAddress } from './address.ts';
import type { Session } from './session.ts';
import { uploadPicture } from './textures.ts';

/** Files that were chosen or dropped together: a model and what lies beside it. */
export interface ChosenFiles {
  scene: ReadScene;
  unit: FileUnit;
}

/** What people choose for a model. */
export const modelEndings = '.glb,.gltf,.obj,.mtl,.bin,.png';

/**
 * Reads the model among files that were chosen together. Throws with a sentence where there is none
 * or it is damaged.
 */
export async function readModelFiles(files: readonly File[]): Promise<ChosenFiles> {
  const main = files.find(({ name }) => /\.(glb|gltf|obj)$/i.test(name));
  if (!main) throw new Error('Choose a .glb, .gltf or .obj file, with the files beside it.');
  const all = new Map(
    await Promise.all(
      files.map(async (file) => [file.name, new Uint8Array(await file.arrayBuffer())] as const),
    ),
  );
  const beside = (name: string) => all.get(name.split(/[\\/]/).at(-1) ?? '');
  const bytes = all.get(main.name) ?? new Uint8Array();
  const title = main.name.replace(/\.[^.]+$/, '');
  const scene = /\.obj$/i.test(main.name)
    ? readObj(bytes, title, beside)
    : readGltf(bytes, title, beside);
  return { scene, unit: likelyUnit(scene) };
}

/** The boxes of files that were read, in a unit. */
export const modelIn = ({ scene }: ChosenFiles, unit: FileUnit, texels: number): ReadModel =>
  modelOfScene(scene, {
    texels,
    unit,
    sizeOf: (bytes) => {
      try {
        return decodePicture(bytes);
      } catch {
        return undefined;
      }
    },
  });

/**
 * Puts boxes that were read into a model, behind its own, with new textures for their pictures, in
 * one step. Slots that the model has already under such a name keep what they show.
 */
export async function takeOver(session: Session, model: string, read: ReadModel): Promise<void> {
  const pictures = await Promise.all(
    read.slots.map(async ({ slot, picture }) => ({
      slot,
      picture: picture && (await uploadPicture(picture.bytes.slice())),
    })),
  );
  const { mod } = session.view;
  const before = heldUnder(mod.models, model);
  const { boxes } = added(boxesOf(mod, model), read.boxes);
  const made = modelWithBoxes(mod, model, boxes);
  const slots = { ...made.slots };
  const taken = Object.keys(mod.textures);
  const textures = pictures.flatMap(({ slot, picture }) => {
    if (!picture || slots[slot] !== undefined) return [];
    const name = freeName(`${model}_${slot}`.replaceAll('/', '_'), taken);
    taken.push(name);
    slots[slot] = idOf(mod.header.namespace, name);
    return [{ path: pointer(['textures', name]), after: { picture } }];
  });
  session.edit(`Take over ${read.boxes.length} boxes from a file`, [
    ...textures,
    {
      path: pointer(['models', model]),
      before,
      after: { ...made, ...(Object.keys(slots).length && { slots }) },
    },
  ]);
}

/** Pictures by digest, fetched from the server. */
async function fetchPictures(digests: Iterable<string>): Promise<Map<string, Uint8Array>> {
  const read = [...digests].map(async (sha256) => {
    const answer = await fetch(blobAddress(sha256));
    if (!answer.ok) throw new Error('A picture could not be read.');
    return [sha256, new Uint8Array(await answer.arrayBuffer())] as const;
  });
  return new Map(await Promise.all(read));
}

/** A block in a state as one file: a `.glb`, or a `.zip` of an OBJ with its materials and pictures. */
export async function modelFile(
  mod: Mod,
  block: ResolvedBlock,
  state: number,
  format: 'glb' | 'obj',
): Promise<{ name: string; bytes: Uint8Array<ArrayBuffer>; type: string }> {
  const needed = new Set<string>();
  // Once without pictures, to learn which it needs.
  sceneOfState(mod, block, state, (sha256) => void needed.add(sha256));
  const fetched = await fetchPictures(needed);
  const scene = sceneOfState(mod, block, state, (sha256) => fetched.get(sha256));
  if (format === 'glb')
    return {
      name: `${block.name}.glb`,
      bytes: new Uint8Array(writeGlb(scene)),
      type: 'model/gltf-binary',
    };
  const files = Object.fromEntries(writeObj(scene, block.name));
  return {
    name: `${block.name}.zip`,
    bytes: new Uint8Array(zipSync(files)),
    type: 'application/zip',
  };
}
