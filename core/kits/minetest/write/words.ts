import { lookUp, titleOf, type Mod } from '../../../mod/index.ts';

/** A text as a line of a translation file holds it: the engine's escapes begin with @. */
const escaped = (text: string): string =>
  text.replaceAll('@', '@@').replaceAll('=', '@=').replaceAll('\n', '@n');

/** What the runtime gives to the translator: there only the sign of escapes is doubled. */
export const sourceText = (text: string): string => text.replaceAll('@', '@@');

/** Everything that has a name: blocks, then items, in their order. */
export function namedThings(mod: Mod): { title: string; names: Record<string, string> }[] {
  const things = [...Object.entries(mod.blocks), ...Object.entries(mod.items)];
  return things.map(([name, { names }]) => ({ title: titleOf(mod, name, names), names }));
}

/**
 * The translation file of each language but the first, whose names are the originals. Where two
 * things have one name in the first language, the engine knows one translation: the first.
 */
export function localeFiles(mod: Mod): Map<string, string> {
  const { namespace, languages } = mod.header;
  const things = namedThings(mod);
  return new Map(
    languages.slice(1).map((language) => {
      const lines = new Map<string, string>();
      for (const { title, names } of things) {
        const text = lookUp(names, language);
        if (text !== undefined && text !== '' && !lines.has(title)) lines.set(title, text);
      }
      const rows = [...lines].map(([from, to]) => `${escaped(from)}=${escaped(to)}`);
      return [
        `locale/${namespace}.${engineLanguage(language)}.tr`,
        [`# textdomain: ${namespace}`, ...rows, ''].join('\n'),
      ];
    }),
  );
}

/** The engine writes regions with an underscore: pt_BR. */
export const engineLanguage = (language: string): string => language.replaceAll('-', '_');
