import { pointer } from '../../../json/index.ts';
import { idOfShown, isOverStock, splitId, stockNamed, stocks } from '../../../mod/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { modRule, type ModReport } from '../../rule.ts';

const oneRow = { mode: 'one-of', rows: [{ use: [{ model: 'saltmarsh:bank' }] }] };

export const lookNotAnothers = modRule({
  id: 'looks/not-anothers',
  severity: 'error',
  title: "New look of no other mod's block",
  why:
    'A new look is for a block that somebody else owns. A block of the mod has its look with ' +
    'itself, and a stock material that does not exist shows nothing.',
  messages: {
    ownBlock: '{id} is a block of this mod: its look belongs with the block, not over it.',
    stockUnknown: '{id} is no stock material of Obrank, so its new look shows nowhere.{hint}',
  },
  fails: { '/newLooks/obrank~1thacth': { looks: oneRow } },
  passes: { '/newLooks/obrank~1thatch': { looks: oneRow } },
  check: ({ header, newLooks }) =>
    Object.entries(newLooks).flatMap(([name, look]): ModReport[] => {
      const id = idOfShown(header.namespace, name);
      const at = ['newLooks', name];
      if (splitId(id).namespace === header.namespace)
        return [{ at, block: name, says: 'ownBlock', parts: { id } }];
      if (!isOverStock(name) || stockNamed(splitId(id).name)) return [];
      const near = closest(
        splitId(id).name,
        stocks.map((stock) => stock.name).filter((stock) => !newLooks[`obrank/${stock}`]),
      );
      return [
        {
          at,
          block: name,
          says: 'stockUnknown',
          parts: { id, hint: didYouMean(near && `obrank:${near}`) },
          fix: near
            ? {
                title: `Lay it over obrank:${near}`,
                changes: [
                  { path: pointer(at), before: look },
                  { path: pointer(['newLooks', `obrank/${near}`]), after: look },
                ],
              }
            : undefined,
        },
      ];
    }),
});
