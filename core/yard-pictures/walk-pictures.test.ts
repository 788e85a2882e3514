import { expect, test } from '@jest/globals';
import { demoWorld } from '../../demo/art/demo-world.ts';
import { readFiles } from '../../demo/art/read-files.ts';
import { drawIsometric, drawnModels, fillingView, texturePixels } from '../draw/index.ts';
import { readModFolder } from '../folder/index.ts';
import { idOf, resolveBlocks } from '../mod/index.ts';
import { decodePicture } from '../textures/index.ts';
import { litByNight, ownBlocks, walkParts } from '../yard/index.ts';
import { walkPictures } from './walk-pictures.ts';

const { mod, world } = demoWorld();
const pictures = walkPictures(world);

test('every picture that is told of lies beside the report, and all are of one size', () => {
  const told = ownBlocks(world).flatMap(({ id }) =>
    walkParts.flatMap((part) => pictures.of(id, part)),
  );
  expect(told.length).toBeGreaterThan(100);
  expect(new Set(told.map(({ file }) => file))).toEqual(new Set(pictures.files.keys()));
  for (const png of pictures.files.values())
    expect(decodePicture(png)).toMatchObject({ width: 96, height: 96 });
});

test('each try shows a look once, under the state that has it', () => {
  const gate = pictures.of('saltmarsh:sluice_gate', 'Turned');
  expect(gate.length).toBe(2);
  expect(new Set(gate.map(({ file }) => file)).size).toBe(2);
  expect(gate[0]?.shows).toMatch(/side=south/);
  expect(pictures.of('saltmarsh:salt_crust', 'Turned')).toEqual([]);
});

test('by night a block is seen by its own light, one picture for each level that it gives', () => {
  const shown = (['Shown', 'Turned'] as const).flatMap((part) =>
    pictures.of('saltmarsh:tide_lantern', part),
  );
  const byNight = pictures.of('saltmarsh:tide_lantern', 'By night');
  expect(byNight.map(({ shows }) => shows.replace(/.*, /, ''))).toEqual(['light 0', 'light 13']);
  for (const [i, level] of [0, 13].entries()) {
    const state = byNight[i]!.shows.replace(/, light \d+$/, '');
    const pixelsOf = (file: string) => decodePicture(pictures.files.get(file)!).data;
    const day = pixelsOf(shown.find(({ shows }) => shows === state)!.file);
    const night = pixelsOf(byNight[i]!.file);
    const lit = litByNight(level);
    const colours = [...day.keys()].filter((at) => (at & 3) < 3 && day[at | 3] === 255);
    expect(colours.length).toBeGreaterThan(1000);
    for (const at of colours)
      expect(Math.abs(night[at]! - day[at]! * lit[at & 3]!)).toBeLessThanOrEqual(1);
  }
});

test('drawn from the files of the pack, each block looks as the declaration has it drawn', () => {
  const { blobs } = readModFolder(readFiles('demo/saltmarsh'));
  const pixelsOf = texturePixels(mod, (sha256) => blobs.get(sha256));
  for (const block of resolveBlocks(mod)) {
    // What strays in the world stands in the middle of its picture.
    const models = drawnModels(mod, block, 0, [0, 0, 0]).map((model) => ({
      ...model,
      shift: [0, 0, 0] as const,
    }));
    const view = fillingView(models, mod.header.texels, pixelsOf);
    const foretold = drawIsometric(models, mod.header.texels, 96, pixelsOf, view).data;
    const [shown] = pictures.of(idOf('saltmarsh', block.name), 'Shown');
    const found = decodePicture(pictures.files.get(shown!.file)!).data;
    const far = found.filter((part, i) => Math.abs(part - foretold[i]!) > 2).length;
    expect([block.name, far / found.length < 0.002]).toEqual([block.name, true]);
  }
});
