import { freeName, itemAt } from '../../../lists/index.ts';
import { lookUp, ownName, type Mod, type ResolvedBlock } from '../../../mod/index.ts';
import type { StateSpace, Value } from '../../../states/index.ts';
import { turns } from '../format/turns.ts';
import { turnedBody, type Body } from './body.ts';
import { splitStates, type SplitNode, type StateCode } from './split.ts';
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
  const { nodes, codes } = splitStates(views);
  const statesOf = nodes.map((): number[] => []);
  codes.forEach(({ node }, state) => itemAt(statesOf, node).push(state));
  const names = nodeNames(block, statesOf);
  const compiled: CompiledBlock = {
    block,
    codes,
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
