import { expect, test } from '@jest/globals';
import { pixelsOfDump } from './screen.ts';

/** A window dump of two by two pixels, with so many colours in its table. */
function dump(colours: number, bits = 32): Uint8Array {
  const [length, row] = [108, 8];
  const bytes = new Uint8Array(length + colours * 12 + 2 * row);
  const view = new DataView(bytes.buffer);
  const header: [word: number, value: number][] = [
    [0, length],
    [1, 7],
    [4, 2],
    [5, 2],
    [11, bits],
    [12, row],
    [19, colours],
  ];
  for (const [word, value] of header) view.setUint32(word * 4, value);
  bytes.set([1, 2, 3, 0, 4, 5, 6, 0, 7, 8, 9, 0, 10, 11, 12, 0], length + colours * 12);
  return bytes;
}

test.each([0, 3])('pixels of a window dump come red first, behind %i colours', (colours) => {
  expect(pixelsOfDump(dump(colours))).toEqual({
    width: 2,
    height: 2,
    data: Uint8Array.of(3, 2, 1, 255, 6, 5, 4, 255, 9, 8, 7, 255, 12, 11, 10, 255),
  });
});

test('a dump with other pixels, and one that is cut off, are refused', () => {
  expect(() => pixelsOfDump(dump(0, 8))).toThrow(/no picture that can be read/);
  expect(() => pixelsOfDump(new Uint8Array(8))).toThrow();
});
