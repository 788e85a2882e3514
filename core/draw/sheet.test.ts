import { beforeAll, expect, test } from '@jest/globals';
import { readFolder } from '../../disk/index.ts';
import { flattened } from '../families/index.ts';
import { readModFolder } from '../folder/index.ts';
import { resolveBlock, type Mod } from '../mod/index.ts';
import { shapeByState, shapeIn } from '../models/index.ts';
import { valueIn } from '../states/index.ts';
import {
  cellsIn,
  chosenCandidates,
  compareSheets,
  drawIsometric,
  drawnModels,
  drawSheet,
  sheetCells,
  sheetColumns,
  sheetProblem,
  sheetSteps,
  texturePixels,
  type PixelsOf,
} from './index.ts';

let mod: Mod;
let pixelsAt: (tick: number) => PixelsOf;
beforeAll(async () => {
  const read = readModFolder(await readFolder('demo/saltmarsh'));
  mod = flattened(read.mod);
  pixelsAt = (tick) => texturePixels(mod, (sha256) => read.blobs.get(sha256), undefined, tick);
});
const block = (name: string) => resolveBlock(mod, name, mod.blocks[name]!);

test(
  'every picture of a sheet is the drawing of its state, in rows and columns that mean ' +
    'something',
  () => {
    const cells = sheetCells(mod, 'tide_lantern');
    const columns = sheetColumns(mod, cells);
    expect([cells.length, columns]).toEqual([24, 6]);
    const sheet = drawSheet(mod, cells, { size: 16, columns, pixelsOf: pixelsAt(0) });
    expect([sheet.width, sheet.height]).toEqual([96, 64]);
    cells.forEach(({ state }, i) => {
      const drawn = drawIsometric(
        drawnModels(mod, block('tide_lantern'), state),
        16,
        16,
        pixelsAt(0),
      );
      for (let y = 0; y < 16; y += 1) {
        const from = ((Math.floor(i / 6) * 16 + y) * 96 + (i % 6) * 16) * 4;
        expect(sheet.data.subarray(from, from + 64)).toEqual(
          drawn.data.subarray(y * 64, y * 64 + 64),
        );
      }
    });
  },
);

test(
  'a sheet of the mod shows every block, and yields picture by picture so that it can ' +
    'be stopped',
  () => {
    const cells = sheetCells(mod);
    expect(cells.map((cell) => cell.block)).toEqual(Object.keys(mod.blocks).sort());
    expect([...sheetSteps(mod, cells, { size: 8, columns: 3, pixelsOf: pixelsAt(0) })]).toEqual(
      cells.map((_, i) => i + 1),
    );
  },
);

test(
  'laid on itself a sheet has no difference; one changed state is marked where it ' +
    'stands, and nowhere else',
  () => {
    const options = { size: 24, columns: 6, pixelsOf: pixelsAt(0) };
    const before = drawSheet(mod, sheetCells(mod, 'tide_lantern'), options);
    expect(compareSheets(before, before, 24)).toMatchObject({ differing: 0, cells: [] });
    const rows = mod.blocks['tide_lantern']!.looks.rows;
    const changed: Mod = {
      ...mod,
      blocks: {
        ...mod.blocks,
        tide_lantern: {
          ...mod.blocks['tide_lantern']!,
          looks: {
            mode: 'one-of',
            rows: rows.with(0, {
              ...rows[0]!,
              use: [{ model: 'saltmarsh:lantern/dark', front: 'south' }],
            }),
          },
        },
      },
    };
    const found = compareSheets(
      drawSheet(changed, sheetCells(changed, 'tide_lantern'), options),
      before,
      24,
    );
    expect(found.cells).toEqual([
      block('tide_lantern').space.encode({ heading: 'north', hung: 'wall', lit: false }),
    ]);
    expect(found.differing).toBeGreaterThan(20);
    expect(() =>
      compareSheets(before, drawSheet(mod, sheetCells(mod, 'sluice_gate'), options), 24),
    ).toThrow(/differ in size/);
  },
);

test('a block that was not there, or had other states, leaves its place clear', () => {
  const cells = sheetCells(mod);
  const { samphire: _gone, ...blocks } = mod.blocks;
  const before: Mod = {
    ...mod,
    blocks: {
      ...blocks,
      tide_lantern: { ...mod.blocks['tide_lantern']!, states: { properties: [] } },
    },
  };
  expect(cellsIn(before, cells, mod).map((cell, i) => cell === cells[i])).toEqual(
    cells.map(({ block: name }) => name !== 'samphire' && name !== 'tide_lantern'),
  );
});

test('an animated texture shows the frame of its tick', () => {
  const draw = (tick: number) =>
    drawIsometric(drawnModels(mod, block('tide_gauge'), 12), 16, 96, pixelsAt(tick)).data;
  // Eight frames of six ticks, each of which goes over into the next.
  expect(Buffer.from(draw(0)).equals(draw(3))).toBe(false);
  expect(Buffer.from(draw(3)).equals(draw(6))).toBe(false);
  expect(Buffer.from(draw(0)).equals(draw(48))).toBe(true);
});

test('layers are drawn where they match; places choose among candidates and scatter them', () => {
  const fence = block('reed_fence');
  const arms = (state: object) =>
    drawnModels(mod, fence, fence.space.encode(state as never)).length;
  expect([
    arms({}),
    arms({ north: true }),
    arms({ north: true, east: true, south: true, west: true }),
  ]).toEqual([1, 2, 5]);
  const seen = new Set(
    Array.from({ length: 144 }, (_, i) =>
      JSON.stringify(chosenCandidates(block('samphire'), 0, [i % 12, 0, Math.floor(i / 12)])),
    ),
  );
  expect(seen.size).toBeGreaterThan(15);
  expect(drawnModels(mod, block('samphire'), 0, [3, 0, 4])[0]!.shift).toBeDefined();
  expect(drawnModels(mod, block('samphire'), 0)[0]!.shift).toBeUndefined();
});

test('what is no block, or too large, is refused in words', () => {
  expect(() => sheetCells(mod, 'brine')).toThrow('The mod has no block called brine.');
  expect(sheetProblem(5000, { size: 64, columns: 71 })).toMatch(/at most 4096 × 4096/);
  expect(sheetProblem(4096, { size: 64, columns: 64 })).toBeUndefined();
  expect(() =>
    drawSheet(mod, sheetCells(mod), { size: 4096, columns: 3, pixelsOf: pixelsAt(0) }),
  ).toThrow(RangeError);
});

test(
  'the boxes of one state are those that working out all states gives it, layers among ' + 'them',
  () => {
    for (const name of Object.keys(mod.blocks)) {
      const { shapes, space } = block(name);
      const all = shapeByState(mod, block(name), shapes.outline);
      for (let state = 0; state < space.size; state += 1)
        expect(shapeIn(mod, block(name), shapes.outline, state)).toEqual(
          valueIn(all, space, state),
        );
    }
  },
);
