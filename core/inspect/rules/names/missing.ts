import { listed } from '../../../words/index.ts';
import { blockRule } from '../../rule.ts';

export const nameMissing = blockRule({
  id: 'names/missing', severity: 'warning', title: 'Name missing in a language',
  why: 'Where a name is missing players see a raw key instead of it.',
  fails: { '/blocks/lamp/names': {} },
  passes: { '/blocks/lamp/names': { en: 'Lamp' } },
  check({ name, declared }, context) {
    const missing = context.header.languages.filter((language) => !declared.names[language]?.trim());
    if (!missing.length) return [];
    const spoken = name.replaceAll('_', ' ');
    const fix = missing.includes(context.header.languages[0]!) ? context.set(`Call it "${spoken[0]!.toUpperCase()}${spoken.slice(1)}" in ${context.header.languages[0]}`, ['names', context.header.languages[0]!], spoken[0]!.toUpperCase() + spoken.slice(1)) : undefined;
    return [{ at: ['names'], message: `${name} has no name in ${listed(missing)}.`, fix }];
  },
});
