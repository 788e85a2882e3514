import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { rules } from '../core/inspect/index.ts';
import { layout } from '../core/kits/block-pack/format/index.ts';
import { printJson } from '../core/json/index.ts';
import { StripSchema } from '../core/mod/entries.schema.ts';
import { entrySchemas } from '../core/mod/index.ts';
import { titleOfKey, withWords } from './schema-words.ts';

/** Every document that is made from the code, by its path. */
export function generatedDocs(): Map<string, string> {
  const docs = new Map<string, string>([['docs/rules.md', rulesDoc()], ['docs/block-pack.md', packDoc(readFileSync('docs/block-pack.md', 'utf8'))]]);
  for (const [name, text] of schemaDocs().texts) docs.set(`docs/schemas/${name}.schema.json`, text);
  return docs;
}

/** The JSON Schemas of the files of a mod folder and of a pack by their names, and the words that they needed. */
export function schemaDocs(): { texts: Map<string, string>; used: Set<string> } {
  const used = new Set<string>();
  const texts = new Map<string, string>();
  for (const [kind, schema] of Object.entries({ ...entrySchemas, strip: StripSchema })) texts.set(`mod/${kind}`, schemaText(schema, `A file of a mod folder: ${titleOfKey(kind).toLowerCase()}`, used));
  for (const { kind, schema, note } of layout) if (schema) texts.set(`pack/${kind.replaceAll(' ', '-')}`, schemaText(schema, `A file of a Block Pack: ${kind}`, used, note));
  return { texts, used };
}

/** A JSON Schema (draft 2020-12) that a text editor can use. Every file may name its schema. */
function schemaText(schema: z.ZodType, title: string, used: Set<string>, description?: string): string {
  const { $schema, ...made } = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Record<string, unknown>;
  return printJson({ $schema, title, ...(description === undefined ? {} : { description }), ...(withWords(mayNameSchema(made), used) as object) });
}

/** A schema of a whole file that also takes the key $schema, whatever form the file has. */
function mayNameSchema(made: Record<string, unknown>): Record<string, unknown> {
  const branches = ['oneOf', 'anyOf'].find((key) => Array.isArray(made[key]));
  if (branches) return { ...made, [branches]: (made[branches] as Record<string, unknown>[]).map(mayNameSchema) };
  const properties = { $schema: { type: 'string' }, ...(made['properties'] as object | undefined) };
  const { propertyNames, ...rest } = made;
  return { ...rest, properties, ...(propertyNames === undefined ? {} : { propertyNames: { anyOf: [{ const: '$schema' }, propertyNames] } }) };
}

function rulesDoc(): string {
  const parts = ['# What inspection finds', `Made from the rules in \`core/inspect/rules\` by \`npm run docs:make\`. ${rules.length} rules.`];
  let room = '';
  for (const rule of rules) {
    const facet = rule.id.split('/')[0]!;
    if (facet !== room) parts.push(`## ${facet[0]!.toUpperCase()}${facet.slice(1)}`);
    room = facet;
    const example = (values: object) => (Object.keys(values).length ? `\`${clip(JSON.stringify(values))}\`` : 'the sample as it is');
    parts.push(`### ${rule.id}\n**${rule.title}** (${rule.severity}, over ${{ block: 'each block', mod: 'the whole declaration', pack: 'the files of a pack' }[rule.over]})\n\n${rule.why}\n\n- found: ${example(rule.fails)}\n- fine: ${example(rule.passes)}`);
  }
  return `${parts.join('\n\n')}\n`;
}

const clip = (text: string): string => (text.length > 220 ? `${text.slice(0, 217)}…` : text);

/** The hand-written text with the table of files between its two marks made anew. */
function packDoc(text: string): string {
  const rows = layout.map(({ folder, named, ending, note, schema, kind }) => `| \`${folder}${typeof named === 'string' ? named : kind === 'words' ? '<language>' : /model|texture|strip|sound/.test(kind) ? '<path>' : '<name>'}${ending}\` | ${note} | ${schema ? `[schema](schemas/pack/${kind.replaceAll(' ', '-')}.schema.json)` : ''} |`);
  const table = `<!-- files -->\n| file | what it is | |\n|---|---|---|\n${rows.join('\n')}\n<!-- end of files -->`;
  return text.replace(/<!-- files -->[\s\S]*<!-- end of files -->/, () => table);
}
