import { findKit, kitsFor } from '../../../kits/index.ts';
import { kitsOf } from '../../../mod/kits-of.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { modRule } from '../../rule.ts';

export const kitMissing = modRule({
  id: 'kits/missing',
  severity: 'error',
  title: 'Built for a kit that there is not',
  why:
    'The mod names the kits that it is built for. One that neither comes with Obrank nor lies in ' +
    'the mod cannot be built for.',
  messages: { missing: 'The mod is built for {kit}, and there is no such kit.{near}' },
  fails: { '/header/kit': 'block-pak' },
  passes: { '/header/kit': 'block-pack' },
  check: (mod) =>
    kitsOf(mod.header)
      .filter((name) => !findKit(mod, name))
      .map((name) => {
        const near = closest(
          name,
          kitsFor(mod).map((kit) => kit.name),
        );
        return {
          at: name === mod.header.kit ? ['header', 'kit'] : ['header', 'alsoFor'],
          says: 'missing',
          parts: { kit: name, near: didYouMean(near) },
        };
      }),
});
