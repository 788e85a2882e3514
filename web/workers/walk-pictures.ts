/** Draws what a test walk came upon, beside the page, from the files of the pack alone. */
import { readZip } from '../../core/bytes/index.ts';
import { loadPack } from '../../core/kits/index.ts';
import { walkPictures, type WalkPictures } from '../../core/yard-pictures/index.ts';
import { walkParts, type WalkPart } from '../../core/yard/index.ts';

/** Which pack, and then, again and again, of which of its blocks. */
export type WalkPictureAsk = { archive: Uint8Array } | { block: string };

/** The pictures of a block, as PNG, by the try that came upon them. */
export interface WalkPictureAnswer {
  block: string;
  parts: Partial<Record<WalkPart, { shows: string; png: Uint8Array }[]>>;
}

let pictures: WalkPictures | undefined;

onmessage = ({ data: asked }: MessageEvent<WalkPictureAsk>) => {
  if ('archive' in asked) {
    pictures = walkPictures(loadPack(readZip(asked.archive)).world);
    return;
  }
  postMessage({ block: asked.block, parts: partsOf(asked.block) } satisfies WalkPictureAnswer);
};

function partsOf(block: string): WalkPictureAnswer['parts'] {
  const parts: WalkPictureAnswer['parts'] = {};
  for (const part of walkParts) {
    const shown = pictures?.of(block, part).flatMap(({ file, shows }) => {
      const png = pictures?.files.get(file);
      return png ? [{ shows, png }] : [];
    });
    if (shown?.length) parts[part] = shown;
  }
  return parts;
}
