import { expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { readFolder } from '../../disk/index.ts';
import { flattened } from '../families/index.ts';
import { readModFolder } from '../folder/index.ts';
import { kitNamed } from '../kits/index.ts';
import { soundFixtures } from '../sounds/fixtures/sounds.ts';
import { diceOf, targetsIn, tryOne } from './testing/fuzz.ts';

const { mod: declared, blobs } = readModFolder(await readFolder('demo/saltmarsh'));
const mod = flattened(declared);
const targets = targetsIn(
  kitNamed('block-pack').write(mod, (sha256) => blobs.get(sha256)!),
  soundFixtures(readFileSync('core/sounds/fixtures/sounds.json', 'utf8')),
);

test('a seed gives the same dice again', () => {
  const [one, other] = [diceOf(7), diceOf(7)];
  const throws = Array.from({ length: 100 }, () => one(6));
  expect(throws).toEqual(Array.from({ length: 100 }, () => other(6)));
  expect(new Set(throws)).toEqual(new Set([0, 1, 2, 3, 4, 5]));
});

// The whole hunt is `npm run fuzz`; this is a sample of it.
test.each(targets.map((target) => [target.name, target] as const))(
  'no reader falls over a damaged %s',
  (_, target) => {
    for (let seed = 0; seed < 300; seed += 1)
      try {
        tryOne(target, seed);
      } catch (error) {
        throw new Error(`seed ${seed}`, { cause: error });
      }
  },
);
