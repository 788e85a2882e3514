import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { decodePicture, encodePicture, pictureFacts } from '../../core/textures/index.ts';
import { framesOf } from '../../core/textures/making/index.ts';
import { makeBlocks } from './blocks.ts';
import { readFiles } from './read-files.ts';
import { chance, hex, paint, shade, step, tilingNoise } from './canvas.ts';
import { recipes } from './made.ts';
import { sound, sounds } from './sounds.ts';
import { textures } from './textures.ts';

test('the pictures and sounds in the repository are those that the script makes (npm run demo:art)', () => {
  for (const [name, draw] of Object.entries(textures))
    expect([
      name,
      Buffer.from(encodePicture(draw())).equals(
        readFileSync(`demo/saltmarsh/textures/${name}.png`),
      ),
    ]).toEqual([name, true]);
  for (const [name, make] of Object.entries(sounds))
    expect([
      name,
      Buffer.from(make()).equals(readFileSync(`demo/saltmarsh/sounds/${name}.wav`)),
    ]).toEqual([name, true]);
});

test('the furniture in the repository is what the script makes of the rest of the mod', () => {
  const files = readFiles('demo/saltmarsh');
  const made = makeBlocks(files);
  expect(made.size).toBeGreaterThan(15);
  for (const [file, bytes] of made)
    expect([file, Buffer.from(bytes).equals(files.get(file) ?? new Uint8Array())]).toEqual([
      file,
      true,
    ]);
});

test('every picture is 16 texels square or frames of that, with holes only where they are meant, and grey only where it is tinted', () => {
  for (const [name, draw] of Object.entries(textures)) {
    const { made } = recipes[name] ?? {};
    const frames = made ? framesOf(made) : 1;
    expect(pictureFacts(decodePicture(encodePicture(draw())))).toMatchObject({
      width: 16,
      height: 16 * frames,
      alpha: /^(kelp|brine)\//.test(name)
        ? 'partial'
        : /cage|^salt$|samphire|^item\//.test(name)
          ? 'holes'
          : 'none',
      grey: /^samphire/.test(name),
    });
  }
});

test('the four faces of the crust differ, and each tiles: its seams are no harsher than its inside', () => {
  const faces = ['a', 'b', 'c', 'd'].map((letter) => textures[`salt_crust_${letter}`]!());
  expect(new Set(faces.map((face) => Buffer.from(face.data).toString('hex'))).size).toBe(4);
  for (const { data } of faces) {
    const light = (x: number, y: number) => data[(((y + 16) % 16) * 16 + ((x + 16) % 16)) * 4]!;
    const jump = (x: number) =>
      Array.from({ length: 16 }, (_, y) => Math.abs(light(x, y) - light(x - 1, y))).reduce(
        (sum, value) => sum + value,
        0,
      ) / 16;
    const inside = Array.from({ length: 15 }, (_, i) => jump(i + 1));
    expect(jump(0)).toBeLessThanOrEqual(Math.max(...inside) * 1.1);
  }
});

test('chance is even and follows from its seed', () => {
  const random = chance(5);
  const seen = Array.from({ length: 4000 }, random);
  expect(seen.reduce((sum, value) => sum + value, 0) / 4000).toBeCloseTo(0.5, 1);
  expect(Math.min(...seen)).toBeGreaterThanOrEqual(0);
  expect(Math.max(...seen)).toBeLessThan(1);
  expect(chance(5)()).toBe(seen[0]);
});

test('noise tiles and stays between −1 and 1', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 8 }),
      fc.nat(),
      fc.nat(15),
      fc.nat(15),
      (cells, seed, x, y) => {
        const noise = tilingNoise(16, cells, seed);
        expect(noise(x + 16, y)).toBeCloseTo(noise(x, y), 9);
        expect(noise(x, y - 16)).toBeCloseTo(noise(x, y), 9);
        expect(Math.abs(noise(x, y))).toBeLessThanOrEqual(1);
      },
    ),
  ));

test('colours are kept within their bounds', () => {
  expect(hex('#0a10ff')).toEqual([10, 16, 255]);
  expect(shade([250, 10, 100], 20).slice(0, 3)).toEqual([270, 30, 118]);
  expect([...paint(1, 1, () => [300, -4, 12.6]).data]).toEqual([255, 0, 13, 255]);
  const palette = ['#000000', '#808080', '#ffffff'].map(hex);
  expect([-9, -1, 0, 1, 9].map((height) => step(palette, height)[0])).toEqual([
    0, 0, 128, 255, 255,
  ]);
});

test('a sound is a whole WAV of its length, never louder than its peak', () => {
  const bytes = sound({ seconds: 0.1, decay: 5, low: 0.5, seed: 1 });
  const view = new DataView(bytes.buffer);
  const text = (at: number, length: number) =>
    new TextDecoder().decode(bytes.subarray(at, at + length));
  expect([text(0, 4), text(8, 8), text(36, 4)]).toEqual(['RIFF', 'WAVEfmt ', 'data']);
  expect(view.getUint32(4, true)).toBe(bytes.length - 8);
  expect(view.getUint32(40, true)).toBe(bytes.length - 44);
  expect((bytes.length - 44) / 2 / view.getUint32(24, true)).toBeCloseTo(0.1, 4);
  const samples = new Int16Array(bytes.buffer.slice(44));
  expect(Math.max(...samples.map(Math.abs))).toBe(Math.round(0.7 * 32767));
});
