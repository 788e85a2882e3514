import { expect, test } from '@jest/globals';
import { progressOn } from './progress.ts';

/** A stream that keeps what is written, and a clock that is set by hand. */
function watched(isTTY: boolean) {
  const lines: string[] = [];
  const clock = { at: 0 };
  const stream = {
    isTTY,
    write: (text: string) => {
      lines.push(text);
      return true;
    },
  };
  return { lines, clock, ...progressOn(stream, () => clock.at) };
}

test('a terminal is told now and then, on one line that goes again', () => {
  const { lines, clock, onProgress, clear } = watched(true);
  onProgress('files', 0, 12_010);
  expect(lines).toEqual([]);
  clock.at = 250;
  onProgress('files', 3000, 12_010);
  clock.at = 300;
  onProgress('files', 3256, 12_010);
  clock.at = 500;
  onProgress('blocks', 64, 2000);
  clear();
  clear();
  expect(lines).toEqual([
    '\r\u001b[2KReading: 3,000 of 12,010 files',
    '\r\u001b[2KAsking the rules: 64 of 2,000 blocks',
    '\r\u001b[2K',
  ]);
});

test('a pipe is told nothing', () => {
  const { lines, clock, onProgress, clear } = watched(false);
  clock.at = 1000;
  onProgress('files', 3000, 12_010);
  clear();
  expect(lines).toEqual([]);
});
