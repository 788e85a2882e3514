import type {
  AtlasPicture,
  Body,
  Deed,
  Drop,
  Held,
  ItemPlace,
  KeptWorld,
  MeshArrays,
  RecordedRun,
  Region,
  Sign,
  Told,
  YardSounds,
} from '../../core/yard/index.ts';
import type { Direction, Vec3 } from '../../core/space/index.ts';

/** What the page asks of the Yard. */
export type YardAsk =
  | { ask: 'open'; archive: Uint8Array; scene?: string | undefined; kept?: KeptWorld | undefined }
  /** Another edition of the pack: the world stays as it is. */
  | { ask: 'reload'; archive: Uint8Array }
  | { ask: 'scene'; scene: string; kept?: KeptWorld | undefined }
  | { ask: 'deeds'; deeds: Deed[] }
  /** Ticks for each that should be: 0 stops it. */
  | { ask: 'pace'; pace: number }
  | { ask: 'step' }
  /** Whether the bodies round about are wanted. */
  | { ask: 'bodies'; isWanted: boolean }
  | { ask: 'item'; item: string; place: ItemPlace }
  /** What is marked, or that nothing is any more. */
  | { ask: 'region'; region?: Region | undefined }
  /** The names of things in another language of the pack. */
  | { ask: 'language'; language: string }
  | { ask: 'sound'; sound: string }
  | { ask: 'keep' }
  | { ask: 'record' }
  | { ask: 'replay'; run: RecordedRun };

/** An item of the catalogue, as one may hold it. */
export interface CatalogueItem {
  id: string;
  title: string;
  group: string;
  does: 'places' | 'digs' | 'pours' | 'nothing';
}

/** What is amiss in a pack that was loaded: in a sentence, and the block whose editor mends it. */
export interface LogEntry {
  text: string;
  block?: string | undefined;
}

/** How far one sees in a fluid, and its colour, channels as shares of 1. */
export interface Sight {
  blocks: number;
  colour: readonly [number, number, number];
}

/** A pack that was loaded, and what the Yard offers for it. */
export interface LoadedYard {
  title: string;
  version: string;
  tickRate: number;
  scene: string;
  scenes: { name: string; says: string }[];
  signs: Sign[];
  items: CatalogueItem[];
  /** The languages of the pack, and the one that things are called in. */
  languages: readonly string[];
  language: string | undefined;
  soundSets: Readonly<Record<string, YardSounds>>;
  /** By fluid: how far one sees in it, in blocks, and in which colour that ends. */
  sights: Readonly<Record<string, Sight>>;
  log: LogEntry[];
  /** What is otherwise than in the pack before, in words. */
  changed: string[];
  player: { yaw: number; pitch: number };
}

/** What is drawn: the pictures, all in one, and which of them is which. */
export interface SentAtlas {
  tileSide: number;
  perRow: number;
  levels: { side: number; data: Uint8Array }[];
  pictures: AtlasPicture[];
}

export interface SentChunk {
  chunk: Vec3;
  solid: MeshArrays;
  clear: MeshArrays;
}

/** A property of what stands before one, and why it is so. */
export interface HereProperty {
  name: string;
  value: string;
  why: string;
}

/** What one looks at, and all that can be said of it. */
export interface Here {
  place: Vec3;
  side: Direction;
  id: string;
  title: string;
  /** Nothing for what the pack does not have. */
  block?: {
    code: number;
    properties: HereProperty[];
    /** Nothing where nothing digs it. */
    digs?: { seconds: number; ticks: number; yields: boolean } | undefined;
    broken: number;
    drops: { item: string; title: string; dropped: number; expected: number | undefined }[];
    isBurning: boolean;
  };
  /** Whether a signal reaches it. */
  isSignalled: boolean;
  light: { block: number; day: number };
  outline: readonly Body[];
}

/** A region that is marked, and the states in it beside what moving it makes of them. */
export interface MarkedRegion extends Region {
  states: { title: string; cells: number; is: string; turned: string; mirrored: string }[];
}

/** The Yard after a tick. */
export interface YardNow {
  tick: number;
  hour: number;
  player: {
    eyes: Vec3;
    at: Vec3;
    yaw: number;
    pitch: number;
    flies: boolean;
    crouches: boolean;
    inFluid: string | undefined;
  };
  here: Here | undefined;
  dug: number;
  held: Held | undefined;
  flying: { item: string; at: Vec3 }[];
  collected: (Drop & { title: string })[];
  fires: readonly Vec3[];
  region: MarkedRegion | undefined;
  told: Told[];
  bodies: { place: Vec3; bodies: readonly Body[] }[];
}

export type YardAnswer =
  /** With the pictures, where the pack is another. */
  | { say: 'loaded'; yard: LoadedYard; atlas?: SentAtlas }
  | { say: 'chunks'; chunks: SentChunk[] }
  | { say: 'now'; now: YardNow }
  | { say: 'item'; item: string; place: ItemPlace; mesh: MeshArrays }
  | { say: 'sound'; sound: string; bytes: Uint8Array | undefined }
  | { say: 'kept'; kept: KeptWorld; scene: string }
  | { say: 'recorded'; run: RecordedRun }
  | { say: 'replayed'; digest: string; isSame: boolean }
  | { say: 'problem'; problem: string };
