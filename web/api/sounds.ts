import { pointer } from '../../core/json/index.ts';
import { lookUp, nameFrom, ownName, type Mod, type SoundSet } from '../../core/mod/index.ts';
import type { Played } from '../../core/sounds/index.ts';
import { endpoints } from '../../core/api/index.ts';
import { blobAddress } from './address.ts';
import { call } from './client.ts';
import type { Session } from './session.ts';

/** The events of a sound set of the stock: one file each. */
export const stockSet = (id: string): SoundSet =>
  Object.fromEntries(
    (['place', 'step', 'dig', 'break', 'land'] as const).map((event) => [
      event,
      [{ sound: `${id}/${event}`, volume: [0.7, 0.9], pitch: [0.95, 1.05] }],
    ]),
  );

/**
 * Where the bytes of a sound are: of the mod by their digest, of the stock as files beside the
 * page. Undefined when there is no such sound.
 */
export function addressOf(mod: Mod, id: string): string | undefined {
  if (id.startsWith('obrank:')) return `/stock/${id.slice('obrank:'.length)}.wav`;
  const sound = lookUp(mod.sounds, ownName(mod.header.namespace, id) ?? '');
  return sound && blobAddress(sound.sha256);
}

let context: AudioContext | undefined;
const decoded = new Map<string, Promise<AudioBuffer>>();

/** The samples of a sound as the browser decodes them. */
export function samplesAt(address: string): Promise<AudioBuffer> {
  context ??= new AudioContext();
  let known = decoded.get(address);
  if (!known) {
    known = fetch(address)
      .then((answer) => answer.arrayBuffer())
      .then((bytes) => context!.decodeAudioData(bytes));
    decoded.set(address, known);
    known.catch(() => decoded.delete(address));
  }
  return known;
}

/** The samples of a sound whose bytes are at hand. Rejects for what the browser cannot decode. */
export function samplesIn(bytes: Uint8Array): Promise<AudioBuffer> {
  context ??= new AudioContext();
  return context.decodeAudioData(bytes.slice().buffer);
}

/** Plays a sound as the game would. Throws when the browser cannot decode it. */
export async function play(mod: Mod, { sound, volume, pitch }: Played): Promise<void> {
  const address = addressOf(mod, sound);
  if (!address) throw new Error(`There is no sound called ${sound}.`);
  const buffer = await samplesAt(address).catch(() => {
    throw new Error(`The browser cannot decode ${sound}.`);
  });
  await playSamples(buffer, { volume, pitch });
}

/** Plays samples: so loud, so much faster, and from so far to the left (−1) or right (1). */
export async function playSamples(
  samples: AudioBuffer,
  { volume, pitch, pan = 0 }: { volume: number; pitch: number; pan?: number },
): Promise<void> {
  context ??= new AudioContext();
  await context.resume();
  const source = context.createBufferSource();
  source.buffer = samples;
  source.playbackRate.value = pitch;
  const out = [
    new GainNode(context, { gain: volume }),
    ...(pan === 0 ? [] : [new StereoPannerNode(context, { pan })]),
    context.destination,
  ];
  out.reduce<AudioNode>((from, to) => from.connect(to), source);
  source.start();
}

/**
 * Sends a WAV or Ogg file to the server and, once it has been accepted, makes it a sound of the
 * mod. Throws with the server's reason when it is refused.
 */
export async function uploadSound(session: Session, name: string, file: Blob): Promise<void> {
  const type = file.type || 'application/octet-stream';
  const sound = await call(endpoints.uploadSound, {}, { file: { bytes: file, type } });
  const before = lookUp(session.view.mod.sounds, name);
  session.edit(before ? `Replace the sound ${name}` : `Import the sound ${name}`, [
    { path: pointer(['sounds', name]), before, after: sound },
  ]);
}

/** A name for a sound from a file's name. */
export const soundNameOf = (file: string): string =>
  nameFrom(file.replace(/\.(wav|ogg)$/i, '')) || 'sound';
