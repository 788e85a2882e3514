import { describe, expect, test } from '@jest/globals';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { kits } from '../../kits/index.ts';
import { applyChanges, entrySchemas, ModSchema, type Mod } from '../../mod/index.ts';
import { inspect, inspectBeside, inspectBuilt, rules } from '../index.ts';
import type { ModExample } from '../rule.ts';
import { sampleBuilt, sampleMod, sampleNeighbour, withExample } from '../sample.ts';

const found = (mod: Mod, rule: string) => inspect(mod).filter((finding) => finding.rule === rule);
const readIfFile = (file: string) => (statSync(file).isFile() ? readFileSync(file, 'utf8') : '');
const example = (values: ModExample): Mod => withExample(sampleMod(), values);

test('the sample mod and its pack have no finding at all', () => {
  expect(ModSchema.parse(sampleMod())).toEqual(sampleMod());
  expect(inspect(sampleMod())).toEqual([]);
  for (const kit of Object.values(kits))
    expect([kit.name, inspectBuilt(kit, sampleBuilt({}, kit))]).toEqual([kit.name, []]);
});

test.each(['core/inspect/rules', 'core/kits/block-pack/rules', 'core/kits/minetest/rules'])(
  'every file in %s is a line of all.ts, and the lines are sorted',
  (folder) => {
    const lines = readFileSync(`${folder}/all.ts`, 'utf8').split('\n');
    const named = lines.flatMap((line) => / from '\.\/(.+)';$/.exec(line)?.[1] ?? []);
    const rulesIn = (readdirSync(folder, { recursive: true }) as string[]).filter(
      (file) =>
        /^export const \w+ = \w+Rule\(/m.test(readIfFile(`${folder}/${file}`)) &&
        !file.endsWith('.test.ts'),
    );
    expect(named).toEqual([...named].sort());
    expect(named).toEqual(rulesIn.sort());
  },
);

test('every rule has an id of its own and says what, why and where', () => {
  expect(new Set(rules.map((rule) => rule.id)).size).toBe(rules.length);
  expect(rules.length).toBeGreaterThan(50);
  for (const { id, why, title } of rules) {
    expect(id).toMatch(/^[a-z]+\/[a-z]+(-[a-z]+)*$/);
    expect(why).toMatch(/\.$/);
    expect(title).not.toMatch(/\.$/);
  }
});

describe.each(rules.filter((rule) => rule.over === 'neighbours'))(
  '$id',
  ({ id, fails, passes, beside }) => {
    const told = (mod: Mod, values: ModExample) =>
      inspectBeside(mod, [sampleNeighbour(values)]).filter((finding) => finding.rule === id);

    test('is reported for its failing example, at a place of the mod', () => {
      const findings = told(example(fails), beside.fails);
      expect(findings.length).toBeGreaterThan(0);
      for (const { message, at } of findings) {
        expect(message).toMatch(/^.*[.?]$/);
        expect(message).not.toMatch(/undefined|NaN|\[object/);
        expect(at).toMatch(/^\//);
      }
    });

    test('is silent for its passing example', () =>
      expect(told(example(passes), beside.passes)).toEqual([]));

    test('its fix, where it has one, mends the finding', () => {
      const broken = example(fails);
      for (const { fix, message } of told(broken, beside.fails)) {
        if (!fix) continue;
        const mended = applyChanges(broken, fix.changes);
        expect(told(mended, beside.fails).map((other) => other.message)).not.toContain(message);
      }
    });
  },
);

const alone = rules.filter((rule) => rule.over !== 'files' && rule.over !== 'neighbours');
describe.each(alone)('$id', (rule) => {
  const { id, fails, passes } = rule as { id: string; fails: ModExample; passes: ModExample };

  test('is reported for its failing example, in a full sentence, at a place that exists', () => {
    const findings = found(example(fails), id);
    expect(findings.length).toBeGreaterThan(0);
    for (const finding of findings) {
      expect(finding.message).toMatch(/^.*[.?]$/);
      expect(finding.message).not.toMatch(/undefined|NaN|\[object/);
      expect(finding.at).toMatch(/^\//);
    }
  });

  test('is silent for its passing example', () => expect(found(example(passes), id)).toEqual([]));

  test('its fix, where it has one, mends the finding and brings no other about', () => {
    const broken = example(fails);
    const before = inspect(broken).map((one) => one.message);
    for (const finding of found(broken, id)) {
      if (!finding.fix) continue;
      const mended = applyChanges(broken, finding.fix.changes);
      expect(found(mended, id).map((other) => other.message)).not.toContain(finding.message);
      expect(entrySchemas.blocks.safeParse(mended.blocks['lamp']).error).toBeUndefined();
      expect(ModSchema.safeParse(mended).success).toBe(true);
      const after = inspect(mended).map((one) => one.message);
      expect(after.filter((message) => !before.includes(message))).toEqual([]);
    }
  });
});

const rulesOfKits = Object.values(kits).flatMap((kit) =>
  kit.rules.map((rule) => ({ ...rule, kit })),
);

describe.each(rulesOfKits)('$kit.name: $id', ({ id, fails, passes, kit }) => {
  const report = (values: ModExample) =>
    inspectBuilt(kit, sampleBuilt(values, kit)).filter((finding) => finding.rule === id);

  test('is reported for its failing example, with file, line and column', () => {
    const findings = report(fails);
    expect(findings.length).toBeGreaterThan(0);
    for (const { file, place, message } of findings) {
      expect(file).toBeTruthy();
      expect(place!.line).toBeGreaterThan(0);
      expect(place!.column).toBeGreaterThan(0);
      expect(message).toMatch(/^.*[.?]$/);
    }
  });

  test('is silent for its passing example', () => expect(report(passes)).toEqual([]));
});
