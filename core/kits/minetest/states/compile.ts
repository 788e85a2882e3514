import { freeName, itemAt } from '../../../lists/index.ts';
import { lookUp, ownName, type Mod, type ResolvedBlock } from '../../../mod/index.ts';
import { turningOf } from '../../../placing/index.ts';
import type { StateSpace, Value } from '../../../states/index.ts';
import { turns } from '../format/turns.ts';
import { turnedBody, type Body } from './body.ts';
import type { Storage } from '../../kit.ts';
import { placesInTurn } from './in-turn.ts';
import {
  splitStates,
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
}

const known = new WeakMap<ResolvedBlock, { from: readonly unknown[]; compiled: CompiledBlock }>();

/** Everything of the mod that a block's nodes are made from. */
function madeFrom(mod: Mod, { looks }: ResolvedBlock): unknown[] {
  const { namespace, texels } = mod.header;
  const ids = new Set(looks.rows.flatMap(({ value }) => value.map(({ model }) => model)));
  const parts: unknown[] = [texels];
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
  const before = known.get(block);
  if (before?.from.length === from.length && before.from.every((one, i) => one === from[i]))
    return before.compiled;
  const { views, bodies } = viewsOf(mod, block);
  const { nodes, codes } = splitInTurn(block, views);
  const statesOf = nodes.map((): number[] => []);
  codes.forEach(({ node }, state) => itemAt(statesOf, node).push(state));
  const names = nodeNames(block, statesOf);
  const compiled: CompiledBlock = {
    block,
    codes,
    reads: readsOf(nodes, codes, views),
    nodes: nodes.map(({ kind, made, turn }, i): EngineNode => {
      const body = bodies.get(made)!;
      const states = itemAt(statesOf, i);
      const most = Math.max(...states.map((state) => itemAt(codes, state).byte));
      const byte =
        most === 0 || kind === 'plain' ? undefined : most < 24 ? 'facedir' : 'colorfacedir';
      return {
        name: itemAt(names, i),
        kind,
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
function splitInTurn({ space, declared }: ResolvedBlock, views: readonly StateView[]): Split {
  const fewest = splitStates(views);
  if (!fewest.nodes.some(({ kind }) => kind === 'turned')) return fewest;
  const { quarter } = turningOf(space, declared.states.placing ?? []);
  const before = { nodes: fewest.nodes, codes: placesInTurn(views, fewest.nodes, quarter) };
  const inTurn = splitStates(views, { before });
  return inTurn.nodes.length > fewest.nodes.length ? fewest : inTurn;
}

/** What each byte stands for: its own state, or one that looks the same under the byte's turn. */
function readsOf(
  nodes: Split['nodes'],
  codes: readonly StateCode[],
  views: readonly StateView[],
): Map<number, number>[] {
  const reads = nodes.map(() => new Map<number, number>());
  codes.forEach(({ node, byte }, state) => itemAt(reads, node).set(byte, state));
  codes.forEach(({ node, byte }, state) => {
    if (itemAt(nodes, node).kind !== 'turned') return;
    for (const turn of itemAt(views, state).turns) {
      const like = byte - (byte % 32) + turn;
      if (!itemAt(reads, node).has(like)) itemAt(reads, node).set(like, state);
    }
  });
  return reads;
}

/** Letters that the engine allows in a name. */
const plain = (name: string): string => name.replaceAll(/[^a-zA-Z0-9_]/g, '_');

/**
 * Names of the nodes of a block: its own for the default state, and for the others what all states
 * of a node have in common and the default state has not.
 */
function nodeNames({ name, space }: ResolvedBlock, statesOf: readonly (readonly number[])[]) {
  const usual = space.defaultState;
  const taken: string[] = [];
  const home = statesOf.findIndex((states) => states.includes(usual));
  const order = [home, ...statesOf.keys()].filter((node, i, all) => all.indexOf(node) === i);
  const names: string[] = [];
  for (const node of order) {
    const words = node === home ? [] : differences(space, itemAt(statesOf, node), usual);
    const own = freeName([plain(name), ...words].join('_'), taken);
    taken.push(own);
    names[node] = own;
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
  if (typeof value === 'boolean') return value ? plain(property) : `not_${plain(property)}`;
  return typeof value === 'number'
    ? `${plain(property)}_${value < 0 ? `minus_${-value}` : value}`
    : plain(value);
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
