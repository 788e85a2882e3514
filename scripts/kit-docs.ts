import { z } from 'zod';
import { lentTags } from '../core/kits/own/engine.ts';
import { filterWords } from '../core/kits/own/filters/words.ts';
import { KitModel, ModModel, subjectModels } from '../core/kits/own/model/schema.ts';
import { kitSubjects } from '../core/mod/index.ts';
import { bounds } from '../core/kits/own/bounds.ts';
import { printJson } from '../core/json/index.ts';

type Schema = z.ZodType;

/** What a value is, in a word or two. */
function kindOf(schema: Schema): string {
  if (schema instanceof z.ZodNullable) return `${kindOf(schema.unwrap() as Schema)} or null`;
  if (schema instanceof z.ZodArray) return listKind(kindOf(schema.element as Schema));
  if (schema instanceof z.ZodEnum || schema instanceof z.ZodString) return 'text';
  if (schema instanceof z.ZodNumber) return schema.format === 'safeint' ? 'whole number' : 'number';
  if (schema instanceof z.ZodBoolean) return 'true or false';
  if (schema instanceof z.ZodUnion) return 'true, false, number or text';
  if (schema instanceof z.ZodRecord) return 'group, as declared';
  return schema instanceof z.ZodObject ? 'group' : 'value';
}

const listKind = (of: string): string =>
  of.startsWith('list') ? 'list of lists' : `list of ${more[of] ?? 'values'}`;

const more: Readonly<Record<string, string>> = {
  text: 'texts',
  number: 'numbers',
  'whole number': 'whole numbers',
  group: 'groups',
  'group, as declared': 'groups, as declared',
};

/** What lies within a value that has keys: itself, or what a list is of. */
function within(schema: Schema): z.ZodObject | undefined {
  if (schema instanceof z.ZodNullable) return within(schema.unwrap() as Schema);
  if (schema instanceof z.ZodArray) return within(schema.element as Schema);
  return schema instanceof z.ZodObject ? schema : undefined;
}

/** What a group is known by: describing it anew gives another schema of the very same keys. */
const markOf = (schema: z.ZodObject): Schema => Object.values(schema.shape).at(-1) as Schema;

/** The keys of a group as lines of a table, and of the groups in it below one another. */
function lines(schema: z.ZodObject, path: string, known: ReadonlyMap<Schema, string>): string[] {
  return Object.entries(schema.shape as Record<string, Schema>).flatMap(([key, value]) => {
    const inner = within(value);
    const isList = kindOf(value).startsWith('list');
    const named = inner && known.get(markOf(inner));
    const words = value.meta()?.description ?? '';
    const kind = named ? (isList ? `list of ${named}` : named) : kindOf(value);
    const line = `| \`${path}${key}\` | ${kind} | ${words} |`;
    if (!inner || named) return [line];
    return [line, ...lines(inner, `${path}${key}${isList ? '[].' : '.'}`, known)];
  });
}

const heads = '| key | what it is | |\n|---|---|---|';

/** The tables of the model, for `docs/kit-model.md`. */
export function modelPart(): string {
  const parts: [string, z.ZodObject][] = [
    ['mod', ModModel],
    ['kit', KitModel],
    ...kitSubjects.flatMap((subject): [string, z.ZodObject][] => {
      const schema = subjectModels[subject];
      return schema ? [[subject, schema]] : [];
    }),
  ];
  const shared = sharedGroups();
  const known = new Map<Schema, string>([
    ...parts.map(([name, schema]) => [markOf(schema), `[${name}](#${name})`] as const),
    ...[...shared].map(([name, schema]) => [markOf(schema), `[${name}](#${name})`] as const),
  ]);
  return [...parts, ...shared]
    .map(([name, schema]) => `### ${name}\n\n${heads}\n${lines(schema, '', known).join('\n')}`)
    .join('\n\n');
}

/** Groups that stand in many places, each described once. */
function sharedGroups(): Map<string, z.ZodObject> {
  const { look, traits, collision } = subjectModels.block.shape;
  const rows = within(look.shape.rows)!;
  return new Map([
    ['look-row', rows],
    ['candidate', within(rows.shape['use'] as Schema)!],
    ['rows', within((traits as unknown as z.ZodObject).shape['lightEmitted'] as Schema)!],
    ['shape-row', within(collision)!],
    ['box', within(within(collision)!.shape['value'] as Schema)!],
    ['quad', within(subjectModels.model.shape.quads)!],
    ['name', within(subjectModels.block.shape.names)!],
  ]);
}

/** The filters and tags, for `docs/kit-model.md`. */
export const filtersPart = (): string =>
  [
    '| filter | what it gives | example | |\n|---|---|---|---|',
    ...filterWords.map(
      ({ name, words, example, gives }) =>
        `| \`${name}\` | ${words} | \`${example.replaceAll('|', '\\|')}\` | \`${gives.replaceAll('\n', ' ⏎ ')}\` |`,
    ),
  ].join('\n');

export const tagsPart = (): string => lentTags.map((tag) => `\`${tag}\``).join(', ');

const digits = (count: number): string => count.toLocaleString('en');
export const boundsPart = (): string =>
  [
    `- ${digits(bounds.steps)} steps and ${bounds.time / 1000} seconds a file, templates ${bounds.depth} deep in one another;`,
    `- ${digits(bounds.values)} values and letters made by filters, ${digits(bounds.letters)} letters written, a file;`,
    `- ${digits(bounds.files)} files and ${digits(bounds.allLetters)} letters a build.`,
  ].join('\n');

/** The JSON Schema of what each kind of file is given beside `mod` and `kit`. */
export function modelSchema(): string {
  const given = kitSubjects.map((subject) => {
    const own = subjectModels[subject];
    const shape = {
      mod: ModModel,
      kit: KitModel,
      ...(subject === 'state' && { block: subjectModels.block }),
      ...(own && { [subject]: own }),
    };
    return [subject, z.strictObject(shape)] as const;
  });
  const { $schema, ...made } = z.toJSONSchema(z.object(Object.fromEntries(given)), {
    reused: 'ref',
  });
  return printJson({
    $schema,
    title: 'What the templates of a kit are given, by what a file is written for',
    ...made,
  });
}
