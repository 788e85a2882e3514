import { z } from 'zod';
import { printJson, parseJson } from '../../json/index.ts';
import { BoxSchema, mostBoxes, type Box } from '../../mod/entries.schema.ts';

const Copied = z.strictObject({ boxes: z.array(BoxSchema).min(1).max(mostBoxes) });

/** Boxes as text, to be put into another model. */
export const boxesAsText = (boxes: readonly Box[]): string => printJson({ boxes });

/**
 * Boxes out of a text that {@link boxesAsText} made or somebody wrote by hand; undefined where the
 * text holds no boxes.
 *
 * @example boxesFromText(boxesAsText(rack)) // rack
 */
export function boxesFromText(text: string): Box[] | undefined {
  if (text.length > 1_000_000) return undefined;
  const { value } = parseJson(text);
  const read = Copied.safeParse(Array.isArray(value) ? { boxes: value } : value);
  return read.success ? read.data.boxes : undefined;
}
