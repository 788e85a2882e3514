import { progressInWords, type OnProgress } from '../core/inspect/index.ts';

/** So many milliseconds go by between two lines, and before the first. */
const pause = 200;

/**
 * Shows how far long work is, on one line of a terminal that `clear` takes away again; where nobody
 * looks, as in a pipe, it says nothing.
 *
 * @example const { onProgress, clear } = progressOn(process.stderr)
 */
export function progressOn(
  stream: Pick<NodeJS.WriteStream, 'isTTY' | 'write'>,
  now: () => number = Date.now,
): { onProgress: OnProgress; clear: () => void } {
  let since = now();
  let isShown = false;
  return {
    onProgress: (...far) => {
      if (!stream.isTTY || now() - since < pause) return;
      since = now();
      isShown = true;
      stream.write(`\r\u001b[2K${progressInWords(...far)}`);
    },
    clear: () => {
      if (isShown) stream.write('\r\u001b[2K');
      isShown = false;
    },
  };
}
