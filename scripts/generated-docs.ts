import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { inspect, inspectBeside, inspectBuilt, rules, type Rule } from '../core/inspect/index.ts';
import { sampleBuilt, sampleMod, sampleNeighbour, withExample } from '../core/inspect/sample.ts';
import { kits } from '../core/kits/index.ts';
import { layout } from '../core/kits/block-pack/format/index.ts';
import { printJson } from '../core/json/index.ts';
import { MadeSchema, StripSchema, TonedSchema } from '../core/mod/entries.schema.ts';
import { templates } from '../core/models/index.ts';
import { entrySchemas, stocks, stockSoundSets, type Box } from '../core/mod/index.ts';
import { exampleKits, examplesFile } from './example-kits.ts';
import { boundsPart, filtersPart, modelPart, modelSchema, tagsPart } from './kit-docs.ts';
import { lentFilters } from '../core/kits/own/filters/index.ts';
import { titleOfKey, withWords } from './schema-words.ts';

/** Every document that is made from the code, by its path. */
export function generatedDocs(): Map<string, string> {
  const docs = new Map<string, string>([
    ['docs/rules.md', rulesDoc()],
    [examplesFile, exampleKits()],
    ['docs/kit-model.md', kitDoc(readFileSync('docs/kit-model.md', 'utf8'))],
    ['docs/schemas/kit/model.schema.json', modelSchema()],
    ['docs/block-pack.md', packDoc(readFileSync('docs/block-pack.md', 'utf8'))],
  ]);
  for (const [name, text] of schemaDocs().texts) docs.set(`docs/schemas/${name}.schema.json`, text);
  return docs;
}

/**
 * The JSON Schemas of the files of a mod folder and of a pack by their names, and the words that
 * they needed.
 */
export function schemaDocs(): { texts: Map<string, string>; used: Set<string> } {
  const used = new Set<string>();
  const texts = new Map<string, string>();
  // A template is no JSON.
  const { kitFiles: _, ...documents } = entrySchemas;
  for (const [kind, schema] of Object.entries({
    ...documents,
    strip: StripSchema,
    made: MadeSchema,
    toned: TonedSchema,
  }))
    texts.set(
      `mod/${kind}`,
      schemaText(schema, `A file of a mod folder: ${titleOfKey(kind).toLowerCase()}`, used),
    );
  for (const { kind, schema, note } of layout)
    if (schema)
      texts.set(
        `pack/${kind.replaceAll(' ', '-')}`,
        schemaText(schema, `A file of a Block Pack: ${kind}`, used, note),
      );
  return { texts, used };
}

/** A JSON Schema (draft 2020-12) that a text editor can use. Every file may name its schema. */
function schemaText(
  schema: z.ZodType,
  title: string,
  used: Set<string>,
  description?: string,
): string {
  const { $schema, ...made } = z.toJSONSchema(schema, {
    io: 'input',
    unrepresentable: 'any',
  }) as Record<string, unknown>;
  return printJson({
    $schema,
    title,
    ...(description === undefined ? {} : { description }),
    ...(withWords(mayNameSchema(made), used) as object),
  });
}

/** A schema of a whole file that also takes the key $schema, whatever form the file has. */
function mayNameSchema(made: Record<string, unknown>): Record<string, unknown> {
  const branches = ['oneOf', 'anyOf'].find((key) => Array.isArray(made[key]));
  if (branches)
    return {
      ...made,
      [branches]: (made[branches] as Record<string, unknown>[]).map(mayNameSchema),
    };
  const properties = { $schema: { type: 'string' }, ...(made['properties'] as object | undefined) };
  const { propertyNames, ...rest } = made;
  return {
    ...rest,
    properties,
    ...(propertyNames === undefined
      ? {}
      : { propertyNames: { anyOf: [{ const: '$schema' }, propertyNames] } }),
  };
}

/** Whose files a rule looks at. */
const kitWords = (rule: Rule): string =>
  `the files of ${Object.values(kits)
    .filter((kit) => kit.rules.some((own) => own === rule))
    .map((kit) => kit.title)
    .join(' and of ')}`;

/**
 * What people read when the example of a rule fails: its sentences about the sample mod, each with
 * its fix.
 */
function exampleSentences(rule: Rule): string[] {
  const kit = Object.values(kits).find((one) => one.rules.some((own) => own === rule));
  const findings = kit
    ? inspectBuilt(kit, sampleBuilt(rule.fails, kit))
    : rule.over === 'neighbours'
      ? inspectBeside(withExample(sampleMod(), rule.fails), [sampleNeighbour(rule.beside.fails)])
      : inspect(withExample(sampleMod(), rule.fails));
  return findings
    .filter((finding) => finding.rule === rule.id)
    .slice(0, 2)
    .map(({ message, fix }) => (fix ? `${message} *${fix.title}*` : message));
}

const guesses =
  'Its fix chooses one of several things that may have been meant, and is left out when all that ' +
  'is safe is mended.';

function rulesDoc(): string {
  const parts = [
    '# What inspection finds',
    `Made from the rules in \`core/inspect/rules\` and \`core/kits/*/rules\` by \`npm run docs:make\`. ${rules.length} rules, each with what it says of its example and how it is mended.`,
  ];
  let room = '';
  for (const rule of rules) {
    const facet = rule.id.split('/')[0]!;
    if (facet !== room) parts.push(`## ${facet[0]!.toUpperCase()}${facet.slice(1)}`);
    room = facet;
    const over = {
      block: 'each block',
      mod: 'the whole declaration',
      findings: 'what the others found',
      neighbours: 'the declaration and another mod beside it',
      files: kitWords(rule),
    };
    const why = rule.guesses ? `${rule.why} ${guesses}` : rule.why;
    const said = exampleSentences(rule).map((sentence) => `> ${sentence}`);
    parts.push(
      `### ${rule.id}\n**${rule.title}** (${rule.severity}, over ${over[rule.over]})\n\n${why}\n\n${said.join('\n>\n')}`,
    );
  }
  return `${parts.join('\n\n')}\n`;
}

/**
 * The hand-written text with the parts between its marks made anew: files, templates, stock and
 * numbers.
 */
function packDoc(text: string): string {
  const rows = layout.map(({ folder, named, ending, note, schema, kind }) => {
    const file = `${folder}${typeof named === 'string' ? named : placeFor(kind)}${ending}`;
    const link = `[schema](schemas/pack/${kind.replaceAll(' ', '-')}.schema.json)`;
    return `| \`${file}\` | ${note} | ${schema ? link : ''} |`;
  });
  const parts: Record<string, string> = {
    files: table(['file', 'what it is', ''], rows),
    templates: templatesPart(),
    stock: stockPart(),
    numbers: numbersPart(),
  };
  return withParts(text, parts);
}

/** A document with parts of it made anew, each between its two marks. */
const withParts = (text: string, parts: Readonly<Record<string, string>>, between = '\n'): string =>
  Object.entries(parts).reduce(
    (at, [name, part]) =>
      at.replace(
        new RegExp(`<!-- ${name} -->[\\s\\S]*<!-- end of ${name} -->`),
        () => `<!-- ${name} -->${between}${part}${between}<!-- end of ${name} -->`,
      ),
    text,
  );

/** What the templates of a kit are given, with its tables made from the schemas. */
function kitDoc(text: string): string {
  const usual = lentFilters.map((name) => `\`${name}\``).join(', ');
  return withParts(withParts(text, { tags: tagsPart(), usual }, ''), {
    filters: filtersPart(),
    bounds: boundsPart(),
    model: modelPart(),
  });
}

const table = (heads: string[], rows: string[]): string =>
  [`| ${heads.join(' | ')} |`, `|${heads.map(() => '---').join('|')}|`, ...rows].join('\n');

/** The built-in templates: their slots, and their boxes in sixteenths of a block. */
function templatesPart(): string {
  const boxWords = ({ at, size, spin, sides }: Box) => {
    const slots = new Map<string, string[]>();
    for (const [side, made] of Object.entries(sides))
      slots.set(made.slot, [...(slots.get(made.slot) ?? []), side]);
    const shown = [...slots]
      .map(([slot, names]) => `${names.length === 6 ? 'all sides' : names.join(', ')}: ${slot}`)
      .join('; ');
    return `\`[${at.join(', ')}]\` + \`[${size.join(', ')}]\`${spin ? ` spun about ${spin.about} by ${spin.by}° through \`[${spin.pivot.join(', ')}]\`` : ''} (${shown})`;
  };
  return table(
    ['template', 'slots', 'boxes, `at` + `size` in sixteenths of a block'],
    templates.map(
      ({ id, slots, model }) =>
        `| \`${id}\` | ${slots.join(', ')} | ${(model.boxes ?? []).map(boxWords).join('<br>')} |`,
    ),
  );
}

/** What stands for the name of a file of a kind. */
function placeFor(kind: string): string {
  if (kind === 'words') return '<language>';
  return /model|texture|strip|sound/.test(kind) ? '<path>' : '<name>';
}

/** The stock materials and sound sets that every engine brings along. */
function stockPart(): string {
  const rows = stocks.map(
    ({ name, traits }) =>
      `| \`obrank:${name}\` | ${String(traits.hardness)} | ${traits.blastRating} ` +
      `| ${traits.toolKind} | ${traits.leastGrade} | ${traits.gated ? 'yes' : 'no'} ` +
      `| \`${traits.soundSet}\` | \`${traits.mapColour}\` |`,
  );
  const heads = [
    'stock material',
    'hardness',
    'blast rating',
    'tool',
    'least grade',
    'gated',
    'sound set',
    'map colour',
  ];
  const sets = stockSoundSets.map((set) => `\`${set}\``).join(', ');
  return (
    `${table(heads, rows)}\n\nStock sound sets: ${sets}, ` +
    'each with a sound for place, step, dig, break and land.'
  );
}

interface NumberSchema {
  type?: string;
  minimum?: number;
  maximum?: number;
  default?: unknown;
  properties?: Record<string, NumberSchema>;
  items?: NumberSchema;
  additionalProperties?: NumberSchema | boolean;
  anyOf?: NumberSchema[];
  oneOf?: NumberSchema[];
  prefixItems?: NumberSchema[];
}

/** The ranges of all numbers in the files of a pack, from their schemas. */
function numbersPart(): string {
  const rows = new Map<string, string>();
  const note = (where: string, { type, minimum, maximum, default: usual }: NumberSchema) => {
    const most = maximum === undefined || maximum >= Number.MAX_SAFE_INTEGER ? '' : String(maximum);
    const least =
      minimum === undefined || minimum <= Number.MIN_SAFE_INTEGER ? '' : String(minimum);
    if (!least && !most) return;
    const range =
      least && most ? `${least} to ${most}` : least ? `${least} or more` : `${most} or less`;
    rows.set(
      where,
      `| ${where} | ${type === 'integer' ? 'whole, ' : ''}${range} | ${usual === undefined ? '' : JSON.stringify(usual)} |`,
    );
  };
  const walk = (file: string, schema: NumberSchema, key: string): void => {
    if (schema.type === 'integer' || schema.type === 'number') note(`${file}: \`${key}\``, schema);
    for (const [name, inner] of Object.entries(schema.properties ?? {}))
      walk(file, { default: inner.default, ...inner }, key ? `${key}.${name}` : name);
    const others = [
      schema.items,
      schema.additionalProperties,
      ...(schema.anyOf ?? []),
      ...(schema.oneOf ?? []),
      ...(schema.prefixItems ?? []),
    ];
    for (const inner of others)
      if (typeof inner === 'object') walk(file, { default: schema.default, ...inner }, key);
  };
  for (const [name, text] of schemaDocs().texts)
    if (name.startsWith('pack/'))
      walk(name.slice('pack/'.length).replaceAll('-', ' '), JSON.parse(text) as NumberSchema, '');
  return table(['file and key', 'range', 'when left out'], [...rows.values()]);
}
