/** A range of a text, in characters, and what is to stand there instead. */
export interface TextEdit {
  offset: number;
  length: number;
  insert: string;
}

/**
 * A text with edits applied, which must not overlap. Of two at the same offset the one that takes
 * nothing away stands first.
 *
 * @example applyTextEdits('abc', [{ offset: 1, length: 1, insert: 'X' }]) // 'aXc'
 */
export function applyTextEdits(text: string, edits: readonly TextEdit[]): string {
  let [done, at] = ['', 0];
  for (const { offset, length, insert } of inOrder(edits)) {
    if (offset < at) throw new RangeError(`Two edits overlap at character ${offset}`);
    done += text.slice(at, offset) + insert;
    at = offset + length;
  }
  return done + text.slice(at);
}

/** Edits by where they begin. */
export const inOrder = (edits: readonly TextEdit[]): TextEdit[] =>
  [...edits].sort((a, b) => a.offset - b.offset || a.length - b.length);
