import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sampleMod } from '../inspect/sample.ts';
import { applyChange, type Mod } from '../mod/index.ts';
import { isFilled, membersOf } from './index.ts';

const tag = fc.constantFrom('wet', 'dry', 'shore', 'driftwood:white');
const idOf = (name: string) => (name.includes(':') ? name : `saltmarsh:${name}`);
const member = fc.oneof(
  tag.map((name) => `#${idOf(name)}`),
  fc.constant('driftwood:plank'),
);
/** What is edited: the members of a tag, or the tags of a block. */
const anyEdit = fc.oneof(
  fc.tuple(fc.constantFrom('wet', 'dry', 'shore'), fc.array(member, { maxLength: 2 })),
  fc.tuple(fc.constantFrom('bank', 'lamp'), fc.array(tag.map(idOf), { maxLength: 2 })),
);

const edited = (mod: Mod, [name, list]: [string, string[]]): Mod => {
  const block = mod.blocks[name];
  return block
    ? applyChange(mod, { path: `/blocks/${name}/itemTags`, before: block.itemTags, after: list })
    : applyChange(mod, {
        path: `/itemTags/${name}`,
        before: mod.itemTags[name],
        after: { members: list },
      });
};

test('a tag is filled when somebody is in it, whatever is edited', () =>
  fc.assert(
    fc.property(fc.array(anyEdit, { maxLength: 8 }), (edits) => {
      let mod = sampleMod();
      for (const edit of edits) {
        mod = edited(mod, edit);
        const members = membersOf(mod, 'itemTags');
        const isThere = isFilled(mod, 'itemTags');
        for (const [id, all] of members) expect([id, isThere(id)]).toEqual([id, all.size > 0]);
      }
    }),
  ));
