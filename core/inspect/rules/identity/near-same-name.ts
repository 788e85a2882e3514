import { idOf } from '../../../mod/index.ts';
import { bareBlock } from '../../examples.ts';
import { modRule } from '../../rule.ts';

export const nearSameName = modRule({
  id: 'identity/near-same-name',
  severity: 'hint',
  title: 'Two ids that differ by one letter',
  why:
    'Ids that differ by one letter are mixed up sooner or later, in recipes, in tags and ' +
    'in commands.',
  messages: {
    nearSameName: '{id} and {twin} differ by one letter.',
  },
  fails: {
    '/blocks/lanp': bareBlock,
  },
  passes: {},
  check({ present, header: { namespace } }) {
    // Names with one letter masked meet in one bucket when they differ only there: linear in the
    // number of names.
    const masked = new Map<string, string>();
    return Object.keys(present)
      .sort()
      .flatMap((name) => {
        let twin: string | undefined;
        for (let i = 0; i < name.length; i += 1) {
          if (/[0-9]/.test(name[i]!)) continue;
          const key = `${name.slice(0, i)}*${name.slice(i + 1)}`;
          const other = masked.get(key);
          if (other === undefined) masked.set(key, name);
          // Series such as post_a and post_b are meant: the letter stands alone at the end.
          else if (!(i === name.length - 1 && name[i - 1] === '_')) twin ??= other;
        }
        return twin && name.length > 3
          ? [
              {
                at: ['blocks', name],
                block: name,
                says: 'nearSameName',
                parts: { id: idOf(namespace, name), twin: idOf(namespace, twin) },
              },
            ]
          : [];
      });
  },
});
