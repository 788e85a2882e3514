import { z } from 'zod';
import { isVersionRange } from './version.ts';

/**
 * A name in ids, files and properties: a lowercase letter, then lowercase letters, digits and
 * underscores. One word means something to JavaScript's objects.
 */
export const namePattern = /^(?!constructor$)[a-z][a-z0-9_]*$/;
/** A name that may lie in folders: names joined by slashes. */
export const pathPattern = /^(?!constructor$)[a-z][a-z0-9_]*(\/[a-z0-9][a-z0-9_]*)*$/;
/** The name of a new look: the namespace and the name of the block that it is over. */
export const newLookPattern = /^[a-z][a-z0-9_]*\/(?!constructor$)[a-z][a-z0-9_]*$/;
export const idPattern = /^[a-z][a-z0-9_]*:[a-z][a-z0-9_]*(\/[a-z0-9][a-z0-9_]*)*$/;
/** BCP 47, as far as names of languages in mods need it: language, script, region. */
export const languagePattern = /^[a-z]{2,3}(-[A-Z][a-z]{3})?(-([A-Z]{2}|[0-9]{3}))?$/;
/** Semantic Versioning 2.0.0. */
const versionPattern =
  /^(0|[1-9]\d*)\.(0|[1-9]\d*)\.(0|[1-9]\d*)(-[0-9A-Za-z-]+(\.[0-9A-Za-z-]+)*)?(\+[0-9A-Za-z-]+(\.[0-9A-Za-z-]+)*)?$/;

/** So long is a name at most. */
const mostLetters = 64;

export const Name = z
  .string()
  .max(mostLetters)
  .regex(
    namePattern,
    'use lowercase letters, digits and underscores, beginning with a letter, as in tide_lantern',
  );
export const Colour = z
  .string()
  .regex(/^#[0-9a-f]{6}$/, 'use a colour such as #d8cba0, in small letters');
export const PathName = z
  .string()
  .max(2 * mostLetters)
  .regex(pathPattern, 'use names of lowercase letters, digits and underscores, joined by slashes');
export const NewLookName = z
  .string()
  .max(2 * mostLetters)
  .regex(newLookPattern, 'use the namespace and the name of a block, as in driftwood/plank');
export const Id = z
  .string()
  .max(200)
  .regex(
    idPattern,
    'use namespace:name in lowercase letters, digits and underscores, as in saltmarsh:tide_lantern',
  );
export const Language = z
  .string()
  .regex(languagePattern, 'use a BCP 47 language tag such as en, de or pt-BR');
export const Version = z
  .string()
  .max(64)
  .regex(versionPattern, 'use a semantic version such as 0.3.0');
/** Which versions of something will do: a range as package managers know them (node-semver). */
export const VersionRange = z
  .string()
  .min(1)
  .max(200)
  .refine((range) => isVersionRange(range), {
    error: 'use a range of versions such as ^1.2.0 or >=1.2.0 <2.0.0',
  });
export const Sha256 = z
  .string()
  .regex(/^[0-9a-f]{64}$/, 'use a SHA-256 digest in 64 hexadecimal digits');

/**
 * The id that something had under a former name: a name alone is one under the namespace that the
 * mod has now.
 *
 * @example formerId('tidal', 'saltmarsh:brine') // 'saltmarsh:brine'
 */
export const formerId = (namespace: string, former: string): string =>
  former.includes(':') ? former : `${namespace}:${former}`;

/** Names that some systems cannot hold as a file, whatever their ending. */
export const reservedNames = new Set([
  'con',
  'prn',
  'aux',
  'nul',
  ...Array.from({ length: 9 }, (_, i) => [`com${i + 1}`, `lpt${i + 1}`]).flat(),
]);

/** The id of a name in a namespace. `idOf('saltmarsh', 'brine')` is `saltmarsh:brine`. */
export const idOf = (namespace: string, name: string): string => `${namespace}:${name}`;

/** The two parts of an id. An id without a colon has an empty namespace. */
export function splitId(id: string): { namespace: string; name: string } {
  const colon = id.indexOf(':');
  return { namespace: id.slice(0, Math.max(0, colon)), name: id.slice(colon + 1) };
}

/** The name of an id of this namespace; undefined for ids of others. */
export function ownName(namespace: string, id: string): string | undefined {
  const parts = splitId(id);
  return parts.namespace === namespace ? parts.name : undefined;
}

const byName = ([a]: [string, unknown], [b]: [string, unknown]): number =>
  a < b ? -1 : a > b ? 1 : 0;

/**
 * A record whose names come out in the order of the alphabet, however they went in: the same data
 * is the same text.
 */
export const recordOf = <V extends z.ZodType>(name: z.ZodType<string, string>, value: V) =>
  z
    .record(name, value)
    .overwrite((record) => Object.fromEntries(Object.entries(record).sort(byName)));

/**
 * The same, over some of a few known names; these come out in the order in which they are listed.
 */
export const partRecordOf = <const K extends string, V extends z.ZodType>(
  names: readonly K[],
  value: V,
) =>
  z.partialRecord(z.enum(names), value).overwrite((record) => {
    const part = record as Partial<Record<K, unknown>>;
    return Object.fromEntries(
      names.flatMap((name) => (part[name] === undefined ? [] : [[name, part[name]]])),
    ) as typeof record;
  });

/**
 * A name from what a person calls a thing, or from the name of a file without its ending; empty
 * where nothing of it can be kept.
 *
 * @example nameFrom('Kelp glass!') // 'kelp_glass'
 */
export const nameFrom = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll(/[^a-z0-9_]+/g, '_')
    .replaceAll(/^[_0-9]+/g, '')
    .slice(0, mostLetters)
    .replaceAll(/_+$/g, '');

/**
 * Why something cannot be a name, as a sentence; undefined for a good one.
 *
 * @example nameProblem('Tide lantern')
 * // 'Use lowercase letters, digits and underscores, beginning with a letter.'
 */
export function nameProblem(name: string, pattern = namePattern): string | undefined {
  if (!pattern.test(name))
    return 'Use lowercase letters, digits and underscores, beginning with a letter.';
  const most = pattern === namePattern ? mostLetters : 2 * mostLetters;
  return name.length > most ? `Use ${most} letters at most; these are ${name.length}.` : undefined;
}
