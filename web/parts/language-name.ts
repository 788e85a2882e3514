/** What a language is called in English, from its BCP 47 tag. */
export const languageName = (language: string): string =>
  new Intl.DisplayNames('en', { type: 'language' }).of(language) ?? language;

/** A language that was typed: its tag, and what it is called in English. */
export interface TypedLanguage {
  tag: string;
  name: string;
}

const letters = Array.from('abcdefghijklmnopqrstuvwxyz');
let known: { tag: string; name: string; own: string }[] | undefined;

/** Every language with a tag of two letters, by its name in English and its own. */
function allLanguages(): NonNullable<typeof known> {
  known ??= letters
    .flatMap((first) => letters.map((second) => first + second))
    .map((tag) => ({
      tag,
      name: languageName(tag),
      own: new Intl.DisplayNames(tag, { type: 'language' }).of(tag) ?? '',
    }))
    // What has no name is called by its tag; what is out of use has the tag of another.
    .filter(({ tag, name }) => name !== tag && Intl.getCanonicalLocales(tag)[0] === tag);
  return known;
}

const startsWith = (name: string, typed: string): boolean =>
  name.toLocaleLowerCase().startsWith(typed);

/**
 * The language that somebody means: by its tag (BCP 47), or by the beginning of its name in English
 * or in itself. Undefined where none is called so.
 *
 * @example languageTyped('Ger') // { tag: 'de', name: 'German' }
 */
export function languageTyped(typed: string): TypedLanguage | undefined {
  const text = typed.trim();
  const lower = text.toLocaleLowerCase();
  if (lower.length < 2) return undefined;
  const isTag = /^[a-z]{2}(-[a-z0-9]+)*$/i.test(text);
  const named = isTag
    ? undefined
    : (allLanguages().find(({ name, own }) =>
        [name, own].some((one) => one.toLocaleLowerCase() === lower),
      ) ??
      allLanguages().find(({ name, own }) => startsWith(name, lower) || startsWith(own, lower)));
  if (named) return { tag: named.tag, name: named.name };
  try {
    const [tag = text] = Intl.getCanonicalLocales(text);
    const name = languageName(tag);
    return name === tag ? undefined : { tag, name };
  } catch {
    return undefined;
  }
}
