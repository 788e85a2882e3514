/** The Yard, beside the page: a world of a pack on ticks, its meshes, and what is said of it. */
import { readZip, type Files } from '../../core/bytes/index.ts';
import { loadPack } from '../../core/kits/index.ts';
import { directions, directionStep, vector, type Vec3 } from '../../core/space/index.ts';
import { count, messageOf } from '../../core/words/index.ts';
import {
  atlasOf,
  catalogueOf,
  chunkSide,
  chunksOf,
  drawingOf,
  eyesOf,
  groupTitle,
  flawsOf,
  itemIn,
  itemTitle,
  keptOf,
  Looks,
  meshChunk,
  meshItem,
  nameIn,
  playedAgain,
  Run,
  scenesOf,
  type Atlas,
  type Drawing,
  type ItemPlace,
  type KeptWorld,
  type MeshArrays,
  type PackWorld,
  type Region,
} from '../../core/yard/index.ts';
import { markerPicture } from './marker-picture.ts';
import { hereOf, regionOf } from './yard-here.ts';
import { sightsIn } from './yard-sights.ts';
import type {
  LoadedYard,
  LogEntry,
  MarkedRegion,
  SentChunk,
  YardAnswer,
  YardAsk,
  YardNow,
} from './yard-protocol.ts';

/** Everything of the pack that is open. */
interface Opened {
  files: Files;
  pack: PackWorld;
  languages: readonly string[];
  language: string | undefined;
  log: LogEntry[];
  title: string;
  version: string;
  atlas: Atlas;
  /** Whether the page has the pictures already. */
  isAtlasSent: boolean;
}

/** So many ticks are made up for at most when the machine was busy. */
const mostBehind = 4;
const bodiesWithin = 3;

let opened: Opened | undefined;
let run: Run | undefined;
let looks: Looks | undefined;
let pace = 1;
let wantsBodies = false;
let marked: Region | undefined;
let inRegion: MarkedRegion | undefined;
let timer: ReturnType<typeof setInterval> | undefined;
let lastTime = 0;
let waitingDeeds: Parameters<Run['tick']>[0] = [];

const say = (answer: YardAnswer, transfer: Transferable[] = []) =>
  postMessage(answer, { transfer });

onmessage = ({ data }: MessageEvent<YardAsk>) => {
  try {
    answer(data);
  } catch (error) {
    say({ say: 'problem', problem: messageOf(error) });
  }
};

function answer(asked: YardAsk): void {
  switch (asked.ask) {
    case 'open':
      load(readZip(asked.archive));
      begin(asked.scene, asked.kept, []);
      return;
    case 'reload':
      reload(readZip(asked.archive), opened?.language);
      return;
    case 'scene':
      begin(asked.scene, asked.kept, []);
      return;
    case 'deeds':
      waitingDeeds = [...(waitingDeeds ?? []), ...asked.deeds];
      if (pace === 0) tell(ticked());
      return;
    case 'pace':
      pace = asked.pace;
      beat();
      return;
    case 'step':
      tell(ticked());
      return;
    case 'bodies':
      wantsBodies = asked.isWanted;
      tell([]);
      return;
    case 'region':
      marked = asked.region;
      tell([]);
      return;
    case 'language':
      if (opened) reload(opened.files, asked.language);
      return;
    case 'sound':
      say({ say: 'sound', sound: asked.sound, bytes: opened?.pack.view.soundOf(asked.sound) });
      return;
    case 'item':
      sendItem(asked.item, asked.place);
      return;
    case 'keep':
      if (run) say({ say: 'kept', kept: keptOf(run), scene: run.scene.name });
      return;
    case 'record':
      if (run) say({ say: 'recorded', run: run.recorded() });
      return;
    case 'replay':
      replay(asked.run);
  }
}

function load(files: Files, wanted?: string): void {
  const { world: pack, log, ...loaded } = loadPack(files, wanted);
  const atlas = atlasOf(pack.view, pack.view.pictures, markerPicture);
  opened = {
    files,
    pack,
    log: [...log.map((text) => ({ text })), ...flawsOf(pack)],
    ...loaded,
    atlas,
    isAtlasSent: false,
  };
}

function reload(files: Files, language: string | undefined): void {
  const [before, kept, scene] = [opened, run && keptOf(run), run?.scene.name];
  load(files, language);
  begin(scene, kept, before && opened ? changesOf(before.files, opened.files) : []);
}

/** What is otherwise in the files of a pack than before, in words. */
function changesOf(before: Files, after: Files): string[] {
  const isSame = (a: Uint8Array, b: Uint8Array) =>
    a.length === b.length && a.every((byte, i) => byte === b[i]);
  const added = [...after.keys()].filter((file) => !before.has(file));
  const gone = [...before.keys()].filter((file) => !after.has(file));
  const other = [...after].flatMap(([file, bytes]) => {
    const was = before.get(file);
    return was && !isSame(was, bytes) ? [file] : [];
  });
  // What lists all the others is otherwise whenever they are.
  const told = other.filter((file) => file !== 'pack.json' && file !== 'registry.json');
  return [
    ...told.map((file) => `${file} is another`),
    ...added.map((file) => `${file} came`),
    ...gone.map((file) => `${file} is gone`),
  ];
}

function begin(scene: string | undefined, kept: KeptWorld | undefined, changed: string[]): void {
  if (!opened) return;
  const { pack } = opened;
  const held = run?.held;
  show(new Run(pack, { scene: scene ?? '', seed: 1, kept }), changed);
  if (held && itemIn(pack, held.item)) waitingDeeds = [{ do: 'hold', held }];
  tell([]);
  beat();
}

/** Brings another world before whoever looks. */
function show(next: Run, changed: string[]): void {
  run = next;
  looks = new Looks(next.pack, next.now.numbers);
  waitingDeeds = [];
  inRegion = undefined;
  sendLoaded(changed);
  next.now.takeSeen();
  sendChunks(chunksOf(next.now.cells.size));
}

function sendLoaded(changed: string[]): void {
  if (!opened || !run) return;
  const { pack, atlas, title, version, log, languages, language } = opened;
  const yard: LoadedYard = {
    title,
    version,
    tickRate: pack.tickRate,
    scene: run.scene.name,
    scenes: scenesOf(pack).map(({ name, says }) => ({ name, says })),
    signs: run.scene.signs,
    items: catalogueOf(pack).map((item) => ({
      id: item.id,
      title: itemTitle(pack, item),
      group: groupTitle(pack, item.group),
      does: item.tool ? 'digs' : item.bucket ? 'pours' : item.block ? 'places' : 'nothing',
    })),
    languages,
    language,
    soundSets: Object.fromEntries(pack.view.soundSets),
    sights: sightsIn(pack),
    log,
    changed,
    player: { yaw: run.player.yaw, pitch: run.player.pitch },
  };
  if (opened.isAtlasSent) {
    say({ say: 'loaded', yard });
    return;
  }
  opened.isAtlasSent = true;
  const { tileSide, perRow, levels, pictures } = atlas;
  say(
    { say: 'loaded', yard, atlas: { tileSide, perRow, levels, pictures } },
    levels.map(({ data }) => data.buffer),
  );
}

const drawnNow = (from: Opened, of: Run, shown: Looks): Drawing =>
  drawingOf(of.now, {
    looks: shown,
    pictureNumber: (id) => (id === undefined ? 0 : (from.atlas.numberOf.get(id) ?? 0)),
    fluidLook: (id) => {
      const { still, flowing, tint, alphaMode } = from.pack.view.fluidLooks.get(id) ?? {};
      return {
        ...(still !== undefined && { still }),
        ...(flowing !== undefined && { flowing }),
        ...(tint !== undefined && { tint }),
        isClear: alphaMode !== 'opaque',
      };
    },
  });

const buffersOf = ({ positions, uvs, tints, lights, pictures }: MeshArrays): Transferable[] => [
  positions.buffer,
  uvs.buffer,
  tints.buffer,
  lights.buffer,
  pictures.buffer,
];

function sendChunks(wanted: readonly Vec3[]): void {
  if (!opened || !run || !looks || wanted.length === 0) return;
  const drawing = drawnNow(opened, run, looks);
  const chunks: SentChunk[] = wanted.map((chunk) => ({ chunk, ...meshChunk(drawing, chunk) }));
  say(
    { say: 'chunks', chunks },
    chunks.flatMap(({ solid, clear }) => [...buffersOf(solid), ...buffersOf(clear)]),
  );
}

/** The chunks in which cells lie, or at whose rim they do: faces there look into them. */
function chunksAround(cells: readonly number[], [w, h, d]: Vec3): Vec3[] {
  const found = new Map<string, Vec3>();
  for (const index of cells) {
    const at: Vec3 = [index % w, Math.floor(index / (w * d)), Math.floor(index / w) % d];
    for (const way of [[0, 0, 0], ...directions.map(directionStep)] as Vec3[]) {
      const near = vector((axis) => at[axis] + way[axis]);
      const isInside = near.every((part, axis) => part >= 0 && part < [w, h, d][axis]!);
      const chunk = vector((axis) => Math.floor(near[axis] / chunkSide));
      if (isInside) found.set(chunk.join(' '), chunk);
    }
  }
  return [...found.values()];
}
function ticked(): YardNow['told'] {
  if (!run) return [];
  const deeds = waitingDeeds ?? [];
  waitingDeeds = [];
  return run.tick(deeds);
}

/** Lets the ticks go on at their pace. */
function beat(): void {
  clearInterval(timer);
  if (!opened || pace === 0) return;
  const each = 1000 / (opened.pack.tickRate * pace);
  lastTime = performance.now();
  timer = setInterval(() => {
    const due = Math.min(mostBehind, Math.floor((performance.now() - lastTime) / each));
    if (due < 1) return;
    lastTime = due === mostBehind ? performance.now() : lastTime + due * each;
    tell(Array.from({ length: due }).flatMap(ticked));
  }, each);
}

/** Tells the page how it stands, after it was brought up to what is drawn. */
function tell(told: YardNow['told']): void {
  if (!run || !opened) return;
  const seen = run.now.takeSeen();
  sendChunks(chunksAround(seen, run.now.cells.size));
  const isOther = inRegion?.from !== marked?.from || inRegion?.to !== marked?.to;
  if (isOther || seen.length) inRegion = marked && regionOf(run, marked);
  const { player, pack } = run;
  const eyes = eyesOf(player);
  const head = run.now.standingAt(vector((axis) => Math.floor(eyes[axis])));
  const called = (id: string) => nameIn(pack, id, pack.blocks.has(id) ? 'block' : 'item');
  say({
    say: 'now',
    now: {
      tick: run.ticks,
      hour: run.hour,
      player: {
        eyes,
        at: player.at,
        yaw: player.yaw,
        pitch: player.pitch,
        flies: player.flies,
        crouches: player.crouches,
        inFluid: head && 'fluid' in head ? head.fluid : undefined,
      },
      here: hereOf(run),
      dug: run.dugShare,
      held: run.held,
      flying: run.after.flying.map(({ drop, at }) => ({ item: drop.item, at })),
      collected: [...run.after.collected.values()].map((drop) => ({
        ...drop,
        title: called(drop.item),
      })),
      fires: run.after.fire.places,
      region: inRegion,
      told,
      bodies: wantsBodies ? bodiesAround(run) : [],
    },
  });
}

function bodiesAround({ now, player }: Run): YardNow['bodies'] {
  const at = vector((axis) => Math.floor(player.at[axis]));
  const found: YardNow['bodies'] = [];
  for (let y = -bodiesWithin; y <= bodiesWithin; y += 1)
    for (let z = -bodiesWithin; z <= bodiesWithin; z += 1)
      for (let x = -bodiesWithin; x <= bodiesWithin; x += 1) {
        const place: Vec3 = [at[0] + x, at[1] + y, at[2] + z];
        const bodies = now.factsAt(place).collision;
        const isCube = bodies.length === 1 && now.isSolid(place);
        if (bodies.length && !isCube) found.push({ place, bodies });
      }
  return found;
}

function sendItem(id: string, place: ItemPlace): void {
  const item = opened && itemIn(opened.pack, id);
  if (!opened || !run || !looks || !item) return;
  const { pictureNumber } = drawnNow(opened, run, looks);
  const mesh = meshItem(
    { pack: opened.pack, numbers: run.now.numbers, looks, pictureNumber },
    item,
    place,
  );
  say({ say: 'item', item: id, place, mesh }, buffersOf(mesh));
}

function replay(recorded: Extract<YardAsk, { ask: 'replay' }>['run']): void {
  if (!opened) return;
  const again = playedAgain(opened.pack, recorded);
  show(again, []);
  tell([{ told: 'note', text: `${count(recorded.ticks, 'tick')} were played again.` }]);
  const digest = again.digest();
  say({ say: 'replayed', digest, isSame: digest === recorded.digest });
}
