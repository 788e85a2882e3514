import { lookUp, ownName, type Mod, type SoundSet } from '../../../mod/index.ts';
import type { BlobOf } from '../../kit.ts';
import type { LuaValue } from './lua.ts';
import { fileName } from './names.ts';

/** Which event of the engine plays which of ours. */
const events = {
  place: 'place',
  step: 'footstep',
  dig: 'dig',
  break: 'dug',
  land: 'fall',
} as const;
type Event = keyof typeof events;

/** The engine chooses evenly among so many files of one name. */
export const mostAlternatives = 10;

const setOf = (mod: Mod, id: string): [string, SoundSet] | undefined => {
  const name = ownName(mod.header.namespace, id);
  const set = name === undefined ? undefined : lookUp(mod.soundSets, name);
  return name !== undefined && set ? [name, set] : undefined;
};

/** The Ogg files of an event, at most as many as the engine chooses among. */
function playable(mod: Mod, set: SoundSet, event: Event) {
  return (set[event] ?? [])
    .flatMap((one) => {
      const name = ownName(mod.header.namespace, one.sound);
      const sound = name === undefined ? undefined : lookUp(mod.sounds, name);
      return sound?.format === 'ogg' ? [{ ...one, sha256: sound.sha256 }] : [];
    })
    .slice(0, mostAlternatives);
}

const middle = (range: readonly [number, number] | undefined): number =>
  range ? (range[0] + range[1]) / 2 : 1;

/** The sounds of a node: one name for each event, as loud and as high as its files are on average. */
export function soundsOf(mod: Mod, id: string): LuaValue {
  const found = setOf(mod, id);
  if (!found) return undefined;
  const [name, set] = found;
  const specs = (Object.keys(events) as Event[]).flatMap((event) => {
    const files = playable(mod, set, event);
    if (!files.length) return [];
    const mean = (of: 'volume' | 'pitch') =>
      files.reduce((sum, one) => sum + middle(one[of]), 0) / files.length;
    const spec = {
      name: fileName(mod.header.namespace, `${name}_${event}`),
      gain: mean('volume'),
      pitch: mean('pitch'),
    };
    return [[events[event], spec] as const];
  });
  return specs.length ? Object.fromEntries(specs) : undefined;
}

/** The sound files of a mod, by the names that the engine finds them under. */
export function soundFiles(mod: Mod, blobOf: BlobOf): Map<string, Uint8Array> {
  const files = new Map<string, Uint8Array>();
  for (const [name, set] of Object.entries(mod.soundSets))
    for (const event of Object.keys(events) as Event[])
      playable(mod, set, event).forEach(({ sha256 }, i) =>
        files.set(
          `sounds/${fileName(mod.header.namespace, `${name}_${event}`)}.${i}.ogg`,
          blobOf(sha256),
        ),
      );
  return files;
}
