import { lookUp, type Mod } from '../../../core/mod/index.ts';
import { resolvedModelOf, textureOf } from '../../../core/models/index.ts';
import { benchPath } from '../../api/address.ts';

/** The steps to a block of one's own, in the order of the job. */
export const firstSteps = ['shape', 'picture', 'number', 'state', 'drop', 'build'] as const;
export type FirstStep = (typeof firstSteps)[number];

/** How far somebody is who is here for the first time. */
export interface FirstVisit {
  /** The block of one's own, once there is one, as it was when it was declared. */
  block?: { mod: string; name: string; born: Born };
  /** What was passed over, or done where no mod tells of it. */
  passed: FirstStep[];
  isOver: boolean;
}

export const firstVisit: FirstVisit = { passed: [], isOver: false };

/** What of a block tells whether somebody has been at it since it was declared. */
export interface Born {
  pictures: string[];
  traits: string;
  properties: number;
  loot: string;
}

/** A block as it is, to be compared with later. Undefined where there is no such block. */
export function bornAs(mod: Mod, name: string): Born | undefined {
  const block = lookUp(mod.blocks, name);
  if (!block) return undefined;
  const models = new Set(block.looks.rows.flatMap(({ use }) => use.map(({ model }) => model)));
  const textures = [...models].flatMap((model) => [
    ...(resolvedModelOf(mod, model)?.slots.values() ?? []),
  ]);
  return {
    pictures: textures.map((texture) => textureOf(mod, texture ?? '')?.picture.sha256 ?? '').sort(),
    traits: JSON.stringify(block.traits),
    properties: block.states.properties.length,
    loot: JSON.stringify(block.loot),
  };
}

const isDone: Record<Exclude<FirstStep, 'shape' | 'build'>, (born: Born, now: Born) => boolean> = {
  picture: (born, now) => born.pictures.join() !== now.pictures.join(),
  number: (born, now) => born.traits !== now.traits,
  state: (born, now) => born.properties !== now.properties,
  drop: (born, now) => born.loot !== now.loot,
};

/**
 * The step that comes next; undefined once all are done. A block that was removed is begun anew.
 *
 * @example nextStep(mod, { passed: [], isOver: false }) // 'shape'
 */
export function nextStep(mod: Mod, { block, passed }: FirstVisit): FirstStep | undefined {
  const now = block && block.mod === mod.header.namespace ? bornAs(mod, block.name) : undefined;
  if (!block || !now) return 'shape';
  return firstSteps.find((step) => {
    if (step === 'shape' || passed.includes(step)) return false;
    return step === 'build' || !isDone[step](block.born, now);
  });
}

/** What is said of each step, and where it is done, below the address of the mod. */
export function stepInWords(step: FirstStep, name: string): { says: string; path: string } {
  switch (step) {
    case 'shape':
      return {
        says: 'A block of your own takes three minutes. First its name, its material and its shape.',
        path: 'blocks',
      };
    case 'picture':
      return {
        says: 'Its picture: drop a PNG on it, or touch up the one that it has.',
        path: benchPath(name, 'textures'),
      };
    case 'number':
      return {
        says: 'A number: how hard it is. The bars below it say how long each tool takes.',
        path: benchPath(name, 'traits'),
      };
    case 'state':
      return {
        says: 'A state: add a property, such as a toggle that says whether it is lit.',
        path: benchPath(name, 'states'),
      };
    case 'drop':
      return {
        says: 'What it drops: itself, an item, or something by chance.',
        path: benchPath(name, 'loot'),
      };
    case 'build':
      return {
        says: 'Build the pack: every file is shown before it is written.',
        path: 'build',
      };
  }
}
