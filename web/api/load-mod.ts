import { z } from 'zod';
import { endpoints, ModAnswer } from '../../core/api/index.ts';
import { parseFitting } from '../../core/json/index.ts';
import { entryKinds, entrySchemas, namePatternOf, type Mod } from '../../core/mod/index.ts';
import { callForAnswer, notUnderstood } from './client.ts';

/** The page draws again after so many milliseconds of work. */
const longestPiece = 12;

const Entries = z.record(z.string(), z.unknown());
/** The answer with its entries not yet looked at. */
const Envelope = ModAnswer.extend({
  mod: z.strictObject({
    header: entrySchemas.header,
    ledger: entrySchemas.ledger,
    ...Object.fromEntries(entryKinds.map((kind) => [kind, Entries])),
  }),
});

/**
 * A whole mod, parsed a piece at a time, so that the page of a mod of thousands of blocks stays
 * awake meanwhile. Throws as {@link call} does.
 */
export async function loadMod(name: string): Promise<ModAnswer> {
  const answer = parseFitting(Envelope, await callForAnswer(endpoints.getMod, { mod: name }));
  if (!answer.success) throw notUnderstood();
  const mod = answer.data.mod as unknown as Mod;
  let since = performance.now();
  for (const kind of entryKinds) {
    const entries: [string, unknown][] = [];
    for (const [entry, document] of Object.entries<unknown>(mod[kind])) {
      const fits = parseFitting<z.ZodType>(entrySchemas[kind], document);
      if (!fits.success || !namePatternOf(kind).test(entry)) throw notUnderstood();
      entries.push([entry, fits.data]);
      if (performance.now() - since < longestPiece) continue;
      await new Promise((resolve) => setTimeout(resolve));
      since = performance.now();
    }
    entries.sort(([a], [b]) => (a < b ? -1 : 1));
    Object.assign(mod, { [kind]: Object.fromEntries(entries) });
  }
  return { ...answer.data, mod };
}
