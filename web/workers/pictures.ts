/** Reads, makes and recolours pictures beside the page. */
import {
  comparedWith,
  likenessOf,
  recoloured,
  type Likeness,
} from '../../core/textures/facts/index.ts';
import { writeApng } from '../../core/textures/frames/index.ts';
import { decodePicture } from '../../core/textures/index.ts';
import { makePicture } from '../../core/textures/making/index.ts';
import { mendPicture } from '../../core/textures/mending/index.ts';
import { messageOf } from '../../core/words/index.ts';
import type { AlikeAsked, PictureAnswer, PictureAsk, PictureAsks } from './picture-protocol.ts';
import { readFile } from './read-file.ts';
import { writeGif } from './write-gif.ts';

const say = (answer: PictureAnswer) => (self as unknown as Worker).postMessage(answer);

/** So often it is said how far something is, in milliseconds. */
const toldEvery = 80;

/** Does something to each of many, and says how far it is. */
async function eachOf<From, To>(
  id: number,
  many: readonly From[],
  change: (one: From) => To | Promise<To>,
): Promise<To[]> {
  const all: To[] = [];
  let since = performance.now();
  for (const one of many) {
    all.push(await change(one));
    if (performance.now() - since < toldEvery) continue;
    since = performance.now();
    say({ id, done: all.length, of: many.length });
  }
  return all;
}

/** Which of the others are much like a picture; one that cannot be read is like none. */
async function alikeIn({ id, pixels, frameHeight, others }: { id: number } & AlikeAsked) {
  const compared = comparedWith(pixels, frameHeight);
  const all = await eachOf(id, others, async ({ name, address, frameHeight: rows }) => {
    const answer = await fetch(address);
    if (!answer.ok) return [];
    const other = decodePicture(new Uint8Array(await answer.arrayBuffer()));
    const likeness = likenessOf(compared, comparedWith(other, Math.min(rows, other.height)));
    return likeness ? [{ name, likeness }] : [];
  });
  const rank = ({ isRecoloured, share }: Likeness) => share - (isRecoloured ? 1 : 0);
  return all.flat().sort((a, b) => rank(b.likeness) - rank(a.likeness));
}

function answerTo(one: PictureAsk): Promise<PictureAsks[keyof PictureAsks]['answer']> {
  if (one.ask === 'make') return Promise.resolve(makePicture(one.made, one.below));
  if (one.ask === 'mend') return Promise.resolve(mendPicture(one.pixels, one.mending));
  if (one.ask === 'recolour') return eachOf(one.id, one.ways, (way) => recoloured(one.pixels, way));
  if (one.ask === 'write')
    return Promise.resolve(one.kind === 'gif' ? writeGif(one.moving) : writeApng(one.moving));
  if (one.ask === 'alike') return alikeIn(one);
  return eachOf(one.id, one.files, readFile);
}

self.onmessage = async ({ data }: MessageEvent<PictureAsk>) => {
  const { id } = data;
  try {
    say({ id, answer: await answerTo(data) });
  } catch (error) {
    say({ id, problem: messageOf(error) });
  }
};
