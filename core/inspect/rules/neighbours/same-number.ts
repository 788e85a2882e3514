import { neighbourRule, type ModReport } from '../../rule.ts';

export const neighbourSameNumber = neighbourRule({
  id: 'neighbours/same-number',
  severity: 'error',
  title: 'One number for two things',
  why:
    'A saved world knows things by their numbers. Of two mods in one namespace that give the same ' +
    'number to different things, a world that was saved with one shows the wrong thing with the ' +
    'other.',
  messages: {
    other: 'The number {number} is {own} here and {theirs} in {title}.',
  },
  fails: {},
  passes: {},
  beside: {
    fails: { '/header/namespace': 'saltmarsh', '/ledger/entries/1/name': 'pier' },
    passes: { '/header/namespace': 'saltmarsh' },
  },
  check(mod, { title, mod: other }) {
    if (other.header.namespace !== mod.header.namespace) return [];
    const theirs = new Map(
      other.ledger.entries.map(({ number, kind, name }) => [number, `the ${kind} ${name}`]),
    );
    return mod.ledger.entries.flatMap(({ number, kind, name }, i): ModReport[] => {
      const found = theirs.get(number);
      const own = `the ${kind} ${name}`;
      return found === undefined || found === own
        ? []
        : [
            {
              at: ['ledger', 'entries', i],
              says: 'other',
              parts: { number: String(number), own, theirs: found, title },
            },
          ];
    });
  },
});
