import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { lookUp, printJson, sameData } from '../../core/json/index.ts';
import type { Block, Mod } from '../../core/mod/index.ts';
import { TwoSides } from './testing/two-sides.ts';

/** So many histories are lived through; a long hunt asks for more. */
const many = Number(process.env['OBRANK_HISTORIES'] ?? 20);

const blocks = ['bank', 'lamp', 'reed'] as const;
const traits = ['hardness', 'blastRating'] as const;
const someBlock = fc.constantFrom(...blocks);
const someTrait = fc.constantFrom(...traits);
const amount = fc.integer({ min: 1, max: 9 });
const step = fc.oneof(
  { weight: 4, arbitrary: fc.tuple(fc.constant('edit'), someBlock, someTrait, amount) },
  { weight: 4, arbitrary: fc.tuple(fc.constant('type'), someBlock, someTrait, amount) },
  fc.tuple(fc.constant('remove'), someBlock),
  fc.tuple(fc.constant('unlink'), someBlock),
  fc.tuple(fc.constant('begin'), someBlock),
  fc.tuple(fc.constant('write'), someBlock),
  fc.tuple(fc.constant('spoil'), someBlock),
  fc.tuple(fc.constant('undo')),
  { weight: 4, arbitrary: fc.tuple(fc.constant('exchange')) },
  { weight: 5, arbitrary: fc.tuple(fc.constant('kill'), fc.integer({ min: 0, max: 6 })) },
  { weight: 2, arbitrary: fc.tuple(fc.constant('choose'), fc.constantFrom('page', 'folder')) },
);
type Step = [what: string, ...with: (string | number)[]];

const fileOf = (block: string): string => `blocks/${block}.json`;
const broken = '{ "identity": ';

/** Another block of the sample, so that each begins as a whole document. */
async function blank(sides: TwoSides): Promise<Block> {
  const { blocks: held } = await sides.page();
  return structuredClone(Object.values(held)[0] ?? model);
}
const model = {
  identity: { group: 'shore' },
  traits: {},
  states: { properties: [] },
  looks: { mode: 'one-of', rows: [] },
  tags: [],
  names: { en: 'Reed' },
} as unknown as Block;

/** What each side holds of what the histories change; a file that is broken is said so. */
interface Facts {
  page: Record<string, Block | undefined>;
  folder: Record<string, Block | 'broken' | undefined>;
}

async function factsOf(sides: TwoSides): Promise<Facts> {
  const [page, folder] = [await sides.page(), await sides.inFolder()];
  const of = (mod: Mod) =>
    Object.fromEntries(blocks.map((name) => [name, lookUp(mod.blocks, name)]));
  const said = Object.fromEntries(
    blocks.map((name) => [name, isBroken(sides, name) ? 'broken' : lookUp(folder.blocks, name)]),
  );
  return { page: of(page), folder: said as Facts['folder'] };
}

function isBroken(sides: TwoSides, block: string): boolean {
  try {
    return sides.text(fileOf(block)) === broken;
  } catch {
    return false;
  }
}

async function act(sides: TwoSides, [what, first, second, third]: Step): Promise<void> {
  const block = String(first);
  const held = lookUp((await sides.page()).blocks, block);
  const there = lookUp((await sides.inFolder()).blocks, block);
  if (what === 'edit' && held) await sides.edit(`/blocks/${block}/traits/${second}`, third);
  if (what === 'remove' && held) await sides.edit(`/blocks/${block}`, undefined);
  if (what === 'begin' && !held) await sides.edit(`/blocks/${block}`, await blank(sides));
  if (what === 'type' && there)
    sides.put(
      fileOf(block),
      printJson({ ...there, traits: { ...there.traits, [String(second)]: third } }),
    );
  if (what === 'unlink') sides.put(fileOf(block), undefined);
  if (what === 'write') sides.put(fileOf(block), printJson(await blank(sides)));
  if (what === 'spoil') sides.put(fileOf(block), broken);
  if (what === 'exchange') await sides.link.exchange();
  if (what === 'kill') await sides.killAfter(Number(first));
  if (what === 'choose') await choose(sides, first as 'page' | 'folder');
  if (what === 'undo') {
    const { revision, undo } = await sides.store.mod('saltmarsh');
    if (undo) await sides.store.undoOrRedo('saltmarsh', revision, 'a test', 'undo');
  }
}

async function choose(sides: TwoSides, keep: 'page' | 'folder'): Promise<void> {
  const units = sides.link.state.clashes.map(({ unit }) => unit);
  if (units.length) await sides.link.choose(units, keep).catch(() => undefined);
}

/**
 * What each side may hold after an exchange, by what both held before it: a slow and plain oracle.
 * `base` is what both held when they were alike last.
 */
function holdAgainst(before: Facts, after: Facts, base: Facts['page']): void {
  for (const name of blocks) {
    const [page, folder] = [before.page[name], before.folder[name]];
    const now = { page: after.page[name], folder: after.folder[name] };
    const told = JSON.stringify({ name, base: base[name], page, folder, now });
    if (folder === 'broken') {
      expect([told, sameData(now.page, page), now.folder]).toEqual([told, true, 'broken']);
      continue;
    }
    const isAlike = sameData(now.page, now.folder);
    if (sameData(page, base[name]))
      expect([told, sameData(now.page, folder)]).toEqual([told, true]);
    else if (sameData(folder, base[name]))
      expect([told, sameData(now.page, page)]).toEqual([told, true]);
    // Where both changed it nothing of either is lost: merged, or left as it is until one chooses.
    else if (isAlike) for (const trait of traits) holdTrait(told, trait, [page, folder, now.page]);
    else expect([told, sameData(now, { page, folder })]).toEqual([told, true]);
    if (sameData(page, base[name]) || sameData(folder, base[name]))
      expect([told, isAlike]).toEqual([told, true]);
  }
}

function holdTrait(
  told: string,
  trait: (typeof traits)[number],
  blocks: (Block | undefined)[],
): void {
  const [page, folder, now] = blocks.map((block) => block?.traits[trait]);
  expect([told, now === page || now === folder]).toEqual([told, true]);
}

test(
  `${many} histories of edits on both sides, with kills in between: every exchange carries over ` +
    'what one side changed, and in the end both are alike',
  async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(step, { minLength: 3, maxLength: 25, size: 'max' }),
        async (steps) => {
          const sides = await TwoSides.begin();
          try {
            let base = (await factsOf(sides)).page;
            for (const one of steps as Step[]) {
              const before = await factsOf(sides);
              await act(sides, one);
              const after = await factsOf(sides);
              // A program that is killed and started again has exchanged what there was, too.
              if (one[0] === 'exchange' || one[0] === 'kill') holdAgainst(before, after, base);
              else if (one[0] !== 'choose') continue;
              base = agreedIn(sides, base, after);
            }
            await becomeAlike(sides);
            expect(sides.errors).toEqual([]);
          } finally {
            await sides.end();
          }
        },
      ),
      { numRuns: many },
    );
  },
  Math.max(120_000, many * 3000),
);

/** What both sides hold by now, where they are alike. */
function agreedIn(sides: TwoSides, base: Facts['page'], { page, folder }: Facts): Facts['page'] {
  const clashed = new Set(sides.link.state.clashes.map(({ unit }) => unit));
  return Object.fromEntries(
    blocks.map((name) => [
      name,
      !clashed.has(`/blocks/${name}`) && sameData(page[name], folder[name])
        ? page[name]
        : base[name],
    ]),
  );
}

/** Mends what is broken, has somebody choose, and holds both sides against each other. */
async function becomeAlike(sides: TwoSides): Promise<void> {
  await sides.link.exchange();
  for (const name of blocks)
    if (isBroken(sides, name)) {
      const held = lookUp((await sides.page()).blocks, name);
      sides.put(fileOf(name), held && printJson(held));
    }
  await sides.link.exchange();
  await choose(sides, 'folder');
  expect(sides.link.state).toMatchObject({ unread: [], clashes: [] });
  expect(sides.link.state.problem).toBeUndefined();
  expect(sameData(await sides.page(), await sides.inFolder())).toBe(true);
}
