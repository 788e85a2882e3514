import type { Mod, ResolvedBlock } from '../../../mod/index.ts';
import { idOf, reactionEvents } from '../../../mod/index.ts';
import { textEntries } from '../../../texts/index.ts';
import { valuesOf, type Property } from '../../../states/index.ts';

const escapes: Readonly<Record<string, string>> = {
  "'": "\\'",
  '\\': '\\\\',
  '\n': '\\n',
  '\r': '\\r',
  '\t': '\\t',
};

/**
 * A text as a TypeScript literal: quotes, backslashes, control characters and the line breaks that
 * are none elsewhere are escaped.
 */
const quoted = (text: string): string =>
  `'${text.replaceAll(/['\\\p{Cc}\p{Cf}\p{Cs}\u2028\u2029]/gu, (sign) => escapes[sign] ?? byUnits(sign))}'`;

/** A sign by its UTF-16 units, as `\\u2028`. */
const byUnits = (sign: string): string =>
  Array.from(
    { length: sign.length },
    (_, unit) => `\\u${sign.charCodeAt(unit).toString(16).padStart(4, '0')}`,
  ).join('');

const literal = (value: unknown): string =>
  typeof value === 'string' ? quoted(value) : String(value);

/** A text that stands in a comment of one line: nothing in it ends the line. */
const inComment = (text: string): string => text.replaceAll(/[\p{Cc}\p{Cf}\u2028\u2029]/gu, ' ');

/**
 * The TypeScript type of a property's values. A long number range is `number`: a union of thousands
 * helps nobody.
 */
function valueType(property: Property): string {
  if (property.kind === 'toggle') return 'boolean';
  const values = valuesOf(property);
  return property.kind === 'number' && values.length > 64
    ? 'number'
    : values.map(literal).join(' | ') || 'never';
}

/** The names of the functions that reactions run, each once. */
const functionsRun = (blocks: readonly ResolvedBlock[]): string[] =>
  [
    ...new Set(
      blocks.flatMap(({ declared }) =>
        (declared.reactions ?? []).flatMap(({ then }) =>
          then.flatMap((action) => (action.do === 'run' ? [action.function] : [])),
        ),
      ),
    ),
  ].sort();

/**
 * Writes `code/ids.ts`: ids as constants, a type of each block's states, its default state.
 * Compiles under strict TypeScript.
 */
export function writeCode(mod: Mod, blocks: readonly ResolvedBlock[]): string {
  const { namespace, title, version } = mod.header;
  const ids = (names: readonly string[]) =>
    names.map((name) => `  ${name}: ${quoted(idOf(namespace, name))},`).join('\n');
  const list = (names: readonly string[]) => (names.length ? `{\n${ids(names)}\n}` : '{}');
  const withStates = blocks.filter(
    (block) => block.space.properties.length && !block.space.tooLarge,
  );
  const states = withStates.map(
    (block) =>
      `  ${block.name}: { ` +
      `${block.space.properties.map((property) => `${property.name}: ${valueType(property)}`).join('; ')} ` +
      '};',
  );
  const functions = functionsRun(blocks);
  const defaults = withStates.map(
    (block) =>
      `  ${block.name}: { ${Object.entries(block.space.decode(block.space.defaultState))
        .map(([name, value]) => `${name}: ${literal(value)}`)
        .join(', ')} },`,
  );
  return `// Made by Obrank from ${inComment(title)} ${version}. What is changed here by hand stays.

/** The ids of the mod's blocks. */
export const blockIds = ${list(blocks.map((block) => block.name))} as const;
export type BlockName = keyof typeof blockIds;
export type BlockId = (typeof blockIds)[BlockName];

/** The ids of the mod's other items. */
export const itemIds = ${list(Object.keys(mod.items).sort())} as const;
export type ItemName = keyof typeof itemIds;
export type ItemId = (typeof itemIds)[ItemName] | BlockId;

/** The ids of the mod's fluids. */
export const fluidIds = ${list(Object.keys(mod.fluids).sort())} as const;
export type FluidName = keyof typeof fluidIds;
export type FluidId = (typeof fluidIds)[FluidName];

/** The states of each block that has any. */
export interface StatesByBlock {${states.length ? `\n${states.join('\n')}\n` : ''}}

/** The properties of a block, and the values of one of them. */
export type PropertyOf<Block extends keyof StatesByBlock> = keyof StatesByBlock[Block];
export type ValueOf<Block extends keyof StatesByBlock, Property extends PropertyOf<Block>> = StatesByBlock[Block][Property];

/** The ids of the mod's tags. */
export const blockTagIds = ${list(Object.keys(mod.blockTags).sort())} as const;
export const itemTagIds = ${list(Object.keys(mod.itemTags).sort())} as const;

/** The keys of the mod's texts. */
export type TextKey = ${
    textEntries(mod)
      .map(({ key }) => quoted(key))
      .join(' | ') || 'never'
  };

/** What a reaction tells a function of the mod's own code: where, and what happened there. */
export interface Answered {
  readonly x: number;
  readonly y: number;
  readonly z: number;
  readonly event: ${reactionEvents.map(quoted).join(' | ')};
}

/** The functions that reactions run: the mod's own code has each of them. */
export interface ReactionFunctions {${functions.length ? `\n${functions.map((name) => `  ${name}(answered: Answered): void;`).join('\n')}\n` : ''}}

/** The state in which each block is placed unless a rule says otherwise. */
export const defaultStates: Readonly<StatesByBlock> = {${defaults.length ? `\n${defaults.join('\n')}\n` : ''}};
`;
}
