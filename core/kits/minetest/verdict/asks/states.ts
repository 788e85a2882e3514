import { itemAt } from '../../../../lists/index.ts';
import type { Mod } from '../../../../mod/index.ts';
import { turnedBox } from '../../states/body.ts';
import { turnedQuarter, turns } from '../../format/turns.ts';
import { inWords, mustBeNode, nodeInWords, type Check } from '../check.ts';
import { meets, rays } from '../rays.ts';
import { stateWords, triedBlocks, type TriedBlock } from '../tried.ts';

/** The turn that a state's byte tells. */
const turnOf = (tried: TriedBlock, state: number): number => {
  const { node, byte } = itemAt(tried.codes, state);
  return itemAt(tried.nodes, node).kind === 'turned' ? byte % 32 : 0;
};

const about = (tried: TriedBlock, state: number, what: string): Pick<Check, 'about' | 'of'> => ({
  about: `${stateWords(tried, state)}: ${what}`,
  of: { kind: 'block', name: tried.block.name },
});

/** Each state is kept by the engine as its node and byte. */
export function stateChecks(mod: Mod): Check[] {
  return triedBlocks(mod).flatMap((tried) =>
    tried.codes.map(({ node, byte }, state): Check => {
      return {
        ...about(tried, state, 'node and byte'),
        facet: 'states',
        ask: { kind: 'state', node: itemAt(tried.names, node), byte },
        judge: mustBeNode([itemAt(tried.names, node), byte]),
      };
    }),
  );
}

/** One state for each node and turn: what differs in hidden properties alone looks the same. */
function shownStates(tried: TriedBlock): number[] {
  const seen = new Set<string>();
  return tried.codes.flatMap(({ node }, state) => {
    const key = `${node} ${turnOf(tried, state)}`;
    if (seen.has(key)) return [];
    seen.add(key);
    return [state];
  });
}

/** So much, in blocks, an intersection may be off. */
const tolerance = 2e-3;

/** Where the outline of each state is met by rays from all sides. */
export function outlineChecks(mod: Mod): Check[] {
  return triedBlocks(mod).flatMap((tried) =>
    shownStates(tried).map((state): Check => {
      const { node, byte } = itemAt(tried.codes, state);
      const { body } = itemAt(tried.nodes, node);
      const turn = itemAt(turns, turnOf(tried, state));
      const boxes = body.outline.map((box) => turnedBox(box, turn));
      return {
        ...about(tried, state, 'outline, by rays from six sides'),
        facet: 'traits',
        ask: { kind: 'rays', node: itemAt(tried.names, node), byte },
        judge(answer) {
          const found = Array.isArray(answer) ? (answer as number[]) : [];
          const far = rays.map((ray) => meets(ray, boxes));
          const apart = rays.findIndex((ray, i) => {
            // Where a hair's breadth decides, either is right.
            const [least, most] = [meets(ray, boxes, -1e-3), meets(ray, boxes, 1e-3)];
            if (Math.abs(least - most) > 5e-3) return false;
            return !(Math.abs((found[i] ?? NaN) - itemAt(far, i)) <= tolerance);
          });
          if (apart < 0) return undefined;
          const from = itemAt(rays, apart)
            .slice(0, 3)
            .map((n) => n.toFixed(2));
          return {
            ours: `met after ${itemAt(far, apart).toFixed(3)} from ${from.join(' ')}`,
            engine: inWords(found.length ? found[apart] : answer),
          };
        },
      };
    }),
  );
}

/** What the engine makes of a state when a structure with it is turned. */
export function turningChecks(mod: Mod): Check[] {
  return triedBlocks(mod).flatMap((tried) =>
    shownStates(tried).flatMap((state): Check[] => {
      const { node, byte } = itemAt(tried.codes, state);
      const engineNode = itemAt(tried.nodes, node);
      const ours = [1, 2, 3].map((quarters) => [
        itemAt(tried.names, node),
        byteAfter(engineNode.byte, byte, quarters),
      ]);
      return [
        {
          ...about(tried, state, 'turned as part of a structure'),
          facet: 'states',
          ask: { kind: 'turned', node: itemAt(tried.names, node), byte },
          judge: (answer) =>
            JSON.stringify(answer) === JSON.stringify(ours)
              ? undefined
              : { ours: listInWords(ours), engine: listInWords(answer) },
        },
      ];
    }),
  );
}

const listInWords = (nodes: unknown): string =>
  Array.isArray(nodes) ? nodes.map(nodeInWords).join('; ') : inWords(nodes);

/** The engine turns what it knows as turns, and leaves other bytes as they are. */
export function byteAfter(
  kind: 'facedir' | 'colorfacedir' | undefined,
  byte: number,
  quarters: number,
): number {
  if (kind === undefined) return byte;
  let turn = byte % 32;
  for (let n = 0; n < quarters; n += 1) turn = turnedQuarter(turn);
  return byte - (byte % 32) + turn;
}
