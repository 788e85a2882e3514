import { stockNamed } from '../../../mod/index.ts';
import { blockRule } from '../../rule.ts';

/** So many times harder or softer than its stock is worth a look. */
const far = 10;

export const hardnessFarFromStock = blockRule({
  id: 'traits/hardness-far-from-stock',
  severity: 'hint',
  guesses: true,
  title: 'Hardness far outside its stock',
  why: 'A block of timber that takes ten times as long as timber is often a slipped decimal point.',
  messages: {
    hardnessFarFromStock: '{block} has hardness {hardness}, {much} {stock} with {usual}.',
  },
  fails: { '/blocks/lamp/traits/hardness': 250 },
  passes: { '/blocks/lamp/traits/hardness': 25 },
  check({ traits: { hardness }, name, declared }, context) {
    const stock = stockNamed(declared.identity.stock);
    const usual = stock?.traits.hardness;
    if (
      typeof hardness !== 'number' ||
      typeof usual !== 'number' ||
      hardness <= 0 ||
      declared.traits.hardness === undefined
    )
      return [];
    const times = hardness / usual;
    if (times <= far && times >= 1 / far) return [];
    const much =
      times > 1
        ? `${Math.round(times)} times as hard as`
        : `${Math.round(1 / times)} times softer than`;
    return [
      {
        at: ['traits', 'hardness'],
        says: 'hardnessFarFromStock',
        parts: { block: name, hardness, much, stock: stock!.title.toLowerCase(), usual },
        fix: context.set(`Put it back to ${usual}`, ['traits', 'hardness'], undefined),
      },
    ];
  },
});
