import { beforeAll, describe, expect, jest, test } from '@jest/globals';
import { loadPack, engineKit } from '../../core/kits/index.ts';
import { writeBlockPack } from '../../core/kits/block-pack/write/index.ts';
import { checksOf, type Check } from '../../core/kits/minetest/verdict/index.ts';
import { rays } from '../../core/kits/minetest/verdict/rays.ts';
import { triedBlocks, type TriedBlock } from '../../core/kits/minetest/verdict/tried.ts';
import { shortfallsOf } from '../../core/kits/minetest/shortfalls.ts';
import { ladderTools } from '../../core/kits/minetest/write/digging.ts';
import { engineName } from '../../core/kits/minetest/write/names.ts';
import { flattened } from '../../core/families/index.ts';
import { readModFolder } from '../../core/folder/index.ts';
import { resolveBlocks, type Mod, type ReactionEvent } from '../../core/mod/index.ts';
import {
  directionStep,
  opposite,
  seededRandom,
  vector,
  type Direction,
  type Vec3,
} from '../../core/space/index.ts';
import type { State } from '../../core/states/index.ts';
import {
  aimedAt,
  drops,
  dug,
  factsOf,
  flood,
  moved,
  Numbers,
  placed,
  Yard,
  type Drop,
  type PackWorld,
  type Tool,
  type YardBlock,
} from '../../core/yard/index.ts';
import { readTree } from '../read.ts';
import { askEngine } from './ask.ts';

jest.setTimeout(600_000);

const diggings = 1500;
const middle: Vec3 = [3, 3, 3];
const size: Vec3 = [7, 7, 7];
const stone = { block: 'obrank:granite', state: 0 };

type Answer = unknown;
type Asked = Readonly<Record<string, unknown>>;
interface Node {
  tried: TriedBlock;
  block: YardBlock;
  /** The state that a node with a byte is. */
  stateOf: (byte: number) => number;
}

/**
 * The Yard as it answers what the engine is asked: from the files of the Block Pack alone. What the
 * engine calls a node and a byte is said as the block and the state that it stands for.
 */
class YardWitness {
  private readonly nodes = new Map<string, Node>();
  private readonly tools: Map<string, Tool | undefined>;
  private readonly random = seededRandom(4711);

  constructor(
    mod: Mod,
    private readonly world: PackWorld,
  ) {
    for (const tried of triedBlocks(mod)) {
      const block = world.blocks.get(tried.block.id)!;
      tried.names.forEach((name, node) => {
        const states = new Map(
          tried.codes.flatMap((code, state) =>
            code.node === node ? [[code.byte, state] as const] : [],
          ),
        );
        this.nodes.set(name, { tried, block, stateOf: (byte) => states.get(byte) ?? -1 });
      });
    }
    this.tools = new Map([
      ['', undefined],
      ...ladderTools(mod).map(({ name, tool }): [string, Tool] => [name, tool]),
    ]);
  }

  /** Undefined for what the Yard has nothing to say of: names and registration of the engine. */
  answer({ ask }: Check): Answer {
    const asked: Asked = ask;
    switch (ask.kind) {
      case 'placed':
        return this.placed(asked);
      case 'turned':
        return this.turned(asked);
      case 'digging':
        return this.digging(asked);
      case 'light':
        return this.light(asked);
      case 'rays':
        return this.rays(asked);
      case 'drops':
        return this.drops(asked);
      case 'reaction':
        return this.reaction(asked);
      default:
        return undefined;
    }
  }

  private node(asked: Asked): Node & { state: number } {
    const node = this.nodes.get(asked['node'] as string)!;
    return { ...node, state: node.stateOf((asked['byte'] as number | undefined) ?? 0) };
  }
  private say({ tried }: Node, state: number): [string, number] {
    const { node, byte } = tried.codes[state]!;
    return [tried.names[node]!, byte];
  }
  private empty(): Yard {
    return new Yard(size, this.world, { random: () => 1 - Number.EPSILON });
  }

  private placed(asked: Asked): Answer {
    const item = asked['item'] as string;
    const node = [...this.nodes.values()].find(({ block }) => engineName(block.id) === item)!;
    const side = asked['clicked'] as Direction;
    const yard = this.empty();
    const at = (where: Direction): Vec3 => plus(middle, directionStep(where));
    yard.lay(at(opposite(side)), stone);
    let hasSignal = false;
    for (const [where, name] of Object.entries(asked['neighbours'] as Record<string, string>)) {
      if (name === 'obrank_probe:signal') hasSignal = true;
      else if (name === 'obrank_probe:wall') yard.lay(at(where as Direction), stone);
      else {
        const { block, stateOf } = this.nodes.get(name)!;
        yard.lay(at(where as Direction), { block: block.id, state: stateOf(0) });
      }
    }
    for (const [where, one] of Object.entries(asked['beside'] as Record<string, Asked>)) {
      const { block, state } = this.node(one);
      yard.lay(at(where as Direction), { block: block.id, state });
    }
    const looks = lookOf(asked, side);
    const carried = Object.entries(asked['carried'] as Record<string, string>).map(
      ([name, word]) => [name, valueOf(node.block, name, word)] as const,
    );
    const click = {
      side,
      height: asked['half'] === 'upper' ? 0.75 : 0.25,
      looks,
      crouching: asked['crouching'] as boolean,
      carried: Object.fromEntries(carried) as State,
    };
    const around = { ...yard.aroundOf(middle, node.block), hasSignal };
    return this.say(node, placed(node.block, click, around).state);
  }

  private turned(asked: Asked): Answer {
    const node = this.node(asked);
    const states = [node.state];
    for (let n = 0; n < 3; n += 1) states.push(moved(node.block, states.at(-1)!, 'turned'));
    return states.slice(1).map((state) => this.say(node, state));
  }

  private digging(asked: Asked): Answer {
    const { block } = this.node(asked);
    return (asked['tools'] as string[]).map(
      (name) => dug(block, this.tools.get(name), this.world)?.seconds ?? -1,
    );
  }

  private facts(asked: Asked) {
    const { block, state } = this.node(asked);
    const numbers = new Numbers(this.world);
    return factsOf(this.world, numbers)(numbers.of({ block: block.id, state }));
  }

  /** Beside it in the open; then through it, in a tunnel with a lamp of 14 behind. */
  private light(asked: Asked): Answer {
    const { emits, absorbs } = this.facts(asked);
    const row: Vec3 = [3, 1, 1];
    const beside = (lamp: number) => {
      const levels = Uint8Array.from([lamp, emits, 0]);
      flood(levels, Uint8Array.from([lamp ? 15 : 0, absorbs, 0]), row);
      return levels[2]!;
    };
    return [beside(0), beside(14)];
  }

  private rays(asked: Asked): Answer {
    const { outline } = this.facts(asked);
    return rays.map((ray) => {
      // The engine's north is +Z; ours is −Z. Its nodes lie about their middles.
      const point = ([x, y, z]: readonly number[]): Vec3 => [x! + 3.5, y! + 3.5, 3.5 - z!];
      const [from, to] = [point(ray.slice(0, 3)), point(ray.slice(3))];
      const length = Math.hypot(...vector((axis) => to[axis] - from[axis]));
      const way = vector((axis) => (to[axis] - from[axis]) / length);
      const bodiesAt = (place: Vec3) => (place.join() === middle.join() ? outline : []);
      return aimedAt(from, way, length, bodiesAt)?.distance ?? -1;
    });
  }

  private drops(asked: Asked): Answer {
    const { block, state } = this.node(asked);
    const name = asked['tool'] as string;
    const [, kind, grade] = /^obrank_probe:careful_(\w+)_(\d+)$/.exec(name) ?? [];
    const careful = name.startsWith('obrank_probe:careful');
    const tool = kind === undefined ? this.tools.get(name) : { kind, grade: Number(grade) };
    const yields = dug(block, tool, this.world)?.yields ?? false;
    const breaking = { state: block.space.decode(state), tool, careful };
    const run = () => {
      const [tally, sums]: Record<string, number>[] = [{}, {}];
      for (let i = 0; i < (asked['times'] as number); i += 1) {
        const came = new Map<string, number>();
        const drawing = { tables: this.world.tables, random: this.random };
        for (const drop of yields ? drops(block.draws, breaking, drawing) : [])
          came.set(keyOf(drop), (came.get(keyOf(drop)) ?? 0) + drop.count);
        for (const [key, count] of came) {
          tally![key] = (tally![key] ?? 0) + 1;
          sums![key] = (sums![key] ?? 0) + count;
        }
      }
      return { tally, sums };
    };
    return [run(), run()];
  }

  private reaction(asked: Asked): Answer {
    const node = this.node(asked);
    const yard = this.empty();
    yard.put(plus(middle, directionStep('down')), stone);
    yard.tick();
    yard.put(middle, { block: node.block.id, state: node.state });
    yard.tick();
    const event = asked['event'] as ReactionEvent;
    yard.happen(middle, { event, ...(event === 'used' && { by: 'players' as const }) });
    yard.tick();
    const stands = yard.at(middle);
    if (!stands || !('block' in stands) || stands.block !== node.block.id) return ['air', 0, 0];
    return [...this.say(node, stands.state), yard.strengthAt(middle)];
  }
}

const plus = (a: Vec3, b: Vec3): Vec3 => vector((axis) => a[axis] + b[axis]);
const keyOf = ({ item, carries = {} }: Drop): string =>
  [
    engineName(item),
    ...Object.entries(carries).map(([name, value]) => `${name}=${String(value)}`),
  ].join(' ');
const valueOf = ({ space }: YardBlock, name: string, word: string) =>
  space.values[space.indexOf(name)]!.find((value) => String(value) === word);

/** Where whoever places looks, as the probe has it: ahead, a little toward what is clicked. */
function lookOf(asked: Asked, side: Direction): Vec3 {
  const against = directionStep(opposite(side));
  const ahead = directionStep(asked['looks'] as Direction);
  const pitch = asked['pitch'] as 'level' | 'up' | 'down';
  return pitch === 'level'
    ? vector((axis) => ahead[axis] + 0.4 * against[axis])
    : vector((axis) => 0.4 * ahead[axis] + directionStep(pitch)[axis] + 0.2 * against[axis]);
}

describe('three witnesses of the demo', () => {
  let mod: Mod;
  let checks: Check[];
  let engine: unknown[];
  let yard: Answer[];
  beforeAll(async () => {
    const { mod: declared, blobs } = readModFolder((await readTree('demo/saltmarsh')).files);
    mod = flattened(declared);
    const blobOf = (sha256: string) => blobs.get(sha256)!;
    const laid = engineKit.engine.lay(mod, engineKit.write(mod, blobOf), { diggings });
    const heard = await askEngine(engineKit.engine, laid);
    checks = checksOf(mod, diggings);
    engine = (heard.answers as { answers: unknown[] }).answers;
    const { world, log } = loadPack(writeBlockPack(mod, blobOf));
    expect(log).toEqual([]);
    const witness = new YardWitness(mod, world);
    yard = checks.map((check) => witness.answer(check));
  });

  const of = (...kinds: Check['ask']['kind'][]) =>
    checks.flatMap((check, i) =>
      kinds.includes(check.ask.kind) ? [{ check, engine: engine[i], yard: yard[i] }] : [],
    );

  test('placing, orientation and what is used: the Yard says what the engine says', () => {
    const asked = of('placed', 'reaction');
    const apart = asked.filter(({ engine: a, yard: b }) => JSON.stringify(a) !== JSON.stringify(b));
    expect(apart.map((one) => [one.check.about, one.engine, one.yard])).toEqual([]);
    expect(asked.length).toBeGreaterThan(500);
  });

  /** The states that nodes with bytes are read as: several bytes may mean the same one. */
  const statesRead = (answer: unknown): unknown[] => {
    const tried = triedBlocks(mod);
    return (answer as [string, number][]).map(([name, byte]) => {
      const one = tried.find(({ names }) => names.includes(name))!;
      return one.reads[one.names.indexOf(name)]!.get(byte) ?? [name, byte];
    });
  };

  /** Where the two say otherwise, and the kit has no sentence that says so before. */
  const unexplained = (kind: Check['ask']['kind'], words: RegExp) =>
    of(kind).filter(({ check, engine: a, yard: b }) => {
      const read = kind === 'turned' ? statesRead : (answer: unknown) => answer;
      if (JSON.stringify(read(a)) === JSON.stringify(read(b))) return false;
      const block = resolveBlocks(mod).find(({ name }) => name === check.of?.name)!;
      return !shortfallsOf(mod, block).some((one) => words.test(one.words));
    });

  test('turning: but for what the engine does not keep as a turn, which the kit says', () => {
    expect(unexplained('turned', /^Turned as part of a structure the engine leaves/)).toEqual([]);
    expect(unexplained('turned', /^Never$/).length).toBeGreaterThan(0);
  });

  test('light: but for what the engine lets light through, which the kit says', () => {
    const said = /lets light through|brightest light|loses one level/;
    expect(unexplained('light', said)).toEqual([]);
    expect(of('light').length).toBeGreaterThan(50);
  });

  test('dig times, outlines and drops: each within what the question allows', () => {
    const asked = of('digging', 'rays', 'drops');
    const apart = asked.flatMap(({ check, engine: a, yard: b }) => [
      ...[check.judge(a)].flatMap((one) => (one ? [['the engine', check.about, one]] : [])),
      ...[check.judge(b)].flatMap((one) => (one ? [['the Yard', check.about, one]] : [])),
    ]);
    expect(apart).toEqual([]);
    expect(asked.length).toBeGreaterThan(200);
  });
});
