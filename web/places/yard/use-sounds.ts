import { useEffect } from 'react';
import { playedFor, type Played } from '../../../core/sounds/index.ts';
import type { Vec3 } from '../../../core/space/index.ts';
import type { Told } from '../../../core/yard/index.ts';
import { playSamples, samplesAt, samplesIn, stockSet } from '../../api/sounds.ts';
import type { YardClient } from '../../api/yard.ts';
import type { YardNow } from '../../workers/yard-protocol.ts';

/** So far away a sound is heard, in blocks; and of one tick so many of them. */
const heardWithin = 24;
const mostAtOnce = 5;
const stock = 'obrank:';

/** Lets one hear what is told of the world, from where it comes, while `isOn`. */
export function useSounds(client: YardClient, isOn: boolean): void {
  useEffect(() => {
    if (!isOn) return undefined;
    const known = new Map<string, Promise<AudioBuffer>>();
    let { yard } = client.view;
    return client.onTick((now) => {
      if (yard !== client.view.yard) known.clear();
      yard = client.view.yard;
      const heard = now.told.flatMap((told) => heardOf(told, client));
      for (const { place, played } of heard.slice(0, mostAtOnce)) {
        const { volume, pan } = from(place, now.player);
        if (volume === 0) continue;
        // What cannot be decoded is told by inspection; here it is not heard.
        samplesOf(client, played.sound, known)
          .then((samples) =>
            playSamples(samples, { volume: volume * played.volume, pitch: played.pitch, pan }),
          )
          .catch(() => undefined);
      }
    });
  }, [client, isOn]);
}

function heardOf(told: Told, { view }: YardClient): { place: Vec3; played: Played }[] {
  if (told.told === 'heard')
    return [{ place: told.place, played: { sound: told.sound, volume: 1, pitch: 1 } }];
  if (told.told !== 'sound') return [];
  const set = told.set.startsWith(stock)
    ? stockSet(told.set)
    : (view.yard?.soundSets[told.set] ?? {});
  const played = playedFor(set, told.event, Math.random);
  return played ? [{ place: told.place, played }] : [];
}

/** How loud something is, and from how far to the left or right, for whoever stands somewhere. */
function from(place: Vec3, { eyes, yaw }: YardNow['player']): { volume: number; pan: number } {
  const [x, y, z] = place.map((part, axis) => part + 0.5 - eyes[axis]!) as [number, number, number];
  const distance = Math.hypot(x, y, z);
  const turn = (yaw / 180) * Math.PI;
  const right = x * Math.cos(turn) + z * Math.sin(turn);
  return {
    volume: Math.max(0, 1 - distance / heardWithin),
    pan: distance < 1 ? 0 : Math.max(-1, Math.min(1, right / distance)) * 0.8,
  };
}

function samplesOf(
  client: YardClient,
  sound: string,
  known: Map<string, Promise<AudioBuffer>>,
): Promise<AudioBuffer> {
  if (sound.startsWith(stock)) return samplesAt(`/stock/${sound.slice(stock.length)}.wav`);
  const found =
    known.get(sound) ??
    client.soundOf(sound).then((bytes) => {
      if (!bytes) throw new Error(`The pack has no sound ${sound}.`);
      return samplesIn(bytes);
    });
  known.set(sound, found);
  return found;
}
