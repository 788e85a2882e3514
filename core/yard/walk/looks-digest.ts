import { Numbers } from '../grid/numbers.ts';
import { Looks, type Drawn } from '../look/drawn.ts';
import type { PackWorld, YardBlock } from '../pack-world.ts';
import { digestOf } from '../run/digest.ts';
import type { Vec3 } from '../../space/index.ts';

/** Where a block is looked at: enough of places for each candidate of a few to be chosen. */
const places: readonly Vec3[] = Array.from({ length: 6 }, (_, i) => [i * 5, i, i * 3]);

/**
 * What stands for how some states of a block look: faces, tints and every texel of their pictures.
 * The same looks give the same text.
 *
 * @example looksDigest(world)(gate, [0, 1]) // '8c41…'
 */
export function looksDigest(
  world: PackWorld,
): (block: YardBlock, states: readonly number[]) => string {
  const numbers = new Numbers(world);
  const looks = new Looks(world, numbers);
  const pictures = new Map<string, string>();
  const pictureOf = (id: string): string => {
    let found = pictures.get(id);
    if (found === undefined) pictures.set(id, (found = pictureDigest(world, id)));
    return found;
  };
  // The same list of faces is given wherever the same is chosen.
  const lists = new Map<Drawn, string>();
  const listOf = (drawn: Drawn): string => {
    let found = lists.get(drawn);
    if (found === undefined) lists.set(drawn, (found = listDigest(drawn, pictureOf)));
    return found;
  };
  return (block, states) => {
    const found = new Set<string>();
    for (const state of states) {
      const number = numbers.of({ block: block.id, state });
      const shown = places.map((place) => looks.at(number, place));
      found.add([...new Set(shown)].map(listOf).join(' '));
    }
    return digestOf([[...found].join('\n')]);
  };
}

/** Of what is seen of some faces; how they sound is not. */
function listDigest(drawn: Drawn, pictureOf: (id: string) => string): string {
  const numbers = drawn.flatMap(({ corners, uv, normal }) => [...corners, ...uv, normal].flat());
  const shown = drawn.map(({ picture, isTinted }) => [
    picture === undefined ? '' : pictureOf(picture),
    isTinted,
  ]);
  const displays = new Set(
    drawn.map(({ display }) => JSON.stringify({ ...display, soundSet: '' })),
  );
  return digestOf([new Float64Array(numbers), shown.join(), [...displays].join()]);
}

function pictureDigest({ view }: PackWorld, id: string): string {
  const { pixels, ...timing } = view.pictureOf(id) ?? {};
  const texels = pixels?.() ?? new Uint8Array();
  const words = new Uint32Array(texels.length >> 2);
  for (let i = 0; i < words.length; i += 1)
    words[i] =
      (texels[i * 4]! << 24) |
      (texels[i * 4 + 1]! << 16) |
      (texels[i * 4 + 2]! << 8) |
      texels[i * 4 + 3]!;
  return digestOf([words, JSON.stringify(timing)]);
}
