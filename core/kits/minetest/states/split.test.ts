import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { itemAt } from '../../../lists/index.ts';
import { splitStates, type Split, type StateView } from './split.ts';

/**
 * Turns under which something looks the same come in sets that do not overlap: here those of a
 * thing that looks the same turned by so many steps.
 */
const views = (most: number, parts: readonly string[]): fc.Arbitrary<StateView[]> =>
  fc
    .record({
      like: fc.record(Object.fromEntries(parts.map((part) => [part, fc.constantFrom(1, 2, 4)]))),
      states: fc.array(
        fc.record({ made: fc.constantFrom(...parts), turn: fc.integer({ min: 0, max: 3 }) }),
        { minLength: 1, maxLength: most },
      ),
    })
    .map(({ like, states }) =>
      states.map(({ made, turn }) => {
        const steps = like[made] ?? 1;
        const apart = 4 / steps;
        return {
          made,
          turns: Array.from({ length: steps }, (_, i) => (turn % apart) + i * apart),
        };
      }),
    );

/** Every state has a code of its own, in a node that shows it under its turn. */
function expectSound(all: readonly StateView[], { nodes, codes }: Split): void {
  expect(codes).toHaveLength(all.length);
  expect(new Set(codes.map(({ node, byte }) => `${node} ${byte}`)).size).toBe(all.length);
  codes.forEach(({ node, byte }, state) => {
    const { made, turns } = itemAt(all, state);
    const kept = itemAt(nodes, node);
    expect(kept.made).toBe(made);
    expect(byte).toBeGreaterThanOrEqual(0);
    expect(byte).toBeLessThan(256);
    expect(turns).toContain(kept.kind === 'plain' ? kept.turn : byte % 32);
  });
}

/** The fewest nodes by trying every way to put states into nodes of either kind. */
function fewest(all: readonly StateView[], layers: number, plain: number): number {
  const canHold = (states: readonly StateView[]): boolean => {
    const [first] = states;
    if (!first || states.some(({ made }) => made !== first.made)) return states.length === 0;
    const shared = first.turns.filter((turn) => states.every(({ turns }) => turns.includes(turn)));
    if (shared.length && states.length <= plain) return true;
    // A byte for each: tried one state after the other.
    const place = (i: number, taken: readonly string[]): boolean => {
      const state = states[i];
      if (!state) return true;
      return state.turns.some((turn) =>
        Array.from({ length: layers }, (_, layer) => `${layer} ${turn}`).some(
          (byte) => !taken.includes(byte) && place(i + 1, [...taken, byte]),
        ),
      );
    };
    return place(0, []);
  };
  let least = all.length;
  const group = (i: number, nodes: StateView[][]): void => {
    if (nodes.length >= least && i < all.length) return;
    const state = all[i];
    if (!state) {
      if (nodes.every(canHold)) least = Math.min(least, nodes.length);
      return;
    }
    nodes.forEach((node, n) => group(i + 1, nodes.with(n, [...node, state])));
    group(i + 1, [...nodes, [state]]);
  };
  group(0, []);
  return least;
}

describe('states as nodes with a byte', () => {
  test('no two states share a code, and each is shown as it should be', () => {
    fc.assert(
      fc.property(views(80, ['a', 'b', 'c']), (all) => {
        const split = splitStates(all);
        expectSound(all, split);
        expect(split.moved).toEqual([]);
      }),
    );
  });

  test('no split has fewer nodes', () => {
    fc.assert(
      fc.property(views(6, ['a', 'b']), fc.integer({ min: 1, max: 2 }), (all, layers) => {
        const most = layers * 4;
        const { nodes } = splitStates(all, { layers, plain: most });
        expect(nodes.length).toBe(fewest(all, layers, most));
      }),
      { numRuns: 200 },
    );
  });

  test('split again nothing moves; a state that can stay stays when others change', () => {
    fc.assert(
      fc.property(views(40, ['a', 'b']), views(40, ['a', 'b']), (all, others) => {
        const before = splitStates(all);
        expect(splitStates(all, { before })).toEqual({ ...before, moved: [] });
        const changed = all.map((view, i) => (i % 3 ? view : (others[i] ?? view)));
        const after = splitStates(changed, { before });
        expectSound(changed, after);
        expect(after.nodes.slice(0, before.nodes.length)).toEqual(before.nodes);
        for (const state of after.moved) expect(changed[state]).not.toEqual(all[state]);
      }),
    );
  });

  test('a lamp with four headings, lit or not, is two nodes; a gauge of sixteen levels one each', () => {
    const lamp = ['dark', 'lit'].flatMap((made) =>
      [0, 1, 2, 3].map((turn): StateView => ({ made, turns: [turn] })),
    );
    expect(splitStates(lamp).nodes).toEqual([
      { made: 'dark', kind: 'turned', turn: 0 },
      { made: 'lit', kind: 'turned', turn: 0 },
    ]);
    const gauge = Array.from({ length: 16 }, (_, i): StateView => ({ made: `${i}`, turns: [0] }));
    expect(splitStates(gauge).nodes).toHaveLength(16);
    // What nobody sees costs no node.
    const hidden = Array.from({ length: 200 }, (): StateView => ({ made: 'a', turns: [3] }));
    expect(splitStates(hidden).nodes).toEqual([{ made: 'a', kind: 'plain', turn: 3 }]);
    expect(splitStates(hidden).codes[199]).toEqual({ node: 0, byte: 199 });
  });
});
