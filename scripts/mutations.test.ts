import { expect, jest, test } from '@jest/globals';
import { flattened } from '../core/families/index.ts';
import { readModFolder } from '../core/folder/index.ts';
import { inspectBuilt } from '../core/inspect/index.ts';
import { howCaught, withoutDigests } from '../core/inspect/testing/caught.ts';
import { mutationsOf } from '../core/inspect/testing/mutations.ts';
import { kitNamed } from '../core/kits/index.ts';
import { readTree } from '../disk/index.ts';

// A busy machine is no failure.
jest.setTimeout(600_000);

/** One in so many: `npm run mutations` tries all. A prime, so that all kinds come up. */
const every = 211;

test('a mistake of a tired author is found in the file where it was made', async () => {
  const kit = kitNamed('block-pack');
  const { mod: declared, blobs } = readModFolder((await readTree('demo/saltmarsh')).files);
  const mod = flattened(declared);
  const built = withoutDigests(kit.write(mod, (sha256) => blobs.get(sha256)!));
  expect(inspectBuilt(kit, built)).toEqual([]);
  const tried = [...mutationsOf(built, (i) => i % every === 0)].filter(
    ({ silent }) => silent === undefined,
  );
  const missed = tried.filter((mutation) => howCaught(kit, mutation) === 'missed');
  expect(missed.map(({ what }) => what)).toEqual([]);
  expect(tried.length).toBeGreaterThan(80);
});
