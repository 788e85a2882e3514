import { textureOf } from '../../../models/index.ts';
import { itemAt } from '../../../lists/index.ts';
import { idOf, type Mod } from '../../../mod/index.ts';
import { pointer } from '../../../json/index.ts';
import { closest, count, didYouMean, listed } from '../../../words/index.ts';
import { modRule, type ModReport } from '../../rule.ts';

export const textureMissing = modRule({
  id: 'textures/missing',
  severity: 'error',
  title: 'Texture missing',
  why: 'A texture that does not exist is drawn as a marker in the game, for every player to see.',
  messages: {
    missing: '{who} uses the texture {texture}, which does not exist.{hint}',
    missingOften:
      '{places} use the texture {texture}, which does not exist; the first is the {first}.{hint}',
  },
  fails: { '/models/bank/slots/face': 'saltmarsh:bnak' },
  passes: { '/models/bank/slots/face': 'saltmarsh:lamp' },
  check(mod) {
    const { namespace } = mod.header;
    const ids = () => Object.keys(mod.textures).map((name) => idOf(namespace, name));
    // One picture that is not there is one mistake, however many slots and items show it.
    const uses = new Map<string, Use[]>();
    for (const use of usesIn(mod)) {
      if (textureOf(mod, use.texture)) continue;
      const places = uses.get(use.texture);
      if (places) places.push(use);
      else uses.set(use.texture, [use]);
    }
    return [...uses].map(([texture, places]): ModReport => {
      const near = closest(texture, ids());
      const first = itemAt(places, 0);
      const hint = didYouMean(near);
      return {
        at: first.at,
        ...(places.length === 1
          ? { says: 'missing', parts: { who: `The ${first.who}`, texture, hint } }
          : {
              says: 'missingOften',
              parts: { places: placesInWords(places), texture, first: first.who, hint },
            }),
        fix: near
          ? {
              title: `Use ${near}`,
              changes: places.map(({ at }) => ({
                path: pointer(at),
                before: texture,
                after: near,
              })),
            }
          : undefined,
      };
    });
  },
});

/** Something that shows a texture, in words, and where it says which. */
interface Use {
  who: string;
  kind: 'slot' | 'item' | 'fluid';
  texture: string;
  at: (string | number)[];
}

function usesIn(mod: Pick<Mod, 'header' | 'models' | 'items' | 'fluids'>): Use[] {
  const { namespace } = mod.header;
  return [
    ...Object.entries(mod.models).flatMap(([name, { slots = {} }]) =>
      Object.entries(slots).map(([slot, texture]): Use => ({
        who: `slot ${slot} of the model ${idOf(namespace, name)}`,
        kind: 'slot',
        texture,
        at: ['models', name, 'slots', slot],
      })),
    ),
    ...Object.entries(mod.items).flatMap(([name, { texture }]): Use[] =>
      texture === undefined
        ? []
        : [
            {
              who: `item ${idOf(namespace, name)}`,
              kind: 'item',
              texture,
              at: ['items', name, 'texture'],
            },
          ],
    ),
    ...Object.entries(mod.fluids).flatMap(([name, fluid]) =>
      (['still', 'flowing'] as const).flatMap((part): Use[] =>
        fluid[part] === undefined
          ? []
          : [
              {
                who: `fluid ${idOf(namespace, name)}`,
                kind: 'fluid',
                texture: fluid[part],
                at: ['fluids', name, part],
              },
            ],
      ),
    ),
  ];
}

/** `3 slots and 1 item` */
const placesInWords = (places: readonly Use[]): string =>
  listed(
    (['slot', 'item', 'fluid'] as const).flatMap((kind) => {
      const many = places.filter((use) => use.kind === kind).length;
      return many ? [count(many, kind)] : [];
    }),
  );
