import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sampleMod } from '../../../inspect/sample.ts';
import { anyBlock, randomMod } from '../../../inspect/testing/random-blocks.ts';
import {
  applyChanges,
  changeProperty,
  resolveBlock,
  resolveBlocks,
  type Mod,
} from '../../../mod/index.ts';
import { release } from '../../../registry/index.ts';
import { turningOf } from '../../../placing/index.ts';
import { headings, identityOrientation } from '../../../space/index.ts';
import { turnedQuarter, turns } from '../format/turns.ts';
import { bodyKey, bodyOf, quickKey, turnedBody } from './body.ts';
import { compileBlock, frozenOf } from './compile.ts';

const { models } = randomMod(1, 1);
const modWith = (block: Mod['blocks'][string]): Mod => ({
  ...sampleMod(),
  models,
  blocks: { tried: block },
});

test('every state is where its node and byte say, and no two are in one place', () =>
  fc.assert(
    fc.property(anyBlock, (declared) => {
      const mod = modWith(declared);
      const block = resolveBlock(mod, 'tried', declared);
      const { nodes, codes } = compileBlock(mod, block);
      const places = codes.map(({ node, byte }) => `${node} ${byte}`);
      expect(new Set(places).size).toBe(block.space.size);
      codes.forEach(({ node, byte }, state) => {
        const { body, kind } = nodes[node]!;
        const turn = kind === 'turned' ? turns[byte % 32]! : identityOrientation;
        expect(bodyKey(turnedBody(body, turn))).toBe(bodyKey(bodyOf(mod, block, state)));
        expect(byte).toBeLessThan(256);
      });
      // Names are the engine's letters, each once, and the default state has the block's own.
      const names = nodes.map(({ name }) => name);
      expect(new Set(names).size).toBe(names.length);
      for (const name of names) expect(name).toMatch(/^tried(_\w+)?$/);
      expect(names[codes[block.space.defaultState]!.node]).toBe('tried');
      // A byte that the engine reads as a turn is one.
      for (const { byte, states } of nodes)
        if (byte === 'facedir')
          for (const state of states) expect(codes[state]!.byte).toBeLessThan(24);
    }),
    { numRuns: 60 },
  ));

test('bodies that look alike share their quick number, however they came to be turned', () =>
  fc.assert(
    fc.property(anyBlock, fc.constantFrom(...turns), (declared, orientation) => {
      const mod = modWith(declared);
      const body = bodyOf(mod, resolveBlock(mod, 'tried', declared), 0);
      const turned = turnedBody(body, orientation);
      expect(quickKey(body, orientation)).toBe(quickKey(turned, identityOrientation));
      expect(bodyKey(turnedBody(body, identityOrientation))).toBe(bodyKey(body));
    }),
    { numRuns: 60 },
  ));

test('what is only turned shares a node; what glows is another one; hidden values are in the byte', () => {
  const mod = sampleMod();
  const lamp = resolveBlocks(mod).find(({ name }) => name === 'lamp')!;
  const { nodes, codes } = compileBlock(mod, lamp);
  // The post of the lamp looks the same from all four sides but for its light.
  expect(nodes.map(({ name }) => name).sort()).toEqual(['lamp', 'lamp_lit']);
  expect(codes).toHaveLength(8);
  expect(compileBlock(mod, lamp)).toBe(compileBlock(mod, lamp));
  // Another model makes other nodes; a block that it does not concern keeps its own.
  const other: Mod = { ...mod, models: { ...mod.models, lamp: mod.models['bank']! } };
  expect(compileBlock(other, lamp)).not.toBe(compileBlock(mod, lamp));
});

test('what the engine turns as part of a structure is what we turn to, where a turn is kept', () => {
  const mod = sampleMod();
  const door: Mod['blocks'][string] = {
    ...mod.blocks['lamp']!,
    traits: {},
    states: {
      properties: [
        { name: 'heading', kind: 'heading', default: 'south' },
        { name: 'open', kind: 'toggle', default: false },
      ],
    },
    // An open leaf stands as a shut one would that looks another way.
    looks: {
      mode: 'one-of',
      rows: headings.flatMap((heading, i) => [
        {
          when: { heading, open: false },
          use: [{ model: 'saltmarsh:pane', front: heading }],
        },
        {
          when: { heading, open: true },
          use: [{ model: 'saltmarsh:pane', front: headings[(i + 1) % 4]! }],
        },
      ]),
    },
  };
  const block = resolveBlock(modWith(door), 'tried', door);
  const { nodes, codes, reads } = compileBlock(modWith(door), block);
  expect(nodes).toHaveLength(1);
  const { quarter } = turningOf(block.space, []);
  codes.forEach(({ byte }, state) => {
    const turned = byte - (byte % 32) + turnedQuarter(byte % 32);
    expect(reads[0]!.get(turned)).toBe(quarter[state]);
  });
});

/** A mod with the block registered, and released as the kit keeps it. */
function released(declared: Mod['blocks'][string]): Mod {
  const mod = modWith(declared);
  const registered: Mod = {
    ...mod,
    ledger: { entries: [{ number: 0, kind: 'block', name: 'tried' }], retired: [] },
  };
  const kept = () => frozenOf(registered, resolveBlock(registered, 'tried', declared));
  return applyChanges(registered, release(registered, '1.0.0', '2026-11-26', kept));
}

test('what saved worlds hold stays where it is when a property is added, or is known as moved', () =>
  fc.assert(
    fc.property(anyBlock, fc.boolean(), (declared, byDefault) => {
      const before = released(declared);
      const old = compileBlock(before, resolveBlock(before, 'tried', declared));
      const added = { name: 'rusty', kind: 'toggle' as const, default: byDefault };
      const many = declared.states.properties.length;
      const mod = applyChanges(before, changeProperty(before, 'tried', many, added));
      const block = resolveBlock(mod, 'tried', mod.blocks['tried']!);
      const now = compileBlock(mod, block);
      for (const state of old.codes.keys()) {
        const was = old.codes[state]!;
        const same = block.space.encode({ ...old.block.space.decode(state), rusty: byDefault });
        const is = now.codes[same]!;
        const stays =
          now.nodes[is.node]!.name === old.nodes[was.node]!.name && is.byte === was.byte;
        const told = now.moved.some((one) => one.state === same && one.byte === was.byte);
        expect([state, stays || told]).toEqual([state, true]);
        // A toggle that nothing shows moves nobody.
        expect([state, stays]).toEqual([state, true]);
      }
      const places = now.codes.map(({ node, byte }) => `${node} ${byte}`);
      expect(new Set(places).size).toBe(block.space.size);
    }),
    { numRuns: 40 },
  ));
