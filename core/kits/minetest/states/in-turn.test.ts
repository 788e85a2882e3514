import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { anyBlock, randomMod } from '../../../inspect/testing/random-blocks.ts';
import { resolveBlock } from '../../../mod/index.ts';
import { turningOf } from '../../../placing/index.ts';
import { turnedQuarter } from '../format/turns.ts';
import { compileBlock } from './compile.ts';
import { placesInTurn } from './in-turn.ts';
import type { SplitNode, StateView } from './split.ts';
import { splitStates } from './split.ts';
import { viewsOf } from './views.ts';

const mod = randomMod(1, 1);
const turned = (made: string): SplitNode => ({ made, kind: 'turned', turn: 0 });
const view = (made: string, ...turns: number[]): StateView => ({ made, turns });

describe('worked by hand', () => {
  test('four headings are four quarters; a hidden toggle is another layer', () => {
    // north, east, south, west, each open and shut, that look alike.
    const views = [2, 3, 0, 1].flatMap((turn) => [view('leaf', turn), view('leaf', turn)]);
    const quarter = [2, 3, 4, 5, 6, 7, 0, 1];
    const codes = placesInTurn(views, [turned('leaf')], quarter);
    expect(codes.map(({ byte }) => byte)).toEqual([2, 34, 3, 35, 0, 32, 1, 33]);
  });

  test('what looks the same half way round goes round in two', () => {
    const across = turnedQuarter(12);
    const views = [view('beam', 12, turnedQuarter(across)), view('beam', across)];
    const codes = placesInTurn(views, [turned('beam')], [1, 0]);
    expect(codes.map(({ byte }) => byte)).toEqual([12, across]);
    expect(views[0]!.turns).toContain(turnedQuarter(codes[1]!.byte));
  });

  test('what a byte is turned to is no other state’s, though that state stays as it is', () => {
    const next = turnedQuarter(0);
    const codes = placesInTurn([view('post', 0), view('post', next)], [turned('post')], [0, 1]);
    expect(codes.map(({ byte }) => byte)).toEqual([0, 32 + next]);
  });

  test('a round through two nodes has no place, and what is fixed stays', () => {
    const views = [view('a', 0), view('b', 0)];
    expect(placesInTurn(views, [turned('a'), turned('b')], [1, 0])).toEqual([]);
    const fixed = [{ node: 0, byte: 64 }];
    expect(placesInTurn([view('a', 0)], [turned('a')], [0], fixed)).toEqual(fixed);
  });
});

test('whatever the block: places are apart, show their state, and the engine’s turning is read', () =>
  fc.assert(
    fc.property(anyBlock, (declared) => {
      const block = resolveBlock(mod, 'tried', declared);
      const { views } = viewsOf(mod, block);
      const { nodes } = splitStates(views);
      const { quarter } = turningOf(block.space, declared.states.placing ?? []);
      const codes = placesInTurn(views, nodes, quarter);
      const places = new Set<string>();
      const compiled = compileBlock({ ...mod, blocks: { tried: declared } }, block);
      codes.forEach(({ node, byte }, state) => {
        places.add(`${node} ${byte}`);
        expect(nodes[node]).toMatchObject({ kind: 'turned', made: views[state]!.made });
        expect(views[state]!.turns).toContain(byte % 32);
        const kept = compiled.codes[state]!;
        if (kept.node !== node || kept.byte !== byte) return;
        // Four quarters of the engine are read as four quarters of ours.
        let [turn, stands] = [byte % 32, state];
        for (let n = 0; n < 4; n += 1) {
          [turn, stands] = [turnedQuarter(turn), quarter[stands]!];
          expect(compiled.reads[node]!.get(byte - (byte % 32) + turn)).toBe(stands);
        }
      });
      expect(places.size).toBe(codes.filter(Boolean).length);
    }),
    { numRuns: 60 },
  ));
