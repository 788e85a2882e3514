import { afterAll, beforeAll, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { digestOf, type Files } from '../core/bytes/index.ts';
import { blockPack } from '../core/kits/block-pack/index.ts';
import { writePack } from '../core/kits/block-pack/write/entries.ts';
import { emptyMod } from '../core/mod/index.ts';
import { planBuild, writeBuild, type Built, type FileFate } from './index.ts';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'obrank-plan-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const bytes = (text: string) => new TextEncoder().encode(text);
/** A pack of these texts, with the digest of each in its pack.json. */
function packOf(texts: Record<string, string>): Built {
  const files: Files = new Map(Object.entries(texts).map(([file, text]) => [file, bytes(text)]));
  const digests = Object.fromEntries(
    [...files].map(([file, content]) => [
      file,
      { bytes: content.length, sha256: digestOf(content) },
    ]),
  );
  files.set(
    'pack.json',
    bytes(JSON.stringify(writePack(emptyMod('saltmarsh', 'Saltmarsh').header, digests))),
  );
  return { files, kit: blockPack };
}

const names = ['rules/a.json', 'rules/b.json', 'view/c.json', 'view/deep/d.json'];
/**
 * What became of one file: what the last build wrote, what stands there now, what the next build
 * wants.
 */
const anyFile = fc.record({
  built: fc.option(fc.constantFrom('one', 'two'), { nil: undefined }),
  there: fc.option(fc.constantFrom('one', 'two', 'mine'), { nil: undefined }),
  wanted: fc.option(fc.constantFrom('one', 'two', 'three'), { nil: undefined }),
});

test(
  'whatever was built, edited, added or deleted: the plan says it, nothing foreign is ' +
    'lost unasked, and the build does what the plan says',
  async () => {
    let run = 0;
    await fc.assert(
      fc.asyncProperty(fc.tuple(...names.map(() => anyFile)), async (states) => {
        const target = path.join(folder, String((run += 1)));
        const pick = (part: 'built' | 'wanted') =>
          Object.fromEntries(
            states.flatMap((state, i) =>
              state[part] === undefined ? [] : [[names[i]!, state[part]]],
            ),
          );
        await writeBuild(target, packOf(pick('built')));
        states.forEach(({ there }, i) => {
          const file = path.join(target, names[i]!);
          rmSync(file, { force: true });
          if (there === undefined) return;
          mkdirSync(path.dirname(file), { recursive: true });
          writeFileSync(file, there);
        });
        const wanted = packOf(pick('wanted'));
        const plan = await planBuild(target, wanted);
        const fates = new Map(plan.files.map((file) => [file.path, file.fate]));
        states.forEach(({ built, there, wanted: next }, i) => {
          const expected =
            next !== undefined
              ? there === undefined
                ? 'new'
                : there === next
                  ? 'same'
                  : built === undefined
                    ? 'foreign'
                    : there === built
                      ? 'changed'
                      : next === built
                        ? 'merged'
                        : 'clash'
              : there === undefined
                ? undefined
                : built === undefined
                  ? 'kept'
                  : there === built
                    ? 'gone'
                    : 'edited';
          expect([names[i], fates.get(names[i]!)]).toEqual([names[i], expected]);
        });
        const asks: FileFate[] = ['edited', 'foreign', 'clash'];
        const harm = [...fates.values()].some((fate) => asks.includes(fate));
        if (harm) {
          expect(plan.ask).toBeDefined();
          await expect(writeBuild(target, wanted)).rejects.toThrow(/Nothing was written/);
          states.forEach(
            ({ there }, i) =>
              there !== undefined &&
              expect(readFileSync(path.join(target, names[i]!), 'utf8')).toBe(there),
          );
        }
        // What one keeps stays as it stands, is asked for no more, and is told the next time again.
        const keep = plan.files
          .filter(({ fate }) => asks.includes(fate) && run % 2 === 0)
          .map((file) => file.path);
        const agreed = await planBuild(target, wanted, { keep });
        if (keep.length && harm) expect(agreed.ask).toBeUndefined();
        expect(agreed.files.flatMap((file) => (file.fate === 'mine' ? [file.path] : []))).toEqual(
          keep,
        );
        await writeBuild(target, wanted, { agreed: agreed.id, keep });
        states.forEach(({ built, there, wanted: next }, i) => {
          const file = path.join(target, names[i]!);
          const isMine = keep.includes(names[i]!);
          // What people changed stays: where nothing new comes, and where nobody chose what comes.
          const isEdited = built !== undefined && there !== built && there !== undefined;
          const stays = isMine || (isEdited && next !== undefined);
          const left = stays ? there : (next ?? (built === undefined ? there : undefined));
          const found = (() => {
            try {
              return readFileSync(file, 'utf8');
            } catch {
              return undefined;
            }
          })();
          expect([names[i], found]).toEqual([names[i], left]);
        });
        expect(readdirSync(folder).filter((name) => name.includes('obrank'))).toEqual([]);
      }),
      { numRuns: 60 },
    );
  },
  60_000,
);
