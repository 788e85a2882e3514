import { facing } from '../space/index.ts';
import { expect, test } from '@jest/globals';
import { readFolder } from '../../disk/index.ts';
import { flattened } from '../families/index.ts';
import { readModFolder } from '../folder/index.ts';
import { blocksShowing, showingFirst } from '../models/index.ts';
import { idOf, resolveBlock } from '../mod/index.ts';
import { drawnModels, neededTextures, stateShowing } from './index.ts';

const { mod: declared } = readModFolder(await readFolder('demo/saltmarsh'));
const mod = flattened(declared);
const block = (name: string) => resolveBlock(mod, name, mod.blocks[name]!);

test('a block stands in a state that shows the picture, wherever it has one', () => {
  for (const name of Object.keys(mod.textures)) {
    const id = idOf('saltmarsh', name);
    for (const shown of blocksShowing(mod, id)) {
      const declared = mod.blocks[shown]!;
      const looks = showingFirst(mod, declared.looks, id);
      const first = resolveBlock(mod, shown, { ...declared, looks });
      const state = stateShowing(mod, first, id);
      expect(state).toBeDefined();
      expect(neededTextures(drawnModels(mod, first, state!))).toContain(id);
    }
  }
});

test('a front is shown from the front', () => {
  const oven = block('salt_oven');
  const state = stateShowing(mod, oven, 'saltmarsh:oven/front_lit')!;
  const [model] = drawnModels(mod, oven, state);
  const front = model!.quads.find(({ texture }) => texture === 'saltmarsh:oven/front_lit')!;
  expect(['south', 'east']).toContain(facing(model!.orientation, front.side));
});

test('the one that shows most of it', () => {
  const pane = block('kelp_pane');
  const state = stateShowing(mod, pane, 'saltmarsh:kelp/pane')!;
  expect(drawnModels(mod, pane, state).length).toBe(
    Math.max(
      ...Array.from({ length: pane.space.size }, (_, i) => drawnModels(mod, pane, i).length),
    ),
  );
  expect(stateShowing(mod, pane, 'saltmarsh:oven/top')).toBeUndefined();
});
