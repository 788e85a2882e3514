import { expect, test } from '@jest/globals';
import { kitNamed } from '../kits/index.ts';
import { inspect, inspectBuilt, rules } from './index.ts';
import { sampleMod, withExample } from './sample.ts';
import { greyPicture } from './testing/any-mod.ts';

/** What a pack does not hold, or refuses more strictly as a file that does not fit. */
const notInPacks = new Map([
  ['families/cell-does-not-fit', 'no pack says families'],
  ['families/cell-of-nothing', 'no pack says families'],
  ['families/idle-difference', 'no pack says families'],
  ['families/name-taken', 'no pack says families'],
  ['families/name-twice', 'no pack says families'],
  ['fluids/bucket-unfilled', 'no pack says what the world has'],
  ['fluids/kit-shows-otherwise', 'another kit'],
  ['fluids/pictures-differ', 'means are read from their pixels'],
  ['identity/grade-flawed', 'does not fit'],
  ['identity/no-item-form', 'said of what its loot gives'],
  ['identity/reserved-name', 'an unsafe path'],
  ['identity/unknown-stock', 'no pack says the stock'],
  ['kits/flawed', 'kits stay at home'],
  ['kits/missing', 'kits stay at home'],
  ['kits/name-taken', 'kits stay at home'],
  ['looks/cannot-stand-so', 'another kit'],
  ['looks/kit-leaves-out', 'another kit'],
  ['looks/kit-shows-otherwise', 'another kit'],
  ['loot/drops-nothing-unsaid', 'no pack says why nothing drops'],
  ['models/spin-off-step', 'another kit'],
  ['recipes/kit-leaves-out', 'another kit'],
  ['recipes/never-learned', 'no pack says what the world has'],
  ['recipes/unobtainable', 'no pack says what the world has'],
  ['registry/gone', 'a file that is missing'],
  ['registry/no-successor', 'releases stay at home'],
  ['registry/number-changed', 'releases stay at home'],
  ['registry/silenced-for-nothing', 'silences stay at home'],
  ['states/kit-shows-otherwise', 'another kit'],
  ['tags/member-twice', 'tags are written whole'],
  ['tags/unknown-own-tag', 'tags are written whole'],
  ['traits/blast-and-digging-disagree', 'no pack says the stock'],
  ['traits/hardness-far-from-stock', 'no pack says the stock'],
  ['traits/kit-shows-otherwise', 'another kit'],
  ['traits/light-out-of-range', 'does not fit'],
  ['traits/number-out-of-range', 'does not fit'],
  ['traits/sound-clipped', 'facts of sounds are read from their bytes'],
]);

/** Said of pictures by their pixels; the examples say it of facts that their pixels do not bear. */
const isOfPixels = (rule: string) => rule.startsWith('textures/');

test('what inspection finds in a declaration it finds in the pack that is built of it', () => {
  const kit = kitNamed('block-pack');
  const unheard = rules.flatMap((rule) => {
    if (rule.over === 'files' || rule.over === 'neighbours' || isOfPixels(rule.id)) return [];
    const mod = withExample(sampleMod(), rule.fails);
    const heard = inspectBuilt(kit, kit.write(mod, greyPicture));
    const isTold = inspect(mod).some((finding) => finding.rule === rule.id);
    return isTold && !heard.some((finding) => finding.rule === rule.id) ? [rule.id] : [];
  });
  expect(unheard.sort()).toEqual([...notInPacks.keys()].sort());
});
