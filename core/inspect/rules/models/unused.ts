import { idOf, type Looks } from '../../../mod/index.ts';
import { usedAsTemplate } from '../../models.ts';
import { modRule } from '../../rule.ts';

export const modelUnused = modRule({
  id: 'models/unused',
  severity: 'hint',
  title: 'Model that nobody shows',
  why: 'It is packed for nothing. Or something that should show it does not.',
  messages: { unused: 'No block, item or model uses the model {id}.' },
  fails: { '/models/spare': { template: 'obrank:cube', slots: { face: 'saltmarsh:bank' } } },
  passes: { '/models/bank': { template: 'obrank:cube', slots: { face: 'saltmarsh:bank' } } },
  restsOn: ['blocks', 'newLooks', 'models', 'items'],
  check(mod) {
    const used = new Set([
      ...usedAsTemplate(mod),
      ...Object.values(mod.shown).flatMap(({ identity, looks }) => [
        identity.held?.model,
        ...modelsIn(looks),
      ]),
      ...Object.values(mod.newLooks).flatMap(({ looks }) => modelsIn(looks)),
    ]);
    return Object.keys(mod.models)
      .filter((name) => !used.has(idOf(mod.header.namespace, name)))
      .map((name) => ({
        at: ['models', name],
        says: 'unused',
        parts: { id: idOf(mod.header.namespace, name) },
      }));
  },
});

const modelsIn = ({ rows }: Looks): string[] =>
  rows.flatMap(({ use }) => use.map(({ model }) => model));
