import type { FluidPhysics } from '../fluids/index.ts';
import type { IsMeant, ReactingBlock } from '../reactions/index.ts';
import type { Direction, PlainBox } from '../space/index.ts';
import type { Value, When } from '../states/index.ts';

/** A value that depends on the state: the first row that matches wins. */
export type Rows<T> = readonly { when?: When | undefined; value: T }[];

/** A rule of placing, as a pack says it. */
export interface PlacingRule {
  set: string;
  to: string;
  side?: Direction | undefined;
  alike?: readonly string[] | undefined;
  value?: Value | undefined;
  otherwise?: Value | undefined;
  when?:
    | {
        clicked?: readonly Direction[] | undefined;
        half?: 'upper' | 'lower' | undefined;
        crouching?: boolean | undefined;
        signal?: boolean | undefined;
        solid?: readonly Direction[] | undefined;
      }
    | undefined;
}

/** How many: a number, the least and the most, or tries that each succeed by a chance. */
export type HowMany = number | readonly [number, number] | { tries: number; chance: number };

/** What must hold for a lot: everything that is named. */
export interface LotCondition {
  careful?: boolean | undefined;
  blast?: boolean | undefined;
  tool?: string | undefined;
  grade?: number | undefined;
  state?: When | undefined;
  chance?: number | undefined;
  all?: readonly LotCondition[] | undefined;
  any?: readonly LotCondition[] | undefined;
  not?: LotCondition | undefined;
}

export interface YardLot {
  give?: string | undefined;
  table?: string | undefined;
  count?: HowMany | undefined;
  share?: number | undefined;
  luck?: number | undefined;
  keeps?: readonly string[] | undefined;
  when?: LotCondition | undefined;
}

export interface YardDraw {
  times: HowMany;
  lots: readonly YardLot[];
}

/** How a block looks: which models its rows name, and how many of them are drawn. */
export interface YardLook {
  mode: 'one-of' | 'layered';
  rows: readonly { when?: When | undefined; use: readonly { model: string }[] }[];
}

/** A block as a pack says it. */
export interface YardBlock extends ReactingBlock {
  /** Seconds with bare hands. */
  hardness: number | 'unbreakable';
  blastRating: number;
  tool?: { kind: string; leastGrade: number } | undefined;
  gated: boolean;
  lightEmitted: Rows<number>;
  lightAbsorbed: Rows<number>;
  placement: readonly PlacingRule[];
  collision: Rows<readonly PlainBox[]>;
  /** What it drops; nothing where the pack has no file of that. */
  draws?: readonly YardDraw[] | undefined;
  look?: YardLook | undefined;
}

/** A grade of tools, and how many times faster it digs. */
export interface Grade {
  name: string;
  pace: number;
}

/** What a pack says of what moves and answers, from its files alone. */
export interface PackWorld {
  texels: number;
  tickRate: number;
  fluids: ReadonlyMap<string, FluidPhysics>;
  blocks: ReadonlyMap<string, YardBlock>;
  /** The kinds of tools, and the grades from the least. */
  tools: { kinds: readonly string[]; grades: readonly Grade[] };
  /** Loot tables by their ids. */
  tables: ReadonlyMap<string, readonly YardDraw[]>;
  /** The text of a key, such as `block.tide_lantern`, in the first language of the pack. */
  text: (key: string) => string | undefined;
  /** What does not resolve in a model and is drawn as the marker, in sentences. */
  flawsOfModel: (model: string) => readonly string[];
  /** Whether an id is meant by an id, or by a tag of the pack after a `#`. */
  isMeant: IsMeant;
}
