import { splitId } from '../../../mod/index.ts';
import { bitsFor, codeFlaw, StateSpace } from '../../../states/index.ts';
import type { SaidOfFile } from '../../file-rule.ts';
import type { RegistryDocument } from '../format/index.ts';
import { packRule } from './pack-rule.ts';

export const registryDisagrees = packRule({
  id: 'pack/registry-disagrees',
  severity: 'error',
  title: 'Registry and files disagree',
  why:
    'The registry says how many states each block has, and how they are stored. A wrong number ' +
    'makes saved worlds unreadable.',
  messages: {
    codesFlawed: 'registry.json: of {id} {flaw}.',
    sizeDiffers:
      'registry.json gives {id} {states} states in {bits} bits; its properties make ' +
      '{size}, which need {needed} bits.',
  },
  fails: { 'registry.json#/entries/2/states': 9 },
  passes: {},
  check({ registry, blocks }) {
    return (registry?.value.entries ?? []).flatMap((entry, i): SaidOfFile[] => {
      const block = entry.kind === 'block' ? blocks.get(splitId(entry.id).name) : undefined;
      if (!block) return [];
      const at = (path = '') => registry!.placeOf(`/entries/${i}${path}`);
      const report = reportOf(entry, new StateSpace(block.value.properties));
      if (!report) return [];
      const { states: _, codes: __, ...rest } = entry;
      const fix = {
        title: 'Let both follow from its properties',
        files: [{ file: registry!.file, at: `/entries/${i}`, value: rest }],
      };
      return [{ file: registry!.file, place: at(report.path), fix, ...report.said }];
    });
  },
});

/** What an entry says otherwise than the properties of its block. */
function reportOf(
  { id, states, codes }: RegistryDocument['entries'][number],
  space: StateSpace,
): { path?: string; said: Pick<SaidOfFile, 'says' | 'parts'> } | undefined {
  const { size, tooLarge } = space;
  // Who writes by hand may leave both out: the codes then follow from the properties.
  if (tooLarge || (states === undefined && codes === undefined)) return undefined;
  if ((states ?? size) === size && (codes?.bits ?? 0) >= bitsFor(size)) {
    const flaw = codes && codeFlaw(codes, space);
    return flaw
      ? { path: '/codes', said: { says: 'codesFlawed', parts: { id, flaw } } }
      : undefined;
  }
  const parts = { id, states: states ?? 'no', bits: codes?.bits ?? 0, size, needed: bitsFor(size) };
  return { said: { says: 'sizeDiffers', parts } };
}
