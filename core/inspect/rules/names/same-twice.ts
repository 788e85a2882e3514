import { modRule } from '../../rule.ts';

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
    const first = new Map<string, string>();
    return (['blocks', 'items'] as const).flatMap((kind) =>
      Object.entries<{ names: Record<string, string> }>(
        kind === 'blocks' ? mod.named : mod.items,
      ).flatMap(([name, { names }]) =>
        Object.entries(names).flatMap(([language, text]) => {
          const key = `${language} ${text}`;
          const twin = first.get(key);
          if (twin === undefined) first.set(key, name);
          return twin === undefined || twin === name
            ? []
            : [
                {
                  at: [kind, name, 'names', language],
                  block: kind === 'blocks' ? name : undefined,
                  says: 'sameTwice',
                  parts: { name, twin, text, language },
                },
              ];
        }),
      ),
    );
  },
});
