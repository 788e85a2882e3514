import { describe, expect, test } from '@jest/globals';
import { demoWorld } from '../../demo/art/demo-world.ts';
import type { Files } from '../bytes/index.ts';
import { loadPack } from '../kits/index.ts';
import { seededRandom } from '../space/index.ts';
import { chunksOf, flawsOf, Looks, meshChunk, Run } from './index.ts';

const { files } = demoWorld();
const random = seededRandom(20);
const paths = [...files.keys()].sort();
/** So many of the files are spoilt in each way; the suite takes a sample. */
const sample = paths.filter(() => random() < 0.06);

/** Loads a pack, stands in each scene of it for a second, and draws it; gives all lines of its log. */
function stoodIn(pack: Files): string[] {
  const { world, log } = loadPack(pack);
  const run = new Run(world, { scene: 'Ground and wall', seed: 1 });
  for (let tick = 0; tick < 20; tick += 1)
    run.tick(tick === 5 ? [{ do: 'look', yaw: 0, pitch: -4000 }, { do: 'bring' }] : []);
  const looks = new Looks(world, run.now.numbers);
  const drawing = {
    cells: run.now.cells,
    numbers: run.now.numbers,
    looks,
    facts: run.now.facts,
    pictureNumber: () => 0,
    fluidLook: () => ({ isClear: true }),
    block: run.now.lighting.block,
    sky: run.now.lighting.sky,
    texels: world.texels,
  };
  // Where the blocks stand.
  meshChunk(drawing, chunksOf(run.now.cells.size)[4]!);
  return [...log, ...flawsOf(world).map(({ text }) => text)];
}

const spoilt = (path: string, change: (bytes: Uint8Array) => Uint8Array | undefined): Files => {
  const after = new Map(files);
  const bytes = change(files.get(path)!);
  if (bytes) after.set(path, bytes);
  else after.delete(path);
  return after;
};

/** Files whose absence no log of looks can tell: others stand on their own without them. */
const isOptional = (path: string): boolean =>
  /^(rules\/(loot|tags|recipes|tools)|view\/(items|sounds|groups|words)|code|picture|.*strip)/.test(
    path,
  );

describe('a pack that is spoilt in one place is loaded, stood in and drawn', () => {
  test('the whole one says nothing', () => {
    expect(stoodIn(files)).toEqual([]);
  });

  test.each(sample)('without %s', (path) => {
    const lines = stoodIn(spoilt(path, () => undefined));
    if (!isOptional(path)) expect(lines.length).toBeGreaterThan(0);
  });

  test.each(sample)('with %s cut in half', (path) => {
    const lines = stoodIn(spoilt(path, (bytes) => bytes.slice(0, bytes.length >> 1)));
    // The code is for programmers alone; what an engine makes of half a sound is its own.
    if (!/^code|\.(wav|ogg)$/.test(path)) expect(lines.length).toBeGreaterThan(0);
  });

  test.each(sample.filter((path) => path.endsWith('.json')))(
    'with an id misspelt in %s',
    (path) => {
      const misspelt = (bytes: Uint8Array) => {
        const text = new TextDecoder().decode(bytes);
        return new TextEncoder().encode(text.replace(/saltmarsh:(\w)(\w)/, 'saltmarsh:$2$1'));
      };
      expect(() => stoodIn(spoilt(path, misspelt))).not.toThrow();
    },
  );
});
