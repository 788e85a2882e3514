import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { playedFor, readSound, SoundProblem } from './index.ts';
import { pageChecksum } from './ogg.ts';

interface Wav {
  kind?: number;
  bits?: number;
  channels?: number;
  rate?: number;
  samples: number[];
}

/** A WAV file of samples from −1 to 1. */
function wav({ kind = 1, bits = 16, channels = 1, rate = 22_050, samples }: Wav): Uint8Array {
  const wide = bits / 8;
  const bytes = new Uint8Array(44 + samples.length * wide);
  const view = new DataView(bytes.buffer);
  const text = (at: number, word: string) =>
    [...word].forEach((char, i) => view.setUint8(at + i, char.charCodeAt(0)));
  text(0, 'RIFF');
  view.setUint32(4, bytes.length - 8, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, kind, true);
  view.setUint16(22, channels, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * wide * channels, true);
  view.setUint16(32, wide * channels, true);
  view.setUint16(34, bits, true);
  text(36, 'data');
  view.setUint32(40, samples.length * wide, true);
  samples.forEach((value, i) => {
    const at = 44 + i * wide;
    if (kind === 3) view.setFloat32(at, value, true);
    else if (bits === 8) view.setUint8(at, Math.round(value * 127) + 128);
    else if (bits === 16) view.setInt16(at, Math.round(value * 32_767), true);
    else if (bits === 24) {
      const whole = Math.round(value * 8_388_607);
      view.setUint16(at, whole & 0xffff, true);
      view.setInt8(at + 2, whole >> 16);
    } else view.setInt32(at, Math.round(value * 2_147_483_647), true);
  });
  return bytes;
}

const ascii = (text: string) => [...text].map((char) => char.charCodeAt(0));

interface Fixture {
  seconds: number;
  channels: number;
  rate: number;
  file: string;
}
const fixtures = JSON.parse(readFileSync('core/sounds/fixtures/sounds.json', 'utf8')) as Record<
  string,
  Fixture
>;
const fixture = (name: string): Buffer => Buffer.from(fixtures[name]!.file, 'base64');

/** The pages of an Ogg file. */
function pagesOf(bytes: Buffer): Buffer[] {
  const pages: Buffer[] = [];
  for (let at = 0; at < bytes.length;) {
    const segments = bytes[at + 26]!;
    const size =
      27 +
      segments +
      bytes.subarray(at + 27, at + 27 + segments).reduce((sum, length) => sum + length, 0);
    pages.push(Buffer.from(bytes.subarray(at, at + size)));
    at += size;
  }
  return pages;
}
/** A page with something changed and its checksum put right again. */
function changed(page: Buffer, change: (page: Buffer) => void): Buffer {
  const copy = Buffer.from(page);
  change(copy);
  copy.writeUInt32LE(pageChecksum(copy, 0, copy.length), 22);
  return copy;
}

test.each([
  [1, 8, 0.01],
  [1, 16, 1e-4],
  [1, 24, 1e-6],
  [1, 32, 1e-8],
  [3, 32, 1e-7],
])('WAV of kind %d with %d bits: length, channels, rate and peak', (kind, bits, near) => {
  const facts = readSound(
    wav({ kind, bits, channels: 2, rate: 8000, samples: [0, 0.1, -0.5, 0.25, 0.2, -0.75, 0, 0] }),
  );
  expect(facts).toMatchObject({
    format: 'wav',
    seconds: 4 / 8000,
    channels: 2,
    rate: 8000,
    clipped: false,
  });
  expect(Math.abs(facts.peak! - 0.75)).toBeLessThan(near);
});

test(
  'three samples running at full scale are clipping, two are not, and channels are told ' + 'apart',
  () => {
    expect(readSound(wav({ samples: [0, 1, 1, 1, 0] })).clipped).toBe(true);
    expect(readSound(wav({ samples: [0, 1, 1, 0, 1] })).clipped).toBe(false);
    expect(readSound(wav({ channels: 2, samples: [1, 0, 1, 0, 0, 1] })).clipped).toBe(false);
  },
);

test.each(Object.entries(fixtures))(
  'a sound of another program, %s, has the length that was asked for',
  (name, { seconds, channels, rate }) => {
    const facts = readSound(fixture(name));
    expect(facts).toMatchObject({ channels, rate });
    expect(Math.abs(facts.seconds - seconds)).toBeLessThan(1 / rate);
  },
);

test('a WAV from a pipe, which cannot say how long it will be, is as long as it is', () => {
  for (const size of [0xffffffff, 0x7ffff000, 0]) {
    const bytes = wav({ rate: 8000, samples: [0, 0.1, 0.2, 0.3] });
    new DataView(bytes.buffer).setUint32(40, size, true);
    expect(readSound(bytes)).toMatchObject({ seconds: 4 / 8000 });
  }
});

const [vorbis, longer] = [pagesOf(fixture('vorbis')), pagesOf(fixture('vorbis-longer'))];
const last = vorbis.at(-1)!;
test.each<[string, Uint8Array, RegExp]>([
  ['something else', Uint8Array.from([1, 2, 3]), /neither a WAV nor an Ogg/],
  [
    'a WAV cut short',
    wav({ samples: [0, 0, 0, 0] }).subarray(0, 48),
    /cut short: it promises 8 bytes of samples and has 4/,
  ],
  ['a WAV without samples', wav({ samples: [] }), /no samples/],
  ['a WAV of unknown kind', wav({ kind: 85, samples: [0] }), /kind 85 with 16 bits/],
  ['an Ogg cut within a page', fixture('vorbis').subarray(0, -9), /cut short/],
  [
    'an Ogg cut between two pages',
    Buffer.concat(vorbis.slice(0, -1)),
    /does not say that it is the last/,
  ],
  [
    'an Ogg with a byte changed',
    Buffer.concat([
      ...vorbis.slice(0, -1),
      Buffer.from(last.map((byte, at) => (at === last.length - 5 ? byte ^ 1 : byte))),
    ]),
    /checksum of a page is wrong/,
  ],
  [
    'an Ogg without one of its pages',
    Buffer.concat([vorbis[0]!, ...vorbis.slice(2)]),
    /a page is missing/,
  ],
  [
    'an Ogg with two streams at once',
    Buffer.concat([vorbis[0]!, longer[0]!, ...vorbis.slice(1), ...longer.slice(1)]),
    /several streams at once/,
  ],
  ['an Ogg that begins in the middle', Buffer.concat(vorbis.slice(1)), /begins in the middle/],
  [
    'an Ogg that claims to last for a day',
    Buffer.concat([
      ...vorbis.slice(0, -1),
      changed(last, (page) => page.writeUInt32LE(779_136_000, 6)),
    ]),
    /lasts 97392.0 s, which its \d+ packets cannot hold/,
  ],
  [
    'an Ogg of something else',
    changed(vorbis[0]!, (page) => page.write('\u0001theora', 28, 'latin1')),
    /neither Vorbis nor Opus/,
  ],
  [
    'an Ogg without samples',
    Buffer.concat([...vorbis.slice(0, -1), changed(last, (page) => page.writeUInt32LE(0, 6))]),
    /no samples/,
  ],
])('%s is refused with a sentence', (_, bytes, sentence) => {
  expect(() => readSound(bytes)).toThrow(sentence);
});

test('whatever the bytes are, the answer is facts or a sentence', () =>
  fc.assert(
    fc.property(
      fc.uint8Array({ maxLength: 200 }),
      fc.constantFrom('RIFF', 'OggS', ''),
      (tail, mark) => {
        const bytes = Uint8Array.from([
          ...ascii(mark),
          ...(mark === 'RIFF' ? [...tail.slice(0, 4), ...ascii('WAVEfmt ')] : []),
          ...tail,
        ]);
        try {
          expect(readSound(bytes).seconds).toBeGreaterThan(0);
        } catch (error) {
          expect(error).toBeInstanceOf(SoundProblem);
        }
      },
    ),
  ));

test('an Ogg with any bytes changed is read as it was, or refused', () =>
  fc.assert(
    fc.property(
      fc.constantFrom('vorbis', 'opus'),
      fc.nat(5000),
      fc.integer({ min: 1, max: 255 }),
      (name, at, by) => {
        const bytes = fixture(name);
        bytes[at % bytes.length]! ^= by;
        expect(() => readSound(bytes)).toThrow(SoundProblem);
      },
    ),
  ));

test(
  'the game plays one file of the event, with volume and pitch within their ranges; ' +
    'nothing where there is none',
  () =>
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.999, noNaN: true }), (even) => {
        const set = {
          step: [
            {
              sound: 's:a',
              volume: [0.3, 0.5] as [number, number],
              pitch: [0.9, 1.1] as [number, number],
            },
            { sound: 's:b' },
          ],
        };
        const played = playedFor(set, 'step', () => even)!;
        expect(played.sound).toBe(even < 0.5 ? 's:a' : 's:b');
        if (played.sound === 's:a')
          expect([
            played.volume >= 0.3 && played.volume <= 0.5,
            played.pitch >= 0.9 && played.pitch <= 1.1,
          ]).toEqual([true, true]);
        else expect(played).toEqual({ sound: 's:b', volume: 1, pitch: 1 });
        expect(playedFor(set, 'land', () => even)).toBeUndefined();
      }),
    ),
);
