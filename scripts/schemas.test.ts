import { expect, test } from '@jest/globals';
import { Ajv2020, type ValidateFunction } from 'ajv/dist/2020.js';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { flattened } from '../core/families/index.ts';
import { readModFolder } from '../core/folder/index.ts';
import { blockPack } from '../core/kits/block-pack/index.ts';
import { placeInPack } from '../core/kits/block-pack/format/index.ts';
import { inspectBuilt } from '../core/inspect/index.ts';
import { readFolder } from '../disk/index.ts';
import { schemaDocs } from './generated-docs.ts';
import { schemaWords } from './schema-words.ts';

type Schema = Record<string, unknown>;
const ajv = new Ajv2020({ strict: false, allErrors: true });
const checks = new Map<string, ValidateFunction>();
/** The check of a published schema by a validator of others. */
function checkOf(file: string): ValidateFunction {
  const check = checks.get(file) ?? ajv.compile(JSON.parse(readFileSync(file, 'utf8')) as Schema);
  checks.set(file, check);
  return check;
}
const problemsOf = (schema: string, document: unknown): string => {
  const check = checkOf(schema);
  return check(document) ? '' : ajv.errorsText(check.errors);
};
const json = (bytes: Uint8Array | undefined): Schema =>
  JSON.parse(new TextDecoder().decode(bytes)) as Schema;

test('every JSON file of the demo fits the schema that it names, and all of them can name one', async () => {
  const files = await readFolder('demo/saltmarsh');
  let named = 0;
  for (const [file, bytes] of files) {
    if (!file.endsWith('.json')) continue;
    const document = json(bytes);
    const kind =
      file === 'mod.json'
        ? 'header'
        : file === 'ledger.json'
          ? 'ledger'
          : file.endsWith('.made.json')
            ? 'made'
            : file.endsWith('.strip.json')
              ? 'strip'
              : ({
                  tags: file.startsWith('tags/blocks/') ? 'blockTags' : 'itemTags',
                  loot: 'lootTables',
                }[file.split('/')[0]!] ?? file.split('/')[0]!);
    const schema = `docs/schemas/mod/${kind}.schema.json`;
    if (typeof document['$schema'] === 'string') {
      named += 1;
      expect([file, path.join('demo/saltmarsh', path.dirname(file), document['$schema'])]).toEqual([
        file,
        schema,
      ]);
    }
    expect([file, problemsOf(schema, document)]).toEqual([file, '']);
    expect([file, problemsOf(schema, { $schema: 'x', ...document })]).toEqual([file, '']);
    expect([file, problemsOf(schema, { ...document, surely_no_key: 1 })]).not.toEqual([file, '']);
  }
  expect(named).toBeGreaterThan(20);
});

test('every JSON file of the built pack fits its published schema, and may name it', async () => {
  const { mod: declared, blobs } = readModFolder(await readFolder('demo/saltmarsh'));
  const mod = flattened(declared);
  const files = blockPack.write(mod, (sha256) => blobs.get(sha256)!);
  const naming = new Map(files);
  for (const [file, bytes] of files) {
    if (!file.endsWith('.json')) continue;
    const schema = `docs/schemas/pack/${placeInPack(file)!.rule.kind.replaceAll(' ', '-')}.schema.json`;
    expect([file, problemsOf(schema, json(bytes))]).toEqual([file, '']);
    const named = {
      $schema: '../schemas/x.json',
      ...json(bytes),
      ...(file === 'pack.json' ? { files: undefined } : {}),
    };
    expect([file, problemsOf(schema, JSON.parse(JSON.stringify(named)))]).toEqual([file, '']);
    naming.set(file, new TextEncoder().encode(JSON.stringify(named)));
  }
  expect(inspectBuilt(blockPack, naming)).toEqual([]);
});

/** Every key of a schema with what is said of it. */
function keysOf(schema: unknown, where: string): [string, Schema][] {
  if (typeof schema !== 'object' || schema === null) return [];
  return Object.entries(schema as Schema).flatMap(([part, value]): [string, Schema][] => {
    if (part !== 'properties') return keysOf(value, `${where}/${part}`);
    return Object.entries(value as Schema).flatMap(([key, inner]) => [
      [`${where}/${key}`, inner as Schema],
      ...keysOf(inner, `${where}/${key}`),
    ]);
  });
}

test('every key has a title and a sentence for text editors, every default fits its key, and no words are left over', () => {
  const { texts, used } = schemaDocs();
  for (const [name, text] of texts) {
    for (const [where, key] of keysOf(JSON.parse(text), name)) {
      expect([where, key['title'], key['description']]).toEqual([
        where,
        expect.stringMatching(/^[A-Z]/),
        expect.stringMatching(/\.$/),
      ]);
      if (key['default'] !== undefined && !JSON.stringify(key).includes('$ref'))
        expect([where, new Ajv2020({ strict: false }).validate(key, key['default'])]).toEqual([
          where,
          true,
        ]);
    }
  }
  expect(Object.keys(schemaWords).filter((name) => !used.has(name))).toEqual([]);
});
