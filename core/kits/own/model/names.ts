import { lookUp, titleOf, type Mod } from '../../../mod/index.ts';

/** What something is called, in the order of the mod's languages. */
export const namesIn = (
  mod: Mod,
  names: Readonly<Record<string, string>> | undefined,
): { language: string; text: string }[] =>
  mod.header.languages.flatMap((language) => {
    const text = lookUp(names, language);
    return text === undefined ? [] : [{ language, text }];
  });

/** What something is called in the first language of the mod, or a name made of its own. */
export const titleIn = (
  mod: Mod,
  name: string,
  names: Readonly<Record<string, string>> | undefined,
): string => titleOf(mod, name, names);

type Registered = Mod['ledger']['entries'][number]['kind'];

const numbers = new WeakMap<Mod['ledger'], ReadonlyMap<string, number>>();

/** The number of something in the ledger; null where it has none. */
export function numberIn({ ledger }: Mod, kind: Registered, name: string): number | null {
  const known =
    numbers.get(ledger) ??
    new Map(ledger.entries.map((entry) => [`${entry.kind} ${entry.name}`, entry.number]));
  numbers.set(ledger, known);
  return known.get(`${kind} ${name}`) ?? null;
}
