import { pointer } from '../../../json/index.ts';
import { sameData, statesUnder } from '../../../mod/index.ts';
import { neighbourRule, type ModReport } from '../../rule.ts';
import { looksOver, plainStates } from '../../new-looks.ts';

const look = { mode: 'one-of', rows: [{ use: [{ model: 'saltmarsh:bank' }] }] };

export const neighbourStatesDiffer = neighbourRule({
  id: 'neighbours/states-differ',
  severity: 'warning',
  title: 'New look that does not know the states',
  why:
    'A new look is checked against the states of the block as its owner declares them. Where the ' +
    'mod does not say them, or says others, states may stay without a look and nobody is told.',
  messages: {
    unknown: 'The states of {id} are not said with its new look: {title} gives it {states}.',
    others: 'The new look of {id} says other states than {title}, which gives it {states}.',
  },
  fails: { '/newLooks/driftwood~1lamp': { looks: look } },
  passes: { '/newLooks/driftwood~1bank': { states: { properties: [] }, looks: look } },
  beside: { fails: {}, passes: {} },
  check: (mod, { title, mod: other }) =>
    looksOver(mod, other).flatMap(({ name, id, look: own, block }): ModReport[] => {
      const said = statesUnder(name, own);
      if (said && sameData(plainStates(said), plainStates(block.states))) return [];
      const properties = block.states.properties.map((property) => property.name);
      return [
        {
          at: ['newLooks', name],
          block: name,
          says: said ? 'others' : 'unknown',
          parts: { id, title, states: properties.join(', ') || 'one state and no property' },
          fix: {
            title: `Take the states of ${title}`,
            changes: [
              {
                path: pointer(['newLooks', name, 'states']),
                before: own.states,
                after: plainStates(block.states),
              },
            ],
          },
        },
      ];
    }),
});
