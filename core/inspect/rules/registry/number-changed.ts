import { lastRelease } from '../../../registry/index.ts';
import { modRule, type ModReport } from '../../rule.ts';

const released = {
  version: '0.1.0',
  on: '2026-03-31',
  counts: { groups: 1, blocks: 2, items: 0 },
  entries: [
    { number: 0, kind: 'group', name: 'shore' },
    { number: 7, kind: 'block', name: 'bank' },
  ],
};

export const numberChanged = modRule({
  id: 'registry/number-changed',
  severity: 'error',
  title: 'Number changed since the release',
  why:
    'Players have worlds in which things stand as numbers. When a number means something ' +
    'else, or nothing, what they built turns into something else or is gone.',
  messages: {
    moved: 'The {kind} {name} had the number {number} in {version} and has {now} now.',
    takenOver: 'The number {number} was the {kind} {name} in {version} and {nowWhat}.',
  },
  fails: { '/ledger/releases': [released] },
  passes: {
    '/ledger/releases': [
      {
        ...released,
        entries: released.entries.map((entry) =>
          entry.kind === 'block' ? { ...entry, number: 1 } : entry,
        ),
      },
    ],
  },
  check({ ledger }) {
    const last = lastRelease(ledger);
    const now = new Map(ledger.entries.map((entry) => [entry.number, entry]));
    const retired = new Map(ledger.retired.map((entry) => [entry.number, entry]));
    return (last?.entries ?? []).flatMap(({ number, kind, name }): ModReport[] => {
      const entry = now.get(number) ?? retired.get(number);
      if (entry && entry.kind === kind && (entry.name === name || entry.formerly?.includes(name)))
        return [];
      const at = ledger.entries.findIndex((one) => one.kind === kind && one.name === name);
      const moved = ledger.entries[at];
      return [
        {
          at: ['ledger', ...(moved ? ['entries', at] : ['entries'])],
          block: kind === 'block' && moved ? name : undefined,
          ...(moved
            ? {
                says: 'moved',
                parts: { kind, name, number, version: last!.version, now: moved.number },
              }
            : {
                says: 'takenOver',
                parts: {
                  number,
                  kind,
                  name,
                  version: last!.version,
                  nowWhat: entry ? `is the ${entry.kind} ${entry.name} now` : "is nobody's now",
                },
              }),
          fix:
            moved && !entry
              ? {
                  title: `Give it its number ${number} back`,
                  changes: [
                    { path: `/ledger/entries/${at}/number`, before: moved.number, after: number },
                  ],
                }
              : undefined,
        },
      ];
    });
  },
});
