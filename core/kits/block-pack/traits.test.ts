import { expect, test } from '@jest/globals';
import { z } from 'zod';
import { traitFacts, traitNames } from '../../mod/index.ts';
import { BlockFile, LookFile } from './format/schemas.ts';

const files = { block: BlockFile, display: LookFile.shape.display } as const;
const packed = (file: 'block' | 'display') =>
  traitNames.filter((name) => traitFacts(name).pack === file);

/** The schema of a key of a file, or of its rows where it is by state. */
function schemaOf(file: 'block' | 'display', name: string, byState: boolean | undefined) {
  const schema = (files[file].shape as Record<string, z.ZodType>)[name];
  expect(`${file} ${name} ${schema ? 'is read' : 'is not read'}`).toBe(`${file} ${name} is read`);
  const takes = (value: unknown) => schema!.safeParse(byState ? [{ value }] : value).success;
  return takes;
}

test.each(['block', 'display'] as const)(
  'the reader of a pack takes just the range of every trait that the writer puts into a %s',
  (file) => {
    for (const name of packed(file)) {
      const { range, byState } = traitFacts(name);
      const takes = schemaOf(file, name, byState);
      if (!range) continue;
      const [low, high] = range;
      expect([name, takes(low), takes(high)]).toEqual([name, true, true]);
      expect([name, takes(low - 1), takes(high + 1)]).toEqual([name, false, false]);
    }
  },
);

test(
  'every trait is in a file of the pack, and only those left out at their default may ' + 'miss',
  () => {
    for (const file of ['block', 'display'] as const)
      for (const name of packed(file)) {
        const schema = (files[file].shape as Record<string, z.ZodType>)[name]!;
        const mayMiss = schema.safeParse(undefined).success;
        // The cutoff is there with alpha mode mask alone.
        if (name !== 'alphaCutoff')
          expect([name, mayMiss]).toEqual([name, traitFacts(name).leftOut === true]);
      }
  },
);
