import { itemAt } from '../../../../lists/index.ts';
import type { Mod } from '../../../../mod/index.ts';
import { digTime, toolName, type Tool } from '../../../../traits/index.ts';
import { ladderTools } from '../../write/digging.ts';
import { homeOf } from '../../write/nodes.ts';
import type { Check } from '../check.ts';
import { triedBlocks } from '../tried.ts';

/** Seconds by which the engine's single precision may be off. */
const tolerance = 1e-4;

/** How long each block takes with bare hands and with every tool of the ladder. */
export function diggingChecks(mod: Mod): Check[] {
  const { header } = mod;
  const tools: { name: string; tool: Tool }[] = [
    { name: '', tool: 'bare hands' },
    ...ladderTools(mod),
  ];
  return triedBlocks(mod).map((tried): Check => {
    const { block } = tried;
    const ours = tools.map(({ tool }) => digTime(block.traits, tool, header).seconds ?? -1);
    return {
      about: `${tried.title}: seconds to dig it with each of ${tools.length} tools`,
      of: { kind: 'block', name: block.name },
      facet: 'traits',
      ask: {
        kind: 'digging',
        node: `${header.namespace}:${homeOf(tried).name}`,
        tools: tools.map(({ name }) => name),
      },
      judge(answer) {
        const found = Array.isArray(answer) ? (answer as number[]) : [];
        const apart = ours.findIndex(
          (seconds, i) => !(Math.abs((found[i] ?? NaN) - seconds) <= tolerance),
        );
        if (apart < 0) return undefined;
        const seconds = (value: number | undefined) =>
          value === undefined ? 'nothing' : value < 0 ? 'cannot be dug' : `${value.toFixed(3)} s`;
        return {
          ours: `${seconds(ours[apart])} with ${toolName(itemAt(tools, apart).tool, header)}`,
          engine: seconds(found[apart]),
        };
      },
    };
  });
}
