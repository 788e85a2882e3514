import { beforeAll, expect, test } from '@jest/globals';
import Ajv2020 from 'ajv/dist/2020.js';
import { readFileSync } from 'node:fs';
import { readFolder } from '../../../../disk/index.ts';
import { expandFamilies } from '../../../families/index.ts';
import { readModFolder } from '../../../folder/index.ts';
import { LootTableSchema } from '../../../mod/loot.schema.ts';
import { kitSubjects, type Mod } from '../../../mod/index.ts';
import { matrixOf, orientations } from '../../../space/index.ts';
import { subjectsOf } from '../subjects.ts';
import { filled } from './filled.ts';
import { lazily } from './lazily.ts';
import { modelFor, modModel } from './mod.ts';
import { ModModel, subjectModels } from './schema.ts';
import { quaternionOf } from './turned.ts';

let mod: Mod;
beforeAll(async () => {
  mod = expandFamilies(readModFolder(await readFolder('demo/saltmarsh')).mod);
});

test('what templates are given is what the documents say, key by key', () => {
  const model = modModel(mod);
  expect(ModModel.safeParse(plain(model)).error).toBeUndefined();
  const schema = JSON.parse(readFileSync('docs/schemas/kit/model.schema.json', 'utf8')) as object;
  const ajv = new Ajv2020({ strict: false });
  ajv.addSchema(schema, 'model');
  for (const kind of kitSubjects)
    for (const { own } of subjectsOf(kind, model).slice(0, 60)) {
      if (kind === 'mod') continue;
      const value = plain(own[kind]);
      expect(subjectModels[kind].safeParse(value).error).toBeUndefined();
    }
  const kit = { name: 'k', title: 'K' };
  const [state] = subjectsOf('state', model);
  const given = ajv.getSchema('model#/properties/state')!;
  void given(plain({ mod: model, kit, ...state!.own }));
  expect(given.errors).toBeNull();
});

/** The same as plain data, everything in it worked out. */
const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value)) as unknown;

test('nothing is worked out before it is asked for, and only once', () => {
  let count = 0;
  const made = lazily<{ a: number; b: number }>({ a: () => ++count, b: () => 7 });
  expect([count, Object.keys(made), made.a, made.a, count]).toEqual([0, ['a', 'b'], 1, 1, 1]);
  expect(Object.hasOwn(made, 'a')).toBe(true);
});

test('a quaternion turns as its matrix does, in all 24 orientations', () => {
  for (const orientation of orientations) {
    const m = matrixOf(orientation);
    const [x, y, z, w] = quaternionOf(m);
    expect(Math.hypot(x, y, z, w)).toBeCloseTo(1, 12);
    expect(w).toBeGreaterThanOrEqual(0);
    const turned = [
      [1 - 2 * (y * y + z * z), 2 * (x * y - z * w), 2 * (x * z + y * w)],
      [2 * (x * y + z * w), 1 - 2 * (x * x + z * z), 2 * (y * z - x * w)],
      [2 * (x * z - y * w), 2 * (y * z + x * w), 1 - 2 * (x * x + y * y)],
    ];
    turned.forEach((row, i) => row.forEach((value, k) => expect(value).toBeCloseTo(m[i]![k]!, 12)));
  }
});

test('the fewest rows show in every state what the declared ones do', () => {
  for (const block of modModel(mod).blocks) {
    if (block.look.mode !== 'one-of') continue;
    const shown = (rows: typeof block.look.rows, values: Record<string, unknown>) =>
      rows.find(({ when }) =>
        Object.entries(when ?? {}).every(([property, wanted]) =>
          [wanted].flat().includes(values[property]),
        ),
      )?.use;
    for (const { values } of block.states)
      expect(plain(shown(block.look.fewestRows, values))).toEqual(
        plain(shown(block.look.rows, values)),
      );
    expect(block.look.fewestRows.length).toBeLessThanOrEqual(block.look.rows.length);
  }
});

test('what is not said is there as null, at every depth, and what is said stays', () => {
  const schema = LootTableSchema.shape.draws;
  expect(
    filled([{ times: 1, lots: [{ give: 'a:b', when: { state: { lit: true } } }] }], schema),
  ).toEqual([
    {
      times: 1,
      lots: [
        {
          give: 'a:b',
          table: null,
          count: null,
          share: null,
          luck: null,
          keeps: null,
          when: {
            state: { lit: true },
            careful: null,
            blast: null,
            tool: null,
            grade: null,
            chance: null,
            all: null,
            any: null,
            not: null,
          },
        },
      ],
    },
  ]);
});

test('the model is the same while a kit is written, and another one when the mod changes', () => {
  const first = modelFor(mod);
  expect(modelFor({ ...mod, kitFiles: { ...mod.kitFiles } })).toBe(first);
  expect(modelFor({ ...mod, header: { ...mod.header, title: 'Other' } })).not.toBe(first);
});
