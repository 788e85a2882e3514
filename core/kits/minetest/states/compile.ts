import { freeName, itemAt } from '../../../lists/index.ts';
import {
  codesOf,
  heldCodes,
  lookUp,
  ownName,
  type Kept,
  type Mod,
  type ResolvedBlock,
} from '../../../mod/index.ts';
import { turningOf } from '../../../placing/index.ts';
import { encoderOf, type StateSpace, type Value } from '../../../states/index.ts';
import { kitName } from '../format/marks.ts';
import { plainName } from '../format/names.ts';
import { turnedQuarter, turns } from '../format/turns.ts';
import { turnedBody, type Body } from './body.ts';
import type { Storage } from '../../kit.ts';
import { placesInTurn, turnedOf } from './in-turn.ts';
import {
  splitStates,
  turnBits,
  type Split,
  type SplitNode,
  type StateCode,
  type StateView,
} from './split.ts';
import { viewsOf } from './views.ts';

/** A node of the engine: its name without the namespace, and the states that it stands for. */
export interface EngineNode {
  name: string;
  kind: SplitNode['kind'];
  /** The turn that is built into a plain node. */
  turn: number;
  /** What it shows with a byte of 0. */
  body: Body;
  states: readonly number[];
  /** What the engine does with the byte; undefined where nothing is kept in it. */
  byte: 'facedir' | 'colorfacedir' | undefined;
}

/** A block as the engine's nodes, and where each of its states is kept. */
export interface CompiledBlock {
  block: ResolvedBlock;
  nodes: readonly EngineNode[];
  /** By state. */
  codes: readonly StateCode[];
  /** By node: the state that each byte stands for, also those that only the engine's turning gives. */
  reads: readonly ReadonlyMap<number, number>[];
  /** What saved worlds of the last release may hold, and for which state it stood. */
  moved: readonly Moved[];
}

/** A name and a byte of the last release that its state has left. */
export interface Moved {
  name: string;
  byte: number;
  state: number;
}

const known = new WeakMap<ResolvedBlock, { from: readonly unknown[]; compiled: CompiledBlock }>();

/** Everything of the mod that a block's nodes are made from. */
function madeFrom(mod: Mod, { name, looks }: ResolvedBlock): unknown[] {
  const { namespace, texels } = mod.header;
  const ids = new Set(looks.rows.flatMap(({ value }) => value.map(({ model }) => model)));
  const parts: unknown[] = [texels, mod.ledger.releases, heldCodes(mod.ledger, name)];
  for (const id of ids) {
    const model = lookUp(mod.models, ownName(namespace, id) ?? '');
    parts.push(model);
    if (model?.template !== undefined) ids.add(model.template);
    for (const texture of Object.values(model?.slots ?? {}))
      parts.push(lookUp(mod.textures, ownName(namespace, texture) ?? ''));
  }
  return parts;
}

/**
 * A block as the engine's nodes: states that are made alike share one, its byte telling the turn
 * and what cannot be seen. The node of the default state has the block's own name.
 *
 * @example compileBlock(mod, oven).nodes.map(({ name }) => name) // ['salt_oven', 'salt_oven_lit']
 */
export function compileBlock(mod: Mod, block: ResolvedBlock): CompiledBlock {
  const from = madeFrom(mod, block);
  const made = known.get(block);
  if (made?.from.length === from.length && made.from.every((one, i) => one === from[i]))
    return made.compiled;
  const { views, bodies } = viewsOf(mod, block);
  const before = keptBefore(mod, block, views);
  const {
    nodes,
    codes,
    names: keptNames,
  } = withoutEmpty(splitInTurn(block, views, before), before);
  const statesOf = nodes.map((): number[] => []);
  codes.forEach(({ node }, state) => itemAt(statesOf, node).push(state));
  const names = nodeNames(block, statesOf, keptNames);
  const compiled: CompiledBlock = {
    block,
    codes,
    reads: readsOf({ nodes, codes }, views, quarterOf(block)),
    moved: movedSince(before, { codes, names }),
    nodes: nodes.map(({ kind, made, turn }, i): EngineNode => {
      const body = bodies.get(made)!;
      const states = itemAt(statesOf, i);
      const most = Math.max(...states.map((state) => itemAt(codes, state).byte));
      const byte =
        most === 0 || kind === 'plain' ? undefined : most < 24 ? 'facedir' : 'colorfacedir';
      return {
        name: itemAt(names, i),
        kind,
        turn,
        body: kind === 'plain' && turn ? turnedBody(body, itemAt(turns, turn)) : body,
        states,
        byte,
      };
    }),
  };
  known.set(block, { from, compiled });
  return compiled;
}

/**
 * The fewest nodes, with states where the engine's own turning takes them to where ours does, as far
 * as that takes no more nodes.
 */
function splitInTurn(
  block: ResolvedBlock,
  views: readonly StateView[],
  before: Before | undefined,
): Split {
  const fewest = splitStates(views, { before });
  if (!fewest.nodes.some(({ kind }) => kind === 'turned')) return fewest;
  // What saved worlds hold stays where it could stay.
  const fixed: StateCode[] = [];
  before?.codes.forEach((code, state) => {
    const { node, byte } = itemAt(fewest.codes, state);
    if (node === code.node && byte === code.byte) fixed[state] = code;
  });
  const codes = placesInTurn(views, fewest.nodes, quarterOf(block), fixed);
  const inTurn = splitStates(views, {
    before: { nodes: fewest.nodes, codes },
    spared: fewest.nodes.map(
      (_, at) => new Set(codes.flatMap(({ node, byte }) => (node === at ? turnedOf(byte) : []))),
    ),
  });
  return inTurn.nodes.length > fewest.nodes.length ? fewest : inTurn;
}

/** What a quarter turn of a structure makes of each state. */
const quarterOf = ({ space, declared }: ResolvedBlock): Int32Array =>
  turningOf(space, declared.states.placing ?? []).quarter;

/**
 * What each byte stands for: its own state, or one that looks the same under the byte's turn, or
 * what a state becomes whose byte the engine turns to it.
 */
function readsOf(
  { nodes, codes }: Pick<Split, 'nodes' | 'codes'>,
  views: readonly StateView[],
  quarter: Int32Array,
): Map<number, number>[] {
  const reads = nodes.map(() => new Map<number, number>());
  codes.forEach(({ node, byte }, state) => itemAt(reads, node).set(byte, state));
  const learn = (node: number, byte: number, state: number) => {
    if (!itemAt(reads, node).has(byte)) itemAt(reads, node).set(byte, state);
  };
  const turned = [...codes.entries()].filter(
    ([, { node }]) => itemAt(nodes, node).kind === 'turned',
  );
  for (const [state, { node, byte }] of turned)
    for (const turn of itemAt(views, state).turns)
      learn(node, byte - (byte % turnBits) + turn, state);
  for (const [state, { node, byte }] of turned) {
    let [turn, stands] = [byte % turnBits, state];
    for (let n = 0; n < 3; n += 1) {
      [turn, stands] = [turnedQuarter(turn), quarter[stands] ?? stands];
      if (itemAt(codes, stands).node === node) learn(node, byte - (byte % turnBits) + turn, stands);
    }
  }
  return reads;
}

/** How states were kept when the mod was released last, as far as they are still there. */
interface Before extends Pick<Split, 'nodes' | 'codes'> {
  names: readonly string[];
}

/**
 * What the ledger froze of a block: by state where it was kept. States are told by their codes,
 * which never move.
 */
function keptBefore(
  mod: Mod,
  { name, space }: ResolvedBlock,
  views: readonly StateView[],
): Before | undefined {
  const own = mod.ledger.entries.find((entry) => entry.kind === 'block' && entry.name === name);
  const frozen = mod.ledger.releases?.at(-1)?.entries;
  const then = own && frozen?.find((entry) => entry.number === own.number);
  const kept = then?.kept;
  if (!then || kept?.kit !== kitName) return undefined;
  // A block that has another name since: so have its nodes, and the old ones are aliases.
  const renamed = (node: string) =>
    node.startsWith(plainName(then.name))
      ? plainName(name) + node.slice(plainName(then.name).length)
      : node;
  const places = new Map(kept.codes.map(([code, node, byte]) => [code, { node, byte }]));
  const codes: StateCode[] = [];
  const first = new Map<number, number>();
  encoderOf(codesOf(mod.ledger, name, space), space).forEach((code, state) => {
    const place = places.get(code);
    if (!place || place.node >= kept.nodes.length) return;
    codes[state] = place;
    if (!first.has(place.node)) first.set(place.node, state);
  });
  return {
    names: kept.nodes.map((node) => renamed(node.name)),
    codes,
    nodes: kept.nodes.map(({ kind, turn }, i): SplitNode => {
      const state = first.get(i);
      const made = state === undefined ? `gone ${i}` : itemAt(views, state).made;
      return { made, kind, turn };
    }),
  };
}

/** A split without nodes that no state is left in, and the names that its nodes had before. */
function withoutEmpty(
  { nodes, codes }: Split,
  before: Before | undefined,
): Pick<Split, 'nodes' | 'codes'> & { names: (string | undefined)[] } {
  const used = new Set(codes.map(({ node }) => node));
  const left = [...nodes.keys()].filter((node) => used.has(node));
  return {
    nodes: left.map((node) => itemAt(nodes, node)),
    codes: codes.map(({ node, byte }) => ({ node: left.indexOf(node), byte })),
    names: left.map((node) => before?.names[node]),
  };
}

/** Where states were kept that are kept somewhere else now. */
function movedSince(
  before: Before | undefined,
  now: { codes: readonly StateCode[]; names: readonly string[] },
): Moved[] {
  const moved: Moved[] = [];
  before?.codes.forEach(({ node, byte }, state) => {
    const name = itemAt(before.names, node);
    const at = itemAt(now.codes, state);
    if (itemAt(now.names, at.node) !== name || at.byte !== byte) moved.push({ name, byte, state });
  });
  return moved;
}

/** The same for the ledger: by state code the name and the byte. */
export function frozenOf(mod: Mod, block: ResolvedBlock): Kept | undefined {
  if (block.space.tooLarge) return undefined;
  const { nodes, codes } = compileBlock(mod, block);
  const encoded = encoderOf(codesOf(mod.ledger, block.name, block.space), block.space);
  return {
    kit: kitName,
    nodes: nodes.map(({ name, kind, turn }) => ({ name, kind, turn })),
    codes: codes.map(({ node, byte }, state) => [itemAt(encoded, state), node, byte]),
  };
}

/**
 * Names of the nodes of a block: its own for the default state, and for the others what all states
 * of a node have in common and the default state has not.
 */
function nodeNames(
  { name, space }: ResolvedBlock,
  statesOf: readonly (readonly number[])[],
  kept: readonly (string | undefined)[],
) {
  const usual = space.defaultState;
  const own = plainName(name);
  const taken = kept.flatMap((one) => one ?? []);
  const home = statesOf.findIndex((states) => states.includes(usual));
  const order = [home, ...statesOf.keys()].filter((node, i, all) => all.indexOf(node) === i);
  const names: string[] = [];
  for (const node of order) {
    const before = kept[node];
    // One node has the block's own name: it is the item.
    if (before !== undefined && (node !== home || taken.includes(own))) {
      names[node] = before;
      continue;
    }
    const words = node === home ? [] : differences(space, itemAt(statesOf, node), usual);
    const fresh = freeName([own, ...words].join('_'), taken);
    taken.push(fresh);
    names[node] = fresh;
  }
  return names;
}

function differences(space: StateSpace, states: readonly number[], usual: number): string[] {
  return space.properties.flatMap((property, at) => {
    const digit = space.digit(itemAt(states, 0), at);
    const isShared = states.every((state) => space.digit(state, at) === digit);
    if (!isShared || digit === space.digit(usual, at)) return [];
    return [wordFor(property.name, itemAt(itemAt(space.values, at), digit))];
  });
}

/** `lit`, `not_lit`, `level_3`, `upper`. */
function wordFor(property: string, value: Value): string {
  if (typeof value === 'boolean') return value ? plainName(property) : `not_${plainName(property)}`;
  return typeof value === 'number'
    ? `${plainName(property)}_${value < 0 ? `minus_${-value}` : value}`
    : plainName(value);
}

/** How the engine keeps the states of a block, in words; undefined where there are too many. */
export function storageOf(mod: Mod, block: ResolvedBlock): Storage | undefined {
  if (block.space.tooLarge) return undefined;
  const { nodes, codes } = compileBlock(mod, block);
  return {
    codes,
    nodes: nodes.map(({ name, states, kind, byte }) => ({
      name: `${mod.header.namespace}:${name}`,
      states,
      byte:
        states.length === 1 && byte === undefined
          ? 'nothing'
          : kind === 'plain'
            ? 'which of them it is'
            : byte === 'facedir'
              ? 'how it is turned'
              : 'how it is turned, and which of them it is',
    })),
  };
}
