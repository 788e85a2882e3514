import { pointer } from '../../../json/index.ts';
import { modRule, type ModReport } from '../../rule.ts';
import { withFluid } from './example.ts';

const pool = { in: 'saltmarsh:bank', every: 200, across: [3, 9], deep: [1, 2], between: [-4, 4] };
/** What a pool has from and to, in words. */
const spans = { across: 'wide', deep: 'deep', between: 'high' } as const;

export const poolSpanFlawed = modRule({
  id: 'fluids/span-flawed',
  severity: 'error',
  title: 'Pool that cannot lie anywhere',
  why:
    'A pool is between a least and a most wide, deep and high. With the two the wrong way round ' +
    'nothing lies between them; wider than its square it runs into the next one.',
  messages: {
    upsideDown: 'A pool of {fluid} is at least {least} and at most {most} blocks {what}.',
    tooWide:
      'A pool of {fluid} is up to {most} blocks wide, and there is one in each square of {every}.',
  },
  fails: withFluid({ pools: [{ ...pool, deep: [4, 2] }] }),
  passes: withFluid({ pools: [pool] }),
  check: (mod) =>
    Object.entries(mod.fluids).flatMap(([name, { pools = [] }]) =>
      pools.flatMap((one, i): ModReport[] => {
        const at = (part: string) => ['fluids', name, 'pools', i, part];
        const upsideDown = (['across', 'deep', 'between'] as const).flatMap((part): ModReport[] => {
          const [least, most] = one[part];
          return least <= most
            ? []
            : [
                {
                  at: at(part),
                  says: 'upsideDown',
                  parts: { fluid: name, least, most, what: spans[part] },
                  fix: {
                    title: 'Turn the two round',
                    changes: [{ path: pointer(at(part)), before: one[part], after: [most, least] }],
                  },
                },
              ];
        });
        const [, most] = one.across;
        const tooWide: ModReport[] =
          most < one.every || upsideDown.length
            ? []
            : [
                {
                  at: at('every'),
                  says: 'tooWide',
                  parts: { fluid: name, most, every: one.every },
                  fix: {
                    title: `One in each square of ${most * 4}`,
                    changes: [{ path: pointer(at('every')), before: one.every, after: most * 4 }],
                  },
                },
              ];
        return [...upsideDown, ...tooWide];
      }),
    ),
});
