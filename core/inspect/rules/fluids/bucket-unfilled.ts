import { pointer } from '../../../json/index.ts';
import { idOf, lookUp, ownName, usualPool } from '../../../mod/index.ts';
import { acceptsIn, isObtainable } from '../../../recipes/index.ts';
import { modRule, type ModReport } from '../../rule.ts';
import { acceptingOf, makingOf } from '../../view.ts';
import { withFluid } from './example.ts';

const buckets = {
  '/items/bucket': {
    stack: 50,
    natural: true,
    group: 'shore',
    texture: 'saltmarsh:lamp',
    names: { en: 'Bucket' },
  },
  '/items/brine_bucket': {
    stack: 1,
    group: 'shore',
    texture: 'saltmarsh:lamp',
    bucket: { of: 'saltmarsh:brine', empty: 'saltmarsh:bucket' },
    names: { en: 'Bucket of brine' },
  },
  '/ledger/entries/4': { number: 4, kind: 'item', name: 'bucket' },
  '/ledger/entries/5': { number: 5, kind: 'item', name: 'brine_bucket' },
};
const pool = { in: 'saltmarsh:bank', every: 200, across: [3, 9], deep: [1, 2], between: [-4, 4] };

export const bucketUnfilled = modRule({
  id: 'fluids/bucket-unfilled',
  severity: 'warning',
  guesses: true,
  title: 'Bucket that nobody can fill',
  why:
    'A bucket is filled from a source. Where the world has no pool of the fluid, and nothing gives ' +
    'the full bucket, nobody ever sees either.',
  messages: {
    noPool: 'Nobody can fill {bucket}: the world has no pool of {fluid}.',
    noEmpty: 'Nobody can fill {bucket}: nobody can come to have {empty}.',
  },
  fails: { ...withFluid(), ...buckets },
  passes: { ...withFluid({ pools: [pool] }), ...buckets },
  restsOn: ['natural', 'fluids', 'recipes', 'blocks', 'items', 'itemTags', 'lootTables'],
  check(mod) {
    const { namespace } = mod.header;
    const had = isObtainable(makingOf(mod), acceptsIn(acceptingOf(mod)));
    return Object.entries(mod.things).flatMap(([name, { bucket, natural }]): ModReport[] => {
      const id = idOf(namespace, name);
      const of = bucket && ownName(namespace, bucket.of);
      const fluid = of === undefined ? undefined : lookUp(mod.pools, of);
      if (!bucket || !fluid || natural || had(id)) return [];
      const isDry = !fluid.pools?.length;
      return [
        {
          at: ['items', name, 'bucket'],
          says: isDry ? 'noPool' : 'noEmpty',
          parts: { bucket: id, ...(isDry ? { fluid: bucket.of } : { empty: bucket.empty }) },
          fix: isDry
            ? {
                title: 'Give the world pools of it, in sand',
                changes: [
                  {
                    path: pointer(['fluids', of!, 'pools']),
                    before: fluid.pools,
                    after: [usualPool],
                  },
                ],
              }
            : undefined,
        },
      ];
    });
  },
});
