import { registered } from '../../../mod/ledger.schema.ts';
import { packRule } from './pack-rule.ts';

export const outOfOrder = packRule({
  id: 'registry/out-of-order',
  severity: 'error',
  title: 'Registered before what it rests on',
  why:
    'The registry is read from top to bottom. A block rests on its group and an item on ' +
    'its block, so groups come first, then blocks, fluids and items.',
  messages: {
    outOfOrder:
      'The {kind} {id} is registered after the first {registered}. Groups come first, then ' +
      'blocks, then fluids, then items.',
  },
  fails: { 'registry.json#/entries/0': { number: 40, kind: 'item', id: 'saltmarsh:salt' } },
  passes: {},
  check({ registry }) {
    if (!registry) return [];
    const { entries } = registry.value;
    const sorted = [...entries].sort(
      (a, b) => registered.indexOf(a.kind) - registered.indexOf(b.kind),
    );
    const fix = {
      title: 'Put the registry in order',
      files: [{ file: registry.file, at: '/entries', value: sorted }],
    };
    let highest = 0;
    return entries.flatMap((entry, i) => {
      const rank = registered.indexOf(entry.kind);
      if (rank >= highest) {
        highest = rank;
        return [];
      }
      return [
        {
          file: registry.file,
          place: registry.placeOf(`/entries/${i}`),
          fix,
          says: 'outOfOrder',
          parts: { kind: entry.kind, id: entry.id, registered: registered[highest]! },
        },
      ];
    });
  },
});
