import { packRule } from './pack-rule.ts';

export const packLookMissing = packRule({
  id: 'pack/look-missing',
  severity: 'error',
  title: 'Block without a look',
  why: 'A block that has no file of looks shows the marker of an unresolved model in the game.',
  messages: {
    lookMissing: 'The block {id} has no look: view/looks/{block}.json is missing.',
  },
  fails: { 'view/looks/bank.json': null },
  passes: {},
  check: (pack) =>
    pack.isForServers
      ? []
      : [...pack.blocks.values()]
          .filter(({ name }) => !pack.looks.has(name) && !pack.unread.has('look', name))
          .map(({ file, name, value }) => ({
            file,
            says: 'lookMissing',
            parts: { id: value.id, block: name },
          })),
});
