import { mix } from '../../space/index.ts';

/**
 * 64 bits that stand for numbers and words, the same on every machine: each is folded into two lanes
 * by the function that spreads numbers over places. It tells runs apart; it is no protection.
 *
 * @example digestOf([cells.numbers, new Float64Array([1.5])]) // '8c41…'
 */
export function digestOf(parts: readonly (Uint32Array | Float64Array | string)[]): string {
  let [a, b] = [0x811c9dc5, 0x01000193];
  const fold = (word: number, at: number) => {
    a = mix(a, word, at);
    b = mix(b, at, word ^ 0x5bd1e995);
  };
  parts.forEach((part, which) => {
    fold(which, part.length);
    if (typeof part === 'string')
      for (let i = 0; i < part.length; i += 1) fold(part.charCodeAt(i), i);
    else {
      const words =
        part instanceof Uint32Array
          ? part
          : new Uint32Array(part.buffer, part.byteOffset, part.length * 2);
      for (let i = 0; i < words.length; i += 1) fold(words[i] ?? 0, i);
    }
  });
  const hex = (word: number) => word.toString(16).padStart(8, '0');
  return hex(a) + hex(b);
}
