import type { Files } from '../../../../bytes/index.ts';
import { chunksOf, drawingOf, flawsOf, Looks, meshChunk, Run } from '../../../../yard/index.ts';
import { loadPack } from '../index.ts';

/** Loads a pack, stands in it for a second, and draws where its blocks stand; gives its whole log. */
export function stoodIn(pack: Files): string[] {
  const { world, log } = loadPack(pack);
  const run = new Run(world, { scene: 'Ground and wall', seed: 1 });
  for (let tick = 0; tick < 20; tick += 1)
    run.tick(tick === 5 ? [{ do: 'look', yaw: 0, pitch: -4000 }, { do: 'bring' }] : []);
  const looks = new Looks(world, run.now.numbers);
  const drawing = drawingOf(run.now, {
    looks,
    pictureNumber: () => 0,
    fluidLook: () => ({ isClear: true }),
  });
  meshChunk(drawing, chunksOf(run.now.cells.size)[4]!);
  return [...log, ...flawsOf(world).map(({ text }) => text)];
}

/** The ways in which one file of a pack is spoilt. */
export const spoilings = ['gone', 'cut in half', 'misspelt'] as const;
export type Spoiling = (typeof spoilings)[number];

const spoiledBytes: Record<Spoiling, (bytes: Uint8Array) => Uint8Array | undefined> = {
  gone: () => undefined,
  'cut in half': (bytes) => bytes.slice(0, bytes.length >> 1),
  misspelt: (bytes) =>
    new TextEncoder().encode(
      new TextDecoder().decode(bytes).replace(/saltmarsh:(\w)(\w)/, 'saltmarsh:$2$1'),
    ),
};

/** A pack of which one file is spoilt. */
export function spoilt(files: Files, path: string, how: Spoiling): Files {
  const after = new Map(files);
  const bytes = spoiledBytes[how](files.get(path)!);
  if (bytes) after.set(path, bytes);
  else after.delete(path);
  return after;
}

/** Files whose absence no log of looks can tell: others stand on their own without them. */
const isOptional = (path: string): boolean =>
  /^(rules\/(loot|tags|recipes|tools)|view\/(items|sounds|groups|words)|code|picture|.*strip)/.test(
    path,
  );

/** Whether a log has to say something of that: what is misspelt may be a name of another mod. */
export const mustBeTold = (path: string, how: Spoiling): boolean =>
  (how === 'gone' && !isOptional(path)) ||
  // The code is for programmers alone; what an engine makes of half a sound is its own.
  (how === 'cut in half' && !/^code|\.(wav|ogg)$/.test(path));

/** Whether a file is spoilt so at all: ids are misspelt in texts. */
export const isSpoilt = (path: string, how: Spoiling): boolean =>
  how !== 'misspelt' || path.endsWith('.json');
