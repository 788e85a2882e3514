import { expect, test } from '@jest/globals';
import { applyChanges, type Change, type Mod } from '../mod/index.ts';
import { acceptsIn, clashes } from '../recipes/index.ts';
import { sampleMod, withExample } from './sample.ts';
import { foundInTexts } from './found-in-texts.ts';
import { acceptingOf, makingOf, partOf, watchedView, type ViewPart } from './view.ts';

const mod = (): Mod =>
  withExample(sampleMod(), {
    '/items/salt': { names: { en: 'Salt' }, tags: ['saltmarsh:dry'] },
    '/itemTags/dry': {},
  });
const parts = [
  'blocks',
  'named',
  'makings',
  'held',
  'things',
] as const satisfies readonly ViewPart[];
/** The parts that are other ones after an edit. */
const stirred = (before: Mod, changes: Change[]): string[] => {
  const then = parts.map((part) => partOf(before, part));
  const after = applyChanges(before, changes);
  return parts.filter((part, i) => partOf(after, part) !== then[i]);
};

test('an edit stirs the parts that hold what changed, and no other', () => {
  const before = mod();
  const change = (path: string, was: unknown, after: unknown): Change[] => [
    { path, before: was, after },
  ];
  expect(stirred(before, change('/blocks/lamp/traits/hardness', undefined, 3))).toEqual([]);
  expect(stirred(before, change('/blocks/lamp/names/en', 'Lamp', 'Light'))).toEqual(['named']);
  expect(stirred(before, change('/blocks/lamp/loot', 'itself', 'nothing'))).toEqual(['makings']);
  expect(stirred(before, change('/blocks/lamp/tags', ['saltmarsh:pick_dug'], []))).toEqual([
    'blocks',
  ]);
  expect(stirred(before, change('/blocks/lamp/itemTags', undefined, ['saltmarsh:dry']))).toEqual([
    'blocks',
    'held',
  ]);
  expect(stirred(before, change('/blocks/lamp/identity/item', 'block', 'none'))).toEqual([
    'blocks',
    'makings',
    'held',
  ]);
  expect(stirred(before, change('/items/salt/names/en', 'Salt', 'Sea salt'))).toEqual([]);
  expect(stirred(before, change('/items/salt/tags', ['saltmarsh:dry'], []))).toEqual(['things']);
  expect(stirred(before, [{ path: '/blocks/bank', before: before.blocks['bank'] }])).toEqual([
    'blocks',
    'named',
    'makings',
    'held',
  ]);
});

test('a view notes what is asked of it', () => {
  const { view, reads } = watchedView(mod());
  clashes(view.recipes, acceptsIn(acceptingOf(view)));
  expect([...reads.keys()].sort()).toEqual(['header', 'held', 'itemTags', 'recipes', 'things']);
  const texts = watchedView(mod());
  foundInTexts(() => [])(texts.view);
  expect([...texts.reads.keys()].sort()).toEqual(['fluids', 'header', 'items', 'named', 'words']);
  const making = watchedView(mod());
  makingOf(making.view);
  expect([...making.reads.keys()]).not.toContain('blocks');
});
