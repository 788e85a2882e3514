import { chance } from './canvas.ts';

const rate = 22_050;

interface Noise {
  seconds: number;
  decay: number;
  low: number;
  bursts?: number;
  tone?: number;
  seed: number;
}

/**
 * A short sound: filtered noise that dies away, in one or more bursts, over an optional ringing
 * tone. Written as PCM WAV, 16 bits, one channel (Multimedia Programming Interface 1.0, IBM and
 * Microsoft, 1991).
 */
export function sound({ seconds, decay, low, bursts = 1, tone = 0, seed }: Noise): Uint8Array {
  const random = chance(seed);
  const length = Math.round(seconds * rate);
  const samples = new Float64Array(length);
  let smooth = 0;
  for (let i = 0; i < length; i += 1) {
    const burst = ((i * bursts) / length) % 1;
    smooth += (random() * 2 - 1 - smooth) * low;
    const ring = tone
      ? Math.sin((2 * Math.PI * tone * i) / rate) * 0.5 +
        Math.sin((2 * Math.PI * tone * 2.76 * i) / rate) * 0.25
      : 0;
    samples[i] = smooth * Math.exp(-burst * decay) + ring * Math.exp((-i / length) * 5);
  }
  const peak = samples.reduce((most, value) => Math.max(most, Math.abs(value)), 1e-9);
  const bytes = new Uint8Array(44 + length * 2);
  const view = new DataView(bytes.buffer);
  const text = (at: number, word: string) =>
    [...word].forEach((char, i) => view.setUint8(at + i, char.charCodeAt(0)));
  text(0, 'RIFF');
  view.setUint32(4, 36 + length * 2, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * 2, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  text(36, 'data');
  view.setUint32(40, length * 2, true);
  samples.forEach((value, i) =>
    view.setInt16(44 + i * 2, Math.round((value / peak) * 0.7 * 32767), true),
  );
  return bytes;
}

/** Every sound of the demo mod by the path of its name. */
export const sounds: Record<string, () => Uint8Array> = {
  'crust/step': () => sound({ seconds: 0.12, decay: 7, low: 0.7, bursts: 2, seed: 1 }),
  'crust/break': () => sound({ seconds: 0.3, decay: 5, low: 0.6, bursts: 4, seed: 2 }),
  'thatch/step': () => sound({ seconds: 0.14, decay: 5, low: 0.22, seed: 3 }),
  'thatch/break': () => sound({ seconds: 0.28, decay: 6, low: 0.3, bursts: 3, seed: 4 }),
  'brine/wade': () => sound({ seconds: 0.3, decay: 3, low: 0.12, bursts: 2, seed: 7 }),
  'brine/pour': () => sound({ seconds: 0.5, decay: 2, low: 0.3, bursts: 3, seed: 8 }),
  'lantern/step': () => sound({ seconds: 0.2, decay: 9, low: 0.4, tone: 1480, seed: 5 }),
  'lantern/break': () =>
    sound({ seconds: 0.38, decay: 8, low: 0.9, bursts: 2, tone: 1120, seed: 6 }),
};

/** How the stock sets sound: what their noise is like, and what rings along. */
const stockCharacters: Record<string, Omit<Noise, 'seconds' | 'seed'>> = {
  thatch: { decay: 5, low: 0.25, bursts: 2 },
  cloth: { decay: 8, low: 0.08 },
  glass: { decay: 11, low: 0.95, tone: 2350 },
  sand: { decay: 4, low: 0.55 },
  soil: { decay: 7, low: 0.14 },
  stone: { decay: 10, low: 0.7 },
  timber: { decay: 11, low: 0.3, tone: 290 },
  metal: { decay: 12, low: 0.8, tone: 980 },
};
/** How long each event lasts, and how much of the character it has. */
const stockEvents: Record<string, { seconds: number; bursts: number; pitch: number }> = {
  place: { seconds: 0.16, bursts: 1, pitch: 0.9 },
  step: { seconds: 0.1, bursts: 1, pitch: 1.1 },
  dig: { seconds: 0.12, bursts: 1, pitch: 0.8 },
  break: { seconds: 0.3, bursts: 3, pitch: 1 },
  land: { seconds: 0.2, bursts: 1, pitch: 0.7 },
};

/** The sounds of the stock sets, one for each event, by set and event. */
export const stockSounds: Record<string, () => Uint8Array> = Object.fromEntries(
  Object.entries(stockCharacters).flatMap(([set, character], s) =>
    Object.entries(stockEvents).map(([event, { seconds, bursts, pitch }], e) => [
      `${set}/${event}`,
      () =>
        sound({
          ...character,
          seconds,
          bursts: bursts * (character.bursts ?? 1),
          low: Math.min(1, character.low * pitch),
          ...(character.tone !== undefined && { tone: character.tone * pitch }),
          seed: 100 + s * 10 + e,
        }),
    ]),
  ),
);
