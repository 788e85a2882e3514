import { moving } from '../../../lists/index.ts';
import { modRule, type ModReport } from '../../rule.ts';

export const sameNameTwice = modRule({
  id: 'names/same-twice',
  severity: 'hint',
  title: 'The same name for two things',
  why: 'Players cannot tell apart two things that are called the same.',
  messages: {
    sameTwice: '{name} and {twin} are both called "{text}" ({language}).',
  },
  fails: { '/blocks/bank/names/en': 'Lamp' },
  passes: { '/blocks/bank/names/en': 'Bank' },
  check(mod) {
    const [blocks, items] = [calledIn.blocks(mod.named), calledIn.items(mod.items)];
    const shared = [...items.called.keys()].filter((key) => blocks.called.has(key));
    return [...new Set([...blocks.twice, ...items.twice, ...shared])].flatMap((key) => {
      const all = [
        ...namesOf(blocks, key).map((name) => ({ kind: 'blocks', name })),
        ...namesOf(items, key).map((name) => ({ kind: 'items', name })),
      ];
      const [first, ...others] = all;
      return others.flatMap(({ kind, name }): ModReport[] => {
        const [language, text] = partsOf(key);
        return first === undefined || name === first.name
          ? []
          : [
              {
                at: [kind, name, 'names', language],
                block: kind === 'blocks' ? name : undefined,
                says: 'sameTwice',
                parts: { name, twin: first.name, text, language },
              },
            ];
      });
    });
  },
});

/** By language and text who is called so, and which of these are several. */
interface Called {
  called: Map<string, Set<string>>;
  twice: Set<string>;
}
type Named = { names: Record<string, string> };

const partsOf = (key: string): [language: string, text: string] => [
  key.slice(0, key.indexOf(' ')),
  key.slice(key.indexOf(' ') + 1),
];
const namesOf = ({ called }: Called, key: string): string[] => [...(called.get(key) ?? [])].sort();
const keysOf = (entry: Named | undefined): string[] =>
  Object.entries(entry?.names ?? {}).map(([language, text]) => `${language} ${text}`);

const callings = () =>
  moving<Named, Called, []>(
    () => ({ called: new Map(), twice: new Set() }),
    ({ called, twice }, name, entry, before) => {
      for (const key of keysOf(before)) called.get(key)?.delete(name);
      for (const key of keysOf(entry)) called.set(key, (called.get(key) ?? new Set()).add(name));
      for (const key of [...keysOf(before), ...keysOf(entry)]) {
        const many = called.get(key)?.size ?? 0;
        if (many === 0) called.delete(key);
        if (many > 1) twice.add(key);
        else twice.delete(key);
      }
    },
  );
const calledIn = { blocks: callings(), items: callings() };
