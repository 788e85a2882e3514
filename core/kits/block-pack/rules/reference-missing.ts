import type { ReadFile } from '../read/index.ts';
import { pointer } from '../../../json/index.ts';
import { templateNamed } from '../../../models/index.ts';
import { idsIn, splitId, stockNamed, stocks } from '../../../mod/index.ts';
import { closest, didYouMean } from '../../../words/index.ts';
import type { SaidOfFile } from '../../file-rule.ts';
import { packRule } from './pack-rule.ts';

export const referenceMissing = packRule({
  id: 'pack/reference-missing',
  severity: 'error',
  title: 'Reference to what is not in the pack',
  why:
    'A file names a model, texture, item, block or sound that is not there. The game ' +
    'shows a marker, stays silent, or refuses the pack.',
  messages: {
    stockUnknown: '{id} is no stock item of Obrank.{hint}',
    missing: 'The {kind} {id} is not in the pack.{hint}',
    pictureMissing: 'There is no texture {strip}.png beside this strip.',
  },
  fails: { 'view/looks/bank.json#/rows/0/use/0/model': 'saltmarsh:bnak' },
  passes: { 'view/looks/bank.json#/rows/0/use/0/model': 'saltmarsh:lamp' },
  check(pack) {
    const own = pack.pack?.value.namespace;
    const reports: SaidOfFile[] = [];
    const need = (
      from: ReadFile<unknown>,
      path: (string | number)[],
      id: string,
      kind: string,
      list: { has(name: string): boolean; keys(): Iterable<string> },
    ) => {
      const { namespace, name } = splitId(id);
      if (namespace === 'obrank') {
        // Of what Obrank brings along the items are looked at here; templates and sound sets are
        // known by those who ask.
        if (kind !== 'item' || stockNamed(name)) return;
        const near = closest(
          name,
          stocks.map((stock) => stock.name),
        );
        return void reports.push({
          file: from.file,
          place: from.placeOf(pointer(path)),
          says: 'stockUnknown',
          parts: { id, hint: didYouMean(near && `obrank:${near}`) },
        });
      }
      // What another mod brings cannot be judged from this pack.
      if ((own !== undefined && namespace !== own) || list.has(name)) return;
      const near = closest(name, list.keys());
      reports.push({
        file: from.file,
        place: from.placeOf(pointer(path)),
        says: 'missing',
        parts: { kind, id, hint: didYouMean(near && `${namespace}:${near}`) },
      });
    };
    for (const look of pack.looks.values()) {
      need(look, ['block'], look.value.block, 'block', pack.blocks);
      look.value.rows.forEach((row, r) =>
        row.use.forEach(({ model }, c) => {
          if (!templateNamed(model))
            need(look, ['rows', r, 'use', c, 'model'], model, 'model', pack.models);
        }),
      );
    }
    for (const model of pack.models.values()) {
      const { template, slots = {} } = model.value;
      if (template !== undefined && !templateNamed(template))
        need(model, ['template'], template, 'template', pack.models);
      for (const [slot, texture] of Object.entries(slots))
        need(model, ['slots', slot], texture, 'texture', pack.textures);
    }
    for (const item of pack.items.values()) {
      if (item.value.block !== undefined)
        need(item, ['block'], item.value.block, 'block', pack.blocks);
      if (item.value.texture !== undefined)
        need(item, ['texture'], item.value.texture, 'texture', pack.textures);
    }
    for (const loot of [...pack.loot.values(), ...pack.lootTables.values()])
      loot.value.draws.forEach((draw, d) =>
        draw.lots.forEach(({ give, table }, l) => {
          if (give !== undefined)
            need(loot, ['draws', d, 'lots', l, 'give'], give, 'item', pack.items);
          if (table !== undefined)
            need(loot, ['draws', d, 'lots', l, 'table'], table, 'loot table', pack.lootTables);
        }),
      );
    for (const recipe of pack.recipes.values())
      for (const { id, at } of idsIn(recipe.value))
        need(
          recipe,
          at,
          id.replace('#', ''),
          id.startsWith('#') ? 'item tag' : 'item',
          id.startsWith('#') ? pack.itemTags : pack.items,
        );
    for (const item of pack.items.values())
      if (item.value.bucket)
        need(item, ['bucket', 'empty'], item.value.bucket.empty, 'item', pack.items);
    for (const tag of pack.blockTags.values())
      tag.value.members.forEach((id, i) =>
        need(
          tag,
          ['members', i],
          id.replace('#', ''),
          id.startsWith('#') ? 'tag' : 'block',
          id.startsWith('#') ? pack.blockTags : pack.blocks,
        ),
      );
    for (const tag of pack.itemTags.values())
      tag.value.members.forEach((id, i) =>
        need(
          tag,
          ['members', i],
          id.replace('#', ''),
          id.startsWith('#') ? 'tag' : 'item',
          id.startsWith('#') ? pack.itemTags : pack.items,
        ),
      );
    for (const strip of pack.strips.values())
      if (!pack.textures.has(strip.name))
        reports.push({
          file: strip.file,
          says: 'pictureMissing',
          parts: { strip: strip.name },
        });
    const { soundSets } = pack;
    for (const [set, events] of Object.entries(soundSets?.value ?? {}))
      for (const [event, sounds] of Object.entries(events))
        sounds.forEach(({ sound }, i) =>
          need(soundSets!, [set, event, i, 'sound'], sound, 'sound', pack.sounds),
        );
    return reports;
  },
});
