import { heldUnder, itemAt } from '../lists/index.ts';
import { lookUp } from '../mod/index.ts';
import { pointer } from '../json/index.ts';
import type { Change, Mod } from '../mod/index.ts';
import { listed } from '../words/index.ts';

/** The parts of a mod in which texts stand. */
export type Texts = Pick<Mod, 'header' | 'fluids' | 'items' | 'words'> & {
  blocks: Readonly<Record<string, { names: Record<string, string> }>>;
};

/**
 * One text of the mod in all languages: its key in the language files, what it belongs to, and
 * where it stands.
 */
export interface TextEntry {
  key: string;
  what: 'group' | 'block' | 'fluid' | 'item' | 'text';
  name: string;
  texts: Readonly<Record<string, string>>;
}

/** Texts that belong to something carry its kind before a dot. */
export const ownedKey = /^(group|block|fluid|item)\.(.*)$/;

/**
 * Every text of the mod by its key, in the order of the registry: groups, blocks, fluids, items,
 * then the mod's other texts.
 *
 * @example textEntries(mod)[0]
 * // { key: 'group.salt_works', what: 'group', name: 'salt_works', texts: { en: 'Salt works', de:
 * // 'Saline' } }
 */
export function textEntries(mod: Texts): TextEntry[] {
  const { groups, fluids, items, others } = textsBeside(mod);
  return [...groups, ...owned('block', mod.blocks), ...fluids, ...items, ...others];
}

/** The name of a block, a fluid or an item as a text. */
export const ownedText = (
  what: 'block' | 'fluid' | 'item',
  name: string,
  { names }: { names: Record<string, string> },
): TextEntry => ({ key: `${what}.${name}`, what, name, texts: names });

const owned = (
  what: 'block' | 'fluid' | 'item',
  entries: Readonly<Record<string, { names: Record<string, string> }>>,
): TextEntry[] =>
  Object.keys(entries)
    .sort()
    .map((name) => ownedText(what, name, heldUnder(entries, name)));

/** The texts that are not the names of blocks. */
export function textsBeside({ header, fluids, items, words }: Omit<Texts, 'blocks'>): {
  groups: TextEntry[];
  fluids: TextEntry[];
  items: TextEntry[];
  others: TextEntry[];
} {
  const keys = [...new Set(Object.values(words).flatMap(({ texts }) => Object.keys(texts)))].sort();
  return {
    groups: header.groups.map(({ name, names }) => ({
      key: `group.${name}`,
      what: 'group',
      name,
      texts: names,
    })),
    fluids: owned('fluid', fluids),
    items: owned('item', items),
    others: keys.map((key) => ({ key, what: 'text', name: key, texts: textsOf(words, key) })),
  };
}

/** One text of the language files in all languages. */
function textsOf(words: Texts['words'], key: string): Record<string, string> {
  const found = Object.entries(words).flatMap(([language, { texts }]) => {
    const text = lookUp(texts, key);
    return text === undefined ? [] : [[language, text] as const];
  });
  return Object.fromEntries(found);
}

/**
 * The changes that put a text; undefined takes it away. A language file that is not there yet is
 * begun.
 */
export function changeText(
  mod: Texts,
  entry: Pick<TextEntry, 'what' | 'name'>,
  language: string,
  text: string | undefined,
): Change[] {
  const { what, name } = entry;
  const put = (steps: (string | number)[], before: string | undefined): Change[] =>
    before === text ? [] : [{ path: pointer(steps), before, after: text }];
  if (what === 'group') {
    const at = mod.header.groups.findIndex((group) => group.name === name);
    return put(
      ['header', 'groups', at, 'names', language],
      lookUp(itemAt(mod.header.groups, at).names, language),
    );
  }
  if (what === 'block')
    return put(
      ['blocks', name, 'names', language],
      lookUp(heldUnder(mod.blocks, name).names, language),
    );
  if (what === 'fluid')
    return put(
      ['fluids', name, 'names', language],
      lookUp(heldUnder(mod.fluids, name).names, language),
    );
  if (what === 'item')
    return put(
      ['items', name, 'names', language],
      lookUp(heldUnder(mod.items, name).names, language),
    );
  const words = lookUp(mod.words, language);
  if (words) return put(['words', language, 'texts', name], lookUp(words.texts, name));
  return text === undefined
    ? []
    : [{ path: pointer(['words', language]), after: { texts: { [name]: text } } }];
}

/** The placeholders in a text, in order, each once: `{count}` in `You need {count} of it`. */
export const placeholders = (text: string): string[] =>
  [...new Set([...text.matchAll(/\{([A-Za-z][A-Za-z0-9_]*)\}/g)].map((found) => found[1]!))].sort();

/**
 * What is wrong with a text beside the one it translates, in words; undefined when its placeholders
 * are the same.
 */
export function placeholderProblem(text: string, original: string): string | undefined {
  const [here, there] = [placeholders(text), placeholders(original)];
  const [missing, extra] = [
    there.filter((one) => !here.includes(one)),
    here.filter((one) => !there.includes(one)),
  ];
  const braces = (names: readonly string[]) => listed(names.map((name) => `{${name}}`));
  return missing.length
    ? `${braces(missing)} ${missing.length === 1 ? 'is' : 'are'} missing`
    : extra.length
      ? `${braces(extra)} ${extra.length === 1 ? 'is' : 'are'} not in the original`
      : undefined;
}

/** The first language of the mod in which a text is there: what the others translate. */
export function originalOf(
  { texts }: TextEntry,
  languages: readonly string[],
): { language: string; text: string } | undefined {
  const language = languages.find((one) => lookUp(texts, one)?.trim());
  return language === undefined ? undefined : { language, text: heldUnder(texts, language) };
}

/** Whether a text is there in each of some languages. */
export const isEverywhere = ({ texts }: TextEntry, languages: readonly string[]): boolean =>
  languages.every((language) => lookUp(texts, language)?.trim());

/** The texts whose key or words hold something, of those with these keys where some are given. */
export function shownTexts(
  entries: readonly TextEntry[],
  filter: string,
  only?: ReadonlySet<string>,
): TextEntry[] {
  const wanted = filter.trim().toLowerCase();
  return entries.filter(
    ({ key, texts }) =>
      (!only || only.has(key)) &&
      [key, ...Object.values(texts)].some((text) => text.toLowerCase().includes(wanted)),
  );
}

/** Why a key cannot be that of a new text for the mod's own code; undefined when it can. */
export function keyProblem(key: string, taken: readonly string[]): string | undefined {
  if (!/^[a-z][A-Za-z0-9_.]*$/.test(key)) return 'Use letters, digits, dots and underscores.';
  if (ownedKey.test(key)) return 'Names of blocks, fluids, items and groups are their own.';
  return taken.includes(key) ? 'There is already a text of that key.' : undefined;
}
