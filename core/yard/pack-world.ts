import type { FluidPhysics } from '../fluids/index.ts';
import type { IsMeant, ReactingBlock } from '../reactions/index.ts';
import type { Axis, Direction, PlainBox, Side, Vec3 } from '../space/index.ts';
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

/** One of the models that a row may show, how it is turned, and its share of the places. */
export interface YardCandidate {
  model: string;
  front: Direction;
  top: Direction;
  upright?: boolean | undefined;
  share?: number | undefined;
}

/** How a block is drawn, whatever it shows. */
export interface YardDisplay {
  alphaMode: 'opaque' | 'mask' | 'blend';
  alphaCutoff?: number | undefined;
  hidesNeighbours: 'whole' | 'by side' | 'by shape' | 'never';
  joinsOwnKind: boolean;
  /** `none`, what the climate chooses (`grass`, `leaf`, `water`), or a colour. */
  tint: string;
  /** In texels. */
  scatter: number;
  shadedCorners: boolean;
  soundSet: string;
}

/** How a block looks: which models its rows name, and how many of them are drawn. */
export interface YardLook {
  mode: 'one-of' | 'layered';
  display: YardDisplay;
  rows: readonly { when?: When | undefined; use: readonly YardCandidate[] }[];
}

/** A side of a box: its slot, and which part of the picture it shows, how. */
export interface YardSide {
  slot: string;
  crop?: readonly number[] | undefined;
  quarters?: number | undefined;
  mirrored?: boolean | undefined;
  untinted?: boolean | undefined;
}

/** A box of a model as the pack says it, in the measure of the model. */
export interface YardBox {
  at: Vec3;
  size: Vec3;
  spin?: { about: Axis; by: number; pivot: Vec3 } | undefined;
  sides: Readonly<Partial<Record<Side, YardSide | undefined>>>;
}

/** A model as the pack says it: boxes of its own, or those of its template; slots filled. */
export interface YardModel {
  template?: string | undefined;
  slots?: Readonly<Record<string, string>> | undefined;
  boxes?: readonly YardBox[] | undefined;
  /** So many of its lengths make a block. */
  texels: number;
}

/** A picture of a pack: frames from the top, and which of them shows for how many ticks. */
export interface YardPicture {
  /** Of one frame, in texels. */
  width: number;
  height: number;
  frames: number;
  steps: readonly { frame: number; ticks: number }[];
  blend: boolean;
  /** RGBA, all frames, rows from the top; undefined where the file cannot be read. */
  pixels: () => Uint8Array | undefined;
}

/** What a fluid looks like. */
export interface YardFluidLook {
  still?: string | undefined;
  flowing?: string | undefined;
  alphaMode?: 'opaque' | 'blend' | undefined;
  tint?: string | undefined;
  sight?: number | undefined;
}

/** An item: what it places, digs or pours, and where the catalogue has it. */
export interface YardItem {
  id: string;
  block?: string | undefined;
  model?: string | undefined;
  texture?: string | undefined;
  form: 'block' | 'flat';
  group?: string | undefined;
  tool?: { kind: string; grade: number } | undefined;
  bucket?: { of: string; empty: string } | undefined;
  poses?:
    Readonly<Partial<Record<'hand' | 'ground' | 'catalogue', YardPose | undefined>>> | undefined;
}

/** How an item sits: turned by degrees, about y, x and then z; scaled; moved by sixteenths. */
export interface YardPose {
  turn: Vec3;
  scale: number;
  shift: Vec3;
}

/** What is heard when something is done to a block: for each event sounds, one of which is drawn. */
export type YardSounds = Readonly<
  Record<
    string,
    | readonly {
        sound: string;
        volume?: readonly [number, number] | undefined;
        pitch?: readonly [number, number] | undefined;
      }[]
    | undefined
  >
>;

/** What a pack says of how things look and where they are found. */
export interface PackView {
  modelOf: (id: string) => YardModel | undefined;
  pictureOf: (id: string) => YardPicture | undefined;
  /** The ids of all pictures. */
  pictures: readonly string[];
  fluidLooks: ReadonlyMap<string, YardFluidLook>;
  /** By set and event: which sounds, how loud and how high. */
  soundSets: ReadonlyMap<string, YardSounds>;
  /** The bytes of a sound of the pack. */
  soundOf: (id: string) => Uint8Array | undefined;
  /** In the order of the catalogue. */
  items: readonly YardItem[];
  groups: readonly string[];
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
  outline: Rows<readonly PlainBox[]>;
  friction: Rows<number>;
  bounce?: number | undefined;
  speedOnTop?: number | undefined;
  dragInside?: number | undefined;
  harmOnTouch?: number | undefined;
  catchesFire: number;
  burnsAway: number;
  /** What it drops; nothing where the pack has no file of that. */
  draws?: readonly YardDraw[] | undefined;
  look?: YardLook | undefined;
}

/** A grade of tools, and how many times faster it digs. */
export interface Grade {
  name: string;
  pace: number;
}

/** A fluid as a pack says it: how it spreads, and what it does to who is in it. */
export interface YardFluid extends FluidPhysics {
  drag?: number | undefined;
  harm?: number | undefined;
  /** What it does to the fire on who is in it. */
  fire?: 'puts out' | 'sets' | undefined;
  light?: number | undefined;
  absorbs?: number | undefined;
}

/** What a pack says of what moves and answers, from its files alone. */
export interface PackWorld {
  namespace: string;
  texels: number;
  tickRate: number;
  fluids: ReadonlyMap<string, YardFluid>;
  /** Its own, and the stock materials. */
  blocks: ReadonlyMap<string, YardBlock>;
  /** The ids of the stock materials, which stand in every world. */
  stock: ReadonlySet<string>;
  /** The kinds of tools, and the grades from the least. */
  tools: { kinds: readonly string[]; grades: readonly Grade[] };
  /** Loot tables by their ids. */
  tables: ReadonlyMap<string, readonly YardDraw[]>;
  view: PackView;
  /** The code under which a state of a block is stored. */
  codeOf: (block: string, state: number) => number;
  /** The text of a key, such as `block.tide_lantern`; undefined where no language has it. */
  text: (key: string) => string | undefined;
  /** By kind and a name that saved worlds may hold: what stands for it now. */
  standIns: ReadonlyMap<string, string>;
  /** What does not resolve in a model and is drawn as the marker, in sentences. */
  flawsOfModel: (model: string) => readonly string[];
  /** Whether an id is meant by an id, or by a tag of the pack after a `#`. */
  isMeant: IsMeant;
}

/** The blocks of the pack itself, without the stock materials. */
export const ownBlocks = ({ blocks, stock }: PackWorld): YardBlock[] =>
  [...blocks.values()].filter(({ id }) => !stock.has(id));
