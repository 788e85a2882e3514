import { itemAt } from '../../../lists/index.ts';

/**
 * How a state is to be shown: what is drawn as it was made, and the turns, by their numbers from 0
 * to 23, under which that looks as the state does. States that share `made` can share a node.
 */
export interface StateView {
  made: string;
  turns: readonly number[];
}

/** A node that stands for some states of a block. */
export interface SplitNode {
  made: string;
  /** `turned`: the low five bits of its byte are a turn. `plain`: the byte is a number of ours. */
  kind: 'turned' | 'plain';
  /** The turn that is built into a plain node. */
  turn: number;
}

/** Where a state is kept: in which node, with which byte beside it. */
export interface StateCode {
  node: number;
  byte: number;
}

/** The states of a block as nodes with a byte beside each. No two states share a node and a byte. */
export interface Split {
  nodes: SplitNode[];
  /** By state. */
  codes: StateCode[];
  /** States that were kept somewhere else before, for which saved worlds need an alias. */
  moved: number[];
}

interface SplitOptions {
  /** How the states were kept before. What can stay there stays. */
  before?: Pick<Split, 'nodes' | 'codes'>;
  /** Bytes by node that are used only where a state has no other. */
  spared?: readonly ReadonlySet<number>[];
  /** How many states a node can keep for each turn: what the three high bits of its byte tell. */
  layers?: number;
  /** How many states a node can keep that is never turned. */
  plain?: number;
}

/** Turns have the five low bits of a byte. */
export const turnBits = 32;

/**
 * The fewest nodes that keep the states of a block, each with a byte of its own. States that are
 * made alike and only turned share a node, its byte telling the turn; what looks the same from
 * every side that is asked for has as many bytes as there are turns under which it does. With
 * `before` no state moves that can stay, even where that takes a node more.
 *
 * @example splitStates([
 *   { made: 'dark', turns: [0] },
 *   { made: 'dark', turns: [1] },
 *   { made: 'lit', turns: [0] },
 * ]).codes // [{ node: 0, byte: 0 }, { node: 0, byte: 1 }, { node: 1, byte: 0 }]
 */
export function splitStates(views: readonly StateView[], options: SplitOptions = {}): Split {
  const { before, spared = [], layers = 8, plain = 256 } = options;
  const nodes: SplitNode[] = [...(before?.nodes ?? [])];
  const taken: Set<number>[] = nodes.map(() => new Set());
  const codes: (StateCode | undefined)[] = views.map(() => undefined);
  const put = (state: number, code: StateCode) => {
    codes[state] = code;
    itemAt(taken, code.node).add(code.byte);
  };
  const bytesIn = (node: SplitNode, view: StateView): number[] =>
    bytesFor(node, view, { layers, plain });
  /** Puts a state where there is room for it; false where there is none. */
  const fit = (state: number): boolean => {
    const view = itemAt(views, state);
    for (const [i, node] of nodes.entries()) {
      const free = bytesIn(node, view).filter((one) => !itemAt(taken, i).has(one));
      const byte = free.find((one) => !spared[i]?.has(one)) ?? free[0];
      if (byte === undefined) continue;
      put(state, { node: i, byte });
      return true;
    }
    return false;
  };

  before?.codes.forEach((code, state) => {
    const view = views[state];
    const node = nodes[code.node];
    if (!view || !node || itemAt(taken, code.node).has(code.byte)) return;
    if (bytesIn(node, view).includes(code.byte)) put(state, code);
  });
  for (const [made, states] of groupsOf(views)) {
    const rest = states.filter((state) => !codes[state] && !fit(state));
    const wanted = nodesFor(
      made,
      rest.map((state) => itemAt(views, state)),
      { layers, plain },
    );
    for (const node of wanted) {
      nodes.push(node);
      taken.push(new Set());
    }
    for (const state of rest) fit(state);
  }
  return settled(nodes, codes, before);
}

interface Room {
  layers: number;
  plain: number;
}

/**
 * The fewest nodes for states that are made alike: some that are turned, and plain ones for turns
 * of which there are more states than those can keep.
 */
function nodesFor(made: string, views: readonly StateView[], { layers, plain }: Room): SplitNode[] {
  const byTurn = new Map<string, { turn: number; room: number; many: number }>();
  for (const { turns } of views) {
    const key = turns.join();
    const known = byTurn.get(key);
    if (known) known.many += 1;
    else byTurn.set(key, { turn: itemAt(turns, 0), room: turns.length * layers, many: 1 });
  }
  const all = [...byTurn.values()];
  /** How many plain nodes of each turn are needed beside so many turned ones. */
  const beside = (turned: number) =>
    all.map(({ room, many }) => Math.ceil(Math.max(0, many - turned * room) / plain));
  const most = Math.max(0, ...all.map(({ room, many }) => Math.ceil(many / room)));
  let best = { turned: 0, plains: beside(0), sum: Infinity };
  for (let turned = 0; turned <= most; turned += 1) {
    const plains = beside(turned);
    const sum = plains.reduce((total, many) => total + many, turned);
    if (sum < best.sum) best = { turned, plains, sum };
  }
  return [
    ...Array.from({ length: best.turned }, (): SplitNode => ({ made, kind: 'turned', turn: 0 })),
    ...all.flatMap(({ turn }, i) =>
      Array.from({ length: itemAt(best.plains, i) }, (): SplitNode => ({
        made,
        kind: 'plain',
        turn,
      })),
    ),
  ];
}

/** The bytes with which a node can stand for a view; none where it cannot. */
function bytesFor(node: SplitNode, { made, turns }: StateView, { layers, plain }: Room): number[] {
  if (node.made !== made) return [];
  if (node.kind === 'plain')
    return turns.includes(node.turn) ? Array.from({ length: plain }, (_, byte) => byte) : [];
  return Array.from({ length: layers }, (_, layer) =>
    turns.map((turn) => layer * turnBits + turn),
  ).flat();
}

/** The states that are made alike, in the order in which they come first. */
function groupsOf(views: readonly StateView[]): Map<string, number[]> {
  const groups = new Map<string, number[]>();
  views.forEach(({ made }, state) => {
    const group = groups.get(made);
    if (group) group.push(state);
    else groups.set(made, [state]);
  });
  return groups;
}

function settled(
  nodes: SplitNode[],
  found: readonly (StateCode | undefined)[],
  before: SplitOptions['before'],
): Split {
  const codes = found.flatMap((code) => code ?? []);
  const moved = codes.flatMap(({ node, byte }, state) => {
    const was = before?.codes[state];
    return was && (was.node !== node || was.byte !== byte) ? [state] : [];
  });
  return { nodes, codes, moved };
}
