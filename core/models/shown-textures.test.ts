import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readFolder } from '../../disk/index.ts';
import { flattened } from '../families/index.ts';
import { readModFolder } from '../folder/index.ts';
import { inspect } from '../inspect/index.ts';
import { applyChanges, idOf, type Mod } from '../mod/index.ts';
import { blocksShowing, ownTextureFor, resolvedModelOf } from './index.ts';

const { mod: declared } = readModFolder(await readFolder('demo/saltmarsh'));
const demo = flattened(declared);
const idsOf = (mod: Mod) => Object.keys(mod.textures).map((name) => idOf('saltmarsh', name));

/** Every texture that a block shows, on any side of any model. */
const shownBy = (mod: Mod, block: string): Set<string | undefined> =>
  new Set(
    mod.blocks[block]?.looks.rows.flatMap(({ use }) =>
      use.flatMap(({ model }) => [...(resolvedModelOf(mod, model)?.slots.values() ?? [])]),
    ),
  );

describe('who shows a texture', () => {
  test('is every block one of whose models shows it, and no other', () => {
    for (const texture of idsOf(demo))
      expect(blocksShowing(demo, texture)).toEqual(
        Object.keys(demo.blocks).filter((block) => shownBy(demo, block).has(texture)),
      );
    expect(blocksShowing(demo, 'saltmarsh:nothing')).toEqual([]);
  });
});

describe('a picture of its own', () => {
  const uses = idsOf(demo).flatMap((texture) =>
    blocksShowing(demo, texture).map((block) => ({ texture, block })),
  );

  test('is shown by that block alone, looks the same, and changes nobody else', () => {
    expect(uses.length).toBeGreaterThan(20);
    fc.assert(
      fc.property(fc.constantFrom(...uses), ({ texture, block }) => {
        const { changes, name } = ownTextureFor(demo, block, texture);
        const after = applyChanges<Mod>(demo, changes);
        const own = idOf('saltmarsh', name);
        expect(blocksShowing(after, own)).toEqual([block]);
        expect(shownBy(after, block).has(texture)).toBe(false);
        expect(after.textures[name]?.picture).toEqual(
          demo.textures[texture.replace('saltmarsh:', '')]?.picture,
        );
        for (const other of Object.keys(demo.blocks).filter((one) => one !== block))
          expect(shownBy(after, other)).toEqual(shownBy(demo, other));
        expect(inspect(after).filter(({ severity }) => severity === 'error')).toEqual([]);
      }),
    );
  });

  test('nobody gets one who does not show it', () => {
    expect(() => ownTextureFor(demo, 'bank', 'saltmarsh:nothing')).toThrow(RangeError);
    expect(() => ownTextureFor(demo, 'nobody', idsOf(demo)[0]!)).toThrow(RangeError);
  });
});
