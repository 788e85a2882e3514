import { describe, expect, test } from '@jest/globals';
import { demoWorld } from '../../../../demo/art/demo-world.ts';
import { seededRandom } from '../../../space/index.ts';
import { isSpoilt, mustBeTold, spoilings, spoilt, stoodIn } from './testing/spoilt-packs.ts';

const { files } = demoWorld();
const random = seededRandom(20);
/** So many of the files are spoilt in each way; `npm run spoilt` goes through all. */
const sample = [...files.keys()].sort().filter(() => random() < 0.06);

describe('a pack that is spoilt in one place is loaded, stood in and drawn', () => {
  test('the whole one says nothing', () => {
    expect(stoodIn(files)).toEqual([]);
  });

  describe.each(spoilings)('%s', (how) => {
    test.each(sample.filter((path) => isSpoilt(path, how)))('%s', (path) => {
      const lines = stoodIn(spoilt(files, path, how));
      if (mustBeTold(path, how)) expect(lines.length).toBeGreaterThan(0);
    });
  });
});
