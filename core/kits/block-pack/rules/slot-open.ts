import { pointer } from '../../../json/index.ts';
import { resolveModel, templateNamed } from '../../../models/index.ts';
import { splitId, type Model } from '../../../mod/index.ts';
import { listed } from '../../../words/index.ts';
import type { SaidOfFile } from '../../file-rule.ts';
import type { ReadPack } from '../read/index.ts';
import { packRule } from './pack-rule.ts';

export const packSlotOpen = packRule({
  id: 'pack/slot-open',
  severity: 'error',
  title: 'Slot without a texture, in the files',
  why:
    'A look shows a model whose slots are not all filled. What shows an open slot is drawn with ' +
    'the marker of an unresolved texture.',
  messages: {
    slotOpen: '{block} shows the model {model}, which leaves the {noun} {open} without a texture.',
  },
  fails: { 'view/models/bank.json#/slots': {} },
  passes: { 'view/models/bank.json#/slots': { face: 'saltmarsh:lamp' } },
  check(pack) {
    const openIn = openSlots(pack);
    return [...pack.looks.values()].flatMap((look) => {
      const told = new Set<string>();
      return look.value.rows.flatMap(({ use }, row) =>
        use.flatMap(({ model }, candidate): SaidOfFile[] => {
          const open = openIn(model);
          if (!open.length || told.has(model)) return [];
          told.add(model);
          return [
            {
              file: look.file,
              place: look.placeOf(pointer(['rows', row, 'use', candidate, 'model'])),
              says: 'slotOpen',
              parts: {
                block: look.value.block,
                model,
                noun: open.length === 1 ? 'slot' : 'slots',
                open: listed(open),
              },
            },
          ];
        }),
      );
    });
  },
});

/** The slots that a model of the pack, or a template, leaves open. */
function openSlots({ pack, models }: ReadPack): (id: string) => string[] {
  const find = (id: string): Model | undefined => {
    const { namespace, name } = splitId(id);
    const own = pack?.value.namespace;
    return own === undefined || namespace === own ? models.get(name)?.value : undefined;
  };
  const known = new Map<string, string[]>();
  return (id) => {
    const before = known.get(id);
    if (before) return before;
    const model = find(id) ?? templateNamed(id)?.model;
    const slots = model ? [...resolveModel(model, find, 16).slots] : [];
    const open = slots.filter(([, texture]) => texture === undefined).map(([slot]) => slot);
    known.set(id, open);
    return open;
  };
}
