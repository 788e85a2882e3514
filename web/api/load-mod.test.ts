import { expect, jest, test } from '@jest/globals';
import { ModAnswer } from '../../core/api/index.ts';
import { sampleMod } from '../../core/inspect/sample.ts';
import { Refused } from './client.ts';
import { loadMod } from './load-mod.ts';

/** The server's answer about a mod, as a page gets it. */
const answering = (body: unknown): void => {
  jest
    .spyOn(globalThis, 'fetch')
    .mockResolvedValue(new Response(JSON.stringify(body), { status: 200 }));
};
const answer = { revision: 3, built: null, unfit: [], mod: sampleMod() };

test('a mod that is parsed in pieces is the one that is parsed at once', async () => {
  const { blocks, ...mod } = sampleMod();
  // In another order, as edits leave it.
  const reversed = Object.fromEntries(Object.entries(blocks).reverse());
  answering({ ...answer, mod: { blocks: reversed, ...mod } });
  const loaded = await loadMod('saltmarsh');
  expect(JSON.stringify(loaded.mod.blocks)).toBe(
    JSON.stringify(ModAnswer.parse(answer).mod.blocks),
  );
  expect(loaded).toEqual(ModAnswer.parse(answer));
});

test.each<[string, unknown]>([
  ['an entry that does not fit', { ...answer, mod: { ...sampleMod(), blocks: { bank: {} } } }],
  ['a name that is none', { ...answer, mod: { ...sampleMod(), models: { 'A b': {} } } }],
  ['a part that is missing', { ...answer, mod: { ...sampleMod(), blocks: undefined } }],
  ['no mod', { revision: 3 }],
  ['no answer', null],
])('%s is not understood', async (_, body) => {
  answering(body);
  await expect(loadMod('saltmarsh')).rejects.toThrow(Refused);
});
