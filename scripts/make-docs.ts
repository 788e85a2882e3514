/**
 * Makes docs/rules.md from the rules, and the JSON Schemas of mod folders and packs from the Zod
 * schemas.
 */
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { generatedDocs } from './generated-docs.ts';

for (const folder of ['docs/schemas']) rmSync(folder, { recursive: true, force: true });
for (const [file, text] of generatedDocs()) {
  mkdirSync(path.dirname(file), { recursive: true });
  writeFileSync(file, text);
}
console.log('docs/rules.md, docs/schemas and the layout in docs/block-pack.md are made');
