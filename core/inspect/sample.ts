import { kitNamed, type FileExample } from '../kits/index.ts';
import { parseJson, pointerSteps, printJson, valueAt } from '../json/index.ts';
import type { Files } from '../bytes/index.ts';
import { applyChange, emptyMod, type Mod, type Texture } from '../mod/index.ts';
import { encodePicture } from '../textures/index.ts';
import { sides } from '../space/index.ts';
import { moveToNamespace } from '../take-over/index.ts';
import type { ModExample, Neighbour } from './rule.ts';

const picture = (digit: string, alpha: Texture['picture']['alpha'] = 'none'): Texture => ({
  picture: {
    sha256: '0'.repeat(63) + digit,
    bytes: 80,
    width: 16,
    height: 16,
    alpha,
    mean: '#8d8d86',
    grey: false,
  },
});

/**
 * A small mod without any finding, on which the examples of the rules stand: a bank of silt and a
 * lamp.
 */
export function sampleMod(): Mod {
  const mod = emptyMod('saltmarsh', 'Saltmarsh');
  return {
    ...mod,
    header: { ...mod.header, groups: [{ name: 'shore', names: { en: 'Shore' } }] },
    ledger: {
      entries: [
        { number: 0, kind: 'group', name: 'shore' },
        { number: 1, kind: 'block', name: 'bank' },
        { number: 2, kind: 'block', name: 'lamp' },
      ],
      retired: [],
    },
    blocks: {
      bank: {
        identity: { group: 'shore', stock: 'clay', item: 'block', natural: true },
        traits: {},
        states: { properties: [] },
        looks: { mode: 'one-of', rows: [{ use: [{ model: 'saltmarsh:bank' }] }] },
        loot: 'itself',
        tags: ['saltmarsh:spade_dug', 'saltmarsh:shore'],
        names: { en: 'Bank' },
      },
      lamp: {
        identity: { group: 'shore', stock: 'bronze', item: 'block', natural: true },
        traits: {
          hidesNeighbours: 'never',
          lightEmitted: [{ when: { lit: true }, value: 12 }, { value: 0 }],
        },
        states: {
          properties: [
            { name: 'heading', kind: 'heading', default: 'south' },
            { name: 'lit', kind: 'toggle', default: false, byCode: true },
          ],
          placing: [{ set: 'heading', to: 'toward the player' }],
        },
        looks: {
          mode: 'one-of',
          rows: [
            { when: { heading: 'north' }, use: [{ model: 'saltmarsh:lamp', front: 'north' }] },
            { when: { heading: 'east' }, use: [{ model: 'saltmarsh:lamp', front: 'east' }] },
            { when: { heading: 'west' }, use: [{ model: 'saltmarsh:lamp', front: 'west' }] },
            { use: [{ model: 'saltmarsh:lamp' }] },
          ],
        },
        loot: 'itself',
        tags: ['saltmarsh:pick_dug'],
        names: { en: 'Lamp' },
      },
    },
    models: {
      bank: { template: 'obrank:cube', slots: { face: 'saltmarsh:bank' } },
      lamp: {
        slots: { metal: 'saltmarsh:lamp' },
        boxes: [
          {
            at: [4, 0, 8],
            size: [8, 12, 8],
            sides: Object.fromEntries(sides.map((side) => [side, { slot: 'metal' }])),
          },
        ],
      },
    },
    textures: { bank: picture('1'), lamp: picture('2') },
    blockTags: { spade_dug: {}, pick_dug: {}, shore: {} },
  };
}

/** The sample mod with an example's values put in. */
export const withExample = (mod: Mod, example: ModExample): Mod =>
  Object.entries(example).reduce<Mod>(
    (node, [path, value]) => put(node, path, value ?? undefined),
    mod,
  );

/**
 * Puts a value at a pointer whatever stands there; one step beyond the end of a list adds to it.
 */
function put<D>(document: D, path: string, after: unknown): D {
  const steps = pointerSteps(path);
  const parent = path.slice(0, path.lastIndexOf('/'));
  const list = valueAt(document, parent);
  if (Array.isArray(list) && Number(steps.at(-1)) === list.length)
    return applyChange(document, {
      path: parent,
      before: list,
      after: [...(list as unknown[]), after],
    });
  return applyChange(document, { path, before: valueAt(document, path), after });
}

/** The sample mod as somebody else's, which lies beside it: the same under another namespace. */
export const sampleNeighbour = (example: ModExample): Neighbour => ({
  title: 'Driftwood',
  mod: withExample(moveToNamespace(sampleMod(), 'driftwood'), example),
});

/** The files that a kit makes of the sample mod, with an example's files and values put in. */
export function sampleBuilt(example: FileExample, kit = kitNamed('block-pack')): Files {
  // Each picture is of another grey.
  const grey = (sha256: string) =>
    encodePicture({
      width: 16,
      height: 16,
      data: new Uint8Array(1024).map((_, i) =>
        i % 4 === 3 ? 255 : 140 - parseInt(sha256.slice(-1), 16),
      ),
    });
  const files = kit.write(sampleMod(), grey);
  for (const [key, value] of Object.entries(example)) {
    const [file = '', at] = key.split('#');
    if (at !== undefined)
      files.set(
        file,
        bytes(
          printJson(
            put(parseJson(new TextDecoder().decode(files.get(file))).value, at, value ?? undefined),
          ),
        ),
      );
    else if (value === null) files.delete(file);
    else if (typeof value === 'string') files.set(file, bytes(value));
  }
  return files;
}

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
