import { expect, test } from '@jest/globals';
import { readFolder } from '../../../disk/index.ts';
import { flattened } from '../../families/index.ts';
import { readModFolder } from '../../folder/index.ts';
import { emptyMod, resolveBlocks } from '../../mod/index.ts';
import { orientations } from '../../space/index.ts';
import { askedOf, holdsWay } from './asked.ts';
import { limitsOf } from './limits.ts';

const demo = flattened(readModFolder(await readFolder('demo/saltmarsh')).mod);
const kit = (limits: object) => limitsOf({ limits });
const saying = (limits: object, mod = demo) =>
  new Map(askedOf(mod, kit(limits)).map((one) => [one.limit, one]));

test('an engine without bounds holds all that a mod asks', () => {
  expect(askedOf(demo, kit({})).filter(({ isHeld }) => !isHeld)).toEqual([]);
});

test('of each bound it is told what asks most, and whether that is held', () => {
  const most = resolveBlocks(demo).toSorted((a, b) => b.space.size - a.space.size)[0]!;
  const states = saying({ states: 16 }).get('states');
  expect(states).toMatchObject({ isHeld: false, asks: String(most.space.size) });
  expect(saying({ states: most.space.size }).get('states')?.isHeld).toBe(true);
  expect(saying({ textureSide: 8 }).get('textureSide')?.isHeld).toBe(false);
  expect(saying({ wholeShares: true }).get('wholeShares')).toBeDefined();
});

test('an empty mod asks nothing of any engine', () => {
  const tight = { states: 1, stateCodeBits: 0, boxes: 1, reach: 0, textureSide: 1, spinStep: 90 };
  const asked = askedOf(emptyMod('saltmarsh', 'Saltmarsh'), kit(tight));
  expect(asked.filter(({ isHeld }) => !isHeld)).toEqual([]);
});

test('what holds only four headings says so of the ways in which models stand', () => {
  expect(saying({ orientations: 4 }).get('orientations')?.isHeld).toBe(false);
  expect(saying({ orientations: 24 }).get('orientations')?.isHeld).toBe(true);
  const held = (limits: object) => orientations.filter((way) => holdsWay(kit(limits), way));
  expect(
    held({ orientations: 4 })
      .map(({ front, top }) => `${front} ${top}`)
      .sort(),
  ).toEqual(['east up', 'north up', 'south up', 'west up']);
  // Two turns by quarters reach sixteen of them.
  expect(held({ orientations: { about: ['x', 'y'] } })).toHaveLength(16);
  expect(held({})).toHaveLength(24);
});
