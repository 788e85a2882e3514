import { stockNamed, stockSoundSets } from '../../../mod/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { blockRule } from '../../rule.ts';

export const soundSetMissing = blockRule({
  id: 'traits/sound-set-missing',
  severity: 'error',
  title: 'Sound set missing',
  why:
    'The block would be silent: its sound set is neither one of the mod nor one that ' +
    'comes with the stock.',
  messages: {
    soundSetMissing: '{block} uses the sound set {soundSet}, which does not exist.{hint}',
  },
  fails: { '/blocks/lamp/traits/soundSet': 'obrank:metel' },
  passes: { '/blocks/lamp/traits/soundSet': 'obrank:metal' },
  check({ traits, name, declared }, context) {
    if (stockSoundSets.includes(traits.soundSet) || context.hasSoundSet(traits.soundSet)) return [];
    const near = closest(traits.soundSet, stockSoundSets);
    const instead = near ?? stockNamed(declared.identity.stock)?.traits.soundSet;
    return [
      {
        at: ['traits', 'soundSet'],
        cause: `The sound set ${traits.soundSet} does not exist.`,
        says: 'soundSetMissing',
        parts: { block: name, soundSet: traits.soundSet, hint: didYouMean(near) },
        fix: instead ? context.set(`Use ${instead}`, ['traits', 'soundSet'], instead) : undefined,
      },
    ];
  },
});
