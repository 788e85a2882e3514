import type { ReadFile, ReadPack } from '../read/index.ts';
import { pointer } from '../../../json/index.ts';
import { idsIn, splitId, stockNamed, stocks } from '../../../mod/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import type { FileFix } from '../../../mend/index.ts';
import type { SaidOfFile } from '../../file-rule.ts';
import { packRule } from './pack-rule.ts';

export const referenceMissing = packRule({
  id: 'pack/reference-missing',
  severity: 'error',
  title: 'File about what is not in the pack',
  why:
    'A file speaks of a block, a picture or a stock material that is not there, so it does ' +
    'nothing, or is refused.',
  messages: {
    stockUnknown: '{id} is no stock item of Obrank.{hint}',
    blockMissing: 'This is about the block {id}, which is not in the pack.{hint}',
    pictureMissing: 'There is no texture {strip}.png beside this strip.',
  },
  fails: { 'rules/loot/brine.json': '{ "block": "saltmarsh:brine", "draws": [] }' },
  passes: {},
  check: (pack) => [...withoutBlock(pack), ...withoutPicture(pack), ...unknownStock(pack)],
});

const naming = (
  { file }: ReadFile<unknown>,
  at: readonly (string | number)[],
  value: string,
): FileFix => ({ title: `Name ${value}`, files: [{ file, at: pointer(at), value }] });

/** Looks, loot and items of blocks that the pack does not have. */
const withoutBlock = (pack: ReadPack): SaidOfFile[] =>
  [
    ...[...pack.looks.values(), ...pack.loot.values()].map((file) => ({ file, key: 'block' })),
    ...[...pack.items.values()].map((file) => ({ file, key: 'block' })),
  ].flatMap(({ file, key }) => {
    const id = (file.value as { block?: string }).block;
    if (id === undefined) return [];
    const { namespace, name } = splitId(id);
    // What another mod brings cannot be judged from this pack.
    if (namespace !== pack.pack?.value.namespace) return [];
    if (pack.blocks.has(name) || pack.unread.has('block', name)) return [];
    const near = closest(name, pack.blocks.keys());
    return [
      {
        file: file.file,
        place: file.placeOf(pointer([key])),
        says: 'blockMissing',
        parts: { id, hint: didYouMean(near && `${namespace}:${near}`) },
        fix: near === undefined ? undefined : naming(file, [key], `${namespace}:${near}`),
      },
    ];
  });

const withoutPicture = (pack: ReadPack): SaidOfFile[] =>
  [...pack.strips.values()]
    .filter(({ name }) => !pack.textures.has(name) && !pack.unread.has('texture', name))
    .map(({ file, name }) => ({ file, says: 'pictureMissing', parts: { strip: name } }));

/** Stock that Obrank does not bring along, wherever items are named. */
function unknownStock(pack: ReadPack): SaidOfFile[] {
  const named: [file: ReadFile<unknown>, at: (string | number)[], id: string][] = [
    ...[...pack.loot.values(), ...pack.lootTables.values()].flatMap((loot) =>
      loot.value.draws.flatMap(({ lots }, d) =>
        lots.flatMap(({ give }, l): typeof named =>
          give === undefined ? [] : [[loot, ['draws', d, 'lots', l, 'give'], give]],
        ),
      ),
    ),
    ...[...pack.recipes.values()].flatMap((recipe) =>
      idsIn(recipe.value).map(({ id, at }): (typeof named)[number] => [recipe, at, id]),
    ),
    ...[...pack.itemTags.values()].flatMap((tag) =>
      tag.value.members.map((id, i): (typeof named)[number] => [tag, ['members', i], id]),
    ),
  ];
  return named.flatMap(([file, at, id]) => {
    const { namespace, name } = splitId(id);
    if (namespace !== 'obrank' || stockNamed(name)) return [];
    const near = closest(
      name,
      stocks.map((stock) => stock.name),
    );
    return [
      {
        file: file.file,
        place: file.placeOf(pointer(at)),
        says: 'stockUnknown',
        parts: { id, hint: didYouMean(near && `obrank:${near}`) },
        fix: near === undefined ? undefined : naming(file, at, `obrank:${near}`),
      },
    ];
  });
}
