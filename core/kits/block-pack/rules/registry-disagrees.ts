import { splitId } from '../../../mod/index.ts';
import { bitsFor, codeFlaw, StateSpace } from '../../../states/index.ts';
import type { SaidOfFile } from '../../file-rule.ts';
import { packRule } from './pack-rule.ts';

export const registryDisagrees = packRule({
  id: 'pack/registry-disagrees',
  severity: 'error',
  title: 'Registry and files disagree',
  why:
    'The registry says which blocks exist and how many states each has. A block that it ' +
    'does not list is never registered; a wrong number of states makes saved worlds ' +
    'unreadable.',
  messages: {
    notRegistered: 'The block {id} is not in registry.json.',
    fileMissing: 'registry.json lists the block {id}, but rules/blocks/{name}.json is not there.',
    codesFlawed: 'registry.json: of {id} {flaw}.',
    sizeDiffers:
      'registry.json gives {id} {states} states in {bits} bits; its properties make ' +
      '{size}, which need {needed} bits.',
  },
  fails: { 'registry.json#/entries/2/states': 9 },
  passes: {},
  check({ registry, blocks }) {
    if (!registry) return [];
    const listed = new Map(
      registry.value.entries.flatMap((entry, i) =>
        entry.kind === 'block' ? [[splitId(entry.id).name, { entry, i }] as const] : [],
      ),
    );
    return [
      ...[...blocks.values()]
        .filter((block) => !listed.has(block.name))
        .map((block) => ({
          file: block.file,
          says: 'notRegistered',
          parts: { id: block.value.id },
        })),
      ...[...listed].flatMap(([name, { entry, i }]): SaidOfFile[] => {
        const block = blocks.get(name);
        const place = registry.placeOf(`/entries/${i}`);
        if (!block)
          return [
            {
              file: registry.file,
              place,
              says: 'fileMissing',
              parts: { id: entry.id, name },
            },
          ];
        const space = new StateSpace(block.value.properties);
        const { size, tooLarge } = space;
        // Who writes by hand may leave both out: the codes then follow from the properties.
        if (tooLarge || (entry.states === undefined && entry.codes === undefined)) return [];
        if ((entry.states ?? size) === size && (entry.codes?.bits ?? 0) >= bitsFor(size)) {
          const flaw = entry.codes && codeFlaw(entry.codes, space);
          return flaw
            ? [
                {
                  file: registry.file,
                  place: registry.placeOf(`/entries/${i}/codes`),
                  says: 'codesFlawed',
                  parts: { id: entry.id, flaw },
                },
              ]
            : [];
        }
        return [
          {
            file: registry.file,
            place,
            says: 'sizeDiffers',
            parts: {
              id: entry.id,
              states: entry.states ?? 'no',
              bits: entry.codes?.bits ?? 0,
              size,
              needed: bitsFor(size),
            },
          },
        ];
      }),
    ];
  },
});
