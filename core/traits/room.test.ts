import { expect, test } from '@jest/globals';
import { lightBehind, lightReach, readingLevel, roomSection } from './index.ts';

test(
  'a room with a lantern of 13: the floor row falls by one a step, the row above is a ' +
    'step farther, both sides alike',
  () => {
    const { levels, row, column } = roomSection(13, 0, 27, 5);
    expect([row, column]).toEqual([4, 13]);
    expect(levels[4]).toEqual(
      Array.from({ length: 27 }, (_, x) => Math.max(0, 13 - Math.abs(x - 13))),
    );
    expect(levels[0]).toEqual(
      Array.from({ length: 27 }, (_, x) => Math.max(0, 13 - 4 - Math.abs(x - 13))),
    );
    for (const line of levels) expect(line).toEqual(line.toReversed());
    // What one reads by, counted in the section, is what the reach says.
    expect(levels[4]!.filter((level) => level >= readingLevel)).toHaveLength(
      2 * lightReach(13, readingLevel) + 1,
    );
  },
);

test(
  'a dark block leaves the room dark, and a block that takes all light still gives its ' + 'own',
  () => {
    expect(
      roomSection(0, 0, 9, 3)
        .levels.flat()
        .every((level) => level === 0),
    ).toBe(true);
    expect(roomSection(6, 15, 9, 3).levels[2]).toEqual([2, 3, 4, 5, 6, 5, 4, 3, 2]);
  },
);

test('behind walls of a block, one to three thick, worked by hand', () => {
  expect(lightBehind(0, 3)).toEqual([13, 12, 11]);
  expect(lightBehind(1, 3)).toEqual([13, 12, 11]);
  expect(lightBehind(4, 3)).toEqual([10, 6, 2]);
  expect(lightBehind(15, 3)).toEqual([0, 0, 0]);
});
