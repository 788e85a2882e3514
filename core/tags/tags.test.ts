import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sampleMod, withExample } from '../inspect/sample.ts';
import { valueAt } from '../json/index.ts';
import { applyChanges, idOf, ModSchema, type Mod } from '../mod/index.ts';
import {
  circleProblem,
  directMembers,
  membersOf,
  needsOf,
  tagCircles,
  toggleMember,
  type Who,
  tagEntries,
  tagMarks,
  foreignMembers,
  tagsShown,
} from './index.ts';

const names = ['a', 'b', 'c', 'd', 'e'];
const id = (name: string) => idOf('saltmarsh', name);
/** A mod with five tags that name each other and two blocks at random. */
const tagged = (links: readonly (readonly [number, number])[], bank: readonly number[]): Mod => {
  const mod = sampleMod();
  const blockTags = Object.fromEntries(
    names.map((name, i) => [
      name,
      {
        members: links
          .filter(([from]) => from === i)
          .map(([, to]) => (to < 5 ? `#${id(names[to]!)}` : id('lamp'))),
      },
    ]),
  );
  return {
    ...mod,
    blockTags,
    blocks: {
      ...mod.blocks,
      bank: { ...mod.blocks['bank']!, tags: bank.map((at) => id(names[at]!)) },
    },
  };
};
const links = fc.array(fc.tuple(fc.nat(4), fc.nat(5)), { maxLength: 9 });

test('who is in a tag agrees with following every path by hand', () =>
  fc.assert(
    fc.property(links, fc.array(fc.nat(4), { maxLength: 3 }), (given, bank) => {
      const mod = tagged(given, bank);
      const direct = directMembers(mod, 'blockTags');
      const found = membersOf(mod, 'blockTags');
      // Brute force: a thing is in a tag when some path of at most five mentions leads there.
      const inside = (tag: string, depth: number): string[] =>
        depth === 0
          ? []
          : [...(direct.get(tag) ?? [])].flatMap((member) =>
              member.startsWith('#') ? inside(member.slice(1), depth - 1) : [member],
            );
      for (const name of names)
        expect([...found.get(id(name))!].sort()).toEqual([...new Set(inside(id(name), 6))].sort());
    }),
  ));

test(
  'a circle is found exactly when some tag leads back to itself, and each step of it is ' +
    'a mention',
  () =>
    fc.assert(
      fc.property(links, (given) => {
        const mod = tagged(given, []);
        const direct = directMembers(mod, 'blockTags');
        const leads = (from: string, to: string, depth: number): boolean =>
          depth > 0 &&
          [...(direct.get(from) ?? [])].some(
            (member) =>
              member === `#${to}` ||
              (member.startsWith('#') && leads(member.slice(1), to, depth - 1)),
          );
        const circles = tagCircles(mod, 'blockTags');
        expect(circles.length > 0).toBe(names.some((name) => leads(id(name), id(name), 5)));
        for (const circle of circles)
          circle.forEach((tag, i) =>
            expect(direct.get(tag)).toContain(`#${circle[(i + 1) % circle.length]!}`),
          );
        // Putting one tag into another is refused exactly when that would lead back.
        for (const into of names)
          for (const tag of names)
            expect(circleProblem(mod, 'blockTags', id(into), id(tag)) !== undefined).toBe(
              into === tag || leads(id(tag), id(into), 5),
            );
      }),
    ),
);

test('a circle of three is named in order, and what would close it is said', () => {
  const mod = tagged(
    [
      [2, 0],
      [0, 1],
      [1, 2],
    ],
    [],
  );
  expect(tagCircles(mod, 'blockTags')).toEqual([[id('a'), id('b'), id('c')]]);
  expect(
    circleProblem(
      tagged(
        [
          [0, 1],
          [1, 2],
        ],
        [],
      ),
      'blockTags',
      id('c'),
      id('a'),
    ),
  ).toBe(
    'saltmarsh:a in saltmarsh:c would close a circle: saltmarsh:c names saltmarsh:a names ' +
      'saltmarsh:b names saltmarsh:c.',
  );
});

test(
  'who needs a tag: tools, recipes, and tags that hold it; what another mod brings ' +
    'stands for itself',
  () => {
    const mod: Mod = {
      ...sampleMod(),
      itemTags: { wet: { members: ['#driftwood:soaked'] } },
      recipes: {
        bank: { kind: 'mix', takes: ['#saltmarsh:wet', '#saltmarsh:wet'], gives: 'saltmarsh:bank' },
      },
    };
    expect(needsOf(mod, 'blockTags').get('saltmarsh:pick_dug')).toEqual([
      { what: 'tool', name: 'pick' },
    ]);
    expect(needsOf(mod, 'itemTags').get('saltmarsh:wet')).toEqual([
      { what: 'recipe', name: 'bank' },
    ]);
    expect(needsOf(mod, 'itemTags').get('driftwood:soaked')).toEqual([
      { what: 'tag', name: 'wet' },
    ]);
    expect([...membersOf(mod, 'itemTags').get('saltmarsh:wet')!]).toEqual(['#driftwood:soaked']);
  },
);

test(
  'putting in and taking out: what was in is out and the other way round, twice is as ' +
    'before, and no circle ever comes of it',
  () =>
    fc.assert(
      fc.property(
        links,
        fc.array(fc.nat(4), { maxLength: 3 }),
        fc.constantFrom<Who>(
          { what: 'blocks', name: 'bank' },
          { what: 'blocks', name: 'lamp' },
          { what: 'tag', name: 'c' },
        ),
        fc.nat(4),
        (given, bank, who, at) => {
          const mod = tagged(given, [...new Set(bank)]);
          const tag = id(names[at]!);
          const member = who.what === 'tag' ? `#${id(who.name)}` : id(who.name);
          const isIn = (of: Mod) => directMembers(of, 'blockTags').get(tag)!.has(member);
          if (
            who.what === 'tag' &&
            !isIn(mod) &&
            circleProblem(mod, 'blockTags', tag, id(who.name))
          ) {
            expect(() => toggleMember(mod, 'blockTags', who, tag)).toThrow(/circle|itself/);
            return;
          }
          const once = applyChanges(mod, toggleMember(mod, 'blockTags', who, tag));
          expect(isIn(once)).toBe(!isIn(mod));
          expect(ModSchema.safeParse(once).success).toBe(true);
          if (tagCircles(mod, 'blockTags').length === 0)
            expect(tagCircles(once, 'blockTags')).toEqual([]);
          // What lay on a circle cannot be put back.
          if (who.what !== 'tag' || !circleProblem(once, 'blockTags', tag, id(who.name)))
            expect(isIn(applyChanges(once, toggleMember(once, 'blockTags', who, tag)))).toBe(
              isIn(mod),
            );
        },
      ),
    ),
);

test('a block can be put into a tag of another mod, a tag cannot', () => {
  const mod = sampleMod();
  expect(
    applyChanges(
      mod,
      toggleMember(mod, 'blockTags', { what: 'blocks', name: 'lamp' }, 'driftwood:shiny'),
    ).blocks['lamp']!.tags,
  ).toContain('driftwood:shiny');
  expect(() =>
    toggleMember(mod, 'blockTags', { what: 'tag', name: 'shore' }, 'driftwood:shiny'),
  ).toThrow(/belongs to another mod/);
});

const step = fc.oneof(
  fc.record({
    at: fc.constantFrom('/blocks/bank/tags', '/blocks/lamp/tags'),
    after: fc.constantFrom<unknown>([id('a')], [], [id('b'), id('c')]),
  }),
  fc.record({
    at: fc.constantFrom('/blocks/bank/itemTags', '/items/salt/tags'),
    after: fc.constantFrom<unknown>([id('a')], [id('e')], undefined),
  }),
  fc.record({
    at: fc.constantFrom('/itemTags/a', '/blockTags/a', '/itemTags/e'),
    after: fc.constantFrom<unknown>(
      {},
      { members: [`#${id('b')}`, id('lamp')] },
      { members: [`#${id('e')}`] },
    ),
  }),
  fc.record({
    at: fc.constant('/blocks/bank/identity/item'),
    after: fc.constantFrom<unknown>('none', 'block', undefined),
  }),
  fc.record({
    at: fc.constant('/header/namespace'),
    after: fc.constantFrom<unknown>('saltmarsh', 'driftwood'),
  }),
);

test('what is remembered of tags is never out of date, whatever is edited in between', () =>
  fc.assert(
    fc.property(fc.array(step, { maxLength: 8 }), (steps) => {
      let mod: Mod = {
        ...tagged([[0, 1]], [0]),
        items: { salt: { names: {} } },
        itemTags: { a: {}, e: {} },
      };
      for (const { at, after } of steps) {
        mod = applyChanges(mod, [{ path: at, before: valueAt(mod, at), after }]);
        const afresh = structuredClone(mod);
        for (const kind of ['blockTags', 'itemTags'] as const) {
          expect(directMembers(mod, kind)).toEqual(directMembers(afresh, kind));
          expect(membersOf(mod, kind)).toEqual(membersOf(afresh, kind));
          expect(tagCircles(mod, kind)).toEqual(tagCircles(afresh, kind));
        }
      }
    }),
  ));

test('an item tag holds what can be held: a block without an item form says so in vain', () => {
  const mod: Mod = {
    ...sampleMod(),
    items: { salt: { names: {}, tags: [id('dry')] } },
    itemTags: { dry: {} },
  };
  const held = (item: 'block' | 'none') =>
    membersOf(
      {
        ...mod,
        blocks: {
          ...mod.blocks,
          bank: { ...mod.blocks['bank']!, itemTags: [id('dry')], identity: { item } },
        },
      },
      'itemTags',
    ).get(id('dry'));
  expect([...held('block')!]).toEqual([id('bank'), id('salt')]);
  expect([...held('none')!]).toEqual([id('salt')]);
});

test('the matrix of tags: who stands in it, which tags have a column, and what each cell says', () => {
  const mod = withExample(sampleMod(), {
    '/blockTags/wet': { members: ['#saltmarsh:shore'] },
    '/blocks/bank/tags': ['saltmarsh:shore', 'driftwood:soft'],
  });
  const tags = tagsShown(mod, 'blockTags');
  expect(tags).toEqual([
    'saltmarsh:pick_dug',
    'saltmarsh:shore',
    'saltmarsh:spade_dug',
    'saltmarsh:wet',
    'driftwood:soft',
  ]);
  const entries = tagEntries(mod, 'blockTags', tags, '');
  expect(entries.map(({ title }) => title).slice(0, 4)).toEqual([
    'Bank',
    'Lamp',
    '#pick_dug',
    '#shore',
  ]);
  expect(tagEntries(mod, 'blockTags', tags, 'LAM').map(({ id }) => id)).toEqual(['saltmarsh:lamp']);
  const markOf = tagMarks(mod, 'blockTags');
  const marks = (title: string) =>
    tags.map((tag) =>
      markOf(
        entries.find((entry) => entry.title === title)!,
        tag,
      ),
    );
  expect(marks('Bank')).toEqual(['', 'in', 'wanted', 'through', 'in']);
  // A tag of another mod takes no tag of ours, and none takes itself.
  expect(marks('#wet')).toEqual(['', 'no', '', 'no', 'no']);
});

test('members of other mods: ids and tags of others, each once', () => {
  const typed = [
    ' driftwood:shiny',
    '#driftwood:bright',
    'saltmarsh:lamp',
    'plain',
    'driftwood:shiny',
  ];
  expect(foreignMembers('saltmarsh', typed)).toEqual(['driftwood:shiny', '#driftwood:bright']);
});
