import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { existsSync, renameSync, symlinkSync } from 'node:fs';
import path from 'node:path';
import { itemAt } from '../../core/lists/index.ts';
import { basePicture, encodePicture } from '../../core/textures/index.ts';
import { TwoSides } from './testing/two-sides.ts';

let sides: TwoSides;
beforeEach(async () => {
  sides = await TwoSides.begin();
});
afterEach(() => sides.end());

const hardness = '/blocks/bank/traits/hardness';
const bank = 'blocks/bank.json';
const heldHardness = async () => (await sides.page()).blocks['bank']?.traits.hardness;
/** Types another hardness into the file. */
const type = (value: number): void => {
  const { traits: _, ...block } = JSON.parse(sides.text(bank)) as { traits: object };
  sides.put(bank, JSON.stringify({ ...block, traits: { hardness: value } }, null, 2));
};
const lastLabel = async () => {
  const { revision } = await sides.store.mod('saltmarsh');
  return itemAt(await sides.store.log('saltmarsh', revision - 1), 0).label;
};

test('killed at whichever step: what the page had saved stands in the folder afterwards', async () => {
  for (let steps = 0; steps < 8; steps += 1) {
    const value = 10 + steps;
    await sides.edit(hardness, value);
    await sides.killAfter(steps);
    expect([steps, await heldHardness()]).toEqual([steps, value]);
    expect(sides.text(bank)).toContain(`"hardness": ${value}`);
  }
});

test('killed once the folder was read: what the page does next is no conflict', async () => {
  type(7);
  await sides.link.exchange();
  await sides.edit(hardness, 8);
  await sides.killAfter(0);
  expect(await heldHardness()).toBe(8);
  expect(sides.link.state.clashes).toEqual([]);
  expect(sides.text(bank)).toContain('"hardness": 8');
});

test('a file put back by hand to what it was counts as the last word', async () => {
  type(3);
  await sides.link.exchange();
  const before = sides.text(bank);
  await sides.edit(hardness, 5);
  await sides.link.exchange();
  expect(sides.text(bank)).toBe(before.replace('3', '5'));
  sides.put(bank, before);
  await sides.link.exchange();
  expect(await heldHardness()).toBe(3);
  expect(await lastLabel()).toBe('From the folder: bank.json');
});

test('what came from the folder is one edit, and undoing it writes the folder', async () => {
  const before = sides.text(bank);
  type(6);
  sides.put('blocks/lamp.json', undefined);
  const pixels = basePicture('#8a5a2e', 16, 1);
  sides.put('textures/sand.png', encodePicture(pixels));
  await sides.link.exchange();
  const { revision, mod } = await sides.store.mod('saltmarsh');
  expect(revision).toBe(1);
  expect(Object.keys(mod.textures)).toEqual(['sand']);
  expect(await lastLabel()).toBe('From the folder: bank.json, lamp.json, 1 picture');
  await sides.store.undoOrRedo('saltmarsh', 1, 'a test', 'undo');
  await sides.link.exchange();
  expect(JSON.parse(sides.text(bank))).toEqual(JSON.parse(before));
  expect(existsSync(path.join(sides.folder, 'textures/sand.png'))).toBe(false);
  expect(existsSync(path.join(sides.folder, 'blocks/lamp.json'))).toBe(true);
  // Undone again, the picture comes back out of the database.
  await sides.store.undoOrRedo('saltmarsh', 2, 'a test', 'redo');
  await sides.link.exchange();
  expect(existsSync(path.join(sides.folder, 'textures/sand.png'))).toBe(true);
});

test('a file that does not parse is told with line and column, and is not written over', async () => {
  sides.put(bank, '{\n  "identity": {},\n}');
  await sides.link.exchange();
  expect(sides.link.state.unread).toEqual([
    {
      rule: 'files/malformed-json',
      unit: '/blocks/bank',
      file: bank,
      line: 2,
      column: 17,
      message: 'There is a comma after the last entry. Remove it.',
    },
  ]);
  await sides.edit(hardness, 4);
  await sides.edit('/blocks/lamp/traits/hardness', 4);
  await sides.link.exchange();
  expect(sides.text(bank)).toBe('{\n  "identity": {},\n}');
  expect(sides.text('blocks/lamp.json')).toContain('"hardness": 4');
  // Once it is whole again, both sides are brought together.
  const { blocks } = await sides.page();
  const whole = { ...blocks['bank']!, traits: { blastRating: 2 } };
  sides.put(bank, JSON.stringify(whole));
  await sides.link.exchange();
  expect(sides.link.state.unread).toEqual([]);
  expect((await sides.page()).blocks['bank']!.traits).toEqual({ hardness: 4, blastRating: 2 });
  expect(JSON.parse(sides.text(bank))).toMatchObject({ traits: { hardness: 4, blastRating: 2 } });
});

test.each(['page', 'folder'] as const)(
  'both changed the same value: both are shown, the %s is chosen, and undoing has the other',
  async (keep) => {
    await sides.edit(hardness, 4);
    type(6);
    await sides.link.exchange();
    expect(await heldHardness()).toBe(4);
    expect(sides.text(bank)).toContain('"hardness": 6');
    expect(sides.link.state.clashes).toEqual([
      {
        unit: '/blocks/bank',
        file: bank,
        values: [{ path: '/traits/hardness', page: 4, folder: 6 }],
      },
    ]);
    await sides.link.choose(['/blocks/bank'], keep);
    const chosen = { page: 4, folder: 6 }[keep];
    expect(await heldHardness()).toBe(chosen);
    expect(sides.text(bank)).toContain(`"hardness": ${chosen}`);
    expect(sides.link.state.clashes).toEqual([]);
    const { revision } = await sides.store.mod('saltmarsh');
    await sides.store.undoOrRedo('saltmarsh', revision, 'a test', 'undo');
    expect(await heldHardness()).toBe({ page: 6, folder: 4 }[keep]);
    await expect(sides.link.choose(['/blocks/bank'], keep)).rejects.toThrow('Both sides agree');
  },
);

test('a folder that vanishes takes nothing along, and is taken up again when it is back', async () => {
  const away = `${sides.folder}-away`;
  renameSync(sides.folder, away);
  sides.link.filesChanged(new Set([bank]));
  await sides.link.exchange();
  expect(sides.link.state.problem).toMatch(/does not exist/);
  expect(await heldHardness()).toBeUndefined();
  expect(Object.keys((await sides.page()).blocks)).toEqual(['bank', 'lamp']);
  await sides.edit(hardness, 9);
  await sides.link.exchange();
  renameSync(away, sides.folder);
  sides.put('blocks/lamp.json', undefined);
  await sides.link.exchange();
  expect(sides.link.state.problem).toBeUndefined();
  expect(sides.text(bank)).toContain('"hardness": 9');
  expect(Object.keys((await sides.page()).blocks)).toEqual(['bank']);
});

test('without mod.json the folder is no mod for the moment, and nothing is taken away', async () => {
  const header = sides.text('mod.json');
  for (const file of ['mod.json', bank, 'blocks/lamp.json']) sides.put(file, undefined);
  await sides.link.exchange();
  expect(sides.link.state.problem).toMatch(/no mod\.json/);
  expect(Object.keys((await sides.page()).blocks)).toEqual(['bank', 'lamp']);
  sides.put('mod.json', header);
  await sides.link.exchange();
  expect(Object.keys((await sides.page()).blocks)).toEqual([]);
});

test('a link that leads out of the folder is not followed, nor taken for what went', async () => {
  renameSync(path.join(sides.folder, 'blocks'), path.join(sides.root, 'elsewhere'));
  symlinkSync(path.join(sides.root, 'elsewhere'), path.join(sides.folder, 'blocks'));
  sides.link.filesChanged(new Set([bank, 'blocks/lamp.json']));
  await sides.link.exchange();
  await sides.edit(hardness, 2);
  await sides.link.exchange();
  expect(Object.keys((await sides.page()).blocks)).toEqual(['bank', 'lamp']);
  expect(sides.link.state.unread[0]!.message).toMatch(/behind a link/);
  sides.link.filesChanged(new Set());
  await sides.link.exchange();
  expect(sides.link.state.unread).toMatchObject([
    { file: 'blocks', message: expect.stringMatching(/^It is a link/) },
  ]);
  expect(Object.keys((await sides.page()).blocks)).toEqual(['bank', 'lamp']);
});

test('names that differ only by upper and lower case are told', async () => {
  sides.put('kept/README.md', 'one');
  sides.put('kept/readme.md', 'two');
  await sides.link.exchange();
  expect(sides.link.state.unread).toMatchObject([
    { file: 'kept/readme.md', message: expect.stringMatching(/README\.md only by upper/) },
  ]);
  sides.put('kept/README.md', undefined);
  await sides.link.exchange();
  expect(sides.link.state.unread).toEqual([]);
  expect(Object.keys((await sides.page()).header.kept!)).toEqual(['readme.md']);
});

test('an earlier edition is read, and brought forward when the page writes', async () => {
  const header = sides.text('mod.json');
  sides.put('mod.json', header.replace(/"edition": \d+/, '"edition": 1'));
  for (const file of [bank, 'blocks/lamp.json'])
    sides.put(file, sides.text(file).replace('"natural"', '"found"'));
  sides.link.filesChanged(new Set());
  await sides.link.exchange();
  expect(sides.link.state).toMatchObject({ unread: [], clashes: [] });
  expect((await sides.page()).blocks['bank']!.identity.natural).toBe(true);
  expect(sides.text(bank)).toContain('"found"');
  await sides.edit(hardness, 3);
  await sides.link.exchange();
  for (const file of [bank, 'blocks/lamp.json']) expect(sides.text(file)).toContain('"natural"');
  expect(sides.text('mod.json')).toBe(header);
  expect(sides.text(bank)).toContain('"hardness": 3');
});

test('a folder that cannot be written is told, and written once it can be', async () => {
  sides.refuse('ENOSPC');
  await sides.edit(hardness, 3);
  await sides.link.exchange();
  expect(sides.link.state.problem).toMatch(/disk is full/i);
  expect(await heldHardness()).toBe(3);
  expect(sides.text(bank)).not.toContain('"hardness"');
  sides.refuse('EROFS');
  await sides.link.exchange();
  expect(sides.link.state.problem).toMatch(/only be read/);
  sides.refuse(undefined);
  await sides.link.exchange();
  expect(sides.link.state.problem).toBeUndefined();
  expect(sides.text(bank)).toContain('"hardness": 3');
});
