import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { rules } from '../core/inspect/index.ts';
import { layout } from '../core/kits/block-pack/format/index.ts';
import { printJson } from '../core/json/index.ts';
import { entrySchemas } from '../core/mod/index.ts';

/** Every document that is made from the code, by its path. */
export function generatedDocs(): Map<string, string> {
  const docs = new Map<string, string>([['docs/rules.md', rulesDoc()], ['docs/block-pack.md', packDoc(readFileSync('docs/block-pack.md', 'utf8'))]]);
  for (const [kind, schema] of Object.entries(entrySchemas)) docs.set(`docs/schemas/mod/${kind}.schema.json`, schemaText(schema, true));
  for (const { kind, schema } of layout) if (schema) docs.set(`docs/schemas/pack/${kind.replaceAll(' ', '-')}.schema.json`, schemaText(schema, false));
  return docs;
}

/** A JSON Schema (draft 2020-12) that a text editor can use. In a mod folder a file may name its schema. */
function schemaText(schema: z.ZodType, named: boolean): string {
  const made = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as { properties?: Record<string, unknown> };
  if (named && made.properties) made.properties = { $schema: { type: 'string' }, ...made.properties };
  return printJson(made);
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
