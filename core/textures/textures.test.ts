import { expect, test } from '@jest/globals';
import { encode } from 'fast-png';
import fc from 'fast-check';
import { zlibSync } from 'fflate';
import { readFileSync } from 'node:fs';
import { crc32 } from '../bytes/index.ts';
import { textureUsers } from './users.ts';
import {
  basePicture,
  decodePicture,
  encodePicture,
  frameCount,
  frameSize,
  marker,
  pictureFacts,
  PictureProblem,
  tintColour,
  type Pixels,
} from './index.ts';

const anyPixels: fc.Arbitrary<Pixels> = fc
  .tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }))
  .chain(([width, height]) =>
    fc
      .uint8Array({ minLength: width * height * 4, maxLength: width * height * 4 })
      .map((data) => ({ width, height, data })),
  );
const grey = (width: number, height: number): Uint8Array =>
  encodePicture({ width, height, data: new Uint8Array(width * height * 4).fill(128) });
/** A PNG whose header says another size. */
const withSize = (bytes: Uint8Array, width: number, height: number): Uint8Array => {
  const copy = bytes.slice();
  const view = new DataView(copy.buffer);
  view.setUint32(16, width);
  view.setUint32(20, height);
  view.setUint32(29, crc32(copy.subarray(12, 29)));
  return copy;
};
/** A chunk with its length and checksum. */
function chunk(type: string, body: Uint8Array): Uint8Array {
  const made = new Uint8Array(12 + body.length);
  const view = new DataView(made.buffer);
  view.setUint32(0, body.length);
  made.set(new TextEncoder().encode(type), 4);
  made.set(body, 8);
  view.setUint32(8 + body.length, crc32(made.subarray(4, 8 + body.length)));
  return made;
}
/** A PNG with more chunks after its header. */
const withChunks = (bytes: Uint8Array, ...chunks: Uint8Array[]): Uint8Array =>
  Uint8Array.from(
    [bytes.subarray(0, 33), ...chunks, bytes.subarray(33)].flatMap((part) => [...part]),
  );

test('pixels come back from a PNG', () =>
  fc.assert(
    fc.property(anyPixels, (pixels) =>
      expect(decodePicture(encodePicture(pixels))).toEqual(pixels),
    ),
  ));

test('a PNG cut short anywhere is refused with a sentence', () => {
  const whole = encodePicture(basePicture('#8d8d86', 16, 1));
  for (let length = 0; length < whole.length; length += 1)
    expect(() => decodePicture(whole.subarray(0, length))).toThrow(PictureProblem);
});

test('a PNG with any one byte changed is read or refused, never more', () => {
  const whole = encodePicture(basePicture('#8d8d86', 8, 1));
  for (let at = 0; at < whole.length; at += 1) {
    const broken = whole.slice();
    broken[at]! ^= 0x5a;
    try {
      decodePicture(broken);
    } catch (error) {
      expect(error).toBeInstanceOf(PictureProblem);
    }
  }
});

test('the reason is told', () => {
  expect(() => decodePicture(new TextEncoder().encode('GIF89a and more'))).toThrow(/not a PNG/);
  expect(() => decodePicture(withSize(grey(4, 4), 20_000, 4))).toThrow(
    /20000 × 4 texels; at most 4096/,
  );
  expect(() => decodePicture(withSize(grey(64, 64), 4, 4))).toThrow(/unpacks to more/);
  expect(() => decodePicture(withSize(grey(4, 4), 64, 64))).toThrow(/pixels are missing/);
});

const fixtures = Object.entries(
  JSON.parse(readFileSync('core/textures/fixtures/pictures.json', 'utf8')) as Record<
    string,
    { png: string; rgba: string }
  >,
);
test.each(fixtures)(
  'a picture of another program, %s, is read as that program reads it',
  (name, { png, rgba }) => {
    const { width, height, data } = decodePicture(Buffer.from(png, 'base64'));
    expect([width, height]).toEqual([9, 7]);
    const theirs = Buffer.from(rgba, 'base64');
    // Sixteen bits are rounded to eight as the standard says (13.12); that program leaves the lower
    // ones away.
    const most = name.includes('-16') ? 1 : 0;
    expect(data.findIndex((value, at) => Math.abs(value - theirs[at]!) > most)).toBe(-1);
  },
);

test(
  'additions change nothing: a suggested palette, a profile that unpacks without end, ' +
    'empty pieces of pixels, bytes after the end',
  () => {
    const pixels = decodePicture(grey(4, 4));
    const colour = encode({
      width: 1,
      height: 1,
      channels: 3,
      depth: 8,
      data: new Uint8Array([200, 30, 40]),
    });
    expect([...decodePicture(withChunks(colour, chunk('PLTE', new Uint8Array(6)))).data]).toEqual([
      200, 30, 40, 255,
    ]);
    const bomb = Uint8Array.from([
      ...new TextEncoder().encode('p'),
      0,
      0,
      ...zlibSync(new Uint8Array(50_000_000), { level: 9 }),
    ]);
    expect(
      decodePicture(
        withChunks(
          grey(4, 4),
          chunk('iCCP', bomb),
          chunk('IDAT', new Uint8Array()),
          chunk('tEXt', new Uint8Array(9)),
        ),
      ),
    ).toEqual(pixels);
    expect(decodePicture(Uint8Array.from([...grey(4, 4), 1, 2, 3]))).toEqual(pixels);
  },
);

test(
  'what is needed and not known, palettes that are missing or wrong, and checksums that ' +
    'differ are refused by name',
  () => {
    expect(() => decodePicture(withChunks(grey(4, 4), chunk('MOST', new Uint8Array(1))))).toThrow(
      /a part called MOST/,
    );
    const indexed = Buffer.from(fixtures.find(([name]) => name === 'palette-2')![1].png, 'base64');
    const at = indexed.indexOf('PLTE') - 4;
    const length = indexed.readUInt32BE(at);
    expect(() =>
      decodePicture(Buffer.concat([indexed.subarray(0, at), indexed.subarray(at + 12 + length)])),
    ).toThrow(/counts its colours by a palette and has none/);
    expect(() =>
      decodePicture(
        Buffer.concat([
          indexed.subarray(0, at),
          chunk('PLTE', new Uint8Array(4)),
          indexed.subarray(at + 12 + length),
        ]),
      ),
    ).toThrow(/a length that cannot be/);
    expect(() =>
      decodePicture(
        Buffer.concat([
          indexed.subarray(0, at),
          chunk('PLTE', new Uint8Array(3)),
          indexed.subarray(at + 12 + length),
        ]),
      ),
    ).toThrow(/a colour that its palette does not have/);
    const flipped = grey(4, 4);
    flipped[flipped.length - 20]! ^= 1;
    expect(() => decodePicture(flipped)).toThrow(PictureProblem);
  },
);

test('every colour type becomes the same picture', () => {
  const rgb = encode({
    width: 2,
    height: 1,
    channels: 3,
    depth: 8,
    data: new Uint8Array([255, 0, 0, 0, 0, 255]),
  });
  expect([...decodePicture(rgb).data]).toEqual([255, 0, 0, 255, 0, 0, 255, 255]);
  const grey8 = encode({
    width: 2,
    height: 1,
    channels: 1,
    depth: 8,
    data: new Uint8Array([0, 200]),
  });
  expect([...decodePicture(grey8).data]).toEqual([0, 0, 0, 255, 200, 200, 200, 255]);
  const greyAlpha = encode({
    width: 1,
    height: 1,
    channels: 2,
    depth: 8,
    data: new Uint8Array([90, 10]),
  });
  expect([...decodePicture(greyAlpha).data]).toEqual([90, 90, 90, 10]);
  const deep = encode({
    width: 1,
    height: 1,
    channels: 4,
    depth: 16,
    data: new Uint16Array([65_535, 0, 32_896, 65_535]),
  });
  expect([...decodePicture(deep).data]).toEqual([255, 0, 128, 255]);
});

test('facts: holes, partial alpha, grey, the mean of what is seen', () => {
  const of = (data: number[]) =>
    pictureFacts({ width: data.length / 4, height: 1, data: new Uint8Array(data) });
  expect(of([10, 20, 200, 255, 30, 40, 100, 255])).toEqual({
    width: 2,
    height: 1,
    alpha: 'none',
    mean: '#1620a0',
    grey: false,
  });
  expect(of([10, 10, 10, 255, 99, 0, 0, 0])).toMatchObject({
    alpha: 'holes',
    mean: '#0a0a0a',
    grey: true,
  });
  expect(of([10, 10, 10, 255, 10, 10, 10, 128])).toMatchObject({ alpha: 'partial' });
});

test('a strip has frames as wide as they are high, unless it says another height', () => {
  const picture = {
    sha256: '',
    bytes: 0,
    width: 16,
    height: 48,
    alpha: 'none' as const,
    mean: '',
    grey: false,
  };
  expect(frameCount({ picture, strip: { ticks: 2 } })).toBe(3);
  expect(frameSize({ picture, strip: { ticks: 2, frameHeight: 24 } })).toEqual({
    width: 16,
    height: 24,
  });
  expect(frameCount({ picture })).toBe(1);
});

test('facts: the mean is one of light, as a screen mixes it', () => {
  const of = (...texels: number[][]) =>
    pictureFacts({ width: texels.length, height: 1, data: Uint8Array.from(texels.flat()) }).mean;
  // Half of the light of white is #bcbcbc (IEC 61966-2-1).
  expect(of([0, 0, 0, 255], [255, 255, 255, 255])).toBe('#bcbcbc');
  expect(of([77, 77, 77, 255])).toBe('#4d4d4d');
  expect(of([255, 0, 0, 255], [255, 0, 0, 10], [0, 0, 255, 0])).toBe('#ff0000');
});

test('facts: how light each row is, where there may be frames', () => {
  const rows = (tones: number[]) =>
    Uint8Array.from(tones.flatMap((tone) => [tone, tone, tone, 255, tone, tone, tone, 255]));
  const strip = pictureFacts({ width: 2, height: 4, data: rows([0, 255, 188, 0]) });
  expect(strip.lights).toEqual([0, 1000, 503, 0]);
  expect(pictureFacts({ width: 2, height: 2, data: rows([0, 255]) }).lights).toBeUndefined();
});

test('facts: along how much of an edge a picture does not tile', () => {
  const of = (toneAt: (x: number, y: number) => number) => {
    const tones = Array.from({ length: 256 }, (_, i) => toneAt(i % 16, i >> 4));
    const data = Uint8Array.from(tones.flatMap((tone) => [tone, tone, tone, 255]));
    return pictureFacts({ width: 16, height: 16, data }).seams;
  };
  expect(of(() => 90)).toBeUndefined();
  expect(of((x) => x * 12)).toBe(1);
  expect(of((x, y) => (y >= 6 && y < 10 ? x * 12 : 90))).toBe(0.25);
  // A ring around it is as dark on one side as on the other.
  expect(of((x, y) => (Math.min(x, y, 15 - x, 15 - y) === 0 ? 20 : 200))).toBeUndefined();
});

test('a base picture keeps near its colour and follows from its seed', () => {
  const { mean } = pictureFacts(basePicture('#a29a97', 16, 7));
  for (const at of [1, 3, 5])
    expect(
      Math.abs(
        Number.parseInt(mean.slice(at, at + 2), 16) -
          Number.parseInt('#a29a97'.slice(at, at + 2), 16),
      ),
    ).toBeLessThan(8);
  expect(basePicture('#a29a97', 16, 7)).toEqual(basePicture('#a29a97', 16, 7));
  expect(basePicture('#a29a97', 16, 8)).not.toEqual(basePicture('#a29a97', 16, 7));
});

test('the marker is opaque, and a tint is a factor', () => {
  expect(pictureFacts(marker).alpha).toBe('none');
  expect(tintColour('none')).toEqual([1, 1, 1]);
  expect(tintColour('#ff8000')).toEqual([1, 128 / 255, 0]);
});

test('who shows a texture: models by their slots, each once, items and fluids', () => {
  const models = {
    lamp: { slots: { side: 'saltmarsh:brass', top: 'saltmarsh:brass' } },
    bare: {},
  };
  const items = { oil: { names: {}, texture: 'saltmarsh:brass' }, salt: { names: {} } };
  const fluids = {
    brine: { names: {}, reach: 8, pace: 5, still: 'saltmarsh:brass', flowing: 'saltmarsh:run' },
  };
  expect([...textureUsers({ models, items, fluids })]).toEqual([
    ['saltmarsh:brass', ['model lamp', 'item oil', 'fluid brine']],
    ['saltmarsh:run', ['fluid brine']],
  ]);
});
