import { expect, test } from '@jest/globals';
import { readFolder } from '../../disk/index.ts';
import { flattened } from '../families/index.ts';
import { readModFolder, writeModFolder } from '../folder/index.ts';
import { applyChanges, type Mod } from '../mod/index.ts';
import {
  changeGravity,
  inspect,
  inspectModFolder,
  silenceFinding,
  tellAgain,
  type Finding,
} from './index.ts';
import { sampleMod, withExample } from './sample.ts';

/** Two findings: the lamp is in no group, and the bank drops nothing and nobody said so. */
const broken = (): Mod =>
  withExample(sampleMod(), {
    '/blocks/lamp/identity/group': null,
    '/blocks/bank/loot': null,
  });
const told = (findings: readonly Finding[]) =>
  findings.map(({ severity, rule }) => `${severity} ${rule}`);
const noGroup = (mod: Mod) => inspect(mod).find(({ rule }) => rule === 'identity/no-group')!;

test('a finding is silenced for a reason, and told again', () => {
  const mod = broken();
  const before = told(inspect(mod));
  const silent = applyChanges(mod, silenceFinding(mod, noGroup(mod), 'Commands give it.'));
  expect(told(inspect(silent))).toEqual(before.filter((one) => !one.includes('no-group')));
  expect(silent.header.inspection!.silenced![0]!.why).toBe('Commands give it.');
  const again = applyChanges(silent, tellAgain(silent, 0));
  expect(again).toEqual(mod);
});

test('only that finding is silenced, and one that is gone is told of', () => {
  const mod = withExample(broken(), { '/blocks/bank/identity/group': null });
  const silent = applyChanges(mod, silenceFinding(mod, noGroup(mod), 'Commands give it.'));
  expect(told(inspect(silent)).filter((one) => one.includes('no-group'))).toHaveLength(1);
  const mended = withExample(silent, {
    '/blocks/bank/identity/group': 'shore',
    '/blocks/lamp/identity/group': 'shore',
  });
  const [finding] = inspect(mended).filter(({ rule }) => rule === 'registry/silenced-for-nothing');
  expect(finding!.at).toBe('/header/inspection/silenced/0');
  expect(applyChanges(mended, finding!.fix!.changes).header).not.toHaveProperty('inspection');
});

test('of files and neighbours nothing is known here, so their silence is left alone', () => {
  const mod = withExample(sampleMod(), {
    '/header/inspection': {
      rules: { 'neighbours/same-id': { gravity: 'off', why: 'Never loaded together.' } },
      silenced: [{ rule: 'files/unknown-file', message: 'Odd.', why: 'An editor puts it there.' }],
    },
  });
  expect(inspect(mod)).toEqual([]);
});

test('a rule counts otherwise, or not at all', () => {
  const mod = broken();
  const as = (gravity: 'off' | 'error') =>
    applyChanges(mod, changeGravity(mod, 'identity/no-group', { gravity, why: 'We are strict.' }));
  expect(told(inspect(as('error')))[0]).toBe('error identity/no-group');
  expect(told(inspect(as('off'))).some((one) => one.includes('no-group'))).toBe(false);
  const back = as('error');
  expect(applyChanges(back, changeGravity(back, 'identity/no-group', undefined))).toEqual(mod);
});

test('a mod folder is told of in the same way, at the line in mod.json', async () => {
  const { mod: declared, blobs } = readModFolder(await readFolder('demo/saltmarsh'));
  const mod = flattened(declared);
  const wrong = withExample(mod, { '/blocks/salt_crust/identity/group': null });
  const silent = applyChanges(wrong, silenceFinding(wrong, noGroup(wrong), 'Commands give it.'));
  const files = (one: Mod) => writeModFolder(one, (sha256) => blobs.get(sha256)!);
  expect(told(inspectModFolder(files(wrong)))).toEqual(['warning identity/no-group']);
  expect(inspectModFolder(files(silent))).toEqual([]);
  const [stale] = inspectModFolder(
    files({ ...mod, header: { ...mod.header, inspection: silent.header.inspection } }),
  );
  expect(stale).toMatchObject({ rule: 'registry/silenced-for-nothing', file: 'mod.json' });
  expect(stale!.place!.line).toBeGreaterThan(1);
});
