/** What a language is called in English, from its BCP 47 tag. */
export const languageName = (language: string): string =>
  new Intl.DisplayNames('en', { type: 'language' }).of(language) ?? language;
