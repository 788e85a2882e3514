import type { Reaction } from '../../../mod/index.ts';
import { modRule } from '../../rule.ts';

const gives = [{ when: 'used', then: [{ do: 'signal', strength: 15, ticks: 20 }] }];
const hears = [{ when: 'signal comes', then: [{ do: 'vanish' }] }];

export const reactionUnheardSignal = modRule({
  id: 'reactions/unheard-signal',
  severity: 'hint',
  guesses: true,
  title: 'Signal that nobody hears',
  why:
    'A block gives a signal, and no block of the mod answers to one or is placed by one. Unless ' +
    'another mod hears it, nothing comes of it.',
  messages: { unheard: '{block} gives a signal, and nothing in the mod hears it.' },
  fails: { '/blocks/lamp/reactions': gives },
  passes: { '/blocks/lamp/reactions': gives, '/blocks/bank/reactions': hears },
  restsOn: ['blocks'],
  check(mod) {
    const all = Object.entries(mod.reacting);
    const isHeard = all.some(
      ([, { reactions = [], states }]) =>
        reactions.some(isHearing) ||
        (states.placing ?? []).some(
          ({ to, when }) => to === 'signal' || when?.signal !== undefined,
        ),
    );
    if (isHeard) return [];
    return all.flatMap(([name, { reactions = [] }]) => {
      const at = reactions.findIndex(({ then }) =>
        then.some((action) => action.do === 'signal' && action.strength > 0),
      );
      return at < 0
        ? []
        : [
            {
              at: ['blocks', name, 'reactions', at],
              block: name,
              says: 'unheard',
              parts: { block: name },
            },
          ];
    });
  },
});

const isHearing = ({ when, if: asked }: Reaction): boolean =>
  when === 'signal comes' || when === 'signal goes' || asked?.signal !== undefined;
