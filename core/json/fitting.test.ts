import { expect, jest, test } from '@jest/globals';
import fc from 'fast-check';
import { z } from 'zod';
import { readModFolder } from '../folder/index.ts';
import { readFolder } from '../../disk/index.ts';
import { kitNamed } from '../kits/index.ts';
import { placeInPack } from '../kits/block-pack/format/index.ts';
import { entrySchemas } from '../mod/index.ts';
import { parseFitting } from './fitting.ts';

const { mod, blobs } = readModFolder(await readFolder('demo/saltmarsh'));

/** Every document of the demo, as a mod keeps it and as a pack does, with its schema. */
const documents = [
  ...Object.entries(entrySchemas).flatMap(([kind, schema]: [string, z.ZodType]) => {
    const entries = mod[kind as keyof typeof mod];
    const all = kind === 'header' || kind === 'ledger' ? [entries] : Object.values(entries);
    return all.map((entry): [z.ZodType, unknown] => [schema, entry]);
  }),
  ...[...kitNamed('block-pack').write(mod, (sha256) => blobs.get(sha256)!)].flatMap(
    ([file, bytes]): [z.ZodType, unknown][] => {
      const schema = placeInPack(file)?.rule.schema;
      return schema ? [[schema, JSON.parse(new TextDecoder().decode(bytes))]] : [];
    },
  ),
];

test('what the demo holds fits without the schema being asked', () => {
  expect(documents.length).toBeGreaterThan(200);
  for (const [schema, value] of documents) {
    const asked = jest.spyOn(schema, 'safeParse');
    const { data } = parseFitting(schema, value);
    expect(asked).not.toHaveBeenCalled();
    asked.mockRestore();
    expect(JSON.stringify(data)).toBe(JSON.stringify(schema.parse(value)));
  }
});

test('a document with something changed is taken, or refused, as the schema does', () => {
  const strange = fc.oneof(
    fc.constantFrom<unknown>(
      null,
      '',
      'north',
      -1,
      0,
      0.5,
      15,
      1e9,
      Infinity,
      NaN,
      [],
      {},
      undefined,
    ),
    fc.jsonValue(),
  );
  fc.assert(
    fc.property(
      fc.constantFrom(...documents),
      fc.array(fc.nat(), { maxLength: 6 }),
      fc.constantFrom('replace', 'remove', 'add'),
      strange,
      ([schema, document], way, how, value) => {
        const changed = changedAt(structuredClone(document), way, how, value);
        const [fast, slow] = [parseFitting(schema, changed), schema.safeParse(changed)];
        expect(fast.success).toBe(slow.success);
        expect(fast.data).toEqual(slow.data);
        expect(JSON.stringify(fast.data)).toBe(JSON.stringify(slow.data));
        expect(fast.error?.issues.map(({ path }) => path)).toEqual(
          slow.error?.issues.map(({ path }) => path),
        );
      },
    ),
    { numRuns: 3000 },
  );
});

/** The same with one part of it changed: the way says which, turn by turn. */
function changedAt(whole: unknown, way: readonly number[], how: string, value: unknown): unknown {
  if (typeof whole !== 'object' || whole === null) return value;
  const keys = Object.keys(whole);
  const [turn = 0, ...rest] = way;
  const key = keys[turn % Math.max(1, keys.length)];
  const parts = whole as Record<string, unknown>;
  if (rest.length && key !== undefined)
    return Object.assign(whole, { [key]: changedAt(parts[key], rest, how, value) });
  if (how === 'add') parts[Array.isArray(whole) ? String(keys.length) : 'unheard'] = value;
  else if (key !== undefined && how === 'remove' && !Array.isArray(whole)) delete parts[key];
  else if (key !== undefined) parts[key] = value;
  return whole;
}

test('a schema of a kind not known here answers itself', () => {
  const date = z.strictObject({ day: z.date() });
  expect(parseFitting(date, { day: new Date(0) }).success).toBe(true);
  expect(parseFitting(date, { day: 'today' }).success).toBe(false);
});

test('objects of strange descent and names that every object inherits are left to the schema', () => {
  const names = z.record(z.string(), z.number());
  const own = JSON.parse('{ "__proto__": 1, "constructor": 2 }') as unknown;
  expect(parseFitting(names, own).data).toEqual(names.parse(own));
  const tag = z.strictObject({ tag: z.string() });
  expect(parseFitting(tag, Object.create({ tag: 'inherited' })).success).toBe(
    tag.safeParse(Object.create({ tag: 'inherited' })).success,
  );
});
