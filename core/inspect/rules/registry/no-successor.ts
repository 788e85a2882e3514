import { idOf } from '../../../mod/index.ts';
import { lastRelease } from '../../../registry/index.ts';
import { modRule, type ModReport } from '../../rule.ts';

const released = {
  version: '0.1.0',
  on: '2026-03-31',
  counts: { groups: 0, blocks: 1, items: 0 },
  entries: [{ number: 7, kind: 'block', name: 'pier' }],
};

export const retiredWithoutSuccessor = modRule({
  id: 'registry/no-successor',
  severity: 'hint',
  guesses: true,
  title: 'Retired without a successor',
  why:
    'A version that players have holds it. Say what stands in old worlds in its place, or ' +
    'that nothing does.',
  messages: {
    successorUnknown: '{successor} was to stand for the {kind} {name}, but it does not exist.',
    successorMissing:
      'The {kind} {id} is in worlds that players have, and nothing stands in its place.',
  },
  fails: {
    '/ledger/retired': [{ number: 7, kind: 'block', name: 'pier' }],
    '/ledger/releases': [released],
  },
  passes: {
    '/ledger/retired': [{ number: 7, kind: 'block', name: 'pier', successor: 'saltmarsh:bank' }],
    '/ledger/releases': [released],
  },
  check({ ledger, header, present, items }) {
    const numbers = new Set(lastRelease(ledger)?.entries?.map((entry) => entry.number));
    return ledger.retired.flatMap((entry, i): ModReport[] => {
      const { number, kind, name, successor, lost } = entry;
      const known =
        successor === undefined ||
        !successor.startsWith(`${header.namespace}:`) ||
        [present, items].some((list) =>
          Object.hasOwn(list, successor.slice(header.namespace.length + 1)),
        );
      if (!known)
        return [
          {
            at: ['ledger', 'retired', i, 'successor'],
            says: 'successorUnknown',
            parts: { successor, kind, name },
            fix: {
              title: 'Name no successor',
              changes: [{ path: `/ledger/retired/${i}/successor`, before: successor }],
            },
          },
        ];
      if (successor !== undefined || lost || !numbers.has(number)) return [];
      return [
        {
          at: ['ledger', 'retired', i],
          says: 'successorMissing',
          parts: { kind, id: idOf(header.namespace, name) },
          fix: {
            title: 'Nothing takes its place, on purpose',
            changes: [{ path: `/ledger/retired/${i}/lost`, after: true }],
          },
        },
      ];
    });
  },
});
