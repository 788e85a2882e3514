import { idOf, lookUp, titleOf, type Mod } from '../../../../mod/index.ts';
import { Groups } from '../../write/groups.ts';
import { engineName } from '../../write/names.ts';
import { fileOfTexture } from '../../write/tiles.ts';
import { engineLanguage } from '../../write/words.ts';
import { inWords, type Check } from '../check.ts';

interface ItemFacts {
  names: string[];
  /** An empty table of the engine comes as null. */
  groups: Record<string, number> | null;
  picture: string;
}

/** Each thing has its name in every language; items are in their groups and show their picture. */
export function itemChecks(mod: Mod): Check[] {
  const groups = new Groups(mod);
  const { namespace, languages } = mod.header;
  const things = [
    ...Object.entries(mod.blocks).map(([name, { names }]) => ({ name, names, item: undefined })),
    ...Object.entries(mod.items).map(([name, item]) => ({ name, names: item.names, item })),
  ];
  const first = new Map<string, Record<string, string>>();
  for (const { name, names } of things) {
    const title = titleOf(mod, name, names);
    if (!first.has(title)) first.set(title, names);
  }
  return things.map(({ name, names, item }): Check => {
    const id = idOf(namespace, name);
    const title = titleOf(mod, name, names);
    const translated = languages.map((language, i) =>
      i === 0 ? title : lookUp(first.get(title), language) || title,
    );
    const wanted = item ? groups.ofItem(id, item.group) : {};
    const picture = item && fileOfTexture(mod, item.texture);
    return {
      about: `${title}: its name in ${languages.join(', ')}`,
      of: { kind: item ? 'item' : 'block', name },
      facet: 'names',
      ask: { kind: 'item', item: engineName(id), languages: languages.map(engineLanguage) },
      judge(answer) {
        if (answer === 'nothing' || typeof answer !== 'object' || answer === null)
          return { ours: 'registered', engine: 'no such item' };
        const found = answer as ItemFacts;
        const lost = Object.keys(wanted).find((group) => found.groups?.[group] !== wanted[group]);
        if (lost !== undefined) return { ours: `in the group ${lost}`, engine: 'not in it' };
        if (picture !== undefined && found.picture !== picture)
          return { ours: picture, engine: inWords(found.picture) };
        return JSON.stringify(found.names) === JSON.stringify(translated)
          ? undefined
          : { ours: translated.join(', '), engine: inWords(found.names) };
      },
    };
  });
}
