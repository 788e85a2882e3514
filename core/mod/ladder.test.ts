import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sampleMod } from '../inspect/sample.ts';
import { applyChanges, changeLadder, gradeUses, type LadderAct, type Mod } from './index.ts';

/** The sample mod with a block that asks for a grade in both places. */
function asking(grade: number): Mod {
  const mod = sampleMod();
  const lamp = mod.blocks['lamp']!;
  return {
    ...mod,
    blocks: {
      ...mod.blocks,
      lamp: {
        ...lamp,
        traits: { ...lamp.traits, toolKind: 'pick', leastGrade: grade },
        loot: {
          draws: [{ times: 1, lots: [{ give: 'saltmarsh:lamp', when: { tool: 'pick', grade } }] }],
        },
      },
    },
  };
}
const namesOf = (mod: Mod) => mod.header.tools.grades.map((one) => one.name);
const asked = (mod: Mod) => {
  const { traits, loot } = mod.blocks['lamp']!;
  return [
    traits.leastGrade,
    typeof loot === 'object' ? loot.draws[0]!.lots[0]!.when!.grade : undefined,
  ].map((grade) => namesOf(mod)[grade!]);
};
const done = (mod: Mod, act: LadderAct) => applyChanges(mod, changeLadder(mod, act));

test('whoever asks for a grade asks for the same tool wherever it moves', () =>
  fc.assert(
    fc.property(fc.nat(2), fc.nat(2), fc.nat(2), (grade, from, to) => {
      const mod = asking(grade);
      const moved = done(mod, { do: 'move', grade: from, to });
      expect(asked(moved)).toEqual(asked(mod));
      expect(gradeUses(moved)[to]).toBe(gradeUses(mod)[from]);
      expect(namesOf(moved)[to]).toBe(namesOf(mod)[from]);
      expect([...namesOf(moved)].sort()).toEqual([...namesOf(mod)].sort());
    }),
  ));

test(
  'of a grade that is removed the one above takes the place, or the highest that is ' + 'left',
  () => {
    expect(asked(done(asking(0), { do: 'remove', grade: 0 }))).toEqual(['bronze', 'bronze']);
    expect(asked(done(asking(2), { do: 'remove', grade: 2 }))).toEqual(['bronze', 'bronze']);
    expect(asked(done(asking(2), { do: 'remove', grade: 0 }))).toEqual(['steel', 'steel']);
    // The bank asks for none itself, but its material does.
    expect(gradeUses(asking(1))).toEqual([1, 1, 0]);
  },
);

test('a name and a pace change, a grade is added; what there is not is refused', () => {
  expect(done(asking(1), { do: 'change', grade: 1, pace: 4 }).header.tools.grades[1]).toEqual({
    name: 'bronze',
    pace: 4,
  });
  expect(namesOf(done(asking(1), { do: 'add', name: 'glass', pace: 7 }))).toEqual([
    'flint',
    'bronze',
    'steel',
    'glass',
  ]);
  expect(() => changeLadder(asking(1), { do: 'remove', grade: 9 })).toThrow(/no grade 9/);
  const one = { ...asking(0) };
  one.header = {
    ...one.header,
    tools: { ...one.header.tools, grades: [{ name: 'flint', pace: 2 }] },
  };
  expect(() => changeLadder(one, { do: 'remove', grade: 0 })).toThrow(/one grade at least/);
});

test(
  'grades that lots of other tables, groups of conditions and tools ask for follow as ' + 'well',
  () =>
    fc.assert(
      fc.property(fc.nat(2), fc.nat(2), fc.nat(2), (grade, from, to) => {
        const mod: Mod = {
          ...asking(0),
          lootTables: {
            finds: {
              draws: [
                {
                  times: 1,
                  lots: [
                    {
                      give: 'saltmarsh:lamp',
                      when: { any: [{ grade }, { not: { tool: 'axe', grade } }] },
                    },
                  ],
                },
              ],
            },
          },
          items: { chisel: { names: {}, tool: { kind: 'pick', grade } } },
        };
        const moved = done(mod, { do: 'move', grade: from, to });
        const name = namesOf(mod)[grade];
        const { any } = moved.lootTables['finds']!.draws[0]!.lots[0]!.when!;
        expect(
          [any![0]!.grade, any![1]!.not!.grade, moved.items['chisel']!.tool!.grade].map(
            (one) => namesOf(moved)[one!],
          ),
        ).toEqual([name, name, name]);
      }),
    ),
);
