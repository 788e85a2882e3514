import { pointer } from '../../../json/index.ts';
import { sides } from '../../../space/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import { boxWord, modelId } from '../../models.ts';
import { modRule, type ModReport } from '../../rule.ts';

export const slotMisspelt = modRule({
  id: 'models/slot-misspelt',
  severity: 'error',
  title: 'Slot called otherwise than on the other sides',
  why:
    'A slot that is misspelt on one side is a slot of its own: nothing fills it, and that side ' +
    'shows the marker of an unresolved texture.',
  messages: {
    slotMisspelt:
      'The {side} of the box {box} of the model {model} shows the slot {slot}, which nothing ' +
      'fills.{hint}',
  },
  fails: { '/models/lamp/boxes/0/sides/front/slot': 'metla' },
  passes: { '/models/lamp/boxes/0/sides/front/slot': 'metal' },
  check: (mod) => {
    const filled = new Set(
      Object.values(mod.models).flatMap(({ slots = {} }) => Object.keys(slots)),
    );
    return Object.entries(mod.models).flatMap(([name, { boxes = [] }]) => {
      const shown = new Set(
        boxes.flatMap((box) => Object.values(box.sides).map(({ slot }) => slot)),
      );
      const meantBy = new Map(
        [...shown]
          .filter((slot) => !filled.has(slot))
          .map((slot) => [
            slot,
            closest(
              slot,
              [...shown].filter((one) => filled.has(one)),
            ),
          ]),
      );
      return boxes.flatMap((box, i) =>
        sides.flatMap((side): ModReport[] => {
          const slot = box.sides[side]?.slot;
          const meant = slot === undefined ? undefined : meantBy.get(slot);
          if (meant === undefined) return [];
          const at = ['models', name, 'boxes', i, 'sides', side, 'slot'];
          return [
            {
              at,
              says: 'slotMisspelt',
              parts: {
                side,
                box: boxWord(boxes, i),
                model: modelId(mod, name),
                slot: slot!,
                hint: didYouMean(meant),
              },
              fix: {
                title: `Show the slot ${meant}`,
                changes: [{ path: pointer(at), before: slot, after: meant }],
              },
            },
          ];
        }),
      );
    });
  },
});
