import { pointerSteps } from '../json/index.ts';
import { count } from '../words/index.ts';
import { filesOfUnit, type Unit } from './units.ts';

/** So many files are called by name. */
const namedAtMost = 3;

/**
 * Units in words: the texts by the names of their files while they are few, and how many pictures
 * and sounds.
 *
 * @example unitsInWords(['/blocks/tide_lantern', '/textures/salt']) // 'tide_lantern.json, 1 picture'
 */
export function unitsInWords(units: Iterable<Unit>): string {
  const all = [...units];
  const kinds = all.map((unit) => pointerSteps(unit)[0]);
  const [pictures, sounds] = ['textures', 'sounds'].map(
    (kind) => kinds.filter((one) => one === kind).length,
  );
  const texts = all.filter((_, i) => kinds[i] !== 'textures' && kinds[i] !== 'sounds');
  const names = texts.map((unit) => filesOfUnit(unit)[0]?.split('/').at(-1) ?? unit);
  return [
    ...(names.length > namedAtMost ? [count(names.length, 'file')] : names),
    ...(pictures ? [count(pictures, 'picture')] : []),
    ...(sounds ? [count(sounds, 'sound')] : []),
  ].join(', ');
}

/** So long may the label of an edit be. */
const longestLabel = 200;

/**
 * What came from the folder, for the log.
 *
 * @example labelOf(['/blocks/tide_lantern']) // 'From the folder: tide_lantern.json'
 */
export const labelOf = (units: Iterable<Unit>): string =>
  `From the folder: ${unitsInWords(units)}`.slice(0, longestLabel);
