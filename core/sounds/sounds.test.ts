import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { playedFor, readSound, SoundProblem } from './index.ts';

interface Wav { kind?: number; bits?: number; channels?: number; rate?: number; samples: number[] }

/** A WAV file of samples from −1 to 1. */
function wav({ kind = 1, bits = 16, channels = 1, rate = 22_050, samples }: Wav): Uint8Array {
  const wide = bits / 8;
  const bytes = new Uint8Array(44 + samples.length * wide);
  const view = new DataView(bytes.buffer);
  const text = (at: number, word: string) => [...word].forEach((char, i) => view.setUint8(at + i, char.charCodeAt(0)));
  text(0, 'RIFF'); view.setUint32(4, bytes.length - 8, true); text(8, 'WAVEfmt '); view.setUint32(16, 16, true);
  view.setUint16(20, kind, true); view.setUint16(22, channels, true); view.setUint32(24, rate, true); view.setUint32(28, rate * wide * channels, true); view.setUint16(32, wide * channels, true); view.setUint16(34, bits, true);
  text(36, 'data'); view.setUint32(40, samples.length * wide, true);
  samples.forEach((value, i) => {
    const at = 44 + i * wide;
    if (kind === 3) view.setFloat32(at, value, true);
    else if (bits === 8) view.setUint8(at, Math.round(value * 127) + 128);
    else if (bits === 16) view.setInt16(at, Math.round(value * 32_767), true);
    else if (bits === 24) { const whole = Math.round(value * 8_388_607); view.setUint16(at, whole & 0xffff, true); view.setInt8(at + 2, whole >> 16); } else view.setInt32(at, Math.round(value * 2_147_483_647), true);
  });
  return bytes;
}

/** An Ogg file of pages: each a body and the position at its end. */
function ogg(pages: [Uint8Array, number][]): Uint8Array {
  return Uint8Array.from(pages.flatMap(([body, position]) => {
    const lacing = [...new Array<number>(Math.floor(body.length / 255)).fill(255), body.length % 255];
    const head = new Uint8Array(27);
    const view = new DataView(head.buffer);
    [...'OggS'].forEach((char, i) => view.setUint8(i, char.charCodeAt(0)));
    view.setUint32(6, position % 2 ** 32, true);
    view.setUint8(26, lacing.length);
    return [...head, ...lacing, ...body];
  }));
}
const ascii = (text: string) => [...text].map((char) => char.charCodeAt(0));
const vorbis = (channels: number, rate: number) => Uint8Array.from([...ascii('\u0001vorbis'), 0, 0, 0, 0, channels, rate & 255, (rate >> 8) & 255, (rate >> 16) & 255, 0, ...new Array<number>(14).fill(0)]);

test.each([[1, 8, 0.01], [1, 16, 1e-4], [1, 24, 1e-6], [1, 32, 1e-8], [3, 32, 1e-7]])('WAV of kind %d with %d bits: length, channels, rate and peak', (kind, bits, near) => {
  const facts = readSound(wav({ kind, bits, channels: 2, rate: 8000, samples: [0, 0.1, -0.5, 0.25, 0.2, -0.75, 0, 0] }));
  expect(facts).toMatchObject({ format: 'wav', seconds: 4 / 8000, channels: 2, rate: 8000, clipped: false });
  expect(Math.abs(facts.peak! - 0.75)).toBeLessThan(near);
});

test('three samples running at full scale are clipping, two are not, and channels are told apart', () => {
  expect(readSound(wav({ samples: [0, 1, 1, 1, 0] })).clipped).toBe(true);
  expect(readSound(wav({ samples: [0, 1, 1, 0, 1] })).clipped).toBe(false);
  expect(readSound(wav({ channels: 2, samples: [1, 0, 1, 0, 0, 1] })).clipped).toBe(false);
});

test('Ogg: Vorbis tells its rate, Opus always has 48,000 and leaves out what it skips', () => {
  expect(readSound(ogg([[vorbis(2, 44_100), 0], [new Uint8Array(600), 22_050]]))).toEqual({ format: 'ogg', seconds: 0.5, channels: 2, rate: 44_100 });
  expect(readSound(ogg([[Uint8Array.from([...ascii('OpusHead'), 1, 1, 0x38, 0x01, 0, 0, 0, 0, 0, 0, 0]), 0], [new Uint8Array(30), 24_312]]))).toEqual({ format: 'ogg', seconds: 0.5, channels: 1, rate: 48_000 });
});

test.each<[string, Uint8Array, RegExp]>([
  ['something else', Uint8Array.from([1, 2, 3]), /neither a WAV nor an Ogg/],
  ['a WAV cut short', wav({ samples: [0, 0, 0, 0] }).subarray(0, 48), /cut short: it promises 8 bytes of samples and has 4/],
  ['a WAV without samples', wav({ samples: [] }), /no samples/],
  ['a WAV of unknown kind', wav({ kind: 85, samples: [0] }), /kind 85 with 16 bits/],
  ['an Ogg cut short', ogg([[vorbis(1, 8000), 0], [new Uint8Array(40), 80]]).subarray(0, 90), /cut short/],
  ['an Ogg of something else', ogg([[new Uint8Array(40), 0]]), /neither Vorbis nor Opus/],
  ['an Ogg without samples', ogg([[vorbis(1, 8000), 0]]), /no samples/],
])('%s is refused with a sentence', (_, bytes, sentence) => {
  expect(() => readSound(bytes)).toThrow(sentence);
});

test('whatever the bytes are, the answer is facts or a sentence', () => fc.assert(fc.property(fc.uint8Array({ maxLength: 200 }), fc.constantFrom('RIFF', 'OggS', ''), (tail, mark) => {
  const bytes = Uint8Array.from([...ascii(mark), ...(mark === 'RIFF' ? [...tail.slice(0, 4), ...ascii('WAVEfmt ')] : []), ...tail]);
  try {
    expect(readSound(bytes).seconds).toBeGreaterThan(0);
  } catch (error) {
    expect(error).toBeInstanceOf(SoundProblem);
  }
})));

test('the game plays one file of the event, with volume and pitch within their ranges; nothing where there is none', () => fc.assert(fc.property(fc.double({ min: 0, max: 0.999, noNaN: true }), (even) => {
  const set = { step: [{ sound: 's:a', volume: [0.3, 0.5] as [number, number], pitch: [0.9, 1.1] as [number, number] }, { sound: 's:b' }] };
  const played = playedFor(set, 'step', () => even)!;
  expect(played.sound).toBe(even < 0.5 ? 's:a' : 's:b');
  if (played.sound === 's:a') expect([played.volume >= 0.3 && played.volume <= 0.5, played.pitch >= 0.9 && played.pitch <= 1.1]).toEqual([true, true]);
  else expect(played).toEqual({ sound: 's:b', volume: 1, pitch: 1 });
  expect(playedFor(set, 'land', () => even)).toBeUndefined();
})));
