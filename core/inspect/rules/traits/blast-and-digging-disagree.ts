import { itemAt } from '../../../lists/index.ts';
import { charges, unbreakableFrom } from '../../../traits/index.ts';
import { blockRule } from '../../rule.ts';

const [smallest, greatest] = [itemAt(charges, 0), charges.at(-1)!];

export const blastAndDiggingDisagree = blockRule({
  id: 'traits/blast-and-digging-disagree',
  severity: 'warning',
  guesses: true,
  title: 'Unbreakable, yet a blast takes it, or the other way round',
  why:
    'What no tool digs is usually meant to stay, and what no charge breaks is usually ' +
    'meant to be unbreakable. A block that gives both numbers itself has said so.',
  messages: {
    blownAway:
      '{block} is unbreakable, yet a {charge} breaks it: its blast rating is ' + '{blastRating}.',
    withstandsBlast:
      '{block} withstands every charge with its blast rating of {blastRating}, yet bare ' +
      'hands dig it in {hardness} s.',
  },
  fails: { '/blocks/bank/traits/hardness': 'unbreakable' },
  passes: { '/blocks/bank/traits/hardness': 'unbreakable', '/blocks/bank/traits/blastRating': 40 },
  check({ traits, name, declared: { traits: own } }, context) {
    const at = (trait: string) => ['traits', trait];
    if (
      traits.hardness === 'unbreakable' &&
      own.blastRating === undefined &&
      traits.blastRating < unbreakableFrom(smallest)
    )
      return [
        {
          at: at('hardness'),
          says: 'blownAway',
          parts: { block: name, charge: smallest.name, blastRating: traits.blastRating },
          fix: context.set(
            `Let it withstand every charge: ${unbreakableFrom(greatest)}`,
            at('blastRating'),
            unbreakableFrom(greatest),
          ),
        },
      ];
    if (
      traits.hardness !== 'unbreakable' &&
      own.hardness === undefined &&
      traits.blastRating >= unbreakableFrom(greatest)
    )
      return [
        {
          at: at('blastRating'),
          says: 'withstandsBlast',
          parts: { block: name, blastRating: traits.blastRating, hardness: traits.hardness },
          fix: context.set('Make it unbreakable', at('hardness'), 'unbreakable'),
        },
      ];
    return [];
  },
});
