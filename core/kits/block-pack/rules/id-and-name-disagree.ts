import { splitId } from '../../../mod/index.ts';
import { pathInPack, placeInPack } from '../format/index.ts';
import type { FileFix } from '../../../mend/index.ts';
import type { ReadFile, ReadPack } from '../read/index.ts';
import { packRule } from './pack-rule.ts';

/** A copy is to speak of its own block; one that was only misnamed is to be called after its own. */
function fixOf(
  { pack, files }: ReadPack,
  { file }: ReadFile<unknown>,
  called: string,
  id: string,
  at: string,
): FileFix | undefined {
  const own = pack?.value.namespace;
  const { namespace, name } = splitId(id);
  if (own === undefined || called.includes('/')) return undefined;
  const others = (name: string) =>
    (['block', 'look', 'loot', 'fluid', 'fluid look', 'item'] as const).some((kind) => {
      const path = pathInPack(kind, name);
      return path !== file && files.has(path);
    });
  const meant = file.replace(/[^/]+$/, (last) => last.replace(called, name));
  if (namespace === own && !others(called) && !files.has(meant) && placeInPack(meant))
    return { title: `Call the file ${name}`, files: [{ file, movesTo: meant }] };
  const value = `${own}:${called}`;
  return { title: `Let it speak of ${value}`, files: [{ file, at, value }] };
}

export const idAndNameDisagree = packRule({
  id: 'pack/id-and-name-disagree',
  severity: 'error',
  title: 'File name and id disagree',
  why:
    'A file is found by its name and speaks of itself by its id. When a file was copied ' +
    'and only one of the two was changed, two files claim one thing.',
  messages: {
    idAndNameDisagree: 'The file is called {file}, but speaks of {id}.',
  },
  fails: { 'rules/blocks/bank.json#/id': 'saltmarsh:silt' },
  passes: {},
  check: (pack) => {
    const own = pack.pack?.value.namespace;
    return [
      ...[
        ...pack.blocks.values(),
        ...pack.items.values(),
        ...pack.blockTags.values(),
        ...pack.itemTags.values(),
        ...pack.lootTables.values(),
        ...pack.fluids.values(),
      ].map((file) => ({ file, id: file.value.id, at: '/id' })),
      ...[...pack.looks.values(), ...pack.newLooks.values(), ...pack.loot.values()].map((file) => ({
        file,
        id: file.value.block,
        at: '/block',
      })),
      ...[...pack.fluidLooks.values()].map((file) => ({
        file,
        id: file.value.fluid,
        at: '/fluid',
      })),
      ...pack.copies,
    ]
      .map((one) => ({ ...one, called: placeInPack(one.file.file)?.name ?? one.file.name }))
      .filter(({ called, id, at }) => {
        const { namespace, name } = splitId(id);
        if (!called.includes('/'))
          return name !== called || (own !== undefined && namespace !== own);
        // What is added to a tag of another mod, or laid over its block, lies in a folder of that
        // mod's name. That a block of one's own has its look with itself is told by another rule.
        const isOwn = namespace === own && at === '/id';
        return called !== `${namespace}/${name}` || isOwn;
      })
      .map(({ file, called, id, at }) => ({
        file: file.file,
        place: file.placeOf(at),
        says: 'idAndNameDisagree',
        parts: { file: called, id },
        fix: fixOf(pack, file, called, id, at),
      }));
  },
});
