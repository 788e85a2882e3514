/**
 * Rows by way of a decision diagram: the properties are asked one after the other, and parts of the table that are alike are one node
 * (Bryant, Graph-Based Algorithms for Boolean Function Manipulation, 1986; with as many branches as a property has values).
 */
export interface Diagram {
  /** Node numbers: 0 … terminals − 1 are kinds of values themselves, 0 being "no value". */
  root: number;
  terminals: number;
  /** For each other node the property that it asks for, as a place in the order, and the node for each value. */
  nodes: { level: number; children: number[] }[];
}

/** The pairs of numbers that were met, each with a number of its own. */
class Pairs {
  private readonly known = new Map<number, number>();

  numberOf(a: number, b: number, next: () => number): number {
    const key = a * 2 ** 24 + b;
    const before = this.known.get(key);
    if (before !== undefined) return before;
    const made = next();
    this.known.set(key, made);
    return made;
  }
}

/**
 * The diagram of a table when its dimensions are asked in an order. `of` holds a kind for each cell, the last dimension counting
 * fastest; `sizes` the length of each dimension. Linear in the cells.
 */
export function diagramOf(of: Int32Array, terminals: number, sizes: readonly number[], order: readonly number[]): Diagram {
  let level = permuted(of, sizes, order);
  let next = terminals;
  const nodes: Diagram['nodes'] = [];
  const nodeAt: (number | undefined)[] = [];
  for (let depth = order.length - 1; depth >= 0; depth -= 1) {
    const width = sizes[order[depth]!]!;
    const pairs = new Pairs();
    const above = new Int32Array(level.length / width);
    for (let i = 0; i < above.length; i += 1) {
      const from = i * width;
      let chain = level[from]!;
      let alike = true;
      for (let j = 1; j < width; j += 1) {
        if (level[from + j] !== level[from]) alike = false;
        chain = pairs.numberOf(chain, level[from + j]!, () => next++);
      }
      if (alike) {
        above[i] = level[from]!;
        continue;
      }
      // The number of the chain stands for this very list of children, so the node is made once.
      if (nodeAt[chain] === undefined) nodeAt[chain] = nodes.push({ level: depth, children: [...level.subarray(from, from + width)] }) - 1;
      above[i] = chain;
    }
    level = above;
  }
  return renumbered(level[0]!, terminals, nodes, nodeAt);
}

/** The same diagram with its nodes numbered without gaps after the terminals. */
function renumbered(root: number, terminals: number, nodes: Diagram['nodes'], nodeAt: (number | undefined)[]): Diagram {
  const number = (chain: number) => (chain < terminals ? chain : terminals + nodeAt[chain]!);
  return { root: number(root), terminals, nodes: nodes.map(({ level, children }) => ({ level, children: children.map(number) })) };
}

/** The table with its dimensions in another order, the first the slowest. */
function permuted(of: Int32Array, sizes: readonly number[], order: readonly number[]): Int32Array {
  let step = of.length;
  const steps = sizes.map((size) => (step /= size));
  if (order.every((dimension, i) => dimension === i)) return of;
  const result = new Int32Array(of.length);
  const digits = order.map(() => 0);
  let from = 0;
  for (let to = 0; to < of.length; to += 1) {
    result[to] = of[from]!;
    for (let d = order.length - 1; d >= 0; d -= 1) {
      const dimension = order[d]!;
      digits[d]! += 1;
      from += steps[dimension]!;
      if (digits[d]! < sizes[dimension]!) break;
      from -= steps[dimension]! * sizes[dimension]!;
      digits[d] = 0;
    }
  }
  return result;
}

/** One row of a diagram: for each dimension that it asks for the places of the values, and the kind that it gives. */
export interface DiagramRow { asks: Map<number, number[]>; kind: number }

/** How many rows the diagram makes when every different branch of a node is followed once. Infinity beyond `most`. */
export function countRows({ root, terminals, nodes }: Diagram, most = 100_000): number {
  const known = new Map<number, number>();
  const count = (node: number): number => {
    if (node < terminals) return node === 0 ? 0 : 1;
    let sum = known.get(node);
    if (sum !== undefined) return sum;
    sum = 0;
    for (const child of new Set(nodes[node - terminals]!.children)) sum += count(child);
    if (sum > most) sum = Infinity;
    known.set(node, sum);
    return sum;
  };
  return count(root);
}

/**
 * The rows of a diagram, to be read from the first: branches that lead to the same node share their rows, and the widest branch comes
 * last, without a condition where nothing under the node is left open.
 */
export function rowsOfDiagram({ root, terminals, nodes }: Diagram, order: readonly number[]): DiagramRow[] {
  const whole = new Map<number, boolean>();
  const isWhole = (node: number): boolean => {
    if (node < terminals) return node !== 0;
    let known = whole.get(node);
    if (known === undefined) whole.set(node, (known = nodes[node - terminals]!.children.every(isWhole)));
    return known;
  };
  const rows: DiagramRow[] = [];
  const walk = (node: number, asks: Map<number, number[]>): void => {
    if (node < terminals) {
      if (node !== 0) rows.push({ asks, kind: node });
      return;
    }
    const { level, children } = nodes[node - terminals]!;
    const branches = new Map<number, number[]>();
    children.forEach((child, value) => {
      const values = branches.get(child);
      if (values) values.push(value);
      else branches.set(child, [value]);
    });
    // Of two equal halves the one with the first value comes last: what is lit is named, what is not is the rest.
    const sorted = [...branches].sort(([, a], [, b]) => a.length - b.length || (branches.size === 2 ? b[0]! - a[0]! : a[0]! - b[0]!));
    sorted.forEach(([child, values], i) => {
      const free = i === sorted.length - 1 && isWhole(node);
      walk(child, free ? asks : new Map(asks).set(order[level]!, values));
    });
  };
  walk(root, new Map());
  return rows;
}
