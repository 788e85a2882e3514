import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { encodePicture, decodePicture, type Pixels } from '../png.ts';
import { PictureProblem } from '../problem.ts';
import { framesIn, readApng, stripOfMoving, writeApng, type Moving } from './index.ts';

const fixtures = JSON.parse(readFileSync('core/textures/fixtures/moving.json', 'utf8')) as Record<
  string,
  { file: string; frames: string[] }
>;
const bytesOf = (text: string) => Uint8Array.from(Buffer.from(text, 'base64'));
const apng = () => bytesOf(fixtures['apng']!.file);
/** What is clear has no colour that counts. */
const seen = (data: Uint8Array) => [...data].map((byte, i) => (data[i | 3] === 0 ? 0 : byte));

const sides = fc.integer({ min: 1, max: 6 });
const anyMoving = fc
  .tuple(sides, sides, fc.integer({ min: 1, max: 5 }))
  .chain(([width, height, many]) =>
    fc.record({
      frames: fc.array(
        fc
          .uint8Array({ minLength: width * height * 4, maxLength: width * height * 4 })
          .map((data): Pixels => ({ width, height, data })),
        { minLength: many, maxLength: many },
      ),
      seconds: fc.array(
        fc.integer({ min: 1, max: 400 }).map((ticks) => ticks / 20),
        {
          minLength: many,
          maxLength: many,
        },
      ),
    }),
  );

describe('moving PNGs', () => {
  test('one of another program is read frame by frame as it was made', () => {
    const moving = readApng(apng())!;
    expect(moving.frames).toHaveLength(4);
    moving.frames.forEach(({ width, height, data }, i) => {
      expect([width, height]).toEqual([9, 6]);
      // Each lies over the one before: half a colour over nothing is rounded once.
      expect(seen(data)).toEqual(seen(bytesOf(fixtures['apng']!.frames[i]!)));
    });
    expect(moving.seconds).toEqual([0.25, 0.25, 0.25, 0.25]);
  });

  test('what is written is read as it was, and a still reader sees the first frame', () => {
    fc.assert(
      fc.property(anyMoving, (moving) => {
        const bytes = writeApng(moving);
        expect(readApng(bytes)).toEqual(moving);
        expect(decodePicture(bytes)).toEqual(moving.frames[0]);
      }),
    );
    expect(() => writeApng({ frames: [], seconds: [] })).toThrow(RangeError);
  });

  test('a still one does not move; damage never crashes, and is told in a sentence', () => {
    const still = encodePicture({ width: 1, height: 1, data: Uint8Array.of(1, 2, 3, 255) });
    expect(readApng(still)).toBeUndefined();
    fc.assert(
      fc.property(fc.nat(), fc.nat(255), (at, byte) => {
        const bytes = apng();
        bytes[at % bytes.length] = byte;
        try {
          readApng(bytes);
        } catch (error) {
          expect(error).toBeInstanceOf(PictureProblem);
        }
      }),
      { numRuns: 400 },
    );
  });

  test('more frames than are read are refused, and none is left out unsaid', () => {
    const dot: Pixels = { width: 1, height: 1, data: Uint8Array.of(1, 2, 3, 255) };
    const many = (frames: number) =>
      writeApng({
        frames: Array.from({ length: frames }, () => dot),
        seconds: Array.from({ length: frames }, () => 1),
      });
    expect(readApng(many(1024))!.frames).toHaveLength(1024);
    expect(() => readApng(many(1025))).toThrow(/1025 frames of 1 × 1 texels: more than is read/);
  });

  test('a frame that lies outside of the picture is refused', () => {
    const bytes = writeApng({
      frames: [{ width: 1, height: 1, data: Uint8Array.of(1, 2, 3, 255) }],
      seconds: [1],
    });
    const at = Buffer.from(bytes).indexOf('fcTL');
    bytes[at + 4 + 15] = 3;
    expect(() => readApng(bytes)).toThrow(/lies outside of it/);
  });
});

describe('a moving picture as a strip', () => {
  const dot = (tone: number): Pixels => ({
    width: 1,
    height: 2,
    data: new Uint8Array(8).fill(tone),
  });

  test('holds every different frame once, and shows them as long', () => {
    const moving: Moving = { frames: [dot(1), dot(2), dot(1)], seconds: [0.2, 0.5, 0.2] };
    const { pixels, strip } = stripOfMoving(moving, 20);
    expect(framesIn(pixels, 2)).toEqual([dot(1), dot(2)]);
    expect(strip).toEqual({ frameHeight: 2, ticks: 4, order: [0, { frame: 1, ticks: 10 }, 0] });
  });

  test('one that never changes is a still picture; a frame stays for a tick at least', () => {
    expect(stripOfMoving({ frames: [dot(1), dot(1)], seconds: [1, 1] }, 20)).toEqual({
      pixels: dot(1),
    });
    const quick = stripOfMoving({ frames: [dot(1), dot(2)], seconds: [0.001, 0] }, 20);
    expect(quick.strip).toEqual({ frameHeight: 2, ticks: 1 });
  });

  test('one that is too high for a picture is refused with its numbers', () => {
    const tall = (tone: number): Pixels => ({
      width: 1,
      height: 2048,
      data: new Uint8Array(8192).fill(tone),
    });
    const frames = [tall(1), tall(2), tall(3)];
    expect(() => stripOfMoving({ frames, seconds: [1, 1, 1] }, 20)).toThrow(
      /3 different frames, which are 6144 texels high/,
    );
  });
});
