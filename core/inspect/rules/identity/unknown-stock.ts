import { stockNamed, stocks } from '../../../mod/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { blockRule } from '../../rule.ts';

export const unknownStock = blockRule({
  id: 'identity/unknown-stock',
  severity: 'error',
  guesses: true,
  title: 'Unknown stock material',
  why:
    'A block takes every trait that it does not set itself from its stock. With a stock ' +
    'that does not exist it gets plain defaults instead.',
  messages: {
    unknownStock: '{block} starts from {stock}, which is no stock material.{hint}',
  },
  fails: { '/blocks/lamp/identity/stock': 'bronse' },
  passes: { '/blocks/lamp/identity/stock': 'bronze' },
  check({ declared, name }, context) {
    const { stock } = declared.identity;
    if (stock === undefined || stockNamed(stock)) return [];
    const near = closest(
      stock,
      stocks.map((one) => one.name),
    );
    return [
      {
        at: ['identity', 'stock'],
        says: 'unknownStock',
        parts: { block: name, stock, hint: didYouMean(near) },
        fix: near ? context.set(`Start from ${near}`, ['identity', 'stock'], near) : undefined,
      },
    ];
  },
});
