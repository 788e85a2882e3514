/** Sentences by name, each with its named parts in braces: `'{block} has no name.'` */
export type Messages = Readonly<Record<string, string>>;

/** Which sentence is said, and what stands in its parts. */
export interface Said {
  says: string;
  parts?: Readonly<Record<string, string | number>>;
}

/**
 * A sentence with its parts filled in. Throws when a part is not given, or is given and has no
 * place: then the sentence and the one who says it disagree.
 *
 * @example inWords({ high: '{block} is {by} too high.' }, { says: 'high', parts: { block: 'a', by: 2 } })
 * // 'a is 2 too high.'
 */
export function inWords(messages: Messages, { says, parts = {} }: Said): string {
  const sentence = messages[says];
  if (sentence === undefined) throw new Error(`There is no sentence called ${says}.`);
  for (const name of Object.keys(parts))
    if (!sentence.includes(`{${name}}`))
      throw new Error(`The sentence ${says} has no part ${name}.`);
  return sentence.replaceAll(/\{(\w+)\}/g, (_, name: string) => {
    const part = parts[name];
    if (part === undefined) throw new Error(`The sentence ${says} lacks its part ${name}.`);
    return String(part);
  });
}
