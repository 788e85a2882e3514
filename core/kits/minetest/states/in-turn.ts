import { itemAt } from '../../../lists/index.ts';
import { turnedQuarter } from '../format/turns.ts';
import { turnBits, type Split, type StateCode, type StateView } from './split.ts';

/** What the three high bits of a byte tell. */
const layers = 8;

/**
 * Places for states such that the engine, turning a byte as a part of a structure, comes to the
 * byte of the state that we turn to: states that are turned into each other share a layer, and no
 * other state has a byte that theirs are turned to. What is `fixed` stays; holes where it is not
 * possible.
 *
 * @example placesInTurn(views, split.nodes, turningOf(space, placing).quarter)
 */
export function placesInTurn(
  views: readonly StateView[],
  nodes: Split['nodes'],
  quarter: ArrayLike<number>,
  fixed: readonly StateCode[] = [],
): StateCode[] {
  const codes: StateCode[] = [];
  const taken = nodes.map(() => new Set<number>());
  fixed.forEach((code, state) => {
    codes[state] = code;
    for (const byte of turnedOf(code.byte)) itemAt(taken, code.node).add(byte);
  });
  for (const state of views.keys()) {
    if (codes[state]) continue;
    const round = roundOf(state, quarter);
    if (round.some((one) => codes[one])) continue;
    for (const [node, { kind, made }] of nodes.entries()) {
      const free = itemAt(taken, node);
      const bytes = kind === 'turned' ? bytesFor(round, views, made, free) : undefined;
      if (!bytes) continue;
      bytes.forEach((byte, i) => {
        codes[itemAt(round, i)] = { node, byte };
        for (const one of turnedOf(byte)) free.add(one);
      });
      break;
    }
  }
  return codes;
}

/** The bytes to which the engine turns a byte, quarter by quarter, itself the first. */
export function turnedOf(byte: number): number[] {
  const bytes = [byte];
  while (bytes.length < 4) {
    const last = itemAt(bytes, bytes.length - 1);
    bytes.push(last - (last % turnBits) + turnedQuarter(last % turnBits));
  }
  return bytes;
}

/** A state and what becomes of it, quarter by quarter, until it comes back. */
function roundOf(state: number, quarter: ArrayLike<number>): number[] {
  const round = [state];
  for (let next = quarter[state] ?? state; round.length < 4; next = quarter[next] ?? next) {
    if (round.includes(next)) break;
    round.push(next);
  }
  return round;
}

/** A byte for each state of a round, each the one before turned by the engine; if there are any. */
function bytesFor(
  round: readonly number[],
  views: readonly StateView[],
  made: string,
  taken: ReadonlySet<number>,
): number[] | undefined {
  const shown = round.map((state) => itemAt(views, state));
  if (shown.some((view) => view.made !== made)) return undefined;
  for (let layer = 0; layer < layers; layer += 1)
    for (const first of itemAt(shown, 0).turns) {
      let turn = first;
      const bytes = shown.map(({ turns }, i) => {
        if (i > 0) turn = turnedQuarter(turn);
        const byte = layer * turnBits + turn;
        return turns.includes(turn) && !taken.has(byte) ? byte : -1;
      });
      if (!bytes.includes(-1) && new Set(bytes).size === bytes.length) return bytes;
    }
  return undefined;
}
