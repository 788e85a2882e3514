import { idOf, ownName } from '../../../mod/index.ts';
import { listed } from '../../../words/index.ts';
import { blockRule } from '../../rule.ts';

export const templateShown = blockRule({
  id: 'textures/slot-open',
  severity: 'error',
  guesses: true,
  title: 'Template shown with open slots',
  why:
    'A template leaves its slots open for the models that start from it. A block that shows the ' +
    'template itself shows the marker of an unresolved texture.',
  messages: {
    one: '{block} shows the template {model}, whose slot {open} has no texture.',
    several: '{block} shows the template {model}, whose slots {open} have no texture.',
  },
  newLooks: 'all',
  fails: { '/blocks/bank/looks/rows/0/use/0/model': 'obrank:column' },
  passes: {},
  check({ name, called, looks }, context) {
    const { namespace } = context.header;
    const picture = idOf(namespace, name);
    return context.shownModels.flatMap((model) => {
      const isOwn = ownName(namespace, model) !== undefined;
      const { slots } = context.resolvedModel(model) ?? { slots: new Map<string, undefined>() };
      const open = [...slots].filter(([, texture]) => texture === undefined).map(([slot]) => slot);
      // Other models of the mod say themselves what they leave open.
      if (!open.length || (isOwn && !context.isTemplate(model))) return [];
      const row = looks.rows.findIndex(({ value }) => value.some((one) => one.model === model));
      const candidate = looks.rows[row]?.value.findIndex((one) => one.model === model) ?? 0;
      return [
        {
          at: ['looks', 'rows', row, 'use', candidate, 'model'],
          says: open.length === 1 ? 'one' : 'several',
          parts: { block: called, model, open: listed(open) },
          fix:
            !isOwn && context.texture(picture)
              ? context.fillSlots(model, open, picture)
              : undefined,
        },
      ];
    });
  },
});
