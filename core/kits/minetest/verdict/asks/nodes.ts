import { itemAt } from '../../../../lists/index.ts';
import type { Mod } from '../../../../mod/index.ts';
import { drawingOf, engineLight, letsLightThrough, meshFile } from '../../write/nodes.ts';
import { Groups } from '../../write/groups.ts';
import { engineBox, isWholeCell } from '../../write/shape.ts';
import { inWords, type Apart, type Check } from '../check.ts';
import { triedBlocks } from '../tried.ts';

/** Facts of a node as the probe reads them from what is registered. */
interface NodeFacts {
  drawtype: string;
  mesh: string;
  paramtype2: string;
  light: number;
  sunlight: boolean;
  walkable: boolean;
  collision: unknown;
  /** An empty table of the engine comes as null. */
  groups: Record<string, number> | null;
}

/** Each node is registered, drawn, lit and bumped into as predicted, and is in its groups. */
export function nodeChecks(mod: Mod): Check[] {
  const groups = new Groups(mod);
  return triedBlocks(mod).flatMap((tried) =>
    tried.nodes.map((node, i): Check => {
      const { block } = tried;
      const drawing = drawingOf(block, node);
      const { collision } = node.body;
      const ours: Omit<NodeFacts, 'groups' | 'collision'> & { collision: string } = {
        drawtype: drawing,
        mesh: drawing === 'mesh' ? meshFile(mod, node) : '',
        paramtype2: node.byte ?? 'none',
        light: engineLight(node.body.lightEmitted),
        sunlight: node.body.lightAbsorbed === 0,
        walkable: collision.length > 0,
        collision: boxesInWords(isWholeCell(collision) ? [] : collision.map(engineBox)),
      };
      return {
        about: `${itemAt(tried.names, i)} as it is registered`,
        of: { kind: 'block', name: block.name },
        facet: 'identity',
        ask: { kind: 'node', node: itemAt(tried.names, i) },
        judge: (answer) => judgeNode(answer, ours, groups.ofBlock(block)),
      };
    }),
  );
}

function judgeNode(
  answer: unknown,
  ours: Record<string, unknown>,
  groups: Record<string, number>,
): Apart | undefined {
  if (answer === 'nothing' || typeof answer !== 'object' || answer === null)
    return { ours: 'registered', engine: 'no such node' };
  const found = { ...(answer as NodeFacts), groups: (answer as NodeFacts).groups ?? {} };
  const said: Record<string, unknown> = { ...found, collision: boxesInWords(found.collision) };
  const apart = Object.keys(ours).filter((key) => ours[key] !== said[key]);
  const lost = Object.keys(groups).filter((group) => found.groups[group] !== groups[group]);
  if (!apart.length && !lost.length) return undefined;
  const words = (facts: Record<string, unknown>, of: Record<string, number>) =>
    [
      ...apart.map((key) => `${key} ${inWords(facts[key])}`),
      ...lost.map((group) => `${group} ${of[group] ?? 0}`),
    ].join(', ');
  return { ours: words(ours, groups), engine: words(said, found.groups) };
}

/** Boxes as words that do not ask how a number is printed; an empty table may come as an object. */
const boxesInWords = (boxes: unknown): string =>
  Array.isArray(boxes)
    ? (boxes as number[][]).map((box) => box.map((n) => n.toFixed(4)).join(' ')).join('; ')
    : '';

/** Light beside each node, and what comes through it. */
export function lightChecks(mod: Mod): Check[] {
  return triedBlocks(mod).flatMap((tried) =>
    tried.nodes.map((node, i): Check => {
      const given = engineLight(node.body.lightEmitted);
      const beside = Math.max(0, given - 1);
      const through = letsLightThrough(tried.block, node) ? Math.max(12, beside) : beside;
      const state = itemAt(node.states, 0);
      return {
        about: `${tried.title}: light of ${itemAt(tried.names, i)} beside it and through it`,
        of: { kind: 'block', name: tried.block.name },
        facet: 'traits',
        ask: {
          kind: 'light',
          node: itemAt(tried.names, i),
          byte: itemAt(tried.codes, state).byte,
        },
        judge: (answer) =>
          JSON.stringify(answer) === JSON.stringify([beside, through])
            ? undefined
            : { ours: `${beside} and ${through}`, engine: inWords(answer) },
      };
    }),
  );
}
