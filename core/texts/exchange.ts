import { lookUp, languagePattern, type Change } from '../mod/index.ts';
import { parseJson, printJson } from '../json/index.ts';
import { closest, didYouMean } from '../words/index.ts';
import { printPo, readPo } from './po.ts';
import { changeText, originalOf, placeholderProblem, textEntries, type Texts } from './table.ts';

/** One language of the mod as JSON, in the form of the pack's own words file. */
export function writeWordsJson(mod: Texts, language: string): string {
  return printJson({
    language,
    texts: Object.fromEntries(
      textEntries(mod).flatMap(({ key, texts }) =>
        lookUp(texts, language) ? [[key, lookUp(texts, language)]] : [],
      ),
    ),
  });
}

/**
 * One language of the mod as a gettext PO file: the key is the context, the text of the first
 * language the message. What is not translated stays empty; nothing is filled in. (GNU gettext
 * manual, The Format of PO Files.)
 */
export function writePo(mod: Texts, language: string): string {
  const headers = new Map([
    ['Project-Id-Version', `${mod.header.title} ${mod.header.version}`],
    ['Language', language.replaceAll('-', '_')],
    ['MIME-Version', '1.0'],
    ['Content-Type', 'text/plain; charset=UTF-8'],
    ['Content-Transfer-Encoding', '8bit'],
  ]);
  const entries = textEntries(mod).flatMap((entry) => {
    const original = originalOf(entry, mod.header.languages);
    return original
      ? [{ context: entry.key, id: original.text, texts: [lookUp(entry.texts, language) ?? ''] }]
      : [];
  });
  return printPo(headers, entries);
}

/**
 * What taking a file in would do: the language, each text that changes, and what cannot be taken,
 * in sentences.
 */
export interface TextPlan {
  language: string | undefined;
  changed: { key: string; before: string | undefined; after: string }[];
  problems: string[];
  changes: Change[];
}

/**
 * What a PO or JSON file would change. Only texts that the mod knows are taken; empty ones, and
 * those that their translator marked as unsure, are left; a text whose placeholders differ is not
 * taken. Nothing is ever taken away.
 */
export function readTexts(mod: Texts, name: string, source: Uint8Array): TextPlan {
  const problems: string[] = [];
  const { language, texts } =
    name.toLowerCase().endsWith('.po') || name.toLowerCase().endsWith('.pot')
      ? fromPo(mod, source, problems)
      : fromJson(source, problems);
  if (
    language === undefined ||
    !languagePattern.test(language) ||
    !mod.header.languages.includes(language)
  ) {
    if (!problems.length)
      problems.push(
        language === undefined
          ? 'The file does not say which language it is in.'
          : `${language} is not a language of this mod: ${mod.header.languages.join(', ')}. Add ` +
              'it first.',
      );
    return { language, changed: [], problems, changes: [] };
  }
  const entries = new Map(textEntries(mod).map((entry) => [entry.key, entry]));
  const changed: TextPlan['changed'] = [];
  const plan: { entry: NonNullable<ReturnType<typeof entries.get>>; text: string }[] = [];
  for (const [key, text] of texts) {
    const entry = entries.get(key);
    if (!entry)
      problems.push(
        `There is no text ${key} in the mod.${didYouMean(closest(key, entries.keys()))}`,
      );
    else if (text.trim() && text !== lookUp(entry.texts, language)) {
      const original = originalOf(
        entry,
        mod.header.languages.filter((one) => one !== language),
      );
      const wrong = original && placeholderProblem(text, original.text);
      if (wrong) problems.push(`${key} is not taken: ${wrong}.`);
      else {
        changed.push({ key, before: lookUp(entry.texts, language), after: text });
        plan.push({ entry, text });
      }
    }
  }
  // A language file that is begun by the first of several texts is begun once, with all of them.
  const others = plan.filter(({ entry }) => entry.what === 'text');
  const begun = others.length && !lookUp(mod.words, language);
  return {
    language,
    changed,
    problems,
    changes: [
      ...plan.flatMap(({ entry, text }) =>
        begun && entry.what === 'text' ? [] : changeText(mod, entry, language, text),
      ),
      ...(begun
        ? [
            {
              path: `/words/${language}`,
              after: {
                texts: Object.fromEntries(others.map(({ entry, text }) => [entry.key, text])),
              },
            },
          ]
        : []),
    ],
  };
}

interface Taken {
  language: string | undefined;
  texts: [string, string][];
}

function fromPo(mod: Texts, source: Uint8Array, problems: string[]): Taken {
  const file = readPo(source);
  problems.push(...file.problems);
  const language = file.headers.get('Language')?.replaceAll('_', '-') || undefined;
  const entries = file.entries.filter(({ isObsolete }) => !isObsolete);
  if (!entries.length && !problems.length)
    problems.push('This is not a PO file, or it holds no text.');
  const unsure = entries.filter(({ isUnsure, texts }) => isUnsure && texts.some(Boolean)).length;
  if (unsure)
    problems.push(
      `${unsure} ${unsure === 1 ? 'text is' : 'texts are'} marked as unsure and left out.`,
    );
  const originals = new Map(
    textEntries(mod).flatMap((entry) => {
      const original = originalOf(entry, mod.header.languages);
      return original ? [[entry.key, original.text] as const] : [];
    }),
  );
  const texts = new Map<string, string>();
  for (const {
    context,
    id,
    plural,
    texts: [text = ''],
    isUnsure,
    line,
  } of entries) {
    if (isUnsure || !text) continue;
    if (context === undefined)
      problems.push(`Line ${line}: “${id}” does not say which text it is: its context is missing.`);
    else if (plural !== undefined)
      problems.push(
        `Line ${line}: ${context} has plural forms, which texts of a mod do not have. It is ` +
          'not taken.',
      );
    else if (texts.has(context))
      problems.push(`Line ${line}: ${context} stands twice. The first one is taken.`);
    else {
      const original = originals.get(context);
      if (original !== undefined && original !== id && language !== mod.header.languages[0])
        problems.push(`${context} was translated from “${id}”, which now reads “${original}”.`);
      texts.set(context, text);
    }
  }
  return { language, texts: [...texts] };
}

function fromJson(source: Uint8Array, problems: string[]): Taken {
  const read = parseJson(new TextDecoder().decode(source));
  const [first] = read.problems;
  if (first) problems.push(`Line ${first.at.line}, column ${first.at.column}: ${first.message}`);
  const value = read.value as { language?: unknown; texts?: unknown } | null | undefined;
  const texts = value?.texts;
  if (typeof texts !== 'object' || texts === null || Array.isArray(texts)) {
    if (!first) problems.push('The file holds no "texts".');
    return { language: undefined, texts: [] };
  }
  const odd = Object.entries(texts).filter(([, text]) => typeof text !== 'string');
  for (const [key] of odd) problems.push(`${key} is not a text.`);
  return {
    language: typeof value?.language === 'string' ? value.language : undefined,
    texts: Object.entries(texts as Record<string, string>).filter(
      ([, text]) => typeof text === 'string',
    ),
  };
}
