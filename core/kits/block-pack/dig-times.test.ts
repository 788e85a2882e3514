import { expect, test } from '@jest/globals';
import { readFolder } from '../../../disk/index.ts';
import { flattened } from '../../families/index.ts';
import { readModFolder } from '../../folder/index.ts';
import { resolveBlocks, toolKinds } from '../../mod/index.ts';
import { digTime, type Tool } from '../../traits/index.ts';
import { blockPack } from './index.ts';

interface PackBlock {
  hardness: number | 'unbreakable';
  tool?: { kind: string; leastGrade: number };
  gated: boolean;
}
interface PackTools {
  kinds: Record<string, { tag: string }>;
  grades: { name: string; pace: number }[];
}

/**
 * Ticks to dig as docs/block-pack.md tells an engine to count them, from the files of the pack and
 * nothing else.
 */
function ticksFromPack(
  block: PackBlock,
  tags: string[],
  tools: PackTools,
  tickRate: number,
  held: { kind: string; grade: number } | undefined,
): number | undefined {
  if (block.hardness === 'unbreakable') return undefined;
  const isRight =
    held !== undefined && block.tool?.kind === held.kind && held.grade >= block.tool.leastGrade;
  // The tag of the kind says the same as the block itself.
  if (block.tool) expect(tags).toContain(tools.kinds[block.tool.kind]!.tag);
  const seconds =
    (block.hardness / (isRight ? tools.grades[held.grade]!.pace : 1)) *
    (block.gated && !isRight ? 3 : 1);
  return Math.ceil(seconds * tickRate - 1e-9);
}

test(
  'the pack holds all that dig times need: for every block and tool they come out as ' +
    'the bench shows them',
  async () => {
    const { mod: declared, blobs } = readModFolder(await readFolder('demo/saltmarsh'));
    const mod = flattened(declared);
    const files = blockPack.write(mod, (sha256) => blobs.get(sha256)!);
    // eslint-disable-next-line @typescript-eslint/no-unnecessary-type-parameters -- each file says what it holds
    const json = <T>(path: string) => JSON.parse(new TextDecoder().decode(files.get(path))) as T;
    const tools = json<PackTools>('rules/tools.json');
    const { tickRate } = json<{ tickRate: number }>('pack.json');
    const tags = [...files.keys()]
      .filter((file) => file.startsWith('rules/tags/blocks/'))
      .map((file) => json<{ id: string; members: string[] }>(file));
    const held: Tool[] = [
      'bare hands',
      ...toolKinds.flatMap((kind) => mod.header.tools.grades.map((_, grade) => ({ kind, grade }))),
    ];
    for (const block of resolveBlocks(mod)) {
      const own = tags.filter(({ members }) => members.includes(block.id)).map(({ id }) => id);
      const file = json<PackBlock>(`rules/blocks/${block.name}.json`);
      for (const tool of held)
        expect([
          block.name,
          tool,
          ticksFromPack(file, own, tools, tickRate, tool === 'bare hands' ? undefined : tool),
        ]).toEqual([block.name, tool, digTime(block.traits, tool, mod.header).ticks]);
    }
  },
);
