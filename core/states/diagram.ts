/**
 * Rows by way of a decision diagram: the properties are asked one after the other, and parts of the
 * table that are alike are one node (Bryant, Graph-Based Algorithms for Boolean Function
 * Manipulation, 1986; with as many branches as a property has values).
 */
export interface Diagram {
  /** Node numbers: 0 … terminals − 1 are kinds of values themselves, 0 being "no value". */
  root: number;
  terminals: number;
  /**
   * For each other node the property that it asks for, as a place in the order, and the node for
   * each value.
   */
  nodes: { level: number; children: number[] }[];
  /** How many rows it makes when every different branch of a node is followed once. */
  rows: number;
}

/**
 * The pairs of numbers that were met, each with a number of its own: a table with open addressing
 * (Knuth, The Art of Computer Programming 3, 6.4).
 */
class Pairs {
  private table: Int32Array;
  private many = 0;

  constructor(slots: number) {
    this.table = new Int32Array(3 * slots);
  }

  /** The number of a pair; a new pair gets `next`, which must not be 0. */
  numberOf(a: number, b: number, next: number): number {
    if (this.many * 6 > this.table.length) this.grow();
    const at = this.place(a, b);
    if (this.table[at + 2]) return this.table[at + 2]!;
    this.many += 1;
    [this.table[at], this.table[at + 1], this.table[at + 2]] = [a, b, next];
    return next;
  }

  private place(a: number, b: number): number {
    const slots = this.table.length / 3;
    let slot = ((Math.imul(a, 0x9e3779b1) ^ Math.imul(b, 0x85ebca77)) >>> 8) % slots;
    while (
      this.table[slot * 3 + 2] &&
      (this.table[slot * 3] !== a || this.table[slot * 3 + 1] !== b)
    )
      slot = slot + 1 < slots ? slot + 1 : 0;
    return slot * 3;
  }

  private grow(): void {
    const old = this.table;
    this.table = new Int32Array(old.length * 4);
    for (let i = 0; i < old.length; i += 3)
      if (old[i + 2]) this.table.set(old.subarray(i, i + 3), this.place(old[i]!, old[i + 1]!));
  }
}

/**
 * The diagram of a table when its dimensions are asked in an order. `valueByState` holds a kind for each
 * cell, the last dimension counting fastest; `sizes` the length of each dimension. Linear in the
 * cells. Undefined as soon as it is sure to make more than `most` rows: parts of the table that
 * differ are reached in different ways, and each way is a row at least.
 */
export function diagramOf(
  valueByState: Int32Array,
  terminals: number,
  sizes: readonly number[],
  order: readonly number[],
  most = Infinity,
): Diagram | undefined {
  let level = permuted(valueByState, sizes, order);
  let next = terminals;
  const nodes: Diagram['nodes'] = [];
  const nodeAt: (number | undefined)[] = [];
  const rows = Array.from({ length: terminals }, (_, kind) => (kind ? 1 : 0));
  for (let depth = order.length - 1; depth >= 0; depth -= 1) {
    const width = sizes[order[depth]!]!;
    const pairs = new Pairs(Math.min(4 * level.length + 16, 2 ** 16));
    const above = new Int32Array(level.length / width);
    let sum = 0;
    for (let i = 0; i < above.length; i += 1) {
      const from = i * width;
      let chain = level[from]!;
      let alike = true;
      for (let j = 1; j < width; j += 1) {
        if (level[from + j] !== level[from]) alike = false;
        const known = pairs.numberOf(chain, level[from + j]!, next);
        if (known === next) next += 1;
        chain = known;
      }
      if (alike) {
        above[i] = level[from]!;
        continue;
      }
      // The number of the chain stands for this very list of children, so the node is made once.
      if (nodeAt[chain] === undefined) {
        const children = Array.from(level.subarray(from, from + width));
        nodeAt[chain] = nodes.push({ level: depth, children }) - 1;
        rows[chain] = 0;
        children.forEach(
          (child, j) => (rows[chain]! += children.indexOf(child) === j ? rows[child]! : 0),
        );
        if ((sum += rows[chain]!) > most) return undefined;
      }
      above[i] = chain;
    }
    level = above;
  }
  return { ...renumbered(level[0]!, terminals, nodes, nodeAt), rows: rows[level[0]!]! };
}

/** The same diagram with its nodes numbered without gaps after the terminals. */
function renumbered(
  root: number,
  terminals: number,
  nodes: Diagram['nodes'],
  nodeAt: (number | undefined)[],
): Omit<Diagram, 'rows'> {
  const number = (chain: number) => (chain < terminals ? chain : terminals + nodeAt[chain]!);
  return {
    root: number(root),
    terminals,
    nodes: nodes.map(({ level, children }) => ({ level, children: children.map(number) })),
  };
}

/** The table with its dimensions in another order, the first the slowest. */
function permuted(
  valueByState: Int32Array,
  sizes: readonly number[],
  order: readonly number[],
): Int32Array {
  let step = valueByState.length;
  const steps = sizes.map((size) => (step /= size));
  if (order.every((dimension, i) => dimension === i)) return valueByState;
  const result = new Int32Array(valueByState.length);
  const digits = order.map(() => 0);
  let from = 0;
  for (let to = 0; to < valueByState.length; to += 1) {
    result[to] = valueByState[from]!;
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

/**
 * One row of a diagram: for each dimension that it asks for the places of the values, and the kind
 * that it gives.
 */
export interface DiagramRow {
  asks: Map<number, number[]>;
  kind: number;
}

/**
 * The rows of a diagram, to be read from the first: branches that lead to the same node share their
 * rows, and the widest branch comes last, without a condition where nothing under the node is left
 * open.
 */
export function rowsOfDiagram(
  { root, terminals, nodes }: Diagram,
  order: readonly number[],
): DiagramRow[] {
  const whole = new Map<number, boolean>();
  const isWhole = (node: number): boolean => {
    if (node < terminals) return node !== 0;
    let known = whole.get(node);
    if (known === undefined)
      whole.set(node, (known = nodes[node - terminals]!.children.every(isWhole)));
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
    // Of two equal halves the one with the first value comes last: what is lit is named, what is
    // not is the rest.
    const sorted = [...branches].sort(
      ([, a], [, b]) =>
        a.length - b.length || (branches.size === 2 ? b[0]! - a[0]! : a[0]! - b[0]!),
    );
    sorted.forEach(([child, values], i) => {
      const free = i === sorted.length - 1 && isWhole(node);
      walk(child, free ? asks : new Map(asks).set(order[level]!, values));
    });
  };
  walk(root, new Map());
  return rows;
}
